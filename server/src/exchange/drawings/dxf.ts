import { madeOutline, moved, type Curve, type MadeForm } from '@elder-cog/core';
import DxfDrawing from 'dxf-writer';

const MM = 1e-6;
/** Figures are written to a tenth of a micrometre. */
const fine = (nm: number): number => Math.round(nm * MM * 1e4) / 1e4;

/** A part, and where its middle lies on the sheet, nm. */
export interface PlacedForm {
  readonly form: MadeForm;
  readonly x: number;
  readonly y: number;
}

const LAYERS = [
  ['CUT', 'WHITE', 'CONTINUOUS'],
  ['MARKS', 'BLUE', 'CONTINUOUS'],
  ['SHEET', 'GREEN', 'CONTINUOUS'],
] as const;

function put(drawing: DxfDrawing, layer: (typeof LAYERS)[number][0], curves: readonly Curve[]): void {
  drawing.setActiveLayer(layer);
  for (const curve of curves)
    if (curve.kind === 'circle') drawing.drawCircle(fine(curve.x), fine(curve.y), fine(curve.r));
    else
      drawing.drawPolyline(
        // a bulge is a ratio: to a thousandth of a micrometre on a metre of radius
        curve.corners.map(({ x, y, bulge }) => [fine(x), fine(y), Number(bulge.toFixed(9))] as unknown as [number, number]),
        true,
      );
}

/**
 * Parts as a DXF that a cutter takes: ASCII, millimetres, closed circles and polylines, on the layers CUT (finished geometry: a kerf is
 * nothing of it), MARKS (not cut through) and SHEET (the edge of the sheet, where they lie on one).
 */
export function dxfOf(parts: readonly PlacedForm[], sheet: { readonly width: number; readonly height: number } | null = null): string {
  const drawing = new DxfDrawing();
  drawing.setUnits('Millimeters');
  // metric, for programs that ask that instead
  drawing.header('MEASUREMENT', [[70, 1]]);
  for (const [name, colour, line] of LAYERS) drawing.addLayer(name, DxfDrawing.ACI[colour], line);
  for (const { form, x, y } of parts) {
    const { cuts, marks, section } = madeOutline(form);
    put(
      drawing,
      'CUT',
      (section.length === 0 ? cuts : section).map((curve) => moved(curve, x, y)),
    );
    if (section.length === 0)
      put(
        drawing,
        'MARKS',
        marks.map((curve) => moved(curve, x, y)),
      );
  }
  if (sheet) {
    const corners = [
      [0, 0],
      [sheet.width, 0],
      [sheet.width, sheet.height],
      [0, sheet.height],
    ].map(([x = 0, y = 0]) => ({ x, y, bulge: 0 }));
    put(drawing, 'SHEET', [{ kind: 'path', corners }]);
  }
  return drawing.toDxfString();
}
