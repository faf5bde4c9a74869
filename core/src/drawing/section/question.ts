import type { Length } from '../../quantity/index.ts';
import type { Contact } from '../../stack/index.ts';

/** What a Section is drawn from: places with what sits in them, sizes, contacts, packs and gaps. Nothing of it comes from a template. */

export interface SectionLeaf {
  readonly thickness: Length;
  readonly metric: boolean;
}

export interface DrawnFace {
  readonly id: string;
  readonly side: 'in' | 'out';
  /** radii, mm of proportion; null where nobody said */
  readonly inner: number | null;
  readonly outer: number | null;
}

export interface DrawnPlace {
  readonly id: string;
  readonly name: string;
  /** one outline for each kind of part */
  readonly kind: string;
  readonly material: string;
  readonly turned: boolean;
  readonly faces: readonly DrawnFace[];
  /** of a place that takes leaves: what is in; null where nobody has said */
  readonly leaves?: readonly SectionLeaf[] | null;
  /** how thick it is drawn while nobody has said what is in, mm */
  readonly proportion?: number;
  /** a part is chosen for it, and drawn brass */
  readonly isSlot?: boolean;
  /** the pack as it is said beside the drawing */
  readonly words?: string;
}

/** A size between two faces, drawn to scale where it is known. */
export interface DrawnLength {
  readonly id: string;
  readonly place: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  /** mm, until it is measured */
  readonly proportion: number;
  readonly size: Length | null;
}

export interface DrawnContact {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly kind: Contact['kind'];
  /** the id of the length that holds its faces apart */
  readonly stand?: string;
}

export interface DrawnGap {
  readonly contact: string;
  readonly letter: string;
  readonly name: string;
  /** as it is reckoned to be now; null unknown */
  readonly value: Length | null;
  /** it was not read on this build */
  readonly forecast: boolean;
}

/** A shaft as it is drawn, whatever its size on the sheet. */
export interface DrawnShaft {
  readonly places: readonly DrawnPlace[];
  readonly lengths: readonly DrawnLength[];
  readonly contacts: readonly DrawnContact[];
  readonly gaps: readonly DrawnGap[];
  /** what its two ends are called */
  readonly ends: readonly [string, string];
  /** cover bolts to be drawn */
  readonly bolts: boolean;
}

export interface SectionQuestion extends DrawnShaft {
  readonly width: number;
  readonly height: number;
  readonly unit: 'thou' | 'mm';
  /** the letter of the gap in hand: the first where it is left out */
  readonly current?: string;
}

/** Points of the upper half: x along the axis and r out from it, px. */
export type Ring = readonly (readonly [number, number])[];
