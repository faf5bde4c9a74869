import type { HeatingGo } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<HeatingGo, 'isHome'> & { readonly isHome: number | null };

const COLUMNS = 'h.id, h.fitting_id AS fittingId, h.outer_c AS outer, h.inner_c AS inner, h.went, h.is_home AS isHome, h.note, h.who, h.at';

const fromRow = ({ isHome, ...row }: Row): HeatingGo => ({ ...row, isHome: isHome === null ? null : isHome === 1 });

export const heatings = {
  ofJob: (db: Db, jobId: string): HeatingGo[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM heating h JOIN fitting f ON f.id = h.fitting_id WHERE f.job_id = ? ORDER BY h.seq`)
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): HeatingGo | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM heating h WHERE h.id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: HeatingGo): void {
    db.prepare(
      'INSERT INTO heating (id, fitting_id, outer_c, inner_c, went, is_home, note, who, at, seq) VALUES (@id, @fittingId, @outer, @inner, @went, @isHome, @note, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM heating))',
    ).run({ ...row, isHome: row.isHome === null ? null : row.isHome ? 1 : 0 });
  },
};
