import type { Pull } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS =
  'p.id, p.joint_id AS jointId, p.build_id AS buildId, p.round, p.hole, p.torque_si AS torque, p.degrees, p.written, p.after_reading AS after, p.who, p.at';

export const pulls = {
  ofJob: (db: Db, jobId: string): Pull[] =>
    db
      .prepare<[string], Pull>(
        `SELECT ${COLUMNS} FROM pull p JOIN joint j ON j.id = p.joint_id JOIN assembly a ON a.id = j.assembly_id WHERE a.job_id = ? ORDER BY p.seq`,
      )
      .all(jobId),
  byId: (db: Db, id: string): Pull | null => db.prepare<[string], Pull>(`SELECT ${COLUMNS} FROM pull p WHERE p.id = ?`).get(id) ?? null,
  insert(db: Db, row: Pull): void {
    db.prepare(
      'INSERT INTO pull (id, joint_id, build_id, round, hole, torque_si, degrees, written, after_reading, who, at, seq) VALUES (@id, @jointId, @buildId, @round, @hole, @torque, @degrees, @written, @after, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM pull))',
    ).run(row);
  },
};
