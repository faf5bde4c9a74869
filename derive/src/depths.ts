import type { JobFacts, Station } from '@elder-cog/contract';
import { withdrawnIds } from './builds.ts';
import type { ShaftState } from './jobState.ts';
import { gapState, type GapState, type ShaftNow } from './gap/index.ts';
import { formsOf, formsRead } from './graph.ts';
import { readable } from './readable.ts';
import { slotsOfShaft } from './slots.ts';

/**
 * How far one face is below another, at each place of a shaft where that is read: by depth micrometer, or by caliper over a parallel. Reckoned
 * as a gap is: what was read on this build, or before a shim that moves it was changed; two instruments compared; judged by its limits.
 */
export function depthsOf(stored: JobFacts, { shaft, current, builds }: Pick<ShaftState, 'shaft' | 'current' | 'builds'>): GapState[] {
  const { facts } = readable(stored);
  const forms = formsOf(facts, shaft, current);
  const stations = facts.stations.filter((s) => s.shaftId === shaft.id && !s.gone);
  return depthStates(facts, stations, {
    slots: slotsOfShaft(facts, shaft.id),
    builds,
    forms,
    read: formsRead(forms, stations),
    gone: withdrawnIds(facts),
  });
}

/** The depths among the stations of a shaft, in their order. */
export const depthStates = (facts: JobFacts, stations: readonly Station[], now: ShaftNow): GapState[] =>
  stations
    .filter((s) => s.reads?.what === 'depth')
    .toSorted((a, b) => a.position - b.position)
    .map((station) => gapState(facts, station, '', now));
