import { createRequire } from 'node:module';
import { describe, expect, it } from '@jest/globals';
import { mm, nanometres } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { doubtShares, normalQuantile, simulateStack, stackGap, type StackLink } from './index.ts';

// jstat ships as CommonJS without types
const { jStat } = createRequire(import.meta.url)('jstat') as {
  jStat: { normal: { cdf(x: number, mean: number, sd: number): number; inv(p: number, mean: number, sd: number): number } };
};

const UM = 1_000;
const normal = (um: number, uUm: number, sense: 1 | -1 = 1): StackLink => ({ length: nanometres(um * UM), u: uUm * UM, sense });
const even = (um: number, eitherSideUm: number, sense: 1 | -1 = 1): StackLink => ({
  length: nanometres(um * UM),
  sense,
  limits: { min: nanometres((um - eitherSideUm) * UM), max: nanometres((um + eitherSideUm) * UM) },
});
const between = (low: number, high: number) => ({ min: nanometres(low * UM), max: nanometres(high * UM) });

/** Chance of n even spreads of ±half each adding to at most x: Irwin and Hall. */
function evenSumCdf(x: number, n: number, half: number): number {
  const at = x / (2 * half) + n / 2;
  let [sum, choose, factorial] = [0, 1, 1];
  for (let k = 0; k <= Math.min(n, Math.floor(at)); k++) {
    sum += (k % 2 === 0 ? 1 : -1) * choose * (at - k) ** n;
    choose = (choose * (n - k)) / (k + 1);
  }
  for (let k = 2; k <= n; k++) factorial *= k;
  return Math.min(1, Math.max(0, sum / factorial));
}

describe('the normal quantile', () => {
  it('is that of a statistics library, from one in a million to the other end', () => {
    for (const p of [1e-6, 1e-4, 0.01, 0.02425, 0.03, 0.2, 0.5, 0.75, 0.975, 0.999, 1 - 1e-6])
      expect(normalQuantile(p)).toBeCloseTo(jStat.normal.inv(p, 0, 1), 6);
    expect(refusalOf(() => normalQuantile(0))).toBe('notAChance');
    expect(refusalOf(() => normalQuantile(1))).toBe('notAChance');
  });
});

describe('a stack drawn many times', () => {
  it('of normal links is the normal sum: mean, spread and chance, in 20 seeds', () => {
    const links = [normal(30_100, 4), normal(12_000, 3), normal(41_950, 5, -1)];
    const exact = stackGap({ links });
    const limits = between(140, 155);
    const chance = jStat.normal.cdf(155, 150, exact.u / UM) - jStat.normal.cdf(140, 150, exact.u / UM);
    for (let seed = 1; seed <= 20; seed++) {
      const drawn = simulateStack({ links, limits, seed });
      // four standard errors of 100 000 draws
      expect(Math.abs(drawn.mean - exact.value)).toBeLessThan((4 * exact.u) / Math.sqrt(100_000));
      expect(Math.abs(drawn.sd / exact.u - 1)).toBeLessThan(4 / Math.sqrt(200_000));
      expect(Math.abs((drawn.chanceIn ?? NaN) - chance)).toBeLessThan(4 * Math.sqrt((chance * (1 - chance)) / 100_000));
    }
  });

  it('of even links is the sum of even spreads (Irwin and Hall), of one to five of them', () => {
    for (let n = 1; n <= 5; n++) {
      const links = Array.from({ length: n }, (_, i) => even(1_000, 10, i % 2 === 0 ? 1 : -1));
      const value = stackGap({ links }).value / UM;
      const drawn = simulateStack({ links, limits: between(value - 8, value + 5), seed: n });
      const chance = evenSumCdf(5, n, 10) - evenSumCdf(-8, n, 10);
      expect(drawn.sd / UM).toBeCloseTo(10 * Math.sqrt(n / 3), 0);
      expect(Math.abs((drawn.chanceIn ?? NaN) - chance)).toBeLessThan(4 * Math.sqrt((chance * (1 - chance)) / 100_000));
    }
  });

  it('never leaves its worst case where every link has limits', () => {
    const links = [even(20_000, 5), even(19_900, 8, -1)];
    const { worst } = stackGap({ links });
    expect(simulateStack({ links, limits: worst }).chanceIn).toBe(1);
  });

  it('of one even and one normal link is their sum, by quadrature', () => {
    const links = [even(100, 10), normal(0, 4)];
    const steps = 4_000;
    let chance = 0;
    for (let k = 0; k < steps; k++) {
      const middle = 90 + (20 * (k + 0.5)) / steps;
      chance += (jStat.normal.cdf(106, middle, 4) - jStat.normal.cdf(95, middle, 4)) / steps;
    }
    expect(Math.abs((simulateStack({ links, limits: between(95, 106), samples: 400_000 }).chanceIn ?? NaN) - chance)).toBeLessThan(0.003);
  });

  it('is the same for the same seed and another for another; an odd number of samples is drawn in full', () => {
    const links = [normal(100, 4), even(50, 3)];
    const once = simulateStack({ links, samples: 999, seed: 7 });
    expect(simulateStack({ links, samples: 999, seed: 7 })).toEqual(once);
    expect(simulateStack({ links, samples: 999, seed: 8 }).mean).not.toBe(once.mean);
    expect(once.sd / UM).toBeGreaterThan(3.8);
    expect(once.chanceIn).toBeNull();
  });

  it('of links that are just what they are is just their sum', () => {
    const links: StackLink[] = [
      { length: mm(30), sense: 1 },
      { length: mm(29.9), sense: -1 },
    ];
    const drawn = simulateStack({ links, limits: between(99, 101) });
    expect(drawn.mean).toBeCloseTo(100 * UM, 6);
    expect([drawn.sd, drawn.chanceIn]).toEqual([0, 1]);
    expect(simulateStack({ links, limits: between(0, 99) }).chanceIn).toBe(0);
  });

  it('refuses no links, and no number of samples', () => {
    expect(refusalOf(() => simulateStack({ links: [] }))).toBe('noLinks');
    for (const samples of [0, 1.5, 20_000_000]) expect(refusalOf(() => simulateStack({ links: [normal(1, 1)], samples }))).toBe('notASampleCount');
  });
});

describe('which measurement again', () => {
  const term = (id: string, u: number, coefficient = 1) => ({ id, label: id, coefficient, value: mm(30), u });
  it('shares out the variance, the greatest first, and says what one more reading leaves', () => {
    // 16 + 9 = 25: again on the first, 8 + 9 = 17
    expect(doubtShares([term('case', 3, -1), term('bush', 4)])).toEqual([
      { id: 'bush', label: 'bush', share: 0.64, again: expect.closeTo(Math.sqrt(17), 9) },
      { id: 'case', label: 'case', share: 0.36, again: expect.closeTo(Math.sqrt(20.5), 9) },
    ]);
  });
  it('counts a length by its coefficient, and leaves out what has no doubt', () => {
    const shares = doubtShares([term('half', 4, 0.5), term('sure', 0), term('whole', 2)]);
    expect(shares.map(({ id, share }) => [id, share])).toEqual([
      ['half', 0.5],
      ['whole', 0.5],
    ]);
    expect(doubtShares([term('sure', 0)])).toEqual([]);
  });
  it('names first what helps most, which is not always the greatest share', () => {
    // the case is known by an instrument whose scale is its doubt: again leaves 15.2 of 16; the bush goes from 9 to 4.5
    const shares = doubtShares([{ ...term('case', 4), uAgain: Math.sqrt(15.2) }, term('bush', 3)]);
    expect(shares.map(({ id, again }) => [id, again ** 2])).toEqual([
      ['bush', expect.closeTo(20.5, 9)],
      ['case', expect.closeTo(24.2, 9)],
    ]);
  });
});
