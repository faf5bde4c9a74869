import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { searchPacks, type DrawerLeaf, type Pack } from './searchPacks.ts';

export interface SplitQuestion {
  /** both sides together, nm: what sets the bearings */
  readonly total: Length;
  /** the left of them, nm: what sets where the shaft is */
  readonly left: Length;
  /** so far either may be off, nm */
  readonly tolerance: Length;
  /** leaves on one side at the most; six unless said */
  readonly maxLeaves?: number;
  /** how many answers; three unless said */
  readonly keep?: number;
}

export interface PackSplit {
  readonly left: Pack['leaves'];
  readonly right: Pack['leaves'];
  readonly leftTotal: Length;
  readonly rightTotal: Length;
  /** left − wanted, and both together − wanted */
  readonly error: { readonly left: Length; readonly total: Length };
}

/** More ways to make the left side are not tried: they lie farther off than those before them. */
const MOST_LEFT = 400;

/**
 * Two packs out of one drawer, for the two sides of a shaft: the total held, so that the bearings stay as they are set, and the left as near
 * as can be to where the shaft is wanted. No leaf is used twice. Nearest left first, then nearest total, then fewest leaves.
 *
 * @returns nothing where no two packs come within the tolerance
 * @throws ReckoningError `notASplit` where the left alone is more than both, or less than nothing
 * @example splitPacks([{ thickness: thou(10), quantity: 2 }, { thickness: thou(5), quantity: 1 }], { total: thou(25), left: thou(15), tolerance: thou(1) })[0].rightTotal // 10 thou
 */
export function splitPacks(drawer: readonly DrawerLeaf[], { total, left, tolerance, maxLeaves = 6, keep = 3 }: SplitQuestion): PackSplit[] {
  if (left < 0 || left > total) refuse('notASplit', 'One side is part of both: it is no more than the two together, and no less than nothing.');
  const lefts = packsNear(drawer, { target: left, tolerance, maxLeaves, keep: MOST_LEFT });
  const found: PackSplit[] = [];
  for (const one of lefts) {
    const last = found[keep - 1];
    if (last && Math.abs(one.error) > Math.abs(last.error.left)) break;
    const rest = without(drawer, one.leaves);
    for (const other of packsNear(rest, { target: nanometres(total - one.total), tolerance, maxLeaves, keep }))
      found.push({
        left: one.leaves,
        right: other.leaves,
        leftTotal: one.total,
        rightTotal: other.total,
        error: { left: one.error, total: other.error },
      });
    found.sort(nearer);
  }
  return found.slice(0, keep);
}

const count = ({ left, right }: PackSplit): number => [...left, ...right].reduce((sum, leaf) => sum + leaf.count, 0);

const nearer = (a: PackSplit, b: PackSplit): number =>
  Math.abs(a.error.left) - Math.abs(b.error.left) || Math.abs(a.error.total) - Math.abs(b.error.total) || count(a) - count(b);

/** Packs within so much of a target, nearest first; no leaf at all is a pack of nothing. */
function packsNear(
  drawer: readonly DrawerLeaf[],
  { target, tolerance, maxLeaves, keep }: { target: Length; tolerance: Length; maxLeaves: number; keep: number },
): readonly Pack[] {
  const nothing: readonly Pack[] =
    target <= tolerance && -target <= tolerance ? [{ leaves: [], total: nanometres(0), error: nanometres(-target) }] : [];
  const max = nanometres(target + tolerance);
  const min = nanometres(Math.max(1, target - tolerance));
  if (max < min || drawer.length === 0) return nothing;
  const { packs } = searchPacks(drawer, { min, max, target: nanometres(Math.max(target, 0)), maxLeaves, keep });
  // a side that is wanted less than nothing is searched for from nothing on, and is off by what it is wanted
  const off = packs.map((pack): Pack => ({ ...pack, error: nanometres(pack.total - target) }));
  return [...nothing, ...off].sort((a, b) => Math.abs(a.error) - Math.abs(b.error));
}

/** The drawer with some leaves out of it. */
const without = (drawer: readonly DrawerLeaf[], leaves: Pack['leaves']): readonly DrawerLeaf[] => {
  const taken = new Map(leaves.map(({ thickness, count: out }) => [thickness, out]));
  return drawer.flatMap((leaf) => {
    const out = Math.min(leaf.quantity, taken.get(leaf.thickness) ?? 0);
    taken.set(leaf.thickness, (taken.get(leaf.thickness) ?? 0) - out);
    return leaf.quantity > out ? [{ ...leaf, quantity: leaf.quantity - out }] : [];
  });
};
