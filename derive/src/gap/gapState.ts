import type { Acceptance, JobFacts, ReadingFact, Station } from '@elder-cog/contract';
import {
  type Length,
  lengthLine,
  type LinearGap,
  type MarkKind,
  nanometres,
  type Reading,
  senseAndFactor,
  type Sum,
  type TwoWays,
  verdict,
  type Verdict,
} from '@elder-cog/core';
import { packTotal, readingsOf, type BuildNow } from '../builds.ts';
import { formAt, setsDepth, type ShaftForms } from '../graph.ts';
import type { Slot } from '../slots.ts';
import { isOut, markOf, nearAtMost } from './judged.ts';
import { nowOf, struckOn, type GapNow } from './gapNow.ts';
import { ladderOf, type LadderRow } from './ladder.ts';
import { lessonsOf, type Lesson } from './lessons.ts';
import { limitInUse, nominalInUse, unitOf, type LimitState, type NominalState } from './limitsInUse.ts';
import { aimWith, packQuestion, type PackQuestionState } from './packQuestion.ts';
import { provedBy } from './proof.ts';
import { sleeveState, type SleeveState } from './sleeve.ts';
import { statedSlots, stepsOf, stillToCome, type KnownStep } from './steps.ts';

export interface GapState {
  readonly station: Station;
  readonly letter: string;
  /** the system it is told in: that of its limits, or of what it is read with */
  readonly unit: 'thou' | 'mm';
  readonly limits: LimitState | null;
  /** held against, and not judged by */
  readonly nominal: NominalState | null;
  readonly now: GapNow;
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  readonly accepted: Acceptance | null;
  /** it need not be read: what it is judged together with is right without it. Left out where that is not so */
  readonly isSpared?: true;
  /** the slot it is set by; null where it has none */
  readonly adjuster: Slot | null;
  /** what is in that slot moves other gaps too: it is set for all of them together */
  readonly isShared: boolean;
  readonly pack: PackQuestionState | null;
  /** the crush sleeve that sets it. Left out where none does */
  readonly sleeve?: SleeveState;
  /** it is out, nobody has accepted it, and a pack can bring it in */
  readonly needsPack: boolean;
  readonly ladder: readonly LadderRow[];
  /** steps that the other side taught; left out where it taught none */
  readonly borrowed?: readonly KnownStep[];
  readonly lessons: readonly Lesson[];
  /** the gap as the sizes alone give it, where every one is known, and no two ways round say otherwise */
  readonly fromSizes: { readonly value: Length } | { readonly missing: readonly string[] } | { readonly contradictions: readonly TwoWays[] } | null;
  readonly sum: Sum;
}

/** What a gap comes to: one that need not be read is as right as what it is judged with. */
export const markAsJudged = ({ mark, isSpared }: Pick<GapState, 'mark' | 'isSpared'>): MarkKind => (isSpared ? 'in' : mark);

/** What the gaps of one shaft are reckoned from, worked out once for all of them. */
export interface ShaftNow {
  readonly slots: readonly Slot[];
  readonly builds: readonly BuildNow[];
  /** how each slot moves each gap and depth, and what the sizes come to */
  readonly forms: ShaftForms;
  /** the forms of what its gaps are read at */
  readonly read: readonly LinearGap[];
  readonly gone: ReadonlySet<string>;
  /** why a reading does not count though it is sound: bolts were being pulled */
  readonly partWay?: (reading: ReadingFact) => string | null;
  /** steps that the other side taught, by the role of the gap */
  readonly borrowed?: ReadonlyMap<string, readonly KnownStep[]>;
}

/** Everything shown of one gap: what speaks for it now, its verdict, the pack that is wanted, and what its builds taught. */
export function gapState(
  facts: JobFacts,
  station: Station,
  letter: string,
  { slots, builds, forms, read, gone, borrowed: lent, partWay = () => null }: ShaftNow,
): GapState {
  const current = builds[builds.length - 1] ?? null;
  const isDepth = station.reads?.what === 'depth';
  const form = formAt(forms, station);
  const coefficients = form?.coefficients ?? {};
  const adjuster = isDepth ? depthShim(slots, coefficients) : adjusterOf(slots, coefficients, { forms, read });
  const packNow = adjuster && current ? (current.fitted.get(adjuster.id)?.leaves ?? null) : null;
  const { sense, factor } = senseAndFactor((adjuster && coefficients[adjuster.id]) ?? 0);
  const borrowed = lent?.get(station.role) ?? [];
  const readings = readingsOf(facts, station.id, gone);
  const ladder = { builds, slots, adjuster, sense, coefficients, readings, current, borrowed, partWay };
  const given = limitInUse(facts, station.id, station.aim.closesBy);
  const unit = unitOf(station, given);
  const judgeBy =
    (limits: LimitState | null) =>
    (reading: Reading, range: Length | null, near: string | null): Verdict | null =>
      limits &&
      nearAtMost(
        verdict(withDoubt(reading, limits.still), limits.limits, {
          rule: station.rule,
          moreIs: station.moreIs,
          unit,
          ...(range === null ? {} : { range }),
        }),
        near,
      );
  // what is still to close is known from the builds before, which are judged by what was given
  const asGiven = ladderOf({ ...ladder, judge: judgeBy(given) });
  const steps = (): KnownStep[] => [...stepsOf(asGiven, { slots, coefficients, steps: borrowed }), ...borrowed];
  const still = stillToCome(steps, current, statedSlots(slots, coefficients));
  const limits = still ? limitInUse(facts, station.id, station.aim.closesBy, still) : given;
  const judge = judgeBy(limits);
  const rows = still ? asGiven.map((row) => (row.isNow ? judgedAgain(row, judge) : row)) : asGiven;
  const aim = aimWith(station.aim, limits);
  const now = { ...nowOf(rows, slots, { coefficients, unit, borrowed }), struck: current ? struckOn(facts, station.id, current.build.id, gone) : [] };
  const judged = now.kind === 'read' && now.reading && !now.disagree ? judge(now.reading, now.range, rows.at(-1)?.near ?? null) : null;
  const proved = adjuster ? provedBy(rows, adjuster, { drawn: sense, slots, coefficients }) : null;
  const pack =
    adjuster && current
      ? packQuestion({
          slot: adjuster,
          sense,
          factor,
          fitted: packTotal(packNow),
          known: packNow !== null,
          proved,
          now,
          limits,
          aim,
          unit,
        })
      : null;
  const sleeve = slots.find(({ id, kind }) => kind === 'sleeve' && (coefficients[id] ?? 0) !== 0);
  const crushed = sleeve && sleeveState({ slot: sleeve, sense: senseAndFactor(coefficients[sleeve.id] ?? 0).sense, now, limits, aim, unit });
  return {
    station,
    letter,
    unit,
    limits,
    nominal: nominalInUse(facts, station.id),
    now,
    verdict: judged,
    mark: now.kind === 'read' ? (limits && !now.disagree ? markOf(judged) : 'cannotTell') : now.kind === 'stale' ? 'stale' : 'unmeasured',
    accepted: null,
    adjuster,
    isShared: adjuster !== null && sense !== 0 && movedBy(adjuster, read) > 1,
    pack,
    ...(crushed ? { sleeve: crushed } : {}),
    needsPack: isOut(judged) && pack?.window?.reachable === true,
    ladder: rows,
    ...(borrowed.length > 0 ? { borrowed } : {}),
    lessons: lessonsOf(rows, { proved, adjuster, unit }),
    fromSizes: form && fromSizes(form, slots, current),
    sum: now.reading
      ? [
          lengthLine(
            now.kind === 'forecast' ? 'reckoned from an earlier reading' : 'read',
            '',
            now.reading.value,
            now.kept.map((k) => k.id),
          ),
        ]
      : [],
  };
}

/** A reading's doubt, and that of what is still to come of it. */
const withDoubt = (reading: Reading, still: LimitState['still']): Reading =>
  still && reading.kind === 'estimate' ? { ...reading, u: Math.hypot(reading.u, still.u) } : reading;

/** A row whose reading is held against other limits: what it must read now. */
function judgedAgain(row: LadderRow, judge: (reading: Reading, range: Length | null, near: string | null) => Verdict | null): LadderRow {
  const isJudged = row.reading !== null && !row.disagree && row.mark !== 'stale';
  return isJudged ? { ...row, mark: markOf(judge(row.reading, row.range, row.near)) } : row;
}

/**
 * The slot a gap is set by: one that moves it, the fewer other gaps with it the better, and never one that also moves a depth, which is set
 * for its own sake. Where none moves it, the first there is, so that it can be said that it does not.
 */
function adjusterOf(slots: readonly Slot[], coefficients: LinearGap['coefficients'], { forms, read }: Pick<ShaftNow, 'forms' | 'read'>): Slot | null {
  const packs = slots.filter((slot) => slot.kind === 'adjuster');
  const moves = packs.filter(({ id }) => coefficients[id] !== undefined && coefficients[id] !== 0);
  const isFree = ({ id }: Slot): boolean => !setsDepth(forms, id);
  return moves.toSorted((a, b) => movedBy(a, read) - movedBy(b, read)).find(isFree) ?? packs.find(isFree) ?? null;
}

/** The slot that sets a depth: the first that moves it. */
const depthShim = (slots: readonly Slot[], coefficients: LinearGap['coefficients']): Slot | null =>
  slots.find(({ id, kind }) => kind === 'adjuster' && (coefficients[id] ?? 0) !== 0) ?? null;

/** How many gaps a slot moves. */
const movedBy = ({ id }: Slot, read: readonly LinearGap[]): number => read.filter((gap) => (gap.coefficients[id] ?? 0) !== 0).length;

/** The gap by its sizes alone, with the packs that are in. */
function fromSizes(
  { constant, coefficients, missing, contradictions }: LinearGap,
  slots: readonly Slot[],
  current: BuildNow | null,
): GapState['fromSizes'] {
  if (contradictions.length > 0) return { contradictions };
  const moving = slots.filter(({ id, kind }) => kind === 'adjuster' && (coefficients[id] ?? 0) !== 0);
  const packs = moving.map(({ id }) => ({ id, leaves: current?.fitted.get(id)?.leaves ?? null }));
  const unknown = [...missing, ...packs.filter(({ leaves }) => leaves === null).map(() => 'pack')];
  if (constant === null || unknown.length > 0) return { missing: unknown };
  return { value: nanometres(packs.reduce((sum, { id, leaves }) => sum + (coefficients[id] ?? 0) * packTotal(leaves), constant as number)) };
}
