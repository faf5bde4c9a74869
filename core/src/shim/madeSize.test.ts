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
});
