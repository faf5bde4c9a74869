import type { Station } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<Station, 'aim' | 'instrument'> & { aim: string; instrument: string | null };

const fromRow = (row: Row): Station => ({
  ...row,
  aim: JSON.parse(row.aim) as Station['aim'],
  instrument: row.instrument === null ? null : (JSON.parse(row.instrument) as Station['instrument']),
});
const toRow = (row: Station): Row => ({
  ...row,
  aim: JSON.stringify(row.aim),
  instrument: row.instrument === null ? null : JSON.stringify(row.instrument),
});

const COLUMNS =
  'id, revision, shaft_id AS shaftId, subject, quantity, more_is AS moreIs, role, name, position, contact_role AS contactRole, bore_id AS boreId, journal_id AS journalId, new_nm AS newSize, rule, aim, method, instrument';

export const stations = {
  ofJob: (db: Db, jobId: string): Station[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM station WHERE shaft_id IN (SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): Station | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM station WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Station): void {
    db.prepare(
      'INSERT INTO station (id, revision, shaft_id, subject, quantity, more_is, role, name, position, contact_role, bore_id, journal_id, new_nm, rule, aim, method, instrument) VALUES (@id, @revision, @shaftId, @subject, @quantity, @moreIs, @role, @name, @position, @contactRole, @boreId, @journalId, @newSize, @rule, @aim, @method, @instrument)',
    ).run(toRow(row));
  },
  update(db: Db, row: Station): void {
    db.prepare(
      'UPDATE station SET revision = @revision, shaft_id = @shaftId, subject = @subject, quantity = @quantity, more_is = @moreIs, role = @role, name = @name, position = @position, contact_role = @contactRole, bore_id = @boreId, journal_id = @journalId, new_nm = @newSize, rule = @rule, aim = @aim, method = @method, instrument = @instrument WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM station WHERE id = ?').run(id);
  },
};
