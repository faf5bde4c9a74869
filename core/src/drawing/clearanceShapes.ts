import { describeLength, formatLength, nanometres, type Length } from '../quantity/index.ts';
import { ellipse, line, path, magnificationOf, text, type Shape } from './shapes.ts';

export interface ClearanceDrawing {
  readonly bore: { readonly least: Length; readonly most: Length };
  readonly journal: { readonly least: Length; readonly most: Length };
  readonly width: number;
  readonly height: number;
}

/**
 * A journal lying at the bottom of its bore, looking in: differences of size drawn larger than life by the stated factor,
 * the sizes themselves not to scale. The greatest clearance is the gap at the top.
 */
export function clearanceShapes({ bore, journal, width, height }: ClearanceDrawing): {
  shapes: readonly Shape[];
  magnification: number;
  says: string;
} {
  const cy = height / 2 - 6;
  const cx = Math.min(width / 2, 120);
  const outer = height / 2 - 20;
  const room = outer * 0.5;
  const span = Math.max(1, bore.most - journal.least, bore.most - bore.least, journal.most - journal.least);
  const pxPerNm = room / span;
  const base = outer - 14 - room / 2;
  const radius = (size: Length): number => base + ((size - journal.least) * pxPerNm) / 2;
  const [bv, bh, jv, jh] = [radius(bore.most), radius(bore.least), radius(journal.least), radius(journal.most)];
  const off = bv - jv;
  const greatest = nanometres(bore.most - journal.least);
  const top = cy - bv;
  const gapEnd = cy + off - jv;
  const magnification = magnificationOf(pxPerNm);
  const shapes: Shape[] = [
    path(`${ellipse(cx, cy, outer, outer)}${ellipse(cx, cy, bh, bv)}`, { fill: 'hatchBronze', stroke: 'part', width: 1.5 }),
    path(ellipse(cx, cy, bh, bv), { fill: 'sheet', stroke: 'part', width: 1.5, id: 'bore' }),
    path(ellipse(cx, cy + off, jh, jv), { fill: 'steel', stroke: 'part', width: 1.5, id: 'journal' }),
    line(cx - 12, cy + off, cx + 12, cy + off, 'part'),
    line(cx, cy + off - 12, cx, cy + off + 12, 'part'),
    line(cx, top + 1, cx, gapEnd - 1, 'ink', 2),
    path(`M${cx + 3},${((top + gapEnd) / 2).toFixed(1)}L${cx + outer + 14},${cy - 30}h14`, { fill: 'none', stroke: 'ink', width: 1.2 }),
    text(cx + outer + 32, cy - 24, formatLength(greatest, 'thou'), 'number', 20, 'ink', { bold: true }),
    text(cx + outer + 32, cy - 4, `${formatLength(greatest, 'mm')} mm`, 'number', 16, 'ink2'),
    text(10, height - 8, `GAP AND OVALITY ×${magnification}, SIZES NOT TO SCALE`, 'label', 15, 'ink2'),
  ];
  return {
    shapes,
    magnification,
    says: `Looking into the bush: the journal lies at the bottom; greatest clearance ${describeLength(greatest, 'thou')}. Drawn ${magnification} times larger than life.`,
  };
}
