import { describe, expect, it } from '@jest/globals';
import { chances } from '../testing.ts';
import { nanometres, thou, type Length } from '../quantity/index.ts';
import { instrumentRepeatability } from './instrumentRepeatability.ts';
import { INSTRUMENTS } from './instruments.ts';
import { repeats } from './repeats.ts';
import { verdict } from './verdict.ts';

/** Forty readings, four of each of ten things, of an instrument that repeats so well and is read to so much. */
function forty(seed: number, s: number, resolution: Length): Length[][] {
  const chance = chances(seed);
  return Array.from({ length: 10 }, () => {
    const is = chance.next() * thou(100);
    return Array.from({ length: 4 }, () => nanometres(Math.round((is + s * chance.normal()) / resolution) * resolution));
  });
}

describe('how well an instrument repeats', () => {
  it('is the pooled spread: two groups by hand', () => {
    // 1 2 3 2 1 3: mean 2, squares 4; 7 8 7 6 7 8 7: mean 50/7, squares 360 − 2500/7 = 2.857; 6.857 / 11
    const groups = [[1, 2, 3, 2, 1, 3].map(thou), [7, 8, 7, 6, 7, 8, 7].map(thou)];
    const found = instrumentRepeatability(groups, { resolution: thou(0.001) });
    expect(found).toMatchObject({ dof: 11, readings: 13 });
    expect((found?.s ?? 0) / thou(1)).toBeCloseTo(Math.sqrt(6.857142857 / 11), 4);
  });
  it('is not said of a few readings, nor of things that were read once', () => {
    expect(instrumentRepeatability([[1, 2, 3].map(thou)], { resolution: thou(1) })).toBeNull();
    expect(
      instrumentRepeatability(
        Array.from({ length: 40 }, (_, i) => [thou(i)]),
        { resolution: thou(1) },
      ),
    ).toBeNull();
  });
  it('is found again within a fifth from forty readings, as often as chance lets it', () => {
    // thirty degrees of freedom: one standard deviation of s is 1/√60, 13 %, so that a fifth is kept to 88 times in a hundred
    const close = Array.from({ length: 200 }, (_, i) => {
      const s = thou(1);
      const found = instrumentRepeatability(forty(i + 1, s, thou(0.1)), { resolution: thou(0.1) });
      return Math.abs((found?.s ?? 0) / s - 1) < 0.2;
    }).filter(Boolean).length;
    expect(close).toBeGreaterThanOrEqual(165);
    expect(instrumentRepeatability(forty(3, thou(0.6), thou(0.1)), { resolution: thou(0.1) })?.s ?? 0).toBeGreaterThan(thou(0.48));
    expect(instrumentRepeatability(forty(3, thou(0.6), thou(0.1)), { resolution: thou(0.1) })?.s ?? 0).toBeLessThan(thou(0.72));
  });
  it('does not take the rounding to its own step for a spread', () => {
    const coarse = Array.from({ length: 60 }, (_, i) => instrumentRepeatability(forty(i + 1, thou(0.6), thou(1)), { resolution: thou(1) })?.s ?? 0);
    const mean = coarse.reduce((a, b) => a + b, 0) / coarse.length;
    expect(mean / thou(1)).toBeGreaterThan(0.54);
    expect(mean / thou(1)).toBeLessThan(0.66);
    const same = Array.from({ length: 12 }, () => [thou(4), thou(4)]);
    expect(instrumentRepeatability(same, { resolution: thou(1) })?.s).toBe(thou(0.1));
  });
  it('lets three agreeing readings of a sound dial be sure in the middle of a window of 2 thou', () => {
    const limits = { min: thou(5), max: thou(7) };
    const read = repeats([thou(6), thou(6), thou(6)], INSTRUMENTS.dialThou);
    expect(verdict(read, limits, { moreIs: 'loose' })).toMatchObject({ place: 'in', sure: 'sure' });
    const once = repeats([thou(6)], INSTRUMENTS.dialThou);
    expect(verdict(once, limits, { moreIs: 'loose' })).toMatchObject({ place: 'in' });
    // and a dial that was found to scatter is not
    const loose = repeats([thou(6), thou(6), thou(6)], { ...INSTRUMENTS.dialThou, priorS: thou(1.2), priorDof: 30 });
    expect(verdict(loose, limits, { moreIs: 'loose' }).sure).not.toBe('sure');
  });
});
