import { describe, expect, it } from '@jest/globals';
import { inch, mm, nanometres, thou, type Length } from '../quantity/index.ts';
import {
  fabricateShim,
  fabricateShimSum,
  leafThatFillsMost,
  reachableTotals,
  searchPacks,
  searchPacksSum,
  type DrawerLeaf,
  type PackSearch,
} from './index.ts';
import { refusalOf } from '../testing.ts';

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
    expect(refusalOf(() => searchPacks(one(5), question(12, 9, 10)))).toBe('reversedWindow');
    expect(refusalOf(() => searchPacks(one(0), question(9, 12, 10)))).toBe('badLeaf');
    expect(refusalOf(() => searchPacks(one(5), question(9, 12, 10, { maxLeaves: 7 })))).toBe('tooManyLeaves');
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
  const seeded = (seed: number) => (): number => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;
  it('are as near as trying every pack there is, in forty small drawers', () => {
    const random = seeded(7);
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

  /** Every pack that lands, in the order that is wanted: nearest, fewest leaves, thickest leaf thicker, thicker, then by its leaves from the thickest. */
  function inOrder(drawer: readonly DrawerLeaf[], { min, max, target, maxLeaves }: PackSearch): number[][] {
    const found: number[][] = [];
    const go = (i: number, held: readonly number[]): void => {
      const leaf = drawer[i];
      if (!leaf) {
        const total = held.reduce((sum, t) => sum + t, 0);
        if (total >= min && total <= max) found.push([...held].sort((a, b) => b - a));
        return;
      }
      for (let n = 0; n <= Math.min(maxLeaves - held.length, leaf.quantity); n++) go(i + 1, [...held, ...Array<number>(n).fill(leaf.thickness)]);
    };
    go(0, []);
    const total = (held: readonly number[]): number => held.reduce((sum, t) => sum + t, 0);
    return found.sort(
      (a, b) =>
        Math.abs(total(a) - target) - Math.abs(total(b) - target) ||
        a.length - b.length ||
        (b[0] ?? 0) - (a[0] ?? 0) ||
        total(b) - total(a) ||
        a.reduce<number>((order, t, i) => order || (b[i] ?? 0) - t, 0),
    );
  }
  // thicknesses in few even steps, so that many packs tie
  it('stand in the order of trying every pack there is, ties and all, in sixty drawers', () => {
    const random = seeded(11);
    for (let trial = 0; trial < 60; trial++) {
      const thicknesses = new Set(Array.from({ length: 5 }, () => 1 + Math.floor(random() * 9)));
      const drawer = [...thicknesses].map((t) => ({ thickness: thou(t), quantity: 1 + Math.floor(random() * 4) }));
      const target = 6 + Math.floor(random() * 20);
      const wide = Math.floor(random() * 4);
      const ask = question(target - wide, target + wide, target, { maxLeaves: 1 + Math.floor(random() * 6), keep: 1 + Math.floor(random() * 8) });
      const found = searchPacks(drawer, ask).packs.map((p) => p.leaves.flatMap((l) => Array<number>(l.count).fill(l.thickness)));
      expect({ trial, found }).toEqual({ trial, found: inOrder(drawer, ask).slice(0, ask.keep) });
    }
  });
  it('stand in that order where packs of six tie in all but their middle leaves', () => {
    const drawer = [[1, 2], [2, 3], [4, 2], ...[6, 7, 9, 12].map((t) => [t, 1])].map(([t = 0, quantity = 0]) => ({ thickness: thou(t), quantity }));
    for (const target of [29, 31, 32]) {
      const all = inOrder(drawer, question(target - 1, target, target));
      for (let keep = 1; keep <= all.length + 1; keep += 3) {
        const found = searchPacks(drawer, question(target - 1, target, target, { keep })).packs;
        expect(found.map((p) => p.leaves.flatMap((l) => Array<number>(l.count).fill(l.thickness)))).toEqual(all.slice(0, keep));
      }
    }
  });
  it('come sure ones first, and then the rest, each in that order and none twice', () => {
    const random = seeded(5);
    for (let trial = 0; trial < 40; trial++) {
      const drawer = [1, 2, 3, 5, 8].map((t) => ({ thickness: thou(t), quantity: 1 + Math.floor(random() * 3) }));
      const target = 8 + Math.floor(random() * 9);
      const sure = { min: thou(target - 1), max: thou(target + 1) };
      const ask = question(target - 3, target + 3, target, { sure, maxLeaves: 4, keep: 6 });
      const found = searchPacks(drawer, ask).packs.map((p) => p.leaves.flatMap((l) => Array<number>(l.count).fill(l.thickness)));
      const all = inOrder(drawer, ask);
      const isSure = (held: readonly number[]): boolean => Math.abs(held.reduce((sum, t) => sum + t, 0) - thou(target)) <= thou(1);
      expect({ trial, found }).toEqual({ trial, found: [...all.filter(isSure), ...all.filter((held) => !isSure(held))].slice(0, 6) });
    }
  });
  it('may be of one leaf, of six, and never of none', () => {
    expect(totals(searchPacks(one(5, 6), question(5, 12, 11, { maxLeaves: 1 })).packs)).toEqual([6, 5]);
    expect(totals(searchPacks([{ thickness: thou(2), quantity: 9 }], question(12, 12, 12)).packs)).toEqual([12]);
    expect(refusalOf(() => searchPacks(one(5), question(9, 12, 10, { maxLeaves: 0 })))).toBe('tooManyLeaves');
    expect(searchPacks([{ thickness: thou(5), quantity: 0 }], question(4, 6, 5)).packs).toEqual([]);
  });
  it('where none lands say what is nearest, unless that is nothing at all, and the leaf to make, unless it would tear', () => {
    expect(searchPacks(one(20), question(9, 12, 10.5))).not.toHaveProperty('below');
    expect(searchPacks(one(2), question(9, 12, 10.5))).not.toHaveProperty('above');
    // 50 µm is the thinnest that is made: just that is offered, and nothing thinner
    const thin = (target: Length) =>
      searchPacks([{ thickness: mm(5), quantity: 1 }], { min: target, max: target, target, maxLeaves: 2, keep: 1 }).missing;
    expect(thin(mm(0.05))).toEqual({ thickness: mm(0.05), with: [] });
    expect(thin(mm(0.049))).toBeUndefined();
  });
  it('in their sum name a leaf that is there more than once by how often', () =>
    expect(searchPacksSum([{ thickness: thou(5), quantity: 2 }, ...one(2)], question(12, 12, 12)).map((l) => [l.expression, l.value])).toEqual([
      ['2 ×', thou(5)],
      ['', thou(2)],
      ['Σ', thou(12)],
      ['total − target', 0],
    ]));
  it('by totals are within the tolerance either side, and no farther', () => {
    const made = (tolerance: number) =>
      reachableTotals(one(3), { from: thou(1), to: thou(6), step: thou(1), tolerance: thou(tolerance), maxLeaves: 1 })
        .filter((r) => r.pack)
        .map((r) => r.total / 25_400);
    expect(made(0)).toEqual([3]);
    expect(made(1)).toEqual([2, 3, 4]);
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
      refusalOf(() => fabricateShim({ window: { min: thou(40), max: thou(41), ideal: thou(40.5) }, stock: [{ thickness: thou(31), quantity: 1 }] })),
    ).toBe('noStock');
    expect(refusalOf(() => fabricateShim({ window: { min: thou(4), max: thou(3), ideal: thou(3.5) }, stock: [] }))).toBe('badWindow');
  });
  it('takes an ideal at either end of its window, and refuses one outside, or a window of nothing', () => {
    const plan = (min: number, ideal: number, max: number) => () =>
      fabricateShim({ window: { min: thou(min), ideal: thou(ideal), max: thou(max) }, stock: [{ thickness: thou(30) }] });
    expect(plan(24, 24, 27)()).toEqual({ from: thou(30), takeOff: thou(6), tolerance: 0 });
    expect(plan(24, 27, 27)()).toEqual({ from: thou(30), takeOff: thou(3), tolerance: 0 });
    for (const wrong of [plan(24, 23, 27), plan(24, 28, 27), plan(-3, -1, 0), plan(0, 0, 0)]) expect(refusalOf(wrong)).toBe('badWindow');
  });
  it('is made of something, where a window that holds nothing would do without', () =>
    expect(fabricateShim({ window: { min: thou(-1), max: thou(3), ideal: thou(1) }, stock: [{ thickness: thou(30) }] })).toEqual({
      from: thou(30),
      takeOff: thou(29),
      tolerance: thou(2),
    }));
  it('is lapped from the next stock up, never from what would do as it is', () =>
    expect(
      fabricateShim({ window: { min: thou(24), max: thou(27), ideal: thou(25) }, stock: [{ thickness: thou(50) }, { thickness: thou(28) }] }),
    ).toEqual({ from: thou(28), takeOff: thou(3), tolerance: thou(1) }));
  it('with nothing thick enough says how thick the thickest is, and nothing of it where there is none', () => {
    const told = (stock: readonly { thickness: Length; quantity: number }[]): string => {
      try {
        fabricateShim({ window: { min: thou(24), max: thou(27), ideal: thou(25) }, stock });
        return '';
      } catch (error) {
        return (error as Error).message;
      }
    };
    expect(told([2, 5, 4].map((t) => ({ thickness: thou(t), quantity: 1 })))).toContain('(the thickest is 5.0 thou)');
    expect(told([])).toBe('Nothing in stock is as thick as 25.0 thou: buy thicker, or combine it with a leaf.');
  });
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

describe('the leaf that fills most', () => {
  const range = { from: thou(1), to: thou(8), step: thou(1), tolerance: thou(0), maxLeaves: 2 };
  // by hand, with a 2 and a 5: 2, 5 and 7 are made; 1 3 4 6 8 are not. A 1 fills 1, 3 and 6; a 3: 3, 5 and 8; a 4: 4 and 6; a 6: 6 and 8; an 8: 8
  it('is the one that fills more than any other', () => expect(leafThatFillsMost(one(2, 5), range)).toEqual({ thickness: thou(1), fills: 3, of: 5 }));
  // with a 4 alone, 1 to 4: a 1, a 2 or a 3 fills itself alone
  it('and of equals the thickest, which is the easiest to handle', () =>
    expect(leafThatFillsMost(one(4), { ...range, to: thou(4) })).toEqual({ thickness: thou(3), fills: 1, of: 3 }));
  // 4 and 8 and 12 in steps of 4, made within 1: a 5 is near enough to 4
  it('counts what comes within the tolerance, either side', () => {
    const near = { from: thou(4), to: thou(12), step: thou(4), tolerance: thou(1), maxLeaves: 1 };
    expect(leafThatFillsMost(one(5, 11), near)).toEqual({ thickness: thou(8), fills: 1, of: 1 });
  });
  it('is none where nothing is wanting', () => expect(leafThatFillsMost(one(1, 2, 3), { ...range, to: thou(3) })).toBeNull());
});

describe('a drawer of very many thicknesses', () => {
  // 75 of them, three of each: over seventy thousand handfuls of three. By hand: 1·3 + 2·3 = 9 µm is the least of six
  const drawer = Array.from({ length: 75 }, (_, i) => ({ thickness: nanometres(1_000_000 + 1_000 * (i + 1)), quantity: 3 }));
  it('is looked through exactly, too', () => {
    const sixThinnest = nanometres(6_000_000 + 9_000);
    const found = searchPacks(drawer, { min: nanometres(0), max: sixThinnest, target: sixThinnest, maxLeaves: 6, keep: 1 }).packs[0];
    expect(found).toMatchObject({
      total: sixThinnest,
      leaves: [
        { thickness: 1_002_000, count: 3 },
        { thickness: 1_001_000, count: 3 },
      ],
    });
    const sixThickest = nanometres(6_000_000 + 3 * 75_000 + 3 * 74_000);
    expect(
      searchPacks(drawer, { min: sixThickest, max: nanometres(9_000_000), target: nanometres(9_000_000), maxLeaves: 6, keep: 1 }).packs[0]?.total,
    ).toBe(sixThickest);
  });
});

describe('the ends of a search', () => {
  it('a pack on the very end of the window is in it, and sure on the very end of what is sure', () => {
    expect(totals(searchPacks(one(9, 12), question(9, 12, 10)).packs)).toEqual([9, 12]);
    const sure = { min: thou(9), max: thou(11) };
    expect(totals(searchPacks(one(9, 11, 12), question(8, 12, 12, { sure, maxLeaves: 1 })).packs)).toEqual([11, 9, 12]);
    expect(totals(searchPacks(one(7, 8, 9), question(7, 9, 8, { sure: { min: thou(6), max: thou(8) }, maxLeaves: 1 })).packs)).toEqual([8, 7, 9]);
  });
  it('where nothing can be sure, what is in comes all the same; and a window of less than nothing holds nothing', () => {
    expect(totals(searchPacks(one(6, 25), question(5, 8, 7, { sure: { min: thou(20), max: thou(30) } })).packs)).toEqual([6]);
    expect(searchPacks(one(6), question(-5, -2, -3)).packs).toEqual([]);
  });
  it('where all that is sure fills the answer, nothing else is in it', () => {
    const sure = { min: thou(9), max: thou(11) };
    expect(totals(searchPacks(one(9, 10, 11, 12), question(8, 12, 12, { sure, maxLeaves: 1, keep: 3 })).packs)).toEqual([11, 10, 9]);
    expect(totals(searchPacks(one(9, 10, 11, 12), question(8, 12, 12, { sure, maxLeaves: 1, keep: 2 })).packs)).toEqual([11, 10]);
    expect(totals(searchPacks(one(9, 12, 8), question(8, 12, 12, { sure, maxLeaves: 1, keep: 2 })).packs)).toEqual([9, 12]);
  });
  it('where none lands, the nearest under and over are just that, a nanometre off or more', () => {
    const [min, max] = [thou(9), thou(10)];
    const near = [{ thickness: nanometres(min - 1), quantity: 1 }, { thickness: nanometres(max + 1), quantity: 1 }, ...one(4, 16)];
    const found = searchPacks(near, { min, max, target: thou(9.5), maxLeaves: 1, keep: 1 });
    expect([found.packs.length, found.below?.total, found.above?.total]).toEqual([0, min - 1, max + 1]);
    expect(searchPacks(one(5), question(9, 10, 9.5))).not.toHaveProperty('packs.0');
    // a nanometre past a window of no width is past it
    const past = (nm: number) =>
      searchPacks([{ thickness: nanometres(min + nm), quantity: 1 }], { min, max: min, target: min, maxLeaves: 1, keep: 1 });
    expect([past(1).above?.total, past(1).below, past(-1).below?.total, past(-1).above]).toEqual([min + 1, undefined, min - 1, undefined]);
    // a leaf that is made goes with one fewer from the drawer
    expect(searchPacks(one(4, 3), question(9.9, 10.1, 10, { maxLeaves: 1 })).missing).toEqual({ thickness: thou(10), with: [] });
    expect(searchPacks(one(4, 3), question(9.9, 10.1, 10, { maxLeaves: 3 })).missing).toEqual({
      thickness: thou(3),
      with: [
        { thickness: thou(4), count: 1 },
        { thickness: thou(3), count: 1 },
      ],
    });
    expect(searchPacks(one(4, 3), question(9.9, 10.1, 10, { maxLeaves: 2 })).missing).toEqual({
      thickness: thou(6),
      with: [{ thickness: thou(4), count: 1 }],
    });
  });
});
