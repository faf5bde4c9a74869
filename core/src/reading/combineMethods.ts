import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { estimate, type Reading } from './reading.ts';

type Estimate = Extract<Reading, { kind: 'estimate' }>;

export type Combined =
  | { readonly agree: true; readonly reading: Estimate }
  | { readonly agree: false; readonly readings: readonly Estimate[]; readonly difference: Length; readonly allowed: Length };

/**
 * Two or more methods on one quantity. Where every pair agrees within 2·√(u₁² + u₂²) they make one reading, weighted by 1/u²
 * (weighted mean of independent estimates, as in any text on errors of measurement); where a pair does not, all stand and nothing is
 * averaged away.
 *
 * @param readings estimates, u > 0
 * @throws ReckoningError `noReadings`, `noDoubt`
 * @example combineMethods([estimate(thou(24), thou(0.5)), estimate(thou(25), thou(0.5))]) // agree: 24.5 thou
 */
export function combineMethods(readings: readonly Estimate[]): Combined {
  if (readings.length === 0) refuse('noReadings', 'There is nothing to compare: give at least one reading.');
  if (readings.some(({ u }) => !(u > 0))) refuse('noDoubt', 'A reading needs its uncertainty before it can be weighed against another.');
  const worst = worstPair(readings);
  if (worst && worst.difference > worst.allowed) return { agree: false, readings, difference: worst.difference, allowed: worst.allowed };
  const weights = readings.map(({ u }) => 1 / u ** 2);
  const total = weights.reduce((a, b) => a + b, 0);
  const value = readings.reduce((sum, { value: v }, i) => sum + v * (weights[i] ?? 0), 0) / total;
  return { agree: true, reading: estimate(nanometres(value), Math.sqrt(1 / total)) };
}

/** The two that differ most against what they may. */
function worstPair(readings: readonly Estimate[]): { difference: Length; allowed: Length } | null {
  let worst: { difference: Length; allowed: Length } | null = null;
  for (const [i, a] of readings.entries()) {
    for (const b of readings.slice(i + 1)) {
      const pair = { difference: nanometres(Math.abs(a.value - b.value)), allowed: nanometres(2 * Math.hypot(a.u, b.u)) };
      if (!worst || pair.difference / pair.allowed > worst.difference / worst.allowed) worst = pair;
    }
  }
  return worst;
}

export function combineMethodsSum(readings: readonly Estimate[]): Sum {
  const combined = combineMethods(readings);
  const each = readings.map((reading, i) => lengthLine(`method ${i + 1}`, '', reading.value));
  return combined.agree
    ? [...each, lengthLine('together', 'Σ value ÷ u² over Σ 1 ÷ u²', combined.reading.value)]
    : [...each, lengthLine('they differ by', '', combined.difference), lengthLine('they may by', '2 √(u₁² + u₂²)', combined.allowed)];
}
