/** Timings as they are printed: the middle, the slow end and the worst. */
const percentile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)] ?? NaN;

export function report(name: string, times: readonly number[]): { p50: number; p95: number; worst: number } {
  const sorted = [...times].sort((a, b) => a - b);
  const result = { p50: percentile(sorted, 0.5), p95: percentile(sorted, 0.95), worst: sorted[sorted.length - 1] ?? NaN };
  console.log(
    `${name.padEnd(46)} p50 ${result.p50.toFixed(1).padStart(8)} ms   p95 ${result.p95.toFixed(1).padStart(8)} ms   worst ${result.worst.toFixed(1).padStart(8)} ms   (${times.length} runs)`,
  );
  return result;
}

/** Milliseconds one run takes. */
export const time = (run: () => void): number => {
  const start = performance.now();
  run();
  return performance.now() - start;
};
