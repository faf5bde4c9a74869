import type { OpenItem } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, revision, job_id AS jobId, text, place AS "where", state, reason, who, raised_at AS raisedAt, ended_at AS endedAt';

export const openItems = {
  ofJob: (db: Db, jobId: string): OpenItem[] =>
    db.prepare<[string], OpenItem>(`SELECT ${COLUMNS} FROM open_item WHERE job_id = ? ORDER BY raised_at, rowid`).all(jobId),
  byId: (db: Db, id: string): OpenItem | null => db.prepare<[string], OpenItem>(`SELECT ${COLUMNS} FROM open_item WHERE id = ?`).get(id) ?? null,
  insert(db: Db, row: OpenItem): void {
    db.prepare(
      `INSERT INTO open_item (id, revision, job_id, text, place, state, reason, who, raised_at, ended_at)
      VALUES (@id, @revision, @jobId, @text, @where, @state, @reason, @who, @raisedAt, @endedAt)`,
    ).run(row);
  },
  update(db: Db, row: OpenItem): void {
    db.prepare(
      'UPDATE open_item SET revision = @revision, text = @text, place = @where, state = @state, reason = @reason, ended_at = @endedAt WHERE id = @id',
    ).run(row);
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM open_item WHERE id = ?').run(id);
  },
};
