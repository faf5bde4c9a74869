import type { ContactFact } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<ContactFact, 'gone'> & { gone: number };

const COLUMNS = 'id, revision, shaft_id AS shaftId, role, name, face_a AS a, face_b AS b, kind, stand_id AS standId, fastener_id AS fastenerId, gone';

/** What two faces do to each other. */
export const contacts = {
  ofJob: (db: Db, jobId: string): ContactFact[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM contact WHERE shaft_id IN (SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map(fromMarked),
  byId(db: Db, id: string): ContactFact | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM contact WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: ContactFact): void {
    db.prepare(
      `INSERT INTO contact (id, revision, shaft_id, role, name, face_a, face_b, kind, stand_id, fastener_id, gone)
        VALUES (@id, @revision, @shaftId, @role, @name, @a, @b, @kind, @standId, @fastenerId, @gone)`,
    ).run(marked(row));
  },
  update(db: Db, row: ContactFact): void {
    db.prepare(
      `UPDATE contact SET revision = @revision, shaft_id = @shaftId, role = @role, name = @name, face_a = @a, face_b = @b, kind = @kind,
        stand_id = @standId, fastener_id = @fastenerId, gone = @gone WHERE id = @id`,
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM contact WHERE id = ?').run(id);
  },
};
