import { z } from 'zod';
import {
  acceptance,
  assembly,
  build,
  closing,
  contact,
  feature,
  feel,
  fitting,
  heating,
  inspection,
  job,
  joint,
  limit,
  lookAlike,
  lot,
  making,
  matchedSet,
  openItem,
  ownInstrument,
  part,
  pass,
  photo,
  place,
  pull,
  reading,
  removal,
  rollerCount,
  rollers,
  setting,
  shaft,
  spec,
  station,
  stock,
  stripEntry,
  temporary,
  withdrawal,
  type Job,
} from './facts/index.ts';
import { to, type Checking, type Named } from './rowRules.ts';

/** One table: its rows, what they are called, and what holds of them. */
interface Table<Schema extends z.ZodType, Facts extends string | null> {
  readonly row: Schema;
  /** under what name its rows stand among a job's facts; null for the job itself, and for leaves, stock and instruments, which are the Drawer's */
  readonly facts: Facts;
  /** what a person calls a row of it */
  readonly called: string;
  /** the rows that a row names: all of one job, but for leaves */
  readonly names?: (row: z.output<Schema>) => readonly Named[];
  /** what else must hold of a row */
  readonly also?: (row: z.output<Schema>, checking: Checking) => void;
  /** its rows stand in a line, each after another of the same table: a build's parent, what an entry takes the place of */
  readonly line?: { readonly field: string; readonly called: string; readonly before: (row: z.output<Schema>) => string | null };
  /** its rows have a role of their own within this */
  readonly roleWithin?: 'shaftId' | 'partId';
  /** its rows stand by their position; boxes and shafts stand as they were made, and are put in order where they are shown */
  readonly positioned?: true;
}

const table = <Schema extends z.ZodType, Facts extends string | null>(of: Table<Schema, Facts>): Table<Schema, Facts> => of;

/**
 * The register of tables, in the order in which rows may be put down: what is named comes first. Reading, files, checks of what names
 * what, undo and the journal are written once over it; beside it a table has its plain SQL in the server, and nothing else.
 */
export const TABLES = {
  job: table({ row: job, facts: null, called: 'a machine' }),
  lot: table({ row: lot, facts: null, called: 'leaves' }),
  instrument: table({ row: ownInstrument, facts: null, called: 'an instrument' }),
  stock: table({ row: stock, facts: null, called: 'stock' }),
  assembly: table({
    row: assembly,
    facts: 'assemblies',
    called: 'a box',
    names: (r) => [...to('job', 'jobId', r.jobId), ...to('assembly', 'mirrorOf', r.mirrorOf)],
  }),
  shaft: table({ row: shaft, facts: 'shafts', called: 'a shaft', names: (r) => to('assembly', 'assemblyId', r.assemblyId) }),
  part: table({ row: part, facts: 'parts', called: 'a part', names: (r) => to('assembly', 'assemblyId', r.assemblyId) }),
  place: table({
    row: place,
    facts: 'places',
    called: 'a place',
    roleWithin: 'shaftId',
    names: (r) => [...to('shaft', 'shaftId', r.shaftId), ...to('part', 'partId', r.partId)],
    also: (r, { check }) => check(new Set(r.faces.map((f) => f.role)).size === r.faces.length, ['faces'], 'one face twice', 'each face once'),
  }),
  feature: table({
    row: feature,
    facts: 'features',
    called: 'a size',
    roleWithin: 'partId',
    names: (r) => to('part', 'partId', r.partId),
    also: (r, { face, check, jobId }) => {
      for (const field of ['fromFace', 'toFace'] as const)
        check(face(r[field])?.jobId === jobId, [field], r[field], 'a face of a place of this machine');
    },
  }),
  contact: table({
    row: contact,
    facts: 'contacts',
    called: 'a contact',
    roleWithin: 'shaftId',
    names: (r) => [...to('shaft', 'shaftId', r.shaftId), ...to('feature', 'standId', r.standId), ...to('place', 'fastenerId', r.fastenerId)],
    also: (r, { face, check }) => {
      for (const field of ['a', 'b'] as const) check(face(r[field])?.shaftId === r.shaftId, [field], r[field], 'a face of a place of this shaft');
    },
  }),
  strip: table({
    row: stripEntry,
    facts: 'strip',
    called: 'an entry of the strip log',
    line: { field: 'supersedes', called: 'an earlier entry', before: (r) => r.supersedes },
    names: (r) => [...to('assembly', 'assemblyId', r.assemblyId), ...to('shaft', 'shaftId', r.shaftId), ...to('strip', 'supersedes', r.supersedes)],
  }),
  joint: table({
    row: joint,
    facts: 'joints',
    called: 'a joint',
    names: (r) => [...to('assembly', 'assemblyId', r.assemblyId), ...to('place', 'placeId', r.placeId), ...to('strip', 'stripId', r.stripId)],
  }),
  station: table({
    row: station,
    facts: 'stations',
    called: 'a station',
    names: (r) => [
      ...to('shaft', 'shaftId', r.shaftId),
      ...to('assembly', 'assemblyId', r.assemblyId),
      ...(r.reads?.what === 'gap' ? r.reads.contacts.flatMap((id, i) => to('contact', ['reads', 'contacts', i], id)) : []),
      ...(r.reads?.what === 'drag' ? r.reads.contacts.flatMap((id, i) => to('contact', ['reads', 'contacts', i], id)) : []),
      ...to('feature', ['reads', 'feature'], r.reads?.what === 'feature' ? r.reads.feature : null),
      ...to('station', ['reads', 'of'], r.reads?.what === 'rise' ? r.reads.of : null),
      ...to('joint', ['reads', 'joint'], r.reads?.what === 'joint' ? r.reads.joint : null),
      ...to('station', 'boreId', r.boreId),
      ...to('station', 'journalId', r.journalId),
    ],
    also: (r, { face, check }) => {
      check((r.shaftId === null) !== (r.assemblyId === undefined), ['shaftId'], r.shaftId, 'a shaft, or a box, and not both');
      if (r.reads?.what === 'depth')
        for (const field of ['from', 'to'] as const)
          check(face(r.reads[field])?.shaftId === r.shaftId, ['reads', field], r.reads[field], 'a face of a place of this shaft');
    },
  }),
  setting: table({
    row: setting,
    facts: 'settings',
    called: 'a setting',
    names: (r) => [
      ...to('assembly', 'assemblyId', r.assemblyId),
      ...r.criteria.flatMap(({ stationId }, i) => to('station', ['criteria', i, 'stationId'], stationId)),
    ],
    also: (r, { check }) =>
      check(new Set(r.criteria.map((c) => c.stationId)).size === r.criteria.length, ['criteria'], 'one station twice', 'each station once'),
  }),
  spec: table({
    row: spec,
    facts: 'specs',
    called: 'a line of the spec sheet',
    positioned: true,
    names: (r) => [...to('job', 'jobId', r.jobId), ...to('station', 'stationId', r.stationId)],
  }),
  limit: table({
    row: limit,
    facts: 'limits',
    called: 'a limit',
    names: (r) => [...to('station', 'stationId', r.stationId), ...to('spec', 'specId', r.specId)],
    also: (r, { check }) => {
      const isLength = r.min !== null || r.max !== null || r.nominal !== undefined;
      check(
        isLength !== (r.torque !== undefined),
        [],
        isLength ? 'a length and a torque' : 'no figure',
        'a least, a greatest, both, or a single figure',
      );
      check(r.min === null || r.max === null || r.min <= r.max, ['min'], r.min, `no more than ${r.max ?? ''}`);
    },
  }),
  build: table({
    row: build,
    facts: 'builds',
    called: 'a build',
    line: { field: 'parentId', called: 'an earlier build', before: (r) => r.parentId },
    names: (r) => [
      ...to('assembly', 'assemblyId', r.assemblyId),
      ...to('build', 'parentId', r.parentId),
      ...r.fits.flatMap((fit, i) => [
        ...to('place', ['fits', i, 'placeId'], fit.placeId),
        ...to('part', ['fits', i, 'partId'], fit.partId),
        ...fit.leaves.flatMap((leaf, j) => to('lot', ['fits', i, 'leaves', j, 'lotId'], leaf.lotId)),
      ]),
    ],
    also: (r, { check }) => check(new Set(r.fits.map((f) => f.placeId)).size === r.fits.length, ['fits'], 'one place twice', 'each place once'),
  }),
  reading: table({
    row: reading,
    facts: 'readings',
    called: 'a reading',
    line: { field: 'supersedes', called: 'an earlier reading', before: (r) => r.supersedes },
    names: (r) => [...to('station', 'stationId', r.stationId), ...to('build', 'buildId', r.buildId), ...to('reading', 'supersedes', r.supersedes)],
  }),
  feel: table({ row: feel, facts: 'feels', called: 'how a build felt', names: (r) => to('build', 'buildId', r.buildId) }),
  temporary: table({
    row: temporary,
    facts: 'temporaries',
    called: 'something in for the time being',
    line: { field: 'outOf', called: 'something counted in before it', before: (r) => r.outOf },
    names: (r) => [...to('assembly', 'assemblyId', r.assemblyId), ...to('build', 'buildId', r.buildId), ...to('temporary', 'outOf', r.outOf)],
  }),
  removal: table({
    row: removal,
    facts: 'removals',
    called: 'what was taken off a part',
    names: (r) => [...to('station', 'stationId', r.stationId), ...to('reading', 'after', r.after), ...to('build', 'buildId', r.buildId)],
  }),
  making: table({
    row: making,
    facts: 'makings',
    called: 'something that is made',
    names: (r) => [
      ...to('job', 'jobId', r.jobId),
      ...to('place', 'placeId', r.placeId),
      ...to('station', 'gapId', r.gapId),
      ...to('station', 'sizeId', r.sizeId),
      ...to('reading', ['window', 'from'], r.window?.from),
      ...to('lot', 'lotId', r.lotId),
      ...r.beside.flatMap((leaf, i) => to('lot', ['beside', i, 'lotId'], leaf.lotId)),
    ],
  }),
  pass: table({ row: pass, facts: 'passes', called: 'a pass', names: (r) => to('making', 'makingId', r.makingId) }),
  fitting: table({ row: fitting, facts: 'fittings', called: 'a fit', names: (r) => to('job', 'jobId', r.jobId) }),
  heating: table({ row: heating, facts: 'heatings', called: 'a go at a fit', names: (r) => to('fitting', 'fittingId', r.fittingId) }),
  pull: table({
    row: pull,
    facts: 'pulls',
    called: 'a bolt that was pulled',
    names: (r) => [...to('joint', 'jointId', r.jointId), ...to('build', 'buildId', r.buildId), ...to('reading', 'after', r.after)],
  }),
  rollers: table({
    row: rollers,
    facts: 'rollers',
    called: 'loose rollers',
    names: (r) => [...to('assembly', 'assemblyId', r.assemblyId), ...to('place', 'placeId', r.placeId)],
  }),
  rollerCount: table({
    row: rollerCount,
    facts: 'rollerCounts',
    called: 'rollers counted',
    names: (r) => [...to('rollers', 'rollersId', r.rollersId), ...to('build', 'buildId', r.buildId)],
  }),
  closing: table({
    row: closing,
    facts: 'closings',
    called: 'a station that is done',
    names: (r) => [...to('station', 'stationId', r.stationId), ...to('reading', 'readingId', r.readingId)],
  }),
  inspection: table({
    row: inspection,
    facts: 'inspections',
    called: 'an inspection',
    names: (r) => [...to('job', 'jobId', r.jobId), ...to('station', 'stationId', r.stationId)],
  }),
  acceptance: table({ row: acceptance, facts: 'acceptances', called: 'an acceptance', names: (r) => to('station', 'stationId', r.stationId) }),
  lookAlike: table({ row: lookAlike, facts: 'lookAlikes', called: 'a pair of look-alikes', names: (r) => to('job', 'jobId', r.jobId) }),
  matchedSet: table({ row: matchedSet, facts: 'matchedSets', called: 'a matched set', names: (r) => to('job', 'jobId', r.jobId) }),
  openItem: table({ row: openItem, facts: 'openItems', called: 'an open item', names: (r) => to('job', 'jobId', r.jobId) }),
  photo: table({
    row: photo,
    facts: 'photos',
    called: 'a photo',
    names: (r) => [...to('job', 'jobId', r.jobId), ...to(r.ofKind, 'ofId', r.ofId)],
  }),
  withdrawal: table({
    row: withdrawal,
    facts: 'withdrawals',
    called: 'a withdrawal',
    line: { field: 'ofId', called: 'something else', before: (r) => (r.ofKind === 'withdrawal' ? r.ofId : null) },
    names: (r) => to(r.ofKind, 'ofId', r.ofId),
  }),
};

export type TableName = keyof typeof TABLES;
/** The shape of a row, by the name the journal has for its table. */
export type RowOf = { readonly [T in TableName]: z.output<(typeof TABLES)[T]['row']> };
/** A table whose rows belong to a job. */
export type JobTable = { [T in TableName]: (typeof TABLES)[T]['facts'] extends string ? T : never }[TableName];

/** One table as any of them, for what is written once over all. */
export const tableOf = <T extends TableName>(name: T): Table<z.ZodType<RowOf[T]>, string | null> =>
  TABLES[name] as unknown as Table<z.ZodType<RowOf[T]>, string | null>;

const names = Object.keys(TABLES) as TableName[];
export const JOB_TABLES = names.filter((name): name is JobTable => TABLES[name].facts !== null);

/** Under what name the rows of each table stand among a job's facts. */
export const factsOf = <T extends JobTable>(name: T): (typeof TABLES)[T]['facts'] => TABLES[name].facts;

type Lists = { [T in JobTable as (typeof TABLES)[T]['facts']]: z.ZodArray<(typeof TABLES)[T]['row']> };

/** Everything of one job. */
export const jobFacts = z.object({
  job,
  ...(Object.fromEntries(JOB_TABLES.map((name) => [TABLES[name].facts, z.array(TABLES[name].row)])) as unknown as Lists),
});
export type JobFacts = z.output<typeof jobFacts>;

/** Nothing at all of a job, table by table. */
export const noFacts = (): Omit<JobFacts, 'job'> =>
  Object.fromEntries(JOB_TABLES.map((name) => [TABLES[name].facts, []])) as unknown as Omit<JobFacts, 'job'>;

/** The rows of one table among a job's facts. */
export const rowsIn = <T extends JobTable>(facts: JobFacts, name: T): readonly RowOf[T][] => facts[factsOf(name)] as unknown as readonly RowOf[T][];

const isJobTable = (name: string): name is JobTable => (JOB_TABLES as readonly string[]).includes(name);

/** One row a command wrote: what it was, and what it became. */
export interface RowEffect {
  readonly table: string;
  readonly id: string;
  readonly before: Readonly<Record<string, unknown>> | null;
  readonly after: Readonly<Record<string, unknown>> | null;
}

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
    if (!isJobTable(table)) continue;
    const rows = changed.get(table) ?? new Map<string, RowEffect['after']>();
    rows.set(id, after);
    changed.set(table, rows);
  }
  const tables = [...changed].map(([table, rows]) => [factsOf(table), patchedRows(table, rowsIn(facts, table), rows)] as const);
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
  return tableOf(table).positioned ? (all as unknown as Positioned[]).toSorted(byPosition) : all;
}
