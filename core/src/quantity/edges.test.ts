import { describe, expect, it } from '@jest/globals';
import {
  closedFloat,
  convertLimits,
  convertQuantity,
  formatLimits,
  formatQuantityLimits,
  inch,
  insideOf,
  isOneFigure,
  isSum,
  limitsIn,
  mm,
  nearestSizes,
  formatQuantity,
  readLength,
  readLimits,
  readQuantity,
  readQuantityLimits,
  readSpecLine,
  sumLengths,
  suspectSlip,
  suspectTorqueSlip,
  thou,
  twoSystems,
  UNITS,
  type Length,
  type QuantityLimits,
} from '../index.ts';
import { refusalOf } from '../testing.ts';

const length = (min: number | null, max: number | null, unit: 'thou' | 'mm' | 'in' = 'thou'): QuantityLimits => ({ kind: 'length', min, max, unit });

describe('lengths added up', () => {
  it('each take the next unit written, or the last', () => {
    const units = (text: string) => sumLengths(text).terms.map((t) => `${t.value / 100} ${t.unit}`);
    expect(units('3 + 2 thou + 1 mm')).toEqual(['762 thou', '508 thou', '10000 mm']);
    expect(units('1 mm + 3 + 2 thou')).toEqual(['10000 mm', '762 thou', '508 thou']);
    expect(units('3 thou + 1 mm + 2')).toEqual(['762 thou', '10000 mm', '20000 mm']);
  });
  // worked by hand: 3 thou is 0.0762 mm
  it.each([
    ['3 thou+0.2 mm', 276_200],
    ['3 thou + 0.2 mm', 276_200],
    ['3 thou +0.2 mm', 276_200],
    ['3 thou  +  0.2 mm', 276_200],
    ['3 thou and 0.2 mm', 276_200],
    ['3  thou   less   1  thou', 50_800],
    ['0.2 mm less 3 thou', 123_800],
    ['0.2 mm - 3 thou', 123_800],
    ['3 thou - 0.2 mm', -123_800],
    ['2 × 0.20 mm', 400_000],
    ['2x0.20 mm', 400_000],
    ['2 x 0.20 mm', 400_000],
    ['2 * 0.20 mm', 400_000],
    ['0.20 mm × 2', 400_000],
    ['0.20 mm x2', 400_000],
    ['2×0.20 mm less 3×1 thou', 323_800],
    ['5 + 3 thou', 203_200],
    ['5 thou + 3', 203_200],
    ['1-1/8 in + 1/8', 31_750_000],
    ['1.103 less .375 in', 18_491_200],
    ['12 + 5 + 3 thou', 508_000],
  ])('%s', (text, nm) => expect(sumLengths(text).value).toBe(nm));
  it('say how often each was taken, with its sign, and in what unit', () =>
    expect(sumLengths('2 × 0.20 mm less 3 thou')).toEqual({
      value: mm(0.4) - thou(3),
      unit: 'mm',
      terms: [
        { times: 2, value: mm(0.2), unit: 'mm' },
        { times: -1, value: thou(3), unit: 'thou' },
      ],
    }));
  it('are more than one figure', () => {
    for (const text of ['3 thou + 2', '2 x 3 thou', '3 thou x 2', '1 in less 2', '5 - 3 thou']) expect([text, isSum(text)]).toEqual([text, true]);
    for (const text of ['3 thou', '1-1/8 in', '-3 thou', '5-8 thou', 'max 3 thou', '']) expect([text, isSum(text)]).toEqual([text, false]);
  });
  it('need a unit somewhere, and are of lengths alone', () => {
    expect(refusalOf(() => sumLengths('3 + 2'))).toBe('noUnit');
    for (const text of ['3 thou + 2 N·m', '10 °C + 5 °C', '3 thou + 2 bananas'])
      expect([text, refusalOf(() => sumLengths(text))]).toEqual([text, 'notALength']);
    expect(refusalOf(() => sumLengths('3 thou + '))).toBe('notANumber');
  });
});

describe('a slip', () => {
  const meant = (entered: Length, min: number, max: number): number[] =>
    suspectSlip(entered, { min: thou(min), max: thou(max) }).map((s) => Math.round(s.meant / 254) / 100);
  it('is looked for a little beyond what is expected, and what lies inside comes first', () => {
    // 4.25 and 9.2 are 0.85 × 5 and 1.15 × 8: on the edge they are still meant, past it they are not
    expect(meant(thou(42.5), 5, 8)).toContain(4.25);
    expect(meant(thou(42.4), 5, 8)).not.toContain(4.24);
    expect(meant(thou(91.9), 5, 8)).toContain(9.19);
    expect(meant(thou(92.1), 5, 8)).not.toContain(9.21);
  });
  it('from nothing up is looked for in the upper half', () => {
    expect(meant(thou(60), 0, 8)).toEqual([6]);
    expect(meant(thou(30), 0, 8)).toEqual([]);
    expect(meant(thou(80), 0, 8)).toEqual([8]);
    expect(meant(thou(40), 0, 8)).toEqual([4]);
  });
  it('of two places is known, and none is made of nothing', () => {
    expect(meant(thou(600), 5, 8)).toContain(6);
    expect(meant(thou(0), 5, 8)).toEqual([]);
    expect(suspectSlip(thou(600), { min: thou(5), max: thou(8) }).find((s) => s.factor === 100)?.why).toBe('the point two places out');
  });
  it('the commoner comes first where two are as likely', () => {
    // 200 thou: 200 ÷ 39.37 is 5.08, ÷ 25.4 is 7.87: both inside, and thou for millimetres is the commoner
    expect(meant(thou(200), 5, 8)).toEqual([5.08, 7.87]);
  });
  it('of torque is not asked of what is on a limit', () => {
    expect(suspectTorqueSlip(24, { min: 24, max: 30 })).toEqual([]);
    expect(suspectTorqueSlip(30, { min: 24, max: 30 })).toEqual([]);
    for (const inside of [24, 300, 0, -5]) expect([inside, suspectTorqueSlip(inside, { min: 24, max: 300 })]).toEqual([inside, []]);
    const meant = (entered: number, min: number, max: number) => suspectTorqueSlip(entered, { min, max }).map((s) => Math.round(s.meant * 10) / 10);
    // from nothing up, the upper half: 15 to 30
    expect([meant(300, 0, 30).includes(30), meant(100, 0, 30)]).toEqual([true, []]);
    expect(meant(204, 24, 30)).toContain(20.4);
    expect(meant(2500, 24, 30)).toContain(25);
    expect(suspectTorqueSlip(300, { min: 24, max: 30 }).map((s) => Math.round(s.meant))).toEqual([25, 30, 31, 34]);
  });
});

describe('limits of a length', () => {
  it('that are one figure twice are in order', () => expect(readLimits('5-5 thou', 'mm').limits).toEqual({ min: thou(5), max: thou(5) }));
  it('of one end keep the other open when they are said in another unit', () => {
    expect(convertLimits({ min: thou(4) }, { unit: 'mm', step: 0.001 })).toStrictEqual({ min: mm(0.102) });
    expect(convertLimits({ max: thou(7) }, { unit: 'mm', step: 0.001 })).toStrictEqual({ max: mm(0.177) });
    expect(convertLimits({}, { unit: 'mm', step: 0.001 })).toStrictEqual({});
  });
  it('a lone greatest of a float starts from nothing, and nothing else does', () => {
    expect(closedFloat({ max: thou(3) })).toEqual({ min: 0, max: thou(3) });
    expect(closedFloat({ max: thou(0) })).toEqual({ min: 0, max: 0 });
    expect(closedFloat({ max: thou(-1) })).toEqual({ max: thou(-1) });
    expect(closedFloat({ min: thou(1), max: thou(3) })).toEqual({ min: thou(1), max: thou(3) });
    expect(closedFloat({ min: thou(1) })).toEqual({ min: thou(1) });
    expect(closedFloat({})).toEqual({});
  });
  it('narrower than two steps of what they are said to stay as they are', () => {
    // two steps of 0.001 mm are 2 µm: 1.9 µm stays, 50 µm is rounded inward
    const narrow = { min: 100_500 as Length, max: 102_400 as Length };
    expect(insideOf(narrow, 'mm')).toEqual(narrow);
    expect(insideOf({ min: 100_500 as Length, max: 150_600 as Length }, 'mm')).toEqual({ min: 101_000, max: 150_000 });
    expect(insideOf({ min: thou(1.05), max: thou(1.2) }, 'thou')).toEqual({ min: thou(1.05), max: thou(1.2) });
    expect(insideOf({ min: thou(1.05), max: thou(3.06) }, 'thou')).toEqual({ min: thou(1.1), max: thou(3) });
  });
  it('are written by their side of nothing', () => {
    expect(formatLimits({ min: thou(-3), max: thou(-1) }, 'thou')).toBe('preload 1–3');
    expect(formatLimits({ min: thou(-3), max: thou(0) }, 'thou')).toBe('preload 0–3');
    expect(formatLimits({ min: thou(-3), max: thou(2) }, 'thou')).toBe('3 preload to 2 float');
    expect(formatLimits({ min: thou(0), max: thou(0) }, 'thou')).toBe('0–0');
    expect(formatLimits({ min: thou(3) }, 'thou')).toBe('min 3');
    expect(formatLimits({}, 'thou')).toBe('none');
  });
});

describe('limits of anything', () => {
  const meanings = (text: string) => readQuantityLimits(text).meanings.map((m) => [m.unit, m.min, m.max]);
  it('with a stroke between whole halves may be a fraction, and others are a range', () => {
    expect(meanings('3/4 N·m')).toEqual([
      ['N·m', 3, 4],
      ['N·m', 0.75, 0.75],
    ]);
    expect(meanings('8/12 N·m')).toEqual([['N·m', 8, 12]]);
    expect(meanings('12 / 16 N·m')).toEqual([
      ['N·m', 12, 16],
      ['N·m', 0.75, 0.75],
    ]);
    expect(meanings('12/8 N·m')).toEqual([['N·m', 1.5, 1.5]]);
    expect(meanings('1-1/2 N·m')).toEqual([['N·m', 1.5, 1.5]]);
    expect(meanings('12-1/2 N·m')).toEqual([['N·m', 12.5, 12.5]]);
    expect(meanings('1-11/16 N·m')).toEqual([['N·m', 1.6875, 1.6875]]);
  });
  it('with three decimals and no unit are inches or millimetres, with none thou or hundredths', () => {
    expect(meanings('1.250-1.255').map(([unit]) => unit)).toEqual(['in', 'mm']);
    expect(meanings('5-8').map(([unit]) => unit)).toEqual(['thou', 'mm']);
    expect(meanings('5-8')[1]).toEqual(['mm', mm(0.05), mm(0.08)]);
  });
  it('that are not limits but a figure are one figure, and nonsense is refused for what it is', () => {
    expect(meanings('0.5 mm')).toEqual([['mm', mm(0.5), mm(0.5)]]);
    expect(refusalOf(() => readQuantityLimits('0.5 mm banana'))).toBe('notANumber');
    expect(refusalOf(() => readQuantityLimits('8-5 thou'))).toBe('reversedLimits');
  });
  it('in another unit leave an open end open', () => {
    expect(limitsIn(length(null, thou(7)), 'mm')).toEqual({ min: null, max: 0.177, step: 0.001 });
    expect(limitsIn(length(thou(4), null), 'mm')).toEqual({ min: 0.102, max: null, step: 0.001 });
    expect(limitsIn(length(thou(4), null), 'thou')).toMatchObject({ min: 4, max: null });
    expect(limitsIn(length(null, thou(7)), 'thou')).toMatchObject({ min: null, max: 7 });
    const torque: QuantityLimits = { kind: 'torque', min: null, max: 30, unit: 'N·m' };
    expect(limitsIn(torque, 'lbf·ft')).toEqual({ min: null, max: 22.1, step: 0.1 });
    expect(limitsIn({ ...torque, min: 24, max: null }, 'lbf·ft')).toEqual({ min: 17.8, max: null, step: 0.1 });
  });
  it('a window of one step is said, and one of none refused', () => {
    // 2 to 2 of a step: 12.0 to 12.2 N·m is 8.851 to 8.998 lbf·ft
    expect(limitsIn({ kind: 'torque', min: 12, max: 12.2, unit: 'N·m' }, 'lbf·ft')).toMatchObject({ min: 8.86, max: 8.99 });
    expect(refusalOf(() => limitsIn({ kind: 'torque', min: 12, max: 12.001, unit: 'N·m' }, 'lbf·ft'))).toBe('inverted');
    expect(limitsIn({ kind: 'torque', min: 10, max: 10.1, unit: 'lbf·ft' }, 'lbf·ft')).toMatchObject({ min: expect.any(Number) });
  });
  it('are written short, with their sign, each its own way', () => {
    expect(formatQuantityLimits({ kind: 'temperature', min: -20, max: -5, unit: '°C' }, '°C')).toBe('−20–−5');
    expect(formatQuantityLimits({ kind: 'temperature', min: 0, max: 20, unit: '°C' }, '°C')).toBe('0–20');
    expect(formatQuantityLimits(length(thou(4.5), thou(4.5)), 'thou')).toBe('4.5');
    expect(formatQuantityLimits(length(thou(4), thou(4)), 'thou')).toBe('4');
    expect(formatQuantityLimits({ kind: 'torque', min: 24.5, max: 30, unit: 'N·m' }, 'N·m')).toBe('24.5–30');
    expect(formatQuantityLimits(length(null, null), 'thou')).toBe('');
    expect(formatQuantityLimits(length(null, thou(120.5)), 'thou')).toBe('max 120.5');
    expect(formatQuantityLimits({ kind: 'torque', min: 24, max: null, unit: 'N·m' }, 'N·m')).toBe('min 24');
    expect([isOneFigure(length(null, null)), isOneFigure(length(thou(5), thou(5)))]).toEqual([false, true]);
    // 5 to 5.03 thou is 0.127 to 0.12776 mm: one step, and it is said
    expect(formatQuantityLimits(length(thou(5), thou(5.03)), 'mm')).toBe('0.127–0.127');
  });
  it('stand in the sheet in two systems, each kind in its own', () => {
    const of = (kind: QuantityLimits['kind'], unit: string) => twoSystems({ kind, unit, min: 40, max: 40 });
    expect(of('force', 'N')).toEqual({ imperial: 'lbf', metric: 'N' });
    expect(of('pressure', 'bar')).toEqual({ imperial: 'psi', metric: 'bar' });
    expect(of('volume', 'l')).toEqual({ imperial: 'imp pt', metric: 'l' });
    expect(of('temperature', '°C')).toEqual({ imperial: '°F', metric: '°C' });
    expect(of('speed', 'km/h')).toEqual({ imperial: 'mph', metric: 'km/h' });
    expect(of('speed', 'mph')).toEqual({ imperial: 'mph', metric: 'km/h' });
    expect(of('pressure', 'psi')).toEqual({ imperial: 'psi', metric: 'bar' });
    expect(of('turning', 'rev/min')).toEqual({ imperial: 'rev/min', metric: 'rev/min' });
    expect(of('angle', '°')).toEqual({ imperial: '°', metric: '°' });
    expect(twoSystems(length(mm(1.9), mm(1.9), 'in')).imperial).toBe('thou');
    expect(twoSystems(length(mm(2), mm(2), 'in')).imperial).toBe('in');
    expect(twoSystems(length(mm(5.1), mm(5.1), 'mm')).imperial).toBe('in');
    expect(twoSystems(length(mm(5), mm(5), 'mm')).imperial).toBe('thou');
    expect(twoSystems(length(mm(6), mm(6), 'thou')).imperial).toBe('thou');
    const drag = (newtonMetres: number) => twoSystems({ kind: 'torque', unit: 'N·m', min: 1, max: newtonMetres }).imperial;
    expect([drag(4.9), drag(5)]).toEqual(['lbf·in', 'lbf·ft']);
  });
});

describe('a quantity', () => {
  it('of no number is refused, and empty too', () => {
    expect(refusalOf(() => convertQuantity(Number.NaN, 'N·m', 'lbf·ft'))).toBe('notANumber');
    expect(refusalOf(() => convertQuantity(Infinity, 'N·m', 'lbf·ft'))).toBe('notANumber');
    expect(refusalOf(() => readQuantity('  '))).toBe('empty');
  });
  it.each([
    ["12°30'", 12.5],
    ["-12°30'", -12.5],
    ['12° 30′', 12.5],
    ["0°7.5'", 0.125],
    ["1.25°0'", 1.25],
    ["0°7.125'", 0.11875],
    ['12°30\'36"', 12.51],
    ["12°30'36.36''", 12.5101],
  ])('of an angle, %s', (text, degrees) => expect(readQuantity(text).value).toBeCloseTo(degrees, 9));
  it.each(["x12°30'", "12°30'x", "12°3x'"])('is no angle written %s', (text) => expect(() => readQuantity(text)).toThrow());
  it('of less than is said has no sign', () =>
    expect([formatQuantity(-1e-15, 'N·m'), formatQuantity(-1, 'N·m')]).toEqual(['0.000000000000', '−1.000']));
  it('says what is taken for granted of a weight, and nothing of a pull', () => {
    expect(readQuantity('2 kg')).toMatchObject({ kind: 'force', notes: ['a weight is taken as the pull it makes'] });
    expect(() => readQuantity('')).toThrow('23 lb ft');
    expect(readQuantity('20 N').notes).toStrictEqual([]);
    expect(UNITS.find((u) => u.name === 'N')).not.toHaveProperty('note');
  });
  it.each([
    ['36 km/h', 'm/s', 10],
    ['36 kmh', 'm/s', 10],
    ['36 kph', 'm/s', 10],
    ['60 m/min', 'm/s', 1],
    ['60 ft/min', 'ft/s', 1],
    ['3600 mph', 'm/s', 1609.344],
  ])('%s in %s is %d', (text, to, expected) => {
    const { value } = readQuantity(text);
    expect(convertQuantity(value, 'm/s', to)).toBeCloseTo(expected, 9);
  });
});

describe('what is nearest', () => {
  const named = (wanted: Length, of: string): string[] =>
    nearestSizes(wanted)
      .filter((n) => n.of === of)
      .map((n) => n.name);
  it('of metric sheet and metric drills, up and down their range', () => {
    expect(named(mm(0.26), 'metric')).toEqual(['0.25 mm sheet']);
    expect(named(mm(1.55), 'metric')).toEqual(['1.5 mm sheet']);
    expect(named(mm(13), 'drill')[0]).toBe('drill 13.0 mm');
    expect(named(mm(24.5), 'drill')[0]).toBe('drill 24.5 mm');
    expect(named(mm(13.5), 'drill')[0]).toBe('drill 13.5 mm');
    expect(named(mm(0.3), 'drill')).toContain('drill 0.3 mm');
    expect(named(mm(7.3), 'drill')[0]).toBe('drill 7.3 mm');
    expect(named(mm(12.9), 'drill')[0]).toBe('drill 12.9 mm');
  });
  it('is left out where it misses by more than a tenth, and kept where it is just that', () => {
    // 10 mm is the thickest sheet: a tenth of 11.11 is 1.11
    expect(named(mm(11.1), 'metric')).toEqual(['10 mm sheet']);
    expect(named(mm(11.2), 'metric')).toEqual([]);
    for (const small of [thou(0.5), mm(0.005), mm(0)]) expect(nearestSizes(small).filter((n) => n.size === 0)).toEqual([]);
    expect(named(inch(2), 'fraction')).toEqual(['2″']);
    const leaf = (thickness: Length) => nearestSizes(mm(0.1), [{ thickness, name: 'leaf' }]).some((n) => n.of === 'leaf');
    expect([leaf(mm(0.11)), leaf(mm(0.1101))]).toEqual([true, false]);
  });
  it('names a thing once, the first of two that are as near', () => {
    const half = nearestSizes(inch(0.5)).filter((n) => n.of === 'fraction');
    expect(half.map((n) => n.name)).toEqual(['1/2″']);
    const leaves = [
      { thickness: mm(0.24), name: 'one' },
      { thickness: mm(0.26), name: 'other' },
    ];
    expect(nearestSizes(mm(0.25), leaves).filter((n) => n.of === 'leaf')).toMatchObject([{ name: 'one' }]);
  });
});

describe('the words of a length', () => {
  it.each([
    ['2 mm', mm(2)],
    ['2 millimetres', mm(2)],
    ['2 millimeter', mm(2)],
    ['2 in', inch(2)],
    ['2 inches', inch(2)],
    ['2"', inch(2)],
    ['2 thou', thou(2)],
    ['2 thousandths', thou(2)],
    ['2 mil', thou(2)],
    ['2 mils', thou(2)],
    ['2 µm', 2_000],
    ['2 microns', 2_000],
    ['2 tenths', thou(0.2)],
    ['39/8 in', inch(4.875)],
    ['1,1250 mm', mm(1.125)],
  ])('%s', (text, value) => expect(readLength(text, 'um').value).toBe(value));
  it.each([
    ['1 4/4 in', 'notANumber'],
    ['1 5/4 in', 'notANumber'],
    ['12,125 mm', 'ambiguousComma'],
  ])('%s is refused', (text, code) => expect(refusalOf(() => readLength(text, 'mm'))).toBe(code));
});

describe('the words of limits', () => {
  const of = (text: string) => {
    const { min = 0, max = 0 } = readLimits(text, 'mm').limits;
    return [min / 25_400, max / 25_400];
  };
  it.each([
    ['end float 5-8 thou', [5, 8]],
    ['float 5-8 thou', [5, 8]],
    ['5-8 thou clearance', [5, 8]],
    ['5-8thou', [5, 8]],
    ['5-8 thou end play', [5, 8]],
    ['5-8 thou float', [5, 8]],
    ['5-8 thou play', [5, 8]],
    ['5-8 in', [5_000, 8_000]],
    ['5-8 inch', [5_000, 8_000]],
    ['5-8 inches', [5_000, 8_000]],
    ['6 ± 1 thou', [5, 7]],
    ['6±1 thou', [5, 7]],
    ['6 +- 1 thou', [5, 7]],
    ['6+/-1 thou', [5, 7]],
    ['5to8 thou', [5, 8]],
    ['5to 8 thou', [5, 8]],
    ['5 to8 thou', [5, 8]],
    ['5 -8 thou', [5, 8]],
    ['5- 8 thou', [5, 8]],
    ['1 +0.005 -0.002 in', [998, 1005]],
    ['1+.005-.002 in', [998, 1005]],
    ['1 + .005 - .002"', [998, 1005]],
  ])('%s', (text, expected) => expect(of(text)).toEqual(expected));
  it('of one figure are cut short where they are said back', () => {
    expect(() => readLimits('one and a half hundredweight', 'thou')).toThrow('“one and a half hundredwe”');
    expect(() => readQuantityLimits('nothing at all that is a figure')).toThrow('“nothing at all that is a”');
  });
  it('of nothing that is known after them are refused', () => {
    expect(refusalOf(() => readLimits('1 +0.005 -0.002 in x', 'thou'))).toBe('notANumber');
    expect(refusalOf(() => readQuantityLimits('5 max 8 lb ft'))).toBe('notANumber');
  });
});

describe('limits on a page with no unit, and fractions', () => {
  it('of two decimals are millimetres where all are under one, and else asked about', () => {
    const units = (text: string) => readQuantityLimits(text).meanings.map((m) => m.unit);
    expect(units('0.05-0.10')).toEqual(['mm']);
    expect(units('1.5-2.125')).toEqual(['in', 'mm']);
    for (const text of ['1/2 to 3/4', '.05-0.10', '1.1250-1.1265']) expect([text, units(text)]).toEqual([text, ['in']]);
    expect(refusalOf(() => readQuantityLimits('5 bananas'))).toBe('notANumber');
    for (const text of ['0.05-1.20', '0.50-1.00', '1.20-1.50']) expect([text, units(text)]).toEqual([text, ['thou', 'mm']]);
  });
  it('may be said before or after, in full or short', () => {
    for (const text of ['min 5 thou', '5 thou min', '5 thou minimum.', 'minimum 5 thou'])
      expect([text, readQuantityLimits(text).meanings]).toEqual([text, [{ kind: 'length', min: thou(5), max: null, unit: 'thou' }]]);
  });
  const meant = (text: string) => readQuantityLimits(text).meanings.map(({ min, max, unit }) => [min, max, unit]);
  it('one decimal is thou or millimetres', () => expect(meant('1.5-2.5').map(([, , unit]) => unit)).toEqual(['thou', 'mm']));
  it('a fraction by itself may be a range, and one at an end of a range is not', () => {
    const inPounds = (text: string) =>
      readQuantityLimits(text).meanings.map((m) => [m.min, m.max].map((v) => convertQuantity(v ?? 0, 'N·m', 'lbf·ft').toFixed(3)));
    expect(inPounds('3/4lb ft')).toEqual([
      ['3.000', '4.000'],
      ['0.750', '0.750'],
    ]);
    expect(inPounds('1/2 to 2 lb ft')).toEqual([['0.500', '2.000']]);
    expect(refusalOf(() => readQuantityLimits('3 to 5/8 lb ft'))).toBe('reversedLimits');
  });
});

describe('a line of a page', () => {
  it.each([
    ['(1) Shaft float 5-8 thou', 'Shaft float'],
    ['1) Shaft float 5-8 thou', 'Shaft float'],
    ['12. Shaft float 5-8 thou', 'Shaft float'],
    ['a) Shaft float 5-8 thou', 'Shaft float'],
    ['•   Shaft float 5-8 thou', 'Shaft float'],
    ['* Shaft float 5-8 thou', 'Shaft float'],
    ['- Shaft float 5-8 thou', 'Shaft float'],
    ['A shaft float 5-8 thou', 'A shaft float'],
    ['z) float 5-8 thou', 'z) float'],
    ['Of a) float 5-8 thou', 'Of a) float'],
  ])('%s is of %s', (line, name) => expect(readSpecLine(line)).toMatchObject({ state: 'understood', name }));
  it('of a figure first keeps what was written of it apart from its name', () =>
    expect(readSpecLine('5-8 thou shaft float')).toMatchObject({ name: 'shaft float', written: '5-8 thou' }));
  it('that is not understood says what of it is not: from the first figure that stands by itself', () => {
    for (const line of ['Cover M8 5 cubits', 'Cover -5 cubits'])
      expect(readSpecLine(line)).toMatchObject({ because: expect.stringContaining('“5 cubits”') });
    expect(readSpecLine('Cover 55 cubits')).toMatchObject({ because: expect.stringContaining('“55 cubits”') });
  });
  it('of a figure and a letter has no name', () => expect(readSpecLine('5-8 thou x').state).toBe('notUnderstood'));
  it('in two systems agrees within a hundredth of a millimetre, or a twenty-fifth of the greater', () => {
    for (const [line, state] of [
      ['Shaft float 5-8 thou (0.12-0.20 mm)', 'understood'],
      ['Shaft float 5-8 thou (0.11-0.20 mm)', 'ask'],
      ['Cover bolts 100 N·m (104.1 N·m)', 'understood'],
      ['Cover bolts 100 N·m (104.2 N·m)', 'ask'],
    ] as const)
      expect([line, readSpecLine(line).state]).toEqual([line, state]);
  });
  it('in two systems must be of one kind, and none said is nothing said of that end', () => {
    expect(readSpecLine('Relief valve 1 bar (100000 N)')?.state).toBe('ask');
    expect(readSpecLine('Cover bolts 20 lb ft (27.1 N·m)')?.state).toBe('understood');
    expect(readSpecLine('Cover bolts max 30 lb ft (max 40.7 N·m)')?.state).toBe('understood');
    expect(readSpecLine('Cover bolts min 30 lb ft (max 40.7 N·m)')?.state).toBe('ask');
  });
  it('has what stands after it and in brackets as remarks, and a name without its dots', () => {
    expect(readSpecLine('Cover bolts, 18-22 lb ft (oiled)')).toMatchObject({ name: 'Cover bolts', remark: 'oiled' });
    expect(readSpecLine('Drain plug - 30 Nm cold (new washer)')).toMatchObject({ name: 'Drain plug', remark: 'cold, new washer' });
    expect(readSpecLine('Drain plug ;; 30 Nm')).toMatchObject({ name: 'Drain plug', remark: '' });
    expect(readSpecLine('4-9 thou second gear float')).toMatchObject({ state: 'understood', name: 'second gear float' });
  });
  it('with two figures in brackets that are of different things, or of one end, asks', () => {
    expect(readSpecLine('Wheel nuts 85 lb ft (115 mm)').state).toBe('ask');
    expect(readSpecLine('Run-out max 0.10 mm (0.002-0.004 in)').state).toBe('ask');
    expect(readSpecLine('Run-out max 0.10 mm (max 0.004 in)').state).toBe('understood');
  });
});
