import { refuse } from '../errors.ts';
import type { Limits } from '../quantity/index.ts';
import type { StackLink } from './stackGap.ts';

export interface StackQuestion {
  readonly links: readonly StackLink[];
  /** what the gap is judged by; without them nobody asks for a chance */
  readonly limits?: Limits;
  /** 1 to ten million */
  readonly samples?: number;
  /** the same seed gives the same answer */
  readonly seed?: number;
}

export interface SimulatedStack {
  /** nm */
  readonly mean: number;
  /** one standard deviation, nm */
  readonly sd: number;
  /** 0 to 1; null without limits */
  readonly chanceIn: number | null;
}

/** Steps of a distribution: its middle quantiles, so that a draw is one look in a table. */
const STEPS = 1 << 16;
const MOST_SAMPLES = 10_000_000;

/** Coefficients of Acklam's rational approximation of the normal quantile, to 1.2e-9; checked against a statistics library. */
const A = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239] as const;
const B = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1] as const;
const C = [-0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783] as const;
const D = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1] as const;
const TAIL_FROM = 0.02425;

const polynomial = (coefficients: readonly number[], x: number): number => coefficients.reduce((sum, c) => sum * x + c, 0);

/**
 * How many standard deviations from the mean a normal variable lies below which it falls with so great a chance.
 *
 * @param p more than 0 and less than 1
 * @throws ReckoningError `notAChance`
 * Source: P. J. Acklam's approximation, from memory; checked against a statistics library.
 * @example normalQuantile(0.975) // 1.959963986
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) refuse('notAChance', 'A chance lies between 0 and 1.');
  if (p > 0.5) return -normalQuantile(1 - p);
  if (p < TAIL_FROM) {
    const q = Math.sqrt(-2 * Math.log(p));
    return polynomial(C, q) / polynomial(D, q);
  }
  const q = p - 0.5;
  return (polynomial(A, q * q) * q) / polynomial(B, q * q);
}

let tables: { readonly normal: Float32Array; readonly even: Float32Array } | null = null;

/** Quantiles of a normal and of an even (rectangular) spread, each of mean 0 and standard deviation 1. */
function quantiles(): NonNullable<typeof tables> {
  if (tables) return tables;
  const middles = Float64Array.from({ length: STEPS }, (_, k) => (k + 0.5) / STEPS);
  const unit = (values: Float64Array): Float32Array => {
    const sd = Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / STEPS);
    return Float32Array.from(values, (v) => v / sd);
  };
  tables = { normal: unit(middles.map(normalQuantile)), even: unit(middles.map((p) => p - 0.5)) };
  return tables;
}

/** What a link adds: so much, give or take so much, spread so. */
interface Spread {
  readonly mean: number;
  readonly sd: number;
  readonly table: Float32Array;
}

/** Known by a doubt: normal. Known by limits alone: anywhere between them, evenly. Else just what it is. */
function spreadOf({ length, u, sense, limits }: StackLink): Spread {
  const { normal, even } = quantiles();
  const { min, max } = limits ?? {};
  if (u === undefined && min !== undefined && max !== undefined)
    return { mean: (sense * (min + max)) / 2, sd: (max - min) / Math.sqrt(12), table: even };
  return { mean: sense * length, sd: Math.abs(sense) * (u ?? 0), table: normal };
}

/**
 * The gap of a stack, drawn many times from what its links may be: for the chance that it is in. A link with an uncertainty is normal; one
 * with limits and no uncertainty lies evenly between them.
 *
 * @param question lengths, limits and uncertainties nm; 100 000 samples and seed 1 unless said
 * @throws ReckoningError `noLinks`, `notASampleCount`
 * Source: propagation of distributions by Monte Carlo (JCGM 101, from memory); generator xoshiro128+ (Blackman and Vigna, from memory).
 * @example simulateStack({ links: [{ length: mm(30), u: 5000, sense: 1 }, { length: mm(29.9), u: 5000, sense: -1 }] }).mean // about 0.1 mm
 */
export function simulateStack({ links, limits, samples = 100_000, seed = 1 }: StackQuestion): SimulatedStack {
  if (links.length === 0) refuse('noLinks', 'A gap needs at least one part on its path.');
  if (!Number.isInteger(samples) || samples < 1 || samples > MOST_SAMPLES)
    refuse('notASampleCount', 'Give a whole number of samples, from one to ten million.');
  const spreads = links.map(spreadOf);
  const mean = spreads.reduce((sum, s) => sum + s.mean, 0);
  const away = new Float64Array(samples);
  const moving = spreads.filter((s) => s.sd > 0);
  const state = seeded(seed);
  for (const { sd, table } of moving) addDraws(away, table, sd, state);
  return summary(away, mean, limits);
}

/** Four words of state from a seed (splitmix). */
function seeded(seed: number): Int32Array {
  const state = new Int32Array(4);
  let x = Math.trunc(seed) | 0;
  for (let i = 0; i < 4; i++) {
    x = (x + 0x9e3779b9) | 0;
    let z = Math.imul(x ^ (x >>> 16), 0x85ebca6b);
    z = Math.imul(z ^ (z >>> 13), 0xc2b2ae35);
    state[i] = z ^ (z >>> 16) || 1;
  }
  return state;
}

/** Adds to every sample a draw from a table; two draws from each word of the generator. */
function addDraws(samples: Float64Array, table: Float32Array, sd: number, state: Int32Array): void {
  let [a = 1, b = 1, c = 1, d = 1] = state;
  const { length } = samples;
  for (let i = 0; i < length; i += 2) {
    const word = (a + d) | 0;
    const t = b << 9;
    c ^= a;
    d ^= b;
    b ^= c;
    a ^= d;
    c ^= t;
    d = (d << 11) | (d >>> 21);
    samples[i] = (samples[i] ?? 0) + sd * (table[word >>> 16] ?? 0);
    // beyond the end nothing is kept
    samples[i + 1] = (samples[i + 1] ?? 0) + sd * (table[word & 0xffff] ?? 0);
  }
  state.set([a, b, c, d]);
}

function summary(away: Float64Array, mean: number, limits: Limits | undefined): SimulatedStack {
  const { length } = away;
  let [sum, squares, within] = [0, 0, 0];
  const [low, high] = [(limits?.min ?? -Infinity) - mean, (limits?.max ?? Infinity) - mean];
  for (const each of away) {
    sum += each;
    squares += each * each;
    if (each >= low && each <= high) within += 1;
  }
  const off = sum / length;
  return {
    mean: mean + off,
    sd: Math.sqrt(Math.max(0, squares / length - off * off)),
    chanceIn: limits ? within / length : null,
  };
}
