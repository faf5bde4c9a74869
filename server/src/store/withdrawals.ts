import type { Withdrawal } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, of_kind AS ofKind, of_id AS ofId, who, at, why';

export const withdrawals = {
  ofJob: (db: Db, jobId: string): Withdrawal[] =>
    db
      .prepare<[{ job: string }], Withdrawal>(
        `WITH RECURSIVE observed(id) AS (
    SELECT r.id FROM reading r JOIN station t ON t.id = r.station_id LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE a.job_id = @job
    UNION SELECT b.id FROM build b JOIN assembly a ON a.id = b.assembly_id WHERE a.job_id = @job
    UNION SELECT e.id FROM strip_entry e JOIN assembly a ON a.id = e.assembly_id WHERE a.job_id = @job
    UNION SELECT id FROM inspection WHERE job_id = @job
    UNION SELECT c.id FROM acceptance c JOIN station t ON t.id = c.station_id LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE a.job_id = @job
    UNION SELECT id FROM photo WHERE job_id = @job
    UNION SELECT f.id FROM feel f JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id WHERE a.job_id = @job
    UNION SELECT x.id FROM temporary_thing x JOIN assembly a ON a.id = x.assembly_id WHERE a.job_id = @job
    UNION SELECT m.id FROM removal m JOIN station t ON t.id = m.station_id LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE a.job_id = @job
    UNION SELECT c.id FROM closing c JOIN station t ON t.id = c.station_id LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE a.job_id = @job
    UNION SELECT p.id FROM making_pass p JOIN making m ON m.id = p.making_id WHERE m.job_id = @job
    UNION SELECT p.id FROM pull p JOIN joint j ON j.id = p.joint_id JOIN assembly a ON a.id = j.assembly_id WHERE a.job_id = @job
    UNION SELECT c.id FROM roller_count c JOIN rollers r ON r.id = c.rollers_id JOIN assembly a ON a.id = r.assembly_id WHERE a.job_id = @job
    UNION SELECT h.id FROM heating h JOIN fitting f ON f.id = h.fitting_id WHERE f.job_id = @job
    UNION SELECT w.id FROM withdrawal w JOIN observed o ON w.of_id = o.id
  ) SELECT ${COLUMNS} FROM withdrawal WHERE of_id IN (SELECT id FROM observed) ORDER BY seq`,
      )
      .all({ job: jobId }),
  byId(db: Db, id: string): Withdrawal | null {
    const row = db.prepare<[string], Withdrawal>(`SELECT ${COLUMNS} FROM withdrawal WHERE id = ?`).get(id);
    return row ? row : null;
  },
  insert(db: Db, row: Withdrawal): void {
    db.prepare(
      'INSERT INTO withdrawal (id, of_kind, of_id, who, at, why, seq) VALUES (@id, @ofKind, @ofId, @who, @at, @why, (SELECT coalesce(max(seq), 0) + 1 FROM withdrawal))',
    ).run(row);
  },
};
