import type { JobFacts } from '@elder-cog/contract';
import { isFeatureKind, type MarkKind } from '@elder-cog/core';
import { buildName, dragMark, fittedIn, worstMark } from '@elder-cog/derive';
import { Plus } from 'lucide-react';
import { lazy, useMemo, type JSX } from 'react';
import { Link, useLocation, useParams, useSearchParams } from 'react-router';
import { Later } from '../kit/Later.tsx';
import { Mark } from '../kit/Mark.tsx';
import { RefusedError, useDrawer, useJobReply } from '../state/api.ts';
import { JobContext, placeIn, readJob, whereIn, type OpenJob } from '../state/job.ts';
import { leaveAsWritten } from '../words/asWritten.ts';
import { Frame } from './Frame.tsx';
import type { Stop } from './stop.ts';
import { BackToTheShelf } from './Nowhere.tsx';
import { OUTER, OuterTitle } from './OuterShell.tsx';
import { BenchIcon, BookIcon, LadderIcon, MakeIcon, RecordIcon, SectionIcon } from './roadIcons.tsx';
import { Spoilt } from './Spoilt.tsx';

const ShaftMenu = lazy(() => import('./ShaftMenu.tsx'));

/** The shell of one job: its facts fetched, derived once, and given to the views. */
export default function JobShell(): JSX.Element {
  const { jobId = '' } = useParams();
  const [search] = useSearchParams();
  const reply = useJobReply(jobId);
  const drawer = useDrawer();
  const stored = reply.data?.facts;
  const read = useMemo(() => (stored ? readJob(stored) : null), [stored]);
  useMemo(() => {
    if (stored) leaveAsWritten(...namesIn(stored));
  }, [stored]);
  const open = useMemo((): OpenJob | null => {
    if (!stored || !read || 'spoilt' in read || !drawer.data) return null;
    const { state, facts } = read;
    const elsewhere = drawer.data.fitted.filter((f) => f.jobId !== facts.job.id);
    return {
      facts,
      stored,
      state,
      lots: drawer.data.lots,
      fitted: [...elsewhere, ...fittedIn(stored)],
      ...placeIn(state, search),
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

/** What a person called the things of a job: its boxes and shafts, the rows that stand alone, what came off. */
const namesIn = ({ assemblies, shafts, stations, strip }: JobFacts): [string[], string[]] => {
  const paired = new Set(stations.flatMap((s) => [s.boreId, s.journalId]));
  const rows = stations.filter((s) => isFeatureKind(s.subject) && !paired.has(s.id));
  return [[...assemblies, ...shafts].map((each) => each.name), [...rows.map((row) => row.name), ...strip.map((line) => line.part)]];
};

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

function jobStops(open: OpenJob): Stop[] {
  const { state, shaft } = open;
  const at = (view: string): string => `/jobs/${state.job.id}/${view}${whereIn(open)}`;
  const sign = (picture: JSX.Element, mark: MarkKind) =>
    function RoadPicture(on: boolean) {
      return (
        <span className="flex items-start">
          {picture}
          <span className="-mt-1 ml-0.5 max-sm:-mt-1.5 max-sm:-ml-2">
            <Mark kind={mark} size={14} onBlue={on} />
          </span>
        </span>
      );
    };
  return [
    { to: at('bench'), name: 'Bench', key: 'b', sign: sign(<BenchIcon />, state.marks.bench) },
    { to: at('wear'), name: 'Wear book', short: 'Wear', key: 'w', sign: sign(<BookIcon />, state.marks.wear) },
    { to: at('section'), name: 'Section', key: 's', sign: sign(<SectionIcon />, shaft?.mark ?? state.marks.section) },
    { to: at('builds'), name: 'Dry builds', short: 'Builds', key: 'd', sign: sign(<LadderIcon />, shaft?.mark ?? state.marks.builds) },
    {
      to: at('make'),
      name: 'Make & fit',
      key: 'm',
      sign: shaft?.drags ? sign(<MakeIcon />, worstMark(shaft.drags.map(dragMark))) : () => <MakeIcon />,
    },
    { to: at('record'), name: 'Record', key: 'r', sign: () => <RecordIcon /> },
  ];
}

function JobTitle({ open: { state, shaft, box } }: { open: OpenJob }): JSX.Element {
  const { pathname } = useLocation();
  const view = pathname.split('/')[3] ?? 'bench';
  const current = box?.id;
  return (
    <>
      <Link
        to="/"
        translate="no"
        aria-label={`${state.job.machine}, back to the Shelf`}
        className="label flex h-full min-w-[72px] items-center px-4 text-[22px] font-semibold whitespace-nowrap no-underline max-sm:px-3 max-sm:text-[19px]"
      >
        <span className="truncate" translate="no">
          {state.job.machine}
        </span>{' '}
        <span className="pl-2 text-[18px] font-medium text-ink2 max-lg:hidden">{state.job.year}</span>
      </Link>
      <nav aria-label="Boxes" className="flex h-full items-stretch gap-1 border-l border-rule px-2 max-lg:hidden">
        {state.assemblies.map((assembly) => {
          const first = state.shafts.find((s) => s.assembly.id === assembly.id);
          const on = assembly.id === current;
          return (
            <Link
              key={assembly.id}
              to={first ? `/jobs/${state.job.id}/${view}?shaft=${first.shaft.id}` : `/jobs/${state.job.id}/${view}?box=${assembly.id}`}
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
            {shaft.current ? `Build ${buildName(shaft.current)} · ${shaft.stage}` : 'not built yet'}
          </span>
        </span>
      )}
    </>
  );
}

/** Every shaft, in the same view: of this box, and below the width that has room for the boxes, of the others too. */
function ShaftPicker({ state, shaft, view }: { state: OpenJob['state']; shaft: NonNullable<OpenJob['shaft']>; view: string }): JSX.Element {
  const { name } = shaft.shaft;
  const isMany = state.assemblies.length > 1;
  const shafts = state.shafts.map((s) => ({
    to: `/jobs/${state.job.id}/${view}?shaft=${s.shaft.id}`,
    name: isMany ? `${s.assembly.name}: ${s.shaft.name}` : s.shaft.name,
  }));
  const to = [...shafts, { to: `/jobs/${state.job.id}/boxes`, name: 'Boxes and shafts…' }];
  return (
    <Later className="label min-h-12 max-w-full truncate font-semibold" menu={(id) => <ShaftMenu buttonId={id} name={name} shafts={to} />}>
      {name} ▾
    </Later>
  );
}
