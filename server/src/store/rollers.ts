import type { Rollers } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<Rollers, 'gone'> & { readonly gone: number };

const COLUMNS =
  'r.id, r.revision, r.gone, r.assembly_id AS assemblyId, r.place_id AS placeId, r.name, r.track_inner_nm AS trackInner, r.track_outer_nm AS trackOuter, r.diameter_nm AS diameter, r.length_nm AS length, r.track_length_nm AS trackLength, r.row_count AS rows, r.spacers, r.note';

export const rollerSets = {
  ofJob: (db: Db, jobId: string): Rollers[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM rollers r JOIN assembly a ON a.id = r.assembly_id WHERE a.job_id = ? ORDER BY r.seq`)
      .all(jobId)
      .map(fromMarked),
  byId(db: Db, id: string): Rollers | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM rollers r WHERE r.id = ?`).get(id);
    return row ? fromMarked(row) : null;
  },
  insert(db: Db, row: Rollers): void {
    db.prepare(
      'INSERT INTO rollers (id, revision, gone, assembly_id, place_id, name, track_inner_nm, track_outer_nm, diameter_nm, length_nm, track_length_nm, row_count, spacers, note, seq) VALUES (@id, @revision, @gone, @assemblyId, @placeId, @name, @trackInner, @trackOuter, @diameter, @length, @trackLength, @rows, @spacers, @note, (SELECT coalesce(max(seq), 0) + 1 FROM rollers))',
    ).run(marked(row));
  },
  update(db: Db, row: Rollers): void {
    db.prepare(
      'UPDATE rollers SET revision = @revision, gone = @gone, place_id = @placeId, name = @name, track_inner_nm = @trackInner, track_outer_nm = @trackOuter, diameter_nm = @diameter, length_nm = @length, track_length_nm = @trackLength, row_count = @rows, spacers = @spacers, note = @note WHERE id = @id',
    ).run(marked(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM rollers WHERE id = ?').run(id);
  },
};
