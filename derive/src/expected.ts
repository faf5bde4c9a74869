import { nanometres, thou, type EntryQuestion, type Length } from '@elder-cog/core';
import type { GapState } from './gap/index.ts';
import type { FeatureState } from './wear.ts';

export interface Expected {
  readonly min: Length;
  readonly max: Length;
}

/** A quarter of what was last known to four times it, and never closer than this. Common practice, no source. */
const TIMES = 4;
const AT_LEAST = thou(3);

export const expectedAround = (value: number): Expected => ({
  min: nanometres(Math.min(value / TIMES, value * TIMES, value - AT_LEAST)),
  max: nanometres(Math.max(value / TIMES, value * TIMES, value + AT_LEAST)),
});

/**
 * What a gap should read: about what it was last read or forecast to be, stale or not; else three times its limits where a pack that
 * somebody chose is in; else nobody knows.
 */
export function expectedOfGap({ now, limits, pack }: Pick<GapState, 'now' | 'limits' | 'pack'>): Expected | null {
  if (now.reading && now.reading.kind === 'estimate') return expectedAround(now.reading.value);
  const { min, max } = limits?.limits ?? {};
  if (!pack || pack.fitted === 0 || max === undefined || max <= 0) return null;
  return { min: nanometres(Math.max(0, min ?? 0) / 3), max: nanometres(max * 3) };
}

/** What is typed where a known spacer is under the flange: as much more. */
export const withSpacer = (expected: Expected | null, spacer: Length): Expected | null =>
  expected && { min: nanometres(Math.max(0, expected.min + spacer)), max: nanometres(expected.max + spacer) };

/** What a part should measure: about what it was last, or was when new, or what its mate measures. */
export function expectedOfFeature({ station, now }: Pick<FeatureState, 'station' | 'now'>, mate: Length | null): Expected | null {
  const known = now ?? station.newSize ?? mate;
  return known === null ? null : expectedAround(known);
}

/** How a strip's entries are read at a gap: a float, and more of it where no pack is in yet; depths are depths. */
export const gapQuantity = ({ pack }: Pick<GapState, 'pack'>, method: string): NonNullable<EntryQuestion<'reading'>['quantity']> =>
  method === 'depths' ? 'depth' : pack?.fitted === 0 ? 'openFloat' : 'float';
