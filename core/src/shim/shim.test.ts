import { describe, expect, it } from '@jest/globals';
import { inch, mm, nanometres, thou, type Length } from '../quantity/index.ts';
import {
  fabricateShim,
  fabricateShimSum,
  leafThatFillsMost,
  parseLeaves,
  parsePack,
  reachableTotals,
  searchPacks,
  searchPacksSum,
  type DrawerLeaf,
  type PackSearch,
} from './index.ts';

const code = (run: () => unknown): string => {
  try {
    run();
    return 'no refusal';
  } catch (error) {
    return (error as { code?: string }).code ?? String(error);
  }
};
const one = (...thicknesses: number[]): DrawerLeaf[] => thicknesses.map((t) => ({ thickness: thou(t), quantity: 1 }));
const question = (min: number, max: number, target: number, rest: Partial<PackSearch> = {}): PackSearch => ({
  min: thou(min),
  max: thou(max),
  target: thou(target),
  maxLeaves: 6,
  keep: 3,
  ...rest,
});
const totals = (packs: readonly { total: Length }[]): number[] => packs.map((p) => p.total / 25_400);

describe('packs from the drawer', () => {
  it('come nearest the target first: 6 + 4 before 12 for 10½ in 9 to 12', () => {
    const { packs } = searchPacks(one(6, 4, 12, 20), question(9, 12, 10.5));
    expect(totals(packs)).toEqual([10, 12]);
    expect(packs[0]?.leaves.map((l) => l.thickness / 25_400)).toEqual([6, 4]);
    expect(packs[0]?.error).toBe(thou(-0.5));
  });
  it('prefer fewer leaves, then a thicker thickest leaf, where they come as near', () => {
    const { packs } = searchPacks(one(10, 5, 6, 4, 3, 2), question(9, 11, 10));
    expect(packs.map((p) => p.leaves.map((l) => l.thickness / 25_400))).toEqual([[10], [6, 4], [5, 3, 2]]);
  });
  it('rank what is sure before what is only in', () => {
    const { packs } = searchPacks(one(9, 10), question(8.5, 12, 9, { sure: { min: thou(9.6), max: thou(11.4) } }));
    expect(totals(packs)).toEqual([10, 9]);
  });
  it('never use a leaf more often than there is', () => {
    const { packs } = searchPacks([{ thickness: thou(5), quantity: 2 }], question(14, 16, 15));
    expect(packs).toEqual([]);
    expect(totals(searchPacks([{ thickness: thou(5), quantity: 3 }], question(14, 16, 15)).packs)).toEqual([15]);
    expect(
      totals(
        searchPacks(
          [
            { thickness: thou(5), quantity: 1 },
            { thickness: thou(5), quantity: 2 },
          ],
          question(14, 16, 15),
        ).packs,
      ),
    ).toEqual([15]);
  });
  it('can be nothing at all where the window holds nothing', () =>
    expect(searchPacks(one(5), question(0, 2, 0)).packs[0]).toMatchObject({ leaves: [], total: 0 }));
  it('mix both systems exactly: 0.20 mm and 6 thou', () => {
    const { packs } = searchPacks(
      [
        { thickness: mm(0.2), quantity: 1 },
        { thickness: thou(6), quantity: 1 },
      ],
      question(13, 15, 14),
    );
    expect(packs[0]?.total).toBe(352_400);
  });
  // 3 and 5 thou shims make 3, 5, 6, 8, 9, 10 … never 1, 2, 4, 7 (arithmetic)
  it('of 3 and 5 never make 1, 2, 4 or 7: the nearest either side is named, and the one leaf that would do', () => {
    const drawer = [
      { thickness: thou(3), quantity: 6 },
      { thickness: thou(5), quantity: 6 },
    ];
    const made = reachableTotals(drawer, { from: thou(1), to: thou(10), step: thou(1), tolerance: thou(0), maxLeaves: 6 })
      .filter((r) => r.pack)
      .map((r) => r.total / 25_400);
    expect(made).toEqual([3, 5, 6, 8, 9, 10]);
    const found = searchPacks(drawer, question(6.8, 7.2, 7));
    expect(found.packs).toEqual([]);
    expect([found.below?.total, found.above?.total]).toEqual([thou(6), thou(8)]);
    expect(found.missing).toMatchObject({ thickness: thou(2), with: [{ thickness: thou(5), count: 1 }] });
  });
  it('show their sum, and an empty one when none lands', () => {
    expect(searchPacksSum(one(6, 4), question(9, 12, 10.5)).map((l) => l.value)).toEqual([thou(6), thou(4), thou(10), thou(-0.5)]);
    expect(searchPacksSum(one(2), question(9, 12, 10.5))).toEqual([]);
  });
  it('refuse a window back to front, a leaf of nothing, and more than six leaves', () => {
    expect(code(() => searchPacks(one(5), question(12, 9, 10)))).toBe('reversedWindow');
    expect(code(() => searchPacks(one(0), question(9, 12, 10)))).toBe('badLeaf');
    expect(code(() => searchPacks(one(5), question(9, 12, 10, { maxLeaves: 7 })))).toBe('tooManyLeaves');
  });

  /** Every multiset, one by one: slow and obvious. */
  function bruteForce(drawer: readonly DrawerLeaf[], target: number, maxLeaves: number): number {
    let best = Infinity;
    const go = (i: number, left: number, total: number): void => {
      best = Math.min(best, Math.abs(total - target));
      const leaf = drawer[i];
      if (!leaf) return;
      for (let n = 0; n <= Math.min(left, leaf.quantity); n++) go(i + 1, left - n, total + n * leaf.thickness);
    };
    go(0, maxLeaves, 0);
    return best;
  }
  it('are as near as trying every pack there is, in forty small drawers', () => {
    let seed = 7;
    const random = (): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;
    for (let trial = 0; trial < 40; trial++) {
      const drawer = Array.from({ length: 9 }, () => ({
        thickness: nanometres(50_000 + Math.floor(random() * 5_000) * 100),
        quantity: 1 + Math.floor(random() * 3),
      }));
      const target = nanometres(200_000 + Math.floor(random() * 18_000) * 100);
      const { packs } = searchPacks(drawer, { min: nanometres(0), max: nanometres(10_000_000), target, maxLeaves: 5, keep: 1 });
      expect(Math.abs(packs[0]?.error ?? NaN)).toBe(bruteForce(drawer, target, 5));
    }
  });
});

describe('a shim made', () => {
  it('0.0255 in, ±.0015: from 0.031 stock take off 5½ thou', () => {
    const window = { min: inch(0.024), max: inch(0.027), ideal: inch(0.0255) };
    expect(fabricateShim({ window, stock: [{ thickness: inch(0.031) }, { thickness: inch(0.047) }] })).toEqual({
      from: inch(0.031),
      takeOff: thou(5.5),
      tolerance: thou(1.5),
    });
    expect(fabricateShimSum({ window, stock: [{ thickness: inch(0.031) }] }).map((l) => l.value)).toEqual([
      inch(0.031),
      inch(0.0255),
      thou(5.5),
      thou(1.5),
    ]);
  });
  it('of stock that lands as it is needs no lapping', () => {
    const plan = fabricateShim({
      window: { min: thou(9), max: thou(11), ideal: thou(10) },
      stock: [{ thickness: thou(5) }, { thickness: thou(31) }],
    });
    expect(plan).toEqual({ leaves: [{ thickness: thou(5), count: 2 }], total: thou(10) });
    expect(fabricateShimSum({ window: { min: thou(9), max: thou(11), ideal: thou(10) }, stock: [{ thickness: thou(5) }] }).at(-1)?.value).toBe(
      thou(10),
    );
  });
  it('cannot be lapped from thinner stock, nor for a window back to front', () => {
    expect(
      code(() => fabricateShim({ window: { min: thou(40), max: thou(41), ideal: thou(40.5) }, stock: [{ thickness: thou(31), quantity: 1 }] })),
    ).toBe('noStock');
    expect(code(() => fabricateShim({ window: { min: thou(4), max: thou(3), ideal: thou(3.5) }, stock: [] }))).toBe('badWindow');
  });
});

describe('a line of leaves', () => {
  it('4×3 2×5 thou, 0.20×2 mm is three lots', () => {
    expect(parseLeaves('4×3 2×5 thou, 0.20×2 mm', 'thou').map(({ thickness, quantity, unit }) => [thickness, quantity, unit])).toEqual([
      [thou(4), 3, 'thou'],
      [thou(2), 5, 'thou'],
      [mm(0.2), 2, 'mm'],
    ]);
  });
  it('takes x or * for times, a half, a lone leaf, and says when a bare 0.10 was taken for mm', () => {
    expect(parseLeaves('2x1 5 * 2 10½', 'thou').map((l) => [l.thickness, l.quantity])).toEqual([
      [thou(2), 1],
      [thou(5), 2],
      [thou(10.5), 1],
    ]);
    expect(parseLeaves('2×1 5×2 thou, 0.10×2', 'thou')[2]).toMatchObject({ thickness: mm(0.1), quantity: 2, guessed: true, unit: 'mm' });
  });
  it.each([
    ['', 'empty'],
    ['4×0', 'badCount'],
    ['4×1.5', 'badCount'],
    ['fish', 'notALot'],
    ['4×3×2', 'notLeaves'],
    ['0×3', 'badLeaf'],
  ])('refuses “%s”', (text, expected) => {
    const got = code(() => parseLeaves(text, 'thou'));
    expect(expected === 'notALot' ? ['notLeaves', 'notANumber'] : [expected]).toContain(got);
  });
});

describe('a pack as it is said', () => {
  it('20+8, 10½, 0.20 + 6 thou, none', () => {
    expect(parsePack('20+8', 'thou').map((l) => l.thickness)).toEqual([thou(20), thou(8)]);
    expect(parsePack('10½', 'thou').map((l) => l.thickness)).toEqual([thou(10.5)]);
    expect(parsePack('0.20 mm + 6 thou', 'thou').map((l) => l.thickness)).toEqual([mm(0.2), thou(6)]);
    expect(parsePack('0.50+3+3', 'thou').map((l) => l.thickness)).toEqual([mm(0.5), thou(3), thou(3)]);
    expect(parsePack('none', 'thou')).toEqual([]);
  });
  it('is never less than nothing', () => expect(code(() => parsePack('-3', 'thou'))).toBe('negativePack'));
});

describe('the one leaf that would fill most', () => {
  it('of 3s and 5s lacking 1, 2, 4 and 7 is found by trying each', () => {
    const range = { from: thou(1), to: thou(10), step: thou(1), tolerance: thou(0), maxLeaves: 3 };
    const drawer = [
      { thickness: thou(3), quantity: 2 },
      { thickness: thou(5), quantity: 2 },
    ];
    // by hand: 3 5 6 8 10 11 are made; of 1 2 4 7 9 a 4 fills 4, 7 (4+3) and 9 (4+5); a 1 fills 1, 4, 7 (1+3+3) and 9 (1+3+5); a 2 fills 2, 7 (2+5)
    expect(leafThatFillsMost(drawer, range)).toEqual({ thickness: thou(1), fills: 4, of: 5 });
    expect(leafThatFillsMost([{ thickness: thou(1), quantity: 10 }], { ...range, to: thou(3) })).toBeNull();
  });
});
