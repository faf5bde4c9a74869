import type { Feature } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Feature, 'gone'> & { gone: number };

const COLUMNS =
  'id, revision, part_id AS partId, role, name, kind, from_face AS fromFace, to_face AS toFace, nominal_nm AS nominal, proportion_nm AS proportion, gone';

/** Sizes of parts, between the faces of the places they sit in. */
export const features = {
  ofJob: (db: Db, jobId: string): Feature[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM feature WHERE part_id IN (SELECT p.id FROM part p JOIN assembly a ON a.id = p.assembly_id WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map(fromMarked),
  byId(db: Db, id: string): Feature | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM feature WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: Feature): void {
    db.prepare(
      `INSERT INTO feature (id, revision, part_id, role, name, kind, from_face, to_face, nominal_nm, proportion_nm, gone)
        VALUES (@id, @revision, @partId, @role, @name, @kind, @fromFace, @toFace, @nominal, @proportion, @gone)`,
    ).run(marked(row));
  },
  update(db: Db, row: Feature): void {
    db.prepare(
      `UPDATE feature SET revision = @revision, part_id = @partId, role = @role, name = @name, kind = @kind, from_face = @fromFace, to_face = @toFace,
        nominal_nm = @nominal, proportion_nm = @proportion, gone = @gone WHERE id = @id`,
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM feature WHERE id = ?').run(id);
  },
};
