import type { Acceptance } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<Acceptance, 'torque'> & { readonly torque: number | null };

const fromRow = ({ torque, ...row }: Row): Acceptance => ({ ...row, ...(torque === null ? {} : { torque }) });

const COLUMNS = 'id, station_id AS stationId, kind, value_nm AS value, value_si AS torque, reason, who, at';

export const acceptances = {
  ofJob: (db: Db, jobId: string): Acceptance[] =>
    db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM acceptance WHERE station_id IN (SELECT t.id FROM station t LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id)
          WHERE a.job_id = ?) ORDER BY seq`,
      )
      .all(jobId)
      .map(fromRow),
  byId(db: Db, id: string): Acceptance | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM acceptance WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Acceptance): void {
    db.prepare(
      'INSERT INTO acceptance (id, station_id, kind, value_nm, value_si, reason, who, at, seq) VALUES (@id, @stationId, @kind, @value, @torque, @reason, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM acceptance))',
    ).run({ ...row, torque: row.torque ?? null });
  },
};
