import { jobsIn, type AnyFile } from './files.ts';
import { lazily } from './lazily.ts';
import type { Check, FileProblem, FindFace, Named, Path } from './rowRules.ts';
import { factsOf, JOB_TABLES, rowsIn, TABLES, tableOf, type JobFacts, type JobTable, type RowOf, type TableName } from './tables.ts';

export type { FileProblem };

/** A row named by another. */
export interface Reference extends Named {
  readonly to: TableName;
}

/** The rows that a row names, with the field each stands in. */
export const namedBy = <T extends TableName>(table: T, row: RowOf[T]): Reference[] => [...(tableOf(table).names?.(row) ?? [])] as Reference[];

/** What a row is checked against: a whole file, or the database it is being written to. */
export interface Known {
  /** the job a row belongs to; null where there is no such row, and '' for leaves, which belong to none */
  jobOf(table: TableName, id: string): string | null;
  readonly face: FindFace;
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
    check(isHere, field, id, named === 'job' ? `the id of the job ${where}` : `the id of ${TABLES[named].called} ${where}`);
  }
  tableOf(table).also?.(row, { face: known.face, check, jobId });
  const { line } = tableOf(table);
  if (line && (row as unknown as Record<string, unknown>)[line.field] !== null)
    check(!comesRound(table, row.id, known), [line.field], known.before(table, row.id), `${line.called}: this one comes round to itself`);
  return problems;
}

/** Whether rows of a table stand in a line, each after another of the same table. */
export const isInLine = (table: TableName): boolean => tableOf(table).line !== undefined;
/** What a row comes after: a build's parent, what an entry takes the place of; null where it is the first, or its table has no line. */
export const cameAfter = <T extends TableName>(table: T, row: RowOf[T]): string | null => tableOf(table).line?.before(row) ?? null;

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
      // no row of a job names one
      if (table === 'instrument' || table === 'stock') return null;
      return ids(table).has(id) ? facts.job.id : null;
    },
    face: (id) => faces('faces').get(id) ?? null,
    before: (table, id) =>
      table === 'job' || table === 'lot' || table === 'instrument' || table === 'stock' ? null : (before(table).get(id) ?? null),
  };
}

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
    const within = tableOf(table).roleWithin;
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
  if (file.format === 'elder-cog/workshop') {
    file.instruments.forEach((tool, i) => once(tool.id, ['instruments', i]));
    file.stock.forEach((each, i) => once(each.id, ['stock', i]));
  }
  jobsIn(file).forEach((facts, n) => {
    const at: Path = file.format === 'elder-cog/job' ? ['job'] : ['jobs', n];
    once(facts.job.id, [...at, 'job']);
    for (const table of JOB_TABLES) rowsIn(facts, table).forEach((row, i) => once(row.id, [...at, factsOf(table), i]));
    facts.places.forEach((place, i) => place.faces.forEach((face, j) => once(face.id, [...at, 'places', i, 'faces', j])));
    facts.builds.forEach((build, i) => build.fits.forEach((fit, j) => once(fit.id, [...at, 'builds', i, 'fits', j])));
    for (const { table, index, path, found, wanted } of factsProblems(facts, lots))
      problems.push({ path: [...at, factsOf(table), index, ...path], found, wanted });
  });
  return problems;
}
