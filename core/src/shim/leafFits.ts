import { mm, type Length } from '../quantity/index.ts';

/** What a leaf or a washer is besides how thick; what nobody has measured is left out. */
export interface LeafForm {
  /** nm */
  readonly bore?: Length | undefined;
  readonly outside?: Length | undefined;
  /** none, or as it is cut: "tang", "two tangs" */
  readonly tang?: string | undefined;
}

/** What a place takes: over what it goes, inside what, and with what tang. */
export type PlaceForm = LeafForm;

/** A leaf so much wider than what it goes over hangs off its centre, nm. Common practice, no source. */
const LOOSEST = mm(1.5);
/** A bore and a shaft are measured to so much, nm. Common practice, no source. */
const MEASURED = mm(0.01);
const tidy = (tang: string): string => tang.trim().toLowerCase();

/**
 * Whether a leaf goes where a place wants it: its bore over the shaft and not too loose on it, its outside inside the housing, its tang the
 * one that is wanted. What the place says nothing of does not matter.
 *
 * @returns `measure` where nothing speaks against it, and something that matters has not been measured
 * @example leafFits({ bore: mm(25.4) }, { bore: mm(25.5) }) // 'fits'
 */
export function leafFits(place: PlaceForm, leaf: LeafForm): 'fits' | 'not' | 'measure' {
  const { bore: shaft, outside: housing, tang } = place;
  const speaks: readonly (boolean | null)[] = [
    shaft === undefined ? true : leaf.bore === undefined ? null : leaf.bore >= shaft - MEASURED && leaf.bore <= shaft + LOOSEST,
    housing === undefined ? true : leaf.outside === undefined ? null : leaf.outside <= housing + MEASURED,
    tang === undefined ? true : leaf.tang === undefined ? null : tidy(leaf.tang) === tidy(tang),
  ];
  if (speaks.includes(false)) return 'not';
  return speaks.includes(null) ? 'measure' : 'fits';
}
