import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { Deviations } from './isoLimits.ts';

/** Upper ends of steps, mm, and how far below nominal a ring of normal class may be, µm. */
const BORE: readonly (readonly [number, number])[] = [
  [10, 8],
  [18, 8],
  [30, 10],
  [50, 12],
  [80, 15],
  [120, 20],
  [180, 25],
  [250, 30],
];
const OUTSIDE: readonly (readonly [number, number])[] = [
  [18, 8],
  [30, 9],
  [50, 11],
  [80, 13],
  [120, 15],
  [150, 18],
  [180, 25],
  [250, 30],
];

/**
 * Limits of a rolling bearing's ring, normal class: both bore and outside are at nominal or below it, never H or h.
 * For radial bearings other than tapered ones, whose tolerances are a little wider.
 *
 * @param diameter 3 to 250 mm
 * @throws ReckoningError `outOfRange`
 * Source: ISO 492, normal class (mean diameter in a single plane), from memory of the tables.
 * @example bearingRing({ diameter: mm(30), ring: 'bore' }) // 0 / −10 µm
 */
export function bearingRing({ diameter, ring }: { diameter: Length; ring: 'bore' | 'outside' }): Deviations {
  const size = diameter / 1_000_000;
  const row = (ring === 'bore' ? BORE : OUTSIDE).find(([end]) => size <= end);
  if (!row || size < 3) return refuse('outOfRange', `${String(size)} mm is outside the table: it goes from 3 to 250 mm.`);
  return { upper: nanometres(0), lower: nanometres(-row[1] * 1000) };
}
