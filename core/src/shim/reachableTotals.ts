import { nanometres, type Length } from '../quantity/index.ts';
import { searchPacks, type DrawerLeaf, type Pack } from './searchPacks.ts';

export interface Reach {
  readonly total: Length;
  /** the pack that makes it, or null */
  readonly pack: Pack | null;
}

/**
 * What totals the leaves on hand can make: one row a step.
 *
 * @param tolerance how near counts as made
 */
export function reachableTotals(
  drawer: readonly DrawerLeaf[],
  { from, to, step, tolerance, maxLeaves }: { from: Length; to: Length; step: Length; tolerance: Length; maxLeaves: number },
): Reach[] {
  const totals = Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => nanometres(from + i * step));
  return totals.map((total) => {
    const { packs } = searchPacks(drawer, {
      min: nanometres(Math.max(1, total - tolerance)),
      max: nanometres(total + tolerance),
      target: total,
      maxLeaves,
      keep: 1,
    });
    return { total, pack: packs[0] ?? null };
  });
}

/**
 * The one leaf that would fill most of the gaps in what a drawer can make; null when there is none to fill.
 * Candidates are whole steps; of equals, the thickest, which is the easiest to handle.
 */
export function leafThatFillsMost(
  drawer: readonly DrawerLeaf[],
  range: { from: Length; to: Length; step: Length; tolerance: Length; maxLeaves: number },
): { thickness: Length; fills: number; of: number } | null {
  const gaps = reachableTotals(drawer, range).filter((r) => r.pack === null);
  if (gaps.length === 0) return null;
  const candidates = reachableTotals([], range).map((r) => r.total);
  const scored = candidates.map((thickness) => {
    const more = [...drawer, { thickness, quantity: 1 }];
    const fills = gaps.filter(
      ({ total }) =>
        searchPacks(more, {
          min: nanometres(Math.max(1, total - range.tolerance)),
          max: nanometres(total + range.tolerance),
          target: total,
          maxLeaves: range.maxLeaves,
          keep: 1,
        }).packs.length > 0,
    ).length;
    return { thickness, fills, of: gaps.length };
  });
  // they stand from the thinnest up
  return scored.reduce((best, s) => (s.fills >= best.fills ? s : best));
}
