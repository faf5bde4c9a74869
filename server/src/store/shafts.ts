import type { Shaft } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Shaft, 'gasket' | 'gone'> & { gone: number; gasket: number };

const fromRow = (row: Row): Shaft => fromMarked({ ...row, gasket: row.gasket === 1 });
const toRow = (row: Shaft): Row => marked({ ...row, gasket: row.gasket ? 1 : 0 });

const COLUMNS = 'id, revision, assembly_id AS assemblyId, name, template, place, gasket, position, gone';

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
      'INSERT INTO shaft (id, revision, assembly_id, name, template, place, gasket, position, gone) VALUES (@id, @revision, @assemblyId, @name, @template, @place, @gasket, @position, @gone)',
    ).run(toRow(row));
  },
  update(db: Db, row: Shaft): void {
    db.prepare(
      'UPDATE shaft SET revision = @revision, assembly_id = @assemblyId, name = @name, template = @template, place = @place, gasket = @gasket, position = @position, gone = @gone WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM shaft WHERE id = ?').run(id);
  },
};
