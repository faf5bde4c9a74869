import type { Lot } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Lot, 'gone' | 'bore' | 'outside' | 'tang' | 'crushed'> & {
  readonly gone: number;
  readonly bore: Lot['bore'] | null;
  readonly outside: Lot['outside'] | null;
  readonly tang: string | null;
  readonly crushed: Lot['crushed'] | null;
};

const COLUMNS =
  'id, revision, thickness_nm AS thickness, written, unit, owned, material, kept_in AS keptIn, note, gone, bore_nm AS bore, outside_nm AS outside, tang, crushed_nm AS crushed';

const fromRow = ({ bore, outside, tang, crushed, ...row }: Row): Lot => ({
  ...fromMarked(row),
  ...(bore === null ? {} : { bore }),
  ...(outside === null ? {} : { outside }),
  ...(tang === null ? {} : { tang }),
  ...(crushed === null ? {} : { crushed }),
});
const toRow = (row: Lot): object => ({
  ...marked(row),
  bore: row.bore ?? null,
  outside: row.outside ?? null,
  tang: row.tang ?? null,
  crushed: row.crushed ?? null,
});

export const lots = {
  all: (db: Db): Lot[] => db.prepare<[], Row>(`SELECT ${COLUMNS} FROM lot ORDER BY thickness_nm, id`).all().map(fromRow),
  byId(db: Db, id: string): Lot | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM lot WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Lot): void {
    db.prepare(
      'INSERT INTO lot (id, revision, thickness_nm, written, unit, owned, material, kept_in, note, gone, bore_nm, outside_nm, tang, crushed_nm) VALUES (@id, @revision, @thickness, @written, @unit, @owned, @material, @keptIn, @note, @gone, @bore, @outside, @tang, @crushed)',
    ).run(toRow(row));
  },
  update(db: Db, row: Lot): void {
    db.prepare(
      'UPDATE lot SET revision = @revision, owned = @owned, material = @material, kept_in = @keptIn, note = @note, gone = @gone, bore_nm = @bore, outside_nm = @outside, tang = @tang, crushed_nm = @crushed WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM lot WHERE id = ?').run(id);
  },
};
