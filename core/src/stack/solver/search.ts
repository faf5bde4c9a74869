import { bestLaps } from './laps.ts';
import { fromAims, isBetter, worstMargin, type Target, type Worth } from './measure.ts';
import type { Option } from './options.ts';

/** A set that was found: an option for each slot, what is lapped off, and what the gaps come to. */
export interface Found extends Worth {
  readonly options: readonly Option[];
  readonly laps: readonly number[];
  readonly values: readonly number[];
}

interface Search {
  readonly targets: readonly Target[];
  /** for each slot, thinnest first */
  readonly options: readonly (readonly Option[])[];
  readonly stock: Readonly<Record<string, number>>;
  readonly caps: readonly number[];
  readonly keep: number;
  /** sets that need no lapping; or those that do, with what may come off each slot */
  readonly lapping: boolean;
  /** also sets that are out, the nearest first: for want of better */
  readonly anything?: boolean;
}

/** How often a search that is let stop is asked whether it should. */
const ASKED_EVERY = 4096;

/**
 * The best sets of all, exactly: a search through the slots, cut off where what is left can no longer be in, or be better than what was kept.
 * Of each slot only what can still be in is walked: it is looked up, for options stand in order of thickness.
 *
 * @param stop asked now and then; what was found till then stands where it says so
 */
export function search(question: Search, stop: () => boolean = () => false): { readonly found: readonly Found[]; readonly explored: number } {
  const { targets, stock, keep, lapping, anything = false } = question;
  const isAimed = targets.some((t) => t.aim !== null);
  // slots with least to choose from come first
  const order = question.options.map((_, i) => i).sort((a, b) => (question.options[a]?.length ?? 0) - (question.options[b]?.length ?? 0));
  const options = order.map((i) => question.options[i] ?? []);
  const caps = order.map((i) => (lapping ? (question.caps[i] ?? 0) : 0));
  const by = targets.map((t) => order.map((i) => t.by[i] ?? 0));
  const n = options.length;
  const gaps = targets.length;
  const found: Found[] = [];
  let explored = 0;
  if (options.some((o) => o.length === 0)) return { found, explored };

  // what the slots from each depth on can still add to each gap, and the fewest new parts they must have
  const low: Float64Array[] = Array.from({ length: n + 1 }, () => new Float64Array(gaps));
  const high: Float64Array[] = Array.from({ length: n + 1 }, () => new Float64Array(gaps));
  const fewest = new Array<number>(n + 1).fill(0);
  for (let d = n - 1; d >= 0; d--) {
    const all = options[d] ?? [];
    const [thin, thick] = [(all[0]?.total ?? 0) - (caps[d] ?? 0), all.at(-1)?.total ?? 0];
    fewest[d] = (fewest[d + 1] ?? 0) + Math.min(...all.map((o) => o.fresh));
    for (let g = 0; g < gaps; g++) {
      const c = by[g]?.[d] ?? 0;
      set(low[d], g, (low[d + 1]?.[g] ?? 0) + Math.min(c * thin, c * thick));
      set(high[d], g, (high[d + 1]?.[g] ?? 0) + Math.max(c * thin, c * thick));
    }
  }

  /** The best there can still be below a node; null where nothing below it is in. */
  const bound = (sums: Float64Array, depth: number): number | null => {
    let measure = isAimed ? 0 : -Infinity;
    for (let g = 0; g < gaps; g++) {
      const { min, max, aim } = targets[g] as Target;
      const [a, b] = [(sums[g] ?? 0) + (low[depth]?.[g] ?? 0), (sums[g] ?? 0) + (high[depth]?.[g] ?? 0)];
      const inside = Math.min(b - min, max - a, (max - min) / 2);
      if (inside < 0 && !anything) return null;
      if (!isAimed || anything) measure = Math.max(measure, -inside);
      else if (aim !== null) measure += Math.max(0, a - aim, aim - b);
    }
    return measure;
  };
  const kth = (): Worth | null => (found.length < keep ? null : (found[keep - 1] ?? null));
  const isHopeless = (measure: number, fresh: number): boolean => {
    const worst = kth();
    return worst !== null && !isBetter({ measure, fresh, lapped: 0 }, worst);
  };
  const put = (set: Found): void => {
    const worst = kth();
    if (worst && !isBetter(set, worst)) return;
    const at = found.findIndex((f) => isBetter(set, f));
    found.splice(at < 0 ? found.length : at, 0, set);
    if (found.length > keep) found.pop();
  };

  const used = new Map<string, number>();
  const take = (option: Option, by: 1 | -1): boolean => {
    let isThere = true;
    for (const id of option.ids) {
      const count = (used.get(id) ?? 0) + by;
      used.set(id, count);
      if (count > (stock[id] ?? 0)) isThere = false;
    }
    return isThere;
  };
  const chosen: Option[] = [];
  const settle = (sums: Float64Array, fresh: number): void => {
    const values = [...sums];
    const back = <Of>(inOrder: readonly Of[]): Of[] => order.map((_, i) => inOrder[order.indexOf(i)] as Of);
    if (!lapping) {
      const margin = worstMargin(values, targets);
      if (margin < 0 && !anything) return;
      const measure = isAimed && !anything ? fromAims(values, targets) : -margin;
      put({ measure, fresh, lapped: 0, options: back(chosen), laps: order.map(() => 0), values });
      return;
    }
    // for want of better, limits are taken as far out as the set is with nothing lapped
    const out = anything ? Math.max(0, -worstMargin(values, targets)) : 0;
    const inOrder = targets.map((t, g) => ({ ...t, by: by[g] ?? [], ...(anything ? { aim: null, min: t.min - out, max: t.max + out } : {}) }));
    const lapped = bestLaps(values, inOrder, caps);
    const total = lapped?.laps.reduce((sum, lap) => sum + lap, 0) ?? 0;
    if (!lapped || (total === 0 && !anything)) return;
    const measure = isAimed && !anything ? fromAims(lapped.values, targets) : -worstMargin(lapped.values, targets);
    put({ measure, fresh, lapped: total, options: back(chosen), laps: back(lapped.laps), values: lapped.values });
  };

  let isStopped = false;
  const levels = Array.from({ length: n + 1 }, () => new Float64Array(gaps));
  const walk = (depth: number, sums: Float64Array, fresh: number): void => {
    const all = options[depth] ?? [];
    const [from, to] = anything ? [0, all.length] : reach(all, depth, sums);
    for (let i = from; i < to; i++) {
      if (isStopped) return;
      const option = all[i];
      if (!option) continue;
      if (++explored % ASKED_EVERY === 0 && stop()) {
        isStopped = true;
        return;
      }
      const next = levels[depth + 1] as Float64Array;
      for (let g = 0; g < gaps; g++) next[g] = (sums[g] ?? 0) + (by[g]?.[depth] ?? 0) * option.total;
      const measure = bound(next, depth + 1);
      if (measure === null || isHopeless(measure, fresh + option.fresh + (fewest[depth + 1] ?? 0))) continue;
      if (take(option, 1)) {
        chosen.push(option);
        if (depth === n - 1) settle(next, fresh + option.fresh);
        else walk(depth + 1, next, fresh + option.fresh);
        chosen.pop();
      }
      take(option, -1);
    }
  };
  /** Where among a slot's options, in order of thickness, anything can still be in, and no worse than what was kept. */
  const reach = (all: readonly Option[], depth: number, sums: Float64Array): [number, number] => {
    const worst = isAimed ? null : kth();
    const inset = worst === null ? 0 : Math.max(0, -worst.measure);
    let [thin, thick] = [-Infinity, Infinity];
    for (let g = 0; g < gaps; g++) {
      const { min, max } = targets[g] as Target;
      const c = by[g]?.[depth] ?? 0;
      if (c === 0) continue;
      const [a, b] = [
        (min + inset - (sums[g] ?? 0) - (high[depth + 1]?.[g] ?? 0)) / c,
        (max - inset - (sums[g] ?? 0) - (low[depth + 1]?.[g] ?? 0)) / c,
      ];
      thin = Math.max(thin, Math.min(a, b));
      thick = Math.min(thick, Math.max(a, b));
    }
    return [firstFrom(all, thin - 0.5), firstFrom(all, thick + 0.5)];
  };

  // a lap takes off: while walking, the slots stand unlapped, and their laps are in what can still be added
  const start = new Float64Array(gaps);
  targets.forEach((t, g) => (start[g] = t.constant));
  if (lapping) widen(low, high, by, caps);
  if (n === 0) settle(start, 0);
  else walk(0, start, 0);
  return { found, explored };
}

const set = (row: Float64Array | undefined, at: number, value: number): void => {
  if (row) row[at] = value;
};

/** What was chosen already may be lapped too: its lap is still to come wherever the search stands. */
function widen(low: readonly Float64Array[], high: readonly Float64Array[], by: readonly (readonly number[])[], caps: readonly number[]): void {
  by.forEach((row, g) => {
    let [down, up] = [0, 0];
    for (let d = 1; d < low.length; d++) {
      const lap = (row[d - 1] ?? 0) * (caps[d - 1] ?? 0);
      down += Math.max(lap, 0);
      up += Math.max(-lap, 0);
      set(low[d], g, (low[d]?.[g] ?? 0) - down);
      set(high[d], g, (high[d]?.[g] ?? 0) + up);
    }
  });
}

/** The first option of at least some thickness. */
function firstFrom(all: readonly Option[], thickness: number): number {
  let [from, to] = [0, all.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if ((all[middle]?.total ?? 0) < thickness) from = middle + 1;
    else to = middle;
  }
  return from;
}
