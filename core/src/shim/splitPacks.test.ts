import { describe, expect, it } from '@jest/globals';
import * as fc from 'fast-check';
import { nanometres, thou } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { splitPacks, type DrawerLeaf } from './index.ts';

const UNIT = 10_000;
/** leaves on one side */
const MOST = 6;
const leaf = (t: number, quantity = 1): DrawerLeaf => ({ thickness: nanometres(t * UNIT), quantity });

/** How near the left, and then the total, can be brought: every way to put each leaf left, right or nowhere. */
function bruteForce(drawer: readonly DrawerLeaf[], total: number, left: number, tolerance: number): readonly [number, number] | null {
  const each = drawer.flatMap(({ thickness, quantity }) => Array.from({ length: quantity }, () => thickness / UNIT));
  let best: readonly [number, number] | null = null;
  const put = (i: number, l: number, r: number, [onLeft, onRight]: readonly [number, number]): void => {
    if (onLeft > MOST || onRight > MOST) return;
    if (i === each.length) {
      const [a, b] = [Math.abs(l - left), Math.abs(l + r - total)];
      // the left within the tolerance of its own, and the right of what the left leaves of the total
      if (a <= tolerance && b <= tolerance && (best === null || a < best[0] || (a === best[0] && b < best[1]))) best = [a, b];
      return;
    }
    const t = each[i] ?? 0;
    put(i + 1, l + t, r, [onLeft + 1, onRight]);
    put(i + 1, l, r + t, [onLeft, onRight + 1]);
    put(i + 1, l, r, [onLeft, onRight]);
  };
  put(0, 0, 0, [0, 0]);
  return best;
}

describe('one drawer split to two sides', () => {
  it('is as near as every way of putting each leaf left, right or nowhere, on 500 small drawers', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 1, max: 2 })), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 6 }),
        (leaves, total, share, tolerance) => {
          const drawer = [...new Map(leaves).entries()].map(([t, n]) => leaf(t, n));
          const left = Math.round((total * share) / 100);
          const [best] = splitPacks(drawer, {
            total: nanometres(total * UNIT),
            left: nanometres(left * UNIT),
            tolerance: nanometres(tolerance * UNIT),
          });
          const exact = bruteForce(drawer, total, left, tolerance);
          expect(best ? [Math.abs(best.error.left) / UNIT, Math.abs(best.error.total) / UNIT] : null).toEqual(exact);
        },
      ),
      { numRuns: 500 },
    );
  });

  it('uses no leaf twice, and says what each side comes to', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 2, maxLength: 8 }), fc.integer({ min: 2, max: 40 }), (thick, total) => {
        const drawer = [...new Set(thick)].map((t) => leaf(t, 2));
        for (const split of splitPacks(drawer, { total: nanometres(total * UNIT), left: nanometres(UNIT), tolerance: nanometres(3 * UNIT) })) {
          for (const { thickness, quantity } of drawer) {
            const used = [...split.left, ...split.right].filter((l) => l.thickness === thickness).reduce((sum, l) => sum + l.count, 0);
            expect(used).toBeLessThanOrEqual(quantity);
          }
          const sum = (leaves: typeof split.left): number => leaves.reduce((all, l) => all + l.thickness * l.count, 0);
          expect([sum(split.left), sum(split.right)]).toEqual([split.leftTotal, split.rightTotal]);
          expect(split.error).toEqual({ left: split.leftTotal - UNIT, total: split.leftTotal + split.rightTotal - total * UNIT });
        }
      }),
    );
  });

  it('moves a shaft 4 thou across with its bearings as they were', () => {
    // 20 and 20 are in; 4 to the left: 16 and 24, from 10+6 and 20+4
    const drawer = [thou(20), thou(10), thou(6), thou(4)].map((thickness): DrawerLeaf => ({ thickness, quantity: 1 }));
    expect(splitPacks(drawer, { total: thou(40), left: thou(16), tolerance: thou(0.5), keep: 1 })).toEqual([
      {
        left: [
          { thickness: thou(10), count: 1 },
          { thickness: thou(6), count: 1 },
        ],
        right: [
          { thickness: thou(20), count: 1 },
          { thickness: thou(4), count: 1 },
        ],
        leftTotal: thou(16),
        rightTotal: thou(24),
        error: { left: 0, total: 0 },
      },
    ]);
  });

  it('says how far off a side is that is wanted less than nothing', () => {
    // both 4, the left 4, from a 6 and a 1: the 6 alone is 2 over; with the 1 beside it, 3
    const drawer = [leaf(6), leaf(1)];
    const [best, next] = splitPacks(drawer, { total: nanometres(4 * UNIT), left: nanometres(4 * UNIT), tolerance: nanometres(3 * UNIT) });
    expect([best?.right, best?.error]).toEqual([[], { left: 2 * UNIT, total: 2 * UNIT }]);
    expect([next?.rightTotal, next?.error]).toEqual([UNIT, { left: 2 * UNIT, total: 3 * UNIT }]);
  });

  it('has none where none comes near, and refuses a side that is more than both', () => {
    expect(splitPacks([leaf(10)], { total: nanometres(30 * UNIT), left: nanometres(15 * UNIT), tolerance: nanometres(UNIT) })).toEqual([]);
    expect(splitPacks([], { total: nanometres(0), left: nanometres(0), tolerance: nanometres(0) })).toHaveLength(1);
    const refused = { total: thou(10), left: thou(11), tolerance: thou(1) };
    expect(refusalOf(() => splitPacks([], refused))).toBe('notASplit');
    expect(refusalOf(() => splitPacks([], { ...refused, left: thou(-1) }))).toBe('notASplit');
  });
});
