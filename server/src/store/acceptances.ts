import type { Acceptance } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, station_id AS stationId, kind, value_nm AS value, reason, who, at';

export const acceptances = {
  ofJob: (db: Db, jobId: string): Acceptance[] =>
    db
      .prepare<[string], Acceptance>(
        `SELECT ${COLUMNS} FROM acceptance WHERE station_id IN (SELECT t.id FROM station t LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id)
          WHERE a.job_id = ?) ORDER BY seq`,
      )
      .all(jobId),
  byId: (db: Db, id: string): Acceptance | null => db.prepare<[string], Acceptance>(`SELECT ${COLUMNS} FROM acceptance WHERE id = ?`).get(id) ?? null,
  insert(db: Db, row: Acceptance): void {
    db.prepare(
      'INSERT INTO acceptance (id, station_id, kind, value_nm, reason, who, at, seq) VALUES (@id, @stationId, @kind, @value, @reason, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM acceptance))',
    ).run(row);
  },
};
