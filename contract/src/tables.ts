import type {
  Acceptance,
  Assembly,
  Build,
  ContactFact,
  Feature,
  Inspection,
  Job,
  JobFacts,
  Limit,
  LookAlike,
  Lot,
  MatchedSet,
  OpenItem,
  PartFact,
  Photo,
  PlaceFact,
  ReadingFact,
  Shaft,
  Spec,
  Station,
  StripEntry,
  Withdrawal,
} from './facts/index.ts';
import type { AnyFile } from './files.ts';

/** The jobs of a file, one or all. */
export const jobsIn = (file: AnyFile): readonly JobFacts[] => (file.format === 'elder-cog/job' ? [file.job] : file.jobs);

/** Every table there is, by the name the journal has for it, with the shape of its rows. */
export interface RowOf {
  job: Job;
  assembly: Assembly;
  shaft: Shaft;
  part: PartFact;
  place: PlaceFact;
  feature: Feature;
  contact: ContactFact;
  station: Station;
  limit: Limit;
  spec: Spec;
  lot: Lot;
  lookAlike: LookAlike;
  matchedSet: MatchedSet;
  openItem: OpenItem;
  build: Build;
  reading: ReadingFact;
  withdrawal: Withdrawal;
  strip: StripEntry;
  inspection: Inspection;
  acceptance: Acceptance;
  photo: Photo;
}
export type TableName = keyof RowOf;
/** A table whose rows belong to a job; leaves are the Drawer's. */
export type JobTable = Exclude<TableName, 'job' | 'lot'>;

/** Under what name the rows of each table stand among a job's facts, in the order in which they may be put down: what is named comes first. */
export const FACTS_OF = {
  assembly: 'assemblies',
  shaft: 'shafts',
  part: 'parts',
  place: 'places',
  feature: 'features',
  contact: 'contacts',
  station: 'stations',
  spec: 'specs',
  limit: 'limits',
  build: 'builds',
  reading: 'readings',
  strip: 'strip',
  inspection: 'inspections',
  acceptance: 'acceptances',
  lookAlike: 'lookAlikes',
  matchedSet: 'matchedSets',
  openItem: 'openItems',
  photo: 'photos',
  withdrawal: 'withdrawals',
} as const satisfies { readonly [T in JobTable]: keyof JobFacts };

export const JOB_TABLES = Object.keys(FACTS_OF) as JobTable[];

/** The rows of one table among a job's facts. */
export const rowsIn = <T extends JobTable>(facts: JobFacts, table: T): readonly RowOf[T][] =>
  facts[FACTS_OF[table]] as unknown as readonly RowOf[T][];

/** What a person calls a row of each. */
export const CALLED: { readonly [T in TableName]: string } = {
  job: 'a machine',
  assembly: 'a box',
  shaft: 'a shaft',
  part: 'a part',
  feature: 'a size',
  contact: 'a contact',
  place: 'a place',
  station: 'a station',
  limit: 'a limit',
  spec: 'a line of the spec sheet',
  lot: 'leaves',
  lookAlike: 'a pair of look-alikes',
  matchedSet: 'a matched set',
  openItem: 'an open item',
  build: 'a build',
  reading: 'a reading',
  withdrawal: 'a withdrawal',
  strip: 'an entry of the strip log',
  inspection: 'an inspection',
  acceptance: 'an acceptance',
  photo: 'a photo',
};

/** One row a command wrote: what it was, and what it became. */
export interface RowEffect {
  readonly table: string;
  readonly id: string;
  readonly before: Readonly<Record<string, unknown>> | null;
  readonly after: Readonly<Record<string, unknown>> | null;
}

/** Tables whose rows stand by their position; boxes and shafts stand as they were made, and are put in order where they are shown. */
const POSITIONED: ReadonlySet<string> = new Set(['spec']);
type Positioned = { readonly id: string; readonly position: number };
const byPosition = (a: Positioned, b: Positioned): number => a.position - b.position;

/**
 * Facts as they are after what some commands wrote. Tables that nothing was written to are the very same arrays, and rows that were not
 * written the very same rows, so that what was worked out from them still holds.
 */
export function patchFacts(facts: JobFacts, effects: readonly RowEffect[]): JobFacts {
  let job = facts.job;
  const changed = new Map<JobTable, Map<string, RowEffect['after']>>();
  for (const { table, id, after } of effects) {
    if (table === 'job' && id === job.id && after) job = after as unknown as Job;
    if (!(table in FACTS_OF)) continue;
    const rows = changed.get(table as JobTable) ?? new Map<string, RowEffect['after']>();
    rows.set(id, after);
    changed.set(table as JobTable, rows);
  }
  const tables = [...changed].map(([table, rows]) => [FACTS_OF[table], patchedRows(table, rowsIn(facts, table), rows)] as const);
  return { ...facts, job, ...Object.fromEntries(tables) };
}

function patchedRows(table: JobTable, rows: readonly { readonly id: string }[], written: ReadonlyMap<string, RowEffect['after']>): unknown[] {
  const fresh = new Map(written);
  const kept = rows.flatMap((row) => {
    const after = fresh.get(row.id);
    if (after === undefined) return [row];
    fresh.delete(row.id);
    return after === null ? [] : [after];
  });
  const all = [...kept, ...[...fresh.values()].filter((after) => after !== null)];
  return POSITIONED.has(table) ? (all as unknown as Positioned[]).toSorted(byPosition) : all;
}
