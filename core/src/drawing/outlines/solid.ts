import type { Length } from '../../quantity/index.ts';
import type { Place, TemplateName } from '../../stack/index.ts';
import type { Fill } from '../shapes.ts';

/** Points of the upper half: x along the axis and r out from it, px. */
export type Ring = readonly (readonly [number, number])[];

/** One piece of metal in section. Its rings never overlap those of another. */
export interface Solid {
  readonly id: string;
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

export interface PartsQuestion {
  readonly template: TemplateName;
  readonly place: Place;
  readonly gasket: boolean;
  /** px for a millimetre of the template's proportions: radii, bosses, stubs */
  readonly art: number;
  readonly x: (face: string) => number;
  /** the faces of a part, from its input end */
  readonly faces: (part: string) => readonly string[];
  readonly leaves: readonly { readonly thickness: Length; readonly metric: boolean; readonly px: number }[];
  readonly packUnknown: boolean;
  readonly turned: readonly string[];
}

export interface PartsDrawn {
  readonly solids: readonly Solid[];
  readonly details: readonly Detail[];
  /** how far out the gap is pointed at */
  readonly gapRadius: number;
  readonly gapBetween: readonly [{ name: string; fill: Fill }, { name: string; fill: Fill }];
  /** where the pack's label points, px along and out */
  readonly packAt: readonly [number, number] | null;
  /** where a "?" may stand on a part not measured */
  readonly unknownAt: readonly (readonly [string, readonly [number, number]])[];
}

/** A rectangle from one place along the axis and radius to another. */
export const box = (x1: number, r1: number, x2: number, r2: number): Ring => [
  [x1, r1],
  [x1, r2],
  [x2, r2],
  [x2, r1],
];

/** A part of one piece of metal, or several. */
export const part = (id: string, fill: Fill, ...rings: Ring[]): Solid => ({ id, part: id, kind: 'part', fill, rings });
