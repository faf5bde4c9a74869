import type { Feel } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'f.id, f.build_id AS buildId, f.word, f.who, f.at';

export const feels = {
  ofJob: (db: Db, jobId: string): Feel[] =>
    db
      .prepare<[string], Feel>(
        `SELECT ${COLUMNS} FROM feel f JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id WHERE a.job_id = ? ORDER BY f.seq`,
      )
      .all(jobId),
  byId: (db: Db, id: string): Feel | null => db.prepare<[string], Feel>(`SELECT ${COLUMNS} FROM feel f WHERE f.id = ?`).get(id) ?? null,
  insert(db: Db, row: Feel): void {
    db.prepare(
      'INSERT INTO feel (id, build_id, word, who, at, seq) VALUES (@id, @buildId, @word, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM feel))',
    ).run(row);
  },
};
