import { nanometres, NM_PER, type Length } from '../quantity/index.ts';

/** What is set on a micrometer to make a shim by: a round figure, and how far either side of it will still do. */
export interface MadeSize {
  readonly size: Length;
  readonly either: Length;
}

/** What a micrometer in a shop is set to and read by: a tenth of a thou, or two microns. Common practice, no source. */
const STEP = { thou: NM_PER.thou / 10, mm: NM_PER.mm / 500 } as const;
/** Half thou and five hundredths of a millimetre are said where they lie well inside. */
const ROUND = { thou: NM_PER.thou / 2, mm: NM_PER.mm / 100 } as const;

/**
 * A size to make, as it is said in one system, with its tolerance: the window itself is never left by saying it. The figure is a round one
 * where that keeps three quarters of the tolerance, and otherwise as fine as a micrometer is read.
 *
 * @param window what lands, nm; `ideal` is inside it
 * @returns a size inside the window, and a tolerance either side of it that is inside too
 * @example madeSize({ min: thou(96.7), max: thou(98.7), ideal: thou(97.7) }, 'thou').size // 97.5 thou
 */
export function madeSize({ min, max, ideal }: { readonly min: Length; readonly max: Length; readonly ideal: Length }, unit: 'thou' | 'mm'): MadeSize {
  const inside = Math.min(max, Math.max(min, ideal));
  const roomAt = (size: number): number => Math.min(max - size, size - min);
  const full = roomAt(inside);
  const size = [ROUND[unit], STEP[unit]].map((step) => Math.round(inside / step) * step).find((each) => roomAt(each) >= full * 0.75) ?? inside;
  return { size: nanometres(size), either: nanometres(Math.max(0, Math.floor((roomAt(size) + 1e-6) / STEP[unit]) * STEP[unit])) };
}
