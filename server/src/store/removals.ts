import type { Removal } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, station_id AS stationId, amount_nm AS amount, written, process, after_reading AS after, build_id AS buildId, who, at';

export const removals = {
  ofJob: (db: Db, jobId: string): Removal[] =>
    db
      .prepare<[string], Removal>(
        `SELECT ${COLUMNS} FROM removal WHERE station_id IN (SELECT t.id FROM station t LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id)
          WHERE a.job_id = ?) ORDER BY seq`,
      )
      .all(jobId),
  byId: (db: Db, id: string): Removal | null => db.prepare<[string], Removal>(`SELECT ${COLUMNS} FROM removal WHERE id = ?`).get(id) ?? null,
  insert(db: Db, row: Removal): void {
    db.prepare(
      'INSERT INTO removal (id, station_id, amount_nm, written, process, after_reading, build_id, who, at, seq) VALUES (@id, @stationId, @amount, @written, @process, @after, @buildId, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM removal))',
    ).run(row);
  },
};
