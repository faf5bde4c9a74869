import type { Lot } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Lot, 'gone'> & { gone: number };

const COLUMNS = 'id, revision, thickness_nm AS thickness, written, unit, owned, material, kept_in AS keptIn, note, gone';

export const lots = {
  all: (db: Db): Lot[] => db.prepare<[], Row>(`SELECT ${COLUMNS} FROM lot ORDER BY thickness_nm, id`).all().map(fromMarked),
  byId(db: Db, id: string): Lot | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM lot WHERE id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: Lot): void {
    db.prepare(
      'INSERT INTO lot (id, revision, thickness_nm, written, unit, owned, material, kept_in, note, gone) VALUES (@id, @revision, @thickness, @written, @unit, @owned, @material, @keptIn, @note, @gone)',
    ).run(marked(row));
  },
  update(db: Db, row: Lot): void {
    db.prepare(
      'UPDATE lot SET revision = @revision, owned = @owned, material = @material, kept_in = @keptIn, note = @note, gone = @gone WHERE id = @id',
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM lot WHERE id = ?').run(id);
  },
};
