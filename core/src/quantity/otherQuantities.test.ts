import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  convertQuantity,
  convertTorque,
  describeQuantity,
  formatQuantity,
  formatQuantityLimits,
  fromBase,
  fromLength,
  inch,
  isOneFigure,
  LETTER_DRILLS,
  limitsIn,
  mm,
  nanometres,
  nearestFraction,
  nearestSizes,
  NUMBER_DRILLS,
  readQuantity,
  readQuantityLimits,
  readSpecLine,
  suspectTorqueSlip,
  thou,
  twoSystems,
  UNITS,
  type LengthUnit,
  type QuantityLimits,
} from '../index.ts';
import { SPEC_PAGE } from './specPage.fixture.ts';
import { refusalOf } from '../testing.ts';

describe('conversions', () => {
  // legal definitions: gallon 4.54609 l (Weights and Measures Act 1985), US gallon 231 in³; design's check values
  it.each([
    [1, 'imp pt', 'ml', 568.26125],
    [1, 'US pt', 'ml', 473.176473],
    [1, 'imp gal', 'imp pt', 8],
    [1, 'imp gal', 'imp fl oz', 160],
    [1, 'tonf/in²', 'psi', 2240],
    [90, 'lbf·ft', 'N·m', 122.0236],
    [-40, '°C', '°F', -40],
    [100, '°C', '°F', 212],
    [60, 'rev/min', 'rad/s', 2 * Math.PI],
    [60, 'mph', 'ft/s', 88],
    [1, 'ozf·in', 'lbf·in', 1 / 16],
  ] as [number, string, string, number][])('%d %s in %s is %d', (value, from, to, expected) =>
    expect(convertQuantity(value, from, to)).toBeCloseTo(expected, 4),
  );

  it('of torque by either name are the same', () => expect(convertQuantity(7, 'lbf·in', 'kgf·cm')).toBe(convertTorque(7, 'lbf·in', 'kgf·cm')));
  it('are refused between different things', () => expect(refusalOf(() => convertQuantity(1, 'psi', 'N·m'))).toBe('twoKinds'));
  it('there and back come to the same number', () => {
    fc.assert(
      fc.property(fc.constantFrom(...UNITS), fc.double({ min: 0.001, max: 10_000, noNaN: true }), ({ name }, value) => {
        expect(readQuantity(`${formatQuantity(value, name, 13)} ${name}`).unit).toMatch(/./);
        expect(fromBase(readQuantity(`${value.toFixed(9)} ${name}`).value, name)).toBeCloseTo(value, 6);
      }),
    );
  });
});

describe('a quantity as it is typed', () => {
  it.each([
    ['23 lb ft', 'torque', 23, 'lbf·ft'],
    ['23 lbs. ft.', 'torque', 23, 'lbf·ft'],
    ['90-110 ft', 'refused', 0, 'notANumber'],
    ['1.25 N·m', 'torque', 1.25, 'N·m'],
    ['1,25 Nm', 'torque', 1.25, 'N·m'],
    ['40 psi', 'pressure', 40, 'psi'],
    ['40 lb/in²', 'pressure', 40, 'psi'],
    ['120 °C', 'temperature', 120, '°C'],
    ['250 F', 'temperature', 250, '°F'],
    ['-40 °F', 'temperature', -40, '°F'],
    ['2½ imperial pints', 'volume', 2.5, 'imp pt'],
    ['750 cc', 'volume', 750, 'ml'],
    ['30 mph', 'speed', 30, 'mph'],
    ['540 rpm', 'turning', 540, 'rev/min'],
    ['5.1 kg', 'force', 5.1, 'kgf'],
    [`12°30'`, 'angle', 12.5, '°'],
    [`-1°15'36"`, 'angle', -1.26, '°'],
    ['45 deg', 'angle', 45, '°'],
    ['', 'refused', 0, 'empty'],
    ['23', 'refused', 0, 'noUnit'],
    ['-300 °C', 'refused', 0, 'tooCold'],
    [`12°75'`, 'refused', 0, 'notANumber'],
    ['23 furlongs', 'refused', 0, 'notANumber'],
  ] as [string, string, number, string][])('%s', (text, kind, value, unit) => {
    if (kind === 'refused') return expect(refusalOf(() => readQuantity(text))).toBe(unit);
    const read = readQuantity(text);
    expect(read).toMatchObject({ kind, unit });
    expect(fromBase(read.value, unit)).toBeCloseTo(value, 9);
  });

  it('lengths too, in feet and metres as well', () => {
    expect(readQuantity('23½ thou')).toMatchObject({ kind: 'length', value: thou(23.5), unit: 'thou' });
    expect(readQuantity('6 ft').value).toBe(inch(72));
    expect(readQuantity('1.2 m').value).toBe(mm(1200));
  });
  it('a pint by itself is either country’s, and is asked about', () => {
    const read = readQuantity('4 pints');
    expect(read.meanings?.map((m) => m.unit)).toEqual(['imp pt', 'US pt']);
  });
  it('is written to its figures without an exponent', () => {
    expect(describeQuantity(122.0236, 'N·m')).toBe('122.0 N·m');
    expect(describeQuantity(0.000_568_26, 'imp pt', 3)).toBe('1.00 imp pt');
    expect(formatQuantity(-40, '°C', 3)).toBe('−40.0');
    expect(formatQuantity(1e6, 'Pa', 3)).toBe('1000000');
    expect(formatQuantity(thou(5), 'thou')).toBe('5.0');
  });
});

describe('limits of any quantity', () => {
  const only = (text: string): QuantityLimits => {
    const { meanings } = readQuantityLimits(text);
    expect(meanings).toHaveLength(1);
    return meanings[0] as QuantityLimits;
  };
  it('a range with a stroke is a range, and 3/4 could be either', () => {
    expect(only('8/12 lb ins')).toMatchObject({ kind: 'torque', unit: 'lbf·in' });
    expect(fromBase(only('8/12 lb ins').min ?? 0, 'lbf·in')).toBeCloseTo(8, 9);
    expect(readQuantityLimits('3/4 lb ft').meanings).toHaveLength(2);
    expect(isOneFigure(only('1-1/2 litres'))).toBe(true);
  });
  it('a length without a unit is asked about unless it is written as only inches or only millimetres are', () => {
    expect(only('max .003').max).toBe(thou(3));
    expect(only('0.03 to 0.09')).toMatchObject({ min: mm(0.03), max: mm(0.09), unit: 'mm' });
    expect(only('1.1235 ± .0005').min).toBe(inch(1.123));
    expect(readQuantityLimits('2 to 5').meanings).toEqual([
      { kind: 'length', min: thou(2), max: thou(5), unit: 'thou' },
      { kind: 'length', min: mm(0.02), max: mm(0.05), unit: 'mm' },
    ]);
    expect(readQuantityLimits('0.005 to 0.008').meanings.map((m) => m.unit)).toEqual(['in', 'mm']);
  });
  it('reversed, in two units, or without a figure is refused', () => {
    expect(refusalOf(() => readQuantityLimits('22-18 lb ft'))).toBe('reversedLimits');
    expect(refusalOf(() => readQuantityLimits('18 lb ft to 22 Nm'))).toBe('twoUnits');
    expect(refusalOf(() => readQuantityLimits('hand tight'))).toBe('notLimits');
    expect(refusalOf(() => readQuantityLimits(''))).toBe('empty');
    expect(refusalOf(() => readQuantityLimits('24'))).toBe('noUnit');
  });
  it('are shown in the other system rounded inward', () => {
    expect(limitsIn(only('4-7 thou'), 'mm')).toMatchObject({ min: 0.102, max: 0.177 });
    expect(limitsIn(only('4-7 thou'), 'thou')).toMatchObject({ min: 4, max: 7 });
    const bolts = limitsIn(only('18-22 lb ft'), 'N·m');
    expect(bolts).toMatchObject({ min: 24.5, max: 29.8 }); // 24.405 and 29.828 N·m by the definitions
    expect(limitsIn(only('23 lb ft'), 'N·m').min).toBeCloseTo(31.18381, 4);
  });
  it('in another unit never allow what the written ones do not', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 500, noNaN: true }), fc.double({ min: 1.1, max: 3, noNaN: true }), (low, times) => {
        const [min, max] = [low * 1.3558, low * times * 1.3558];
        const shown = limitsIn({ kind: 'torque', min, max, unit: 'lbf·ft' }, 'N·m');
        expect(shown.min).toBeGreaterThanOrEqual(min - 1e-6);
        expect(shown.max).toBeLessThanOrEqual(max + 1e-6);
      }),
    );
  });
});

describe('a manual’s page of forty lines', () => {
  it.each(SPEC_PAGE)('%s', (line, name, meant) => {
    const read = readSpecLine(line);
    if (meant === 'ask') return expect(read.state).toBe('ask');
    if (meant === 'no') return expect(read.state).not.toBe('understood');
    expect(read).toMatchObject({ state: 'understood', name });
    if (read.state !== 'understood') return;
    const [kind, min, max, unit] = meant;
    const figure = (value: number | null): number | null =>
      value === null ? null : kind === 'length' ? fromLength(nanometres(value), unit as LengthUnit) : fromBase(value, unit);
    expect(read.limits).toMatchObject({ kind, unit });
    for (const [ours, theirs] of [
      [figure(read.limits.min), min],
      [figure(read.limits.max), max],
    ])
      if (theirs === null) expect(ours).toBeNull();
      else expect(ours).toBeCloseTo(theirs ?? NaN, 6);
  });

  it('is understood in at least thirty-eight of its lines', () => {
    expect(SPEC_PAGE).toHaveLength(40);
    expect(SPEC_PAGE.filter(([line]) => readSpecLine(line).state === 'understood').length).toBeGreaterThanOrEqual(38);
  });

  it('asks where the two systems on one line do not agree', () => {
    const read = readSpecLine('Backlash 0.15-0.20 mm (0.008-0.012 in)');
    expect(read).toMatchObject({ state: 'ask', because: 'the two figures on this line do not agree' });
  });
  it('asks which pint, unless the litres beside it say', () => {
    expect(readSpecLine('Oil, 4 pints').state).toBe('ask');
    expect(readSpecLine('Oil 4 pints (1.9 litres)')).toMatchObject({ state: 'understood', limits: { unit: 'US pt' } });
  });
  it('takes a heading for a heading and a figure without a name for nothing', () => {
    expect(readSpecLine('REAR AXLE').state).toBe('words');
    expect(readSpecLine('5-8 thou')).toMatchObject({ state: 'notUnderstood' });
    expect(readSpecLine('Cover bolts 22-18 lb ft')).toMatchObject({ state: 'notUnderstood', because: expect.stringContaining('wrong way round') });
  });
});

describe('the nearest thing to be had', () => {
  const named = (wanted: number, of: string): string[] =>
    nearestSizes(nanometres(wanted))
      .filter((n) => n.of === of)
      .map((n) => n.name);
  it('is a fraction, a drill, a gauge', () => {
    expect(nearestFraction(thou(23.5), 128)).toMatchObject({ name: '3/128″' });
    expect(nearestFraction(inch(1.1875), 64).name).toBe('1 3/16″');
    expect(nearestFraction(inch(2), 64).name).toBe('2″');
    expect(named(thou(23.5), 'gauge')).toEqual(['no. 23 SWG', 'no. 24 SWG']);
    expect(named(thou(23.5), 'drill')[0]).toBe('drill 0.6 mm');
    expect(named(mm(6.8), 'drill')[0]).toBe('drill 6.8 mm');
    expect(named(inch(0.201), 'drill')[0]).toBe('drill no. 7');
  });
  it('misses by what it says', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100_000, max: 30_000_000 }), (wanted) => {
        for (const each of nearestSizes(nanometres(wanted))) expect(each.size - wanted).toBe(each.error);
      }),
    );
  });
  it('knows the leaves on hand', () => {
    const [leaf] = nearestSizes(thou(23.5), [
      { thickness: thou(20), name: 'leaf 20' },
      { thickness: mm(0.6), name: 'leaf 0.60 mm' },
    ]).filter((n) => n.of === 'leaf');
    expect(leaf).toMatchObject({ name: 'leaf 0.60 mm', error: nanometres(mm(0.6) - thou(23.5)) });
  });
  // ANSI/ASME B94.11M from memory; compared once, all 106 equal, with the drill gauge of GNU units 2.22 (opened)
  it('the drills run evenly down and up, and the letters take over where the numbers end', () => {
    expect(NUMBER_DRILLS).toHaveLength(80);
    NUMBER_DRILLS.slice(1).forEach((size, i) => expect(size).toBeLessThan(NUMBER_DRILLS[i] ?? 0));
    const letters = Object.values(LETTER_DRILLS);
    expect(letters).toHaveLength(26);
    letters.slice(1).forEach((size, i) => expect(size).toBeGreaterThan(letters[i] ?? 1));
    expect(letters[0]).toBeGreaterThan(NUMBER_DRILLS[0] ?? 1);
    expect(LETTER_DRILLS.E).toBe(0.25); // the one letter that is a fraction
  });
});

describe('a slip of torque', () => {
  const bolts = { min: 24.4, max: 29.8 }; // 18 to 22 lbf·ft
  const meant = (value: number, unit: string): string | undefined => {
    const [slip] = suspectTorqueSlip(convertQuantity(value, unit, 'N·m'), bolts);
    return slip && describeQuantity(slip.meant, 'lbf·ft', 2);
  };
  it('asks about pounds inches for pounds feet, newton metres for kilograms, and the point', () => {
    expect(meant(20, 'lbf·in')).toBe('20 lbf·ft');
    expect(meant(240, 'lbf·ft')).toBe('20 lbf·ft');
    expect(meant(2.8, 'N·m')).toBe('21 lbf·ft');
    expect(meant(200, 'lbf·ft')).toBe('20 lbf·ft');
  });
  it('leaves alone what is inside, and what is merely high', () => {
    for (const value of [18, 20, 22, 27, 40, 60]) expect(meant(value, 'lbf·ft')).toBeUndefined();
  });
  it('asks about the wrench’s other scale only where that was read last', () => {
    const entered = convertQuantity(27.1, 'lbf·ft', 'N·m'); // 27 N·m read off as lbf·ft
    expect(suspectTorqueSlip(entered, { min: 25, max: 28 })).toEqual([]);
    expect(suspectTorqueSlip(entered, { min: 25, max: 28 }, true)[0]?.meant).toBeCloseTo(27.1, 6);
  });
});

describe('both systems side by side', () => {
  // arithmetic: 25.4 mm to the inch, 1.355818 N·m to the lbf·ft, 0.112985 to the lbf·in; rounded inward
  it.each([
    ['5-8 thou', '5–8 thou', '0.127–0.203 mm'],
    ['.004" to .009"', '4–9 thou', '0.102–0.228 mm'],
    ['1.125 +.0015 -0', '1.1250–1.1265 in', '28.575–28.613 mm'],
    ['0.03 to 0.09 mm', '1.2–3.5 thou', '0.030–0.090 mm'],
    ['23 lb ft', '23 lbf·ft', '31.2 N·m'],
    ['8/12 lb ins', '8–12 lbf·in', '0.91–1.35 N·m'],
    ['4.5-5.5 kgf m', '32.6–39.7 lbf·ft', '4.5–5.5 kgf·m'],
    ['max 120 °C', 'max 248 °F', 'max 120 °C'],
    ['preload 1-3 thou', 'preload 1–3 thou', 'preload 0.026–0.076 mm'],
    ['max 4 thou', 'max 4 thou', 'max 0.101 mm'],
    ['12 ½ litres', '22 imp pt', '12.5 l'],
  ])('%s is %s, and %s', (text, imperial, metric) => {
    const [limits] = readQuantityLimits(text).meanings as [QuantityLimits];
    const units = twoSystems(limits);
    const said = (unit: string): string => `${formatQuantityLimits(limits, unit)} ${unit}`;
    expect([said(units.imperial), said(units.metric)]).toEqual([imperial, metric]);
  });
});
