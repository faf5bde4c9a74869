import type { HoleAt } from '../fastener/index.ts';
import { circle, line, path, rect, text, type Shape } from './shapes.ts';

export interface JointMapQuestion {
  readonly shape: 'circle' | 'rectangle';
  /** where its holes are, hole 1 first, on an outline two wide and two high */
  readonly spots: readonly HoleAt[];
  /** holes in the order they are pulled */
  readonly order: readonly number[];
  /** of each hole, how many rounds were done, of so many */
  readonly done: ReadonlyMap<number, number>;
  readonly rounds: number;
  /** the last that was pulled, and the next */
  readonly last: number | null;
  readonly next: number | null;
  readonly width: number;
  readonly height: number;
}

/** A bolt's head from above: six flats, turned a little by its number so that no two lie alike. */
function head(x: number, y: number, r: number, turn: number, fill: 'steel' | 'blue'): Shape {
  const corner = (i: number): string => {
    const a = turn + (i * Math.PI) / 3;
    return `${(x + r * Math.cos(a)).toFixed(2)},${(y + r * Math.sin(a)).toFixed(2)}`;
  };
  return path(`M${Array.from({ length: 6 }, (_, i) => corner(i)).join('L')}Z`, { fill, stroke: 'part', width: 1.5 });
}

/** Part of a ring from the top, clockwise: so much of the rounds that this bolt was pulled in. */
function ring(x: number, y: number, r: number, share: number): Shape {
  if (share >= 1) return circle(x, y, r, { fill: 'none', stroke: 'blue', width: 5 });
  const a = 2 * Math.PI * share;
  const end = `${(x + r * Math.sin(a)).toFixed(2)},${(y - r * Math.cos(a)).toFixed(2)}`;
  return path(`M${x.toFixed(2)},${(y - r).toFixed(2)}A${r},${r} 0 ${share > 0.5 ? 1 : 0} 1 ${end}`, { fill: 'none', stroke: 'blue', width: 5 });
}

/**
 * What a joint holds down, seen from outside, with its bolts numbered in the order they are pulled, a ring round each for the rounds it was
 * pulled in, and the way from the last to the next. Not to scale.
 */
export function jointMapShapes({ shape, spots, order, done, rounds, last, next, width, height }: JointMapQuestion): readonly Shape[] {
  const [cx, cy] = [width / 2, height / 2];
  const r = Math.min(width, height) / 2 - 48;
  const at = (hole: number): { x: number; y: number } => {
    const spot = spots[hole - 1] ?? { x: 0, y: 0 };
    return shape === 'circle'
      ? { x: cx + spot.x * r, y: cy + spot.y * r }
      : { x: cx + spot.x * (width / 2 - 56), y: cy + (spot.y / 0.53) * (height / 2 - 56) };
  };
  const big = spots.length > 14 ? 14 : 20;
  const plate: Shape[] =
    shape === 'circle'
      ? [
          circle(cx, cy, r + 30, { fill: 'iron', stroke: 'part', width: 1.5 }),
          ...(spots.length > 1 ? [circle(cx, cy, r * 0.5, { fill: 'sheet', stroke: 'part', width: 1.5 })] : []),
        ]
      : [
          rect(26, 26, width - 52, height - 52, { fill: 'iron', stroke: 'part', width: 1.5 }),
          rect(96, 96, Math.max(10, width - 192), Math.max(10, height - 192), { fill: 'sheet', stroke: 'part' }),
        ];
  const way: Shape[] =
    last !== null && next !== null && last !== next ? [line(at(last).x, at(last).y, at(next).x, at(next).y, 'blue', 3, '6 5')] : [];
  const bolts = spots.flatMap((_, i): Shape[] => {
    const hole = i + 1;
    const { x, y } = at(hole);
    const share = rounds === 0 ? 0 : (done.get(hole) ?? 0) / rounds;
    const isNext = hole === next;
    return [
      circle(x, y, big + 6, { fill: 'sheet', stroke: 'edge', width: 5 }),
      ...(share > 0 ? [ring(x, y, big + 6, share)] : []),
      ...(isNext ? [circle(x, y, big + 11, { fill: 'none', stroke: 'blue', width: 2 })] : []),
      head(x, y, big, 0.3 + hole, isNext ? 'blue' : 'steel'),
      text(x, y + 6, String(order.indexOf(hole) + 1), 'number', big > 15 ? 18 : 14, isNext ? 'paper' : 'ink', { anchor: 'middle', bold: true }),
    ];
  });
  return [...plate, ...way, ...bolts];
}
