import { buildName } from '@elder-cog/derive';
import { format } from 'date-fns';
import { Flag, Menu as MenuIcon, Undo2 } from 'lucide-react';
import { lazy, Suspense, useEffect, useMemo, useRef, useState, type JSX, type ReactNode } from 'react';
import { Link, Outlet, useLocation, useNavigate, useNavigationType } from 'react-router';
import { useSaveState } from '../state/api.ts';
import { KeypadFoot } from '../kit/Keypad.tsx';
import { Later } from '../kit/Later.tsx';
import type { OpenJob } from '../state/job.ts';
import { useLeaveOpen } from '../state/leaveOpen.ts';
import { useReckoner } from '../state/reckoner.ts';
import { useSettings } from '../state/settings.ts';
import { useKeys, type Keys } from './keyboard.ts';
import { Notices } from './Notices.tsx';
import { PutAway } from './PutAway.tsx';
import { DrawerIcon, ReckonerIcon } from './roadIcons.tsx';
import type { Stop } from './stop.ts';
import { useUndo } from './Undo.tsx';

const Distance = lazy(() => import('./Distance.tsx'));
const LeaveOpen = lazy(() => import('./LeaveOpen.tsx'));
const MoreMenu = lazy(() => import('./MoreMenu.tsx'));
const PhoneMore = lazy(() => import('./PhoneMore.tsx'));
const SignDialog = lazy(() => import('./SignDialog.tsx'));
const KeysDialog = lazy(() => import('./KeysDialog.tsx'));

const toggleWords = (): void => {
  const { words, setWords } = useSettings.getState();
  setWords(words === 'british' ? 'american' : 'british');
};

/** Title block over, road at the left (a bar at the foot of a phone), the view in what is left. */
export function Frame({ stops, title, job, instead }: { stops: readonly Stop[]; title: ReactNode; job?: OpenJob; instead?: ReactNode }): JSX.Element {
  const back = job !== undefined;
  const [far, setFar] = useState(false);
  const leaving = useLeaveOpen((s) => s.open);
  const { unit, flipUnit } = useSettings();
  const [keysShown, setKeysShown] = useState(false);
  const [signing, setSigning] = useState(false);
  const navigate = useNavigate();

  useFromTheTop();
  const { undo, asking } = useUndo(job ?? null);
  const undoNow = useRef(undo);
  useEffect(() => {
    undoNow.current = undo;
  });
  const keys = useMemo((): Keys => {
    const byName = Object.fromEntries(stops.map((stop) => [`g ${stop.key}`, () => void navigate(stop.to)]));
    const entry = (): void => document.getElementById('entry')?.focus();
    const builds = stops.find((s) => s.name === 'Dry builds');
    const sectionStop = stops.find((s) => s.name === 'Section');
    return {
      ...byName,
      'g h': () => void navigate('/'),
      u: flipUnit,
      w: toggleWords,
      r: entry,
      F2: entry,
      ...(back ? { f: () => setFar(true), F8: () => setFar(true), o: useLeaveOpen.getState().show } : {}),
      '?': () => setKeysShown(true),
      '/': useReckoner.getState().show,
      'Ctrl+z': () => undoNow.current(),
      ...(builds && sectionStop ? { b: () => void navigate(window.location.pathname.endsWith('/builds') ? sectionStop.to : builds.to) } : {}),
    };
  }, [stops, navigate, flipUnit, back]);
  useKeys(keys);

  return (
    <div className="flex min-h-dvh flex-col">
      <a href="#view" className="sr-only focus:not-sr-only focus:absolute focus:z-30 focus:bg-sheet focus:p-3">
        Skip to the sheet
      </a>
      <header className="no-print sticky top-0 z-10 flex h-14 items-stretch border-b-2 border-ink bg-paper max-sm:h-[50px]">
        <div className="flex min-w-0 flex-1 items-stretch overflow-hidden">{title}</div>
        {job && (
          <button
            type="button"
            onClick={useLeaveOpen.getState().show}
            aria-label={`Leave something open; ${job.state.openItems.length} now`}
            title="Leave something open (o)"
            className="label flex min-w-12 items-center justify-center gap-1 border-l border-rule px-2 text-[18px] max-sm:hidden"
          >
            <Flag size={20} aria-hidden="true" />
            {job.state.openItems.length > 0 && <span className="num">{job.state.openItems.length}</span>}
          </button>
        )}
        <button
          type="button"
          onClick={undo}
          aria-label="Undo the last thing"
          title="Undo the last thing (Ctrl+Z)"
          className="flex w-12 items-center justify-center border-l border-rule max-sm:hidden"
        >
          <Undo2 size={20} aria-hidden="true" />
        </button>
        <button
          type="button"
          onClick={flipUnit}
          aria-label={`Shown in ${unit === 'thou' ? 'thou first' : 'millimetres first'}; change`}
          className="label flex items-center border-l border-rule px-3 text-[18px] whitespace-nowrap max-lg:w-14 max-lg:justify-center max-lg:px-0 max-sm:text-[16px]"
        >
          <span className={unit === 'thou' ? 'font-semibold' : 'text-ink2 max-lg:hidden'}>Thou</span>
          <span className="px-1 font-text max-lg:hidden" aria-hidden="true">
            ⇄
          </span>
          <span className={unit === 'mm' ? 'font-semibold' : 'text-ink2 max-lg:hidden'}>mm</span>
        </button>
        <SaveSign />
      </header>
      <PrintTitle stops={stops} job={job ?? null} />
      <div className="flex flex-1">
        <nav
          aria-label="Road"
          className="no-print sticky top-14 flex h-[calc(100dvh-56px)] w-[88px] shrink-0 flex-col border-r-2 border-ink bg-paper pt-1.5 max-sm:hidden"
        >
          {stops.map((stop) => (
            <RoadStop key={stop.name} stop={stop} />
          ))}
          <div className="mt-auto flex flex-col items-start">
            {back && (
              <Link to="/drawer" className="flex min-h-[62px] w-full flex-col justify-center gap-1 px-2.5 text-ink2 no-underline">
                <DrawerIcon />
                <span className="label text-[16px]">Drawer</span>
              </Link>
            )}
            <button
              type="button"
              onClick={useReckoner.getState().show}
              className="flex min-h-[62px] w-full flex-col justify-center gap-1 px-2.5 text-left text-ink2"
            >
              <ReckonerIcon />
              <span className="label text-[16px]">Reckoner</span>
            </button>
            <Later
              className="flex min-h-[62px] w-[86px] flex-col items-start justify-center gap-1 px-2.5 text-ink2"
              menu={(id) => <MoreMenu buttonId={id} onKeys={() => setKeysShown(true)} onSign={() => setSigning(true)} />}
            >
              <MenuIcon size={22} aria-hidden="true" />
              <span className="label text-[16px]">More</span>
            </Later>
          </div>
        </nav>
        <div className="flex min-w-0 flex-1 flex-col">
          <Notices job={job ?? null} />
          {job?.state.job.archivedAt && <PutAway job={job.state.job} />}
          <main id="view" tabIndex={-1} className="min-w-0 flex-1 pb-[var(--keypad)] outline-none max-sm:pb-[calc(60px+var(--keypad))]">
            <Suspense fallback={<p className="p-6">Opening…</p>}>{instead ?? <Outlet />}</Suspense>
          </main>
          {asking}
        </div>
      </div>
      <KeypadFoot />
      <nav aria-label="Road, phone" className="no-print fixed inset-x-0 bottom-0 z-10 flex h-[60px] border-t-2 border-ink bg-paper sm:hidden">
        {(back ? stops.filter((s) => !IN_MORE.has(s.name)) : stops).map((stop) => (
          <PhoneStop key={stop.name} stop={stop} />
        ))}
        <Later
          className="label flex flex-1 items-center justify-center gap-1.5 text-[16px] text-ink2"
          menu={(id) => (
            <PhoneMore
              buttonId={id}
              stops={back ? stops.filter((s) => IN_MORE.has(s.name)) : []}
              onUndo={undo}
              {...(back ? { onFar: () => setFar(true) } : {})}
            />
          )}
        >
          <MenuIcon size={20} aria-hidden="true" /> More
        </Later>
      </nav>
      <Suspense fallback={null}>
        {job && leaving && <LeaveOpen job={job} />}
        {job && far && <Distance open onClose={() => setFar(false)} job={job} />}
        {signing && <SignDialog open onClose={() => setSigning(false)} />}
        {keysShown && <KeysDialog open onClose={() => setKeysShown(false)} stops={stops} />}
      </Suspense>
    </div>
  );
}

/** A view that is gone to begins at its top; one that is come back to stands where it was left. */
function useFromTheTop(): void {
  const { pathname } = useLocation();
  const how = useNavigationType();
  useEffect(() => {
    if (how !== 'POP') window.scrollTo(0, 0);
    // only another view begins anew: a shaft or a row of this one is in sight
  }, [pathname]);
}

const PRINTED: Readonly<Record<string, string>> = {
  limits: 'Limits',
  strip: 'As it came apart',
  sheet: 'Measuring sheet',
  labels: 'Bag labels',
  ask: 'A question',
  fit: 'Fit',
  drag: 'Drag',
  fasteners: 'Fasteners',
  bearings: 'Bearings',
};

/** What a printed sheet is of, and when. */
function PrintTitle({ stops, job }: { stops: readonly Stop[]; job: OpenJob | null }): JSX.Element {
  const { pathname } = useLocation();
  const path = PRINTED[pathname.split('/')[3] ?? ''] ?? stops.find((s) => s.to.split('?')[0] === pathname)?.name;
  const shaft = job?.shaft;
  const says = [
    job ? `${job.state.job.machine} ${job.state.job.year}`.trim() : 'Elder Cog',
    ...(shaft ? [shaft.assembly.name, shaft.shaft.name, shaft.current ? `build ${buildName(shaft.current)}, ${shaft.stage}` : 'not built yet'] : []),
    path ?? 'Bench',
    format(new Date(), 'd MMM yyyy'),
  ];
  return <p className="label m-0 hidden border-b-2 border-ink pb-1 text-[18px] font-semibold print:block">{says.join(' · ')}</p>;
}

/** A phone's bar has room for three and More. */
const IN_MORE: ReadonlySet<string> = new Set(['Wear book', 'Make & fit', 'Record']);

/** Leaves of a stop of the road, and the sheets printed from it. */
const LEAVES: readonly (readonly [stop: string, leaves: readonly string[]])[] = [
  ['/wear', ['/limits', '/strip', '/ask/', '/sheet', '/labels']],
  ['/make', ['/fit', '/drag', '/fasteners', '/bearings']],
];

function useIsOn(to: string): boolean {
  const { pathname } = useLocation();
  const path = to.split('?')[0] ?? to;
  return (
    pathname === path ||
    (path.endsWith('/bench') && pathname === path.replace('/bench', '')) ||
    LEAVES.some(([stop, leaves]) => path.endsWith(stop) && leaves.some((leaf) => pathname.startsWith(path.slice(0, -stop.length) + leaf)))
  );
}

function RoadStop({ stop }: { stop: Stop }): JSX.Element {
  const on = useIsOn(stop.to);
  return (
    <Link
      to={stop.to}
      aria-current={on ? 'page' : undefined}
      className={`flex min-h-[62px] flex-col justify-center gap-1 px-2.5 no-underline ${on ? 'bg-blue text-paper' : 'text-ink2'}`}
    >
      {stop.sign(on)}
      <span className={`label text-[16px] leading-5 whitespace-nowrap ${on ? 'font-semibold' : ''}`}>{stop.name}</span>
    </Link>
  );
}

function PhoneStop({ stop }: { stop: Stop }): JSX.Element {
  const on = useIsOn(stop.to);
  return (
    <Link
      to={stop.to}
      aria-current={on ? 'page' : undefined}
      className={`flex flex-1 items-center justify-center gap-0.5 no-underline ${on ? 'bg-blue text-paper' : 'text-ink2'}`}
    >
      {stop.sign(on)}
      <span className={`label text-[15px] whitespace-nowrap ${on ? 'font-semibold' : ''}`}>{stop.short ?? stop.name}</span>
    </Link>
  );
}

function SaveSign(): JSX.Element {
  const { state, message, waiting } = useSaveState();
  return (
    <span
      role="status"
      title={message}
      className={`label flex w-[104px] items-center justify-center border-l border-rule text-center text-[18px] leading-5 font-semibold max-sm:w-[78px] max-sm:px-1 max-sm:text-[16px] ${state === 'not saved' || state === 'choose' ? 'text-tight' : state === 'saved' ? 'text-good' : 'text-ink2'}`}
    >
      {state === 'waiting' ? `waiting ${waiting}` : state === 'choose' ? `${waiting} to choose` : state}
    </span>
  );
}
