import type { Inspection } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<Inspection, 'cleaned' | 'findings'> & { cleaned: number; findings: string };

const fromRow = (row: Row): Inspection => ({
  ...row,
  cleaned: row.cleaned === 1,
  findings: JSON.parse(row.findings) as Inspection['findings'],
});

const COLUMNS = 'id, job_id AS jobId, station_id AS stationId, part, part_type AS partType, cleaned, findings, proposed, decision, reason, who, at';

export const inspections = {
  ofJob: (db: Db, jobId: string): Inspection[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM inspection WHERE job_id = ? ORDER BY seq`).all(jobId).map(fromRow),
  byId(db: Db, id: string): Inspection | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM inspection WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Inspection): void {
    db.prepare(
      `INSERT INTO inspection (id, job_id, station_id, part, part_type, cleaned, findings, proposed, decision, reason, who, at, seq)
      VALUES (@id, @jobId, @stationId, @part, @partType, @cleaned, @findings, @proposed, @decision, @reason, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM inspection))`,
    ).run({ ...row, cleaned: row.cleaned ? 1 : 0, findings: JSON.stringify(row.findings) });
  },
};
