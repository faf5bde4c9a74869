import { lazy, useState, type ComponentType, type JSX } from 'react';

const VIEWS = {
  JobShell: () => import('./JobShell.tsx'),
  Shelf: () => import('../views/Shelf/Shelf.tsx'),
  Drawer: () => import('../views/Drawer/Drawer.tsx'),
  Workshop: () => import('../views/Workshop/Workshop.tsx'),
  Record: () => import('../views/Record/Record.tsx'),
  NewMachine: () => import('../views/NewMachine/NewMachine.tsx'),
  Boxes: () => import('../views/Boxes/Boxes.tsx'),
  Bench: () => import('../views/Bench/Bench.tsx'),
  Section: () => import('../views/Section/Section.tsx'),
  DryBuilds: () => import('../views/DryBuilds/DryBuilds.tsx'),
  WearBook: () => import('../views/WearBook/WearBook.tsx'),
  Fit: () => import('../views/MakeAndFit/Fit.tsx'),
  Drag: () => import('../views/MakeAndFit/Drag.tsx'),
  Fasteners: () => import('../views/MakeAndFit/Fasteners.tsx'),
  Bearings: () => import('../views/MakeAndFit/Bearings.tsx'),
  MakeAndFit: () => import('../views/MakeAndFit/MakeAndFit.tsx'),
  Limits: () => import('../views/WearBook/Limits.tsx'),
  StripLog: () => import('../views/WearBook/StripLog.tsx'),
  AskSheet: () => import('../views/Sheets/AskSheet.tsx'),
  MeasuringSheet: () => import('../views/Sheets/MeasuringSheet.tsx'),
  BagLabels: () => import('../views/Sheets/BagLabels.tsx'),
  Reckoner: () => import('./Reckoner.tsx'),
  Rescue: () => import('./Rescue.tsx'),
  SignIn: () => import('./SignIn.tsx'),
} as const;
export type ViewName = keyof typeof VIEWS;
const NAMES = Object.keys(VIEWS) as ViewName[];

/** What is shown over a view, and is no view of its own. */
const OVER = [
  () => import('./ConflictDialog.tsx'),
  () => import('./Distance.tsx'),
  () => import('./LeaveOpen.tsx'),
  () => import('./AskUndo.tsx'),
  () => import('./SignDialog.tsx'),
  () => import('./KeysDialog.tsx'),
  () => import('./MoreMenu.tsx'),
  () => import('./PhoneMore.tsx'),
  () => import('./ShaftMenu.tsx'),
  () => import('../views/Shelf/MachineMenu.tsx'),
];

const fetched = new Map<ViewName, ComponentType>();

/** Fetches a view; from then on it is shown at once. */
export async function fetchView(name: ViewName): Promise<{ readonly default: ComponentType }> {
  const view = await VIEWS[name]();
  fetched.set(name, view.default);
  return view;
}

/** When the page has nothing else to do. */
const idle = (): Promise<void> =>
  new Promise((resolve) => ('requestIdleCallback' in window ? requestIdleCallback(() => resolve(), { timeout: 1_000 }) : setTimeout(resolve, 50)));

/** Everything is fetched while nothing else is, one after the other, so that an open page goes on working with the server away. */
export async function fetchTheRest(): Promise<void> {
  for (const one of [...NAMES.map((name) => () => fetchView(name)), ...OVER]) {
    await idle();
    await one().catch(() => undefined);
  }
}

const LATER = new Map(NAMES.map((name) => [name, lazy(() => fetchView(name))]));

/** A view by its name: there at once where it has been fetched, and where not, as soon as it is. */
export function View({ name }: { readonly name: ViewName }): JSX.Element {
  const [Shown] = useState(() => fetched.get(name) ?? LATER.get(name));
  return Shown ? <Shown /> : <></>;
}
