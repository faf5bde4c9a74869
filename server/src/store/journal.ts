import type { JournalEntry } from '@elder-cog/contract';
import type { Db } from './open.ts';

/** One thing a command did: enough to take it back. */
export interface Effect {
  readonly table: string;
  readonly id: string;
  readonly before: unknown;
  readonly after: unknown;
}

export interface JournalRow {
  readonly seq: number;
  readonly commandId: string;
  readonly clientId: string;
  readonly who: string;
  readonly at: string;
  readonly kind: string;
  readonly jobId: string | null;
  readonly effects: string;
  readonly undoes: number | null;
  readonly undid: string | null;
}

const COLUMNS = 'seq, command_id AS commandId, client_id AS clientId, who, at, kind, job_id AS jobId, effects, undoes, undid';

export const journal = {
  byCommand: (db: Db, commandId: string): JournalRow | null =>
    db.prepare<[string], JournalRow>(`SELECT ${COLUMNS} FROM journal WHERE command_id = ?`).get(commandId) ?? null,
  /** The last thing this client did that has not been undone, and was not itself an undo. */
  lastOf: (db: Db, clientId: string): JournalRow | null =>
    db
      .prepare<[string], JournalRow>(
        `SELECT ${COLUMNS} FROM journal j WHERE client_id = ? AND undoes IS NULL AND seq > (SELECT coalesce(max(seq), 0) FROM journal WHERE kind = 'upgrade') AND NOT EXISTS (SELECT 1 FROM journal u WHERE u.undoes = j.seq) ORDER BY seq DESC LIMIT 1`,
      )
      .get(clientId) ?? null,
  /** The entry of a job before another of it; 0 where it was the first. */
  before: (db: Db, jobId: string, seq: number): number =>
    db.prepare<[string, number], number>('SELECT coalesce(max(seq), 0) FROM journal WHERE job_id = ? AND seq < ?').pluck().get(jobId, seq) ?? 0,
  /** Where a job stands now, and the last command there was of any: by the two, a page and the server know that they speak of one book. */
  now: (db: Db): { seq: number; last: string } =>
    db.prepare<[], { seq: number; last: string }>('SELECT seq, command_id AS last FROM journal ORDER BY seq DESC LIMIT 1').get() ?? {
      seq: 0,
      last: '',
    },
  lastOfJob: (db: Db, jobId: string): number =>
    db.prepare<[string], number>('SELECT coalesce(max(seq), 0) FROM journal WHERE job_id = ?').pluck().get(jobId) ?? 0,
  since: (db: Db, jobId: string, seq: number, most: number): JournalRow[] =>
    db
      .prepare<[string, number, number], JournalRow>(`SELECT ${COLUMNS} FROM journal WHERE job_id = ? AND seq > ? ORDER BY seq LIMIT ?`)
      .all(jobId, seq, most),
  /** Who last changed a row, for a refusal that says so. */
  lastChange: (db: Db, id: string): { who?: string; at?: string } =>
    db
      .prepare<[string], { who: string; at: string }>(
        `SELECT j.who, j.at FROM journal j, json_each(j.effects) e WHERE json_extract(e.value, '$.id') = ? ORDER BY j.seq DESC LIMIT 1`,
      )
      .get(id) ?? {},
  insert(db: Db, row: Omit<JournalRow, 'seq'> & { what: string }): number {
    const { lastInsertRowid } = db
      .prepare(
        'INSERT INTO journal (command_id, client_id, who, at, kind, job_id, what, effects, undoes, undid) VALUES (@commandId, @clientId, @who, @at, @kind, @jobId, @what, @effects, @undoes, @undid)',
      )
      .run(row);
    return Number(lastInsertRowid);
  },
  /** Newest first, before `before` where that is given. */
  ofJob: (db: Db, jobId: string, before: number, count: number): JournalRow[] =>
    db
      .prepare<[string, number, number], JournalRow>(`SELECT ${COLUMNS} FROM journal WHERE job_id = ? AND seq < ? ORDER BY seq DESC LIMIT ?`)
      .all(jobId, before, count),
  all: (db: Db): JournalEntry[] => db.prepare<[], JournalEntry>(`SELECT ${COLUMNS}, what FROM journal ORDER BY seq`).all(),
  lastSeq: (db: Db): number => db.prepare<[], { seq: number }>('SELECT coalesce(max(seq), 0) AS seq FROM journal').get()?.seq ?? 0,
  /** From a workshop's file into an empty journal, numbers and all. */
  restore(db: Db, entry: JournalEntry): void {
    db.prepare(
      'INSERT INTO journal (seq, command_id, client_id, who, at, kind, job_id, what, effects, undoes, undid) VALUES (@seq, @commandId, @clientId, @who, @at, @kind, @jobId, @what, @effects, @undoes, @undid)',
    ).run(entry);
  },
};
