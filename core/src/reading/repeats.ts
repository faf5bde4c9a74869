import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { Estimate } from './reading.ts';

export interface RepeatOptions {
  /** one step of the instrument as it is read, nm, or in the unit of the readings */
  readonly resolution: number;
  /** standard uncertainty of the instrument's own scale */
  readonly calibrationU: number;
  /** repeatability known beforehand (instrument and method); one division if none */
  readonly priorS?: number;
  readonly priorDof?: number;
}

export interface Repeats<Value extends number = Length> extends Estimate<Value> {
  readonly dof: number;
  readonly n: number;
  readonly range: Value;
  /** indices of readings to be questioned; none is ever dropped */
  readonly outliers: readonly number[];
}

/**
 * Leave-one-out limits: how many standard deviations *of the others* a reading may lie from their mean, by the number of
 * readings. Grubbs' two-sided 5 % values restated for the reading left out (the test does that arithmetic); between rows
 * they are interpolated. From memory of the table.
 */
const OUTLIER_LIMITS: readonly (readonly [number, number])[] = [
  [5, 6.53],
  [6, 5.31],
  [8, 4.4],
  [10, 4.04],
  [20, 3.6],
];

const outlierLimit = (n: number): number => {
  const above = OUTLIER_LIMITS.findIndex(([count]) => n <= count);
  if (above < 0) return 3.6;
  const [count, limit] = OUTLIER_LIMITS[above] ?? [5, 6.53];
  const below = OUTLIER_LIMITS[above - 1];
  return below === undefined ? limit : below[1] + ((n - below[0]) / (count - below[0])) * (limit - below[1]);
};

const sampleVariance = (values: readonly number[]): number => {
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return values.length < 2 ? 0 : values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (values.length - 1);
};

/**
 * Several readings of one thing: mean, range and standard uncertainty. The readings' own spread is pooled with a
 * prior repeatability, s² = (ν₀·prior² + (n−1)·sₙ²)/(ν₀ + n − 1), so that one reading never looks surer than three;
 * then u² = s²/n + resolution²/12 + calibrationU² (JCGM 100, type A pooled with type B).
 *
 * @param values at least one
 * @returns the estimate with dof ν₀ + n − 1, the range, and the readings to question
 * @throws ReckoningError `noReadings`
 * @example repeats([thou(24), thou(24), thou(23)], { resolution: thou(1), calibrationU: 0 }).n // 3
 */
export function repeats(values: readonly Length[], options: RepeatOptions): Repeats {
  const of = repeatsOf(values, options);
  return { ...of, value: nanometres(of.value), range: nanometres(of.range) };
}

/**
 * As {@link repeats}, of readings of anything that is not a length, in whatever unit they are: drags in N·m, pulls in N.
 *
 * @throws ReckoningError `noReadings`
 * @example repeatsOf([1.2, 1.3, 1.25], { resolution: 0.05, calibrationU: 0 }).value // 1.25
 */
export function repeatsOf(
  values: readonly number[],
  { resolution, calibrationU, priorS = resolution, priorDof = 5 }: RepeatOptions,
): Repeats<number> {
  const n = values.length;
  if (n === 0) refuse('noReadings', 'There are no readings yet: take one.');
  const pooled = (priorDof * priorS ** 2 + (n - 1) * sampleVariance(values)) / (priorDof + n - 1);
  const u = Math.sqrt(pooled / n + resolution ** 2 / 12 + calibrationU ** 2);
  return {
    kind: 'estimate',
    value: values.reduce((sum, value) => sum + value, 0) / n,
    u,
    dof: priorDof + n - 1,
    n,
    range: Math.max(...values) - Math.min(...values),
    outliers: outliersOf(values, Math.max(priorS, resolution / Math.sqrt(12))),
  };
}

function outliersOf(values: readonly number[], leastS: number): number[] {
  const n = values.length;
  if (n < 5) return [];
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return values.flatMap((value, i) => {
    // how far it is off, and the mean and the spread of the others, each from the mean of all
    const off = value - mean;
    const others = -off / (n - 1);
    const variance = (squares - off ** 2 - (n - 1) * others ** 2) / (n - 2);
    const s = Math.max(Math.sqrt(Math.max(0, variance)), leastS);
    return Math.abs(off - others) > outlierLimit(n) * s ? [i] : [];
  });
}

export function repeatsSum(values: readonly Length[], options: RepeatOptions): Sum {
  const result = repeats(values, options);
  return [
    ...values.map((value, i) => lengthLine(`reading ${i + 1}`, '', value)),
    lengthLine(`mean of ${result.n}`, 'Σ ÷ n', result.value),
    lengthLine('range', 'most − least', result.range),
  ];
}
