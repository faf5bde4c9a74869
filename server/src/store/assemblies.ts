import type { Assembly } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Assembly, 'cameApart' | 'gone'> & { gone: number; cameApart: number };

const fromRow = (row: Row): Assembly => fromMarked({ ...row, cameApart: row.cameApart === 1 });
const toRow = (row: Assembly): Row => marked({ ...row, cameApart: row.cameApart ? 1 : 0 });

const COLUMNS = 'id, revision, job_id AS jobId, name, kind, position, mirror_of AS mirrorOf, came_apart AS cameApart, gone';

export const assemblies = {
  ofJob: (db: Db, jobId: string): Assembly[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM assembly WHERE job_id = ? ORDER BY rowid`).all(jobId).map(fromRow),
  byId(db: Db, id: string): Assembly | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM assembly WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Assembly): void {
    db.prepare(
      'INSERT INTO assembly (id, revision, job_id, name, kind, position, mirror_of, came_apart, gone) VALUES (@id, @revision, @jobId, @name, @kind, @position, @mirrorOf, @cameApart, @gone)',
    ).run(toRow(row));
  },
  update(db: Db, row: Assembly): void {
    db.prepare(
      'UPDATE assembly SET revision = @revision, job_id = @jobId, name = @name, kind = @kind, position = @position, mirror_of = @mirrorOf, came_apart = @cameApart, gone = @gone WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM assembly WHERE id = ?').run(id);
  },
};
