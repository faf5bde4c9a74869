import { describe, expect, it } from '@jest/globals';
import { all, create } from 'mathjs';
import { nanometres, thou, type Length } from '../quantity/index.ts';
import { estimate, type Bound, type Estimate } from '../reading/index.ts';
import { chances } from '../testing.ts';
import { fitTrials, type FittedTrials, type BuiltTrial, type TrialsQuestion } from './index.ts';

const math = create(all ?? {}, {});
const none = thou(0);
const inThou = (length: number): number => Math.round((length / 25_400) * 100) / 100;
const read = (state: string, value: number, u = 0.5, packChange = 0): BuiltTrial => ({
  state,
  packChange: thou(packChange),
  reading: estimate(thou(value), thou(u)),
});
const bound = (state: string, kind: Bound['kind'], value: number): BuiltTrial => ({ state, packChange: none, reading: { kind, value: thou(value) } });
const asked = (more: Partial<TrialsQuestion> = {}): TrialsQuestion => ({ prior: null, closureSpread: thou(1.5), coefficient: 1, ...more });

describe('what builds say together', () => {
  // reckoning.md 5: parts 3 ± 1, built 1 ± 0.5, closure spread 1.5: (3/3.25 + 1/0.25)/(1/3.25 + 1/0.25) = 1.14
  it('outweighs the sum of the parts', () => {
    const fitted = fitTrials(asked({ prior: estimate(thou(3), thou(1)) }), [read('torqued', 1)]);
    expect(inThou(fitted.value)).toBe(1.14);
    expect(fitted.u / 25_400).toBeCloseTo(Math.sqrt(1 / (1 / 3.25 + 1 / 0.25)), 6);
    // of the 2 that it is less, the closure has its part by the squares: 1.5²/(1.5² + 1²) of 1.857
    expect(inThou(fitted.closures.torqued?.value ?? NaN)).toBe(-1.29);
    expect(fitted).toMatchObject({ questioned: [], consistent: true, coefficient: null });
  });
  it('tells the step between two states better than either end', () => {
    const fitted = fitTrials(asked({ prior: estimate(thou(12), thou(3)), order: ['loose', 'torqued'] }), [
      read('loose', 10, 0.3),
      read('torqued', 8, 0.3),
    ]);
    const [step] = fitted.steps;
    expect(step).toMatchObject({ from: 'loose', to: 'torqued' });
    expect(inThou(step?.value ?? NaN)).toBeCloseTo(-2, 0);
    expect(step?.value).toBeLessThan(0);
    expect(step?.u).toBeLessThan(fitted.closures.loose?.u ?? 0);
    expect(step?.u).toBeLessThan(fitted.closures.torqued?.u ?? 0);
    // the sum of the two squares, with what a step is as a rule: 1/(1/(0.3² + 0.3²) + 1/1.5²)
    expect((step?.u ?? NaN) / 25_400).toBeCloseTo(Math.sqrt(1 / (1 / 0.18 + 1 / 2.25)), 2);
  });
  it('is carried by a step that is known already, such as a twin’s', () => {
    const known = { from: 'loose', to: 'torqued', value: thou(-2), u: thou(0.4) };
    const fitted = fitTrials(asked({ order: ['loose', 'torqued'], steps: [known] }), [read('loose', 10)]);
    expect(inThou(fitted.value)).toBe(10);
    const carried = fitTrials(asked({ order: ['loose', 'torqued'], steps: [known] }), [
      bound('torqued', 'atMost', 20),
      read('loose', 10),
      bound('torqued', 'atMost', 20),
    ]);
    // 10 less 2, and both doubts
    expect(inThou(carried.value)).toBe(8);
    expect(carried.u / 25_400).toBeCloseTo(Math.hypot(0.5, 0.4), 2);
  });
  it('counts the pack with its sign, and says what the packs themselves show', () => {
    const trials = [read('dry', 10, 0.5, 0), read('dry', 14, 0.5, 4), read('dry', 2, 0.5, -8)];
    const fitted = fitTrials(asked(), trials);
    expect(inThou(fitted.value)).toBe(10);
    expect(fitted.residuals.map(inThou)).toEqual([0, 0, 0]);
    expect(fitted.coefficient?.value).toBeCloseTo(1, 6);
    // the slope of three readings: u/√Σ(x − x̄)²
    expect(fitted.coefficient?.u).toBeCloseTo(0.5 / Math.sqrt((4 / 3) ** 2 + (16 / 3) ** 2 + (20 / 3) ** 2), 3);
    const against = fitTrials(
      asked({ coefficient: -1 }),
      trials.map((trial) => ({ ...trial, packChange: nanometres(-trial.packChange) })),
    );
    expect(against.value).toBe(fitted.value);
    expect(fitTrials(asked(), [read('dry', 10), read('dry', 11)]).coefficient).toBeNull();
  });
});

describe('readings of one side', () => {
  // agreeWithForecast: +2 ± 1 with at most 0 is −0.37
  it('cut off what the rest say', () => {
    const fitted = fitTrials(asked({ prior: estimate(thou(2), thou(1)), closureSpread: 0 }), [bound('dry', 'atMost', 0)]);
    expect(inThou(fitted.value)).toBe(-0.37);
    expect(fitted.residuals.map(inThou)).toEqual([0]);
  });
  it('never become values: kept to by far they say nothing, and said twenty times no more than once', () => {
    const prior = estimate(thou(2), thou(1));
    const far = fitTrials(asked({ prior, closureSpread: 0 }), [bound('dry', 'atMost', 30)]);
    expect([inThou(far.value), inThou(far.u)]).toEqual([2, 1]);
    const once = fitTrials(asked({ prior, closureSpread: 0 }), [bound('dry', 'atMost', 1)]);
    const often = fitTrials(
      asked({ prior, closureSpread: 0 }),
      Array.from({ length: 20 }, () => bound('dry', 'atMost', 1)),
    );
    expect([often.value, often.u]).toEqual([once.value, once.u]);
    const between = fitTrials(asked({ prior, closureSpread: 0 }), [bound('dry', 'atMost', 2.5), bound('dry', 'atLeast', 1.5)]);
    // an even spread over 1 is 0.29; nothing narrower is known
    expect(inThou(between.value)).toBe(2);
    expect(between.u / 25_400).toBeGreaterThan(0.25);
  });
  it('that all the rest lie beyond are questioned, and move nothing', () => {
    const fitted = fitTrials(asked(), [read('dry', 5), read('dry', 5.2), bound('dry', 'atMost', 1)]);
    expect(fitted).toMatchObject({ questioned: [2], consistent: false });
    expect(inThou(fitted.value)).toBe(5.1);
    expect(inThou(fitted.residuals[2] ?? NaN)).toBe(-4.1);
  });
  it('alone, with nothing known beforehand, are refused', () => expect(() => fitTrials(asked(), [bound('dry', 'atMost', 0)])).toThrow(/has a size/));
});

describe('a trial that does not fit', () => {
  it('is questioned, and not averaged away', () => {
    const fitted = fitTrials(asked(), [read('dry', 5), read('dry', 5.4), read('dry', 4.8), read('dry', 12)]);
    expect(fitted).toMatchObject({ questioned: [3], consistent: false });
    expect(inThou(fitted.value)).toBeCloseTo((5 + 5.4 + 4.8) / 3, 1);
    expect(inThou(fitted.residuals[3] ?? NaN)).toBeCloseTo(6.93, 1);
  });
  it('of two alone is either: both are questioned, and neither left out', () => {
    const fitted = fitTrials(asked(), [read('dry', 5), read('dry', 12)]);
    expect(fitted).toMatchObject({ questioned: [0, 1], consistent: false });
    expect(inThou(fitted.value)).toBe(8.5);
  });
  it('refuses a state that nobody put in order, and no trial at all', () => {
    expect(() => fitTrials(asked({ order: ['loose'] }), [read('dry', 5)])).toThrow(/dry/);
    expect(() => fitTrials(asked(), [])).toThrow(/Nothing was built/);
  });
});

/** Trials of a made-up shaft whose closures are known. */
function madeUp(seed: number, { bad = 0, many = 6 } = {}) {
  const chance = chances(seed);
  const order = ['loose', 'dry', 'torqued'];
  const [spread, u] = [1.5, 0.5];
  const gap = 6 + 4 * chance.normal();
  const closures = order.map(() => spread * chance.normal()).map((_, i, steps) => steps.slice(0, i + 1).reduce((a, b) => a + b, 0));
  const trials = Array.from({ length: many }, (_, i): BuiltTrial => {
    const k = i % order.length;
    const packChange = Math.round(6 * chance.next() - 3);
    const value = gap + (closures[k] ?? 0) + packChange + u * chance.normal() + (i === many - 2 ? bad * u : 0);
    return { state: order[k] ?? '', packChange: thou(packChange), reading: estimate(nanometres(value * 25_400), thou(u)) };
  });
  const prior = estimate(nanometres((gap + chance.normal()) * 25_400), thou(1));
  return { question: asked({ prior, closureSpread: thou(spread), order }), trials, closures, gap };
}

describe('against made-up builds', () => {
  const seeds = Array.from({ length: 500 }, (_, i) => i + 1);
  it('a closure lies within its stated doubt in 95 of 100 of 500', () => {
    const within = seeds.filter((seed) => {
      const { question, trials, closures } = madeUp(seed);
      const { value = none, u = 0 } = fitTrials(question, trials).closures.torqued ?? {};
      return Math.abs(value - (closures[2] ?? 0) * 25_400) <= 2 * u;
    });
    expect(within.length).toBeGreaterThanOrEqual(475);
    // and it is not made so by saying that nothing is known
    expect(inThou(fitTrials(madeUp(1).question, madeUp(1).trials).closures.torqued?.u ?? Infinity)).toBeLessThan(1.5);
  });
  it('a bad reading that is planted is the one that is questioned, in nine of ten at the least; where there is none, seldom any', () => {
    const found = seeds.filter((seed) => {
      const { question, trials } = madeUp(seed, { bad: 8, many: 9 });
      const { questioned } = fitTrials(question, trials);
      return questioned.length === 1 && questioned[0] === 7;
    });
    expect(found.length).toBeGreaterThanOrEqual(450);
    const falsely = seeds.filter((seed) => fitTrials(madeUp(seed, { many: 9 }).question, madeUp(seed, { many: 9 }).trials).questioned.length > 0);
    expect(falsely.length).toBeLessThan(50);
  });
  // weighted least squares with what is known beforehand as rows of its own, by a general-purpose library (mathjs)
  it('agrees with a library where there are no bounds', () => {
    for (const seed of seeds.slice(0, 100)) {
      const { question, trials } = madeUp(seed);
      const fitted: FittedTrials = fitTrials(question, trials);
      const prior = question.prior as Estimate;
      const rows = [
        { of: [1, 0, 0, 0], value: prior.value, u: prior.u },
        ...[1, 2, 3].map((i) => ({ of: [0, 1, 2, 3].map((j) => (i === j ? 1 : 0)), value: 0, u: question.closureSpread })),
        ...trials.map(({ state, packChange, reading }) => ({
          of: [1, 1, state === 'loose' ? 0 : 1, state === 'torqued' ? 1 : 0],
          value: reading.value - packChange,
          u: (reading as Estimate).u,
        })),
      ].filter((_, i) => i < 4 || !fitted.questioned.includes(i - 4));
      const A = math.matrix(rows.map(({ of, u }) => of.map((a) => a / u)));
      const y = math.matrix(rows.map(({ value, u }) => value / u));
      const covariance = math.inv(math.multiply(math.transpose(A), A)) as unknown as { toArray: () => number[][] };
      const mean = (math.multiply(covariance as never, math.multiply(math.transpose(A), y)) as unknown as { toArray: () => number[] }).toArray();
      const value = mean.reduce((sum, each) => sum + each, 0);
      const variance = covariance
        .toArray()
        .flat()
        .reduce((sum, each) => sum + each, 0);
      expect(Math.abs(fitted.value - value)).toBeLessThan(2);
      expect(fitted.u).toBeCloseTo(Math.sqrt(variance), 1);
      expect(Math.abs((fitted.steps[1]?.value ?? NaN) - (mean[3] ?? 0))).toBeLessThan(2);
    }
  });
  it('does not mind in which order they were read, nor from which pack they are counted', () => {
    for (const seed of seeds.slice(0, 100)) {
      const { question, trials } = madeUp(seed);
      const fitted = fitTrials(question, trials);
      const [first, ...rest] = trials;
      const turned = fitTrials(question, [...rest.slice(0, -1).reverse(), ...(first ? [first] : []), ...rest.slice(-1)]);
      expect(Math.abs(turned.value - fitted.value)).toBeLessThanOrEqual(1);
      expect(turned.u).toBeCloseTo(fitted.u, 3);
      const by = thou(7);
      const counted = (value: Length): Length => nanometres(value + by);
      const shifted = fitTrials(
        { ...question, prior: question.prior && { ...question.prior, value: counted(question.prior.value) } },
        trials.map((trial) => ({ ...trial, packChange: nanometres(trial.packChange - by) })),
      );
      expect(Math.abs(shifted.value - fitted.value - by)).toBeLessThanOrEqual(1);
    }
  });
});
