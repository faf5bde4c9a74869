import type { MatchedSet } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<MatchedSet, 'members' | 'gone'> & { members: string; gone: number };

const fromRow = (row: Row): MatchedSet => ({ ...row, members: JSON.parse(row.members) as string[], gone: row.gone === 1 });
const toRow = (row: MatchedSet): Row => ({ ...row, members: JSON.stringify(row.members), gone: row.gone ? 1 : 0 });

const COLUMNS = 'id, revision, job_id AS jobId, name, members, gone';

export const matchedSets = {
  ofJob: (db: Db, jobId: string): MatchedSet[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM matched_set WHERE job_id = ? ORDER BY rowid`).all(jobId).map(fromRow),
  byId(db: Db, id: string): MatchedSet | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM matched_set WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: MatchedSet): void {
    db.prepare('INSERT INTO matched_set (id, revision, job_id, name, members, gone) VALUES (@id, @revision, @jobId, @name, @members, @gone)').run(
      toRow(row),
    );
  },
  update(db: Db, row: MatchedSet): void {
    db.prepare('UPDATE matched_set SET revision = @revision, name = @name, members = @members, gone = @gone WHERE id = @id').run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM matched_set WHERE id = ?').run(id);
  },
};
