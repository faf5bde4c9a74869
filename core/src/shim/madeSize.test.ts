import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { mm, nanometres, thou } from '../quantity/index.ts';
import { madeSize } from './index.ts';

describe('a size to make', () => {
  it('96.7 to 98.7 is 97½, and only 0.8 either side of it', () =>
    expect(madeSize({ min: thou(96.7), max: thou(98.7), ideal: thou(97.7) }, 'thou')).toEqual({ size: thou(97.5), either: thou(0.8) }));
  it('is said as finely as a micrometer is read where a round figure would leave too little', () =>
    expect(madeSize({ min: thou(9.7), max: thou(9.9), ideal: thou(9.8) }, 'thou')).toEqual({ size: thou(9.8), either: thou(0.1) }));
  it('in millimetres it goes by hundredths', () =>
    expect(madeSize({ min: mm(2.443), max: mm(2.497), ideal: mm(2.472) }, 'mm')).toEqual({ size: mm(2.47), either: mm(0.026) }));
  it('never leaves the window, whichever way it is said', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 10_000, max: 3_000_000 }),
        fc.integer({ min: 5_000, max: 200_000 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom('thou' as const, 'mm' as const),
        (min, wide, share, unit) => {
          const window = { min: nanometres(min), max: nanometres(min + wide), ideal: nanometres(min + share * wide) };
          const { size, either } = madeSize(window, unit);
          expect(size - either).toBeGreaterThanOrEqual(window.min - 1);
          expect(size + either).toBeLessThanOrEqual(window.max + 1);
        },
      ),
    ));
  it('is round where that keeps three quarters of the tolerance just so, and not where it keeps less', () => {
    // 8 to 12 about 10.1: 1.9 either way, and 10 keeps all of 2.0; 9.8 to 10.4 about 10.1: 0.3, and 10 keeps 0.2
    expect(madeSize({ min: thou(8), max: thou(12), ideal: thou(10.1) }, 'thou').size).toBe(thou(10));
    expect(madeSize({ min: thou(9.8), max: thou(10.4), ideal: thou(10.1) }, 'thou').size).toBe(thou(10.1));
    // 9.4 to 11 about 10.2: 0.8, and 10 keeps 0.6, three quarters
    expect(madeSize({ min: thou(9.4), max: thou(11), ideal: thou(10.2) }, 'thou').size).toBe(thou(10));
    expect(madeSize({ min: thou(9.42), max: thou(11), ideal: thou(10.2) }, 'thou').size).toBe(thou(10.2));
  });
  it('of a window of no width is that figure, and where no step lies in it as near as can be', () => {
    expect(madeSize({ min: thou(10), max: thou(10), ideal: thou(10) }, 'thou')).toEqual({ size: thou(10), either: 0 });
    expect(madeSize({ min: thou(10.33), max: thou(10.33), ideal: thou(10.33) }, 'thou')).toEqual({ size: thou(10.33), either: 0 });
  });
});
