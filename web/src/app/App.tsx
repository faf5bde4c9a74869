import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, type JSX } from 'react';
import { BrowserRouter, Route, Routes, useLocation } from 'react-router';
import { Hatches } from '../kit/Shapes.tsx';
import { askAhead, useOutboxSender } from '../state/api.ts';
import { RefusedError, useDoor, useTrouble } from '../state/ask.ts';
import { useEvents } from '../state/events.ts';
import { useReckoner } from '../state/reckoner.ts';
import { useSettings } from '../state/settings.ts';
import { OuterShell } from './OuterShell.tsx';
import { WhereItFails } from './WhereItFails.tsx';
import { Nowhere } from './Nowhere.tsx';

const VIEWS = {
  JobShell: () => import('./JobShell.tsx'),
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
  Reckoner: () => import('./Reckoner.tsx'),
  Rescue: () => import('./Rescue.tsx'),
  SignIn: () => import('./SignIn.tsx'),
} as const;
const JobShell = lazy(VIEWS.JobShell);
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
const Reckoner = lazy(VIEWS.Reckoner);
const Rescue = lazy(VIEWS.Rescue);
const SignIn = lazy(VIEWS.SignIn);
/** What is shown over any view, and is no view of its own. */
const OVER = [() => import('./ConflictDialog.tsx'), () => import('./Distance.tsx'), () => import('./LeaveOpen.tsx'), () => import('./AskUndo.tsx')];
const OVER_TOO = [() => import('./SignDialog.tsx'), () => import('./KeysDialog.tsx')];

/** Everything is fetched while nothing else is, so that an open page goes on working with the server away. */
const fetchAhead = (): void => {
  for (const fetchOne of [...Object.values(VIEWS), ...OVER, ...OVER_TOO]) fetchOne().catch(() => undefined);
};

function Pages(): JSX.Element {
  const { pathname } = useLocation();
  return (
    <WhereItFails at={pathname}>
      <Routes>
        <Route element={<OuterShell />}>
          <Route index element={<Shelf />} />
          <Route path="drawer" element={<Drawer />} />
          <Route path="workshop" element={<Workshop />} />
          <Route path="new" element={<NewMachine />} />
          <Route path="*" element={<Nowhere />} />
        </Route>
        <Route path="jobs/:jobId" element={<JobShell />}>
          <Route index element={<Bench />} />
          <Route path="bench" element={<Bench />} />
          <Route path="section" element={<Section />} />
          <Route path="builds" element={<DryBuilds />} />
          <Route path="wear" element={<WearBook />} />
          <Route path="limits" element={<Limits />} />
          <Route path="strip" element={<StripLog />} />
          <Route path="ask/:stationId" element={<AskSheet />} />
          <Route path="sheet" element={<MeasuringSheet />} />
          <Route path="labels" element={<BagLabels />} />
          <Route path="record" element={<Record />} />
          <Route path="add" element={<NewMachine />} />
          <Route path="*" element={<Nowhere />} />
        </Route>
      </Routes>
    </WhereItFails>
  );
}

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (tries, error) => tries < 1 && !(error instanceof RefusedError && error.code !== 'away'),
      staleTime: 2_000,
      networkMode: 'always',
    },
  },
});

const BY_PATH: Readonly<Record<string, () => Promise<unknown>>> = {
  section: VIEWS.Section,
  builds: VIEWS.DryBuilds,
  wear: VIEWS.WearBook,
  limits: VIEWS.Limits,
  strip: VIEWS.StripLog,
  record: VIEWS.Record,
};

/** The view the address names, and what it will show, are fetched side by side, and not one after the other. */
function openAhead(): void {
  const [, first, jobId, view = ''] = window.location.pathname.split('/');
  const wanted = first === '' ? [VIEWS.Shelf] : first === 'jobs' ? [VIEWS.JobShell, BY_PATH[view] ?? VIEWS.Bench] : [];
  for (const fetchOne of wanted) fetchOne().catch(() => undefined);
  if (first === '') askAhead(client, null);
  if (first === 'jobs' && jobId !== undefined && /^[0-9a-f-]{36}$/.test(jobId)) askAhead(client, jobId);
}
openAhead();

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
    const soon = setTimeout(fetchAhead, 2_500);
    return () => clearTimeout(soon);
  }, []);
  const shut = useDoor((s) => s.shut);
  const words = useSettings((s) => s.words);
  const reckoning = useReckoner((s) => s.open);
  const inTrouble = useTrouble((s) => s.sentence !== null);
  return (
    <QueryClientProvider client={client}>
      <Outbox />
      {reckoning && (
        <Suspense fallback={null}>
          <Reckoner />
        </Suspense>
      )}
      <Hatches />
      {shut && (
        <Suspense fallback={null}>
          <SignIn />
        </Suspense>
      )}
      <div inert={shut}>
        <Suspense key={words} fallback={<p className="p-6">Opening…</p>}>
          {inTrouble ? (
            <Rescue />
          ) : (
            <BrowserRouter>
              <Pages />
            </BrowserRouter>
          )}
        </Suspense>
      </div>
    </QueryClientProvider>
  );
}
