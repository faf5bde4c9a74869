import {
  factsOf,
  TABLES,
  factsProblems,
  figureProblems,
  JOB_TABLES,
  namedBy,
  rowsIn,
  type FitLeaf,
  type JobFacts,
  type JobTable,
  type RowOf,
  type RowProblem,
} from '@elder-cog/contract';
import { outOfRange, readingFigures } from './readingValue.ts';

/** A row that cannot be reckoned with: what is wrong with it. It is left out of every answer, and kept. */
export interface Damage {
  readonly table: JobTable | 'job';
  readonly id: string;
  /** what it is, in a few words: "a reading, 300+118 in" */
  readonly what: string;
  readonly found: string;
  readonly wanted: string;
}

export interface Readable {
  /** the facts that can be reckoned with: nothing that is marked gone, and nothing damaged */
  readonly facts: JobFacts;
  readonly damage: readonly Damage[];
}

/** In the place of a pack that is damaged: what is in is not known. */
export const UNKNOWN_LEAVES: FitLeaf[] = [];

type AnyRow = { readonly id: string; readonly gone?: boolean | undefined };

/** Tables whose rows are marked gone and still asked for by name; the rest leave the facts with the mark. */
const KEPT_WHEN_GONE: ReadonlySet<JobTable> = new Set(['station', 'lookAlike', 'matchedSet']);

/** Rows that were looked at once and found sound. What a row names is never taken from under it, so it stays so. */
const sound = new WeakSet<object>();

/** What a person would know a row by. */
function wordsOf(table: JobTable, row: AnyRow): string {
  const { name, text, written, part, machine, label, raw } = row as Partial<Record<string, string>> & { raw?: { text?: string } };
  const said = raw?.text ?? text ?? name ?? written ?? part ?? machine ?? label ?? '';
  return said === '' ? TABLES[table].called : `${TABLES[table].called}, ${said}`;
}

/** With its impossible figures unknown, where it can do without them; null where it cannot. */
const WITHOUT: { readonly [T in JobTable]?: (row: RowOf[T]) => RowOf[T] } = {
  feature: (row) => ({ ...row, nominal: null }),
  station: ({ instrument, ...row }) => ({
    ...row,
    newSize: null,
    aim: { at: 'middle' },
    instrument: instrument && { ...instrument, zeroError: undefined },
  }),
  build: (row) => ({ ...row, fits: row.fits.map((fit) => ({ ...fit, leaves: UNKNOWN_LEAVES })) }),
  strip: (row) => ({ ...row, size: null, leaves: [], bolts: null }),
  acceptance: (row) => ({ ...row, value: null }),
  lookAlike: (row) => ({ ...row, a: { ...row.a, size: null }, b: { ...row.b, size: null } }),
};

interface Judged {
  readonly damage: Omit<Damage, 'table' | 'id' | 'what'>;
  /** the row as it can be reckoned with; null where it is left out */
  readonly instead: AnyRow | null;
}

/** What no figure of a row may be: a reading's too, as it reckons. */
function judgeFigures(table: JobTable, row: RowOf[JobTable], subjects: ReadonlyMap<string, string>): Judged | null {
  const subject = (row as { subject?: string }).subject ?? subjects.get((row as { stationId?: string | null }).stationId ?? '') ?? 'gap';
  const [problem] = figureProblems(table, row, subject);
  if (problem) {
    const without = WITHOUT[table] as ((row: RowOf[JobTable]) => AnyRow) | undefined;
    return { damage: { found: problem.found, wanted: problem.wanted }, instead: without?.(row) ?? null };
  }
  if (table !== 'reading') return null;
  const figures = readingFigures((row as RowOf['reading']).raw);
  const outside = 'values' in figures ? outOfRange(figures.values, subject) : null;
  return outside && { damage: outside, instead: null };
}

/** A build of which one place is not there stands with the others. */
function withoutPlaces(table: JobTable, row: AnyRow, { path, wanted }: RowProblem): AnyRow | null {
  if (table !== 'build' || path[0] !== 'fits' || wanted === 'each place once') return null;
  const { fits } = row as RowOf['build'];
  return { ...row, fits: fits.filter((_, i) => i !== path[1]) } as AnyRow;
}

/** What is wrong with a row, by its names or its figures; null where nothing is. */
const judge = (table: JobTable, row: AnyRow, wrong: RowProblem | undefined, subjects: ReadonlyMap<string, string>): Judged | null =>
  wrong
    ? { damage: { found: wrong.found, wanted: wrong.wanted }, instead: withoutPlaces(table, row, wrong) }
    : judgeFigures(table, row as never, subjects);

/** Facts that were looked through elsewhere, row by row, and found sound: they are not looked through again. */
export function trust(facts: JobFacts): void {
  for (const table of JOB_TABLES) for (const row of rowsIn(facts, table)) sound.add(row);
}

const known = new WeakMap<JobFacts, Readable>();

/**
 * Facts as they can be reckoned with, and what is wrong with the rest. One bad row spoils one row: what names it, and nothing else, is
 * left out with it.
 */
export function readable(facts: JobFacts): Readable {
  const before = known.get(facts);
  if (before) return before;
  const read = freshlyRead(facts);
  known.set(facts, read);
  known.set(read.facts, { facts: read.facts, damage: read.damage });
  return read;
}

function freshlyRead(facts: JobFacts): Readable {
  const unknown = JOB_TABLES.filter((table) => rowsIn(facts, table).some((row) => !sound.has(row)));
  if (unknown.length === 0) return { facts, damage: [] };
  const subjects = new Map(facts.stations.map((s) => [s.id, s.subject]));
  // leaves are the Drawer's: whether they are there is not asked of a job
  const lots = { has: () => true } as unknown as ReadonlySet<string>;
  const looking = { where: 'among its facts', skip: (row: object) => sound.has(row) };
  const problems = new Map(factsProblems(facts, lots, looking).map((p) => [`${p.table} ${p.id}`, p]));
  const damage: Damage[] = [];
  const gone = new Set<string>();
  const tables = new Map<JobTable, AnyRow[]>();
  const isNew = new Set(unknown);
  for (const table of JOB_TABLES) {
    const rows = rowsIn(facts, table) as readonly AnyRow[];
    if (!isNew.has(table)) {
      tables.set(table, rows as AnyRow[]);
      continue;
    }
    let changed = false;
    const kept: AnyRow[] = [];
    for (const row of rows) {
      if (sound.has(row)) {
        kept.push(row);
        continue;
      }
      const isGone = row.gone === true && !KEPT_WHEN_GONE.has(table);
      const judged = isGone ? null : judge(table, row, problems.get(`${table} ${row.id}`), subjects);
      if (!isGone && !judged) {
        kept.push(row);
        continue;
      }
      changed = true;
      if (judged) damage.push({ table, id: row.id, what: wordsOf(table, row), ...judged.damage });
      if (judged?.instead) kept.push(judged.instead);
      else gone.add(row.id);
    }
    tables.set(table, changed ? kept : (rows as AnyRow[]));
  }
  if (gone.size > 0) leaveOutWhatNames(tables, gone);
  const isWhole = [...tables].every(([table, rows]) => rows === (rowsIn(facts, table) as readonly AnyRow[]));
  // a row marked gone that leaves the facts is looked at again each time: there are few of them
  for (const table of unknown) for (const row of tables.get(table) ?? []) if (!sound.has(row)) sound.add(row);
  if (isWhole) return { facts, damage };
  return { facts: { ...facts, ...Object.fromEntries([...tables].map(([table, rows]) => [factsOf(table), rows])) }, damage };
}

/** Fields that mention a row and do not hang on it. */
const MENTIONS: ReadonlySet<string> = new Set(['supersedes', 'specId', 'mirrorOf', 'parentId', 'fastenerId', 'stripId', 'after']);
const hangsOn = (table: JobTable, field: string): boolean =>
  !MENTIONS.has(field) && !((table === 'spec' || table === 'inspection') && field === 'stationId') && !(table === 'strip' && field === 'shaftId');

/** A row whose own parent is left out has nothing to stand on, and goes with it; one that only mentions it stays. */
function leaveOutWhatNames(tables: Map<JobTable, AnyRow[]>, gone: Set<string>): void {
  // a build stands, whatever became of a place in it
  tables.set(
    'build',
    (tables.get('build') ?? []).map((row) => {
      const { fits } = row as RowOf['build'];
      const left = fits.filter((fit) => !gone.has(fit.placeId) && !gone.has(fit.partId ?? ''));
      return left.length === fits.length ? row : ({ ...row, fits: left } as AnyRow);
    }),
  );
  for (let more = true; more;) {
    more = false;
    for (const [table, rows] of tables) {
      const kept = rows.filter((row) => !namedBy(table, row as never).some(({ field, id }) => gone.has(id) && hangsOn(table, String(field[0]))));
      if (kept.length === rows.length) continue;
      const left = new Set(kept);
      for (const row of rows) if (!left.has(row)) gone.add(row.id);
      tables.set(table, kept);
      more = true;
    }
  }
}
