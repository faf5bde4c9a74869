import type { Ring } from '../section/question.ts';
import type { Fill } from '../shapes.ts';

export type { Ring } from '../section/question.ts';

/** One piece of metal in section. Its rings never overlap those of another. */
export interface Solid {
  readonly id: string;
  /** the place it sits in; `bolts` for what holds a joint */
  readonly part: string;
  readonly kind: 'part' | 'pack' | 'fastener';
  readonly fill: Fill;
  readonly rings: readonly Ring[];
}

export interface Detail {
  readonly points: Ring;
  readonly closed?: boolean;
  readonly fill?: Fill;
  readonly width?: number;
  readonly dash?: string;
}

export interface Outline {
  readonly solids: readonly Solid[];
  readonly details: readonly Detail[];
}

/** A rectangle from one place along the axis and radius to another. */
export const box = (x1: number, r1: number, x2: number, r2: number): Ring => [
  [x1, r1],
  [x1, r2],
  [x2, r2],
  [x2, r1],
];

/** A straight line along or across. */
export const stroke = (x1: number, r1: number, x2: number, r2: number, more: Omit<Detail, 'points'> = {}): Detail => ({
  points: [
    [x1, r1],
    [x2, r2],
  ],
  ...more,
});

/** Centre and pitch lines, px. */
export const CHAIN = '10 3 2 3';
