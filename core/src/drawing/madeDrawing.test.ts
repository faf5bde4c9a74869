import { describe, expect, it } from '@jest/globals';
import { mm } from '../quantity/index.ts';
import type { MadeForm } from '../made/index.ts';
import { EVERY_FORM, formOf, SHIM_FORM } from '../made/forms.fixture.ts';
import { fiftyBar, madeDrawing, sizeWords, type MadeDrawing } from './index.ts';
import { PX_PER_MM, textWidth } from './shapes.ts';

/** All of them, and one whose bore is too small for its words. */
const FORMS: readonly MadeForm[] = [...EVERY_FORM, formOf('shim', { inner: 21, outer: 33, thickness: 0.267 })];

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
    const drawing = madeDrawing(SHIM_FORM, { unit: 'mm', scale: PX_PER_MM });
    const rim = drawing.shapes.find((s) => s.kind === 'path' && s.fill === 'hatchMake');
    // its bore and its holes are holes in it
    expect(rim?.kind === 'path' && rim.rule).toBe('evenodd');
    const xs = [...(rim?.kind === 'path' ? rim.d : '').matchAll(/M([\d.]+),/g)].map((m) => Number(m[1]));
    const ends = [...(rim?.kind === 'path' ? rim.d : '').matchAll(/0 1 0 ([\d.]+),/g)].map((m) => Number(m[1]));
    expect(Math.max(...ends) - Math.min(...xs)).toBeCloseTo(92 * PX_PER_MM, 1);
  });
  it('says as many holes as the half has', () =>
    expect(textsOf(madeDrawing(EVERY_FORM[1] as MadeForm, { unit: 'mm', scale: PX_PER_MM }))).toContain('3 × Ø6.00 mm'));
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
