/**
 * Gauss and Jordan with the largest pivot.
 *
 * @param rows each its coefficients, as many as there are rows, and then what they come to: one column, or several
 * @returns what the unknowns come to, row by row, for each of those columns; the rows given are used up
 */
export function solveLinear(rows: number[][]): number[][] {
  for (let i = 0; i < rows.length; i++) {
    const best = rows.slice(i).reduce((most, row, k) => (Math.abs(row[i] ?? 0) > Math.abs(rows[most]?.[i] ?? 0) ? i + k : most), i);
    [rows[i], rows[best]] = [rows[best] ?? [], rows[i] ?? []];
    const row = rows[i] ?? [];
    const pivot = row[i] ?? 1;
    for (const [k, other] of rows.entries()) {
      const share = k === i ? 0 : (other[i] ?? 0) / pivot;
      if (share !== 0) for (let c = i; c < other.length; c++) other[c] = (other[c] ?? 0) - share * (row[c] ?? 0);
    }
  }
  return rows.map((row, i) => row.slice(rows.length).map((value) => value / (row[i] ?? 1)));
}
