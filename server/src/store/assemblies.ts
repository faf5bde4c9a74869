import type { Assembly } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, revision, job_id AS jobId, name, kind, position, mirror_of AS mirrorOf';

export const assemblies = {
  ofJob: (db: Db, jobId: string): Assembly[] =>
    db.prepare<[string], Assembly>(`SELECT ${COLUMNS} FROM assembly WHERE job_id = ? ORDER BY position, id`).all(jobId),
  byId(db: Db, id: string): Assembly | null {
    const row = db.prepare<[string], Assembly>(`SELECT ${COLUMNS} FROM assembly WHERE id = ?`).get(id);
    return row ? row : null;
  },
  insert(db: Db, row: Assembly): void {
    db.prepare(
      'INSERT INTO assembly (id, revision, job_id, name, kind, position, mirror_of) VALUES (@id, @revision, @jobId, @name, @kind, @position, @mirrorOf)',
    ).run(row);
  },
  update(db: Db, row: Assembly): void {
    db.prepare(
      'UPDATE assembly SET revision = @revision, job_id = @jobId, name = @name, kind = @kind, position = @position, mirror_of = @mirrorOf WHERE id = @id',
    ).run(row);
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM assembly WHERE id = ?').run(id);
  },
};
