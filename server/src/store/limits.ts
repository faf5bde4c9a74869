import type { Limit } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Torque = NonNullable<Limit['torque']>;
type Row = Omit<Limit, 'inUse' | 'gone' | 'nominal' | 'torque' | 'conditions'> & {
  gone: number;
  inUse: number;
  nominal: Limit['nominal'] | null;
  minSi: number | null;
  maxSi: number | null;
  nominalSi: number | null;
  siUnit: Torque['unit'] | null;
  conditions: string | null;
};

const fromRow = ({ nominal, minSi, maxSi, nominalSi, siUnit, conditions, ...row }: Row): Limit =>
  fromMarked({
    ...row,
    inUse: row.inUse === 1,
    ...(nominal === null || nominal === undefined ? {} : { nominal }),
    ...(siUnit === null ? {} : { torque: { min: minSi, max: maxSi, ...(nominalSi === null ? {} : { nominal: nominalSi }), unit: siUnit } }),
    ...(conditions === null ? {} : { conditions: JSON.parse(conditions) as NonNullable<Limit['conditions']> }),
  });
const toRow = ({ torque, conditions, ...row }: Limit): Row =>
  marked({
    ...row,
    nominal: row.nominal ?? null,
    minSi: torque?.min ?? null,
    maxSi: torque?.max ?? null,
    nominalSi: torque?.nominal ?? null,
    siUnit: torque?.unit ?? null,
    conditions: conditions === undefined ? null : JSON.stringify(conditions),
    inUse: row.inUse ? 1 : 0,
  });

const COLUMNS =
  'id, revision, station_id AS stationId, min_nm AS min, max_nm AS max, nominal_nm AS nominal, min_si AS minSi, max_si AS maxSi, nominal_si AS nominalSi, si_unit AS siUnit, conditions, written, unit, source, page_or_whom AS pageOrWhom, said_at AS saidAt, working, spec_id AS specId, in_use AS inUse, gone';

export const limits = {
  ofJob: (db: Db, jobId: string): Limit[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM limits WHERE station_id IN (SELECT t.id FROM station t LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map(fromRow),
  ofStation: (db: Db, stationId: string): Limit[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM limits WHERE station_id = ?`).all(stationId).map(fromRow),
  byId(db: Db, id: string): Limit | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM limits WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Limit): void {
    db.prepare(
      'INSERT INTO limits (id, revision, station_id, min_nm, max_nm, nominal_nm, min_si, max_si, nominal_si, si_unit, conditions, written, unit, source, page_or_whom, said_at, working, spec_id, in_use, gone) VALUES (@id, @revision, @stationId, @min, @max, @nominal, @minSi, @maxSi, @nominalSi, @siUnit, @conditions, @written, @unit, @source, @pageOrWhom, @saidAt, @working, @specId, @inUse, @gone)',
    ).run(toRow(row));
  },
  update(db: Db, row: Limit): void {
    db.prepare(
      'UPDATE limits SET revision = @revision, station_id = @stationId, min_nm = @min, max_nm = @max, nominal_nm = @nominal, min_si = @minSi, max_si = @maxSi, nominal_si = @nominalSi, si_unit = @siUnit, conditions = @conditions, written = @written, unit = @unit, source = @source, page_or_whom = @pageOrWhom, said_at = @saidAt, working = @working, spec_id = @specId, in_use = @inUse, gone = @gone WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM limits WHERE id = ?').run(id);
  },
};
