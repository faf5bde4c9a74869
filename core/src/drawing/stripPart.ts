import { circle, line, path, rect, text, type Shape } from './shapes.ts';

export interface StripPartQuestion {
  /** a part type of the strip log, or a pack, or a float read before anything came off */
  readonly type: string;
  /** holes whose bolt is not as the rest */
  readonly odd?: readonly number[];
  readonly width: number;
  readonly height: number;
}

type Pen = (cx: number, cy: number, odd: readonly number[]) => readonly Shape[];

const STEEL = { fill: 'steel', stroke: 'part', width: 1.3 } as const;
const IRON = { fill: 'hatchCasing', stroke: 'part', width: 1.3 } as const;
const COVER = { fill: 'hatchCover', stroke: 'part', width: 1.3 } as const;
const BRASS = { fill: 'brass', stroke: 'brassLine' } as const;
const BRONZE = { fill: 'hatchBronze', stroke: 'part', width: 1.3 } as const;

const axis = (cx: number, cy: number, reach: number): Shape => line(cx - reach, cy, cx + reach, cy, 'part', 1, '12 3 2 3');

/** Seen from the side, cut through the middle where that shows more, the input end at the left. */
const PENS: Readonly<Record<string, Pen>> = {
  float: (cx, cy) => [
    rect(cx - 52, cy - 9, 60, 18, STEEL),
    line(cx + 8, cy, cx + 24, cy, 'part', 2),
    circle(cx + 38, cy, 14, { fill: 'sheet', stroke: 'part', width: 1.5 }),
    line(cx + 38, cy, cx + 46, cy - 8, 'ink', 2),
    line(cx - 36, cy - 17, cx - 8, cy - 17, 'ink', 1.5),
    path(`M${cx - 36},${cy - 17}l6,-3v6ZM${cx - 8},${cy - 17}l-6,-3v6Z`, { fill: 'ink' }),
  ],
  pack: (cx, cy) => [
    rect(cx - 50, cy - 20, 34, 40, IRON),
    rect(cx - 15, cy - 20, 9, 40, BRASS),
    rect(cx - 5, cy - 20, 5, 40, BRASS),
    rect(cx + 1, cy - 20, 34, 40, COVER),
  ],
  bolts: (cx, cy, odd) => [
    rect(cx - 46, cy - 16, 8, 14, STEEL),
    rect(cx - 38, cy - 13, 30, 8, STEEL),
    rect(cx - 46, cy + 4, 8, 14, STEEL),
    rect(cx - 38, cy + 7, odd.length > 0 ? 46 : 30, 8, STEEL),
    ...(odd.length > 0
      ? [
          circle(cx + 34, cy + 2, 13, { fill: 'none', stroke: 'blue', width: 2 }),
          text(cx + 34, cy + 8, String(odd[0]), 'number', 16, 'blue', { anchor: 'middle', bold: true }),
        ]
      : []),
  ],
  'thrust washer': (cx, cy) => [
    axis(cx, cy, 44),
    rect(cx - 5, cy - 24, 10, 17, BRONZE),
    rect(cx - 5, cy + 7, 10, 17, BRONZE),
    rect(cx - 9, cy - 27, 5, 6, STEEL),
  ],
  cup: (cx, cy) => [axis(cx, cy, 40), path(`M${cx - 14},${cy - 24}h28v6l-28,10Z`, STEEL), path(`M${cx - 14},${cy + 24}h28v-6l-28,-10Z`, STEEL)],
  cone: (cx, cy) => [axis(cx, cy, 40), path(`M${cx - 14},${cy - 6}h28v-10l-28,-6Z`, STEEL), path(`M${cx - 14},${cy + 6}h28v10l-28,6Z`, STEEL)],
  bearing: (cx, cy) => [
    axis(cx, cy, 40),
    ...[-1, 1].flatMap((side) => [
      rect(cx - 12, cy + side * 16 - 9, 24, 18, STEEL),
      circle(cx, cy + side * 16, 6, { fill: 'sheet', stroke: 'part', width: 1.3 }),
    ]),
  ],
  rollers: (cx, cy) => [...[-2, -1, 0, 1, 2].map((i) => rect(cx + i * 15 - 6, cy - 18, 12, 36, STEEL)), axis(cx, cy, 46)],
  bush: (cx, cy) => [axis(cx, cy, 40), rect(cx - 24, cy - 20, 48, 9, BRONZE), rect(cx - 24, cy + 11, 48, 9, BRONZE)],
  'crush sleeve': (cx, cy) => [
    axis(cx, cy, 44),
    ...[-1, 1].map((side) => {
      const up = (r: number): number => cy + side * r;
      return path(
        `M${cx - 34},${up(13)}h20L${cx - 6},${up(20)}h12L${cx + 14},${up(13)}h20V${up(8)}h-22L${cx + 4},${up(15)}h-8L${cx - 12},${up(8)}h-22Z`,
        STEEL,
      );
    }),
  ],
  spring: (cx, cy) => Array.from({ length: 7 }, (_, i) => line(cx - 40 + i * 12, cy + 14, cx - 32 + i * 12, cy - 14, 'part', 3)),
  gear: (cx, cy) => [
    axis(cx, cy, 46),
    path(`M${cx - 30},${cy - 8}h20v-14h22v14h14v16h-14v14h-22v-14h-20Z`, STEEL),
    line(cx - 10, cy - 18, cx + 12, cy - 18, 'part'),
    line(cx - 10, cy + 18, cx + 12, cy + 18, 'part'),
  ],
  selector: (cx, cy) => [rect(cx - 46, cy - 16, 92, 8, STEEL), path(`M${cx - 12},${cy - 20}h24v16l-6,4v20h-4v-16h-4v16h-4v-20l-6,-4Z`, STEEL)],
  flange: (cx, cy) => [
    axis(cx, cy, 50),
    rect(cx - 44, cy - 7, 40, 14, STEEL),
    rect(cx - 4, cy - 24, 10, 48, STEEL),
    rect(cx + 6, cy - 12, 16, 24, STEEL),
  ],
  shaft: (cx, cy) => [
    axis(cx, cy, 56),
    rect(cx - 50, cy - 8, 34, 16, STEEL),
    rect(cx - 16, cy - 13, 40, 26, STEEL),
    rect(cx + 24, cy - 8, 24, 16, STEEL),
  ],
  cover: (cx, cy) => [axis(cx, cy, 40), path(`M${cx - 22},${cy - 10}h16v-14h20v14h10v20h-10v14h-20v-14h-16Z`, COVER)],
  casing: (cx, cy) => [path(`M${cx - 46},${cy - 22}h92v44h-92ZM${cx - 36},${cy + 12}h72v-24h-72Z`, IRON)],
  ring: (cx, cy) => [path(`M${cx + 5},${cy - 21}A22,22 0 1 1 ${cx - 5},${cy - 21}`, { fill: 'none', stroke: 'part', width: 6 })],
  'baulk ring': (cx, cy) => [
    axis(cx, cy, 36),
    path(`M${cx - 12},${cy - 24}h20v6l-20,6Z`, BRONZE),
    path(`M${cx - 12},${cy + 24}h20v-6l-20,-6Z`, BRONZE),
  ],
  seal: (cx, cy) => [
    axis(cx, cy, 36),
    path(`M${cx - 10},${cy - 24}h20v4h-14v10l-6,4Z`, STEEL),
    path(`M${cx - 10},${cy + 24}h20v-4h-14v-10l-6,-4Z`, STEEL),
  ],
  key: (cx, cy) => [path(`M${cx - 30},${cy - 9}h52a9,9 0 0 1 0,18h-52Z`, STEEL)],
  other: (cx, cy) => [rect(cx - 24, cy - 16, 48, 32, { fill: 'none', stroke: 'part', width: 1.3, dash: '5 4' })],
};

/** What sort of thing came off, at a glance; not to scale, and not the part itself. */
export const stripPartShapes = ({ type, odd = [], width, height }: StripPartQuestion): readonly Shape[] =>
  (PENS[type] ?? (PENS.other as Pen))(width / 2, height / 2, odd);
