import type { Fitted, JobFacts, Lot } from '@elder-cog/contract';
import { derive, type JobState, type ShaftState } from '@elder-cog/derive';
import { createContext, useContext } from 'react';

export interface OpenJob {
  readonly facts: JobFacts;
  readonly lots: readonly Lot[];
  readonly fitted: readonly Fitted[];
  readonly state: JobState;
  /** the shaft the address names, or the first */
  readonly shaft: ShaftState | null;
}

export const JobContext = createContext<OpenJob | null>(null);

export function useJob(): OpenJob {
  const job = useContext(JobContext);
  if (!job) throw new Error('useJob outside a job');
  return job;
}

const derived = new WeakMap<JobFacts, JobState>();

/** Derived once for each answer of the server: no keystroke runs it. */
export function stateOf(facts: JobFacts): JobState {
  const known = derived.get(facts);
  if (known) return known;
  const state = derive(facts);
  derived.set(facts, state);
  return state;
}
