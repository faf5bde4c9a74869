import { Dialog, DialogPanel, DialogTitle, Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import type { MarkKind } from '@elder-cog/core';
import { fittedIn } from '@elder-cog/derive';
import { format } from 'date-fns';
import { Flag, Keyboard, Menu as MenuIcon, PenLine, Plus, Undo2 } from 'lucide-react';
import { Suspense, useEffect, useMemo, useRef, useState, type JSX, type ReactNode } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { Field, Primary, Secondary } from '../kit/controls.tsx';
import { Mark } from '../kit/Mark.tsx';
import { JobContext, readJob, type OpenJob } from '../state/job.ts';
import { RefusedError, useCommand, useDrawer, useJobReply, useSaveState } from '../state/api.ts';
import { useSettings } from '../state/settings.ts';
import { useKeys, type Keys } from './keyboard.ts';
import { Distance } from './Distance.tsx';
import { LeaveOpen, useLeaveOpen } from './LeaveOpen.tsx';
import { BackToTheShelf } from './Nowhere.tsx';
import { Notices } from './Notices.tsx';
import { useReckoner } from './Reckoner.tsx';
import { Spoilt } from './Spoilt.tsx';
import { useUndo } from './Undo.tsx';
import { DrawerIcon, ReckonerIcon, RecordIcon, ShelfIcon, WorkshopIcon } from './roadIcons.tsx';

interface Stop {
  readonly to: string;
  readonly name: string;
  readonly short?: string;
  readonly key: string;
  readonly sign: (on: boolean) => ReactNode;
}

const OUTER: readonly Stop[] = [
  { to: '/', name: 'Shelf', key: 's', sign: () => <ShelfIcon /> },
  { to: '/drawer', name: 'Drawer', key: 'd', sign: () => <DrawerIcon /> },
  { to: '/workshop', name: 'Workshop', key: 'w', sign: () => <WorkshopIcon /> },
];

export function OuterShell(): JSX.Element {
  const { pathname } = useLocation();
  const name = { '/drawer': 'Drawer', '/new': 'New machine', '/workshop': 'Workshop' }[pathname] ?? 'Shelf';
  return <Frame stops={OUTER} title={<OuterTitle name={name} />} />;
}

function OuterTitle({ name }: { name: string }): JSX.Element {
  return (
    <>
      <Link to="/" className="label flex h-full items-center px-4 text-[22px] font-semibold no-underline max-sm:px-3 max-sm:text-[19px]">
        Elder Cog
      </Link>
      <span className="label flex h-full items-center border-x border-rule px-4 text-[18px] font-semibold">{name}</span>
    </>
  );
}

/** The shell of one job: its facts fetched, derived once, and given to the views. */
export function JobShell(): JSX.Element {
  const { jobId = '' } = useParams();
  const [search] = useSearchParams();
  const reply = useJobReply(jobId);
  const drawer = useDrawer();
  const stored = reply.data?.facts;
  const read = useMemo(() => (stored ? readJob(stored) : null), [stored]);
  const open = useMemo((): OpenJob | null => {
    if (!stored || !read || 'spoilt' in read || !drawer.data) return null;
    const { state, facts } = read;
    const wanted = search.get('shaft') ?? state.next.shaftId;
    const elsewhere = drawer.data.fitted.filter((f) => f.jobId !== facts.job.id);
    return {
      facts,
      stored,
      state,
      lots: drawer.data.lots,
      fitted: [...elsewhere, ...fittedIn(stored)],
      shaft: state.shafts.find((s) => s.shaft.id === wanted) ?? state.shafts[0] ?? null,
    };
  }, [stored, read, drawer.data, search]);
  if (stored && read && 'spoilt' in read)
    return <Frame stops={OUTER} title={<OuterTitle name="Damaged" />} instead={<Spoilt facts={stored} why={read.spoilt} />} />;
  const failed = reply.isError ? reply.error : drawer.isError ? drawer.error : null;
  if (failed && !open) return <Frame stops={OUTER} title={<OuterTitle name="Shelf" />} instead={<LoadTrouble error={failed} />} />;
  if (!open) return <Frame stops={OUTER} title={<OuterTitle name="Opening…" />} instead={<p className="p-6">Opening the job…</p>} />;
  return (
    <JobContext value={open}>
      <Frame stops={jobStops(open)} title={<JobTitle open={open} />} job={open} />
    </JobContext>
  );
}

function LoadTrouble({ error }: { error: Error }): JSX.Element {
  const missing = error instanceof RefusedError && error.code === 'notFound';
  return (
    <main className="p-6">
      <h1 className="label text-[22px] font-semibold">{missing ? 'That machine is not on the shelf' : 'The server is away'}</h1>
      <p>
        {missing ? 'It may have been undone, or the address is mistyped.' : error.message} <BackToTheShelf />
      </p>
    </main>
  );
}

function jobStops({ state, shaft }: OpenJob): Stop[] {
  const at = (view: string): string => `/jobs/${state.job.id}/${view}${shaft ? `?shaft=${shaft.shaft.id}` : ''}`;
  const sign = (mark: MarkKind) =>
    function RoadMark(on: boolean) {
      return <Mark kind={mark} size={24} onBlue={on} />;
    };
  return [
    { to: at('bench'), name: 'Bench', key: 'b', sign: sign(state.marks.bench) },
    { to: at('wear'), name: 'Wear book', short: 'Wear', key: 'w', sign: sign(state.marks.wear) },
    { to: at('section'), name: 'Section', key: 's', sign: sign(shaft?.mark ?? state.marks.section) },
    { to: at('builds'), name: 'Dry builds', short: 'Builds', key: 'd', sign: sign(shaft?.mark ?? state.marks.builds) },
    { to: at('record'), name: 'Record', key: 'r', sign: () => <RecordIcon /> },
  ];
}

function JobTitle({ open: { state, shaft } }: { open: OpenJob }): JSX.Element {
  const { pathname } = useLocation();
  const view = pathname.split('/')[3] ?? 'bench';
  const current = shaft?.assembly.id;
  return (
    <>
      <Link
        to="/"
        aria-label={`${state.job.machine}, back to the Shelf`}
        className="label flex h-full min-w-[72px] items-center px-4 text-[22px] font-semibold whitespace-nowrap no-underline max-sm:px-3 max-sm:text-[19px]"
      >
        <span className="truncate">{state.job.machine}</span>{' '}
        <span className="pl-2 text-[18px] font-medium text-ink2 max-lg:hidden">{state.job.year}</span>
      </Link>
      <nav aria-label="Boxes" className="flex h-full items-stretch gap-1 border-l border-rule px-2 max-md:hidden">
        {state.assemblies.map((assembly) => {
          const first = state.shafts.find((s) => s.assembly.id === assembly.id);
          const on = assembly.id === current;
          return (
            <Link
              key={assembly.id}
              to={first ? `/jobs/${state.job.id}/${view}?shaft=${first.shaft.id}` : `/jobs/${state.job.id}/add?box=${assembly.id}`}
              aria-current={on ? 'page' : undefined}
              className={`label flex items-center px-2 text-[18px] whitespace-nowrap no-underline ${on ? 'border-b-4 border-blue font-semibold' : 'border-b-4 border-transparent text-ink2'}`}
            >
              {assembly.name}
            </Link>
          );
        })}
        <Link
          to={`/jobs/${state.job.id}/add`}
          aria-label="Add a box or a shaft"
          title="Add a box or a shaft"
          className="flex w-12 items-center justify-center text-ink2"
        >
          <Plus size={20} aria-hidden="true" />
        </Link>
      </nav>
      {shaft && (
        <span className="label flex h-full min-w-0 items-center gap-4 overflow-hidden border-l border-rule px-4 text-[18px] whitespace-nowrap max-sm:px-2 max-sm:text-[16px]">
          <ShaftPicker state={state} shaft={shaft} view={view} />
          <span className="truncate text-ink2 max-lg:hidden">
            {shaft.current ? `Build ${shaft.current.number} · ${shaft.stage}` : 'not built yet'}
          </span>
        </span>
      )}
    </>
  );
}

function ShaftPicker({ state, shaft, view }: { state: OpenJob['state']; shaft: NonNullable<OpenJob['shaft']>; view: string }): JSX.Element {
  const others = state.shafts.filter((s) => s.assembly.id === shaft.assembly.id);
  if (others.length < 2) return <span className="truncate font-semibold">{shaft.shaft.name}</span>;
  return (
    <Menu>
      <MenuButton className="label min-h-12 font-semibold">{shaft.shaft.name} ▾</MenuButton>
      <MenuItems anchor="bottom start" className="z-20 border-2 border-ink bg-sheet">
        {others.map((s) => (
          <MenuItem key={s.shaft.id}>
            <Link
              to={`/jobs/${state.job.id}/${view}?shaft=${s.shaft.id}`}
              className="label block min-h-12 px-4 py-3 text-[18px] no-underline data-focus:bg-band"
            >
              {s.shaft.name}
            </Link>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

const toggleWords = (): void => {
  const { words, setWords } = useSettings.getState();
  setWords(words === 'british' ? 'american' : 'british');
};

/** Title block over, road at the left (a bar at the foot of a phone), the view in what is left. */
function Frame({ stops, title, job, instead }: { stops: readonly Stop[]; title: ReactNode; job?: OpenJob; instead?: ReactNode }): JSX.Element {
  const back = job !== undefined;
  const [far, setFar] = useState(false);
  const { unit, flipUnit } = useSettings();
  const [keysShown, setKeysShown] = useState(false);
  const [signing, setSigning] = useState(false);
  const navigate = useNavigate();

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
      <Notices job={job ?? null} />
      {asking}
      {job?.state.job.archivedAt && <PutAway job={job.state.job} />}
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
            <MoreMenu onKeys={() => setKeysShown(true)} onSign={() => setSigning(true)} />
          </div>
        </nav>
        <main id="view" tabIndex={-1} className="min-w-0 flex-1 outline-none max-sm:pb-[60px]">
          <Suspense fallback={<p className="p-6">Opening…</p>}>{instead ?? <Outlet />}</Suspense>
        </main>
      </div>
      <nav aria-label="Road, phone" className="no-print fixed inset-x-0 bottom-0 z-10 flex h-[60px] border-t-2 border-ink bg-paper sm:hidden">
        {(back ? stops.filter((s) => !IN_MORE.has(s.name)) : stops).map((stop) => (
          <PhoneStop key={stop.name} stop={stop} />
        ))}
        <PhoneMore stops={back ? stops.filter((s) => IN_MORE.has(s.name)) : []} onUndo={undo} {...(back ? { onFar: () => setFar(true) } : {})} />
      </nav>
      {job && <LeaveOpen job={job} />}
      {job && <Distance open={far} onClose={() => setFar(false)} job={job} />}
      <SignDialog open={signing} onClose={() => setSigning(false)} />
      <KeysDialog open={keysShown} onClose={() => setKeysShown(false)} stops={stops} />
    </div>
  );
}

const PRINTED: Readonly<Record<string, string>> = {
  limits: 'Limits',
  strip: 'As it came apart',
  sheet: 'Measuring sheet',
  labels: 'Bag labels',
  ask: 'A question',
};

/** What a printed sheet is of, and when. */
function PrintTitle({ stops, job }: { stops: readonly Stop[]; job: OpenJob | null }): JSX.Element {
  const { pathname } = useLocation();
  const path = PRINTED[pathname.split('/')[3] ?? ''] ?? stops.find((s) => s.to.split('?')[0] === pathname)?.name;
  const shaft = job?.shaft;
  const says = [
    job ? `${job.state.job.machine} ${job.state.job.year}`.trim() : 'Elder Cog',
    ...(shaft ? [shaft.assembly.name, shaft.shaft.name, shaft.current ? `build ${shaft.current.number}, ${shaft.stage}` : 'not built yet'] : []),
    path ?? 'Bench',
    format(new Date(), 'd MMM yyyy'),
  ];
  return <p className="label m-0 hidden border-b-2 border-ink pb-1 text-[18px] font-semibold print:block">{says.join(' · ')}</p>;
}

/** A phone's bar has room for three and More. */
const IN_MORE: ReadonlySet<string> = new Set(['Wear book', 'Record']);

/** Leaves of the Wear book, and the sheets printed from it. */
const IN_THE_BOOK = ['/limits', '/strip', '/ask/', '/sheet', '/labels'] as const;

function useIsOn(to: string): boolean {
  const { pathname } = useLocation();
  const path = to.split('?')[0] ?? to;
  return (
    pathname === path ||
    (path.endsWith('/bench') && pathname === path.replace('/bench', '')) ||
    (path.endsWith('/wear') && IN_THE_BOOK.some((leaf) => pathname.startsWith(path.replace('/wear', leaf))))
  );
}

function RoadStop({ stop }: { stop: Stop }): JSX.Element {
  const on = useIsOn(stop.to);
  return (
    <NavLink
      to={stop.to}
      aria-current={on ? 'page' : undefined}
      className={`flex min-h-[62px] flex-col justify-center gap-1 px-2.5 no-underline ${on ? 'bg-blue text-paper' : 'text-ink2'}`}
    >
      {stop.sign(on)}
      <span className={`label text-[16px] leading-5 whitespace-nowrap ${on ? 'font-semibold' : ''}`}>{stop.name}</span>
    </NavLink>
  );
}

function PhoneStop({ stop }: { stop: Stop }): JSX.Element {
  const on = useIsOn(stop.to);
  return (
    <NavLink
      to={stop.to}
      aria-current={on ? 'page' : undefined}
      className={`flex flex-1 items-center justify-center gap-1 no-underline [&>svg]:w-6 ${on ? 'bg-blue text-paper' : 'text-ink2'}`}
    >
      {stop.sign(on)}
      <span className={`label text-[16px] ${on ? 'font-semibold' : ''}`}>{stop.short ?? stop.name}</span>
    </NavLink>
  );
}

function PhoneMore({ stops, onUndo, onFar }: { stops: readonly Stop[]; onUndo: () => void; onFar?: () => void }): JSX.Element {
  return (
    <Menu>
      <MenuButton className="label flex flex-1 items-center justify-center gap-1.5 text-[16px] text-ink2">
        <MenuIcon size={20} aria-hidden="true" /> More
      </MenuButton>
      <MenuItems anchor="top end" className="z-20 w-56 border-2 border-ink bg-sheet">
        {[
          ...stops.map((s) => ({ to: s.to, name: s.name })),
          { to: '/', name: 'Shelf' },
          { to: '/drawer', name: 'Drawer' },
          { to: '/workshop', name: 'Workshop' },
        ].map((item) => (
          <MenuItem key={item.name}>
            <Link to={item.to} className="label block min-h-12 px-4 py-3 text-[18px] no-underline data-focus:bg-band">
              {item.name}
            </Link>
          </MenuItem>
        ))}
        <MenuItem>
          <button
            type="button"
            onClick={useReckoner.getState().show}
            className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band"
          >
            Reckoner
          </button>
        </MenuItem>
        {onFar && (
          <MenuItem>
            <button
              type="button"
              onClick={useLeaveOpen.getState().show}
              className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band"
            >
              Leave something open
            </button>
          </MenuItem>
        )}
        {onFar && (
          <MenuItem>
            <button type="button" onClick={onFar} className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band">
              The number, from afar
            </button>
          </MenuItem>
        )}
        <MenuItem>
          <button type="button" onClick={onUndo} className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band">
            Undo the last thing
          </button>
        </MenuItem>
        <ThemeItems />
      </MenuItems>
    </Menu>
  );
}

function ThemeItems(): JSX.Element {
  const { theme, setTheme } = useSettings();
  const says = { light: 'Light sheet', dark: 'Dark sheet', system: 'Light or dark as the machine' } as const;
  return (
    <>
      {(['light', 'dark', 'system'] as const).map((each) => (
        <MenuItem key={each}>
          <button
            type="button"
            aria-pressed={theme === each}
            onClick={() => setTheme(each)}
            className="block min-h-12 w-full px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            {says[each]}
            {theme === each ? ' ✓' : ''}
          </button>
        </MenuItem>
      ))}
    </>
  );
}

function MoreMenu({ onKeys, onSign }: { onKeys: () => void; onSign: () => void }): JSX.Element {
  return (
    <Menu>
      <MenuButton className="flex min-h-[62px] w-[86px] flex-col items-start justify-center gap-1 px-2.5 text-ink2">
        <MenuIcon size={22} aria-hidden="true" />
        <span className="label text-[16px]">More</span>
      </MenuButton>
      <MenuItems anchor="right end" className="z-20 border-2 border-ink bg-sheet">
        <ThemeItems />
        <MenuItem>
          <button
            type="button"
            onClick={onSign}
            className="flex min-h-12 w-full items-center gap-2 border-t border-rule px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            <PenLine size={18} aria-hidden="true" /> Sign entries
          </button>
        </MenuItem>
        <MenuItem>
          <button
            type="button"
            onClick={onKeys}
            className="flex min-h-12 w-full items-center gap-2 border-t border-rule px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            <Keyboard size={18} aria-hidden="true" /> Keys
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}

function SaveSign(): JSX.Element {
  const { state, message, waiting } = useSaveState();
  return (
    <span
      role="status"
      title={message}
      className={`label flex w-[104px] items-center justify-center border-l border-rule text-[18px] font-semibold max-sm:w-[74px] max-sm:text-[16px] ${state === 'not saved' || state === 'choose' ? 'text-tight' : state === 'saved' ? 'text-good' : 'text-ink2'}`}
    >
      {state === 'waiting' ? `waiting ${waiting}` : state === 'choose' ? `${waiting} to choose` : state}
    </span>
  );
}

/** A machine put away is read and not written to. */
function PutAway({ job }: { job: OpenJob['state']['job'] }): JSX.Element {
  const { send, sending } = useCommand();
  const { id, revision, machine, year, note } = job;
  const takeOut = (): void => {
    send({ kind: 'job.change', id, revision, machine, year, note, archivedAt: null }).catch(() => undefined);
  };
  return (
    <p role="status" className="no-print m-0 flex flex-wrap items-center gap-x-4 border-b border-ink bg-band px-4 py-1">
      This machine is put away: everything can be read, and nothing is changed.
      <Secondary onClick={takeOut} disabled={sending}>
        Take it out again
      </Secondary>
    </p>
  );
}

/** Whose hand it is: stands with every reading and build kept from this browser. */
function SignDialog({ open, onClose }: { open: boolean; onClose: () => void }): JSX.Element {
  const { who, setWho } = useSettings();
  const [name, setName] = useState(who);
  return (
    <Dialog open={open} onClose={onClose} className="relative z-30">
      <div className="fixed inset-0 flex items-center justify-center bg-ink/40 p-4">
        <DialogPanel className="w-full max-w-md border-2 border-ink bg-sheet p-5">
          <DialogTitle className="label m-0 text-[22px] font-semibold">Sign entries</DialogTitle>
          <form
            onSubmit={(event) => {
              event.preventDefault();
              setWho(name.trim());
              onClose();
            }}
          >
            <Field label="Initials or a name" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} placeholder="like A. B." />
            <div className="flex gap-3">
              <Primary type="submit" enter>
                Keep
              </Primary>
              <Secondary onClick={onClose} className="min-h-14">
                Leave it
              </Secondary>
            </div>
          </form>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function KeysDialog({ open, onClose, stops }: { open: boolean; onClose: () => void; stops: readonly Stop[] }): JSX.Element {
  const rows: readonly (readonly [string, string])[] = [
    ...stops.map((s) => [`g ${s.key}`, s.name] as const),
    ['g h', 'back to the Shelf'],
    ['r or F2', 'to the reading'],
    ['b', 'Section ⇄ Dry builds'],
    ['o', 'leave something open, from anywhere in a job'],
    ['j and k', 'down and up the rows of the Wear book'],
    ['f or F8', 'the number across the screen, to be read from afar'],
    ['u', 'thou ⇄ mm, in what is shown'],
    ['w', 'British ⇄ American words'],
    ['/', 'the Reckoner, from an empty field too'],
    ['Enter', 'keep, or do what the blue button says'],
    ['Esc', 'clear the entry; again, leave it'],
    ['Ctrl+Z', 'undo the last thing'],
  ];
  return (
    <Dialog open={open} onClose={onClose} className="relative z-30">
      <div className="fixed inset-0 flex items-center justify-center bg-ink/40 p-4">
        <DialogPanel className="max-h-full w-full max-w-lg overflow-auto border-2 border-ink bg-sheet p-5">
          <DialogTitle className="label m-0 text-[22px] font-semibold">Keys</DialogTitle>
          <p className="mt-1 text-ink2">Letters work outside the fields.</p>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {rows.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="num font-semibold">{key}</dt>
                <dd className="m-0">{does}</dd>
              </div>
            ))}
          </dl>
          <Secondary onClick={onClose} className="mt-5">
            Close
          </Secondary>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
