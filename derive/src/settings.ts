import type { JobFacts, Setting, Station } from '@elder-cog/contract';
import { aimedGap, type Length, type Limits, type MarkKind } from '@elder-cog/core';
import { aimWith, isRight, type GapState } from './gap/index.ts';
import type { FeatureState, PairState } from './wear.ts';

/** What is judged by several stations together. */

/** One station of a setting, as it stands. */
export interface CriterionState {
  readonly station: Station;
  readonly group: number;
  readonly mark: MarkKind;
  /** what was read; null where nothing was, and for what is looked at and has no figure */
  readonly value: Length | null;
  readonly limits: Limits | null;
  /** where in its limits it is to come */
  readonly aim: Length | null;
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
}

type Told = Omit<CriterionState, 'group'>;

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
    ...judged.checks.map(({ station, mark }) => [station.id, { station, mark, value: null, limits: null, aim: null }] as const),
  ]);
  return facts.settings
    .filter(({ gone }) => !gone)
    .map((setting) => {
      const criteria = setting.criteria.flatMap(({ stationId, group }) => {
        const told = byId.get(stationId);
        return told ? [{ ...told, group }] : [];
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

const isOut = (mark: MarkKind): boolean => mark === 'tight' || mark === 'loose';

/** How far a reading is from the nearer of its limits, nm; without end where there is none. */
function room({ value, limits }: CriterionState): number {
  if (value === null || !limits) return Infinity;
  return Math.min(limits.max === undefined ? Infinity : limits.max - value, limits.min === undefined ? Infinity : value - limits.min);
}
const tightest = (criteria: readonly CriterionState[]): CriterionState | null => criteria.toSorted((a, b) => room(a) - room(b))[0] ?? null;

/**
 * Several criteria as one verdict: in when all of any one group are in, judged by the one with the least room; else the worst that is
 * measured. Where a group is in and another that would have done is out, the two are not averaged: nobody can tell until it is asked why.
 */
export function judgeTogether(criteria: readonly CriterionState[]): Pick<SettingState, 'mark' | 'judgedBy' | 'asks' | 'spared'> {
  const groups = [...new Set(criteria.map(({ group }) => group))].map((number) => criteria.filter(({ group }) => group === number));
  const right = groups.find((group) => group.every(({ mark }) => isRight(mark)));
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
