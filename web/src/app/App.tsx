import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Suspense, useEffect, type JSX } from 'react';
import { BrowserRouter, Route, Routes, useLocation } from 'react-router';
import { Hatches } from '../kit/Shapes.tsx';
import { askAhead, useOutboxSender } from '../state/api.ts';
import { RefusedError, useDoor, useTrouble } from '../state/ask.ts';
import { useEvents } from '../state/events.ts';
import { useReckoner } from '../state/reckoner.ts';
import { useSettings } from '../state/settings.ts';
import { OF_A_JOB, OUTSIDE, SHELL, viewsAt } from './addresses.ts';
import { OuterShell } from './OuterShell.tsx';
import { fetchTheRest, fetchView, View, type ViewName } from './views.tsx';
import { WhereItFails } from './WhereItFails.tsx';
import { Nowhere } from './Nowhere.tsx';

const viewsOf = (views: Readonly<Record<string, ViewName>>): JSX.Element[] =>
  Object.entries(views).map(([path, name]) => (
    <Route key={path} {...(path === '' ? { index: true } : { path })} element={<View key={name} name={name} />} />
  ));

function Pages(): JSX.Element {
  const { pathname } = useLocation();
  return (
    <WhereItFails at={pathname}>
      <Routes>
        <Route element={<OuterShell />}>
          {viewsOf(OUTSIDE)}
          <Route path="*" element={<Nowhere />} />
        </Route>
        <Route path="jobs/:jobId" element={<View name={SHELL} />}>
          {viewsOf(OF_A_JOB)}
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

/** What the address at hand shows is asked for before anything is drawn; resolves when its view is there to be drawn, or cannot be. */
export async function openAhead(): Promise<void> {
  const { pathname } = window.location;
  const [, first, jobId] = pathname.split('/');
  if (first === '') askAhead(client, null);
  if (first === 'jobs' && jobId !== undefined && /^[0-9a-f-]{36}$/.test(jobId)) askAhead(client, jobId);
  await Promise.allSettled(viewsAt(pathname).map(fetchView));
}

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
    const soon = setTimeout(() => void fetchTheRest(), 2_500);
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
          <View name="Reckoner" />
        </Suspense>
      )}
      <Hatches />
      {shut && (
        <Suspense fallback={null}>
          <View name="SignIn" />
        </Suspense>
      )}
      <div inert={shut}>
        <Suspense key={words} fallback={<p className="p-6">Opening…</p>}>
          {inTrouble ? (
            <View name="Rescue" />
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
