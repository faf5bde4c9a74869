import type { PartFact } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<PartFact, 'gone'> & { gone: number };

const COLUMNS = 'id, revision, assembly_id AS assemblyId, name, kind, material, number, condition, gone';

/** Things with an identity of their own, wherever they sit. */
export const parts = {
  ofJob: (db: Db, jobId: string): PartFact[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM part WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY rowid`)
      .all(jobId)
      .map(fromMarked),
  byId(db: Db, id: string): PartFact | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM part WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: PartFact): void {
    db.prepare(
      `INSERT INTO part (id, revision, assembly_id, name, kind, material, number, condition, gone)
        VALUES (@id, @revision, @assemblyId, @name, @kind, @material, @number, @condition, @gone)`,
    ).run(marked(row));
  },
  update(db: Db, row: PartFact): void {
    db.prepare(
      `UPDATE part SET revision = @revision, assembly_id = @assemblyId, name = @name, kind = @kind, material = @material, number = @number,
        condition = @condition, gone = @gone WHERE id = @id`,
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM part WHERE id = ?').run(id);
  },
};
