import { describe, expect, it } from '@jest/globals';
import { repeatsOf } from '../reading/index.ts';
import { chances, refusalOf } from '../testing.ts';
import { crushSleeveLog, crushSleeveLogSum, type SleeveStep } from './crushSleeveLog.ts';

const LIMITS = { min: 2, max: 2.7 };
const log = (...steps: (readonly [degrees: number, drag: number | null])[]): SleeveStep[] => steps.map(([degrees, drag]) => ({ degrees, drag }));

describe('a crush sleeve drawn up by its drag', () => {
  it('begins with a quarter of a flat, of which nobody knows yet what it does', () => {
    const begun = crushSleeveLog({ limits: LIMITS, steps: log([0, 0.1]), division: 0.05 });
    expect(begun).toMatchObject({ state: 'go', perDegree: null, next: { degrees: 15 } });
    expect(crushSleeveLog({ limits: LIMITS, steps: [], division: 0.05 })).toMatchObject({ state: 'read', now: null });
  });
  it('asks for the reading of a turn that was made', () =>
    expect(crushSleeveLog({ limits: LIMITS, steps: log([0, 0.1], [15, null]), division: 0.05 })).toMatchObject({ state: 'read' }));
  it('turns half a flat at most, and never half as long again as the last', () => {
    const next = (...steps: Parameters<typeof log>): number | undefined =>
      crushSleeveLog({ limits: LIMITS, steps: log(...steps), division: 0.01 }).next?.degrees;
    expect(next([0, 0.1], [15, 0.15])).toBe(22);
    expect(next([0, 0.1], [15, 0.15], [22, 0.24])).toBe(30);
    expect(next([0, 0.1], [15, 0.15], [22, 0.24], [30, 0.36])).toBe(30);
  });
  it('forecasts along what the last turns did, with its doubt and its chance of being over, and never surely', () => {
    // a straight 0.02 N·m a degree: 1.3 at 60; aimed at 2.35, but three deviations of doubt stay under the most
    const { next, perDegree, now } = crushSleeveLog({ limits: LIMITS, steps: log([0, 0.1], [20, 0.5], [20, 0.9], [20, 1.3]), division: 0.02 });
    expect(now?.value).toBeCloseTo(1.3, 1);
    expect(perDegree).toBeGreaterThan(0.018);
    expect(perDegree).toBeLessThan(0.024);
    expect(next?.forecast.value).toBeGreaterThan(1.3 + 0.018 * (next?.degrees ?? 0));
    expect((next?.forecast.value ?? 9) + 3 * (next?.forecast.u ?? 9)).toBeLessThan(2.7);
    expect(next?.chanceOver).toBeGreaterThanOrEqual(0);
    expect(next?.chanceOver).toBeLessThan(0.01);
  });
  it('stops short of the most by what a reading may be wrong', () => {
    const { u } = repeatsOf([0], { resolution: 0.05, calibrationU: 0 });
    expect(crushSleeveLog({ limits: LIMITS, steps: log([0, 0.1]), division: 0.05 }).stop).toBeCloseTo(2.7 - 2 * u, 9);
    expect(crushSleeveLog({ limits: LIMITS, steps: log([0, 0.1], [30, 1.2], [15, 1.8], [10, 2.65]), division: 0.05 }).state).toBe('done');
  });
  it('is done when it is surely over the least, and not before', () => {
    const state = (drag: number): string => crushSleeveLog({ limits: LIMITS, steps: log([0, 1.9], [30, 1.95], [2, drag]), division: 0.02 }).state;
    expect([state(2), state(2.2)]).toEqual(['go', 'done']);
  });
  it('past the most says so, and gives no next turn', () => {
    const past = crushSleeveLog({ limits: LIMITS, steps: log([0, 0.1], [30, 1.2], [30, 2.71]), division: 0.05 });
    expect(past).toMatchObject({ state: 'past' });
    expect(past.next).toBeUndefined();
    // on the limit is in
    expect(crushSleeveLog({ limits: LIMITS, steps: log([0, 0.1], [30, 1.2], [30, 2.7]), division: 0.05 }).state).toBe('done');
  });
  it('refuses a window with one end, a drag under nothing, and a nut turned back', () => {
    const asked = (of: Partial<Parameters<typeof crushSleeveLog>[0]>): string =>
      refusalOf(() => crushSleeveLog({ limits: LIMITS, steps: [], division: 0.05, ...of }));
    expect(asked({ limits: { min: 2, max: 2 } })).toBe('noWindow');
    expect(asked({ division: 0 })).toBe('notADivision');
    expect(asked({ steps: log([-5, 1]) })).toBe('notATurn');
    expect(asked({ steps: log([5, -1]) })).toBe('notATurn');
  });
  it('shows where it stands, the turn, and where that will end', () => {
    const labels = (steps: SleeveStep[]): string[] => crushSleeveLogSum({ limits: LIMITS, steps, division: 0.05 }).map(({ label }) => label);
    expect(labels(log([0, 0.1], [15, 0.4], [15, 0.8]))).toEqual(['now, at 30°', 'a degree adds', 'turn', 'expect', 'stop at']);
    expect(labels(log([0, 0.1]))).toEqual(['now, at 0°', 'turn', 'stop at']);
  });
});

/** A sleeve as it truly is: the drag at a turn, N·m, which nobody sees but through readings. */
interface Hidden {
  readonly limits: { readonly min: number; readonly max: number };
  readonly division: number;
  readonly drag: (turned: number) => number;
}
type Chances = ReturnType<typeof chances>;

/** The middle of the window is 40 to 200° on; the drag rises by a power of the turn, after some that only takes up float. */
function hidden({ next }: Chances, power: number, float: number): Hidden {
  const u = 0.02 + 0.08 * next();
  const min = (8 + 22 * next()) * u;
  const limits = { min, max: min + 8 * u };
  const [middle, free] = [min + 4 * u, u * next()];
  const [whole, idle] = [40 + 160 * next(), float * next()];
  // one reading with a division of d is doubtful by √(d² + d²/12)
  const division = u / Math.sqrt(13 / 12);
  return { limits, division, drag: (turned) => free + (middle - free) * (Math.max(0, turned - idle) / whole) ** power };
}

/** Follows the log to its end: five in a hundred on each turn, u on each drag. */
function followed(seed: number, power: number, float: number): { over: boolean; isIn: boolean; steps: number } {
  const chance = chances(seed);
  const { limits, division, drag } = hidden(chance, power, float);
  const u = division * Math.sqrt(13 / 12);
  let turned = 0;
  const readNow = (): number => Math.max(0, drag(turned) + u * chance.normal());
  const steps: SleeveStep[] = [{ degrees: 0, drag: readNow() }];
  for (;;) {
    const { next } = crushSleeveLog({ limits, steps, division });
    if (!next || steps.length > 30) break;
    turned += next.degrees * (1 + 0.05 * chance.normal());
    steps.push({ degrees: next.degrees, drag: readNow() });
  }
  const end = drag(turned);
  return { over: end > limits.max, isIn: end >= limits.min && end <= limits.max, steps: steps.length - 1 };
}

describe('500 sleeves that nobody knows, drawn up by the log, window of 8u, judged by the true drag', () => {
  const SEEDS = Array.from({ length: 500 }, (_, seed) => seed + 1);
  it.each([
    ['rises straight', 1, 0],
    ['steepens', 1.5, 0],
    ['steepens much', 2, 0],
    ['flattens', 0.8, 0],
    ['steepens, after up to 20° of float', 1.3, 20],
    ['rises straight, after up to 60° of float', 1, 60],
  ])('where the drag %s', (_, power, float) => {
    const ends = SEEDS.map((seed) => followed(seed, power, float));
    expect(ends.filter(({ over }) => over).length).toBeLessThanOrEqual(5);
    expect(ends.filter(({ isIn, steps }) => isIn && steps <= 12).length).toBeGreaterThanOrEqual(475);
  });
});
