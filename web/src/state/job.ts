import type { Assembly, Fitted, JobFacts, Lot, RowBelongs } from '@elder-cog/contract';
import { derive, nextOf, readable, type GapState, type JobState, type RowHolder, type ShaftState } from '@elder-cog/derive';
import { createContext, useContext } from 'react';

export interface OpenJob {
  /** what can be reckoned with: nothing taken back for good, nothing damaged */
  readonly facts: JobFacts;
  /** all there is */
  readonly stored: JobFacts;
  readonly lots: readonly Lot[];
  readonly fitted: readonly Fitted[];
  readonly state: JobState;
  /** the shaft the address names, or the first; null where the box it names has none */
  readonly shaft: ShaftState | null;
  /** the box of that shaft, or the one the address names */
  readonly box: Assembly | null;
  /** the gap of that shaft the address names, or what is to be done next, or the first */
  readonly gap: GapState | null;
}

/** What the Wear book shows by part: the rows of a shaft and those of its box, or a box's alone. */
export interface Book extends RowHolder {
  readonly of: RowBelongs;
  readonly name: string;
  /** what a reading is of now: the shaft's current build */
  readonly buildId: string | null;
}

/** Where the next row of a book stands: after all there are, with room between for the halves of a pair. */
export const nextPosition = ({ pairs, features }: Book): number => 100 + 10 * (pairs.length + features.length + 1);

export function bookOf({ state, shaft, box }: Pick<OpenJob, 'state' | 'shaft' | 'box'>): Book | null {
  const own = state.boxes.find((b) => b.assembly.id === box?.id);
  if (!box || !own) return null;
  if (!shaft) return { ...own, of: { shaftId: null, assemblyId: box.id }, name: box.name, buildId: null };
  return {
    assembly: box,
    features: [...shaft.features, ...own.features],
    pairs: [...shaft.pairs, ...own.pairs],
    of: { shaftId: shaft.shaft.id },
    name: shaft.shaft.name,
    buildId: shaft.current?.build.id ?? null,
  };
}

/** What an address says of where in the job it is: the shaft, and the gap where it has several; or the box that has none. */
export function whereIn({ shaft, box, gap }: Pick<OpenJob, 'shaft' | 'box'> & { readonly gap?: GapState | null }): string {
  if (!shaft) return box ? `?box=${box.id}` : '';
  return `?shaft=${shaft.shaft.id}${gap && shaft.gaps.length > 1 ? `&gap=${gap.station.id}` : ''}`;
}

/** The shaft and the box that an address names, or the first there are. */
export function placeIn(state: JobState, search: URLSearchParams): Pick<OpenJob, 'shaft' | 'box' | 'gap'> {
  const [wanted, wantedBox] = [search.get('shaft'), search.get('box')];
  const box = state.assemblies.find((a) => a.id === wantedBox);
  const inBox = box && state.shafts.filter((s) => s.assembly.id === box.id);
  const among = wanted === null && inBox ? inBox : state.shafts;
  const shaft = among.find((s) => s.shaft.id === (wanted ?? state.next.shaftId)) ?? among[0] ?? null;
  const named = (id: string | null): GapState | undefined => shaft?.gaps.find((g) => g.station.id === id);
  const gap = named(search.get('gap')) ?? (shaft && shaft.gaps.length > 1 ? named(nextOf(shaft).stationId) : undefined) ?? shaft?.gaps[0] ?? null;
  return { shaft, box: shaft?.assembly ?? box ?? state.assemblies[0] ?? null, gap };
}

export const JobContext = createContext<OpenJob | null>(null);

export function useJob(): OpenJob {
  const job = useContext(JobContext);
  if (!job) throw new Error('useJob outside a job');
  return job;
}

/** A job as it can be shown; or why nothing of it can be reckoned. */
export type ReadJob = { readonly facts: JobFacts; readonly state: JobState } | { readonly spoilt: string };

/** Derived once for each answer of the server: no keystroke runs it. A job of which nothing can be reckoned is shown as such. */
export function readJob(stored: JobFacts): ReadJob {
  try {
    const { facts } = readable(stored);
    return { facts, state: derive(stored) };
  } catch (error) {
    return { spoilt: (error as Error).message };
  }
}
