import type { Lot } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, revision, thickness_nm AS thickness, written, unit, owned, material, kept_in AS keptIn, note';

export const lots = {
  all: (db: Db): Lot[] => db.prepare<[], Lot>(`SELECT ${COLUMNS} FROM lot ORDER BY thickness_nm, id`).all(),
  byId: (db: Db, id: string): Lot | null => db.prepare<[string], Lot>(`SELECT ${COLUMNS} FROM lot WHERE id = ?`).get(id) ?? null,
  insert(db: Db, row: Lot): void {
    db.prepare(
      'INSERT INTO lot (id, revision, thickness_nm, written, unit, owned, material, kept_in, note) VALUES (@id, @revision, @thickness, @written, @unit, @owned, @material, @keptIn, @note)',
    ).run(row);
  },
  update(db: Db, row: Lot): void {
    db.prepare('UPDATE lot SET revision = @revision, owned = @owned, material = @material, kept_in = @keptIn, note = @note WHERE id = @id').run(row);
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM lot WHERE id = ?').run(id);
  },
};
