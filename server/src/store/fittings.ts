import type { Fitting } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Fitting, 'gone' | 'outer' | 'inner' | 'clearance'> & {
  readonly gone: number;
  readonly outer: string;
  readonly inner: string;
  readonly clearance: string | null;
};

const COLUMNS =
  'id, revision, gone, job_id AS jobId, name, outer_part AS outer, inner_part AS inner, length_nm AS length, journal_nm AS journal, clearance, ease_nm AS ease, ambient, humidity, heating, working, note';

const fromRow = ({ outer, inner, clearance, ...row }: Row): Fitting => ({
  ...fromMarked(row),
  outer: JSON.parse(outer) as Fitting['outer'],
  inner: JSON.parse(inner) as Fitting['inner'],
  clearance: clearance === null ? null : (JSON.parse(clearance) as Fitting['clearance']),
});
const toRow = ({ outer, inner, clearance, ...row }: Fitting): object => ({
  ...marked(row),
  outer: JSON.stringify(outer),
  inner: JSON.stringify(inner),
  clearance: clearance && JSON.stringify(clearance),
});

export const fittings = {
  ofJob: (db: Db, jobId: string): Fitting[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM fitting WHERE job_id = ? ORDER BY seq`).all(jobId).map(fromRow),
  byId(db: Db, id: string): Fitting | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM fitting WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Fitting): void {
    db.prepare(
      'INSERT INTO fitting (id, revision, gone, job_id, name, outer_part, inner_part, length_nm, journal_nm, clearance, ease_nm, ambient, humidity, heating, working, note, seq) VALUES (@id, @revision, @gone, @jobId, @name, @outer, @inner, @length, @journal, @clearance, @ease, @ambient, @humidity, @heating, @working, @note, (SELECT coalesce(max(seq), 0) + 1 FROM fitting))',
    ).run(toRow(row));
  },
  update(db: Db, row: Fitting): void {
    db.prepare(
      'UPDATE fitting SET revision = @revision, gone = @gone, name = @name, outer_part = @outer, inner_part = @inner, length_nm = @length, journal_nm = @journal, clearance = @clearance, ease_nm = @ease, ambient = @ambient, humidity = @humidity, heating = @heating, working = @working, note = @note WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM fitting WHERE id = ?').run(id);
  },
};
