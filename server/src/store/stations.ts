import type { Station } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<Station, 'aim' | 'instrument' | 'gone' | 'assemblyId' | 'reads' | 'wrench' | 'seal'> & {
  assemblyId: string | null;
  reads: string | null;
  aim: string;
  instrument: string | null;
  wrench: string | null;
  seal: number | null;
  gone: 0 | 1;
};

const fromRow = ({ assemblyId, wrench, seal, ...row }: Row): Station => ({
  ...row,
  ...(assemblyId === null ? {} : { assemblyId }),
  reads: row.reads === null ? null : (JSON.parse(row.reads) as Station['reads']),
  aim: JSON.parse(row.aim) as Station['aim'],
  instrument: row.instrument === null ? null : (JSON.parse(row.instrument) as Station['instrument']),
  ...(wrench === null ? {} : { wrench: JSON.parse(wrench) as NonNullable<Station['wrench']> }),
  ...(seal === null ? {} : { seal }),
  gone: row.gone === 1,
});
const toRow = (row: Station): Row => ({
  ...row,
  assemblyId: row.assemblyId ?? null,
  reads: row.reads === null ? null : JSON.stringify(row.reads),
  aim: JSON.stringify(row.aim),
  instrument: row.instrument === null ? null : JSON.stringify(row.instrument),
  wrench: row.wrench === undefined ? null : JSON.stringify(row.wrench),
  seal: row.seal ?? null,
  gone: row.gone ? 1 : 0,
});

const COLUMNS =
  'id, revision, shaft_id AS shaftId, assembly_id AS assemblyId, subject, quantity, more_is AS moreIs, role, name, position, reads, bore_id AS boreId, journal_id AS journalId, new_nm AS newSize, rule, aim, method, instrument, wrench, seal_si AS seal, gone';

const STANDS = `NOT EXISTS (SELECT 1 FROM withdrawal w WHERE w.of_id = o.id AND w.of_kind <> 'withdrawal'
  AND NOT EXISTS (SELECT 1 FROM withdrawal u WHERE u.of_id = w.id AND u.of_kind = 'withdrawal'))`;
const OBSERVED = `SELECT count(*) AS every, coalesce(sum(${STANDS}), 0) AS standing FROM (SELECT id FROM reading WHERE station_id = @id
  UNION ALL SELECT id FROM inspection WHERE station_id = @id UNION ALL SELECT id FROM acceptance WHERE station_id = @id) o`;

export const stations = {
  ofJob: (db: Db, jobId: string): Station[] =>
    db
      .prepare<{ jobId: string }, Row>(
        `SELECT ${COLUMNS} FROM station WHERE shaft_id IN (SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = @jobId)
          OR assembly_id IN (SELECT id FROM assembly WHERE job_id = @jobId) ORDER BY rowid`,
      )
      .all({ jobId })
      .map(fromRow),
  byId(db: Db, id: string): Station | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM station WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Station): void {
    db.prepare(
      'INSERT INTO station (id, revision, shaft_id, assembly_id, subject, quantity, more_is, role, name, position, reads, bore_id, journal_id, new_nm, rule, aim, method, instrument, wrench, seal_si, gone) VALUES (@id, @revision, @shaftId, @assemblyId, @subject, @quantity, @moreIs, @role, @name, @position, @reads, @boreId, @journalId, @newSize, @rule, @aim, @method, @instrument, @wrench, @seal, @gone)',
    ).run(toRow(row));
  },
  update(db: Db, row: Station): void {
    db.prepare(
      'UPDATE station SET revision = @revision, shaft_id = @shaftId, assembly_id = @assemblyId, subject = @subject, quantity = @quantity, more_is = @moreIs, role = @role, name = @name, position = @position, reads = @reads, bore_id = @boreId, journal_id = @journalId, new_nm = @newSize, rule = @rule, aim = @aim, method = @method, instrument = @instrument, wrench = @wrench, seal_si = @seal, gone = @gone WHERE id = @id',
    ).run(toRow(row));
  },
  /** What was ever observed of it: how much in all, and how much of that stands. */
  observed: (db: Db, id: string): { every: number; standing: number } =>
    db.prepare<{ id: string }, { every: number; standing: number }>(OBSERVED).get({ id }) ?? { every: 0, standing: 0 },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM station WHERE id = ?').run(id);
  },
};
