import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import {
  closedFloat,
  convertLimits,
  convertTorque,
  describeLength,
  formatLength,
  formatLimits,
  inch,
  mm,
  nanometres,
  parseLength,
  parseLimits,
  readLength,
  suspectSlip,
  SWG_INCHES,
  thou,
  toLength,
  type TorqueUnit,
} from './index.ts';
import { refusalOf } from '../testing.ts';

describe('a length', () => {
  it('is exact in both systems: 2 thou is 50 800 nm, 0.001 mm is 1 000, 1/64 in is 396 875', () => {
    expect([thou(2), mm(0.001), parseLength('1/64"', 'mm')]).toEqual([50_800, 1_000, 396_875]);
  });

  // source: international yard and pound agreement, 1959; ISO 80000-3 (1 in = 25.4 mm exactly)
  it.each([
    ['1 in', 25_400_000],
    ['0.677 in', 17_195_800],
    ['2.85', 2_850_000],
    ['2,85 mm', 2_850_000],
    ['.728"', 18_491_200],
    ['0.728 in', 18_491_200],
    ['23 thou', 584_200],
    ['23½ thou', 596_900],
    ['9/64"', 3_571_875],
    ['1 3/16 in', 30_162_500],
    ['1-3/16"', 30_162_500],
    ['35 µm', 35_000],
    ['35 um', 35_000],
    ['2 tenths', 5_080],
    ['20 swg', 914_400],
    ['0,125', 125_000],
    ['-0.05', -50_000],
    ['−2 thou', -50_800],
  ])('reads %s', (text, nm) => expect(parseLength(text, 'mm')).toBe(nm));

  it.each([
    ['', 'empty'],
    ['hello', 'notANumber'],
    ['2 mm 3 thou', 'twoUnits'],
    ['1/0 in', 'zeroDenominator'],
    ['1,000', 'ambiguousComma'],
    ['1,125', 'ambiguousComma'],
    ['1 5/4 in', 'notANumber'],
    ['40 swg', 'notAGauge'],
    ['12 metres', 'notANumber'],
    ['mm 5', 'notANumber'],
    ['99999999', 'tooLong'],
  ])('refuses %s with a code', (text, expected) => expect(refusalOf(() => parseLength(text, 'mm'))).toBe(expected));

  it('says that a metric shop may mean 0.2 mm by two tenths', () => {
    const read = readLength('2 tenths', 'thou');
    expect(read.notes[0]).toContain('0.2 mm');
    expect(read.meanings?.map((m) => m.value)).toEqual([5_080, 200_000]);
  });

  it('is written with a true minus and its trailing zeros', () => {
    expect([
      formatLength(thou(24), 'thou'),
      formatLength(mm(-0.05), 'mm'),
      formatLength(mm(-0.0001), 'mm'),
      describeLength(inch(0.0255), 'in'),
    ]).toEqual(['24.0', '−0.050', '0.000', '0.0255 in']);
  });

  it('refuses what is not a number rather than becoming NaN', () => expect(refusalOf(() => toLength(Number.NaN, 'mm'))).toBe('notANumber'));
});

describe('wire gauge', () => {
  it('is the table of BS 3737 in all 37 numbers (checks/sheet-gauges.csv, from memory and cross-checked)', () => {
    const rows = readFileSync(new URL('../../checks/sheet-gauges.csv', import.meta.url), 'utf8')
      .split('\n')
      .filter((l) => /^\d/.test(l))
      .map((l) => l.split(',').map(Number));
    expect(rows).toHaveLength(37);
    for (const [number = 0, inches] of rows) expect(SWG_INCHES[number]).toBe(inches);
  });
});

describe('limits', () => {
  it.each([
    ['5-8 thou', 127_000, 203_200],
    ['0.005 to 0.008 in', 127_000, 203_200],
    ['0.03…0.09 mm', 30_000, 90_000],
    ['0.03 to 0.09 mm', 30_000, 90_000],
    ['0.728 ±0.003 in', 18_415_000, 18_567_400],
    ['1.125 +0.0015 -0 in', 28_575_000, 28_613_100],
    ['preload 1-3 thou', -76_200, -25_400],
    ['nip 1-3 thou', -76_200, -25_400],
    ['negative end play 1-3 thou', -76_200, -25_400],
    ['3 preload to 2 float thou', -76_200, 50_800],
    ['5–8 thou', 127_000, 203_200],
    ['1/64-1/32 in', 396_875, 793_750],
    ['0.05-0.10', 50_000, 100_000],
    ['.005"-.008"', 127_000, 203_200],
    ['crush 1 to 3 thou', -76_200, -25_400],
    ['-3 to 2 thou', -76_200, 50_800],
  ])('reads %s', (text, min, max) => expect(parseLimits(text, 'mm')).toEqual({ min, max }));

  it('reads a lone limit', () => {
    expect(parseLimits('max 9 thou', 'mm')).toEqual({ max: 228_600 });
    expect(parseLimits('min 0.03 mm', 'mm')).toEqual({ min: 30_000 });
    expect(closedFloat(parseLimits('max 9 thou', 'mm'))).toEqual({ min: 0, max: 228_600 });
  });

  it.each([
    ['8-5 thou', 'reversedLimits'],
    ['7 thou', 'notLimits'],
    ['', 'empty'],
    ['5 thou to 0.2 mm', 'twoUnits'],
    ['fish-chips', 'notANumber'],
    ['preload 3-1 thou', 'reversedLimits'],
  ])('refuses %s', (text, expected) => expect(refusalOf(() => parseLimits(text, 'mm'))).toBe(expected));

  it('converts inward: 4–7 thou at 0.001 mm is 0.102–0.177', () => {
    expect(convertLimits(parseLimits('4-7 thou', 'mm'), { unit: 'mm', step: 0.001 })).toEqual({ min: 102_000, max: 177_000 });
  });

  it('leaves limits alone that are whole steps already, and refuses a step wider than the window', () => {
    expect(convertLimits({ min: thou(4), max: thou(7) }, { unit: 'thou', step: 0.5 })).toEqual({ min: thou(4), max: thou(7) });
    expect(refusalOf(() => convertLimits({ min: mm(0.011), max: mm(0.019) }, { unit: 'mm', step: 0.01 }))).toBe('inverted');
  });

  it('is written short', () => {
    expect(
      [
        parseLimits('5-8 thou', 'mm'),
        parseLimits('preload 1-3 thou', 'mm'),
        parseLimits('max 9 thou', 'mm'),
        parseLimits('3 preload to 2 float thou', 'mm'),
      ].map((l) => formatLimits(l, 'thou')),
    ).toEqual(['5–8', 'preload 1–3', 'max 9', '3 preload to 2 float']);
    expect(formatLimits(parseLimits('0.05-0.1 mm', 'mm'), 'mm')).toBe('0.050–0.100');
  });
});

describe('torque', () => {
  // arithmetic from definitions: lbf 4.4482216152605 N, ft 0.3048 m, g₀ 9.80665 m/s²
  it.each([
    [90, 'lbf·ft', 'N·m', 122.0236],
    [15, 'lbf·in', 'N·m', 1.694772],
    [1.25, 'N·m', 'kgf·m', 0.127465],
    [1, 'lbf·ft', 'lbf·in', 12],
    [16, 'ozf·in', 'lbf·in', 1],
    [1, 'kgf·m', 'kgf·cm', 100],
  ] as [number, TorqueUnit, TorqueUnit, number][])('%d %s in %s', (value, from, to, expected) =>
    expect(convertTorque(value, from, to)).toBeCloseTo(expected, 4),
  );
});

describe('a slip of unit or point', () => {
  const expected = { min: thou(5), max: thou(8) };
  const meant = (entered: number): number | undefined => suspectSlip(nanometres(entered), expected)[0]?.meant;

  it('asks when sixty was typed for six', () => expect(meant(thou(60))).toBe(thou(6)));
  it('asks when thou were typed as millimetres: 6 mm for 6 thou', () =>
    expect(suspectSlip(mm(6), expected)[0]).toMatchObject({ factor: 1000 / 25.4, meant: thou(6) }));
  it('asks when two thou were written as 0.2', () => expect(suspectSlip(thou(0.2), { min: thou(1), max: thou(3) })[0]?.meant).toBe(thou(2)));
  it('asks when five thou were said as five thousand', () => expect(meant(thou(5000))).toBe(thou(5)));
  it('asks on the preload side as well', () => expect(suspectSlip(thou(-20), { min: thou(-3), max: thou(-1) })[0]?.meant).toBe(thou(-2)));
  it('leaves alone what is inside, and what is two to four times out: wear or a wrong pack', () => {
    for (const value of [5, 6.5, 8, 12, 16, 20, 24]) expect(suspectSlip(thou(value), expected)).toEqual([]);
  });
  it('never queries a zero', () => expect(suspectSlip(thou(0), expected)).toEqual([]));
});
