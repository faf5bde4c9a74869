import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

export interface DrawerLeaf {
  readonly thickness: Length;
  readonly quantity: number;
  readonly u?: number;
}

export interface Pack {
  /** thickest first */
  readonly leaves: readonly { readonly thickness: Length; readonly count: number }[];
  readonly total: Length;
  /** total − target */
  readonly error: Length;
}

export interface PackSearch {
  readonly min: Length;
  readonly max: Length;
  readonly target: Length;
  /** packs inside this rank first */
  readonly sure?: { readonly min: Length; readonly max: Length } | null;
  readonly maxLeaves: number;
  /** how many answers */
  readonly keep: number;
}

export interface PacksFound {
  readonly packs: readonly Pack[];
  /** when none lands: the nearest under and over the window */
  readonly below?: Pack;
  readonly above?: Pack;
  /** when none lands: the one new leaf that would do, and what it goes with */
  readonly missing?: { readonly thickness: Length; readonly with: readonly { readonly thickness: Length; readonly count: number }[] };
}

/** Every multiset of one size (up to three leaves), as ascending indices into the drawer, sorted by total. */
interface Handfuls {
  readonly size: number;
  readonly total: Float64Array;
  /** three indices a handful, the unused ones first and −1 */
  readonly member: Int16Array;
}

/** A leaf thinner than this is not made alone: it tears (common practice, no source). */
const THINNEST_MADE = 50_000;
const MOST_LEAVES = 6;
const HALF = 3;
/** More handfuls than there can be of 70 thicknesses: a number and its total share one float while they are sorted. */
const ORDINALS = 65_536;

function handfuls(leaves: readonly DrawerLeaf[], size: number): Handfuls {
  const found: number[] = [];
  const build = (from: number, depth: number, a: number, b: number, c: number): void => {
    if (depth === size) {
      found.push(a, b, c);
      return;
    }
    for (let i = from; i < leaves.length; i++) {
      const held = (a === i ? 1 : 0) + (b === i ? 1 : 0) + (c === i ? 1 : 0);
      if (held < (leaves[i]?.quantity ?? 0)) build(i, depth + 1, b, c, i);
    }
  };
  build(0, 0, -1, -1, -1);
  const count = found.length / HALF;
  const totalOf = (n: number): number => [0, 1, 2].reduce((sum, k) => sum + (leaves[found[n * HALF + k] ?? -1]?.thickness ?? 0), 0);
  const order = count <= ORDINALS ? Float64Array.from({ length: count }, (_, n) => totalOf(n) * ORDINALS + n).sort() : null;
  const byTotal = order
    ? Array.from(order, (key) => key % ORDINALS)
    : Array.from({ length: count }, (_, n) => n).sort((x, y) => totalOf(x) - totalOf(y));
  const member = new Int16Array(count * HALF);
  const total = new Float64Array(count);
  byTotal.forEach((n, at) => {
    total[at] = totalOf(n);
    for (let k = 0; k < HALF; k++) member[at * HALF + k] = found[n * HALF + k] ?? -1;
  });
  return { size, total, member };
}

/** The indices of one handful. */
const heldIn = ({ size, member }: Handfuls, at: number): number[] => Array.from(member.subarray(at * HALF + HALF - size, at * HALF + HALF));

interface Candidate {
  readonly held: readonly number[];
  readonly total: number;
}

/** The best few packs so far: nearer the target, then fewer leaves, then a thicker thickest leaf. */
class Best {
  readonly found: Candidate[] = [];
  private readonly leaves: readonly DrawerLeaf[];
  private readonly target: number;
  private readonly keep: number;

  constructor(leaves: readonly DrawerLeaf[], target: number, keep: number) {
    this.leaves = leaves;
    this.target = target;
    this.keep = keep;
  }

  private thickest = (c: Candidate): number => this.leaves[c.held[c.held.length - 1] ?? 0]?.thickness ?? 0;

  private compare = (a: Candidate, b: Candidate): number =>
    Math.abs(a.total - this.target) - Math.abs(b.total - this.target) ||
    a.held.length - b.held.length ||
    this.thickest(b) - this.thickest(a) ||
    b.total - a.total ||
    compareHeld(b.held, a.held);

  get full(): boolean {
    return this.found.length >= this.keep;
  }

  /** No pack of so many leaves that is farther off than this can get in: with more leaves than all kept, it must be nearer. */
  reachFor(size: number): number {
    const last = this.found[this.keep - 1];
    if (last === undefined) return Infinity;
    return Math.abs(last.total - this.target) - (last.held.length < size ? 1 : 0);
  }

  /** Whether a pack as far off as the last one kept could still take its place: not with a thinner thickest leaf. */
  admitsTie(size: number, thickest: number): boolean {
    const last = this.found[this.keep - 1];
    return last === undefined || last.held.length > size || (this.leaves[thickest]?.thickness ?? 0) >= this.thickest(last);
  }

  offer(candidate: Candidate): void {
    const last = this.found[this.found.length - 1];
    if (this.full && last && this.compare(candidate, last) >= 0) return;
    let at = this.found.length;
    while (at > 0 && this.compare(candidate, this.found[at - 1] ?? candidate) < 0) at--;
    this.found.splice(at, 0, candidate);
    if (this.found.length > this.keep) this.found.pop();
  }
}

/** Packs made of thicker leaves come first where all else is equal, so the answer does not depend on chance. */
function compareHeld(a: readonly number[], b: readonly number[]): number {
  for (let i = a.length - 1; i >= 0; i--) {
    const difference = (a[i] ?? 0) - (b[i] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

class Drawer {
  readonly leaves: readonly DrawerLeaf[];
  private readonly bySize = new Map<number, Handfuls>();

  constructor(drawer: readonly DrawerLeaf[]) {
    const merged = new Map<Length, number>();
    for (const { thickness, quantity } of drawer) if (quantity > 0) merged.set(thickness, (merged.get(thickness) ?? 0) + quantity);
    this.leaves = [...merged]
      .map(([thickness, quantity]) => ({ thickness, quantity: Math.min(quantity, MOST_LEAVES) }))
      .sort((a, b) => a.thickness - b.thickness);
  }

  private hands(size: number): Handfuls {
    const known = this.bySize.get(size) ?? handfuls(this.leaves, size);
    this.bySize.set(size, known);
    return known;
  }

  /** Offers every pack of `size` leaves with a total from low to high that can still get in. */
  private offerSize(size: number, low: number, high: number, target: number, best: Best): void {
    const lower = this.hands(Math.ceil(size / 2));
    const upper = this.hands(Math.floor(size / 2));
    const last = upper.total.length;
    let reach = best.reachFor(size);
    let start = last; // the first upper half that reaches the target with this lower one: falls as the lower grows
    for (let i = 0; i < lower.total.length; i++) {
      const have = lower.total[i] ?? 0;
      while (start > 0 && have + (upper.total[start - 1] ?? 0) >= target) start--;
      for (let j = start; j < last; j++) {
        const total = have + (upper.total[j] ?? 0);
        if (total > high || total - target > reach) break;
        if (total >= low && this.tryPair(lower, i, upper, j, total, total - target === reach, best)) reach = best.reachFor(size);
      }
      for (let j = start - 1; j >= 0; j--) {
        const total = have + (upper.total[j] ?? 0);
        if (total < low || target - total > reach) break;
        if (total <= high && this.tryPair(lower, i, upper, j, total, target - total === reach, best)) reach = best.reachFor(size);
      }
    }
  }

  /** Offers one pair of halves. Each pack splits in exactly one way: its thinner half below, its thicker half above. */
  private tryPair(lower: Handfuls, i: number, upper: Handfuls, j: number, total: number, tie: boolean, best: Best): boolean {
    const meet = lower.member[i * HALF + HALF - 1] ?? -1;
    const above = upper.size === 0 ? Infinity : (upper.member[j * HALF + HALF - upper.size] ?? -1);
    if (meet > above) return false;
    const size = lower.size + upper.size;
    const thickest = upper.size === 0 ? meet : (upper.member[j * HALF + HALF - 1] ?? -1);
    if (tie && !best.admitsTie(size, thickest)) return false;
    const held = [...heldIn(lower, i), ...heldIn(upper, j)];
    if (meet === above && held.filter((h) => h === meet).length > (this.leaves[meet]?.quantity ?? 0)) return false;
    best.offer({ held, total });
    return true;
  }

  search(low: number, high: number, target: number, maxLeaves: number, keep: number): Candidate[] {
    const best = new Best(this.leaves, target, keep);
    if (low > high) return [];
    if (low <= 0 && high >= 0) best.offer({ held: [], total: 0 });
    for (let size = 1; size <= maxLeaves; size++) {
      if (best.full && best.reachFor(size) < 0) break;
      this.offerSize(size, low, high, target, best);
    }
    return best.found;
  }

  toPack({ held, total }: Candidate, target: number): Pack {
    const counts = new Map<number, number>();
    for (const i of held) counts.set(i, (counts.get(i) ?? 0) + 1);
    const leaves = [...counts].sort(([a], [b]) => b - a).map(([i, count]) => ({ thickness: this.leaves[i]?.thickness ?? nanometres(0), count }));
    return { leaves, total: nanometres(total), error: nanometres(total - target) };
  }
}

/**
 * Packs that the leaves on hand can make inside a window, exactly: those within `sure` first, then by distance from the
 * target, fewer leaves, thickest leaf larger. With none, the nearest either side and the one new leaf that would do.
 *
 * Method: every pack of up to six leaves is a thinner half and a thicker half of up to three; halves are sorted by total
 * and paired by bisection, keeping only what can still beat the best so far. Checked against an integer-programme solver.
 *
 * @param drawer leaves as measured, any order
 * @throws ReckoningError `reversedWindow`, `badLeaf`, `tooManyLeaves` (over six)
 * @example searchPacks([{ thickness: thou(6), quantity: 1 }, { thickness: thou(4), quantity: 1 }], { min: thou(9), max: thou(12), target: thou(10.5), maxLeaves: 6, keep: 3 }).packs[0].total // 10 thou
 */
export function searchPacks(drawer: readonly DrawerLeaf[], { min, max, target, sure, maxLeaves, keep }: PackSearch): PacksFound {
  if (min > max) refuse('reversedWindow', 'The window’s ends are the wrong way round.');
  if (drawer.some((leaf) => !(leaf.thickness > 0))) refuse('badLeaf', 'Every leaf needs a thickness of more than nothing.');
  if (maxLeaves > MOST_LEAVES || maxLeaves < 1) refuse('tooManyLeaves', 'Between one and six leaves make a pack here.');
  const box = new Drawer(drawer);
  const first = sure ? box.search(Math.max(min, sure.min), Math.min(max, sure.max), target, maxLeaves, keep) : [];
  const rest =
    first.length >= keep
      ? []
      : box.search(min, max, target, maxLeaves, keep + first.length).filter(({ total }) => !sure || total < sure.min || total > sure.max);
  const packs = [...first, ...rest].slice(0, keep).map((c) => box.toPack(c, target));
  if (packs.length > 0) return { packs };
  const [below] = box.search(0, min - 1, min, maxLeaves, 1);
  const [above] = box.search(max + 1, Number.MAX_SAFE_INTEGER, max, maxLeaves, 1);
  const [base] = box.search(0, target - THINNEST_MADE, target, maxLeaves - 1, 1);
  return {
    packs,
    ...(below && below.held.length > 0 ? { below: box.toPack(below, target) } : {}),
    ...(above ? { above: box.toPack(above, target) } : {}),
    ...(base ? { missing: { thickness: nanometres(target - base.total), with: box.toPack(base, target).leaves } } : {}),
  };
}

/** The working of the best pack found: its leaves, their total, and how far that is from the target. Empty when none lands. */
export function searchPacksSum(drawer: readonly DrawerLeaf[], search: PackSearch): Sum {
  const [best] = searchPacks(drawer, search).packs;
  if (!best) return [];
  return [
    ...best.leaves.map((leaf) => lengthLine('leaf', leaf.count > 1 ? `${leaf.count} ×` : '', leaf.thickness)),
    lengthLine('together', 'Σ', best.total),
    lengthLine('off the target', 'total − target', best.error),
  ];
}
