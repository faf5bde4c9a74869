import type { ReadingFact } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<ReadingFact, 'raw' | 'keptAs'> & { raw: string; keptAs: string };

const fromRow = (row: Row): ReadingFact => ({
  ...row,
  raw: JSON.parse(row.raw) as ReadingFact['raw'],
  keptAs: JSON.parse(row.keptAs) as ReadingFact['keptAs'],
});
const toRow = (row: ReadingFact): Row => ({ ...row, raw: JSON.stringify(row.raw), keptAs: JSON.stringify(row.keptAs) });

const COLUMNS = 'id, station_id AS stationId, build_id AS buildId, raw, who, taken_at AS takenAt, supersedes, kept_as AS keptAs';

export const readings = {
  ofJob: (db: Db, jobId: string): ReadingFact[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM reading WHERE station_id IN (SELECT t.id FROM station t LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE a.job_id = ?) ORDER BY seq`,
      )
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): ReadingFact | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM reading WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: ReadingFact): void {
    db.prepare(
      'INSERT INTO reading (id, station_id, build_id, method, raw, who, taken_at, supersedes, kept_as, seq) VALUES (@id, @stationId, @buildId, @method, @raw, @who, @takenAt, @supersedes, @keptAs, (SELECT coalesce(max(seq), 0) + 1 FROM reading))',
    ).run({ ...toRow(row), method: row.raw.method });
  },
};
