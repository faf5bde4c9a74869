import { createRequire } from 'node:module';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { mm, nanometres, thou, type Length } from '../quantity/index.ts';
import { solveShaft, type ShaftSolution, type SolverGap, type SolverQuestion, type SolverSlot } from './index.ts';

const UNIT = 1_000;
const um = (n: number): Length => nanometres(n * UNIT);

/** A shaft of a few slots and gaps that share them, in whole µm; small enough to be tried set by set. */
const shafts = fc
  .tuple(
    fc.integer({ min: 1, max: 3 }),
    fc.integer({ min: 1, max: 3 }),
    fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 15, maxLength: 15 }),
    fc.array(fc.constantFrom(-2, -1, -1, 0, 1, 1, 2), { minLength: 9, maxLength: 9 }),
    fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 9, maxLength: 9 }),
    fc.array(fc.integer({ min: 1, max: 2 }), { minLength: 15, maxLength: 15 }),
    fc.array(fc.constantFrom(0, 0, 6), { minLength: 3, maxLength: 3 }),
    fc.boolean(),
  )
  .map(([slotCount, gapCount, sizes, coefficients, figures, counts, laps, isAimed]): SolverQuestion => {
    const slots = Array.from({ length: slotCount }, (_, s): SolverSlot => {
      const choices = Array.from({ length: 5 }, (_, c) => ({ id: `s${s}c${c}`, thickness: um(40 + (sizes[s * 5 + c] ?? 0)) }));
      return { id: `s${s}`, choices, fitted: [`s${s}c0`], lap: um(laps[s] ?? 0) };
    });
    const gaps = Array.from({ length: gapCount }, (_, g): SolverGap => {
      const by = Object.fromEntries(slots.map((slot, s) => [slot.id, coefficients[g * 3 + s] ?? 0]));
      const middle = slots.reduce((sum, slot) => sum + (by[slot.id] ?? 0) * 70, 0);
      const min = figures[g] ?? 0;
      return {
        id: `g${g}`,
        constant: um(20 + (figures[g + 3] ?? 0) - middle),
        coefficients: by,
        limits: { min: um(min), max: um(min + 4 + (figures[g + 6] ?? 0) / 2) },
        ...(isAimed ? { aim: { at: 'middle' as const } } : {}),
      };
    });
    const stock = Object.fromEntries(slots.flatMap((slot, s) => slot.choices.map((choice, c) => [choice.id, counts[s * 5 + c] ?? 1])));
    return { gaps, slots, stock, keep: 1 };
  });

interface Tried {
  readonly margin: number;
  readonly off: number;
  readonly fresh: number;
  readonly lapped: number;
}

/** Every set there is, one after another; laps in steps of `step` µm. */
function bruteForce({ gaps, slots }: SolverQuestion, step: number | null): { readonly fitting: Tried[]; readonly best: number } {
  const fitting: Tried[] = [];
  let best = -Infinity;
  const walk = (s: number, thickness: Record<string, number>, fresh: number, lapped: number): void => {
    const slot = slots[s];
    if (!slot) {
      const values = gaps.map((g) => slots.reduce((sum, { id }) => sum + (g.coefficients[id] ?? 0) * (thickness[id] ?? 0), g.constant as number));
      const margin = Math.min(...values.map((v, i) => Math.min(v - (gaps[i]?.limits.min ?? 0), (gaps[i]?.limits.max ?? 0) - v)));
      const off = values.reduce((sum, v, i) => sum + Math.abs(v - ((gaps[i]?.limits.min ?? 0) + (gaps[i]?.limits.max ?? 0)) / 2), 0);
      best = Math.max(best, margin);
      if (margin >= 0) fitting.push({ margin, off, fresh, lapped });
      return;
    }
    for (const choice of slot.choices)
      for (let lap = 0; lap <= (step === null ? 0 : (slot.lap ?? 0)); lap += step === null ? 1 : step * UNIT)
        walk(s + 1, { ...thickness, [slot.id]: choice.thickness - lap }, fresh + Number(!slot.fitted?.includes(choice.id)), lapped + lap);
  };
  walk(0, {}, 0, 0);
  return { fitting, best };
}

const worth = (set: Tried, isAimed: boolean): readonly number[] => [isAimed ? set.off : -set.margin, set.fresh, set.lapped];
const least = (sets: readonly Tried[], isAimed: boolean): readonly number[] | undefined =>
  sets.map((set) => worth(set, isAimed)).sort((a, b) => (a[0] ?? 0) - (b[0] ?? 0) || (a[1] ?? 0) - (b[1] ?? 0) || (a[2] ?? 0) - (b[2] ?? 0))[0];

const freshOf = ({ slots }: SolverQuestion, { picks }: ShaftSolution): number =>
  slots.reduce((sum, { id, fitted }) => sum + (picks[id] ?? []).filter((pick) => !fitted?.includes(pick)).length, 0);
const offOf = ({ gaps }: SolverQuestion, set: ShaftSolution): number =>
  gaps.reduce((sum, g) => sum + Math.abs((set.gaps[g.id] ?? 0) - ((g.limits.min ?? 0) + (g.limits.max ?? 0)) / 2), 0);

/** What a set says of itself is what its parts come to. */
function checkSums({ gaps, slots }: SolverQuestion, { picks, laps, gaps: said, margin }: ShaftSolution): void {
  const thickness = (slot: SolverSlot): number =>
    (picks[slot.id] ?? []).reduce((sum, id) => sum + (slot.choices.find((c) => c.id === id)?.thickness ?? NaN), 0) - (laps[slot.id] ?? 0);
  const values = gaps.map((g) => slots.reduce((sum, slot) => sum + (g.coefficients[slot.id] ?? 0) * thickness(slot), g.constant as number));
  expect(gaps.map((g) => said[g.id])).toEqual(values);
  expect(margin).toBe(Math.min(...values.map((v, i) => Math.min(v - (gaps[i]?.limits.min ?? 0), (gaps[i]?.limits.max ?? 0) - v))));
  for (const slot of slots) expect(laps[slot.id] ?? 0).toBeLessThanOrEqual(slot.lap ?? 0);
}

describe('the parts of a whole shaft', () => {
  it('are as good as any, on 2000 random small shafts tried set by set', () => {
    fc.assert(
      fc.property(shafts, (question) => {
        const isAimed = question.gaps[0]?.aim !== undefined;
        const { solutions, nearest } = solveShaft(question);
        const plain = bruteForce(question, null);
        const [first] = solutions;
        if (plain.fitting.length > 0) {
          expect(first && [isAimed ? offOf(question, first) : -first.margin, freshOf(question, first), 0]).toEqual(least(plain.fitting, isAimed));
          expect(first?.laps).toEqual({});
          if (first) checkSums(question, first);
          return;
        }
        // the laps of a trial stand 1 µm apart: what is reckoned is as good as any of them
        const lapped = bruteForce(question, 1);
        const [bestLapped] = [least(lapped.fitting, isAimed)];
        if (bestLapped) {
          expect(first).toBeDefined();
          if (first) {
            checkSums(question, first);
            expect(isAimed ? offOf(question, first) : -first.margin).toBeLessThanOrEqual((bestLapped[0] ?? 0) + 1e-6);
            // and never better than can be: half the narrowest window
            expect(first.margin).toBeLessThanOrEqual(Math.min(...question.gaps.map((g) => ((g.limits.max ?? 0) - (g.limits.min ?? 0)) / 2)));
          }
        } else if (!first) {
          expect(nearest?.outside).toBeLessThanOrEqual(-lapped.best + 1e-6);
          expect(nearest?.outside).toBeGreaterThan(0);
        }
      }),
      { numRuns: 2000, seed: 1 },
    );
  }, 300_000);

  interface Highs {
    solve(programme: string, options: object): { Status: string; ObjectiveValue: number };
  }
  const loadHighs = createRequire(import.meta.url)('highs') as () => Promise<Highs>;
  const large = (seed: number): SolverQuestion => {
    let state = seed * 2_654_435_761 + 1;
    const next = (n: number): number => {
      state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
      return state % n;
    };
    const slots = Array.from({ length: 5 }, (_, s): SolverSlot => {
      const choices = Array.from({ length: 10 }, (_, c) => ({ id: `s${s}c${c}`, thickness: um(2_500 + 10 * next(60)) }));
      return { id: `s${s}`, choices, fitted: ['s0c0'], lap: um(s === 0 ? 40 : 0) };
    });
    const by = [
      [1, -1, 0, 0, 1],
      [0, 1, -1, 1, 0],
      [-1, 0, 1, 0, -1],
    ];
    const gaps = by.map((row, g): SolverGap => {
      const middle = row.reduce((sum, c) => sum + c * 2_800, 0);
      const min = 40 + next(60);
      return {
        id: `g${g}`,
        constant: um(100 + next(120) - middle),
        coefficients: Object.fromEntries(slots.map((slot, s) => [slot.id, row[s] ?? 0])),
        limits: { min: um(min), max: um(min + 20 + next(40)) },
      };
    });
    return { gaps, slots, stock: Object.fromEntries(slots.flatMap((s) => s.choices.map((c) => [c.id, 1]))), keep: 1 };
  };
  /** The same question for an integer-programme solver: greatest margin, µm, laps as they come. */
  const asProgramme = ({ gaps, slots }: SolverQuestion): string => {
    const term = (c: number, name: string): string => `${c < 0 ? '-' : '+'} ${Math.abs(c)} ${name}`;
    const thickness = (slot: SolverSlot, c: number): string =>
      [
        ...slot.choices.map((choice) => term((c * choice.thickness) / UNIT, `x_${choice.id}`)),
        ...((slot.lap ?? 0) > 0 ? [term(-c, `lap_${slot.id}`)] : []),
      ].join(' ');
    const rows = gaps.flatMap((g, i) => {
      const form = slots.flatMap((slot) => ((g.coefficients[slot.id] ?? 0) === 0 ? [] : [thickness(slot, g.coefficients[slot.id] ?? 0)])).join(' ');
      return [
        `low${i}: ${form} - t >= ${((g.limits.min ?? 0) - g.constant) / UNIT}`,
        `high${i}: ${form} + t <= ${((g.limits.max ?? 0) - g.constant) / UNIT}`,
      ];
    });
    const one = slots.map((slot) => `one_${slot.id}: ${slot.choices.map((c) => `+ 1 x_${c.id}`).join(' ')} = 1`);
    const bounds = slots.flatMap((slot) => ((slot.lap ?? 0) > 0 ? [`0 <= lap_${slot.id} <= ${(slot.lap ?? 0) / UNIT}`] : []));
    return `Maximize\n obj: t\nSubject To\n ${[...rows, ...one].join('\n ')}\nBounds\n -100000 <= t\n ${bounds.join('\n ')}\nBinary\n ${slots.flatMap((s) => s.choices.map((c) => `x_${c.id}`)).join(' ')}\nEnd`;
  };
  it('have the margin an integer-programme solver finds (HiGHS, zero gap), on 50 of five slots and three gaps that share them', async () => {
    const highs = await loadHighs();
    for (let seed = 0; seed < 50; seed++) {
      const question = large(seed);
      const { solutions } = solveShaft({ ...question, slots: question.slots.map((s) => ({ ...s, lap: nanometres(0) })) });
      const { solutions: lapped } = solveShaft(question);
      const plain = highs.solve(asProgramme({ ...question, slots: question.slots.map((s) => ({ ...s, lap: nanometres(0) })) }), {
        mip_rel_gap: 0,
        mip_abs_gap: 0,
      });
      if (plain.ObjectiveValue >= 0) expect([seed, (solutions[0]?.margin ?? NaN) / UNIT]).toEqual([seed, expect.closeTo(plain.ObjectiveValue, 3)]);
      else {
        expect(solutions).toEqual([]);
        const relaxed = highs.solve(asProgramme(question), { mip_rel_gap: 0, mip_abs_gap: 0 });
        if (relaxed.ObjectiveValue >= 0.002)
          expect([seed, (lapped[0]?.margin ?? NaN) / UNIT]).toEqual([seed, expect.closeTo(relaxed.ObjectiveValue, 2)]);
        else if (relaxed.ObjectiveValue < -0.002) expect(lapped).toEqual([]);
      }
    }
  }, 300_000);
});

/** The example of a sleeve and its gears: washers either end of a bush, and the ends of the bush under two gears. Thou, by hand. */
describe('a sleeve between washers, with two gears on its bush', () => {
  const washer = (t: number): { id: string; thickness: Length } => ({ id: String(t), thickness: thou(t) });
  // washers 127 and 123 in, sleeve float 17, 3 to 8 wanted in the middle; gears 4 and 7 of 4 to 7, wanted tight
  const question: SolverQuestion = {
    gaps: [
      {
        id: 'sleeve',
        constant: thou(17 + 127 + 123),
        coefficients: { a: -1, b: -1, rear: -1 },
        limits: { min: thou(3), max: thou(8) },
        aim: { at: 'middle' },
      },
      { id: 'front', constant: thou(4), coefficients: {}, limits: { min: thou(4), max: thou(7) }, aim: { at: 'tight' } },
      { id: 'rear', constant: thou(7), coefficients: { rear: 1 }, limits: { min: thou(4), max: thou(7) }, aim: { at: 'tight' } },
    ],
    slots: [
      { id: 'a', choices: [washer(127), washer(135)], fitted: ['127'] },
      { id: 'b', choices: [washer(123), washer(130)], fitted: ['123'] },
      // the bush is there and may be lapped: it counts by what comes off it
      { id: 'rear', choices: [{ id: 'bush', thickness: nanometres(0) }], fitted: ['bush'], lap: thou(6) },
    ],
    stock: { 127: 1, 135: 1, 123: 1, 130: 1, bush: 1 },
  };
  it('wants 135 and 130, which leave 2, and 3 off the bush, which makes it 5', () => {
    const { solutions } = solveShaft(question);
    expect(solutions[0]).toMatchObject({
      picks: { a: ['135'], b: ['130'] },
      laps: { rear: thou(3) },
      gaps: { sleeve: thou(5), front: thou(4), rear: thou(4) },
    });
  });
  it('with no lapping has no set, says the nearest, and the one washer to buy', () => {
    const plain = solveShaft({ ...question, slots: question.slots.map((s) => ({ ...s, lap: nanometres(0) })) });
    expect(plain.solutions).toEqual([]);
    // 135 and 130 leave 2, one short; 135 and 123 leave 9, one over, and only one of them is new
    expect(plain.nearest).toMatchObject({ picks: { a: ['135'], b: ['123'] }, outside: thou(1), gaps: { sleeve: thou(9) } });
    // 5½ is the middle: 267 − 5½ is 261½, less the 130 or the 123 that is there
    expect(plain.buy).toMatchObject({ gaps: { sleeve: thou(5.5) } });
    expect([thou(131.5), thou(138.5), thou(134.5), thou(126.5)]).toContain(plain.buy?.thickness);
  });
  it('a supplier’s range is bought from, and nothing between its steps', () => {
    const supply = { from: mm(3.2), to: mm(3.6), step: mm(0.04) };
    const { buy } = solveShaft({ ...question, supply, slots: question.slots.map((s) => ({ ...s, lap: nanometres(0) })) });
    expect(((buy?.thickness ?? 0) - mm(3.2)) % mm(0.04)).toBe(0);
    expect(buy?.gaps.sleeve).toBeGreaterThanOrEqual(thou(3));
    expect(buy?.gaps.sleeve).toBeLessThanOrEqual(thou(8));
  });
  it('what is fixed stays, is not bought, and the rest is chosen round it', () => {
    const slots = question.slots.map((s) => ({ ...s, lap: nanometres(0), ...(s.id === 'a' ? { isFixed: true } : {}) }));
    const { solutions, nearest, buy } = solveShaft({ ...question, slots });
    const stays = question.slots.find((s) => s.id === 'a')?.fitted ?? [];
    for (const set of [...solutions, ...(nearest ? [nearest] : [])]) expect(set.picks.a).toEqual(stays);
    expect(buy?.slot).not.toBe('a');
  });
  it('what can be had for one place is bought for that place, and any for the others', () => {
    const none = { from: mm(30), to: mm(30), step: mm(1) };
    const slots = question.slots.map((s) => ({ ...s, lap: nanometres(0), ...(s.id === 'a' ? { supply: none } : {}) }));
    expect(solveShaft({ ...question, slots }).buy?.slot).not.toBe('a');
    const range = { from: mm(3.2), to: mm(3.6), step: mm(0.04) };
    const ranged = question.slots.map((s) => ({ ...s, lap: nanometres(0), supply: s.id === 'a' ? range : none }));
    const { buy } = solveShaft({ ...question, slots: ranged });
    expect([buy?.slot, ((buy?.thickness ?? 0) - mm(3.2)) % mm(0.04)]).toEqual(['a', 0]);
  });
});

describe('what a shaft is solved with', () => {
  const washers = {
    id: 'p',
    choices: [
      { id: 'a', thickness: mm(3.9) },
      { id: 'b', thickness: mm(3.95) },
    ],
  };
  const gap: SolverGap = { id: 'float', constant: mm(4.05), coefficients: { p: -1 }, limits: { min: mm(0.05), max: mm(0.15) } };
  it('is what there is: a washer that is not on hand is not offered, and one is not used twice', () => {
    expect(solveShaft({ gaps: [gap], slots: [washers], stock: { a: 1, b: 0 } }).solutions.map((s) => s.picks)).toEqual([{ p: ['a'] }]);
    const two: SolverQuestion = {
      gaps: [{ ...gap, constant: mm(7.95), coefficients: { p: -1, q: -1 } }],
      slots: [washers, { ...washers, id: 'q' }],
      stock: { a: 1, b: 1 },
    };
    expect(solveShaft(two).solutions.map((s) => [s.picks.p, s.picks.q].flat().sort())).toEqual([
      ['a', 'b'],
      ['a', 'b'],
    ]);
  });
  it('may be more than one leaf, where the slot takes more', () => {
    const pack: SolverQuestion = {
      gaps: [{ ...gap, constant: mm(1), limits: { min: mm(0.1), max: mm(0.2) } }],
      slots: [
        {
          id: 'p',
          choices: [
            { id: 'x', thickness: mm(0.5) },
            { id: 'y', thickness: mm(0.35) },
          ],
          least: 0,
          most: 3,
        },
      ],
      stock: { x: 2, y: 1 },
    };
    expect(solveShaft(pack).solutions.map((s) => s.picks.p)).toEqual([['x', 'y']]);
  });
  it('says the chance that all are in, where doubts are known: 0.95 ± 0.05 of a normal each side is 95.4 %', () => {
    const { solutions } = solveShaft({ gaps: [{ ...gap, u: 25_000 }], slots: [washers], stock: { a: 1, b: 1 } });
    // 0.10 in 0.05 to 0.15, two standard uncertainties either way (normal tables: 0.9545)
    expect(solutions[0]).toMatchObject({ picks: { p: ['b'] }, margin: mm(0.05), chance: expect.closeTo(0.9545, 3) });
  });
  it('is refused with nothing to solve, or nothing to solve it by', () => {
    expect(() => solveShaft({ gaps: [], slots: [washers], stock: {} })).toThrow(expect.objectContaining({ code: 'nothingToSolve' }));
    expect(() => solveShaft({ gaps: [{ ...gap, limits: {} }], slots: [washers], stock: { a: 1 } })).toThrow(
      expect.objectContaining({ code: 'noLimits' }),
    );
  });
  it('stops when it is told to, and says so', () => {
    const slots = Array.from({ length: 5 }, (_, s) => ({
      id: `s${s}`,
      choices: Array.from({ length: 40 }, (_, c) => ({ id: `s${s}c${c}`, thickness: mm(3 + c / 1000) })),
    }));
    const gaps = [
      { id: 'g', constant: mm(15.2), coefficients: Object.fromEntries(slots.map((s) => [s.id, -1])), limits: { min: mm(0.0995), max: mm(0.1005) } },
    ];
    const stock = Object.fromEntries(slots.flatMap((s) => s.choices.map((c) => [c.id, 1])));
    let asked = 0;
    const { stopped } = solveShaft({ gaps, slots, stock, keep: 5_000 }, () => ++asked > 1);
    expect(stopped).toBe(true);
  });
});
