import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, type JSX } from 'react';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { Hatches } from '../kit/Shapes.tsx';
import { useSettings } from '../state/settings.ts';
import { JobShell, OuterShell } from './Shell.tsx';
import { Nowhere } from './Nowhere.tsx';

const Shelf = lazy(() => import('../views/Shelf/Shelf.tsx'));
const Drawer = lazy(() => import('../views/Drawer/Drawer.tsx'));
const NewMachine = lazy(() => import('../views/NewMachine/NewMachine.tsx'));
const Bench = lazy(() => import('../views/Bench/Bench.tsx'));
const Section = lazy(() => import('../views/Section/Section.tsx'));
const DryBuilds = lazy(() => import('../views/DryBuilds/DryBuilds.tsx'));
const WearBook = lazy(() => import('../views/WearBook/WearBook.tsx'));

const router = createBrowserRouter([
  {
    element: <OuterShell />,
    children: [
      { path: '/', element: <Shelf /> },
      { path: '/drawer', element: <Drawer /> },
      { path: '/new', element: <NewMachine /> },
      { path: '*', element: <Nowhere /> },
    ],
  },
  {
    path: '/jobs/:jobId',
    element: <JobShell />,
    children: [
      { index: true, element: <Bench /> },
      { path: 'bench', element: <Bench /> },
      { path: 'section', element: <Section /> },
      { path: 'builds', element: <DryBuilds /> },
      { path: 'wear', element: <WearBook /> },
      { path: 'add', element: <NewMachine /> },
      { path: '*', element: <Nowhere /> },
    ],
  },
]);

const client = new QueryClient({ defaultOptions: { queries: { retry: 1, staleTime: 2_000 } } });

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

export function App(): JSX.Element {
  useTheme();
  return (
    <QueryClientProvider client={client}>
      <Hatches />
      <Suspense fallback={<p className="p-6">Opening…</p>}>
        <RouterProvider router={router} />
      </Suspense>
    </QueryClientProvider>
  );
}
