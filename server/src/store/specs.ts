import type { Spec } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Spec, 'min' | 'max' | 'leftOut' | 'gone'> & {
  gone: number;
  minNm: number | null;
  maxNm: number | null;
  minSi: number | null;
  maxSi: number | null;
  leftOut: number;
};

const fromRow = ({ minNm, maxNm, minSi, maxSi, leftOut, ...row }: Row): Spec =>
  fromMarked({
    ...row,
    min: row.quantity === 'length' ? minNm : minSi,
    max: row.quantity === 'length' ? maxNm : maxSi,
    leftOut: leftOut === 1,
  });
const toRow = ({ min, max, leftOut, ...row }: Spec): Row =>
  marked({
    ...row,
    minNm: row.quantity === 'length' ? min : null,
    maxNm: row.quantity === 'length' ? max : null,
    minSi: row.quantity === 'length' ? null : min,
    maxSi: row.quantity === 'length' ? null : max,
    leftOut: leftOut ? 1 : 0,
  });

const COLUMNS = `id, revision, job_id AS jobId, position, text, name, quantity, min_nm AS minNm, max_nm AS maxNm, min_si AS minSi, max_si AS maxSi,
  unit, written, remark, source, page_or_whom AS pageOrWhom, said_at AS saidAt, station_id AS stationId, left_out AS leftOut, who, at, gone`;

export const specs = {
  ofJob: (db: Db, jobId: string): Spec[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM spec WHERE job_id = ? ORDER BY position, rowid`).all(jobId).map(fromRow),
  byId(db: Db, id: string): Spec | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM spec WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Spec): void {
    db.prepare(
      `INSERT INTO spec (id, revision, job_id, position, text, name, quantity, min_nm, max_nm, min_si, max_si, unit, written, remark, source,
        page_or_whom, said_at, station_id, left_out, who, at, gone)
      VALUES (@id, @revision, @jobId, @position, @text, @name, @quantity, @minNm, @maxNm, @minSi, @maxSi, @unit, @written, @remark, @source,
        @pageOrWhom, @saidAt, @stationId, @leftOut, @who, @at, @gone)`,
    ).run(toRow(row));
  },
  update(db: Db, row: Spec): void {
    db.prepare(
      `UPDATE spec SET revision = @revision, position = @position, text = @text, name = @name, quantity = @quantity, min_nm = @minNm, max_nm = @maxNm,
        min_si = @minSi, max_si = @maxSi, unit = @unit, written = @written, remark = @remark, source = @source, page_or_whom = @pageOrWhom,
        said_at = @saidAt, station_id = @stationId, left_out = @leftOut, gone = @gone WHERE id = @id`,
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM spec WHERE id = ?').run(id);
  },
};
