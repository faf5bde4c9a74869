import type { Acceptance, JobFacts, Limit, ReadingFact, Station } from '@elder-cog/contract';
import {
  dragVerdict,
  formatTorque,
  isMetricUnit,
  type Ends,
  type Estimate,
  type Length,
  type MarkKind,
  type Sum,
  type TorqueUnit,
  type Verdict,
} from '@elder-cog/core';
import { buildName, changeWords, readingsOf, rowsOf, type BuildNow } from '../builds.ts';
import type { Coefficients } from '../gap/carried.ts';
import { expandedU, markOf, nearAtMost, struckOn, type StruckReading } from '../gap/index.ts';
import { formAt, type ShaftForms } from '../graph.ts';
import type { Slot } from '../slots.ts';
import { conditionsOf, dragLimitsNow, type DragLimitsNow } from './dragLimits.ts';
import { dragChanges, dragRows, type DragRow, type KeptDrag } from './dragRows.ts';
import { divisionOf, dragSum } from './dragValue.ts';
import { sleeveLog, type SleeveLog } from './sleeveLog.ts';

/** What speaks for a drag as it is built now. */
export interface DragNow {
  readonly kind: 'read' | 'stale' | 'none';
  readonly reading: Estimate<number> | null;
  readonly U: number | null;
  readonly values: readonly number[];
  readonly range: number | null;
  readonly because: string | null;
  readonly kept: readonly KeptDrag[];
  readonly struck: readonly StruckReading[];
}

/** How much more a drag is than it was before. */
export interface RiseState {
  /** the station whose rise it is */
  readonly of: Station;
  /** what was read before, with its build; null where nothing was */
  readonly before: { readonly reading: Estimate<number>; readonly build: BuildNow } | null;
  /** what differs between the two besides the nut; null where nothing does */
  readonly staleBecause: string | null;
}

export interface DragState extends DragLimitsNow {
  readonly station: Station;
  readonly letter: string;
  /** what it is told in */
  readonly unit: TorqueUnit;
  readonly now: DragNow;
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  readonly accepted: Acceptance | null;
  /** it need not be read: what it is judged together with is right without it. Left out where that is not so */
  readonly isSpared?: true;
  readonly ladder: readonly DragRow[];
  /** drawn up turn by turn. Null where it is not */
  readonly log: SleeveLog | null;
  /** where the cord pulled last, and whether that was since the last that did anything but turn the nut */
  readonly radius: { readonly value: Length; readonly isOfThisLog: boolean } | null;
  /** the least that can be told apart on what it is read with, N·m */
  readonly division: number;
  /** the place of the nut that sets it, and of the crush sleeve under it; null where there is none */
  readonly nutId: string | null;
  readonly sleeveId: string | null;
  /** of a rise. Left out where it is a drag by itself */
  readonly rise?: RiseState;
  readonly sum: Sum;
}

/** What the drags of one shaft are reckoned from. */
export interface DragsNow {
  readonly slots: readonly Slot[];
  readonly builds: readonly BuildNow[];
  readonly forms: ShaftForms;
  readonly gone: ReadonlySet<string>;
  readonly partWay: (reading: ReadingFact) => string | null;
}

const USUAL: TorqueUnit = 'lbf·in';

/** What a drag is told in: what its limits are printed in, or it is read in. */
function unitOf(station: Station, limits: readonly Limit[]): TorqueUnit {
  const printed = limits.findLast(({ inUse, torque }) => inUse && torque !== undefined)?.torque?.unit;
  if (printed) return printed;
  const read = station.wrench?.unit;
  if (read === undefined) return USUAL;
  return read.includes('·') ? (read as TorqueUnit) : isMetricUnit(read) ? 'N·m' : USUAL;
}

/** How each slot moves what a drag is of: it feels whatever its float does. */
const feltAt = (forms: ShaftForms, { id, reads }: Station): Coefficients =>
  (reads?.what === 'drag' ? formAt(forms, { id, reads: { what: 'gap', contacts: reads.contacts } })?.coefficients : undefined) ?? {};

/** Everything shown of the drags of a shaft, in their order: rises after what they are of. */
export function dragStates(facts: JobFacts, stations: readonly Station[], now: DragsNow): DragState[] {
  const drags = stations.filter(({ subject }) => subject === 'drag');
  const each = drags.filter(({ reads }) => reads?.what !== 'rise').map((station, i) => dragState(facts, station, `T${i + 1}`, now));
  const rises = drags.flatMap((station, i) => {
    const of =
      station.reads?.what === 'rise' ? each.find((drag) => station.reads?.what === 'rise' && drag.station.id === station.reads.of) : undefined;
    return of ? [riseState(facts, station, of, { ...now, letter: `T${each.length + i + 1}` })] : [];
  });
  return [...each, ...rises];
}

function dragState(facts: JobFacts, station: Station, letter: string, { slots, builds, forms, gone, partWay }: DragsNow): DragState {
  const coefficients = feltAt(forms, station);
  const readings = readingsOf(facts, station.id, gone);
  const said = dragLimitsNow(facts, station.id, readings.length === 0 ? {} : conditionsOf((readings.at(-1) as ReadingFact).raw));
  const unit = unitOf(station, rowsOf(facts, station.id).limits);
  const judge = judging(station, said.limits?.limits ?? null, unit);
  const ladder = dragRows({ builds, slots, coefficients, readings, judge, partWay });
  const struck = builds.length === 0 ? [] : struckOn(facts, station.id, builds.at(-1)?.build.id ?? '', gone);
  const now = { ...nowOf(ladder), struck };
  const verdict = now.kind === 'read' && now.reading ? judge(now.reading, now.range, ladder.at(-1)?.near ?? null) : null;
  const start = ladder.findLastIndex(({ build }) => !isTurned(build, builds));
  const pulled = readings.findLast(({ raw }) => raw.understood?.how === 'pulls');
  const radius = pulled?.raw.understood?.how === 'pulls' ? pulled.raw.understood.radius : null;
  const division = divisionNow(station, ladder, radius);
  const feltOf = (kind: Slot['kind']): string | null => slots.find((slot) => slot.kind === kind && (coefficients[slot.id] ?? 1) !== 0)?.id ?? null;
  const [nutId, sleeveId] = [feltOf('fastening'), feltOf('sleeve')];
  return {
    station,
    letter,
    unit,
    ...said,
    now,
    verdict,
    mark: now.kind === 'read' ? (said.limits ? markOf(verdict) : 'cannotTell') : now.kind === 'stale' ? 'stale' : 'unmeasured',
    accepted: null,
    ladder,
    log: sleeveLog(ladder, { limits: said.limits?.limits ?? null, division, isDrawnUp: sleeveId !== null }),
    radius:
      radius === null
        ? null
        : { value: radius, isOfThisLog: ladder.slice(Math.max(0, start)).some(({ build }) => build.build.id === pulled?.buildId) },
    division,
    nutId,
    sleeveId,
    sum: now.kept.flatMap(({ id, raw, notCounted }) => (notCounted === null ? dragSum(raw, id) : [])).slice(-4),
  };
}

/** Whether a build did nothing but turn the nut: it is one more line of the log. */
const isTurned = (build: BuildNow, builds: readonly BuildNow[]): boolean =>
  builds[0] !== build && build.build.fits.some(({ turn }) => turn !== undefined);

const judging =
  (station: Station, limits: Ends<number> | null, unit: string) =>
  (reading: Estimate<number>, range: number | null, near: string | null): Verdict | null =>
    limits && nearAtMost(dragVerdict(reading, limits, { rule: station.rule, unit, ...(range === null ? {} : { range }) }), near);

/** What can be told apart on what it is read with: of the last reading, or of what it is usually read with. */
function divisionNow({ wrench }: Station, ladder: readonly DragRow[], radius: Length | null): number {
  const last = ladder.findLast(({ value }) => value !== null)?.value;
  if (last) return last.division;
  const unit = wrench?.unit ?? USUAL;
  return unit.includes('·') ? divisionOf(wrench, unit) : divisionOf(wrench, unit) * (radius ?? 25e6) * 1e-9;
}

function nowOf(ladder: readonly DragRow[]): Omit<DragNow, 'struck'> {
  const current = ladder.at(-1);
  const none = { kind: 'none' as const, reading: null, U: null, values: [], range: null, because: null, kept: current?.readings ?? [] };
  if (!current) return none;
  if (current.value) return readOf(current, 'read', null);
  const before = ladder.findLast(({ value }) => value !== null);
  if (!before?.value) return none;
  // nothing that it feels has changed since
  if (before.staleBecause === null)
    return { ...readOf(before, 'read', null), kept: current.readings.length > 0 ? current.readings : before.readings };
  return readOf(before, 'stale', `read on build ${buildName(before.build)}: ${before.staleBecause}`);
}

function readOf({ value, readings }: DragRow, kind: 'read' | 'stale', because: string | null): Omit<DragNow, 'struck'> {
  const reading = value?.reading ?? null;
  const values = value?.values ?? [];
  const range = values.length > 1 ? Math.max(...values) - Math.min(...values) : null;
  return { kind, reading, U: reading && expandedU(reading), values, range, because, kept: readings };
}

/** Read, tighten, read: how much more it is now than it was the last time it was read before something was tightened. */
function riseState(
  facts: JobFacts,
  station: Station,
  of: DragState,
  { slots, builds, forms, letter }: DragsNow & { readonly letter: string },
): DragState {
  const coefficients = feltAt(forms, of.station);
  const current = builds.at(-1);
  const row = of.ladder.findLast(({ readings }) =>
    readings.some(({ isBefore, value, notCounted }) => isBefore && value !== null && notCounted === null),
  );
  const value = row?.readings.findLast(({ isBefore, value: each, notCounted }) => isBefore && each !== null && notCounted === null)?.value ?? null;
  const before = row && value ? { reading: value.reading, build: row.build } : null;
  // what was tightened between the two is what the rise is of
  const other =
    before && current
      ? dragChanges(before.build, current, slots, coefficients).filter(({ slot }) => slot.kind !== 'fastening' && slot.kind !== 'sleeve')
      : [];
  const staleBecause = other.length > 0 ? changeWords(other) : null;
  const said = dragLimitsNow(facts, station.id, {});
  const isRead = before !== null && of.now.kind === 'read' && of.now.reading !== null && before.build !== current;
  const reading = isRead && of.now.reading ? difference(of.now.reading, before.reading) : null;
  const judge = judging(station, said.limits?.limits ?? null, of.unit);
  const verdict = reading && staleBecause === null ? judge(reading, null, null) : null;
  const kind = reading === null ? 'none' : staleBecause === null ? 'read' : 'stale';
  return {
    station,
    letter,
    unit: of.unit,
    ...said,
    now: { kind, reading, U: expandedU(reading), values: [], range: null, because: staleBecause, kept: [], struck: [] },
    verdict,
    mark: kind === 'read' ? (said.limits ? markOf(verdict) : 'cannotTell') : kind === 'stale' ? 'stale' : 'unmeasured',
    accepted: null,
    ladder: [],
    log: null,
    radius: null,
    division: of.division,
    nutId: of.nutId,
    sleeveId: of.sleeveId,
    rise: { of: of.station, before, staleBecause },
    sum:
      reading && before && of.now.reading
        ? [
            { label: 'now', expression: '', value: of.now.reading.value, unit: 'N·m' },
            { label: 'before', expression: '−', value: before.reading.value, unit: 'N·m' },
            { label: 'rise', expression: '', value: reading.value, unit: 'N·m' },
          ]
        : [],
  };
}

function difference(now: Estimate<number>, before: Estimate<number>): Estimate<number> {
  const dof = Math.min(now.dof ?? Infinity, before.dof ?? Infinity);
  return { kind: 'estimate', value: now.value - before.value, u: Math.hypot(now.u, before.u), ...(Number.isFinite(dof) ? { dof } : {}) };
}

/**
 * What a drag should read, N·m: about what it last was; of a nut that is drawn up anything from nothing to well over its limits, for that is the
 * way it goes. Null where nobody knows.
 */
export function expectedOfDrag({
  now,
  limits,
  log,
}: Pick<DragState, 'now' | 'limits' | 'log'>): { readonly min: number; readonly max: number } | null {
  const last = now.reading?.value ?? 0;
  const most = limits?.limits.max ?? 0;
  if (log) return most > 0 ? { min: most / LEAST, max: Math.max(TIMES * last, TIMES * most) } : null;
  if (last > 0) return { min: last / TIMES, max: last * TIMES };
  return most > 0 ? { min: most / LEAST, max: TIMES * most } : null;
}

/** As of a float: four times what was last known. */
const TIMES = 4;
/** A drag that has hardly begun is ordinary. Common practice, no source. */
const LEAST = 50;

/** What a drag comes to: one that need not be read is as right as what it is judged with. */
export const dragMark = ({ mark, isSpared }: Pick<DragState, 'mark' | 'isSpared'>): MarkKind => (isSpared ? 'in' : mark);

/** "14.5 lbf·in": a drag as it is said in a sentence. */
export const sayDrag = (drag: number, unit: TorqueUnit): string => `${formatTorque(drag, unit)} ${unit}`;
