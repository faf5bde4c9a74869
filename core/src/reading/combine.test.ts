import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  combineMethods,
  combineMethodsSum,
  estimate,
  INSTRUMENTS,
  nanometres,
  oncePerTurn,
  readingOf,
  suspectHand,
  thou,
  type HandEntry,
} from '../index.ts';

describe('two methods on one quantity', () => {
  // weighted mean and its u by hand: weights 1 and 1/4, (24 × 1 + 25 × 0.25) ÷ 1.25 = 24.2, u = √(1 ÷ 1.25) = 0.894 of the first
  it('that agree are weighed by their doubt', () => {
    const both = combineMethods([estimate(thou(24), thou(1)), estimate(thou(25), thou(2))]);
    expect(both).toMatchObject({ agree: true, reading: { value: thou(24.2) } });
    expect(both.agree && both.reading.u / thou(1)).toBeCloseTo(0.8944, 4);
  });
  it('that do not agree both stand, and nothing is averaged away', () => {
    const both = combineMethods([estimate(thou(24), thou(0.3)), estimate(thou(26), thou(0.4))]);
    expect(both).toMatchObject({ agree: false, difference: thou(2), allowed: thou(1) });
    expect(combineMethodsSum([estimate(thou(24), thou(0.3)), estimate(thou(26), thou(0.4))]).map((l) => l.label)).toContain('they may by');
  });
  it('one alone is itself', () => expect(combineMethods([estimate(thou(9), thou(1))])).toMatchObject({ agree: true, reading: { value: thou(9) } }));
  it('none, or one without its doubt, is refused', () => {
    expect(() => combineMethods([])).toThrow('at least one');
    expect(() => combineMethods([estimate(thou(9), 0)])).toThrow('uncertainty');
  });
  it('together lie between them and are surer than either', () => {
    const each = fc
      .tuple(fc.integer({ min: 0, max: 1_000_000 }), fc.integer({ min: 1_000, max: 100_000 }))
      .map(([v, u]) => estimate(nanometres(v), u));
    fc.assert(
      fc.property(each, each, (a, b) => {
        const both = combineMethods([a, b]);
        if (!both.agree) return;
        expect(both.reading.value).toBeGreaterThanOrEqual(Math.min(a.value, b.value) - 1);
        expect(both.reading.value).toBeLessThanOrEqual(Math.max(a.value, b.value) + 1);
        expect(both.reading.u).toBeLessThan(Math.min(a.u, b.u));
      }),
    );
  });
});

describe('what comes round once a turn', () => {
  it('is taken out of readings round a wheel', () => {
    const readings = Array.from({ length: 8 }, (_, i) => nanometres(100_000 + 20_000 * Math.cos((2 * Math.PI * i) / 8 - Math.PI / 4)));
    const round = oncePerTurn(readings);
    expect(round.mean).toBe(100_000);
    expect(round.amplitude).toBe(20_000);
    expect(round.highAt).toBeCloseTo(45, 3);
    expect(round.residual).toBeLessThanOrEqual(1);
  });
  it('half the indicator’s total is how far the centre is off', () => {
    const readings = [6, 4, 2, 4].map(thou);
    expect(oncePerTurn(readings).amplitude).toBe(thou(2));
  });
  it('is never longer than the readings’ own spread allows, and leaves less behind', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -100_000, max: 100_000 }), { minLength: 4, maxLength: 24 }), (values) => {
        const round = oncePerTurn(values.map((v) => nanometres(v)));
        const mean = values.reduce((a, b) => a + b, 0) / values.length;
        const before = values.reduce((sum, v) => sum + (v - mean) ** 2, 0);
        // Parseval: the sine takes n a²/2 of the sum of squares
        expect((values.length * round.amplitude ** 2) / 2).toBeLessThanOrEqual(before * (1 + 1e-9) + 1e6);
      }),
    );
  });
  it('three places are too few', () => expect(() => oncePerTurn([1, 2, 3].map(thou))).toThrow('four places'));
});

describe('a hand that ran the other way', () => {
  const dial = INSTRUMENTS.dialThou;
  const expected = { min: thou(10), max: thou(14) };
  const hand = (from: number, to: number, direction: HandEntry['direction'], turns = 0): HandEntry => ({
    how: 'hand',
    from,
    to,
    back: null,
    turns,
    direction,
  });
  const asked = (entry: HandEntry, within = expected) =>
    suspectHand(entry, dial, within).map((s) => [s.why, readingOf(s.entry, dial).reading.value / 25_400]);
  it('is asked about where the other way is what was expected, and what is then read is just that', () => {
    expect(asked(hand(98, 86, 'clockwise'))).toEqual([['the hand run the other way', 12]]);
    expect(asked(hand(12, 24, 'anticlockwise'))).toEqual([['the hand run the other way', 12]]);
  });
  it('a whole turn missed is asked about too', () => {
    expect(asked(hand(88, 0, 'clockwise'), { min: thou(110), max: thou(114) })).toEqual([['a whole turn more', 112]]);
  });
  it('is left alone where the reading is inside, or neither would do', () => {
    for (const entry of [hand(86, 98, 'clockwise'), hand(40, 70, 'clockwise'), hand(0, 24, 'clockwise')]) expect(asked(entry)).toEqual([]);
  });
  it('a hand that never moved ran neither way: only a whole turn may have been missed', () => {
    expect(asked(hand(88, 88, 'clockwise'), { min: thou(95), max: thou(105) })).toEqual([['a whole turn more', 100]]);
  });
});
