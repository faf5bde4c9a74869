import type { PartFact } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<PartFact, 'gone' | 'isReadAgain'> & { gone: number; isReadAgain: number };

const COLUMNS = 'id, revision, assembly_id AS assemblyId, name, kind, material, number, is_read_again AS isReadAgain, condition, gone';

const fromRow = ({ isReadAgain, ...row }: Row): PartFact => ({ ...fromMarked(row), ...(isReadAgain === 1 ? { isReadAgain: true } : {}) });
const toRow = (part: PartFact): Row => ({ ...marked(part), isReadAgain: Number(part.isReadAgain === true) });

/** Things with an identity of their own, wherever they sit. */
export const parts = {
  ofJob: (db: Db, jobId: string): PartFact[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM part WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY rowid`)
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): PartFact | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM part WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: PartFact): void {
    db.prepare(
      `INSERT INTO part (id, revision, assembly_id, name, kind, material, number, is_read_again, condition, gone)
        VALUES (@id, @revision, @assemblyId, @name, @kind, @material, @number, @isReadAgain, @condition, @gone)`,
    ).run(toRow(row));
  },
  update(db: Db, row: PartFact): void {
    db.prepare(
      `UPDATE part SET revision = @revision, assembly_id = @assemblyId, name = @name, kind = @kind, material = @material, number = @number,
        is_read_again = @isReadAgain, condition = @condition, gone = @gone WHERE id = @id`,
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM part WHERE id = ?').run(id);
  },
};
