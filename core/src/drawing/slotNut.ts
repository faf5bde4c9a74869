import { circle, line, path, type Shape } from './shapes.ts';

export interface SlotNutQuestion {
  /** degrees of each slot or notch from the first */
  readonly slots: readonly number[];
  readonly holeEnds: number;
  /** degrees onward till the first slot comes to the hole */
  readonly now: number;
  /** how far it is to turn, degrees; less than nothing is back. Null where none is said */
  readonly turn: number | null;
  readonly size: number;
}

/** A castle nut from its end, with the hole of its bolt, the slots where they are, and how far it is to turn. It tightens clockwise. */
export function slotNutShapes({ slots, holeEnds, now, turn, size }: SlotNutQuestion): readonly Shape[] {
  const c = size / 2;
  const [outer, inner, bore] = [size * 0.36, size * 0.24, size * 0.17];
  const point = (degrees: number, r: number): string => {
    const a = (degrees * Math.PI) / 180;
    return `${(c + r * Math.sin(a)).toFixed(2)},${(c - r * Math.cos(a)).toFixed(2)}`;
  };
  // a slot stands so far short of the hole as it still has to go
  const at = slots.map((slot) => (((-now - slot) % 360) + 360) % 360);
  const half = 8;
  const sorted = at.toSorted((a, b) => a - b);
  const outline = sorted
    .map((slot, i) => {
      const next = i + 1 < sorted.length ? (sorted[i + 1] ?? 0) : (sorted[0] ?? 0) + 360;
      const isLong = next - slot - 2 * half > 180 ? 1 : 0;
      return `${i === 0 ? 'M' : 'L'}${point(slot - half, outer)}L${point(slot - half, inner)}L${point(slot + half, inner)}L${point(slot + half, outer)}A${outer},${outer} 0 ${isLong} 1 ${point(next - half, outer)}`;
    })
    .join('');
  const holes = Array.from({ length: holeEnds }, (_, i) => (i * 360) / holeEnds);
  const swept = turn === null || turn === 0 ? [] : [arrow(point, size * 0.43, sorted.length > 0 ? -now : 0, turn)];
  return [
    path(`${outline}Z`, { fill: 'steel', stroke: 'part', width: 1.5 }),
    circle(c, c, bore, { fill: 'sheet', stroke: 'part', width: 1.5 }),
    ...holes.map((degrees): Shape => {
      const [x, y] = point(degrees, outer + 14)
        .split(',')
        .map(Number);
      return line(c, c, x ?? c, y ?? c, 'ink', 2, '6 4');
    }),
    ...swept,
  ];
}

/** An arc outside the nut from where a slot is to where it comes, with a head at its end. */
function arrow(point: (degrees: number, r: number) => string, r: number, from: number, turn: number): Shape {
  const to = from + turn;
  const way = turn > 0 ? 1 : 0;
  const back = to - Math.sign(turn) * 5;
  return path(
    `M${point(from, r)}A${r.toFixed(1)},${r.toFixed(1)} 0 ${Math.abs(turn) > 180 ? 1 : 0} ${way} ${point(to, r)}M${point(back, r + 7)}L${point(to, r)}L${point(back, r - 7)}`,
    { fill: 'none', stroke: 'brassText', width: 2.5, id: 'turn' },
  );
}
