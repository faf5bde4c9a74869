import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, type JSX } from 'react';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { Hatches } from '../kit/Shapes.tsx';
import { useOutboxSender } from '../state/api.ts';
import { RefusedError, useDoor, useTrouble } from '../state/ask.ts';
import { useEvents } from '../state/events.ts';
import { useSettings } from '../state/settings.ts';
import { JobShell, OuterShell } from './Shell.tsx';
import { Rescue } from './Rescue.tsx';
import { SignIn } from './SignIn.tsx';
import { Mishap, Nowhere } from './Nowhere.tsx';
import { Reckoner } from './Reckoner.tsx';

const VIEWS = {
  Shelf: () => import('../views/Shelf/Shelf.tsx'),
  Drawer: () => import('../views/Drawer/Drawer.tsx'),
  Workshop: () => import('../views/Workshop/Workshop.tsx'),
  Record: () => import('../views/Record/Record.tsx'),
  NewMachine: () => import('../views/NewMachine/NewMachine.tsx'),
  Bench: () => import('../views/Bench/Bench.tsx'),
  Section: () => import('../views/Section/Section.tsx'),
  DryBuilds: () => import('../views/DryBuilds/DryBuilds.tsx'),
  WearBook: () => import('../views/WearBook/WearBook.tsx'),
  Limits: () => import('../views/WearBook/Limits.tsx'),
  StripLog: () => import('../views/WearBook/StripLog.tsx'),
  AskSheet: () => import('../views/Sheets/AskSheet.tsx'),
  MeasuringSheet: () => import('../views/Sheets/MeasuringSheet.tsx'),
  BagLabels: () => import('../views/Sheets/BagLabels.tsx'),
} as const;
const Shelf = lazy(VIEWS.Shelf);
const Drawer = lazy(VIEWS.Drawer);
const Workshop = lazy(VIEWS.Workshop);
const Record = lazy(VIEWS.Record);
const NewMachine = lazy(VIEWS.NewMachine);
const Bench = lazy(VIEWS.Bench);
const Section = lazy(VIEWS.Section);
const DryBuilds = lazy(VIEWS.DryBuilds);
const WearBook = lazy(VIEWS.WearBook);
const Limits = lazy(VIEWS.Limits);
const StripLog = lazy(VIEWS.StripLog);
const AskSheet = lazy(VIEWS.AskSheet);
const MeasuringSheet = lazy(VIEWS.MeasuringSheet);
const BagLabels = lazy(VIEWS.BagLabels);

/** Every view is fetched while nothing else is, so that an open page goes on working with the server away. */
const fetchAhead = (): void => {
  for (const view of Object.values(VIEWS)) view().catch(() => undefined);
};

const router = createBrowserRouter([
  {
    element: <OuterShell />,
    errorElement: <Mishap />,
    children: [
      { path: '/', element: <Shelf /> },
      { path: '/drawer', element: <Drawer /> },
      { path: '/workshop', element: <Workshop /> },
      { path: '/new', element: <NewMachine /> },
      { path: '*', element: <Nowhere /> },
    ],
  },
  {
    path: '/jobs/:jobId',
    element: <JobShell />,
    errorElement: <Mishap />,
    children: [
      { index: true, element: <Bench /> },
      { path: 'bench', element: <Bench /> },
      { path: 'section', element: <Section /> },
      { path: 'builds', element: <DryBuilds /> },
      { path: 'wear', element: <WearBook /> },
      { path: 'limits', element: <Limits /> },
      { path: 'strip', element: <StripLog /> },
      { path: 'ask/:stationId', element: <AskSheet /> },
      { path: 'sheet', element: <MeasuringSheet /> },
      { path: 'labels', element: <BagLabels /> },
      { path: 'record', element: <Record /> },
      { path: 'add', element: <NewMachine /> },
      { path: '*', element: <Nowhere /> },
    ],
  },
]);

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (tries, error) => tries < 1 && !(error instanceof RefusedError && error.code !== 'away'),
      staleTime: 2_000,
      networkMode: 'always',
    },
  },
});

/** Light, dark, or as the machine is set. */
function useTheme(): void {
  const theme = useSettings((s) => s.theme);
  useEffect(() => {
    const media = window.matchMedia('(prefers-color-scheme: dark)');
    const set = (): void => {
      document.documentElement.classList.toggle('dark', theme === 'dark' || (theme === 'system' && media.matches));
    };
    set();
    media.addEventListener('change', set);
    return () => media.removeEventListener('change', set);
  }, [theme]);
}

function Outbox(): null {
  useOutboxSender();
  useEvents();
  return null;
}

export function App(): JSX.Element {
  useTheme();
  useEffect(() => {
    const soon = setTimeout(fetchAhead, 1_500);
    return () => clearTimeout(soon);
  }, []);
  const shut = useDoor((s) => s.shut);
  const words = useSettings((s) => s.words);
  const inTrouble = useTrouble((s) => s.sentence !== null);
  return (
    <QueryClientProvider client={client}>
      <Outbox />
      <Reckoner />
      <Hatches />
      {shut && <SignIn />}
      <div inert={shut}>
        <Suspense key={words} fallback={<p className="p-6">Opening…</p>}>
          {inTrouble ? <Rescue /> : <RouterProvider router={router} />}
        </Suspense>
      </div>
    </QueryClientProvider>
  );
}
