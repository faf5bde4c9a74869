import type { Length } from '../quantity/index.ts';

export interface Repeatability {
  /** one standard deviation of a single reading, nm */
  readonly s: number;
  /** degrees of freedom: readings, less one for each thing that was read */
  readonly dof: number;
  /** readings it was found from */
  readonly readings: number;
}

/** Some more readings than this that were free to differ, and an instrument's own spread is known better than what is usual for its kind. */
const ENOUGH = 10;
/** No instrument is taken to repeat better than this share of one step of it: what is read is rounded. */
const LEAST_SHARE = 0.1;

/**
 * How well an instrument repeats, from things that were read with it more than once: the spread within each, pooled over all of them
 * (JCGM 100, 4.2 and H.3.6), less what rounding to its step adds of itself (Sheppard's correction, resolution²/12), which the doubt of a
 * reading has already.
 *
 * @param groups readings of one thing each, nm; a group of one says nothing
 * @returns null under ten degrees of freedom: too few to speak for the instrument
 * @example instrumentRepeatability([[1, 2, 3, 2, 1, 3].map(thou), [7, 8, 7, 6, 7, 8, 7].map(thou)], { resolution: thou(0.1) })?.readings // 13
 */
export function instrumentRepeatability(
  groups: readonly (readonly Length[])[],
  { resolution }: { readonly resolution: Length },
): Repeatability | null {
  const repeated = groups.filter((group) => group.length > 1);
  const dof = repeated.reduce((sum, group) => sum + group.length - 1, 0);
  if (dof < ENOUGH) return null;
  const squares = repeated.reduce((sum, group) => {
    const mean = group.reduce((a, b) => a + b, 0) / group.length;
    return sum + group.reduce((within, value) => within + (value - mean) ** 2, 0);
  }, 0);
  const s = Math.sqrt(Math.max(squares / dof - resolution ** 2 / 12, (LEAST_SHARE * resolution) ** 2));
  return { s, dof, readings: repeated.reduce((sum, group) => sum + group.length, 0) };
}
