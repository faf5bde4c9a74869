import type { Closing } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, station_id AS stationId, reading_id AS readingId, who, at';

export const closings = {
  ofJob: (db: Db, jobId: string): Closing[] =>
    db
      .prepare<[string], Closing>(
        `SELECT ${COLUMNS} FROM closing WHERE station_id IN (SELECT t.id FROM station t LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id)
          WHERE a.job_id = ?) ORDER BY seq`,
      )
      .all(jobId),
  byId: (db: Db, id: string): Closing | null => db.prepare<[string], Closing>(`SELECT ${COLUMNS} FROM closing WHERE id = ?`).get(id) ?? null,
  ofStation: (db: Db, stationId: string): Closing[] =>
    db.prepare<[string], Closing>(`SELECT ${COLUMNS} FROM closing WHERE station_id = ? ORDER BY seq`).all(stationId),
  insert(db: Db, row: Closing): void {
    db.prepare(
      'INSERT INTO closing (id, station_id, reading_id, who, at, seq) VALUES (@id, @stationId, @readingId, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM closing))',
    ).run(row);
  },
};
