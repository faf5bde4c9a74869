import type { Joint } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Joint, 'gone' | 'lock' | 'rounds' | 'order' | 'adjusts'> & {
  readonly gone: number;
  readonly lock: string;
  readonly adjusts: number;
  readonly rounds: string;
  readonly order: string;
};

const COLUMNS =
  'j.id, j.revision, j.gone, j.assembly_id AS assemblyId, j.place_id AS placeId, j.strip_id AS stripId, j.name, j.shape, j.holes, j.thread, j.major_nm AS major, j.pitch_nm AS pitch, j.hand, j.grade, j.dressing, j.lock, j.adjusts, j.rounds, j.pull_order AS "order", j.note';

const fromRow = ({ lock, adjusts, rounds, order, ...row }: Row): Joint => ({
  ...fromMarked(row),
  lock: JSON.parse(lock) as Joint['lock'],
  adjusts: adjusts === 1,
  rounds: JSON.parse(rounds) as Joint['rounds'],
  order: JSON.parse(order) as Joint['order'],
});

const toRow = ({ lock, adjusts, rounds, order, ...row }: Joint): object => ({
  ...marked(row),
  lock: JSON.stringify(lock),
  adjusts: Number(adjusts),
  rounds: JSON.stringify(rounds),
  order: JSON.stringify(order),
});

export const joints = {
  ofJob: (db: Db, jobId: string): Joint[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM joint j JOIN assembly a ON a.id = j.assembly_id WHERE a.job_id = ? ORDER BY j.seq`)
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): Joint | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM joint j WHERE j.id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Joint): void {
    db.prepare(
      'INSERT INTO joint (id, revision, gone, assembly_id, place_id, strip_id, name, shape, holes, thread, major_nm, pitch_nm, hand, grade, dressing, lock, adjusts, rounds, pull_order, note, seq) VALUES (@id, @revision, @gone, @assemblyId, @placeId, @stripId, @name, @shape, @holes, @thread, @major, @pitch, @hand, @grade, @dressing, @lock, @adjusts, @rounds, @order, @note, (SELECT coalesce(max(seq), 0) + 1 FROM joint))',
    ).run(toRow(row));
  },
  update(db: Db, row: Joint): void {
    db.prepare(
      'UPDATE joint SET revision = @revision, gone = @gone, place_id = @placeId, strip_id = @stripId, name = @name, shape = @shape, holes = @holes, thread = @thread, major_nm = @major, pitch_nm = @pitch, hand = @hand, grade = @grade, dressing = @dressing, lock = @lock, adjusts = @adjusts, rounds = @rounds, pull_order = @order, note = @note WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM joint WHERE id = ?').run(id);
  },
};
