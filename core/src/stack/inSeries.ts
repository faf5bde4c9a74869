import { nanometres } from '../quantity/index.ts';
import type { GapTerm, LinearGap } from './shaftModel.ts';
import type { Sense } from './stackGap.ts';

/**
 * Gaps one after another as the one that is read over all of them: what is pushed goes through the first and then the next, and the dial
 * shows their sum. A ring that stands in two of them counts in both. Doubts add as squares where no length is shared; a shared length adds
 * first, and is squared then.
 *
 * @param forms one at least
 * @example inSeries(shaftModel(graph, []).gaps).constant // as that of its one gap
 */
export function inSeries(forms: readonly LinearGap[]): LinearGap | null {
  const [first, ...more] = forms;
  if (!first || more.length === 0) return first ?? null;
  const isKnown = forms.every(({ constant }) => constant !== null);
  const terms = sharedTerms(forms.flatMap((form) => form.terms));
  const apart =
    forms.reduce((sum, { u }) => sum + u ** 2, 0) - forms.flatMap((form) => form.terms).reduce((sum, t) => sum + (t.coefficient * t.u) ** 2, 0);
  return {
    coefficients: summed(forms.map(({ coefficients }) => coefficients)),
    constant: isKnown ? nanometres(forms.reduce((sum, { constant }) => sum + (constant ?? 0), 0)) : null,
    // what a shared calibration adds to each gap by itself is kept
    u: Math.sqrt(Math.max(0, apart + terms.reduce((sum, t) => sum + (t.coefficient * t.u) ** 2, 0))),
    terms,
    missing: [...new Set(forms.flatMap(({ missing }) => missing))],
    contradictions: forms.flatMap(({ contradictions }) => contradictions),
    arrangement: forms.find(({ arrangement }) => arrangement !== null)?.arrangement ?? null,
  };
}

function summed(each: readonly Readonly<Record<string, number>>[]): Record<string, number> {
  const sum: Record<string, number> = {};
  for (const coefficients of each) for (const [id, by] of Object.entries(coefficients)) sum[id] = (sum[id] ?? 0) + by;
  return sum;
}

function sharedTerms(terms: readonly GapTerm[]): GapTerm[] {
  const byId = new Map<string, GapTerm>();
  for (const term of terms) {
    const known = byId.get(term.id);
    byId.set(term.id, known ? { ...known, coefficient: known.coefficient + term.coefficient } : term);
  }
  return [...byId.values()].filter(({ coefficient }) => coefficient !== 0);
}

/** How a slot moves a gap, as the way it works and how far for each of it. */
export const senseAndFactor = (coefficient: number): { readonly sense: Sense; readonly factor: number } => ({
  sense: Math.sign(coefficient) as Sense,
  factor: Math.abs(coefficient) || 1,
});
