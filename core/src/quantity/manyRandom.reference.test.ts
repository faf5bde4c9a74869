import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { all, create, type MathJsInstance, type Unit } from 'mathjs';
import { convertQuantity, parseLength, readLength, readSpecLine, UNITS, type LengthUnit } from '../index.ts';

const math: MathJsInstance = create(all ?? {});

/** This program's units as the general-purpose library spells them. Not there: tonf, imperial measures (checked by definition below). */
const LIBRARY: Readonly<Record<string, string>> = {
  'N·m': 'N m',
  'lbf·ft': 'lbf ft',
  'lbf·in': 'lbf in',
  'kgf·m': 'kgf m',
  'kgf·cm': 'kgf cm',
  N: 'N',
  kN: 'kN',
  lbf: 'lbf',
  kgf: 'kgf',
  psi: 'psi',
  bar: 'bar',
  kPa: 'kPa',
  MPa: 'MPa',
  Pa: 'Pa',
  'kgf/cm²': 'kgf / cm^2',
  l: 'litre',
  ml: 'ml',
  'US pt': 'pint',
  'US qt': 'quart',
  'US gal': 'gallon',
  'in³': 'cuin',
  '°C': 'degC',
  '°F': 'degF',
  K: 'K',
  mph: 'mi / hour',
  'km/h': 'km / hour',
  'm/s': 'm / s',
  'm/min': 'm / minute',
  'ft/min': 'ft / minute',
  'ft/s': 'ft / s',
  'rad/s': 'rad / s',
  '°': 'deg',
  '′': 'arcmin',
  rad: 'rad',
  turn: 'cycle',
  mm: 'mm',
  in: 'inch',
  thou: 'mil',
  um: 'um',
};

describe('conversions', () => {
  math.createUnit({ kgf: '9.80665 N' }, { override: true });
  const pairs = UNITS.flatMap((from) =>
    UNITS.filter((to) => to.kind === from.kind && to.name !== from.name).map((to) => [from.name, to.name] as const),
  ).filter(([from, to]) => from in LIBRARY && to in LIBRARY);
  const inLibrary = (value: number, from: string, to: string): number => (math.unit(value, LIBRARY[from] ?? '') as Unit).toNumber(LIBRARY[to] ?? '');

  // a general-purpose units library (mathjs 15); its pound-force, inch, mile and temperature scales are its own
  it('agree with a units library on ten thousand random values', () => {
    let compared = 0;
    fc.assert(
      fc.property(fc.constantFrom(...pairs), fc.double({ min: 0.001, max: 10_000, noNaN: true }), ([from, to], value) => {
        const [ours, theirs] = [convertQuantity(value, from, to), inLibrary(value, from, to)];
        expect(Math.abs(ours - theirs)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(theirs)));
        compared++;
      }),
      { numRuns: 10_000 },
    );
    expect(compared).toBe(10_000);
  });

  it('of length agree with the library on ten thousand values, to the nanometre', () => {
    fc.assert(
      fc.property(fc.constantFrom<LengthUnit>('mm', 'in', 'thou', 'um'), fc.integer({ min: 1, max: 390_000 }), (unit, n) => {
        const value = n / 1000;
        const theirs = Math.round((math.unit(value, LIBRARY[unit] ?? '') as Unit).toNumber('mm') * 1e6);
        expect(Math.abs(readLength(`${value} ${unit}`, 'mm').value - theirs)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 10_000 },
    );
  });

  it('agree with it both ways for a length as it is written', () => {
    for (const [text, unit] of [
      ['12.7 mm', 'mm'],
      ['0.5 in', 'inch'],
    ] as const) {
      expect(parseLength(text, 'mm')).toBe(Math.round((math.unit(Number(text.split(' ')[0]), unit) as Unit).toNumber('nm')));
    }
  });
});

describe('a line of a manual’s page', () => {
  it('never throws, whatever the line', () => {
    const text = fc.oneof(
      fc.string({ maxLength: 60 }),
      fc.string({ unit: fc.constantFrom(...'0123456789.,/-+±()½ "thoumlbfin°C'.split('')), maxLength: 60 }),
    );
    fc.assert(
      fc.property(text, (line) => {
        expect(['understood', 'ask', 'notUnderstood', 'words']).toContain(readSpecLine(line).state);
      }),
      { numRuns: 3_000 },
    );
  });
});
