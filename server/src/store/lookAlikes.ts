import type { LookAlike } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<LookAlike, 'a' | 'b' | 'gone'> & { a: string; b: string; gone: number };

const fromRow = (row: Row): LookAlike => ({
  ...row,
  a: JSON.parse(row.a) as LookAlike['a'],
  b: JSON.parse(row.b) as LookAlike['b'],
  gone: row.gone === 1,
});
const toRow = (row: LookAlike): Row => ({ ...row, a: JSON.stringify(row.a), b: JSON.stringify(row.b), gone: row.gone ? 1 : 0 });

const COLUMNS = 'id, revision, job_id AS jobId, form, a, b, tell, gone';

export const lookAlikes = {
  ofJob: (db: Db, jobId: string): LookAlike[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM look_alike WHERE job_id = ? ORDER BY rowid`).all(jobId).map(fromRow),
  byId(db: Db, id: string): LookAlike | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM look_alike WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: LookAlike): void {
    db.prepare(
      'INSERT INTO look_alike (id, revision, job_id, form, a, b, tell, gone) VALUES (@id, @revision, @jobId, @form, @a, @b, @tell, @gone)',
    ).run(toRow(row));
  },
  update(db: Db, row: LookAlike): void {
    db.prepare('UPDATE look_alike SET revision = @revision, form = @form, a = @a, b = @b, tell = @tell, gone = @gone WHERE id = @id').run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM look_alike WHERE id = ?').run(id);
  },
};
