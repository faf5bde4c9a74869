import type { ContactFact } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<ContactFact, 'gone'> & { gone: number };

const COLUMNS = 'id, shaft_id AS shaftId, role, face_a AS a, face_b AS b, kind, name, gone';

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
      'INSERT INTO contact (id, shaft_id, role, face_a, face_b, kind, name, gone) VALUES (@id, @shaftId, @role, @a, @b, @kind, @name, @gone)',
    ).run(marked(row));
  },
  update(db: Db, row: ContactFact): void {
    db.prepare(
      'UPDATE contact SET shaft_id = @shaftId, role = @role, face_a = @a, face_b = @b, kind = @kind, name = @name, gone = @gone WHERE id = @id',
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM contact WHERE id = ?').run(id);
  },
};
