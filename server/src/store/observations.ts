import { acceptances } from './acceptances.ts';
import { builds } from './builds.ts';
import { inspections } from './inspections.ts';
import { photos } from './photos.ts';
import { readings } from './readings.ts';
import { strip } from './strip.ts';
import { withdrawals } from './withdrawals.ts';

/** Observations: put down once, and withdrawn, never changed. */
export const OBSERVATIONS = {
  build: builds,
  reading: readings,
  withdrawal: withdrawals,
  strip,
  inspection: inspections,
  acceptance: acceptances,
  photo: photos,
} as const;
export type ObservationTable = keyof typeof OBSERVATIONS;

export const isObservation = (table: string): table is ObservationTable => table in OBSERVATIONS;
