import type { Build, FitLeaf, JobFacts } from '@elder-cog/contract';
import type { MarkKind } from '@elder-cog/core';
import { withdrawnIds } from './builds.ts';
import { shaftState } from './derive.ts';
import { judgedOf, type ShaftState } from './jobState.ts';
import { placeOf, type GapState } from './gap/index.ts';
import { readable } from './readable.ts';

/** What is tried in a place, before anything is fitted. */
export interface Tried {
  readonly slotId: string;
  readonly leaves: readonly FitLeaf[];
}

const TRIED = '00000000-0000-4000-8000-000000000000';

/**
 * A shaft as it would be with other packs in: every gap that shares them, and the drawing. Nothing is kept. The same reckoning as that of a
 * build that is fitted, so that what was tried is what comes of it.
 */
export function triedShaft(stored: JobFacts, as: ShaftState, tried: readonly Tried[]): ShaftState {
  const { shaft, assembly, current } = as;
  const { facts } = readable(stored);
  const build: Build = {
    id: TRIED,
    assemblyId: assembly.id,
    parentId: current?.build.id ?? null,
    // what is said first of a place is as it was found; anything else would be fitted
    stage: tried.every(({ slotId }) => current?.fitted.has(slotId)) ? 'dry' : (current?.build.stage ?? 'dry'),
    at: current?.build.at ?? '',
    who: '',
    label: '',
    feel: [],
    note: '',
    fits: tried.map(({ slotId, leaves }, i) => ({ id: `${TRIED} ${i}`, placeId: slotId, leaves: [...leaves], state: null })),
  };
  const borrowed = new Map(judgedOf(as).map((gap) => [gap.station.role, gap.borrowed ?? []]));
  return shaftState({ ...facts, builds: [...facts.builds, build] }, shaft, assembly, withdrawnIds(facts), borrowed);
}

/** Where a gap would be as it is tried: by the figure alone, for nothing has been read. */
export function triedMark({ now, limits, station }: GapState): MarkKind {
  if (now.reading?.kind !== 'estimate' || !limits || now.kind === 'stale') return 'unmeasured';
  return placeOf(now.reading.value, limits.limits, station);
}
