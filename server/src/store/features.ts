import type { Feature } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Feature, 'gone'> & { gone: number };

const COLUMNS =
  'id, revision, shaft_id AS shaftId, part_role AS partRole, role, name, from_face AS fromFace, to_face AS toFace, size_nm AS size, gone';

export const features = {
  ofJob: (db: Db, jobId: string): Feature[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM feature WHERE shaft_id IN (SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map(fromMarked),
  byId(db: Db, id: string): Feature | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM feature WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: Feature): void {
    db.prepare(
      'INSERT INTO feature (id, revision, shaft_id, part_role, role, name, from_face, to_face, size_nm, gone) VALUES (@id, @revision, @shaftId, @partRole, @role, @name, @fromFace, @toFace, @size, @gone)',
    ).run(marked(row));
  },
  update(db: Db, row: Feature): void {
    db.prepare(
      'UPDATE feature SET revision = @revision, shaft_id = @shaftId, part_role = @partRole, role = @role, name = @name, from_face = @fromFace, to_face = @toFace, size_nm = @size, gone = @gone WHERE id = @id',
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM feature WHERE id = ?').run(id);
  },
};
