import { figureProblems, rowProblems, type ReadingFact, type RowOf, type TableName } from '@elder-cog/contract';
import { isDragReading, outOfRange, readingFigures } from '@elder-cog/derive';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { jobs } from './jobs.ts';
import { journal, type Effect } from './journal.ts';
import { knownIn } from './known.ts';
import type { Db } from './open.ts';
import { stations } from './stations.ts';
import { descriptionStore, jobOfRow, namedBy, storeOf, type DescriptionTable, type ObservationTable } from './tables.ts';

interface Described {
  readonly id: string;
  readonly revision?: number;
}

/** Collects what one command does, so that it can be checked, the journal can hold it, and undo can take it back. */
export class Writer {
  readonly effects: Effect[] = [];
  private readonly db: Db;

  constructor(db: Db) {
    this.db = db;
  }

  create<T extends DescriptionTable>(table: T, row: RowOf[T]): void {
    descriptionStore(table).insert(this.db, row);
    this.effects.push({ table, id: row.id, before: null, after: row });
  }

  /** Writes a description if its revision is the one the writer saw. */
  change(table: DescriptionTable, id: string, revision: number, patch: object): void {
    const before = descriptionStore(table).byId(this.db, id) as (Described & { readonly gone?: boolean }) | null;
    if (!before || (before.gone === true && !('gone' in patch))) throw new WorkshopError('notFound');
    if (before.revision !== revision) throw new WorkshopError('stale', undefined, { theirs: before, ...journal.lastChange(this.db, id) });
    this.write(table, before, { ...before, ...patch, revision: revision + 1 });
  }

  /** Writes a description as it is to be, whatever it was. */
  write(table: DescriptionTable, before: Described, after: Described): void {
    descriptionStore(table).update(this.db, after as never);
    this.effects.push({ table, id: before.id, before, after });
  }

  observe<T extends ObservationTable>(table: T, row: RowOf[T]): void {
    storeOf(table).insert(this.db, row);
    this.effects.push({ table, id: row.id, before: null, after: row });
  }

  /**
   * Takes back a description that was put down: it leaves the database where nothing names it, and is marked gone where only what was
   * taken back before it does.
   *
   * @throws WorkshopError `restsOnIt` where something that stands names it
   */
  takeAway(table: DescriptionTable, row: Described): void {
    const named = namedBy(this.db, table, row.id);
    if (named === 'standing') throw new WorkshopError('restsOnIt');
    if (named === 'takenBack')
      return this.write(table, row, { ...row, ...(row.revision === undefined ? {} : { revision: row.revision + 1 }), gone: true } as never);
    descriptionStore(table).remove(this.db, row.id);
    this.effects.push({ table, id: row.id, before: row, after: null });
  }

  /** The job all of it belongs to; null where it is the Drawer's, or nothing was written. */
  jobId(): string | null {
    const of = new Set(this.effects.map(({ table, id, before, after }) => jobOfEffect(this.db, table as TableName, id, before ?? after)));
    of.delete('');
    of.delete(null);
    if (of.size > 1) throw new WorkshopError('badRequest', 'That belongs to two machines at once: send it for one at a time.');
    return [...of][0] ?? null;
  }

  /** Holds every row that was written to the rules files are held to, and every new figure to what a gearbox can have. */
  check(jobId: string | null): void {
    const known = knownIn(this.db);
    for (const { table, id, before, after } of this.effects) {
      // what is taken away was right when it was put down, and what it named may go with it
      if (after === null || (after as Described & { gone?: boolean }).gone === true) continue;
      const row = after as RowOf[TableName];
      const [wrong] = rowProblems(table as TableName, row, jobId ?? '', known, 'in this machine');
      if (wrong?.wanted.startsWith('the id of'))
        throw new WorkshopError('unknownParent', undefined, { field: wrong.path.join('.'), found: wrong.found, wanted: wrong.wanted });
      if (wrong) throw unfit(table, wrong.path, wrong.found, wrong.wanted);
      this.checkFigures(table as TableName, id, before as RowOf[TableName] | null, row);
    }
  }

  private checkFigures(table: TableName, id: string, before: RowOf[TableName] | null, row: RowOf[TableName]): void {
    const stationId = (row as { stationId?: string | null }).stationId ?? null;
    const subject = (row as { subject?: string }).subject ?? (stationId === null ? 'gap' : (stations.byId(this.db, stationId)?.subject ?? 'gap'));
    const old = new Set(before === null ? [] : figureProblems(table, before, subject).map((p) => `${p.path.join('.')} ${p.found}`));
    const [wrong] = figureProblems(table, row, subject).filter((p) => !old.has(`${p.path.join('.')} ${p.found}`));
    if (wrong) throw unfit(table, wrong.path, wrong.found, wrong.wanted);
    if (table === 'reading') checkReading(row as ReadingFact, subject, id);
  }
}

const jobOfEffect = (db: Db, table: TableName, id: string, row: unknown): string | null =>
  jobOfRow(db, table, id) ?? (row as { jobId?: string } | null)?.jobId ?? null;

const unfit = (table: string, path: readonly (string | number)[], found: string, wanted: string): WorkshopError => {
  const field = [table, ...path].join('.');
  return new WorkshopError('badRequest', `That was not kept: ${found} is no figure or name for it; there should be ${wanted}.`, {
    field,
    found,
    wanted,
  });
};

/** A reading is kept only where it is understood, and is something that can be. */
function checkReading({ raw }: ReadingFact, subject: string, id: string): void {
  if (isDragReading(raw) !== (subject === 'drag') && raw.method !== 'look')
    throw new WorkshopError(
      'badRequest',
      subject === 'drag' ? 'That is a length, and this is a drag: read it off a wrench, or a cord.' : 'That is a drag, and this is read as a length.',
    );
  const figures = readingFigures(raw);
  if ('refusal' in figures)
    throw new WorkshopError('badRequest', `“${raw.text}” was not kept. ${figures.refusal}`, { field: 'reading.raw.text', found: id });
  const outside = outOfRange(figures.values, subject);
  if (outside) throw unfit('reading', ['raw', 'text'], outside.found, outside.wanted);
}

export interface Entry {
  readonly commandId: string;
  readonly clientId: string;
  readonly who: string;
  readonly at: string;
  readonly kind: string;
  /** the command as it was sent */
  readonly what: unknown;
  readonly jobId: string | null;
  readonly undoes?: number | null;
  readonly undid?: string | null;
  readonly effects: readonly Effect[];
}

/** One entry of the journal; returns where it stands. */
export const enter = (db: Db, { what, effects, undoes = null, undid = null, ...entry }: Entry): number =>
  journal.insert(db, { ...entry, what: JSON.stringify(what), effects: JSON.stringify(effects), undoes, undid });

/** A machine that is put away is read and not written to. */
export function refusePutAway(db: Db, jobId: string | null): void {
  if (jobId !== null && jobs.byId(db, jobId)?.archivedAt) throw new WorkshopError('putAway');
}

/** SQLite's refusals in plain words. */
export function inPlainWords(error: unknown, undoing = false): unknown {
  const code = (error as { code?: string }).code;
  if (code === 'SQLITE_CONSTRAINT_FOREIGNKEY') return new WorkshopError(undoing ? 'restsOnIt' : 'unknownParent');
  if (code === 'SQLITE_CONSTRAINT_PRIMARYKEY' || code === 'SQLITE_CONSTRAINT_UNIQUE') return new WorkshopError('alreadyHere');
  if (code === 'SQLITE_CONSTRAINT_CHECK')
    return new WorkshopError('badRequest', 'Those figures contradict each other: give the smaller limit first.');
  return diskTrouble(error) ?? error;
}
