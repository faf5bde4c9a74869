import type { RollerCount } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<RollerCount, 'snug'> & { readonly snug: number | null };

const COLUMNS = 'c.id, c.rollers_id AS rollersId, c.build_id AS buildId, c.way, c.count, c.spacers, c.snug, c.note, c.who, c.at';

const fromRow = ({ snug, ...row }: Row): RollerCount => ({ ...row, snug: snug === null ? null : snug === 1 });

export const rollerCounts = {
  ofJob: (db: Db, jobId: string): RollerCount[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM roller_count c JOIN rollers r ON r.id = c.rollers_id JOIN assembly a ON a.id = r.assembly_id WHERE a.job_id = ? ORDER BY c.seq`,
      )
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): RollerCount | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM roller_count c WHERE c.id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: RollerCount): void {
    db.prepare(
      'INSERT INTO roller_count (id, rollers_id, build_id, way, count, spacers, snug, note, who, at, seq) VALUES (@id, @rollersId, @buildId, @way, @count, @spacers, @snug, @note, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM roller_count))',
    ).run({ ...row, snug: row.snug === null ? null : Number(row.snug) });
  },
};
