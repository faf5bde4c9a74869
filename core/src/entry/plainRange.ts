import { mm, type Length } from '../quantity/index.ts';

/** What is measured, as far as it tells what a figure can plausibly be. */
export type PlainQuantity =
  | 'float'
  | 'openFloat'
  | 'leaf'
  | 'spacer'
  | 'gasket'
  | 'distancePiece'
  | 'diameter'
  | 'roller'
  | 'depth'
  | 'parallel'
  | 'bolt'
  | 'spring'
  | 'film'
  | 'drum'
  | 'fine'
  | 'pitch'
  | 'sheet';

export interface PlainRange {
  readonly min: Length;
  readonly max: Length;
}

/** What such a thing plausibly is in a gearbox, an axle or a hub. Common practice, no source. */
const RANGES: Readonly<Record<PlainQuantity, readonly [mm: number, mm: number]>> = {
  float: [0.01, 3],
  /** with no pack in */
  openFloat: [0.01, 8],
  leaf: [0.02, 6],
  spacer: [0.05, 6],
  gasket: [0.05, 2],
  distancePiece: [1, 250],
  diameter: [3, 250],
  roller: [1, 30],
  depth: [0, 150],
  parallel: [1, 50],
  bolt: [6, 200],
  spring: [5, 150],
  /** sealant in a joint, all its films together */
  film: [0.005, 0.5],
  /** how far from the axis a cord pulls */
  drum: [4, 400],
  /** an instrument's zero error, its doubt, its division */
  fine: [0.0001, 0.5],
  /** of a thread, from crest to crest */
  pitch: [0.2, 8],
  /** how wide or long a sheet or bar of stock is */
  sheet: [20, 3000],
};

/** A whole pack, however many leaves. */
export const MOST_IN_A_PACK = mm(30);

export const plainRange = (quantity: PlainQuantity): PlainRange => ({ min: mm(RANGES[quantity][0]), max: mm(RANGES[quantity][1]) });

/** Quantities whose whole numbers are thou, or hundredths, as like as millimetres. */
export const isSmall = (quantity: PlainQuantity): boolean => quantity === 'float' || quantity === 'openFloat';

/** Quantities written in fractions of an inch; the others are halves and quarters of their own unit. */
export const hasInchFractions = (quantity: PlainQuantity): boolean =>
  !(['float', 'openFloat', 'leaf', 'spacer', 'gasket', 'film'] as readonly PlainQuantity[]).includes(quantity);

/** Nought, or inside: the sign does not tell. */
export const isPlain = (nm: number, { min, max }: PlainRange): boolean => nm === 0 || (Math.abs(nm) >= min && Math.abs(nm) <= max);
