import type { FitLeaf, ReadingFact } from '@elder-cog/contract';
import { agreeWithForecast, type Estimate, type Length, type MarkKind, nanometres, type Reading, type Sense, type Verdict } from '@elder-cog/core';
import { changesBetween, changeWords, packTotal, stateNow, type readingsOf, type BuildNow, type SlotChange } from '../builds.ts';
import { rememberedOf } from '../remember.ts';
import { asInstrument, poolEntries, readingValue, type MethodReading, type Pooled, type ReadingValue } from '../readingValue.ts';
import { asFarAsItGoes, notCounted, restsOnDoubt } from '../spoilt.ts';
import type { Slot } from '../slots.ts';
import { carried, isReckonable, touching, type Coefficients } from './carried.ts';
import { expandedU, markOf } from './judged.ts';
import { statedSlots, stateOf, stepFor, stepsOf, type KnownStep } from './steps.ts';

/** A reading as kept, with what it now reckons to. */
export interface KeptReading {
  readonly id: string;
  readonly text: string;
  readonly takenAt: string;
  readonly value: ReadingValue | null;
  readonly refusal: string | null;
  readonly keptAs: string;
  /** why it is kept and not counted; null where it is */
  readonly notCounted: string | null;
}

/** What one build read, and what had been said of it beforehand. */
export interface LadderRow {
  readonly build: BuildNow;
  readonly stage: string;
  readonly pack: Length;
  readonly leaves: readonly FitLeaf[] | null;
  readonly readings: readonly KeptReading[];
  /** those that were counted, each by itself, and how far they lie apart */
  readonly values: readonly Length[];
  readonly range: Length | null;
  readonly reading: Reading | null;
  /** no dial can see it: what the change of the pack says, and the reading agrees with */
  readonly byPack: boolean;
  /** a doubt that no number holds: "not turned to settle" */
  readonly near: string | null;
  readonly methods: readonly MethodReading[];
  readonly disagree: Pooled['disagree'];
  readonly U: number | null;
  readonly mark: MarkKind;
  readonly said: Length | null;
  /** read less said */
  readonly residual: Length | null;
  readonly staleBecause: string | null;
  readonly isNow: boolean;
}

export interface LadderQuestion {
  readonly builds: readonly BuildNow[];
  readonly slots: readonly Slot[];
  readonly adjuster: Slot | null;
  /** how the pack moves the gap */
  readonly sense: Sense;
  /** by slot id: how each moves it */
  readonly coefficients: Coefficients;
  readonly readings: ReturnType<typeof readingsOf>;
  readonly current: BuildNow | null;
  readonly judge: (reading: Reading, range: Length | null, near: string | null) => Verdict | null;
  /** why a reading does not count though it is sound: bolts were being pulled */
  readonly partWay: (reading: ReadingFact) => string | null;
  /** steps that the other side taught */
  readonly borrowed: readonly KnownStep[];
}

interface ReadOn {
  readonly kept: readonly KeptReading[];
  readonly pooled: Pooled | null;
  readonly near: string | null;
}
/** Where a build was read: how its pack works, what it is, and what of it was being pulled. */
type ReadAt = Pick<LadderQuestion, 'sense' | 'partWay'> & { readonly pack: Length };
const NOT_READ: ReadOn = { kept: [], pooled: null, near: null };
const readBefore = rememberedOf<ReadingFact, ReadOn>();

/** The readings of one build, each by itself and pooled: worked out again only where one was added or taken back, or its pack is another. */
function readOn(readings: readonly ReadingFact[], { sense, pack, partWay }: ReadAt): ReadOn {
  const [first] = readings;
  const begun = readings.map(partWay);
  return first ? readBefore(first, [sense, pack, begun.join(), ...readings], () => freshlyReadOn(readings, { sense, pack, begun })) : NOT_READ;
}

function freshlyReadOn(
  readings: readonly ReadingFact[],
  { sense, pack, begun }: Omit<ReadAt, 'partWay'> & { readonly begun: readonly (string | null)[] },
): ReadOn {
  const each = readings.map((r, i) => {
    const valued = readingValue(r.raw, { sense, pack });
    const value = 'ok' in valued ? asFarAsItGoes(r.raw, valued.ok) : null;
    const kept: KeptReading = {
      id: r.id,
      text: r.raw.text,
      takenAt: r.takenAt,
      value,
      refusal: 'refusal' in valued ? valued.refusal.message : null,
      keptAs: r.keptAs.words,
      notCounted: value && (notCounted(r.raw, value) ?? begun[i] ?? null),
    };
    return { kept, raw: r.raw };
  });
  const counted = each.flatMap(({ kept, raw }) => (kept.value && kept.notCounted === null ? [{ value: kept.value, raw }] : []));
  return {
    kept: each.map(({ kept }) => kept),
    pooled: poolEntries(counted.map(({ value, raw }) => ({ value, instrument: asInstrument(raw.instrument), method: raw.method }))),
    near: counted.map(({ raw }) => restsOnDoubt(raw)).find((why) => why !== null) ?? null,
  };
}

/** What is in a build's place, as it is known there. */
const leavesIn = (build: BuildNow, adjuster: Slot | null): readonly FitLeaf[] | null =>
  adjuster ? (build.fitted.get(adjuster.id)?.leaves ?? null) : null;

/** No dial can see preload: the last estimate carried over the change of the pack stands, where the reading agrees with it. */
function byThePack(reading: Reading | null, said: Length | null, from: Reading | null): Estimate | null {
  if (reading?.kind !== 'atMost' || reading.value !== 0 || said === null || from?.kind !== 'estimate') return null;
  const agreed = agreeWithForecast({ ...from, value: said }, reading);
  return agreed.agree ? agreed.reading : null;
}

/** Every build in order: what had been said of it, what it read, and whether that still speaks. */
export function ladderOf({ builds, slots, adjuster, sense, coefficients, readings, current, judge, borrowed, partWay }: LadderQuestion): LadderRow[] {
  const rows: LadderRow[] = [];
  const byBuild = new Map<string | null, (typeof readings)[number][]>();
  for (const reading of readings) {
    const of = byBuild.get(reading.buildId);
    if (of) of.push(reading);
    else byBuild.set(reading.buildId, [reading]);
  }
  for (const build of builds) {
    const leaves = leavesIn(build, adjuster);
    const pack = packTotal(leaves);
    const { kept, pooled, near } = readOn(byBuild.get(build.build.id) ?? [], { sense, pack, partWay });
    const before = rows.findLast((row) => row.reading !== null);
    const isKnown = leaves !== null && before?.leaves !== null;
    const changed = before ? touching(changesBetween(before.build, build, slots), coefficients) : [];
    const packs = changed.filter((c) => c.slot.kind === 'adjuster' || c.thicker !== null);
    const known = before?.reading?.kind === 'estimate' && isKnown && isReckonable(packs, coefficients) ? before.reading : null;
    const step = known && before ? stepOver(before.build, build, { changed, slots, coefficients, rows, borrowed }) : null;
    const said = known && carried(known, packs, coefficients, step).value;
    const isNow = build === current;
    const agreed = packs.length > 0 && packs.length === changed.length ? byThePack(pooled?.reading ?? null, said, before?.reading ?? null) : null;
    const reading = agreed ?? pooled?.reading ?? null;
    const since = current && !isNow ? touching(changesBetween(build, current, slots), coefficients) : [];
    const stale = since.filter((c) => c.slot.kind !== 'adjuster' && c.thicker === null);
    const judged = reading && !pooled?.disagree ? judge(reading, pooled?.range ?? null, near) : null;
    rows.push({
      build,
      stage: stageWords(build, slots),
      pack,
      leaves,
      readings: kept,
      values: pooled?.values ?? [],
      range: pooled?.range ?? null,
      reading,
      byPack: agreed !== null,
      near,
      methods: pooled?.methods ?? [],
      disagree: pooled?.disagree ?? null,
      U: expandedU(reading),
      mark: pooled === null ? 'unmeasured' : stale.length > 0 ? 'stale' : pooled.disagree ? 'cannotTell' : markOf(judged),
      said,
      residual: said !== null && pooled?.reading.kind === 'estimate' ? nanometres(pooled.reading.value - said) : null,
      staleBecause: stale.length > 0 ? changeWords(stale) : null,
      isNow,
    });
  }
  return rows;
}

interface Over {
  /** what the gap feels of what changed */
  readonly changed: readonly SlotChange[];
  readonly slots: readonly Slot[];
  readonly coefficients: Coefficients;
  /** the builds till then */
  readonly rows: readonly LadderRow[];
  readonly borrowed: readonly KnownStep[];
}

/**
 * How far nut, bolts, bearings and gaskets moved a gap from one build to another, by what was known of it till then; null where they are as
 * they were, where nobody knows, or where something else changed of which nobody knows what it does.
 */
export function stepOver(then: BuildNow, now: BuildNow, { changed, slots, coefficients, rows, borrowed }: Over): KnownStep | null {
  const unknown = changed.filter(({ slot, thicker }) => slot.kind !== 'adjuster' && thicker === null);
  const stated = statedSlots(slots, coefficients);
  if (unknown.length === 0 || unknown.some(({ slot }) => !stated.includes(slot))) return null;
  return stepFor([...stepsOf(rows, { slots, coefficients, steps: borrowed }), ...borrowed], stateOf(then, stated), stateOf(now, stated));
}

/** "as found", "loose", "dry, torqued": a build's stage in a few words. */
function stageWords(build: BuildNow, slots: readonly Slot[]): string {
  if (build.build.stage === 'as_found') return 'as found';
  const bolts = slots.find((s) => s.kind === 'fastening');
  const fitting = bolts && build.fitted.get(bolts.id);
  const torque = fitting ? stateNow(fitting) : null;
  return build.build.stage === 'dry' ? (torque ? `dry, ${torque}` : 'dry') : build.build.stage.replace('_', ' ');
}
