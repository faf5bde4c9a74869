import type { Assembly, JobFacts, OpenItem, Shaft, Station } from '@elder-cog/contract';
import { formatLength, isFeatureKind, type Length, type MarkKind, nanometres, type DrawnShaft } from '@elder-cog/core';
import { buildsOfShaft, changesBetween, packTotal, packWords, readingsOf, withdrawnIds, type BuildNow } from './builds.ts';
import { gapState, withTogether, type GapState } from './gap/index.ts';
import { drawnShaft } from './drawn.ts';
import { filledPlaces, formsOf } from './graph.ts';
import { readable, type Damage } from './readable.ts';
import { acceptanceOf } from './inspections.ts';
import type { SlotState } from './slotState.ts';
import { slotsOf, slotsOfShaft } from './slots.ts';
import { featureState, markWith, pairState, type FeatureState, type PairState } from './wear.ts';

export interface CheckState {
  readonly station: Station;
  readonly answer: 'yes' | 'no' | 'notLooked';
  readonly seen: string;
  readonly readingId: string | null;
  readonly stale: boolean;
  readonly mark: MarkKind;
}

export interface ShaftState {
  readonly shaft: Shaft;
  readonly assembly: Assembly;
  readonly builds: readonly BuildNow[];
  readonly current: BuildNow | null;
  readonly stage: string;
  readonly slots: readonly SlotState[];
  readonly gaps: readonly GapState[];
  readonly features: readonly FeatureState[];
  readonly pairs: readonly PairState[];
  readonly checks: readonly CheckState[];
  /** what the Section is drawn from, all but its size */
  readonly section: DrawnShaft;
  readonly mark: MarkKind;
}

/** What is measured of a box and of no shaft in it: rows of the Wear book. */
export interface BoxState {
  readonly assembly: Assembly;
  readonly features: readonly FeatureState[];
  readonly pairs: readonly PairState[];
}

/** Whatever has rows of the Wear book: a shaft, or a box by itself. */
export type RowHolder = Pick<ShaftState, 'assembly' | 'features' | 'pairs'>;

/** Everything of a job that has rows of the Wear book. */
export const rowHolders = ({ shafts, boxes }: Pick<JobState, 'shafts' | 'boxes'>): readonly RowHolder[] => [...shafts, ...boxes];

export interface LastReading {
  readonly id: string;
  readonly takenAt: string;
  readonly name: string;
  readonly words: string;
  readonly value: Length | null;
  readonly mark: MarkKind;
  readonly withdrawn: boolean;
}

export interface NextAction {
  readonly shaftId: string | null;
  readonly stationId: string | null;
  readonly what: 'setUp' | 'limits' | 'pack' | 'read' | 'fit' | 'make' | 'readAgain' | 'check' | 'done';
  readonly words: string;
  readonly detail: string;
}

export interface JobState {
  readonly job: JobFacts['job'];
  readonly assemblies: readonly Assembly[];
  readonly shafts: readonly ShaftState[];
  /** every box, with what is measured of it and of no shaft in it */
  readonly boxes: readonly BoxState[];
  readonly next: NextAction;
  /** not finished, oldest first: carried till closed or accepted */
  readonly openItems: readonly OpenItem[];
  readonly lastReadings: readonly LastReading[];
  /** rows that could not be reckoned with, and were left out */
  readonly damage: readonly Damage[];
  readonly marks: { readonly section: MarkKind; readonly wear: MarkKind; readonly builds: MarkKind; readonly bench: MarkKind };
}

const WORST: readonly MarkKind[] = ['tight', 'loose', 'stale', 'cannotTell', 'unmeasured', 'accepted', 'in'];

/** The worst of some marks: out first, then stale, then not known. */
export const worstMark = (marks: readonly MarkKind[]): MarkKind => WORST.find((mark) => marks.includes(mark)) ?? 'unmeasured';

/**
 * Facts of a job → everything shown of it. Pure: the same facts give the same state in Node and in the browser. It never throws on facts of
 * the right shape: a row that cannot be reckoned with is left out, and named among the damage.
 */
export function derive(stored: JobFacts): JobState {
  const { facts, damage: bad } = readable(stored);
  const damage = [...bad];
  const gone = withdrawnIds(facts);
  const shafts = [...facts.shafts]
    .sort((a, b) => a.position - b.position)
    .flatMap((shaft) => {
      const assembly = facts.assemblies.find((a) => a.id === shaft.assemblyId);
      if (!assembly) return [];
      try {
        return [shaftState(facts, shaft, assembly, gone)];
      } catch (error) {
        damage.push({
          table: 'shaft',
          id: shaft.id,
          what: `a shaft, ${shaft.name}`,
          found: (error as Error).message,
          wanted: 'facts that can be reckoned with',
        });
        return [];
      }
    });
  const boxes = facts.assemblies.map((assembly): BoxState => ({
    assembly,
    ...rowsMeasured(facts, inOrder(facts.stations.filter((s) => s.assemblyId === assembly.id && !s.gone)), gone),
  }));
  const gapMarks = shafts.flatMap((s) => s.gaps.map((g) => g.mark));
  const wearMarks = rowHolders({ shafts, boxes }).flatMap((s) => [...s.features.map((f) => f.mark), ...s.pairs.map((p) => p.mark)]);
  const marks = {
    section: worstMark(gapMarks),
    wear: worstMark(wearMarks),
    builds: worstMark(gapMarks),
    bench: worstMark([...gapMarks, ...wearMarks]),
  };
  return {
    job: facts.job,
    assemblies: [...facts.assemblies].sort((a, b) => a.position - b.position),
    shafts,
    boxes: boxes.sort((a, b) => a.assembly.position - b.assembly.position),
    next: nextAction(shafts),
    openItems: facts.openItems.filter((item) => item.state === 'open'),
    lastReadings: lastReadings(facts, { shafts, boxes }, gone),
    damage,
    marks,
  };
}

const inOrder = (stations: Station[]): Station[] => stations.sort((a, b) => a.position - b.position);

/** The rows of the Wear book among some stations, and the clearances between two of them. */
function rowsMeasured(facts: JobFacts, stations: readonly Station[], gone: ReadonlySet<string>): Pick<RowHolder, 'features' | 'pairs'> {
  const features = stations.flatMap((station) => (isFeatureKind(station.subject) ? [featureState(facts, station, station.subject, gone)] : []));
  const byId = new Map(features.map((f) => [f.station.id, f]));
  return { features, pairs: stations.filter((s) => s.subject === 'pair').map((station) => pairState(facts, station, byId)) };
}

export function shaftState(facts: JobFacts, shaft: Shaft, assembly: Assembly, gone: ReadonlySet<string>): ShaftState {
  const builds = buildsOfShaft(facts, shaft.id, assembly.id);
  const current = builds[builds.length - 1] ?? null;
  const stations = inOrder(facts.stations.filter((s) => s.shaftId === shaft.id && !s.gone));
  const now = { slots: slotsOfShaft(facts, shaft.id), builds, forms: formsOf(facts, shaft, current), gone };
  const each = stations
    .filter((s) => s.subject === 'gap')
    .map((station, i) => accepting(facts, gapState(facts, station, String.fromCharCode(65 + i), now)));
  const gaps = withTogether(each, now.forms);
  const slots = now.slots.map((slot): SlotState => {
    const fitting = current?.fitted.get(slot.id) ?? { leaves: null, state: null };
    return {
      slot,
      fitting,
      total: packTotal(fitting.leaves),
      words: slot.kind === 'adjuster' ? packWords(fitting.leaves) : (fitting.state ?? 'not said'),
    };
  });
  const [first] = gaps;
  const filled = filledPlaces(facts, shaft, current);
  return {
    shaft,
    assembly,
    builds,
    current,
    stage: first?.ladder.at(-1)?.stage ?? 'not built yet',
    slots,
    gaps,
    ...rowsMeasured(facts, stations, gone),
    checks: stations.filter((s) => s.subject === 'check').map((station) => checkState(facts, station, builds, gone)),
    section: drawnShaft(facts, shaft, { filled, gaps, slots }),
    mark: worstMark(gaps.map((g) => g.mark)),
  };
}

/** A gap taken outside its limits on purpose is marked so, and is no longer what to do next. */
function accepting(facts: JobFacts, gap: GapState): GapState {
  const { now, limits } = gap;
  const value = now.kind === 'read' ? (now.reading?.value ?? null) : null;
  const accepted = acceptanceOf(facts, gap.station.id, value, limits?.limits ?? null, now.U ?? 0);
  const mark = markWith(gap.mark, accepted);
  return { ...gap, accepted, mark, needsPack: gap.needsPack && mark !== 'accepted' };
}

function checkState(facts: JobFacts, station: Station, builds: readonly BuildNow[], gone: ReadonlySet<string>): CheckState {
  const last = readingsOf(facts, station.id, gone).at(-1);
  const current = builds[builds.length - 1];
  const then = builds.find((b) => b.build.id === last?.buildId);
  const slots = slotsOf(facts).filter((s) => s.shaftId === station.shaftId);
  const stale =
    last !== undefined && current !== undefined && then !== current && (then === undefined || changesBetween(then, current, slots).length > 0);
  const answer = last?.raw.answer ?? 'notLooked';
  return {
    station,
    answer,
    seen: last?.raw.seen ?? '',
    readingId: last?.id ?? null,
    stale,
    mark: answer === 'notLooked' ? 'unmeasured' : stale ? 'stale' : answer === 'yes' ? 'in' : 'tight',
  };
}

function lastReadings(facts: JobFacts, { shafts, boxes }: Pick<JobState, 'shafts' | 'boxes'>, gone: ReadonlySet<string>): LastReading[] {
  const names = new Map(facts.stations.map((s) => [s.id, s]));
  const last: JobFacts['readings'] = [];
  for (let i = facts.readings.length - 1; i >= 0 && last.length < 12; i--) {
    const reading = facts.readings[i];
    if (reading && reading.raw.method !== 'look' && !reading.raw.migrated) last.push(reading);
  }
  return last.map((r) => {
    const gap = shafts.flatMap((s) => s.gaps).find((g) => g.station.id === r.stationId);
    const row = gap?.ladder.find((l) => l.readings.some((k) => k.id === r.id));
    const kept = row?.readings.find((k) => k.id === r.id);
    const feature = rowHolders({ shafts, boxes })
      .flatMap((s) => s.features)
      .find((f) => f.station.id === r.stationId);
    return {
      id: r.id,
      takenAt: r.takenAt,
      name: names.get(r.stationId)?.name ?? '',
      words: r.raw.text,
      value: kept?.value?.reading.value ?? r.keptAs.value,
      mark: row?.mark ?? feature?.mark ?? 'unmeasured',
      withdrawn: gone.has(r.id),
    };
  });
}

const told = (nm: number, unit: 'thou' | 'mm'): string =>
  `${nm < 0 ? 'preload ' : ''}${formatLength(nanometres(Math.abs(nm)), unit).replace(/\.0$/, '')}`;

/** What is in the slot a gap is set by. */
export const slotStateOf = ({ slots }: Pick<ShaftState, 'slots'>, gap: Pick<GapState, 'adjuster'>): SlotState | undefined =>
  slots.find(({ slot }) => slot.id === gap.adjuster?.id);

/** What to do next of one shaft, whatever the others wait for. */
export const nextOf = (shaft: ShaftState): NextAction => nextAction([shaft]);

const isSettled = (mark: MarkKind): boolean => mark === 'in' || mark === 'accepted';

function nextAction(shafts: readonly ShaftState[]): NextAction {
  const [first] = shafts;
  if (!first)
    return {
      shaftId: null,
      stationId: null,
      what: 'setUp',
      words: 'Say what is on the bench: a box, and a shaft in it.',
      detail: 'No dimension is needed.',
    };
  const open = shafts.find((s) => s.gaps.some((g) => !isSettled(g.mark))) ?? first;
  const gap = open.gaps.find((g) => !isSettled(g.mark)) ?? open.gaps[0];
  if (!gap)
    return {
      shaftId: open.shaft.id,
      stationId: null,
      what: 'setUp',
      words: `Nothing is to be read on the ${open.shaft.name.toLowerCase()} yet.`,
      detail: '',
    };
  const name = gap.station.name.toLowerCase();
  const at = { shaftId: open.shaft.id, stationId: gap.station.id };
  const pack = slotStateOf(open, gap);
  const { unit } = gap;
  if (!open.current && !gap.limits && !gap.nominal)
    return {
      ...at,
      what: 'limits',
      words: `Type the limits of the ${name}, as the manual prints them.`,
      detail: 'Or go on without: none known is an answer.',
    };
  if (!open.current || (pack && pack.fitting.leaves === null && gap.now.kind === 'none' && !open.builds.some((b) => b.fitted.has(pack.slot.id))))
    return {
      ...at,
      what: 'pack',
      words: `Say what pack is in now ${pack?.slot.name.replace(/^Pack /, '') ?? ''}.`,
      detail: '“none” is an answer, and so is “not known”.',
    };
  if (gap.now.kind === 'none')
    return {
      ...at,
      what: 'read',
      words: `Read the ${name}.`,
      detail: gap.now.kept.some((k) => k.notCounted !== null)
        ? 'What was read is kept, and not counted.'
        : `${pack?.fitting.leaves ? `${pack.words} is in. ` : ''}Nothing has been read yet.`,
    };
  if (gap.now.kind === 'forecast')
    return {
      ...at,
      what: 'readAgain',
      words: `Read the ${name} again.`,
      detail: `Fitted: ${pack?.words ?? ''}. It was said to come to ${told(gap.now.reading?.value ?? 0, unit)} ${unit}. Nothing has been read since.`,
    };
  if (gap.now.kind === 'stale')
    return { ...at, what: 'readAgain', words: `Read the ${name} again.`, detail: `The last reading is stale: ${gap.now.because ?? ''}.` };
  if (!gap.limits)
    return {
      ...at,
      what: 'limits',
      words: gap.nominal ? `Give the ${name} a tolerance, when one is known.` : `Type the limits of the ${name}, when they are known.`,
      detail: `It reads ${told(gap.now.reading?.value ?? 0, unit)} ${unit}. ${gap.nominal ? `One figure alone, ${told(gap.nominal.value, unit)} ${unit}, judges nothing.` : 'With none, nothing is judged, and no pack is reckoned.'}`,
    };
  if (!isSettled(gap.mark) && gap.pack?.refusal)
    return gap.pack.refusal.code === 'contradiction'
      ? { ...at, what: 'readAgain', words: `Settle which way the pack works on the ${name}.`, detail: gap.pack.refusal.message }
      : { ...at, what: 'read', words: `Read the ${name} with a known pack in.`, detail: gap.pack.refusal.message };
  if (gap.needsPack && gap.isShared)
    return {
      ...at,
      what: 'fit',
      words: `Set the gaps of the ${open.shaft.name.toLowerCase()} together.`,
      detail: `The ${name} shares a part with another: sets that bring all of them in are on the Section.`,
    };
  if (gap.needsPack && gap.pack?.window) {
    const { min, max, ideal } = gap.pack.window;
    const { known, fitted } = gap.pack;
    return {
      ...at,
      what: 'fit',
      words: known
        ? `Change the pack: ${told(ideal, unit)} ${unit} wanted.`
        : `Change the pack: ${ideal < 0 ? 'take out' : 'add'} ${told(Math.abs(ideal), unit)} ${unit}, whatever is in.`,
      detail: known
        ? `${told(min, unit)} to ${told(max, unit)} lands inside; ${told(fitted, unit)} is in.`
        : 'Mic what comes out, and the whole pack is known.',
    };
  }
  if (gap.pack?.window && !gap.pack.window.reachable)
    return { ...at, what: 'make', words: `No pack brings the ${name} in.`, detail: gap.pack.window.because ?? '' };
  if (!isSettled(gap.mark))
    return { ...at, what: 'readAgain', words: `Read the ${name} again.`, detail: gap.verdict?.because ?? gap.now.because ?? '' };
  const unlooked = open.checks.find((c) => c.mark !== 'in');
  if (unlooked) return { ...at, what: 'check', words: 'It is right. Look at what has no number.', detail: unlooked.station.name };
  return { ...at, what: 'done', words: `The ${name} is right, and its checks are done.`, detail: '' };
}
