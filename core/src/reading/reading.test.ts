import { describe, expect, it } from '@jest/globals';
import { createRequire } from 'node:module';
import { inch, mm, parseLimits, thou, type Length } from '../quantity/index.ts';
import {
  dialReturnSum,
  feelerBracketSum,
  verdictSum,
  coverageFactor,
  depthOverParallels,
  depthOverParallelsSum,
  dialReturn,
  dialTravel,
  dialTravelSum,
  estimate,
  feelerBracket,
  INSTRUMENTS,
  nextFeeler,
  readEntry,
  repeats,
  repeatsSum,
  studentCdf,
  verdict,
  type Instrument,
} from './index.ts';
import { refusalOf } from '../testing.ts';

// jstat ships as CommonJS without types
const { jStat } = createRequire(import.meta.url)('jstat') as {
  jStat: { studentt: { cdf(t: number, dof: number): number; inv(p: number, dof: number): number } };
};

const DIAL: Instrument = {
  kind: 'dial',
  name: 'Dial 0–100',
  unit: 'thou',
  resolution: thou(1),
  calibrationU: 2_540,
  priorS: thou(0.3),
  divisions: 100,
  direction: 'clockwise',
};
const FEELERS: Instrument = { kind: 'feelers', name: 'Feelers', unit: 'thou', resolution: thou(1), calibrationU: 0, priorS: 0 };
const MIC: Instrument = { kind: 'micrometer', name: 'Micrometer', unit: 'in', resolution: inch(0.0001), calibrationU: 1_000, priorS: 2_000 };
const on = { divisions: 100, division: thou(1) };
describe('a dial', () => {
  it('from 88 clockwise to 12 is 24 thou, not 76; anticlockwise it is 76', () => {
    expect(dialTravel({ from: 88, to: 12, direction: 'clockwise', ...on })).toBe(thou(24));
    expect(dialTravel({ from: 88, to: 12, direction: 'anticlockwise', ...on })).toBe(thou(76));
  });
  it('from 95 to 5 is ten divisions and no turn; a whole turn more is counted', () => {
    expect(dialTravel({ from: 95, to: 5, direction: 'clockwise', ...on })).toBe(thou(10));
    expect(dialTravel({ from: 95, to: 5, revolutions: 1, direction: 'clockwise', ...on })).toBe(thou(110));
  });
  it('balanced, 0–50–0, runs from −50 to 50: −4 clockwise to 6 is 10', () =>
    expect(dialTravel({ from: -4, to: 6, direction: 'clockwise', ...on })).toBe(thou(10)));
  // plane trigonometry: 0.15 cos 30° and 0.15 ÷ cos 30°
  it('reads too much with its stem off the line, too little on a turned flank', () => {
    const dial = { from: 0, to: 15, direction: 'clockwise', divisions: 100, division: mm(0.01) } as const;
    expect(dialTravel({ ...dial, stemAngle: 30 }) / 1e6).toBeCloseTo(0.1299, 4);
    expect(dialTravel({ ...dial, stemAngle: 30, faceAngle: 30 }) / 1e6).toBeCloseTo(0.1732, 4);
  });
  it('refuses more than 45° off, a hand off the scale, and half turns', () => {
    const dial = { from: 0, to: 15, direction: 'clockwise', ...on } as const;
    expect(refusalOf(() => dialTravel({ ...dial, stemAngle: 46 }))).toBe('tooFarOffSquare');
    expect(refusalOf(() => dialTravel({ ...dial, stemAngle: -30, faceAngle: 30 }))).toBe('tooFarOffSquare');
    expect(refusalOf(() => dialTravel({ ...dial, to: 120 }))).toBe('offTheDial');
    expect(refusalOf(() => dialTravel({ ...dial, revolutions: 0.5 }))).toBe('badTurns');
  });
  it('that does not come back has a stand that moved', () => {
    expect(dialReturn({ from: 88, back: 87, ...on })).toEqual({ drift: thou(-1), held: true });
    expect(dialReturn({ from: 99, back: 1, ...on })).toEqual({ drift: thou(2), held: false });
  });
  it('shows its sum', () =>
    expect(dialTravelSum({ from: 88, to: 12, direction: 'clockwise', stemAngle: 30, ...on }).map((l) => l.value)).toEqual([
      thou(24),
      Math.round(thou(24) * Math.cos(Math.PI / 6)),
    ]));
});

describe('a depth over parallels', () => {
  it('1.103 in over a 0.375 is 0.728 in, and two stacked both come off', () => {
    expect(depthOverParallels({ reading: inch(1.103), parallels: [inch(0.375)] })).toBe(inch(0.728));
    expect(depthOverParallels({ reading: inch(1.103), parallels: [inch(0.375), inch(0.5)] })).toBe(inch(0.228));
  });
  it('may be negative: a race standing proud', () => expect(depthOverParallels({ reading: mm(4.9), parallels: [mm(5)] })).toBe(mm(-0.1)));
  it('refuses a parallel of no thickness, and shows its sum', () => {
    expect(refusalOf(() => depthOverParallels({ reading: mm(5), parallels: [mm(0)] }))).toBe('badParallel');
    expect(depthOverParallelsSum({ reading: mm(15), parallels: [mm(8), mm(2)] }).map((l) => [l.label, l.value])).toEqual([
      ['read across the parallel', mm(15)],
      ['less the parallel', mm(8)],
      ['less the parallel', mm(2)],
      ['depth', mm(5)],
    ]);
  });
});

describe('feelers', () => {
  it('that go at 9 and stop at 10 give 9½ with width/√12 of doubt (JCGM 100, 4.3.7)', () => {
    const reading = feelerBracket({ goes: thou(9), stops: thou(10) });
    expect(reading).toMatchObject({ kind: 'estimate', value: thou(9.5) });
    expect(reading.kind === 'estimate' && reading.u).toBeCloseTo(thou(1) / Math.sqrt(12), 6);
  });
  it('on one side only give a bound, and say what to try', () => {
    expect(feelerBracket({ goes: thou(9) })).toEqual({ kind: 'atLeast', value: thou(9) });
    expect(feelerBracket({ stops: thou(8) })).toEqual({ kind: 'atMost', value: thou(8) });
    expect(nextFeeler({ stops: thou(8) })).toContain('no float at all');
    expect(nextFeeler({ goes: thou(9) })).toContain('thicker');
    expect(nextFeeler({ goes: thou(9), stops: thou(10) })).toBeUndefined();
  });
  it('stacked add, and so do their doubts: 25+20+12 goes, 25+20+13 stops', () => {
    const reading = feelerBracket({ goes: [thou(25), thou(20), thou(12)], stops: [thou(25), thou(20), thou(13)], bladeU: 1_000 });
    expect(reading.value).toBe(thou(57.5));
    expect(reading.kind === 'estimate' && reading.u).toBeCloseTo(Math.hypot(thou(1) / Math.sqrt(12), 3_000), 6);
  });
  it('cannot go thicker than they stop, and one must be tried', () => {
    expect(refusalOf(() => feelerBracket({ goes: thou(10), stops: thou(9) }))).toBe('feelersCrossed');
    expect(refusalOf(() => feelerBracket({}))).toBe('nothingTried');
  });
});

describe('repeats', () => {
  const options = { resolution: thou(1), calibrationU: 0 };
  it('pool what was read with what was known: 24 24 23 with a prior of one division', () => {
    const result = repeats([thou(24), thou(24), thou(23)], options);
    // by hand: s² = (5·1² + 2·⅓)/7, u² = s²/3 + 1/12, in thou
    expect(result.u / 25_400).toBeCloseTo(Math.sqrt((5 + 2 / 3) / 7 / 3 + 1 / 12), 9);
    expect(result).toMatchObject({ dof: 7, n: 3, range: thou(1), outliers: [] });
    expect(result.value).toBe(Math.round(thou(71) / 3));
  });
  it('of two have the spread of two: s² = 2, pooled (5·1² + 1·2)/6, by hand', () =>
    expect(repeats([thou(24), thou(22)], options).u / 25_400).toBeCloseTo(Math.sqrt(7 / 6 / 2 + 1 / 12), 9));
  it('never make one reading look surer than three', () => {
    const U = (values: Length[]): number => {
      const { u, dof } = repeats(values, options);
      return u * coverageFactor(dof);
    };
    expect(U([thou(24)])).toBeGreaterThan(U([thou(24), thou(24), thou(24)]));
  });
  it('question the odd one out and drop nothing; 24 24 24 24 25 has none', () => {
    expect(
      repeats(
        [24, 24, 24, 24, 25].map((v) => thou(v)),
        options,
      ).outliers,
    ).toEqual([]);
    const odd = repeats(
      [24, 24, 24, 24, 34].map((v) => thou(v)),
      options,
    );
    expect(odd.outliers).toEqual([4]);
    expect(odd.n).toBe(5);
  });
  it('use Grubbs’ limits restated for the reading left out (two-sided 5 %, from memory: 1.715, 1.887, 2.126, 2.290, 2.709)', () => {
    const restated = (n: number, g: number): number => (g * n) / (n - 1) / Math.sqrt(((n - 1) / (n - 2)) * (1 - (n * g * g) / (n - 1) ** 2));
    for (const [n, g, limit] of [
      [5, 1.715, 6.53],
      [6, 1.887, 5.31],
      [8, 2.126, 4.4],
      [10, 2.29, 4.04],
      [20, 2.709, 3.6],
    ] as const) {
      expect(Math.abs(restated(n, g) - limit)).toBeLessThan(0.03);
      const steady = Array.from({ length: n - 1 }, () => thou(24));
      expect(repeats([...steady, thou(24 + limit + 0.01)], options).outliers).toEqual([n - 1]);
      expect(repeats([...steady, thou(24 + limit - 0.01)], options).outliers).toEqual([]);
    }
  });
  it('question a reading by the mean and the spread of the others, where these are more than an instrument has', () => {
    for (const [n, limit] of [
      [5, 6.53],
      [6, 5.31],
      [8, 4.4],
      [10, 4.04],
    ] as const) {
      const others = Array.from({ length: n - 1 }, (_, i) => 100 + (i % 3) * 10);
      const mean = others.reduce((sum, v) => sum + v, 0) / others.length;
      const away = mean + limit * Math.sqrt(others.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (others.length - 1));
      const questioned = (last: number) =>
        repeats(
          [...others, last].map((v) => thou(v)),
          options,
        ).outliers;
      expect([n, questioned(away + 0.05), questioned(away - 0.05)]).toEqual([n, [n - 1], []]);
    }
  });
  it('need one reading at least, and show their sum', () => {
    expect(refusalOf(() => repeats([], options))).toBe('noReadings');
    expect(repeatsSum([thou(24), thou(22)], options).map((l) => l.value)).toEqual([thou(24), thou(22), thou(23), thou(2)]);
  });
});

describe('Student’s t', () => {
  it('gives k for 95.45 % as a statistics library does, to one part in a hundred', () => {
    for (const dof of [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 15, 20, 30, 60, 200]) {
      expect(coverageFactor(dof) / jStat.studentt.inv(0.5 + 0.9545 / 2, dof)).toBeCloseTo(1, 2);
    }
    expect(coverageFactor()).toBe(2);
  });
  it('gives chances as a statistics library does', () => {
    for (const dof of [1, 2, 5, 7, 30, 500])
      for (const t of [-4, -1.5, -0.2, 0, 0.7, 2.3, 6]) expect(studentCdf(t, dof)).toBeCloseTo(jStat.studentt.cdf(t, dof), 7);
  });
  it('is normal where no degrees of freedom are known: 2σ is 97.72 % below', () => expect(studentCdf(2, Infinity)).toBeCloseTo(0.97725, 4));
});

describe('a verdict', () => {
  const limits = parseLimits('5-8 thou', 'thou');
  const read = (value: number, u = 0.2): ReturnType<typeof verdict> => verdict(estimate(thou(value), u * 25_400), limits);
  it('places by value, and a value on a limit is in', () => {
    expect([read(4, 0.01), read(5, 0.01), read(6.5, 0.01), read(8, 0.01), read(9, 0.01)].map((v) => v.place)).toEqual([
      'tight',
      'in',
      'in',
      'in',
      'loose',
    ]);
  });
  it('is sure well inside or outside, near where its doubt crosses a limit, and just touching counts as inside', () => {
    expect([read(6.5).sure, read(24).sure, read(7.8).sure, read(7.6).sure]).toEqual(['sure', 'sure', 'near', 'sure']);
  });
  it('cannot tell when the doubt is as wide as the window, and says what would', () => {
    const coarse = read(6.5, 0.8);
    expect(coarse).toMatchObject({ place: 'in', sure: 'cannotTell', accepted: true });
    expect(coarse.because).toContain('too coarse');
  });
  it('cannot tell when the readings spread as wide as the limits', () =>
    expect(verdict(estimate(thou(6), 100), limits, { range: thou(3) }).sure).toBe('cannotTell'));
  it('takes a dial that does not move as zero or any preload: never in and sure, even under a lone maximum', () => {
    for (const l of [limits, parseLimits('max 9 thou', 'thou')]) {
      const v = verdict({ kind: 'atMost', value: thou(0) }, l);
      expect(v.sure === 'sure' && v.place === 'in').toBe(false);
    }
    expect(verdict({ kind: 'atMost', value: thou(0) }, limits)).toMatchObject({ place: 'tight', sure: 'sure' });
    expect(verdict({ kind: 'atMost', value: thou(0) }, parseLimits('max 9 thou', 'thou'))).toMatchObject({
      place: 'unmeasured',
      probabilityIn: null,
    });
  });
  it('places a one-sided reading only when all of it lies on one side', () => {
    expect(verdict({ kind: 'atLeast', value: thou(9) }, limits)).toMatchObject({ place: 'loose', sure: 'sure' });
    expect(verdict({ kind: 'atLeast', value: thou(6) }, limits)).toMatchObject({ place: 'unmeasured', sure: 'cannotTell', probabilityIn: null });
    expect(verdict({ kind: 'atMost', value: thou(4) }, limits)).toMatchObject({ place: 'tight', sure: 'sure' });
  });
  it('calls a high drag tight and a low one loose', () => {
    expect(verdict(estimate(thou(9), 0), limits, { moreIs: 'tight' }).place).toBe('tight');
    expect(verdict(estimate(thou(4), 0), limits, { moreIs: 'tight' }).place).toBe('loose');
  });
  it('guarded accepts only what is in and sure; the rule never moves the place (JCGM 106)', () => {
    const edge = estimate(thou(7.8), 0.2 * 25_400);
    expect(verdict(edge, limits, { rule: 'guarded' })).toMatchObject({ place: 'in', accepted: false });
    expect(verdict(edge, limits)).toMatchObject({ place: 'in', accepted: true });
  });
  it('gives the chance of being in: half when it sits on one limit far from the other', () => expect(read(8, 0.2).probabilityIn).toBeCloseTo(0.5, 6));
});

describe('an entry', () => {
  it.each([
    ['88>12', thou(24)],
    ['88<12', thou(76)],
    ['88>12 +1', thou(124)],
    ['88>12>87', thou(24)],
    ['24', thou(24)],
    ['23½', thou(23.5)],
    ['0.60 mm', mm(0.6)],
    ['.0235"', inch(0.0235)],
    ['87½>99½', thou(12)],
    ['70>77½', thou(7.5)],
    ['1.103" less .375"', inch(0.728)],
  ])('%s on a dial', (text, value) => expect(readEntry(text, DIAL).reading).toMatchObject({ kind: 'estimate', value }));
  it('reads a dial marked both ways from nought, and only so far', () => {
    const balanced: Instrument = { ...DIAL, balanced: true };
    expect(readEntry('-4>6', balanced).reading.value).toBe(thou(10));
    expect(readEntry('40>-40', balanced).reading.value).toBe(thou(20));
    expect(readEntry('6<-4', balanced).reading.value).toBe(thou(10));
    expect(refusalOf(() => readEntry('60>12', balanced))).toBe('offTheDial');
    expect(refusalOf(() => readEntry('-4>6', DIAL))).toBe('offTheDial');
  });
  it('corrects for a dial off square and for the radius it is read at, and says so', () => {
    // 0.15 cos 30° = 0.1299, 0.15 ÷ cos 30° = 0.1732 by plane trigonometry; a radius of 40 read at 50 is 4/5
    const dial: Instrument = { ...DIAL, unit: 'mm', resolution: mm(0.01) };
    expect(readEntry('0>15', { ...dial, stemAngle: 30 }).reading.value / 1e6).toBeCloseTo(0.1299, 4);
    expect(readEntry('0>15', { ...dial, stemAngle: 30, faceAngle: 30 }).reading.value / 1e6).toBeCloseTo(0.1732, 4);
    const scaled = readEntry('0>15', { ...dial, radius: { read: mm(50), wanted: mm(40) } });
    expect(scaled.reading.value).toBe(mm(0.12));
    expect(scaled.notes.join()).toMatch(/radius 50.000 mm to 40.000 mm/);
  });
  it('takes the zero error of a micrometer off everything it reads, and not off a dial’s travel', () => {
    const off: Instrument = { ...MIC, zeroError: inch(0.0002) };
    expect(readEntry('.5002', off).reading.value).toBe(inch(0.5));
    expect(readEntry('.5002 .5004', off).values).toEqual([inch(0.5), inch(0.5002)]);
    expect(readEntry('1.103 less .375', off).reading.value).toBe(inch(0.7278));
    expect(readEntry('.5002', off).notes.join()).toMatch(/zero error/);
    expect(readEntry('88>12', { ...DIAL, zeroError: thou(2) }).reading.value).toBe(thou(24));
  });
  it.each([
    ['.0235', DIAL, ['0.0235 in', '0.0235 thou']],
    ['0.60', DIAL, ['0.60 mm', '0.6 thou']],
    ['0.60', { ...DIAL, unit: 'mm', resolution: mm(0.01) }, ['0.60 mm', '0.006 mm']],
    ['2 tenths', MIC, ['0.20 thou', '0.20 mm']],
  ] as [string, Instrument, string[]][])('asks what %s means where it could be two things', (text, instrument, choices) => {
    expect(readEntry(text, instrument).choices).toEqual(choices);
    for (const choice of choices) expect(readEntry(choice, instrument).choices).toBeUndefined();
  });
  it.each([
    ['24.5', DIAL],
    ['0.5', DIAL],
    ['.5', DIAL],
    ['0.20', FEELERS.unit === 'thou' ? { ...FEELERS, unit: 'mm', resolution: mm(0.05) } : FEELERS],
    ['.5002', MIC],
  ] as [string, Instrument][])('never asks about %s', (text, instrument) => expect(readEntry(text, instrument).choices).toBeUndefined());
  it('counts divisions, whatever one division is', () => {
    const metric: Instrument = { ...DIAL, unit: 'mm', resolution: mm(0.01) };
    expect(readEntry('88>12', metric).reading.value).toBe(mm(0.24));
    expect(readEntry('24', metric).reading.value).toBe(mm(0.24));
  });
  it('pools a list, split by spaces or semicolons', () => {
    expect(readEntry('24 24 23', DIAL).values).toEqual([thou(24), thou(24), thou(23)]);
    expect(readEntry('24; 23½', DIAL).values).toEqual([thou(24), thou(23.5)]);
    expect(readEntry('12.70 12.69 mm', MIC).values).toEqual([mm(12.7), mm(12.69)]);
  });
  it('takes feelers either way', () => {
    expect(readEntry('goes 9 stops 10', FEELERS).reading.value).toBe(thou(9.5));
    expect(readEntry('goes 25+20+12 stops 25+20+13', FEELERS).reading.value).toBe(thou(57.5));
    expect(readEntry('goes 0.20 stops 0.25 mm', FEELERS).reading.value).toBe(mm(0.225));
    expect(readEntry('goes 9', FEELERS)).toMatchObject({ reading: { kind: 'atLeast', value: thou(9) } });
  });
  it('takes the parallel off', () => expect(readEntry('1.103 - .375', MIC).reading.value).toBe(inch(0.728)));
  it('reads a mixed number as one size', () => expect(readEntry('1-3/16"', MIC).reading.value).toBe(inch(1.1875)));
  it('calls a dial that did not move at most zero', () => expect(readEntry('40>40', DIAL).reading).toEqual({ kind: 'atMost', value: 0 }));
  it('marks a stand that moved', () => expect(readEntry('88>12>80', DIAL).drifted).toBe(true));
  it.each([
    ['', 'empty'],
    ['banana', 'notAReading'],
    ['88>', 'notAReading'],
    ['2 mm 3 thou', 'twoUnits'],
    ['goes 10 stops 9', 'feelersCrossed'],
    ['188>12', 'offTheDial'],
    ['5 ; x', 'notAReading'],
    ['goes', 'notAReading'],
  ])('refuses “%s”', (text, expected) => expect(refusalOf(() => readEntry(text, DIAL))).toBe(expected));
  it('has no hand to read on a micrometer', () => expect(refusalOf(() => readEntry('88>12', MIC))).toBe('noDial'));
});

describe('the sums of single readings', () => {
  it('of feelers show both sides, or say which way a bound goes', () => {
    expect(feelerBracketSum({ goes: [thou(25), thou(20)], stops: thou(46) }).map((l) => l.value)).toEqual([thou(45), thou(46), thou(45.5)]);
    expect(feelerBracketSum({ stops: thou(8) }).at(-1)).toMatchObject({ expression: 'at most', value: thou(8) });
    expect(feelerBracketSum({ goes: thou(8) }).at(-1)).toMatchObject({ expression: 'at least', value: thou(8) });
  });
  it('of a dial’s return show the drift with its sign', () => expect(dialReturnSum({ from: 88, back: 90, ...on })[0]?.value).toBe(thou(2)));
  it('of a verdict show the limits, the reading and how far either side', () => {
    expect(verdictSum(estimate(thou(6), 2_540, 5), { max: thou(8) }).map((l) => l.value)).toEqual([0, thou(8), thou(6), Math.round(2_540 * 2.65)]);
    expect(verdictSum({ kind: 'atMost', value: thou(0) }, { min: thou(5), max: thou(8) }).at(-1)?.label).toBe('read, at most');
  });
});

describe('thirty ordinary entries', () => {
  it.each([
    ['24', DIAL, thou(24)],
    ['0.5', DIAL, thou(0.5)],
    ['12½', DIAL, thou(12.5)],
    ['0>8', DIAL, thou(8)],
    ['99>1', DIAL, thou(2)],
    ['50<44', DIAL, thou(6)],
    ['10>10 +1', DIAL, thou(100)],
    ['88 > 12', DIAL, thou(24)],
    ['0.61 mm', DIAL, mm(0.61)],
    ['24 thou', DIAL, thou(24)],
    ['8 8 8', DIAL, thou(8)],
    ['7½ 8', DIAL, thou(7.75)],
    ['24;24;24', DIAL, thou(24)],
    ['.024"', DIAL, thou(24)],
    ['88>12>88', DIAL, thou(24)],
    ['goes 9 stops 10', FEELERS, thou(9.5)],
    ['goes 9 stops 10 thou', FEELERS, thou(9.5)],
    ['goes 0.20 mm stops 0.25 mm', FEELERS, mm(0.225)],
    ['stops 10 goes 9', FEELERS, thou(9.5)],
    ['goes 12+8 stops 12+9', FEELERS, thou(20.5)],
    ['.5004', MIC, inch(0.5004)],
    ['.5004"', MIC, inch(0.5004)],
    ['0.5004 in', MIC, inch(0.5004)],
    ['12.71 mm', MIC, mm(12.71)],
    ['1-3/16"', MIC, inch(1.1875)],
    ['1 3/16 in', MIC, inch(1.1875)],
    ['9/64', MIC, inch(9 / 64)],
    ['1.103 - .375', MIC, inch(0.728)],
    ['1.103 less .375', MIC, inch(0.728)],
    ['12,71 mm', MIC, mm(12.71)],
  ] as [string, Instrument, Length][])('%s is understood', (text, instrument, value) =>
    expect(readEntry(text, instrument).reading).toMatchObject({ kind: 'estimate', value }),
  );
});

describe('the sums, line by line', () => {
  const on = { divisions: 100, division: thou(1) };
  const moved = (more: object) =>
    dialTravelSum({ from: 88, to: 12, direction: 'clockwise', ...on, ...more }).map((l) => `${l.label}: ${l.expression}`);
  it('of a dial tell its whole turns, and its angle where it is off square', () => {
    expect(moved({})).toEqual(['hand moved: 88 → 12 clockwise = 24 divisions']);
    expect(moved({ revolutions: 1 })).toEqual(['hand moved: 88 → 12 clockwise + 1 turn = 124 divisions']);
    expect(moved({ revolutions: 2 })).toEqual(['hand moved: 88 → 12 clockwise + 2 turns = 224 divisions']);
    expect(moved({ stemAngle: 10 })[1]).toBe('corrected for angle: × cos 10° ÷ cos 0°');
    expect(moved({ faceAngle: 10 })[1]).toBe('corrected for angle: × cos -10° ÷ cos 10°');
  });
  it('of feelers say where blades were stacked, on either side', () => {
    const of = (goes: readonly number[], stops: readonly number[]) =>
      feelerBracketSum({ goes: goes.map((t) => thou(t)), stops: stops.map((t) => thou(t)) }).map((l) => l.expression);
    expect(of([9], [10])).toEqual(['', '', '(goes + stops) ÷ 2']);
    expect(of([4, 5], [10])).toEqual(['Σ', '', '(goes + stops) ÷ 2']);
    expect(of([9], [5, 5])).toEqual(['', 'Σ', '(goes + stops) ÷ 2']);
  });
  it('of feelers say nothing to try next where both sides were found', () => {
    expect(nextFeeler({ goes: thou(9), stops: thou(10) })).toBeUndefined();
    expect(nextFeeler({})).toBeUndefined();
  });
});

describe('a dial that comes back', () => {
  it('is off by the short way round, either way, and half a turn is half a turn', () => {
    const drift = (from: number, back: number): number => dialReturn({ from, back, divisions: 100, division: thou(1) }).drift / 25_400;
    expect([drift(88, 90), drift(90, 88), drift(99, 1), drift(1, 99), drift(10, 10), drift(10, 59)]).toEqual([2, -2, 2, -2, 0, 49]);
  });
});

describe('readings in numbers', () => {
  const options = { resolution: thou(0.1), calibrationU: 0, priorS: thou(0.1) };
  it('over thirty question one as far off as twenty would', () => {
    const many = [...Array.from({ length: 30 }, (_, i) => thou(24 + (i % 2) * 0.1)), thou(25)];
    expect(repeats(many, options).outliers).toEqual([30]);
    expect(repeats(many.slice(0, 30), options).outliers).toEqual([]);
  });
  it('of four or fewer question none, however far apart', () => {
    expect(
      repeats(
        [24, 24, 24, 240].map((t) => thou(t)),
        options,
      ).outliers,
    ).toEqual([]);
    expect(
      repeats(
        [24, 24, 24, 24, 240].map((t) => thou(t)),
        options,
      ).outliers,
    ).toEqual([4]);
  });
  it('of two have the spread of two', () => {
    // pooled with five of 0.1: s² = (5·0.01 + 0.5)/6 for 24 and 25; u² = s²/2 + 0.1²/12
    const { u } = repeats([thou(24), thou(25)], options);
    expect(u / 25_400).toBeCloseTo(Math.sqrt((0.05 + 0.5) / 6 / 2 + 0.01 / 12), 6);
  });
});

describe('Student’s t, at its ends', () => {
  it('is all of it or none far out, and even in the middle, for few degrees of freedom too', () => {
    expect(studentCdf(0, 1)).toBeCloseTo(0.5, 12);
    expect(studentCdf(1e9, 3)).toBeCloseTo(1, 9);
    expect(studentCdf(-1e9, 3)).toBeCloseTo(0, 9);
    // the Cauchy law: ½ + atan(t)/π
    for (const t of [-3, -1, 0.2, 1, 5]) expect(studentCdf(t, 1)).toBeCloseTo(0.5 + Math.atan(t) / Math.PI, 10);
    for (const dof of [40, 400, 4_000]) expect(studentCdf(1.3, dof)).toBeCloseTo(jStat.studentt.cdf(1.3, dof), 7);
  });
  it('has k of 2 where nothing is known, and the first row’s for less than one', () => {
    expect([coverageFactor(), coverageFactor(Infinity), coverageFactor(1), coverageFactor(0.5)]).toEqual([2, 2, 13.97, 13.97]);
  });
});

describe('feelers in millimetres', () => {
  it('say so in their sentences', () => {
    expect(nextFeeler({ goes: mm(0.25), unit: 'mm' })).toBe('0.250 mm or more: try a thicker one until it stops.');
    expect(() => feelerBracket({ goes: mm(0.3), stops: mm(0.25), unit: 'mm' })).toThrow('A feeler of 0.300 mm cannot go where 0.250 mm stops');
    expect(readEntry('stops 0.25', INSTRUMENTS.feelersMm).notes).toEqual(['Under 0.250 mm, or no float at all: try a thinner one until it goes.']);
  });
});
