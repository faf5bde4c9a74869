/** What a drawing is made of: plain shapes in pixels, in colours by role. Drawn by SVG on screen and by any other pen. */
export type Colour =
  | 'paper'
  | 'sheet'
  | 'well'
  | 'ink'
  | 'ink2'
  | 'rule'
  | 'edge'
  | 'blue'
  | 'band'
  | 'brass'
  | 'brassLine'
  | 'brassText'
  | 'right'
  | 'tight'
  | 'loose'
  | 'steel'
  | 'iron'
  | 'part';
export type Fill = Colour | 'hatchCasing' | 'hatchCover' | 'hatchBronze' | 'hatchPreload' | 'hatchMake' | 'none';
export type Font = 'label' | 'text' | 'number';

interface Painted {
  readonly fill?: Fill;
  readonly stroke?: Colour;
  readonly width?: number;
  readonly dash?: string;
  /** what it stands for, for tests and for pointing at */
  readonly id?: string;
  /** of a Section: the place whose part it is of */
  readonly part?: string;
}

export type Shape =
  | (Painted & { readonly kind: 'rect'; readonly x: number; readonly y: number; readonly w: number; readonly h: number })
  | (Painted & { readonly kind: 'circle'; readonly x: number; readonly y: number; readonly r: number })
  | (Painted & {
      readonly kind: 'path';
      readonly d: string;
      readonly join?: 'round';
      /** what is drawn inside another is a hole in it */
      readonly rule?: 'evenodd';
    })
  | {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly font: Font;
      readonly size: number;
      readonly colour: Colour;
      readonly bold?: boolean;
      readonly anchor?: 'start' | 'middle' | 'end';
      readonly halo?: Fill;
    };

const round = (value: number): number => Math.round(value * 100) / 100;

export const line = (x1: number, y1: number, x2: number, y2: number, stroke: Colour, width = 1, dash?: string): Shape => ({
  kind: 'path',
  d: `M${round(x1)},${round(y1)}L${round(x2)},${round(y2)}`,
  fill: 'none',
  stroke,
  width,
  ...(dash === undefined ? {} : { dash }),
});

export const rect = (x: number, y: number, w: number, h: number, painted: Painted): Shape => ({
  kind: 'rect',
  x: round(x),
  y: round(y),
  w: round(w),
  h: round(h),
  ...painted,
});

export const circle = (x: number, y: number, r: number, painted: Painted): Shape => ({
  kind: 'circle',
  x: round(x),
  y: round(y),
  r: round(r),
  ...painted,
});

export const path = (d: string, painted: Painted & { readonly rule?: 'evenodd' }): Shape => ({ kind: 'path', d, ...painted });

export const text = (
  x: number,
  y: number,
  words: string,
  font: Font,
  size: number,
  colour: Colour = 'ink',
  more: { bold?: boolean; anchor?: 'start' | 'middle' | 'end'; halo?: Fill } = {},
): Shape => ({ kind: 'text', x: round(x), y: round(y), text: words, font, size, colour, ...more });

/** Pixels to a millimetre at full size: 96 to the inch. */
export const PX_PER_MM = 96 / 25.4;

/** How many times larger than life something is drawn, as it is said. `pxPerNm`: pixels of one nanometre. */
export const magnificationOf = (pxPerNm: number): number => Math.round((pxPerNm * 1_000_000) / PX_PER_MM);

/** A closed ellipse, as a path: two of them one inside the other make a ring to be filled in turn. */
export const ellipse = (cx: number, cy: number, rx: number, ry: number): string =>
  `M${(cx - rx).toFixed(2)},${cy.toFixed(2)}a${rx.toFixed(2)},${ry.toFixed(2)} 0 1 0 ${(2 * rx).toFixed(2)},0a${rx.toFixed(2)},${ry.toFixed(2)} 0 1 0 ${(-2 * rx).toFixed(2)},0Z`;

/** A closed outline through points. */
export const outline = (points: readonly (readonly [number, number])[]): string => `M${points.map(([x, y]) => `${round(x)},${round(y)}`).join('L')}Z`;

/** About how wide a run of text is, px: enough to keep labels apart, measured on the three fonts. */
export const textWidth = (words: string, font: Font, size: number): number => words.length * size * { label: 0.5, text: 0.53, number: 0.6 }[font];
