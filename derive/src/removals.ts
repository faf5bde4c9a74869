import type { JobFacts, ReadingFact, Removal } from '@elder-cog/contract';
import { rowsOf, withdrawnIds } from './builds.ts';
import { removedWords } from './journalWords.ts';

/** What was taken off the size that a station reads, and which of its readings came after. */
export interface WorkedOn {
  /** standing, in the order they were done */
  readonly removals: readonly Removal[];
  /** readings that are the first of the part as it has been since */
  readonly begins: ReadonlySet<string>;
  /** "lapped 3 thou", where nobody has read it since; null where it was read, or nothing was taken off */
  readonly since: string | null;
}

const NOT_WORKED_ON: WorkedOn = { removals: [], begins: new Set(), since: null };

/** Lapping, facing and reaming of what a station reads. Readings before are of the part as it was then. */
export function workedOn(facts: JobFacts, stationId: string): WorkedOn {
  const rows = rowsOf(facts, stationId);
  if (rows.removals.length === 0) return NOT_WORKED_ON;
  const gone = withdrawnIds(facts);
  const removals = rows.removals.filter(({ id }) => !gone.has(id));
  const firstAfter = ({ after }: Removal): ReadingFact | undefined =>
    rows.readings.slice(rows.readings.findIndex(({ id }) => id === after) + 1).find(({ id }) => !gone.has(id));
  const first = removals.map(firstAfter);
  const unread = removals.filter((_, i) => first[i] === undefined);
  return {
    removals,
    begins: new Set(first.flatMap((reading) => reading?.id ?? [])),
    since: unread.length === 0 ? null : unread.map(removedWords).join(', '),
  };
}
