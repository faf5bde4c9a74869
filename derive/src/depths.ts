import type { JobFacts } from '@elder-cog/contract';
import { withdrawnIds } from './builds.ts';
import type { ShaftState } from './jobState.ts';
import { gapState, type GapState } from './gap/index.ts';
import { formsOf } from './graph.ts';
import { readable } from './readable.ts';
import { slotsOfShaft } from './slots.ts';

/**
 * How far one face is below another, at each place of a shaft where that is read: by depth micrometer, or by caliper over a parallel. Reckoned
 * as a gap is: what was read on this build, or before a shim that moves it was changed; two instruments compared; judged by its limits.
 */
export function depthsOf(stored: JobFacts, { shaft, current, builds }: ShaftState): GapState[] {
  const { facts } = readable(stored);
  const now = { slots: slotsOfShaft(facts, shaft.id), builds, forms: formsOf(facts, shaft, current), gone: withdrawnIds(facts) };
  return facts.stations
    .filter((s) => s.shaftId === shaft.id && !s.gone && s.reads?.what === 'depth')
    .sort((a, b) => a.position - b.position)
    .map((station) => gapState(facts, station, '', now));
}
