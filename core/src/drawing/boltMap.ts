import type { HoleAt } from '../fastener/index.ts';
import { circle, line, path, rect, text, type Shape } from './shapes.ts';

export interface BoltMapQuestion {
  readonly shape: 'circle' | 'rectangle';
  readonly holes: readonly { readonly hole: number; readonly odd: boolean; readonly on: boolean }[];
  /** where hole 1 is, said over it */
  readonly start: string;
  readonly width: number;
  readonly height: number;
}

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Holes clockwise from the top, evenly round a circle. */
function roundCircle(n: number, cx: number, cy: number, r: number): Spot[] {
  return Array.from({ length: n }, (_, i) => {
    const angle = (2 * Math.PI * i) / n;
    return { x: cx + r * Math.sin(angle), y: cy - r * Math.cos(angle) };
  });
}

/**
 * Holes clockwise from the top left corner: one in every corner where they are an even number, and the others evenly along the sides, which
 * lie over against each other; any other number evenly along the outline.
 */
function roundRectangle(n: number, left: number, top: number, w: number, h: number): Spot[] {
  if (n >= 4 && n % 2 === 0) {
    const wide = Math.round(((n - 4) / 2) * (w / (w + h)));
    const high = (n - 4) / 2 - wide;
    const side = (count: number, x: number, y: number, dx: number, dy: number): Spot[] =>
      Array.from({ length: count + 1 }, (_, i) => ({ x: x + (dx * i) / (count + 1), y: y + (dy * i) / (count + 1) }));
    return [
      ...side(wide, left, top, w, 0),
      ...side(high, left + w, top, 0, h),
      ...side(wide, left + w, top + h, -w, 0),
      ...side(high, left, top + h, 0, -h),
    ];
  }
  const whole = 2 * (w + h);
  return Array.from({ length: n }, (_, i) => {
    const along = (whole * i) / n;
    if (along <= w) return { x: left + along, y: top };
    if (along <= w + h) return { x: left + w, y: top + along - w };
    if (along <= 2 * w + h) return { x: left + w - (along - w - h), y: top + h };
    return { x: left, y: top + h - (along - 2 * w - h) };
  });
}

/**
 * Where the holes of a cover are to each other, hole 1 first, on an outline two wide and two high about its middle.
 *
 * @example holeSpots('circle', 4)[1].x // 1
 */
export const holeSpots = (shape: BoltMapQuestion['shape'], holes: number): HoleAt[] =>
  (holes === 1 ? [{ x: 0, y: 0 }] : shape === 'circle' ? roundCircle(holes, 0, 0, 1) : roundRectangle(holes, -1, -0.53, 2, 1.06)).map(
    ({ x, y }, i) => ({
      id: String(i + 1),
      x,
      y,
    }),
  );

/**
 * A cover seen from outside with its bolt holes numbered clockwise from the start, as they lie to each other and not to scale. The odd
 * one out stands out.
 */
export function boltMapShapes({ shape, holes, start, width, height }: BoltMapQuestion): { shapes: readonly Shape[]; spots: readonly Spot[] } {
  const [cx, cy] = [width / 2, height / 2 + 8];
  const r = Math.min(width, height) / 2 - 44;
  const isRound = shape === 'circle';
  const [w, h] = [Math.min(width - 90, r * 3.2), r * 1.7];
  const spots = isRound ? roundCircle(holes.length, cx, cy, r) : roundRectangle(holes.length, cx - w / 2, cy - h / 2, w, h);
  const size = holes.length > 14 ? 14 : 19;
  const cover: Shape[] = isRound
    ? [
        circle(cx, cy, r + 14, { fill: 'iron', stroke: 'part', width: 1.5 }),
        circle(cx, cy, r, { fill: 'none', stroke: 'part', dash: '12 3 2 3' }),
        circle(cx, cy, r * 0.5, { fill: 'sheet', stroke: 'part', width: 1.5 }),
        circle(cx, cy, r * 0.22, { fill: 'steel', stroke: 'part' }),
      ]
    : [
        rect(cx - w / 2 - 18, cy - h / 2 - 18, w + 36, h + 36, { fill: 'iron', stroke: 'part', width: 1.5 }),
        rect(cx - w / 2 + 24, cy - h / 2 + 24, w - 48, h - 48, { fill: 'sheet', stroke: 'part' }),
      ];
  const bolts = holes.flatMap(({ hole, odd, on }, i): Shape[] => {
    const { x, y } = spots[i] ?? { x: cx, y: cy };
    return [
      ...(odd ? [circle(x, y, size + 4, { fill: 'sheet', stroke: 'blue', width: 2.5, id: `odd ${hole}` })] : []),
      circle(x, y, size, { fill: on ? 'blue' : odd ? 'band' : 'steel', stroke: 'part', width: 1.5, id: `hole ${hole}` }),
      text(x, y + 6, String(hole), 'number', size > 15 ? 18 : 14, on ? 'paper' : 'ink', { anchor: 'middle', bold: odd }),
    ];
  });
  const first = spots[0] ?? { x: cx, y: cy };
  return {
    shapes: [
      ...cover,
      line(cx - 8, cy, cx + 8, cy, 'part'),
      line(cx, cy - 8, cx, cy + 8, 'part'),
      ...bolts,
      text(Math.max(first.x, 60), Math.max(first.y - 32, 16), start.toUpperCase(), 'label', 15, 'ink2', { anchor: 'middle' }),
    ],
    spots,
  };
}

/** A bolt lying on its side, its length drawn against the longest of its map, head and thread as they are. */
export function boltShapes({ share, odd, width, height }: { share: number; odd: boolean; width: number; height: number }): readonly Shape[] {
  const mid = height / 2;
  const shank = Math.max(18, (width - 26) * Math.min(1, share));
  const thread = Math.min(shank * 0.7, 44);
  const [x0, x1] = [20, 20 + shank];
  const ticks = Array.from({ length: Math.max(2, Math.floor(thread / 6)) }, (_, i) => x1 - 3 - i * 6);
  return [
    path(`M3,${mid - 13}L7,${mid - 15}H17V${mid + 15}H7L3,${mid + 13}Z`, { fill: odd ? 'blue' : 'steel', stroke: 'part', width: 1.5 }),
    line(3, mid - 5, 17, mid - 5, odd ? 'paper' : 'part'),
    line(3, mid + 5, 17, mid + 5, odd ? 'paper' : 'part'),
    rect(17, mid - 8, x1 - 17, 16, { fill: odd ? 'band' : 'steel', stroke: 'part', width: 1.5 }),
    ...ticks.filter((x) => x > x0).map((x) => line(x, mid - 8, x - 3, mid + 8, 'part')),
  ];
}
