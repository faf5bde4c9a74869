import type { JobFacts, Setting, Station } from '@elder-cog/contract';
import { aimedGap, type Ends, type MarkKind, type TorqueUnit } from '@elder-cog/core';
import { dragMark, type DragState } from './drag/index.ts';
import { aimWith, isRight, type GapState } from './gap/index.ts';
import type { FeatureState, PairState } from './wear.ts';

/** What is judged by several stations together. */

/** One station of a setting, as it stands. */
export interface CriterionState {
  readonly station: Station;
  readonly group: number;
  readonly mark: MarkKind;
  /** what was read, nm, or N·m of a drag; null where nothing was, and for what is looked at and has no figure */
  readonly value: number | null;
  readonly limits: Ends<number> | null;
  /** where in its limits it is to come */
  readonly aim: number | null;
  /** of a drag: what it is told in. Left out where it is a length */
  readonly torqueUnit?: TorqueUnit;
  /** passed, nothing else makes the setting right. Left out where it is no ceiling */
  readonly isCeiling?: true;
}

export interface SettingState {
  readonly setting: Setting;
  readonly criteria: readonly CriterionState[];
  readonly mark: MarkKind;
  /** the one it is judged by; null where none of its stations is there any more */
  readonly judgedBy: CriterionState | null;
  /** one is in and another out, though either would do: asked about, and not averaged */
  readonly asks: { readonly isIn: CriterionState; readonly isOut: CriterionState } | null;
  /** ids of stations that need not be read for it: another group is in */
  readonly spared: readonly string[];
}

/** What any of the states that can be a criterion come to. */
export interface Judgeable {
  readonly gaps: readonly GapState[];
  readonly features: readonly FeatureState[];
  readonly pairs: readonly PairState[];
  readonly checks: readonly { readonly station: Station; readonly mark: MarkKind }[];
  readonly drags: readonly DragState[];
}

type Told = Omit<CriterionState, 'group' | 'isCeiling'>;

/** Every setting of a job, from the states of its stations. A station that is out of the book judges nothing; with none left, nor does the setting. */
export function settingsOf(facts: Pick<JobFacts, 'settings'>, judged: Judgeable): SettingState[] {
  const byId = new Map<string, Told>([
    ...judged.gaps.map((gap) => [gap.station.id, ofGap(gap)] as const),
    ...judged.features.map(
      ({ station, mark, now, limits }) => [station.id, { station, mark, value: now, limits: limits?.limits ?? null, aim: null }] as const,
    ),
    ...judged.pairs.map(
      ({ station, mark, clearance, limits }) =>
        [station.id, { station, mark, value: clearance?.mean ?? null, limits: limits?.limits ?? null, aim: null }] as const,
    ),
    ...judged.drags.map((drag) => [drag.station.id, ofDrag(drag)] as const),
    ...judged.checks.map(({ station, mark }) => [station.id, { station, mark, value: null, limits: null, aim: null }] as const),
  ]);
  return facts.settings
    .filter(({ gone }) => !gone)
    .map((setting) => {
      const criteria = setting.criteria.flatMap(({ stationId, group, isCeiling }) => {
        const told = byId.get(stationId);
        return told ? [{ ...told, group, ...(isCeiling ? { isCeiling } : {}) }] : [];
      });
      return { setting, criteria, ...judgeTogether(criteria) };
    })
    .filter(({ criteria }) => criteria.length > 0);
}

function ofGap({ station, mark, now, limits }: GapState): Told {
  const within = limits?.limits ?? null;
  const hasBoth = within?.min !== undefined && within.max !== undefined;
  return {
    station,
    mark,
    value: now.kind === 'read' ? (now.reading?.value ?? null) : null,
    limits: within,
    aim: within && hasBoth ? aimedGap(within, aimWith(station.aim, limits)) : null,
  };
}

function ofDrag(drag: DragState): Told {
  const { station, now, limits } = drag;
  const { min, max } = limits?.limits ?? {};
  return {
    station,
    mark: dragMark(drag),
    value: now.kind === 'read' ? (now.reading?.value ?? null) : null,
    limits: limits?.limits ?? null,
    aim: min === undefined || max === undefined ? null : (min + max) / 2,
    torqueUnit: drag.unit,
  };
}

const isOut = (mark: MarkKind): boolean => mark === 'tight' || mark === 'loose';

/** How far a reading is from the nearer of its limits, in its own unit; without end where there is none. */
function room({ value, limits }: CriterionState): number {
  if (value === null || !limits) return Infinity;
  return Math.min(limits.max === undefined ? Infinity : limits.max - value, limits.min === undefined ? Infinity : value - limits.min);
}

/** The same in shares of what is allowed: a float and a drag are not held against each other in nanometres. */
function shareOfRoom(criterion: CriterionState): number {
  const { max, min = 0 } = criterion.limits ?? {};
  const window = max === undefined ? min : max - min;
  return room(criterion) / (window > 0 ? window : 1);
}

function tightest(criteria: readonly CriterionState[]): CriterionState | null {
  const areAlike = new Set(criteria.map(({ station }) => station.quantity)).size < 2;
  const by = areAlike ? room : shareOfRoom;
  return criteria.toSorted((a, b) => by(a) - by(b))[0] ?? null;
}

/**
 * Several criteria as one verdict: in when all of any one group are in, judged by the one with the least room; else the worst that is
 * measured. A ceiling that is passed is never in, whatever else is. Where a group is in and another that would have done is out, the two are not averaged: nobody can tell until it is asked why.
 */
export function judgeTogether(criteria: readonly CriterionState[]): Pick<SettingState, 'mark' | 'judgedBy' | 'asks' | 'spared'> {
  const groups = [...new Set(criteria.map(({ group }) => group))].map((number) => criteria.filter(({ group }) => group === number));
  const right = groups.find((group) => group.every(({ mark }) => isRight(mark)));
  const passed = criteria.find(({ isCeiling, mark }) => isCeiling && mark === 'tight');
  if (passed) return { mark: passed.mark, judgedBy: passed, asks: null, spared: [] };
  const out = tightest(criteria.filter(({ mark }) => isOut(mark)));
  if (!right) {
    const judgedBy = out ?? criteria.find(({ mark }) => !isRight(mark)) ?? null;
    return { mark: judgedBy?.mark ?? 'unmeasured', judgedBy, asks: null, spared: [] };
  }
  const isIn = tightest(right);
  if (out && isIn) return { mark: 'cannotTell', judgedBy: isIn, asks: { isIn, isOut: out }, spared: [] };
  const spared = criteria.filter(({ mark }) => !isRight(mark)).map(({ station }) => station.id);
  return { mark: isIn?.mark ?? 'unmeasured', judgedBy: isIn, asks: null, spared };
}
