import { describe, expect, it } from '@jest/globals';
import { inch, mm, thou } from '../quantity/index.ts';
import {
  combineMethods,
  coverageFactor,
  dialTravel,
  estimate,
  INSTRUMENTS,
  readEntry,
  readingOf,
  standingApart,
  studentCdf,
  understoodThen,
  verdictSum,
} from './index.ts';
import { refusalOf } from '../testing.ts';

const { dialThou, dialMm, micInch, micMm, feelersThou } = INSTRUMENTS;
describe('two methods, or three', () => {
  const of = (...pairs: readonly (readonly [number, number])[]) => combineMethods(pairs.map(([value, u]) => estimate(thou(value), thou(u))));
  // two may differ by 2√(u₁² + u₂²): with 3 and 4 thou that is 10
  it('agree where they differ by just what they may, and not by more', () => {
    expect(of([20, 3], [30, 4]).agree).toBe(true);
    expect(of([20, 3], [30.01, 4])).toMatchObject({ agree: false, difference: thou(10.01), allowed: thou(10) });
  });
  it('are judged by the pair that differs most against what it may, wherever it stands', () => {
    // 24 and 30 with ½ each may differ by 1.41; 24 and 60 with 30 by 60
    for (const order of [
      [
        [24, 0.5],
        [30, 0.5],
        [60, 30],
      ],
      [
        [60, 30],
        [24, 0.5],
        [30, 0.5],
      ],
      [
        [24, 0.5],
        [60, 30],
        [30, 0.5],
      ],
    ] as const)
      expect(of(...order)).toMatchObject({ agree: false, difference: thou(6) });
  });
  it('of one is that one', () => expect(of([24, 1])).toMatchObject({ agree: true, reading: { value: thou(24) } }));
});

describe('the sum of a verdict', () => {
  const labels = (limits: Parameters<typeof verdictSum>[1]) => verdictSum(estimate(thou(6), 0), limits).map((l) => l.label);
  it('shows the limits there are', () => {
    expect(labels({ min: thou(5), max: thou(8) })).toStrictEqual(['least allowed', 'greatest allowed', 'read', 'either side']);
    expect(labels({ min: thou(5) })).toStrictEqual(['least allowed', 'read', 'either side']);
    expect(labels({})).toStrictEqual(['read', 'either side']);
    expect(verdictSum({ kind: 'atMost', value: thou(6) }, { min: thou(5) }).map((l) => l.label)).toStrictEqual(['least allowed', 'read, at most']);
  });
});

describe('an estimate', () => {
  it('says its degrees of freedom where they are known', () => {
    expect(estimate(thou(6), 10)).toStrictEqual({ kind: 'estimate', value: thou(6), u: 10 });
    expect(estimate(thou(6), 10, 5)).toStrictEqual({ kind: 'estimate', value: thou(6), u: 10, dof: 5 });
  });
});

describe('a dial', () => {
  const dial = { from: 0, to: 10, direction: 'clockwise' as const, divisions: 100, division: thou(1) };
  it('of no divisions, or of divisions of nothing, is none', () => {
    for (const wrong of [{ divisions: 0 }, { divisions: -100 }, { division: thou(0) }, { division: thou(-1) }])
      expect(refusalOf(() => dialTravel({ ...dial, ...wrong }))).toBe('badDial');
  });
  it('runs to its last division and no farther', () => {
    expect(dialTravel({ ...dial, from: 100, to: 10 })).toBe(thou(10));
    expect(refusalOf(() => dialTravel({ ...dial, to: 101 }))).toBe('offTheDial');
    expect(refusalOf(() => dialTravel({ ...dial, from: -101 }))).toBe('offTheDial');
  });
});

describe('k, row by row', () => {
  // JCGM 100, table G.2, from memory: a row’s own figure at the row itself
  it.each([
    [2, 4.53],
    [5, 2.65],
    [10, 2.28],
    [20, 2.13],
    [50, 2.05],
  ])('at %d degrees of freedom is %d', (dof, k) => expect(coverageFactor(dof)).toBeCloseTo(k, 9));
  it('falls from row to row, and to 2 past the last', () => {
    const ks = [1, 1.5, 2, 3, 4.5, 7, 12, 17, 30, 49, 60, 100, 1e6].map(coverageFactor);
    for (const [i, k] of ks.entries()) if (i > 0) expect(k).toBeLessThan(ks[i - 1] ?? Infinity);
    expect(coverageFactor(1e6)).toBeCloseTo(2, 3);
    expect(coverageFactor(100)).toBeCloseTo(2.025, 3);
  });
  it('the law goes over into the normal one without a step', () => {
    expect(studentCdf(0, Infinity)).toBeCloseTo(0.5, 6);
    expect(studentCdf(1, 10_000)).toBeCloseTo(studentCdf(1, 10_001), 4);
  });
});

describe('readings of which one stands apart', () => {
  const stand = (...values: number[]) =>
    standingApart(
      values.map((v) => thou(v)),
      dialThou,
    );
  it('are questioned from five on', () => {
    expect(stand(24, 24, 24, 24, 40)).toEqual([4]);
    expect(stand(24, 24, 24, 40)).toEqual([]);
  });
});

describe('a dial that stands square', () => {
  const notes = (more: object) =>
    readingOf({ how: 'hand', from: 88, to: 12, back: null, turns: 0, direction: 'clockwise' }, { ...dialThou, ...more }).notes;
  it('says nothing of an angle, and either angle is said', () => {
    expect(notes({})).toEqual([]);
    expect(notes({ stemAngle: 10 })).toEqual(['the dial off square: × cos 10° ÷ cos 0°']);
    expect(notes({ faceAngle: 10 })).toEqual(['the dial off square: × cos -10° ÷ cos 10°']);
  });
});

describe('an entry as it was read in its day', () => {
  it('keeps what it was understood as, and in what unit', () => {
    expect(understoodThen('24', dialThou)).toEqual({ how: 'sizes', values: [thou(24)], unit: 'thou' });
    expect(understoodThen('goes 9 stops 10', feelersThou)).toEqual({ how: 'blades', goes: [thou(9)], stops: [thou(10)], unit: 'thou' });
    expect(understoodThen('88>12', dialMm)).toMatchObject({ how: 'hand', from: 88, to: 12, unit: 'mm' });
  });
  it('says that a parallel was taken off', () => expect(readEntry('1.103 - .375', micInch).notes).toContain('less the parallel'));
  it('with decimals where whole divisions or blades are read is asked about: inches or millimetres, as like as not', () => {
    expect(readEntry('0.02', dialThou).choices).toEqual(['0.02 mm', '0.02 thou']);
    expect(readEntry('.02', dialThou).choices).toEqual(['0.02 in', '0.02 thou']);
    expect(readEntry('0.125', dialThou).choices).toEqual(['0.125 in', '0.125 thou']);
    expect(readEntry('1.25', dialMm).choices).toEqual(['1.25 mm', '0.0125 mm']);
    expect(readEntry('1,1250', dialThou).choices).toEqual(['1.1250 in', '1.125 thou']);
    expect(readEntry('0.02', feelersThou).choices).toEqual(['0.02 mm', '0.02 thou']);
    for (const [text, instrument] of [
      ['24.5', dialThou],
      ['0.20', INSTRUMENTS.feelersMm],
      ['.50025', micInch],
      ['12.705', micMm],
    ] as const)
      expect([text, readEntry(text, instrument).choices]).toEqual([text, undefined]);
  });
  it('of one word that is no figure says what a reading is, and of a broken figure what is broken', () => {
    expect(refusalOf(() => readEntry('banana', dialThou))).toBe('notAReading');
    expect(refusalOf(() => readEntry('3/0', micInch))).toBe('zeroDenominator');
    expect(refusalOf(() => readEntry('1,125', micMm))).toBe('ambiguousComma');
    for (const text of ['1,125', '12,125']) expect([text, refusalOf(() => readEntry(text, dialThou))]).toEqual([text, 'ambiguousComma']);
    expect(refusalOf(() => readEntry('1.2.3', micMm))).toBe('notANumber');
    expect(refusalOf(() => readEntry('1.2.3 4', micMm))).toBe('notAReading');
    expect(refusalOf(() => readEntry('x 5', micMm))).toBe('notAReading');
  });
  it('with a unit is a size at a dial too; without one it is divisions', () => {
    expect(readEntry('0.30 mm', dialThou).values).toEqual([mm(0.3)]);
    expect(readEntry('24', { ...dialThou, resolution: thou(0.5) }).values).toEqual([thou(12)]);
    expect(readEntry('.5 in', micMm).values).toEqual([inch(0.5)]);
  });
});
