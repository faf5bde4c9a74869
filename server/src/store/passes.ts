import type { Pass } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<Pass, 'readings' | 'instrument'> & { readonly readings: string; readonly instrument: string | null };

const COLUMNS = 'p.id, p.making_id AS makingId, p.effort, p.readings, p.written, p.instrument, p.who, p.at';

const fromRow = ({ readings, instrument, ...row }: Row): Pass => ({
  ...row,
  readings: JSON.parse(readings) as Pass['readings'],
  instrument: instrument === null ? null : (JSON.parse(instrument) as Pass['instrument']),
});

export const passes = {
  ofJob: (db: Db, jobId: string): Pass[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM making_pass p JOIN making m ON m.id = p.making_id WHERE m.job_id = ? ORDER BY p.seq`)
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): Pass | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM making_pass p WHERE p.id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Pass): void {
    db.prepare(
      'INSERT INTO making_pass (id, making_id, effort, readings, written, instrument, who, at, seq) VALUES (@id, @makingId, @effort, @readings, @written, @instrument, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM making_pass))',
    ).run({ ...row, readings: JSON.stringify(row.readings), instrument: row.instrument && JSON.stringify(row.instrument) });
  },
};
