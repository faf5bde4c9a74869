import { describe, expect, it } from '@jest/globals';
import { mm, type Length } from '../quantity/index.ts';
import type { MadeForm, MadeSizeName } from '../made/index.ts';
import { fiftyBar, madeDrawing, sizeWords, type MadeDrawing } from './index.ts';
import { PX_PER_MM, textWidth } from './shapes.ts';

const form = (kind: MadeForm['kind'], sizes: Partial<Record<MadeSizeName, number>>, counts: MadeForm['counts'] = {}): MadeForm => ({
  kind,
  sizes: Object.fromEntries(Object.entries(sizes).map(([name, value]): [string, Length] => [name, mm(value)])),
  counts,
});

const FORMS: readonly MadeForm[] = [
  form('shim', { inner: 62.5, outer: 92, thickness: 0.267, holeDiameter: 8.5, holeCircle: 77 }, { holes: 6 }),
  form('shim', { inner: 21, outer: 33, thickness: 0.267 }),
  form('halfShim', { inner: 62.5, outer: 92, thickness: 0.267, holeDiameter: 6, holeCircle: 77 }, { holes: 6 }),
  form('washer', { inner: 30, outer: 55, thickness: 3.2, tangWidth: 6, tangReach: 2.5, grooveWidth: 2 }, { tangs: 2, grooves: 4 }),
  form('bush', { inner: 25.4, outer: 28.575, length: 30, flangeOuter: 36, flangeThickness: 3, slit: 1 }),
  form('distancePiece', { inner: 30, outer: 38, length: 60, smallOuter: 34 }),
  form('sleeve', { inner: 35, outer: 41, length: 25, chamfer: 1 }),
  form('lapPlate', { outer: 90, thickness: 12, pocket: 56, pocketDepth: 2 }),
  form('drift', { pilot: 25.3, pilotLength: 20, outer: 28.4, length: 60 }),
  form('depthPusher', { pilot: 28.4, pilotLength: 8, outer: 45, length: 10 }),
  form('dummyShaft', { outer: 19.8, length: 42, chamfer: 1 }),
  form('guidePin', { pilot: 7.9, pilotLength: 12, outer: 8.4, length: 60 }),
  form('dummyFlange', { inner: 40, outer: 110, thickness: 10, holeDiameter: 8.5, holeCircle: 92 }, { holes: 6 }),
];

const textsOf = ({ shapes }: MadeDrawing): string[] => shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));

describe('the drawing of a part to be made', () => {
  it.each(FORMS.flatMap((each) => (['thou', 'mm'] as const).map((unit) => ({ ...each, unit }))))(
    'says every size of it, on the sheet, in $unit: $kind',
    ({ unit, ...each }) => {
      const drawing = madeDrawing(each, { unit, scale: PX_PER_MM });
      const said = textsOf(drawing).join(' ');
      // how thick it is stands in the title, and a lead-in is a note of the turner's
      for (const [name, size] of Object.entries(each.sizes))
        if (!['thickness', 'chamfer'].includes(name) || (name === 'thickness' && each.kind === 'lapPlate'))
          expect(said).toContain(sizeWords(size, unit).first);
      for (const shape of drawing.shapes) {
        if (shape.kind !== 'text') continue;
        const width = textWidth(shape.text, shape.font, shape.size);
        const left = shape.x - (shape.anchor === 'end' ? width : shape.anchor === 'middle' ? width / 2 : 0);
        expect({ text: shape.text, left: left >= 0, right: left + width <= drawing.width, foot: shape.y <= drawing.height }).toEqual({
          text: shape.text,
          left: true,
          right: true,
          foot: true,
        });
        expect(shape.size).toBeGreaterThanOrEqual(14);
      }
    },
  );
  it('is as large as it is said: 92 mm are 92 mm', () => {
    const drawing = madeDrawing(FORMS[0] as MadeForm, { unit: 'mm', scale: PX_PER_MM });
    const rim = drawing.shapes.find((s) => s.kind === 'path' && s.fill === 'hatchMake');
    const xs = [...(rim?.kind === 'path' ? rim.d : '').matchAll(/M([\d.]+),/g)].map((m) => Number(m[1]));
    const ends = [...(rim?.kind === 'path' ? rim.d : '').matchAll(/0 1 0 ([\d.]+),/g)].map((m) => Number(m[1]));
    expect(Math.max(...ends) - Math.min(...xs)).toBeCloseTo(92 * PX_PER_MM, 1);
  });
  it('says as many holes as the half has', () =>
    expect(textsOf(madeDrawing(FORMS[2] as MadeForm, { unit: 'mm', scale: PX_PER_MM }))).toContain('3 × Ø6.00 mm'));
  it('writes sizes in the system of the job first', () => {
    expect(sizeWords(mm(25.4), 'thou', 'Ø')).toEqual({ first: 'Ø1.0000″', second: '25.40 mm' });
    expect(sizeWords(mm(28.575), 'mm', 'Ø')).toEqual({ first: 'Ø28.575 mm', second: '1.1250″' });
  });
  it('has a rule of 50 mm beside it', () => {
    const bars = fiftyBar(10, 20, PX_PER_MM).flatMap((s) => (s.kind === 'rect' ? [s] : []));
    expect(bars).toHaveLength(3);
    const [first, , last] = bars;
    expect((last?.x ?? 0) + (last?.w ?? 0) - (first?.x ?? 0)).toBeCloseTo(50 * PX_PER_MM, 9);
  });
});
