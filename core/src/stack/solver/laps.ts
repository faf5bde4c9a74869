import { fromAims, worstMargin, type Target } from './measure.ts';
import { greatest, type Row } from './simplex.ts';

/** What is taken off each slot that may be lapped, whole nm, and what the gaps come to. */
export interface Lapped {
  readonly laps: readonly number[];
  readonly values: readonly number[];
}

/**
 * The laps of greatest margin, or of least Σ|gap − aim| where anything is aimed at, for given picks; the least of them among equals.
 *
 * @param values the gaps with nothing lapped
 * @param caps how much may come off each slot; 0 where nothing may
 * @returns null where no laps bring every gap in
 */
export function bestLaps(values: readonly number[], targets: readonly Target[], caps: readonly number[]): Lapped | null {
  const slots = caps.flatMap((cap, i) => (cap > 0 ? [i] : []));
  const isAimed = targets.some((t) => t.aim !== null);
  // unknowns: a lap for each slot, then the margin, or how far each gap is from its aim
  const extra = isAimed ? targets.length : 1;
  const row = (coefficients: (j: number) => number, limit: number): Row => ({
    coefficients: Array.from({ length: slots.length + extra }, (_, j) => coefficients(j)),
    limit,
  });
  const lapOn = (t: number, j: number): number => (j < slots.length ? (targets[t]?.by[slots[j] ?? 0] ?? 0) : 0);
  const rows: Row[] = slots.map((slot, j) => row((k) => Number(k === j), caps[slot] ?? 0));
  targets.forEach(({ min, max, aim }, t) => {
    const value = values[t] ?? 0;
    const isMargin = (j: number): number => Number(!isAimed && j === slots.length);
    // value − Σ by·lap − margin ≥ min, and ≤ max the other way
    if (min > -Infinity) rows.push(row((j) => lapOn(t, j) + isMargin(j), value - min));
    if (max < Infinity) rows.push(row((j) => -lapOn(t, j) + isMargin(j), max - value));
    if (isAimed && aim !== null) {
      const isOff = (j: number): number => Number(j === slots.length + t);
      rows.push(row((j) => lapOn(t, j) - isOff(j), value - aim));
      rows.push(row((j) => -lapOn(t, j) - isOff(j), aim - value));
    }
  });
  const goodness: number[] = Array.from({ length: slots.length + extra }, (_, j) => (j < slots.length ? 0 : isAimed ? -1 : 1));
  const best = greatest(goodness, rows);
  if (!best) return null;
  const reached = goodness.reduce((sum, g, j) => sum + g * (best[j] ?? 0), 0);
  const least = greatest(
    Array.from({ length: slots.length + extra }, (_, j) => (j < slots.length ? -1 : 0)),
    // as good, to a thousandth of a nanometre
    [...rows, row((j) => -(goodness[j] ?? 0), -reached + 1e-3)],
  );
  return whole((least ?? best).slice(0, slots.length), slots, { values, targets, caps, isAimed });
}

interface Rounding {
  readonly values: readonly number[];
  readonly targets: readonly Target[];
  readonly caps: readonly number[];
  readonly isAimed: boolean;
}

/** Whole nanometres: of the corners round about, the best. */
function whole(exact: readonly number[], slots: readonly number[], { values, targets, caps, isAimed }: Rounding): Lapped | null {
  let best: (Lapped & { readonly measure: number; readonly total: number }) | null = null;
  for (let corner = 0; corner < 1 << slots.length; corner++) {
    const laps = caps.map(() => 0);
    slots.forEach((slot, j) => {
      const near = exact[j] ?? 0;
      const lap = Math.abs(near - Math.round(near)) < 1e-3 ? Math.round(near) : (corner >> j) & 1 ? Math.ceil(near) : Math.floor(near);
      laps[slot] = Math.min(Math.max(lap, 0), caps[slot] ?? 0);
    });
    const gaps = values.map((value, t) => value - laps.reduce((sum, lap, i) => sum + lap * (targets[t]?.by[i] ?? 0), 0));
    if (worstMargin(gaps, targets) < 0) continue;
    const measure = isAimed ? fromAims(gaps, targets) : -worstMargin(gaps, targets);
    const total = laps.reduce((sum, lap) => sum + lap, 0);
    if (!best || measure < best.measure || (measure === best.measure && total < best.total)) best = { laps, values: gaps, measure, total };
  }
  return best && { laps: best.laps, values: best.values };
}
