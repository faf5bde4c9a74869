import type { Stock } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Stock, 'gone' | 'canBuy'> & { readonly gone: number; readonly canBuy: number };

const COLUMNS =
  'id, revision, gone, form, material, thickness_nm AS thickness, width_nm AS width, outside_nm AS outside, bore_nm AS bore, length_nm AS length, written, unit, owned, can_buy AS canBuy, kept_in AS keptIn, note';

const fromRow = (row: Row): Stock => ({ ...fromMarked(row), canBuy: row.canBuy === 1 });
const toRow = (row: Stock): object => ({ ...marked(row), canBuy: row.canBuy ? 1 : 0 });

export const stocks = {
  all: (db: Db): Stock[] =>
    db.prepare<[], Row>(`SELECT ${COLUMNS} FROM stock ORDER BY form, coalesce(thickness_nm, outside_nm), id`).all().map(fromRow),
  byId(db: Db, id: string): Stock | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM stock WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Stock): void {
    db.prepare(
      'INSERT INTO stock (id, revision, gone, form, material, thickness_nm, width_nm, outside_nm, bore_nm, length_nm, written, unit, owned, can_buy, kept_in, note) VALUES (@id, @revision, @gone, @form, @material, @thickness, @width, @outside, @bore, @length, @written, @unit, @owned, @canBuy, @keptIn, @note)',
    ).run(toRow(row));
  },
  update(db: Db, row: Stock): void {
    db.prepare(
      'UPDATE stock SET revision = @revision, gone = @gone, form = @form, material = @material, thickness_nm = @thickness, width_nm = @width, outside_nm = @outside, bore_nm = @bore, length_nm = @length, written = @written, unit = @unit, owned = @owned, can_buy = @canBuy, kept_in = @keptIn, note = @note WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM stock WHERE id = ?').run(id);
  },
};
