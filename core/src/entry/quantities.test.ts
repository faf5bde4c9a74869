import { describe, expect, it } from '@jest/globals';
import { mm } from '../quantity/index.ts';
import { understand, type QuantityField, type QuantityQuestion, type UnderstoodQuantity } from './index.ts';

const LBF_IN = 0.1129848290276167;
const KGF = 9.80665;
const LBF = 4.4482216152605;
const ask = (text: string, of: QuantityQuestion<QuantityField>): UnderstoodQuantity<QuantityField> => understand(text, of);

describe('a drag as it is typed', () => {
  const drag = { field: 'drag', bare: 'thou' } as const;
  it.each([
    ['14.5 lbf in', 14.5 * LBF_IN],
    ['14½ lb.in', 14.5 * LBF_IN],
    ['1.64 N·m', 1.64],
    ['1,64 Nm', 1.64],
    ['.9 nm', 0.9],
    ['22 kg cm', (22 * KGF) / 100],
    ['1.2 lb ft', 1.2 * 12 * LBF_IN],
    ['180 oz in', (180 / 16) * LBF_IN],
    ['0.092 kgf m', 0.092 * KGF],
  ])('%s is a torque', (text, newtonMetres) => {
    const found = understand(text, drag);
    expect(found).toMatchObject({ kind: 'understood', value: { torques: [expect.closeTo(newtonMetres, 9)] } });
  });
  it('is said back in both systems', () => {
    expect(understand('14.5 lbf in', drag)).toMatchObject({ said: '14.5 lbf·in · 1.64 N·m' });
    expect(understand('1.64 Nm', drag)).toMatchObject({ said: '1.64 N·m · 14.5 lbf·in' });
  });
  it('takes several, with the unit at the end', () =>
    expect(understand('14 15 14.5 lbf in', drag)).toMatchObject({
      value: { torques: [expect.closeTo(14 * LBF_IN, 9), expect.closeTo(15 * LBF_IN, 9), expect.closeTo(14.5 * LBF_IN, 9)] },
    }));
  it('in pounds and ounces, as a balance is figured, is a pull', () => {
    // 3 lb 4 oz are 3.25 lb
    expect(understand('3 lb 4 oz', drag)).toMatchObject({ kind: 'understood', value: { pulls: [expect.closeTo(3.25 * LBF, 9)], radius: null } });
    expect(understand('3lb 4½oz at 2 in', drag)).toMatchObject({ value: { pulls: [expect.closeTo((3 + 4.5 / 16) * LBF, 9)], radius: mm(50.8) } });
    expect(understand('2 lb 8 oz, 2 lb 12 oz', drag)).toMatchObject({
      value: { pulls: [expect.closeTo(2.5 * LBF, 9), expect.closeTo(2.75 * LBF, 9)] },
    });
    expect(understand('40 oz in', drag)).toMatchObject({ value: { torques: [expect.closeTo(2.5 * LBF_IN, 9)] } });
  });
  it('a torque acts at no radius: with one it is asked about, and never swallowed', () => {
    const asked = understand('9.2 lb in at 3 in', drag);
    expect(asked).toMatchObject({
      kind: 'ask',
      meanings: [{ value: { torques: [expect.closeTo(9.2 * LBF_IN, 9)] } }, { value: { pulls: [expect.closeTo(9.2 * LBF, 9)], radius: mm(76.2) } }],
    });
    expect(understand('0.9 Nm at 18 mm', { ...drag, bare: 'mm' })).toMatchObject({ kind: 'ask', meanings: [{ unit: 'N·m' }, { unit: 'N' }] });
    // of a bare figure too, where a torque was read last
    expect(understand('9 at 3 in', { ...drag, scale: 'lbf·in' })).toMatchObject({ kind: 'ask', meanings: [{ unit: 'lbf·in' }, { unit: 'lbf' }] });
    expect(understand('9 at 3 in', { ...drag, scale: 'lbf' })).toMatchObject({ kind: 'understood', unit: 'lbf' });
  });
  it('a comma in a workshop that thinks in thou is a decimal one, or parts two readings', () => {
    const asked = understand('12,5', { ...drag, scale: 'lbf·in' });
    expect(asked.kind === 'ask' && asked.meanings.map(({ value }) => 'torques' in value && value.torques.map((each) => each / LBF_IN))).toEqual([
      [expect.closeTo(12.5, 9)],
      [expect.closeTo(12, 9), expect.closeTo(5, 9)],
    ]);
    expect(understand('12,13 lb in', drag)).toMatchObject({ kind: 'ask', why: 'A decimal comma, or two readings?' });
    // 64 N·m is no drag, and 1 beside 64 no second reading of one: one meaning is left
    expect(understand('1,64 Nm', drag)).toMatchObject({ kind: 'understood', value: { torques: [1.64] } });
    expect(understand('12,5', { ...drag, bare: 'mm', scale: 'kgf·cm' })).toMatchObject({ kind: 'understood' });
    expect(understand('12, 13 lb in', drag)).toMatchObject({ value: { torques: [expect.closeTo(12 * LBF_IN, 9), expect.closeTo(13 * LBF_IN, 9)] } });
    expect(understand('1,000 lb in', { ...drag, field: 'torque' })).toMatchObject({ kind: 'refused', code: 'ambiguousComma' });
    expect(understand('0,125 Nm', { ...drag, bare: 'mm' })).toMatchObject({ value: { torques: [0.125] } });
  });
  it('of a pull has no torque till there is a radius', () => {
    expect(understand('8.2 kg', drag)).toMatchObject({ kind: 'understood', value: { pulls: [expect.closeTo(8.2 * KGF, 9)], radius: null } });
    expect(understand('900 g', drag)).toMatchObject({ value: { pulls: [expect.closeTo(0.9 * KGF, 9)], radius: null } });
    expect(understand('3½ lbf', drag)).toMatchObject({ value: { pulls: [expect.closeTo(3.5 * LBF, 9)], radius: null } });
  });
  it('of a pull at a radius, or on a drum, says what it comes to', () => {
    expect(understand('8.2 kg at 27 mm', drag)).toMatchObject({ value: { pulls: [expect.closeTo(8.2 * KGF, 9)], radius: mm(27) } });
    expect(understand('8.2 kg on a 54 mm drum', drag)).toMatchObject({ value: { radius: mm(27) } });
    expect(understand('3 lb at 1 1/4 in', drag)).toMatchObject({ value: { radius: mm(31.75) } });
    const said = understand('8.2 kg', { ...drag, radius: mm(27) });
    expect(said).toMatchObject({ said: '8.2 kgf · 80.4 N at 1.0630 in: 19.2 lbf·in' });
    // in thou it might be anything: it is not guessed
    expect(understand('8.2 kg at 27', drag)).toMatchObject({ kind: 'refused', code: 'notADrum' });
    expect(understand('8.2 kg at 27', { ...drag, bare: 'mm' })).toMatchObject({ value: { radius: mm(27) } });
  });
  it('with no unit is on the scale that was read last, and asked about where nobody said which', () => {
    expect(understand('14.5', { ...drag, scale: 'lbf·in' })).toMatchObject({ value: { torques: [expect.closeTo(14.5 * LBF_IN, 9)] } });
    const asked = understand('14.5', drag);
    expect(asked).toMatchObject({ kind: 'ask' });
    expect(asked.kind === 'ask' && asked.meanings.map(({ unit }) => unit)).toEqual(['lbf·in', 'N·m', 'lbf']);
    // one of them is what is expected, and the others are not
    expect(understand('14.5', { ...drag, expected: { min: 1.2, max: 2.4 } })).toMatchObject({ kind: 'understood', unit: 'lbf·in' });
    expect(understand('0', drag)).toMatchObject({ kind: 'understood', value: { torques: [0] } });
  });
  it('that was a torque in kgf·m taken for a pull in grams is asked about', () => {
    // before the point, also where much is expected: 92 g two places out would be 1.62 N·m
    const wide = understand('92 g', { ...drag, bare: 'mm', radius: mm(18), expected: { min: 0.2, max: 3.4 }, limits: { min: 0.75, max: 1.05 } });
    expect(wide).toMatchObject({ kind: 'ask', why: expect.stringContaining('kgf·m') });
    const asked = understand('92 g', { ...drag, bare: 'mm', radius: mm(18), expected: { min: 0.75, max: 1.05 } });
    expect(asked).toMatchObject({ kind: 'ask' });
    if (asked.kind !== 'ask') return;
    expect(asked.meanings[0]).toMatchObject({ value: { torques: [expect.closeTo(0.902, 3)] }, unit: 'N·m' });
    expect(asked.meanings.at(-1)).toMatchObject({ asTyped: true, value: { radius: mm(18) } });
  });
  it('in lbf·ft for lbf·in is asked about, the same figure in another unit first; a third more never is', () => {
    const expected = { min: 1.2, max: 2.4 };
    const asked = understand('14.5 lb ft', { ...drag, expected });
    expect(asked.kind === 'ask' && asked.meanings.map(({ said }) => said)).toEqual([
      '14.5 lbf·in · 1.64 N·m',
      expect.any(String),
      expect.any(String),
      '14.5 lbf·ft · 19.7 N·m',
    ]);
    expect(asked).toMatchObject({ meanings: [{ value: { torques: [expect.closeTo(1.638, 3)] } }, {}, {}, { asTyped: true }] });
    expect(understand('1.85 lb ft', { ...drag, expected })).toMatchObject({ kind: 'understood' });
  });
  it.each([
    ['', 'empty'],
    ['stiff', 'notANumber'],
    ['14 bar', 'wrongKind'],
    ['14 thou', 'unknownUnit'],
    ['-3 lbf in', 'negative'],
    ['14 lbf in 3 kg', 'twoUnits'],
    ['14 lbf in x', 'unknownUnit'],
  ])('%s is refused', (text, code) => expect(understand(text, drag)).toMatchObject({ kind: 'refused', code }));
});

describe('repeats of a drag', () => {
  const drag = { field: 'drag', bare: 'thou', scale: 'lbf·in' } as const;
  const first = (text: string, more = {}): unknown => {
    const asked = understand(text, { ...drag, ...more });
    return asked.kind === 'ask' ? asked.meanings[0]?.said : asked.kind;
  };
  it('are each looked at against the others', () => {
    expect(first('15 150 15')).toBe('15, 15, 15 lbf·in · 1.69 N·m, 1.69 N·m, 1.69 N·m');
    expect(first('1.5 15 16 lb in')).toMatch(/^15, 15, 16 lbf·in/);
    expect(first('3 30 3.2 kg')).toMatch(/^3, 3, 3.2 kgf/);
    expect(first('12 16 18')).toBe('understood');
    expect(first('4 14')).toBe('understood');
    expect(first('0 15')).toBe('understood');
  });
  it('all out in the same way are asked about together: another unit, then the point', () => {
    const expected = { min: 0.4, max: 8 };
    expect(first('15 150 15', { expected })).toMatch(/^15, 15, 15/);
    const meant = (text: string): readonly string[] => {
      const asked = understand(text, { ...drag, expected });
      return asked.kind === 'ask' ? asked.meanings.map(({ said }) => said.split(' · ')[0] ?? '') : [];
    };
    expect(meant('150 155')).toEqual(['150 ozf·in, 155 ozf·in', '15.0 lbf·in, 15.5 lbf·in', '16.9 lbf·in, 17.5 lbf·in', '150, 155 lbf·in']);
    expect(meant('150')).toEqual(['150 ozf·in', '15.0 lbf·in', '16.9 lbf·in', '150 lbf·in']);
  });
  it('are two where a range is read', () => {
    const found = understand('14-16 lb in', drag);
    expect(found).toMatchObject({ kind: 'understood', value: { torques: [expect.closeTo(14 * LBF_IN, 9), expect.closeTo(16 * LBF_IN, 9)] } });
  });
});

describe('a torque of a fastener', () => {
  const torque = { field: 'torque', bare: 'thou' } as const;
  it('is in its unit, or on the scale that was read', () => {
    expect(ask('18 lb ft', torque)).toMatchObject({ value: [expect.closeTo(24.4047, 4)] });
    expect(ask('24', { ...torque, scale: 'N·m' })).toMatchObject({ value: [24], said: '24 N·m · 17.7 lbf·ft' });
    expect(ask('40', torque)).toMatchObject({ kind: 'ask' });
    expect(ask('18 kg', torque)).toMatchObject({ kind: 'refused', code: 'wrongKind' });
  });
  it('twelve times over is lbf·in for lbf·ft', () => {
    const asked = ask('276 lb ft', { ...torque, expected: { min: 24, max: 34 } });
    expect(asked.kind === 'ask' && asked.meanings[0]).toMatchObject({
      unit: 'lbf·in',
      value: [expect.closeTo(31.18, 2)],
      said: '276 lbf·in · 31.2 N·m',
    });
  });
  it('beyond what any nut takes is asked about', () => expect(ask('9000 N·m', torque)).toMatchObject({ kind: 'ask', meanings: [{ asTyped: true }] }));
});

describe('a turn', () => {
  const turn = { field: 'turn', bare: 'thou' } as const;
  it.each([
    ['15°', 15],
    ['15', 15],
    ['15 deg', 15],
    ['a quarter of a flat', 15],
    ['quarter flat', 15],
    ['half a flat', 30],
    ['1/4 flat', 15],
    ['2 flats', 120],
    ['1/6 turn', 60],
    ['half a turn', 180],
    ['a turn', 360],
    ['back 10', -10],
    ['10° back', -10],
    ['-10', -10],
  ])('%s is %d°', (text, degrees) => expect(ask(text, turn)).toMatchObject({ kind: 'understood', value: expect.closeTo(degrees, 9) }));
  it.each([
    ['1/4', 15, 90],
    ['-1/6', -10, -60],
    ['1/2 back', -30, -180],
  ])('%s is of a flat or of a turn, and asked', (text, flat, turned) => {
    const asked = ask(text, turn);
    expect(asked.kind === 'ask' && asked.meanings.map(({ value }) => value)).toEqual([expect.closeTo(flat, 9), expect.closeTo(turned, 9)]);
  });
  it.each([
    ['2 flats', '120° on, 2 flats'],
    ['one flat', '60° on, a flat'],
    ['half a flat back', '30° back, 0.5 of a flat'],
  ])('%s is said as %s', (text, said) => expect(ask(text, turn)).toMatchObject({ said }));
  it.each(['a bit', '5 turns', '15 mm', ''])('%s is refused', (text) => expect(ask(text, turn)).toMatchObject({ kind: 'refused' }));
});

describe('a temperature and a pull', () => {
  it('are in their units', () => {
    expect(ask('80 C', { field: 'temperature', bare: 'mm' })).toMatchObject({ value: 80, said: '80 °C · 176 °F' });
    expect(ask('176 F', { field: 'temperature', bare: 'thou' })).toMatchObject({ value: expect.closeTo(80, 9) });
    expect(ask('-78 °C', { field: 'temperature', bare: 'mm' })).toMatchObject({ value: -78 });
    expect(ask('80', { field: 'temperature', bare: 'mm' })).toMatchObject({ kind: 'understood', value: 80 });
    expect(ask('80', { field: 'temperature', bare: 'thou' })).toMatchObject({ kind: 'ask' });
    expect(ask('3 kg', { field: 'force', bare: 'mm' })).toMatchObject({ value: [expect.closeTo(3 * KGF, 9)] });
  });
});

describe('a turn ten times off what was to be turned', () => {
  const turn = { field: 'turn', bare: 'thou', expected: { min: 4, max: 60 } } as const;
  it('is asked about, either way', () => {
    expect(understand('150', turn)).toMatchObject({ kind: 'ask', meanings: [{ value: 15 }, { value: 150, asTyped: true }] });
    expect(understand('150 back', turn)).toMatchObject({ kind: 'ask', meanings: [{ value: -15 }, { value: -150, asTyped: true }] });
    expect(understand('1.5', turn)).toMatchObject({ kind: 'ask', meanings: [{ value: 15 }, { value: 1.5 }] });
  });
  it('and nothing else is: what is near it, what no point mends, where nothing is proposed', () => {
    for (const text of ['15', '30', '-20', 'half a flat']) expect(understand(text, turn)).toMatchObject({ kind: 'understood' });
    expect(understand('700', turn)).toMatchObject({ kind: 'understood', value: 700 });
    expect(understand('150', { field: 'turn', bare: 'thou' })).toMatchObject({ kind: 'understood', value: 150 });
  });
});

describe('a turn in words', () => {
  const turn = { field: 'turn', bare: 'thou' } as const;
  it.each([
    ['a flat and a half', 90],
    ['one and a half flats', 90],
    ['two and a quarter flats back', -135],
    ['a turn and a quarter', 450],
    ['half a flat', 30],
  ])('%s is %d°', (text, degrees) => expect(understand(text, turn)).toMatchObject({ kind: 'understood', value: degrees }));
  it.each([
    ['half', [30, 180]],
    ['a quarter back', [-15, -90]],
    ['back a third', [-20, -120]],
  ] as const)('%s is asked: of a flat, or of a turn', (text, degrees) =>
    expect(understand(text, turn)).toMatchObject({ kind: 'ask', meanings: degrees.map((value) => ({ value })) }),
  );
});
