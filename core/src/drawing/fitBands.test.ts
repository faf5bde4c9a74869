import { describe, expect, it } from '@jest/globals';
import { isoFit } from '../fit/index.ts';
import { mm, ZERO } from '../quantity/index.ts';
import { fitBands } from './index.ts';

describe('a fit drawn as two bands', () => {
  // ISO 286, 25 H7 +21/0, 25 f7 −20/−41 µm; 40 s6 +59/+43, H7 +25/0 (reckoning.md 3; from memory of the table)
  it('has the hole over the line and a clearance shaft under it, as thick as their tolerances', () => {
    const { shapes, says } = fitBands({
      fit: isoFit(mm(25), 'H7/f7'),
      names: { hole: 'H7', shaft: 'f7' },
      measured: { hole: null, shaft: null },
      width: 360,
    });
    const [hole, shaft] = ['hole', 'shaft'].map((id) => shapes.find((s) => s.kind === 'rect' && s.id === id));
    if (hole?.kind !== 'rect' || shaft?.kind !== 'rect') throw new Error('no bands');
    expect(hole.h / shaft.h).toBeCloseTo(1, 2);
    // 20 µm between them, over 21
    expect((shaft.y - (hole.y + hole.h)) / hole.h).toBeCloseTo(20 / 21, 2);
    expect(says).toBe('Hole H7, shaft f7: from 20 µm loose to 62 µm loose');
  });
  it('says how tight a press fit is, and marks what was measured', () => {
    const { shapes, says } = fitBands({
      fit: isoFit(mm(40), 'H7/s6'),
      names: { hole: 'H7', shaft: 's6' },
      measured: { hole: mm(0.01), shaft: ZERO },
      width: 360,
    });
    expect(says).toBe('Hole H7, shaft s6: from 59 µm tight to 18 µm tight');
    expect(shapes.filter((s) => s.kind === 'path' && s.id === 'measured')).toHaveLength(2);
  });
  it('keeps its words on the sheet at 300', () => {
    const { shapes, width, height } = fitBands({
      fit: isoFit(mm(62), 'N7/h6'),
      names: { hole: 'N7', shaft: 'h6' },
      measured: { hole: null, shaft: null },
      width: 300,
    });
    for (const shape of shapes)
      if (shape.kind === 'text')
        expect({ text: shape.text, in: shape.x >= 0 && shape.x <= width && shape.y <= height, size: shape.size >= 14 }).toEqual({
          text: shape.text,
          in: true,
          size: true,
        });
  });
});
