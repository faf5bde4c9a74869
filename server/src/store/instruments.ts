import type { InstrumentCheck, OwnInstrument } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<OwnInstrument, 'gone' | 'instrument' | 'checks'> & { readonly gone: number; readonly instrument: string };
type CheckRow = InstrumentCheck & { readonly instrumentId: string };

const COLUMNS = 'id, revision, gone, instrument, kept_in AS keptIn, note';
const CHECKS = 'SELECT instrument_id AS instrumentId, at, who, against, off_nm AS off, written FROM instrument_check';

const whole = (row: Row, checks: readonly CheckRow[]): OwnInstrument => ({
  ...fromMarked(row),
  instrument: JSON.parse(row.instrument) as OwnInstrument['instrument'],
  checks: checks.filter((c) => c.instrumentId === row.id).map(({ at, who, against, off, written }) => ({ at, who, against, off, written })),
});

function putChecks(db: Db, { id, checks }: OwnInstrument): void {
  const put = db.prepare(
    'INSERT INTO instrument_check (instrument_id, position, at, who, against, off_nm, written) VALUES (@id, @position, @at, @who, @against, @off, @written)',
  );
  checks.forEach((check, position) => put.run({ id, position, ...check }));
}

const takeChecks = (db: Db, id: string): unknown => db.prepare('DELETE FROM instrument_check WHERE instrument_id = ?').run(id);

export const instruments = {
  all(db: Db): OwnInstrument[] {
    const checks = db.prepare<[], CheckRow>(`${CHECKS} ORDER BY instrument_id, position`).all();
    return db
      .prepare<[], Row>(`SELECT ${COLUMNS} FROM instrument ORDER BY json_extract(instrument, '$.name'), id`)
      .all()
      .map((row) => whole(row, checks));
  },
  byId(db: Db, id: string): OwnInstrument | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM instrument WHERE id = ?`).get(id);
    return row ? whole(row, db.prepare<[string], CheckRow>(`${CHECKS} WHERE instrument_id = ? ORDER BY position`).all(id)) : null;
  },
  insert(db: Db, row: OwnInstrument): void {
    db.prepare(
      'INSERT INTO instrument (id, revision, gone, instrument, kept_in, note) VALUES (@id, @revision, @gone, @instrument, @keptIn, @note)',
    ).run({ ...marked(row), instrument: JSON.stringify(row.instrument) });
    putChecks(db, row);
  },
  update(db: Db, row: OwnInstrument): void {
    db.prepare(
      'UPDATE instrument SET revision = @revision, gone = @gone, instrument = @instrument, kept_in = @keptIn, note = @note WHERE id = @id',
    ).run({ ...marked(row), instrument: JSON.stringify(row.instrument) });
    takeChecks(db, row.id);
    putChecks(db, row);
  },
  remove(db: Db, id: string): void {
    takeChecks(db, id);
    db.prepare('DELETE FROM instrument WHERE id = ?').run(id);
  },
};
