import type { Slot } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Slot, 'gone'> & { gone: number };

const COLUMNS = 'id, shaft_id AS shaftId, role, name, kind, part_role AS partRole, place, gone';

export const slots = {
  ofJob: (db: Db, jobId: string): Slot[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM slot WHERE shaft_id IN (SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map(fromMarked),
  byId(db: Db, id: string): Slot | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM slot WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: Slot): void {
    db.prepare(
      'INSERT INTO slot (id, shaft_id, role, name, kind, part_role, place, gone) VALUES (@id, @shaftId, @role, @name, @kind, @partRole, @place, @gone)',
    ).run(marked(row));
  },
  update(db: Db, row: Slot): void {
    db.prepare(
      'UPDATE slot SET shaft_id = @shaftId, role = @role, name = @name, kind = @kind, part_role = @partRole, place = @place, gone = @gone WHERE id = @id',
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM slot WHERE id = ?').run(id);
  },
};
