import type { Shaft } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Shaft, 'gone' | 'ends'> & { gone: number; endIn: string; endOut: string };

const fromRow = ({ endIn, endOut, ...row }: Row): Shaft => fromMarked({ ...row, ends: [endIn, endOut] as [string, string] });
const toRow = ({ ends: [endIn, endOut], ...row }: Shaft): Row => marked({ ...row, endIn, endOut });

const COLUMNS = 'id, revision, assembly_id AS assemblyId, name, origin, end_in AS endIn, end_out AS endOut, position, gone';

/** Axes of a box: whatever turns on one of them, and what it turns in. */
export const shafts = {
  ofJob: (db: Db, jobId: string): Shaft[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM shaft WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY rowid`)
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): Shaft | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM shaft WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Shaft): void {
    db.prepare(
      `INSERT INTO shaft (id, revision, assembly_id, name, origin, end_in, end_out, position, gone) VALUES (@id, @revision, @assemblyId, @name, @origin, @endIn, @endOut, @position, @gone)`,
    ).run(toRow(row));
  },
  update(db: Db, row: Shaft): void {
    db.prepare(
      `UPDATE shaft SET revision = @revision, assembly_id = @assemblyId, name = @name, origin = @origin, end_in = @endIn, end_out = @endOut, position = @position, gone = @gone WHERE id = @id`,
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM shaft WHERE id = ?').run(id);
  },
};
