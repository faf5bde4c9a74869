import type { StripEntry } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<StripEntry, 'wayRound' | 'leaves' | 'bolts' | 'count' | 'inventory'> & {
  wayRound: string;
  leaves: string;
  bolts: string | null;
  count: string | null;
  inventory: number;
};

const fromRow = (row: Row): StripEntry => ({
  ...row,
  wayRound: JSON.parse(row.wayRound) as StripEntry['wayRound'],
  leaves: JSON.parse(row.leaves) as StripEntry['leaves'],
  bolts: row.bolts === null ? null : (JSON.parse(row.bolts) as StripEntry['bolts']),
  count: row.count === null ? null : (JSON.parse(row.count) as StripEntry['count']),
  inventory: row.inventory === 1,
});
const toRow = (row: StripEntry): Row => ({
  ...row,
  wayRound: JSON.stringify(row.wayRound),
  leaves: JSON.stringify(row.leaves),
  bolts: row.bolts === null ? null : JSON.stringify(row.bolts),
  count: row.count === null ? null : JSON.stringify(row.count),
  inventory: row.inventory ? 1 : 0,
});

const COLUMNS = `id, assembly_id AS assemblyId, shaft_id AS shaftId, supersedes, kind, text, part, way_round AS wayRound, side, size_nm AS size, written, unit,
  leaves, bolts, count, inventory, note, who, at`;

/** What came off, in order. */
export const strip = {
  ofJob: (db: Db, jobId: string): StripEntry[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM strip_entry WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY seq`)
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): StripEntry | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM strip_entry WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: StripEntry): void {
    db.prepare(
      `INSERT INTO strip_entry (id, assembly_id, shaft_id, supersedes, kind, text, part, way_round, side, size_nm, written, unit, leaves, bolts, count,
        inventory, note, who, at, seq)
      VALUES (@id, @assemblyId, @shaftId, @supersedes, @kind, @text, @part, @wayRound, @side, @size, @written, @unit, @leaves, @bolts, @count,
        @inventory, @note, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM strip_entry))`,
    ).run(toRow(row));
  },
};
