import { aimedGap } from '../packWindow.ts';
import { closedFloat, type Length } from '../../quantity/index.ts';
import type { SolverGap } from './question.ts';

/** A gap as the search holds it: plain numbers, nm. */
export interface Target {
  readonly id: string;
  readonly constant: number;
  /** by slot, in their order */
  readonly by: readonly number[];
  readonly min: number;
  readonly max: number;
  /** null where nothing is aimed at */
  readonly aim: number | null;
}

export function targetsOf(gaps: readonly SolverGap[], slots: readonly { readonly id: string }[]): Target[] {
  return gaps.map(({ id, constant, coefficients, limits, aim }) => {
    const { min = -Infinity, max = Infinity } = closedFloat(limits);
    const closesBy = aim?.closesBy ?? 0;
    return {
      id,
      constant,
      by: slots.map((slot) => coefficients[slot.id] ?? 0),
      min: min + closesBy,
      max: max + closesBy,
      aim: aim === undefined ? null : aimedGap(limits, aim),
    };
  });
}

/** How good a set is: less is better, first to last. */
export interface Worth {
  /** less the least distance of any gap from its nearer limit; or Σ|gap − aim| where anything is aimed at */
  readonly measure: number;
  readonly fresh: number;
  readonly lapped: number;
}

export const isBetter = (a: Worth, b: Worth): boolean =>
  a.measure !== b.measure ? a.measure < b.measure : a.fresh !== b.fresh ? a.fresh < b.fresh : a.lapped < b.lapped;

/** The least distance of a gap from its nearer limit: less than nothing where it is out. */
export const marginOf = (value: number, { min, max }: Target): number => Math.min(value - min, max - value);

export const worstMargin = (values: readonly number[], targets: readonly Target[]): number =>
  values.reduce((least, value, i) => Math.min(least, marginOf(value, targets[i] as Target)), Infinity);

export const fromAims = (values: readonly number[], targets: readonly Target[]): number =>
  values.reduce((sum, value, i) => {
    const aim = targets[i]?.aim ?? null;
    return sum + (aim === null ? 0 : Math.abs(value - aim));
  }, 0);

export const asLength = (value: number): Length => Math.round(value) as Length;
