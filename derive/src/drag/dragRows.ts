import type { ReadingFact } from '@elder-cog/contract';
import type { Estimate, MarkKind, Verdict } from '@elder-cog/core';
import { changesBetween, changeWords, stateNow, type BuildNow, type SlotChange } from '../builds.ts';
import { touching, type Coefficients } from '../gap/carried.ts';
import { markOf } from '../gap/judged.ts';
import { restsOnDoubt } from '../spoilt.ts';
import type { Slot } from '../slots.ts';
import { dragValue, poolDrags, type DragValue } from './dragValue.ts';

/** A drag as it was kept, with what it now reckons to. */
export interface KeptDrag {
  readonly id: string;
  readonly text: string;
  readonly takenAt: string;
  readonly who: string;
  readonly value: DragValue | null;
  readonly refusal: string | null;
  /** why it is kept and not counted; null where it is */
  readonly notCounted: string | null;
  /** read before something was tightened */
  readonly isBefore: boolean;
  readonly raw: ReadingFact['raw'];
}

/** What one build dragged, and whether that still speaks. */
export interface DragRow {
  readonly build: BuildNow;
  readonly stage: string;
  readonly readings: readonly KeptDrag[];
  /** all of them that were counted, together */
  readonly value: DragValue | null;
  readonly near: string | null;
  readonly mark: MarkKind;
  /** what changed since that it feels; null where nothing did */
  readonly staleBecause: string | null;
  readonly isNow: boolean;
}

export interface DragRowsQuestion {
  readonly builds: readonly BuildNow[];
  readonly slots: readonly Slot[];
  readonly coefficients: Coefficients;
  readonly readings: readonly ReadingFact[];
  readonly judge: (reading: Estimate<number>, range: number | null, near: string | null) => Verdict | null;
  /** why a reading of a build does not count: it was part-way through a round. Null where it does */
  readonly partWay: (reading: ReadingFact) => string | null;
}

const STARTING = 'the pull that starts it is not what it runs at: pull again, steadily, while it turns';

/** Why a drag is kept and not counted; null where it counts. */
export function dragNotCounted(raw: ReadingFact['raw']): string | null {
  return raw.restsOn.some(({ answer }) => answer === 'starting') ? STARTING : null;
}

/** What of a build a drag feels: all that its float does, and a pack too, whichever way it works. */
export const dragChanges = (then: BuildNow, now: BuildNow, slots: readonly Slot[], coefficients: Coefficients): readonly SlotChange[] =>
  touching(changesBetween(then, now, slots), coefficients);

/** Every build in order: what it dragged, and whether that still speaks. */
export function dragRows({ builds, slots, coefficients, readings, judge, partWay }: DragRowsQuestion): DragRow[] {
  const current = builds.at(-1);
  return builds.map((build) => {
    const kept = readings.filter((reading) => reading.buildId === build.build.id).map((reading) => keptDrag(reading, partWay));
    const counted = kept.flatMap(({ value, notCounted }) => (value && notCounted === null ? [value] : []));
    const value = poolDrags(counted);
    const near = kept.map(({ raw }) => restsOnDoubt(raw)).find((why) => why !== null) ?? null;
    const since = current && build !== current ? dragChanges(build, current, slots, coefficients) : [];
    const range = value && value.values.length > 1 ? Math.max(...value.values) - Math.min(...value.values) : null;
    return {
      build,
      stage: stageOf(build, slots),
      readings: kept,
      value,
      near,
      mark: value === null ? 'unmeasured' : since.length > 0 ? 'stale' : markOf(judge(value.reading, range, near)),
      staleBecause: since.length > 0 ? changeWords(since) : null,
      isNow: build === current,
    };
  });
}

function keptDrag(reading: ReadingFact, partWay: DragRowsQuestion['partWay']): KeptDrag {
  const { id, raw, takenAt, who } = reading;
  const valued = dragValue(raw);
  return {
    id,
    text: raw.text,
    takenAt,
    who,
    value: 'ok' in valued ? valued.ok : null,
    refusal: 'refusal' in valued ? valued.refusal.message : null,
    notCounted: dragNotCounted(raw) ?? partWay(reading),
    isBefore: raw.isBefore === true,
    raw,
  };
}

function stageOf(build: BuildNow, slots: readonly Slot[]): string {
  if (build.build.stage === 'as_found') return 'as found';
  const nut = slots.find(({ kind }) => kind === 'fastening');
  const state = nut && build.fitted.get(nut.id) ? stateNow(build.fitted.get(nut.id) ?? { leaves: null, state: null }) : null;
  return [build.build.stage.replace('_', ' '), state].filter((word) => word !== null).join(', ');
}
