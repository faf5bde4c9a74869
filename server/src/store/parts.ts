import type { PartFact } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<PartFact, 'turned' | 'faces' | 'gone'> & { gone: number; turned: number; faces: string };

const fromRow = (row: Row): PartFact => fromMarked({ ...row, turned: row.turned === 1, faces: JSON.parse(row.faces) as PartFact['faces'] });
const toRow = (row: PartFact): Row => marked({ ...row, turned: row.turned ? 1 : 0, faces: JSON.stringify(row.faces) });

const COLUMNS = 'id, revision, shaft_id AS shaftId, role, name, kind, material, turned, faces, gone';

export const parts = {
  ofJob: (db: Db, jobId: string): PartFact[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM part WHERE shaft_id IN (SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): PartFact | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM part WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: PartFact): void {
    db.prepare(
      'INSERT INTO part (id, revision, shaft_id, role, name, kind, material, turned, faces, gone) VALUES (@id, @revision, @shaftId, @role, @name, @kind, @material, @turned, @faces, @gone)',
    ).run(toRow(row));
  },
  update(db: Db, row: PartFact): void {
    db.prepare(
      'UPDATE part SET revision = @revision, shaft_id = @shaftId, role = @role, name = @name, kind = @kind, material = @material, turned = @turned, faces = @faces, gone = @gone WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM part WHERE id = ?').run(id);
  },
};
