import type { Fitted, JobFacts, Lot } from '@elder-cog/contract';
import { derive, readable, type JobState, type ShaftState } from '@elder-cog/derive';
import { createContext, useContext } from 'react';

export interface OpenJob {
  /** what can be reckoned with: nothing taken back for good, nothing damaged */
  readonly facts: JobFacts;
  /** all there is */
  readonly stored: JobFacts;
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
