import { nanometres, senseAndFactor } from '@elder-cog/core';
import { formAt, type ShaftForms } from '../graph.ts';
import type { GapState } from './gapState.ts';
import { aimWith, packQuestion, type Together } from './packQuestion.ts';

/**
 * Gaps whose slot moves others too, each with the window that suits all of them: where the windows of the slot meet. A gap that is not read or
 * has no limits says nothing of it.
 */
export const withTogether = (gaps: readonly GapState[], forms: ShaftForms): GapState[] =>
  gaps.map((gap) => (gap.isShared && gap.pack?.window ? { ...gap, pack: { ...gap.pack, together: windowOfAll(gap, gaps, forms) } } : gap));

/** Null where no one pack brings all of them in. */
function windowOfAll({ pack }: GapState, gaps: readonly GapState[], forms: ShaftForms): Together | null {
  let [min, max] = [-Infinity, Infinity];
  for (const gap of gaps) {
    const window = pack && windowOn(gap, pack, forms);
    if (!window) continue;
    min = Math.max(min, window.min);
    max = Math.min(max, window.max);
  }
  return min <= max ? { min: nanometres(min), max: nanometres(max) } : null;
}

/** The packs of a slot that bring one gap in; null where it does not move it, or nobody can say. */
function windowOn(gap: GapState, { slot, fitted, known }: NonNullable<GapState['pack']>, forms: ShaftForms): Together | null {
  const counts = senseAndFactor(formAt(forms, gap.station)?.coefficients[slot.id] ?? 0);
  const { window } = packQuestion({ ...gap, slot, fitted, known, ...counts, proved: null, aim: aimWith(gap.station.aim, gap.limits) });
  return window && !window.reachable ? NOTHING : window;
}

/** No pack does it. */
const NOTHING: Together = { min: nanometres(1), max: nanometres(0) };
