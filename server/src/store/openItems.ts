import type { OpenItem } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<OpenItem, 'gone'> & { gone: number };

const COLUMNS = 'id, revision, job_id AS jobId, text, place AS "where", state, reason, who, raised_at AS raisedAt, ended_at AS endedAt, gone';

export const openItems = {
  ofJob: (db: Db, jobId: string): OpenItem[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM open_item WHERE job_id = ? ORDER BY rowid`).all(jobId).map(fromMarked),
  byId(db: Db, id: string): OpenItem | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM open_item WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: OpenItem): void {
    db.prepare(
      `INSERT INTO open_item (id, revision, job_id, text, place, state, reason, who, raised_at, ended_at, gone)
      VALUES (@id, @revision, @jobId, @text, @where, @state, @reason, @who, @raisedAt, @endedAt, @gone)`,
    ).run(marked(row));
  },
  update(db: Db, row: OpenItem): void {
    db.prepare(
      'UPDATE open_item SET revision = @revision, text = @text, place = @where, state = @state, reason = @reason, ended_at = @endedAt, gone = @gone WHERE id = @id',
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM open_item WHERE id = ?').run(id);
  },
};
