import type { Withdrawal } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, of_kind AS ofKind, of_id AS ofId, who, at, why';

export const withdrawals = {
  ofJob: (db: Db, jobId: string): Withdrawal[] =>
    db
      .prepare<[{ job: string }], Withdrawal>(
        `SELECT ${COLUMNS} FROM withdrawal WHERE of_id IN (
    SELECT r.id FROM reading r JOIN station t ON t.id = r.station_id JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = @job
    UNION SELECT b.id FROM build b JOIN assembly a ON a.id = b.assembly_id WHERE a.job_id = @job
  ) OR of_kind = 'withdrawal' ORDER BY at, rowid`,
      )
      .all({ job: jobId }),
  byId(db: Db, id: string): Withdrawal | null {
    const row = db.prepare<[string], Withdrawal>(`SELECT ${COLUMNS} FROM withdrawal WHERE id = ?`).get(id);
    return row ? row : null;
  },
  insert(db: Db, row: Withdrawal): void {
    db.prepare('INSERT INTO withdrawal (id, of_kind, of_id, who, at, why) VALUES (@id, @ofKind, @ofId, @who, @at, @why)').run(row);
  },
};
