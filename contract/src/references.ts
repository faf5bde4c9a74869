import type { JobFacts } from './facts/index.ts';
import type { AnyFile } from './files.ts';
import { lazily } from './lazily.ts';
import { jobsIn, CALLED, JOB_TABLES, rowsIn, FACTS_OF, type JobTable, type RowOf, type TableName } from './tables.ts';

type Path = readonly (string | number)[];

/** Something of a row that cannot be, where it stands, and what would be right. */
export interface FileProblem {
  readonly path: Path;
  readonly found: string;
  readonly wanted: string;
}

/** A row named by another. */
export interface Reference {
  readonly field: Path;
  readonly to: TableName;
  readonly id: string;
}

type Names<T extends TableName> = (row: RowOf[T]) => readonly (Reference | null)[];
const to = (table: TableName, field: string | Path, id: string | null): Reference | null =>
  id === null ? null : { field: typeof field === 'string' ? [field] : field, to: table, id };

/** Which rows a row of each table names: all of one job, but for leaves. */
const NAMES: { readonly [T in TableName]: Names<T> } = {
  job: () => [],
  lot: () => [],
  assembly: (r) => [to('job', 'jobId', r.jobId), to('assembly', 'mirrorOf', r.mirrorOf)],
  shaft: (r) => [to('assembly', 'assemblyId', r.assemblyId)],
  part: (r) => [to('assembly', 'assemblyId', r.assemblyId)],
  place: (r) => [to('shaft', 'shaftId', r.shaftId), to('part', 'partId', r.partId)],
  feature: (r) => [to('part', 'partId', r.partId)],
  contact: (r) => [to('shaft', 'shaftId', r.shaftId), to('feature', 'standId', r.standId), to('place', 'fastenerId', r.fastenerId)],
  station: (r) => [
    to('shaft', 'shaftId', r.shaftId),
    to('assembly', 'assemblyId', r.assemblyId ?? null),
    ...(r.reads?.what === 'gap' ? r.reads.contacts.map((contact, i) => to('contact', ['reads', 'contacts', i], contact)) : []),
    to('feature', ['reads', 'feature'], r.reads?.what === 'feature' ? r.reads.feature : null),
    to('station', 'boreId', r.boreId),
    to('station', 'journalId', r.journalId),
  ],
  limit: (r) => [to('station', 'stationId', r.stationId), to('spec', 'specId', r.specId)],
  spec: (r) => [to('job', 'jobId', r.jobId), to('station', 'stationId', r.stationId)],
  build: (r) => [
    to('assembly', 'assemblyId', r.assemblyId),
    to('build', 'parentId', r.parentId),
    ...r.fits.flatMap((fit, i) => [
      to('place', ['fits', i, 'placeId'], fit.placeId),
      to('part', ['fits', i, 'partId'], fit.partId ?? null),
      ...fit.leaves.map((leaf, j) => to('lot', ['fits', i, 'leaves', j, 'lotId'], leaf.lotId)),
    ]),
  ],
  reading: (r) => [to('station', 'stationId', r.stationId), to('build', 'buildId', r.buildId), to('reading', 'supersedes', r.supersedes)],
  strip: (r) => [to('assembly', 'assemblyId', r.assemblyId), to('shaft', 'shaftId', r.shaftId), to('strip', 'supersedes', r.supersedes)],
  inspection: (r) => [to('job', 'jobId', r.jobId), to('station', 'stationId', r.stationId)],
  acceptance: (r) => [to('station', 'stationId', r.stationId)],
  photo: (r) => [to('job', 'jobId', r.jobId), to(r.ofKind, 'ofId', r.ofId)],
  lookAlike: (r) => [to('job', 'jobId', r.jobId)],
  matchedSet: (r) => [to('job', 'jobId', r.jobId)],
  openItem: (r) => [to('job', 'jobId', r.jobId)],
  withdrawal: (r) => [to(r.ofKind, 'ofId', r.ofId)],
};

/** The rows that a row names, with the field each stands in. */
export const namedBy = <T extends TableName>(table: T, row: RowOf[T]): Reference[] => NAMES[table](row).filter((each) => each !== null);

/** What a row is checked against: a whole file, or the database it is being written to. */
export interface Known {
  /** the job a row belongs to; null where there is no such row, and '' for leaves, which belong to none */
  jobOf(table: TableName, id: string): string | null;
  /** the shaft a face is of, and that shaft's job; null where there is no such face */
  face(id: string): { readonly shaftId: string; readonly jobId: string } | null;
  /** what a row of the same table comes after, for those that stand in a line: a build's parent, what an entry takes the place of */
  before(table: TableName, id: string): string | null;
}

/** Whether a line of rows, each naming the one before it, comes back to where it began. */
function comesRound(table: TableName, start: string, known: Known): boolean {
  const met = new Set([start]);
  for (let next = known.before(table, start); next !== null; next = known.before(table, next)) {
    if (next === start) return true;
    if (met.has(next)) return false;
    met.add(next);
  }
  return false;
}

const IN_LINE: { readonly [T in TableName]?: readonly [field: string, called: string] } = {
  build: ['parentId', 'an earlier build'],
  reading: ['supersedes', 'an earlier reading'],
  strip: ['supersedes', 'an earlier entry'],
  withdrawal: ['ofId', 'something else'],
};

type Check = (ok: boolean, field: Path, found: unknown, wanted: string) => void;
type Also<T extends TableName> = (row: RowOf[T], known: Known, check: Check, jobId: string) => void;

/** Rules of one table beyond what it names. */
const ALSO: { readonly [T in TableName]?: Also<T> } = {
  feature: (r, known, check, jobId) => {
    for (const field of ['fromFace', 'toFace'] as const)
      check(known.face(r[field])?.jobId === jobId, [field], r[field], 'a face of a place of this machine');
  },
  contact: (r, known, check) => {
    for (const field of ['a', 'b'] as const) check(known.face(r[field])?.shaftId === r.shaftId, [field], r[field], 'a face of a place of this shaft');
  },
  place: (r, _known, check) => check(new Set(r.faces.map((f) => f.role)).size === r.faces.length, ['faces'], 'one face twice', 'each face once'),
  station: (r, known, check) => {
    check((r.shaftId === null) !== (r.assemblyId === undefined), ['shaftId'], r.shaftId, 'a shaft, or a box, and not both');
    if (r.reads?.what === 'depth')
      for (const field of ['from', 'to'] as const)
        check(known.face(r.reads[field])?.shaftId === r.shaftId, ['reads', field], r.reads[field], 'a face of a place of this shaft');
  },
  limit: (r, _known, check) => {
    check(r.min !== null || r.max !== null || r.nominal !== undefined, [], 'no figure', 'a least, a greatest, both, or a single figure');
    check(r.min === null || r.max === null || r.min <= r.max, ['min'], r.min, `no more than ${r.max ?? ''}`);
  },
  build: (r, _known, check) => check(new Set(r.fits.map((f) => f.placeId)).size === r.fits.length, ['fits'], 'one place twice', 'each place once'),
};

/**
 * What a row of the right shape still has wrong with it: it names one that is not there or is another machine's, its limits are the wrong
 * way round, it comes round to itself. The one set of rules, for a file that is read and for a command that is taken.
 *
 * @param where what it is looked for in, as it is said: "in this file", "in this machine"
 */
export function rowProblems<T extends TableName>(table: T, row: RowOf[T], jobId: string, known: Known, where: string): FileProblem[] {
  const problems: FileProblem[] = [];
  const check: Check = (ok, path, found, wanted) => {
    if (!ok) problems.push({ path, found: String(found), wanted });
  };
  for (const { field, to: named, id } of namedBy(table, row)) {
    const owner = known.jobOf(named, id);
    const isHere = named === 'lot' ? owner !== null : owner === jobId;
    check(isHere, field, id, named === 'job' ? `the id of the job ${where}` : `the id of ${CALLED[named]} ${where}`);
  }
  ALSO[table]?.(row, known, check, jobId);
  const line = IN_LINE[table];
  if (line && (row as unknown as Record<string, unknown>)[line[0]] !== null)
    check(!comesRound(table, row.id, known), [line[0]], known.before(table, row.id), `${line[1]}: this one comes round to itself`);
  return problems;
}

const BEFORE: { readonly [T in TableName]?: (row: RowOf[T]) => string | null } = {
  build: (r) => r.parentId,
  reading: (r) => r.supersedes,
  strip: (r) => r.supersedes,
  withdrawal: (r) => (r.ofKind === 'withdrawal' ? r.ofId : null),
};

/** Whether rows of a table stand in a line, each after another of the same table. */
export const isInLine = (table: TableName): boolean => table in BEFORE;
/** What a row comes after: a build's parent, what an entry takes the place of; null where it is the first, or its table has no line. */
export const cameAfter = <T extends TableName>(table: T, row: RowOf[T]): string | null => BEFORE[table]?.(row) ?? null;

/** What one job of a file, and its leaves, have in them to be named. */
function knownIn(facts: JobFacts, lots: ReadonlySet<string>): Known {
  const ids = lazily((table: JobTable) => new Set(rowsIn(facts, table).map((row) => row.id)));
  const faces = lazily(
    (_: 'faces') => new Map(facts.places.flatMap(({ shaftId, faces: of }) => of.map((face) => [face.id, { shaftId, jobId: facts.job.id }] as const))),
  );
  const before = lazily((table: JobTable) => new Map(isInLine(table) ? rowsIn(facts, table).map((row) => [row.id, cameAfter(table, row)]) : []));
  return {
    jobOf: (table, id) => {
      if (table === 'job') return id === facts.job.id ? id : null;
      if (table === 'lot') return lots.has(id) ? '' : null;
      return ids(table).has(id) ? facts.job.id : null;
    },
    face: (id) => faces('faces').get(id) ?? null,
    before: (table, id) => (table === 'job' || table === 'lot' ? null : (before(table).get(id) ?? null)),
  };
}

/** Tables whose rows have a role of their own, and what it is their own within. */
const ROLE_WITHIN: ReadonlyMap<JobTable, 'shaftId' | 'partId'> = new Map([
  ['place', 'shaftId'],
  ['contact', 'shaftId'],
  ['feature', 'partId'],
]);

/** A problem of one row of a job, by the table it is in. */
export interface RowProblem extends FileProblem {
  readonly table: JobTable;
  readonly id: string;
  readonly index: number;
}

interface Looking {
  /** what is looked for is said to be missing there: "in this file" */
  readonly where?: string;
  /** rows that were looked at before, and need not be again */
  readonly skip?: (row: object) => boolean;
}

/** All that is wrong with the rows of one job, in the order they stand. */
export function factsProblems(
  facts: JobFacts,
  lots: ReadonlySet<string>,
  { where = 'in this file', skip = () => false }: Looking = {},
): RowProblem[] {
  const known = knownIn(facts, lots);
  const found: RowProblem[] = [];
  for (const table of JOB_TABLES) {
    const roles = new Set<string>();
    const within = ROLE_WITHIN.get(table);
    rowsIn(facts, table).forEach((row, index) => {
      if (within === undefined && skip(row)) return;
      const add = (problem: FileProblem): void => void found.push({ ...problem, table, id: row.id, index });
      if (within !== undefined && (row as { gone?: boolean }).gone !== true) {
        const { role, ...of } = row as unknown as Record<'role' | 'shaftId' | 'partId', string>;
        const key = `${of[within]} ${role}`;
        if (roles.has(key)) add({ path: ['role'], found: role, wanted: `a role used once on a ${within === 'shaftId' ? 'shaft' : 'part'}` });
        roles.add(key);
      }
      rowProblems(table, row, facts.job.id, known, where).forEach(add);
    });
  }
  return found;
}

/**
 * What a file of the right shape still has wrong with it: an id used twice, a row that names one that is not there, limits the wrong way
 * round, a build that comes round to itself.
 *
 * @returns problems in the order they stand; none when all is sound
 */
export function fileProblems(file: AnyFile): FileProblem[] {
  const problems: FileProblem[] = [];
  const seen = new Set<string>();
  const once = (id: string, path: Path): void => {
    if (seen.has(id)) problems.push({ path: [...path, 'id'], found: id, wanted: 'an id used once' });
    seen.add(id);
  };
  const lots = new Set(file.lots.map((lot) => lot.id));
  file.lots.forEach((lot, i) => once(lot.id, ['lots', i]));
  jobsIn(file).forEach((facts, n) => {
    const at: Path = file.format === 'elder-cog/job' ? ['job'] : ['jobs', n];
    once(facts.job.id, [...at, 'job']);
    for (const table of JOB_TABLES) rowsIn(facts, table).forEach((row, i) => once(row.id, [...at, FACTS_OF[table], i]));
    facts.places.forEach((place, i) => place.faces.forEach((face, j) => once(face.id, [...at, 'places', i, 'faces', j])));
    facts.builds.forEach((build, i) => build.fits.forEach((fit, j) => once(fit.id, [...at, 'builds', i, 'fits', j])));
    for (const { table, index, path, found, wanted } of factsProblems(facts, lots))
      problems.push({ path: [...at, FACTS_OF[table], index, ...path], found, wanted });
  });
  return problems;
}
