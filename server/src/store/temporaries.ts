import type { Temporary } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, assembly_id AS assemblyId, build_id AS buildId, what, count, out_of AS outOf, who, at';

export const temporaries = {
  ofJob: (db: Db, jobId: string): Temporary[] =>
    db
      .prepare<[string], Temporary>(
        `SELECT ${COLUMNS} FROM temporary_thing WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY seq`,
      )
      .all(jobId),
  byId: (db: Db, id: string): Temporary | null =>
    db.prepare<[string], Temporary>(`SELECT ${COLUMNS} FROM temporary_thing WHERE id = ?`).get(id) ?? null,
  insert(db: Db, row: Temporary): void {
    db.prepare(
      'INSERT INTO temporary_thing (id, assembly_id, build_id, what, count, out_of, who, at, seq) VALUES (@id, @assemblyId, @buildId, @what, @count, @outOf, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM temporary_thing))',
    ).run(row);
  },
};
