import { describe, expect, it } from '@jest/globals';
import type { Lot } from '@elder-cog/contract';
import { mm, nearestRule, nearestSizes, thou } from '@elder-cog/core';
import { reckon, type Reckoned } from './index.ts';

const lot = (thickness: number, written: string, unit: 'thou' | 'mm', owned = 2): Lot => ({
  id: `00000000-0000-4000-8000-${String(Math.round(thickness)).padStart(12, '0')}`,
  revision: 1,
  thickness: thickness as Lot['thickness'],
  written,
  unit,
  owned,
  material: '',
  keptIn: '',
  note: '',
});
const LOTS = [lot(thou(12), '12', 'thou'), lot(mm(0.3), '0.30', 'mm'), lot(mm(0.6), '0.60', 'mm', 1), lot(thou(8), '8', 'thou', 0)];
const answer = (text: string): Reckoned => {
  const found = reckon(text, LOTS);
  if (!found.answer) throw new Error(found.refusal);
  return found.answer;
};
const tiles = (text: string): string[] => answer(text).tiles.map((t) => `${t.value} ${t.unit}`);

describe('the Reckoner', () => {
  // arithmetic from the definitions; 23.5 × 0.0254 = 0.5969 exactly
  it.each([
    ['23½ thou', ['23.5 thou', '.0235 ″', '0.597 mm']],
    ['23/64"', ['359.4 thou', '.3594 ″', '9.128 mm']],
    ['0.6 mm', ['23.6 thou', '.0236 ″', '0.600 mm']],
    ['20 swg', ['36.0 thou', '.0360 ″', '0.914 mm']],
    ['88>12', ['24.0 thou', '.0240 ″', '0.610 mm']],
    ['goes .014 stops .015', ['14.5 thou', '.0145 ″', '0.368 mm']],
    ['goes 0.20 stops 0.25', ['8.9 thou', '.0089 ″', '0.225 mm']],
    ['goes 9 stops 10', ['9.5 thou', '.0095 ″', '0.241 mm']],
    ['31 N·m', ['31.00 N·m', '22.86 lbf·ft', '274.4 lbf·in', '3.161 kgf·m', '316.1 kgf·cm']],
    ['212 °F', ['212.0 °F', '100.0 °C', '373.1 K']],
    ['40 psi', ['40.00 psi', '2.758 bar', '0.2758 MPa', '2.812 kgf/cm²', '0.01786 tonf/in²']],
    ['5-8 thou', ['5–8 ', '0.127–0.203 ']],
    // 0.0762 + 0.2 = 0.2762 mm; 25.4 × 1.103 − 9.5 = 18.5162; 2 × 0.2 + 0.127 = 0.527
    ['3 thou + 0.2 mm', ['10.9 thou', '.0109 ″', '0.276 mm']],
    ['1.103 in - 9.5 mm', ['729.0 thou', '.7290 ″', '18.516 mm']],
    ['2 × 0.20 mm + 5 thou', ['20.7 thou', '.0207 ″', '0.527 mm']],
    ['1.103 less .375 in', ['728.0 thou', '.7280 ″', '18.491 mm']],
    ['5 x 3 thou', ['15.0 thou', '.0150 ″', '0.381 mm']],
  ])('%s', (text, expected) => expect(tiles(text)).toEqual(expected));

  it('adds in one unit and says the sum, and asks where none is written', () => {
    expect(answer('3 thou + 0.2 mm').working[0]).toEqual({ label: 'added up in thousandths of an inch', expression: '3 + 7.87402 = 10.87402' });
    expect(reckon('1.103 less .375', [])).toMatchObject({
      answer: null,
      choices: ['1.103 less .375 thou', '1.103 less .375 mm', '1.103 less .375 in'],
    });
    // a range or a difference, with no unit: which is not known before its unit is
    expect(reckon('5 - 8', [])).toMatchObject({ answer: null, choices: ['5 - 8 thou', '5 - 8 mm', '5 - 8 in'] });
    expect(reckon('3 thou + 2 N·m', [])).toMatchObject({ answer: null, refusal: expect.stringContaining('Only lengths are added up') });
  });
  it('shows its working', () => {
    expect(
      answer('23.5 thou')
        .working.map((w) => w.expression)
        .slice(0, 3),
    ).toEqual(['23.5 × 0.0254 = 0.5969', '0.0235 × 128 = 3.008 → 3', '23.44 − 23.5 = -0.06 thou']);
    expect(answer('0.6 mm').working[0]?.expression).toBe('0.6 ÷ 0.0254 = 23.622');
    expect(answer('212 °F').working[0]?.expression).toBe('(212 − 32) × 5 ÷ 9 = 100');
    expect(answer('20 °C').working[0]?.expression).toBe('20 × 9 ÷ 5 + 32 = 68');
    expect(answer('31 N·m').working[0]?.expression).toBe('31 ÷ 1.3558 = 22.864');
  });
  it('says what is exact where the figure shown is rounded', () =>
    expect(answer('23.5 thou').tiles.map((t) => t.exactly)).toEqual(['', '', '0.5969 exactly']));
  it('knows the leaves in the drawer and the packs they make, and not those that are gone', () => {
    const near = answer('23.5 thou')
      .nearest.filter((n) => n.of === 'leaf')
      .map((n) => n.name);
    expect(near).toContain('leaf 0.60 mm');
    expect(near.find((n) => n.startsWith('pack'))).toMatch(/12|0\.30/);
    expect(near.join()).not.toMatch(/\b8\b/);
  });
  it('asks what a bare number is in, and which pint', () => {
    expect(reckon('23', [])).toMatchObject({ answer: null, choices: ['23 thou', '23 mm', '23 in', '23 N·m', '23 lb ft'] });
    expect(reckon('4 pints', []).choices).toEqual(['4 imp pt', '4 US pt']);
    expect(reckon('2 tenths', []).choices).toEqual(['0.2 thou', '0.2 mm']);
  });
  it('says plainly what it cannot read, and nothing of an empty field', () => {
    expect(reckon('', [])).toEqual({ answer: null, choices: [], refusal: '' });
    expect(reckon('banana', [])).toMatchObject({ answer: null, refusal: expect.stringContaining('is not a size') });
    expect(reckon('8-5 thou', [])).toMatchObject({ answer: null, refusal: expect.stringContaining('wrong way round') });
  });
});

describe('the rule of what is nearest', () => {
  it('puts every size at its place and keeps the labels on it, apart', () => {
    for (const wanted of [thou(23.5), mm(6.8), thou(5), mm(25)]) {
      const rule = nearestRule({ wanted, sizes: nearestSizes(wanted), width: 900 });
      const names = rule.shapes.filter((s) => s.kind === 'text' && s.bold);
      expect(names.length).toBeGreaterThan(0);
      for (const shape of names) if (shape.kind === 'text') expect([shape.x > 0, shape.x < 900]).toEqual([true, true]);
      const dots = rule.shapes.flatMap((s) => (s.kind === 'circle' && s.id !== undefined ? [s] : []));
      for (const dot of dots) {
        const size = nearestSizes(wanted).find((n) => n.name === dot.id);
        expect(dot.x).toBeCloseTo(rule.x(size?.size ?? 0), 6);
      }
      expect(rule.x(wanted)).toBeCloseTo(450, 6);
    }
  });

  it('a temperature says what it is too hot for, and nothing where it is too hot for nothing', () => {
    const notes = (text: string): readonly string[] => reckon(text, []).answer?.notes ?? [];
    expect(notes('80 °C')).toEqual([]);
    expect(notes('90 °C')).toEqual(['Too hot for a sealed bearing (80 °C).']);
    // 300 °F is 148.9 °C: over all but what is case-hardened, and plain
    expect(notes('300 F').join()).toContain('a rolling bearing (120 °C)');
    expect(notes('300 F').join()).not.toContain('case-hardened');
    expect(notes('900 °C')).toEqual([]);
  });
});
