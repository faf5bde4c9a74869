/** A row of a linear programme: Σ coefficients·x ≤ limit. */
export interface Row {
  readonly coefficients: readonly number[];
  readonly limit: number;
}

/** Below this a number in the tableau is nothing. Lengths are nanometres, so that a millionth of one is far below it. */
const NOTHING = 1e-7;

/**
 * The greatest of a linear form over x ≥ 0 within rows, by the simplex method in two phases, Bland's rule against going round (Chvátal,
 * Linear Programming, 1983, chapters 2–3 and 8, from memory). For a handful of unknowns.
 *
 * @param objective one number for each unknown
 * @returns x, or null where no x will do; what has no end is not asked here
 */
export function greatest(objective: readonly number[], rows: readonly Row[]): number[] | null {
  const n = objective.length;
  const m = rows.length;
  // columns: unknowns, a slack for each row, one artificial, and what the row comes to
  const width = n + m + 2;
  const table = rows.map(({ coefficients, limit }, i) => {
    const row = new Float64Array(width);
    coefficients.forEach((c, j) => (row[j] = c));
    row[n + i] = 1;
    row[n + m] = -1;
    row[width - 1] = limit;
    return row;
  });
  const basis = rows.map((_, i) => n + i);
  const artificial = n + m;
  const worst = rows.reduce((at, row, i) => (row.limit < (rows[at]?.limit ?? 0) ? i : at), 0);
  if (m > 0 && (rows[worst]?.limit ?? 0) < 0) {
    pivot(table, basis, worst, artificial);
    const cost = new Float64Array(width);
    cost[artificial] = -1;
    const left = climb(table, basis, cost, width);
    if (left < -NOTHING * 1e3) return null;
    const stuck = basis.indexOf(artificial);
    if (stuck >= 0) {
      const column = table[stuck]?.findIndex((v, j) => j < artificial && Math.abs(v) > NOTHING) ?? -1;
      if (column >= 0) pivot(table, basis, stuck, column);
    }
  }
  for (const row of table) row[artificial] = 0;
  const cost = new Float64Array(width);
  objective.forEach((c, j) => (cost[j] = c));
  climb(table, basis, cost, width);
  return objective.map((_, j) => table[basis.indexOf(j)]?.[width - 1] ?? 0);
}

/** Climbs to the top of a form from the corner the table stands at; returns how high that is. */
function climb(table: Float64Array[], basis: number[], cost: Float64Array, width: number): number {
  const reduced = (): Float64Array => {
    const row = Float64Array.from(cost);
    row[width - 1] = 0;
    basis.forEach((column, i) => {
      const c = cost[column] ?? 0;
      if (c !== 0) for (let j = 0; j < width; j++) row[j] = (row[j] ?? 0) - c * (table[i]?.[j] ?? 0);
    });
    return row;
  };
  // Bland's rule ends; the count is a guard against rounding
  for (let turn = 0; turn < 500; turn++) {
    const costs = reduced();
    const column = costs.findIndex((c, j) => j < width - 1 && c > NOTHING && !basis.includes(j));
    if (column < 0) return -(costs[width - 1] ?? 0);
    let leaves = -1;
    let least = Infinity;
    table.forEach((row, i) => {
      const a = row[column] ?? 0;
      if (a <= NOTHING) return;
      const ratio = (row[width - 1] ?? 0) / a;
      if (ratio < least - NOTHING || (ratio < least + NOTHING && (basis[i] ?? 0) < (basis[leaves] ?? Infinity))) {
        least = ratio;
        leaves = i;
      }
    });
    if (leaves < 0) return Infinity;
    pivot(table, basis, leaves, column);
  }
  return -(reduced()[width - 1] ?? 0);
}

function pivot(table: Float64Array[], basis: number[], at: number, column: number): void {
  const row = table[at];
  if (!row) return;
  const by = row[column] ?? 1;
  for (let j = 0; j < row.length; j++) row[j] = (row[j] ?? 0) / by;
  table.forEach((other, i) => {
    const factor = other[column] ?? 0;
    if (i === at || factor === 0) return;
    for (let j = 0; j < other.length; j++) other[j] = (other[j] ?? 0) - factor * (row[j] ?? 0);
  });
  basis[at] = column;
}
