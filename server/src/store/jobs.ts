import type { Job } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Job, 'gone'> & { gone: number };

const COLUMNS = 'id, revision, machine, year, note, created_at AS createdAt, archived_at AS archivedAt, gone';

export const jobs = {
  all: (db: Db): Job[] => db.prepare<[], Row>(`SELECT ${COLUMNS} FROM job ORDER BY created_at, id`).all().map(fromMarked),
  byId(db: Db, id: string): Job | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM job WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: Job): void {
    db.prepare(
      'INSERT INTO job (id, revision, machine, year, note, created_at, archived_at, gone) VALUES (@id, @revision, @machine, @year, @note, @createdAt, @archivedAt, @gone)',
    ).run(marked(row));
  },
  update(db: Db, row: Job): void {
    db.prepare(
      'UPDATE job SET revision = @revision, machine = @machine, year = @year, note = @note, archived_at = @archivedAt, gone = @gone WHERE id = @id',
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM job WHERE id = ?').run(id);
  },
};
