import { describeLength, formatLength, nanometres, type Length } from '../quantity/index.ts';
import { line, path, magnificationOf, text, textWidth, type Shape } from './shapes.ts';

export interface ClearanceAlong {
  /** from one end of the bush to the other, at two places or more */
  readonly places: readonly { readonly at: string; readonly clearances: readonly Length[] }[];
  readonly unit: 'thou' | 'mm';
  readonly width: number;
  readonly height: number;
}

/** The gap drawn at its widest, as a share of the height: the rest is the bush over it and the journal under it. */
const WIDEST = 0.34;

/**
 * A bush cut along, with the journal lying in it: its clearance from place to place, drawn larger than life by the stated factor. The
 * lengths are not to scale. Where two directions were read, the wider is drawn.
 */
export function clearanceAlong({ places, unit, width, height }: ClearanceAlong): { shapes: readonly Shape[]; says: string; magnification: number } {
  const widest = places.map((place) => nanometres(Math.max(...place.clearances)));
  const most = Math.max(1, ...widest);
  const perNm = (height * WIDEST) / most;
  const [x0, x1] = [14, width - 14];
  const step = (x1 - x0) / Math.max(1, places.length - 1);
  const x = (i: number): number => x0 + i * step;
  const top = height * 0.62; // the journal's upper edge; what lies above it is the gap, and then the bush
  // an interference is no gap
  const edge = (clearance: Length): number => top - Math.max(0, clearance) * perNm;
  const bush = widest.map((clearance, i) => `${x(i).toFixed(1)},${edge(clearance).toFixed(1)}`);
  const magnification = magnificationOf(perNm);
  const shapes: Shape[] = [
    path(`M${x0},26H${x1}L${[...bush].reverse().join('L')}Z`, { fill: 'hatchBronze', stroke: 'part', width: 1.5, id: 'bush' }),
    path(`M${x0},${top}H${x1}V${height - 22}H${x0}Z`, { fill: 'steel', stroke: 'part', width: 1.5, id: 'journal' }),
    ...places.flatMap((place, i): Shape[] => {
      const clearance = widest[i] ?? nanometres(0);
      const said = formatLength(clearance, unit);
      const half = textWidth(said, 'number', 16) / 2 + 6;
      const at = Math.min(Math.max(x(i), x0 + half), x1 - half);
      return [
        line(x(i), edge(clearance), x(i), top, 'ink', 2),
        text(at, top + 21, said, 'number', 16, 'ink', { anchor: 'middle', bold: true, halo: 'steel' }),
        text(at, 18, place.at, 'text', 14, 'ink2', { anchor: 'middle' }),
      ];
    }),
    text(x0, height - 6, `GAP ×${magnification}`, 'label', 15, 'ink2'),
  ];
  const each = places.map((place, i) => `${place.at} ${describeLength(widest[i] ?? nanometres(0), unit)}`).join(', ');
  return { shapes, magnification, says: `The clearance from place to place: ${each}. Drawn ${magnification} times larger than life.` };
}
