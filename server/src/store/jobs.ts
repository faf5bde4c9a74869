import type { Job } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, revision, machine, year, note, created_at AS createdAt, archived_at AS archivedAt';

export const jobs = {
  all: (db: Db): Job[] => db.prepare<[], Job>(`SELECT ${COLUMNS} FROM job ORDER BY created_at, id`).all(),
  byId: (db: Db, id: string): Job | null => db.prepare<[string], Job>(`SELECT ${COLUMNS} FROM job WHERE id = ?`).get(id) ?? null,
  insert(db: Db, row: Job): void {
    db.prepare(
      'INSERT INTO job (id, revision, machine, year, note, created_at, archived_at) VALUES (@id, @revision, @machine, @year, @note, @createdAt, @archivedAt)',
    ).run(row);
  },
  update(db: Db, row: Job): void {
    db.prepare('UPDATE job SET revision = @revision, machine = @machine, year = @year, note = @note, archived_at = @archivedAt WHERE id = @id').run(
      row,
    );
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM job WHERE id = ?').run(id);
  },
};
