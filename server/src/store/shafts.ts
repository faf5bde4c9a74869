import type { Shaft } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<Shaft, 'gasket'> & { gasket: number };

const fromRow = (row: Row): Shaft => ({ ...row, gasket: row.gasket === 1 });
const toRow = (row: Shaft): Row => ({ ...row, gasket: row.gasket ? 1 : 0 });

const COLUMNS = 'id, revision, assembly_id AS assemblyId, name, template, place, gasket, position';

export const shafts = {
  ofJob: (db: Db, jobId: string): Shaft[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM shaft WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY position, id`)
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): Shaft | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM shaft WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Shaft): void {
    db.prepare(
      'INSERT INTO shaft (id, revision, assembly_id, name, template, place, gasket, position) VALUES (@id, @revision, @assemblyId, @name, @template, @place, @gasket, @position)',
    ).run(toRow(row));
  },
  update(db: Db, row: Shaft): void {
    db.prepare(
      'UPDATE shaft SET revision = @revision, assembly_id = @assemblyId, name = @name, template = @template, place = @place, gasket = @gasket, position = @position WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM shaft WHERE id = ?').run(id);
  },
};
