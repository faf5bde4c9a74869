import type { Shaft } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Shaft, 'gone'> & { gone: number };

const COLUMNS = 'id, revision, assembly_id AS assemblyId, name, origin, position, gone';

/** Axes of a box: whatever turns on one of them, and what it turns in. */
export const shafts = {
  ofJob: (db: Db, jobId: string): Shaft[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM shaft WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY rowid`)
      .all(jobId)
      .map(fromMarked),
  byId(db: Db, id: string): Shaft | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM shaft WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: Shaft): void {
    db.prepare(
      `INSERT INTO shaft (id, revision, assembly_id, name, origin, position, gone) VALUES (@id, @revision, @assemblyId, @name, @origin, @position, @gone)`,
    ).run(marked(row));
  },
  update(db: Db, row: Shaft): void {
    db.prepare(
      `UPDATE shaft SET revision = @revision, assembly_id = @assemblyId, name = @name, origin = @origin, position = @position, gone = @gone WHERE id = @id`,
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM shaft WHERE id = ?').run(id);
  },
};
