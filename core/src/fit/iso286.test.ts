import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { mm, nanometres, type Length } from '../quantity/index.ts';
import { bearingRing, bearingSeat, isoFit, isoFitSum, isoLimits } from './index.ts';
import { ABOVE, ABOVE_FINE, BELOW, FINE_STEPS, GRADES, MAIN_STEPS } from './iso286Tables.ts';

const um = (micrometres: number): Length => nanometres(micrometres * 1000);
const inUm = ({ upper, lower }: { upper: Length; lower: Length }): [number, number] => [upper / 1000, lower / 1000];

const rows = readFileSync(new URL('../../checks/iso286.csv', import.meta.url), 'utf8')
  .split(/\r?\n/)
  .filter((line) => /^\w+,(hole|shaft),/.test(line))
  .map((line) => {
    const [name = '', , diameter, upper, lower] = line.split(',');
    return { name, diameter: Number(diameter), limits: [Number(upper), Number(lower)] };
  });

describe('limits of size', () => {
  // checks/iso286.csv: rebuilt from the rules of ISO 286-1 from memory, and a second list typed class by class
  it('are those of the check list, every row of it', () => {
    expect(rows.length).toBe(539);
    for (const { name, diameter, limits } of rows)
      expect([name, diameter, ...inUm(isoLimits(mm(diameter), name))]).toEqual([name, diameter, ...limits]);
  });
  // the design's own values, from memory of ISO 286-2
  it.each([
    [25, 'H7', 21, 0],
    [25, 'f7', -20, -41],
    [25, 'g6', -7, -20],
    [50, 'k6', 18, 2],
    [80, 'p6', 51, 32],
    [40, 's6', 59, 43],
  ])('of %s mm %s', (size, name, upper, lower) => expect(inUm(isoLimits(mm(size), name))).toEqual([upper, lower]));
  it('change at the end of a step and not before', () => {
    expect(inUm(isoLimits(mm(50), 'H7'))).toEqual([25, 0]);
    expect(inUm(isoLimits(mm(50.001), 'H7'))).toEqual([30, 0]);
    expect(inUm(isoLimits(mm(65), 'r6'))).toEqual([60, 41]);
    expect(inUm(isoLimits(mm(66), 'r6'))).toEqual([62, 43]);
  });
  it('are refused by name where they are not held', () => {
    expect(() => isoLimits(mm(25), 'x7')).toThrow('The letter x is not held here');
    expect(() => isoLimits(mm(25), 'U7')).toThrow('The letter U is not held here');
    expect(() => isoLimits(mm(25), 'H12')).toThrow('Grade 12 is not held here: 5 to 11 are.');
    expect(() => isoLimits(mm(25), 'K9')).toThrow('K is held for grades 5 to 8');
    expect(() => isoLimits(mm(25), 'j8')).toThrow('j is held for grades 5 to 7');
    expect(() => isoLimits(mm(25), 'J5')).toThrow('J is held for grades 6 to 8');
    expect(() => isoLimits(mm(2.9), 'H7')).toThrow('from 3 to 250 mm');
    expect(() => isoLimits(mm(251), 'H7')).toThrow('from 3 to 250 mm');
    for (const name of ['', 'seven', '7H', 'H', 'Js7']) expect(() => isoLimits(mm(25), name)).toThrow();
  });
});

// The second route: the formulae ISO 286-1 gives for its tables (from memory), with D the geometric mean of the step.
describe('the formulae of ISO 286-1', () => {
  const meanOf = (steps: readonly number[], i: number): number => Math.sqrt((steps[i - 1] ?? 1) * (steps[i] ?? 1));
  const means = MAIN_STEPS.map((_, i) => meanOf(MAIN_STEPS, i));
  const fineMeans = FINE_STEPS.map((_, i) => meanOf(FINE_STEPS, i));
  const unit = (D: number): number => 0.45 * Math.cbrt(D) + 0.001 * D;
  const gradeAt = (grade: number, D: number): number => {
    const step = MAIN_STEPS.findIndex((end) => D <= end);
    return GRADES[grade]?.[step] ?? NaN;
  };
  it('give every grade within 8.4 % of the table over 3 mm', () => {
    for (const [grade, units] of [
      [5, 7],
      [6, 10],
      [7, 16],
      [8, 25],
      [9, 40],
      [10, 64],
      [11, 100],
    ] as const)
      means.forEach((D, i) => {
        if (i > 0) expect(Math.abs(1 - (units * unit(D)) / (GRADES[grade]?.[i] ?? NaN))).toBeLessThan(0.0845);
      });
  });
  it.each([
    ['d', BELOW, (D: number) => 16 * D ** 0.44],
    ['e', BELOW, (D: number) => 11 * D ** 0.41],
    ['f', BELOW, (D: number) => 5.5 * D ** 0.41],
    ['g', BELOW, (D: number) => 2.5 * D ** 0.34],
    ['k', ABOVE, (D: number) => 0.6 * Math.cbrt(D)],
    ['m', ABOVE, (D: number) => gradeAt(7, D) - gradeAt(6, D)],
    ['n', ABOVE, (D: number) => 5 * D ** 0.34],
  ] as const)('give %s within 1.3 µm over 3 mm', (letter, table, formula) => {
    means.forEach((D, i) => {
      if (i > 0) expect(Math.abs((table[letter]?.[i] ?? NaN) - formula(D))).toBeLessThan(1.3);
    });
  });
  it('give p as IT7 and a little more', () => {
    means.forEach((D, i) => {
      const more = (ABOVE.p?.[i] ?? NaN) - gradeAt(7, D);
      expect(more >= -4 && more <= 4).toBe(true);
    });
  });
  it('give r, s and u by the finer steps: r between p and s, s over 50 mm IT7 + 0.4 D, u over 18 mm IT7 + D', () => {
    fineMeans.forEach((D, i) => {
      const [r, s, u] = ['r', 's', 'u'].map((letter) => ABOVE_FINE[letter]?.[i] ?? NaN) as [number, number, number];
      const p = ABOVE.p?.[MAIN_STEPS.findIndex((end) => D <= end)] ?? NaN;
      if (i > 0) expect(Math.abs(r - Math.sqrt(p * s))).toBeLessThan(1.2);
      if (D > 50) expect(Math.abs(s - (gradeAt(7, D) + 0.4 * D))).toBeLessThan(1);
      if (D > 18) expect(Math.abs(u - (gradeAt(7, D) + D))).toBeLessThan(1);
    });
  });
});

describe('a fit', () => {
  it('of 25 H7/f7 has 20 to 62 µm of clearance', () => {
    expect(isoFit(mm(25), 'H7/f7')).toMatchObject({ least: um(20), greatest: um(62) });
    expect(isoFitSum(mm(25), 'H7/f7').map((line) => line.value)).toEqual([mm(25), mm(25.021), mm(24.959), mm(24.98), um(20), um(62)]);
  });
  it('wants hole and shaft, in that order', () => {
    for (const name of ['f7/H7', 'H7', 'H7/f7/g6', 'H7 f7']) expect(() => isoFit(mm(25), name)).toThrow('write hole and shaft like H7/f7');
  });
});

describe('a rolling bearing’s ring', () => {
  // ISO 492 normal class, from memory
  it('is at nominal or below it, bore and outside', () => {
    expect(inUm(bearingRing({ diameter: mm(30), ring: 'bore' }))).toEqual([0, -10]);
    expect(inUm(bearingRing({ diameter: mm(62), ring: 'outside' }))).toEqual([0, -13]);
    expect(inUm(bearingRing({ diameter: mm(150), ring: 'outside' }))).toEqual([0, -18]);
    expect(() => bearingRing({ diameter: mm(300), ring: 'bore' })).toThrow('from 3 to 250 mm');
  });
  it('of 30 mm on k6 is 2 to 25 µm tight, which H7 would not say', () => {
    const { least, greatest } = bearingSeat(mm(30), 'k6');
    expect([least, greatest]).toEqual([um(-25), um(-2)]);
    expect(bearingSeat(mm(62), 'H7')).toMatchObject({ least: um(0), greatest: um(43) });
  });
});

describe('a bearing’s ring, step by step', () => {
  // ISO 492, normal class, from memory: the step a size falls in, its upper end belonging to it, µm below nominal
  it.each([
    [
      'bore',
      [
        [3, 8],
        [10, 8],
        [18, 8],
        [18.1, 10],
        [30, 10],
        [30.1, 12],
        [50, 12],
        [50.1, 15],
        [80, 15],
        [80.1, 20],
        [120, 20],
        [120.1, 25],
        [180, 25],
        [180.1, 30],
        [250, 30],
      ],
    ],
    [
      'outside',
      [
        [3, 8],
        [18, 8],
        [18.1, 9],
        [30, 9],
        [30.1, 11],
        [50, 11],
        [50.1, 13],
        [80, 13],
        [80.1, 15],
        [120, 15],
        [120.1, 18],
        [150, 18],
        [150.1, 25],
        [180, 25],
        [180.1, 30],
        [250, 30],
      ],
    ],
  ] as const)('of the %s', (ring, steps) => {
    for (const [size, below] of steps) expect([size, ...inUm(bearingRing({ diameter: mm(size), ring }))]).toEqual([size, 0, -below]);
    for (const outside of [2.99, 250.1]) expect(() => bearingRing({ diameter: mm(outside), ring })).toThrow('outside the table');
  });
});

describe('how a class or a fit is written', () => {
  it('may have spaces about it, and nothing else', () => {
    expect(inUm(isoLimits(mm(25), ' H 7 '))).toEqual([21, 0]);
    expect(isoFit(mm(25), ' H7 / f7 ').least).toBe(um(20));
    for (const wrong of ['xyH7', '7H7', 'H7x', 'H7 f', '', 'H']) expect(() => isoLimits(mm(25), wrong)).toThrow('tolerance class');
    for (const wrong of ['f7/H7', '1H7/f7', 'H7/1f7', 'H7/f7/g6', 'H7']) expect(() => isoFit(mm(25), wrong)).toThrow('not a fit');
  });
  it('is held from 5 to 11, and J from 6 to 8', () => {
    for (const grade of [4, 12]) expect(() => isoLimits(mm(25), `H${grade}`)).toThrow('5 to 11');
    for (const grade of [5, 11]) expect(() => isoLimits(mm(25), `H${grade}`)).not.toThrow();
    for (const grade of [5, 9]) expect(() => isoLimits(mm(25), `J${grade}`)).toThrow('6 to 8');
    for (const grade of [6, 8]) expect(() => isoLimits(mm(25), `J${grade}`)).not.toThrow();
  });
  it('of a seat is a hole for the outside and a shaft for the bore, spaces or none', () => {
    // outside 62 is 0 / −13 (ISO 492), H7 at 62 is +30 / 0: least 0, greatest 43
    for (const name of ['H7', ' H7']) expect([bearingSeat(mm(62), name).least, bearingSeat(mm(62), name).greatest]).toEqual([0, um(43)]);
    // bore 30 is 0 / −10, k6 at 30 is +15 / +2: least −25, greatest −2
    for (const name of ['k6', ' k6']) expect([bearingSeat(mm(30), name).least, bearingSeat(mm(30), name).greatest]).toEqual([um(-25), um(-2)]);
  });
  it('shows the four sizes it comes to', () =>
    expect(isoFitSum(mm(25), 'H7/f7').map((l) => [l.label, l.expression, l.value])).toEqual([
      ['hole', 'H7', mm(25)],
      ['to', '', mm(25.021)],
      ['shaft', 'f7', mm(24.959)],
      ['to', '', mm(24.98)],
      ['least clearance', 'smallest hole − largest shaft', um(20)],
      ['greatest clearance', 'largest hole − smallest shaft', um(62)],
    ]));
  it('of a hole that starts above nominal counts from there', () => expect(isoFitSum(mm(25), 'F8/h6')[0]?.value).toBe(mm(25.02)));
});
