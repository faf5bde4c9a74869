import { formatDistanceToNowStrict, format } from 'date-fns';
import {
  FEATURES,
  formatLength,
  formatLimits,
  nanometres,
  unitOfSizes,
  unitWord,
  type Ends,
  type Length,
  type LengthUnit,
  type Limits,
  type TorqueUnit,
} from '@elder-cog/core';
import {
  buildName,
  dragMark,
  feelsByBuild,
  inForNow,
  judgedOf,
  markAsJudged,
  nextOf,
  rowHolders,
  stateNow,
  stateWords,
  type DragState,
  type JobState,
  type PairState,
  type RowHolder,
  type ShaftState,
  WORST_FIRST,
} from '@elder-cog/derive';
import { useRef, type JSX } from 'react';
import { Link } from 'react-router';
import { Heading } from '../../kit/controls.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { Num } from '../../kit/Num.tsx';
import { Pack } from '../../kit/Pack.tsx';
import { SectionView } from '../../kit/SectionView.tsx';
import { torqueLimitsWords, torqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useJob, whereIn } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { useSkips } from '../../state/skips.ts';
import { Checks } from '../Section/Checks.tsx';
import { ReadingEntry } from '../Section/ReadingEntry.tsx';
import { NoShaft } from '../Section/Section.tsx';
import { SetUp, setUpStep } from '../Section/SetUp.tsx';
import { PackShelf } from '../Section/PackShelf.tsx';
import { Depth } from '../Section/Depths.tsx';
import { Sleeve } from '../Section/Sleeve.tsx';
import { LookAgain, MatchedWarnings } from '../WearBook/InQuestion.tsx';
import { sizeUnit } from '../WearBook/PartRows.tsx';
import { DragEntry } from '../MakeAndFit/DragEntry.tsx';
import { BeingMade } from './BeingMade.tsx';
import { LooseRollers } from './LooseRollers.tsx';
import { OpenItems } from './OpenItems.tsx';

/** One job's home: what to do next, with its entry in place; what is out or stale; the last readings. */
export default function Bench(): JSX.Element {
  const { state, shaft } = useJob();
  const entry = useRef<HTMLInputElement>(null);
  // what is next of the shaft the title names; the job's own where that is another
  const next = shaft ? nextOf(shaft, state.settings) : state.next;
  const gap = shaft?.gaps.find((g) => g.station.id === next.stationId) ?? shaft?.gaps[0];
  const skipped = useSkips((s) => s.skipped);
  if (!shaft || !gap)
    return (
      <>
        <OpenItems />
        <NoShaft jobId={state.job.id} />
        <div className="px-6 pb-4">
          <Worst state={state} />
        </div>
      </>
    );
  // right by its drag, it asks nothing of its float
  const spared = gap.isSpared && next.stationId === gap.station.id ? shaft.drags?.find(({ now }) => now.kind === 'read') : undefined;
  const drag = shaft.drags?.find(({ station }) => station.id === next.stationId) ?? spared;
  const step = drag ? null : setUpStep(shaft, gap, { drawerEmpty: false, skipped });
  const depth = shaft.depths?.find(({ station }) => station.id === next.stationId);
  // no limits are known, and that was said: the next question stands here
  const isPast = next.what === 'limits' && shaft.current === null && step !== 'limits';
  const pastLimits = step === 'pack' ? 'Say what pack is in now.' : `Read the ${gap.station.name.toLowerCase()}.`;
  const lastAt = state.lastReadings[0]?.takenAt;
  const sectionTo = `/jobs/${state.job.id}/section?shaft=${shaft.shaft.id}`;
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_410px] max-lg:grid-cols-1">
      <div className="min-w-0">
        <OpenItems />
        <MatchedWarnings />
        <LookAgain />
        <section aria-label="What next" className="border-b-2 border-ink bg-sheet px-4 py-3">
          <div className="flex items-baseline justify-between gap-3">
            <Heading className="text-blue">What next</Heading>
            {lastAt && (
              <span className="text-ink2">
                last here {format(new Date(lastAt), 'd MMM')} · {formatDistanceToNowStrict(new Date(lastAt))} ago
              </span>
            )}
          </div>
          <h1 className="m-0 text-[26px] leading-8 font-semibold">{isPast ? pastLimits : next.words}</h1>
          <p className="m-0 mb-2 text-ink2">{isPast ? 'The limits may come later.' : next.detail}</p>
          {state.next.shaftId !== null && state.next.shaftId !== shaft.shaft.id && next.what !== state.next.what && (
            <p className="m-0 mb-2">
              <Link to={`/jobs/${state.job.id}/bench?shaft=${state.next.shaftId}`} className="inline-flex min-h-12 items-center text-blue underline">
                First of the machine: {state.next.words}
              </Link>
            </p>
          )}
          <div className="grid grid-cols-[minmax(0,1fr)_300px] gap-5 max-md:grid-cols-1">
            <div>
              {drag ? (
                <DragHere shaft={shaft} drag={drag} />
              ) : depth ? (
                <Depth depth={depth} shaft={shaft} />
              ) : step ? (
                <SetUp step={step} shaft={shaft} gap={gap} onMethod={() => entry.current?.focus()} />
              ) : next.what === 'fit' ? (
                <>
                  <p className="m-0">{gap.pack ? 'The packs for it are below.' : 'How the sleeve stands is below.'}</p>
                  <Link to={sectionTo} className="inline-flex min-h-12 items-center text-blue underline">
                    Or read it again first, on the Section
                  </Link>
                </>
              ) : (
                <ReadingEntry key={gap.station.id} shaft={shaft} gap={gap} entryRef={entry} />
              )}
            </div>
            <Link
              to={sectionTo}
              aria-label={`To the Section of the ${shaft.shaft.name.toLowerCase()}`}
              className="block overflow-hidden max-md:hidden"
            >
              <SectionView question={shaft.section} height={178} />
            </Link>
          </div>
        </section>
        {next.what === 'fit' && !step && !depth && !drag && (
          <div className="border-b border-rule">
            {gap.pack ? (
              <PackShelf shaft={shaft} gap={gap} wantsFocus={null} onFocused={() => undefined} onFitted={() => undefined} />
            ) : (
              <Sleeve shaft={shaft} gap={gap} onChanged={() => undefined} />
            )}
          </div>
        )}
        <BeingMade />
        <LooseRollers />
        <section aria-label="Gaps and clearances" className="px-4 py-3">
          <div className="flex items-baseline justify-between">
            <Heading>Out, stale, not read</Heading>
            <span className="text-ink2">worst first</span>
          </div>
          <Worst state={state} />
        </section>
        <Checks shaft={shaft} />
      </div>
      <aside aria-label="In now and last readings" className="min-w-0 border-l-2 border-ink px-5 py-3 max-lg:border-t-2 max-lg:border-l-0">
        <InNow shaft={shaft} />
        <LastReadings state={state} />
      </aside>
    </div>
  );
}

function Worst({ state }: { state: JobState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const holders = rowHolders(state);
  const at = (holder: RowHolder): string => whereIn({ shaft: state.shafts.find((s) => s === holder) ?? null, box: holder.assembly });
  const told = (drag: number, of: TorqueUnit): string => torqueWords(drag, torqueShown(of, unit).unit);
  const rows = [
    ...state.shafts.flatMap((s) =>
      (s.drags ?? []).map((drag) => ({
        id: drag.station.id,
        mark: dragMark(drag),
        name: drag.station.name,
        where: s.assembly.name,
        value: drag.now.kind === 'none' ? null : (drag.now.reading?.value ?? null),
        firm: drag.now.kind === 'read',
        limits: drag.limits?.limits ?? null,
        to: `drag?shaft=${s.shaft.id}&drag=${drag.station.id}`,
        unit: null,
        torque: drag.unit,
        more: drag.accepted && drag.mark === 'accepted' ? drag.accepted.reason : drag.now.kind === 'read' ? '' : (drag.now.because ?? 'not read yet'),
      })),
    ),
    ...state.shafts.flatMap((s) =>
      judgedOf(s).map((g) => ({
        id: g.station.id,
        mark: markAsJudged(g),
        name: g.station.name,
        where: s.assembly.name,
        value: g.now.kind === 'none' ? null : (g.now.reading?.value ?? null),
        firm: g.now.kind === 'read',
        limits: g.limits?.limits ?? null,
        to: `section?shaft=${s.shaft.id}`,
        unit: g.station.subject === 'depth' ? unitOfSizes(unit) : null,
        more: g.accepted && g.mark === 'accepted' ? g.accepted.reason : g.now.kind === 'read' ? '' : (g.now.because ?? 'not read yet'),
      })),
    ),
    ...(state.settings ?? []).map(({ setting, mark, judgedBy, asks }) => ({
      id: setting.id,
      mark,
      name: setting.name,
      where: state.assemblies.find((a) => a.id === setting.assemblyId)?.name ?? '',
      value: judgedBy?.value ?? null,
      firm: true,
      limits: judgedBy?.limits ?? null,
      to: `section?shaft=${judgedBy?.station.shaftId ?? state.shafts.find((s) => s.assembly.id === setting.assemblyId)?.shaft.id ?? ''}`,
      unit: null,
      torque: judgedBy?.torqueUnit,
      more: asks
        ? `${asks.isIn.station.name} is in, ${asks.isOut.station.name.toLowerCase()} is out`
        : `judged by ${judgedBy?.station.name.toLowerCase() ?? 'nothing that is there'}`,
    })),
    ...holders.flatMap((s) =>
      s.pairs.map((p) => ({
        id: p.station.id,
        mark: p.mark,
        name: p.station.name,
        where: s.assembly.name,
        value: p.clearance?.greatest ?? null,
        firm: true,
        limits: p.limits?.limits ?? null,
        to: `wear${at(s)}&row=${p.station.id}`,
        unit: null,
        more:
          p.accepted && p.mark === 'accepted'
            ? p.accepted.reason
            : p.mark === 'stale'
              ? pairStale(p)
              : p.clearance
                ? 'greatest clearance'
                : 'not both read',
      })),
    ),
    ...holders.flatMap((s) =>
      s.features
        .filter((f) => f.mark !== 'in' && !(f.mark === 'unmeasured' && s.pairs.some((p) => p.bore === f || p.journal === f)))
        .map((f) => ({
          id: f.station.id,
          mark: f.mark,
          name: f.station.name,
          where: s.assembly.name,
          value: f.now,
          firm: true,
          limits: f.limits?.limits ?? null,
          to: `wear${at(s)}&row=${f.station.id}`,
          unit: sizeUnit(f),
          more: f.accepted && f.mark === 'accepted' ? f.accepted.reason : f.worked ? `${f.worked} since it was read` : FEATURES[f.kind].measures,
        })),
    ),
  ]
    .filter((row) => row.mark !== 'in')
    .sort((a, b) => WORST_FIRST.indexOf(a.mark) - WORST_FIRST.indexOf(b.mark));
  type Row = (typeof rows)[number];
  const figure = (row: Row, value: number): string =>
    'torque' in row && row.torque ? told(value, row.torque) : formatLength(nanometres(value), row.unit ?? unit);
  const wanted = (row: Row, limits: Ends<number>): string =>
    'torque' in row && row.torque ? torqueLimitsWords(limits, torqueShown(row.torque, unit).unit) : formatLimits(limits as Limits, row.unit ?? unit);
  if (rows.length === 0) return <p className="m-0 text-ink2">Nothing is out, and everything has been read.</p>;
  return (
    <ul className="m-0 list-none p-0">
      {rows.map((row) => (
        <li key={row.id} className="border-t border-rule">
          <Link to={`/jobs/${state.job.id}/${row.to}`} className="flex min-h-14 items-center gap-4 py-1 no-underline">
            <Mark kind={row.mark} />
            <span className="min-w-0 flex-1">
              <span className="block text-[17px] leading-6 font-medium">{row.name}</span>
              <span className="block text-[15px] leading-5 text-ink2">
                {row.where}
                {row.more && ` · ${row.more}`}
              </span>
            </span>
            <span className="shrink-0 text-right">
              <span className="num text-[20px] font-semibold">
                {row.value === null ? '?' : row.firm ? figure(row, row.value) : `(${figure(row, row.value)})`}
              </span>{' '}
              {row.value !== null && !('torque' in row && row.torque) && <span className="unit text-[14px]">{unitWord(row.unit ?? unit)}</span>}
              {row.limits && (
                <span className="block text-[15px] leading-5 text-ink2">
                  want <span className="num">{wanted(row, row.limits)}</span>
                </span>
              )}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** What is next of a drag, in place: the strip it is read in, and the way to its log. */
function DragHere({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element {
  const { state } = useJob();
  return (
    <>
      <DragEntry shaft={shaft} drag={drag} />
      <Link
        to={`/jobs/${state.job.id}/drag?shaft=${shaft.shaft.id}&drag=${drag.station.id}`}
        className="inline-flex min-h-12 items-center text-blue underline"
      >
        Its log, its limits and how far to turn
      </Link>
    </>
  );
}

/** "bush reamed 2 thou since it was read". */
const pairStale = ({ bore, journal }: PairState): string =>
  [bore, journal].flatMap((row) => (row?.worked ? [`${row.station.name} ${row.worked} since it was read`] : [])).join(', ');

function InNow({ shaft }: { shaft: ShaftState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const packs = shaft.slots.filter((s) => s.slot.kind === 'adjuster');
  const others = shaft.slots.filter((s) => s.slot.kind !== 'adjuster' && s.fitting.state !== null);
  return (
    <section aria-label="In now" className="border-b border-rule pb-3">
      <div className="flex items-baseline justify-between">
        <Heading>In now</Heading>
        <span className="text-ink2">
          {shaft.current
            ? `build ${buildName(shaft.current)}, ${shaft.gaps[0]?.now.kind === 'read' || shaft.drags?.some(({ now }) => now.kind === 'read') ? 'read' : 'not read'}`
            : 'nothing fitted yet'}
        </span>
      </div>
      {packs.map(({ slot, fitting, total }) => (
        <div key={slot.id}>
          {(packs.length > 1 || shaft.gaps.every((gap) => gap.adjuster?.id !== slot.id)) && <p className="m-0 mt-1 text-ink2">{slot.name}</p>}
          {fitting.leaves ? (
            <div className="mt-1 flex items-center gap-5">
              <Pack leaves={fitting.leaves} />
              <Num value={nanometres(total)} unit={unit} size={28} both />
            </div>
          ) : (
            <p className="m-0 text-ink2">Nobody has said what pack is in.</p>
          )}
        </div>
      ))}
      <ForNow shaft={shaft} />
      {others.length > 0 && <p className="m-0 mt-1 text-ink2">{others.map((o) => stateWords(o.slot, stateNow(o.fitting))).join(' · ')}</p>}
    </section>
  );
}

/** What is in the box for the time being, and how it felt: what somebody coming back after weeks must know first. */
function ForNow({ shaft }: { shaft: ShaftState }): JSX.Element | null {
  const { facts } = useJob();
  const items = inForNow(facts, shaft.assembly.id);
  const felt = (feelsByBuild(facts).get(shaft.current?.build.id ?? '') ?? []).map(({ word }) => word);
  if (items.length === 0 && felt.length === 0) return null;
  return (
    <>
      {items.length > 0 && (
        <p className="m-0 mt-1">
          <span className="font-medium">In for the time being:</span> {items.map(({ words }) => words).join(', ')}
        </p>
      )}
      {felt.length > 0 && (
        <p className="m-0 mt-1">
          <span className="font-medium">It felt:</span> {felt.join(', ')}
        </p>
      )}
    </>
  );
}

const said = (value: Length, unit: LengthUnit): string => formatLength(value, unit).replace(/\.0$/, '');

/** Sizes and depths are in inches where floats are in thou. */
function useUnitOf(state: JobState): (readingId: string) => LengthUnit {
  const unit = useSettings((s) => s.unit);
  const { facts } = useJob();
  // of the few that are shown: looked for, and no list made of all there are
  return (readingId) => {
    const stationId = facts.readings.findLast((r) => r.id === readingId)?.stationId;
    const feature = rowHolders(state)
      .flatMap(({ features }) => features)
      .find((f) => f.station.id === stationId);
    if (feature) return sizeUnit(feature);
    const subject = facts.stations.find((s) => s.id === stationId)?.subject;
    return subject === 'depth' || subject === 'link' ? unitOfSizes(unit) : unit;
  };
}

function LastReadings({ state }: { state: JobState }): JSX.Element {
  const unitOf = useUnitOf(state);
  return (
    <section aria-label="Last readings" className="pt-3">
      <Heading>Last readings</Heading>
      {state.lastReadings.length === 0 && <p className="text-ink2">None yet. The first goes in the strip.</p>}
      <ul className="m-0 list-none p-0">
        {state.lastReadings.slice(0, 8).map((r) => (
          <li
            key={r.id}
            className={`grid min-h-11 grid-cols-[92px_minmax(0,1fr)_auto_36px] items-center gap-2 border-t border-rule first:border-t-0 ${r.withdrawn ? 'text-ink2 line-through' : ''}`}
          >
            <span className="text-[15px] whitespace-nowrap text-ink2">{format(new Date(r.takenAt), 'd MMM HH:mm')}</span>
            <span className="min-w-0 py-1 leading-5 [overflow-wrap:anywhere]">{r.name}</span>
            <span className="num text-[20px] font-semibold">
              {r.drag !== undefined
                ? r.mark === 'stale'
                  ? `(${r.drag})`
                  : r.drag
                : r.value === null
                  ? r.words
                  : r.mark === 'stale'
                    ? `(${said(r.value, unitOf(r.id))})`
                    : said(r.value, unitOf(r.id))}
            </span>
            <Mark kind={r.mark} size={24} />
          </li>
        ))}
      </ul>
    </section>
  );
}
