import type { FaceFact, PlaceFact, Wants } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Row = Omit<PlaceFact, 'turned' | 'faces' | 'gone' | 'wants'> & { gone: number; turned: number; wants: string | null };
type FaceRow = FaceFact & { placeId: string };

const COLUMNS =
  'id, revision, shaft_id AS shaftId, role, name, kind, position, takes, sits, part_id AS partId, turned, proportion_nm AS proportion, gone, wants';
const FACE_COLUMNS = 'f.id, f.place_id AS placeId, f.role, f.side, f.inner_nm AS inner, f.outer_nm AS outer';
const FACES_OF_ONE = `SELECT ${FACE_COLUMNS} FROM face f WHERE f.place_id = ? ORDER BY f.position`;
const FACES = `SELECT ${FACE_COLUMNS} FROM face f JOIN place p ON p.id = f.place_id JOIN shaft s ON s.id = p.shaft_id
  JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ? ORDER BY f.place_id, f.position`;
const SHAFT_OF = `SELECT p.shaft_id AS shaftId, a.job_id AS jobId FROM face f JOIN place p ON p.id = f.place_id JOIN shaft s ON s.id = p.shaft_id
  JOIN assembly a ON a.id = s.assembly_id WHERE f.id = ? AND p.gone = 0`;

const whole = ({ wants, ...row }: Row, faces: readonly FaceRow[]): PlaceFact =>
  fromMarked({
    ...row,
    turned: row.turned === 1,
    faces: faces.map(({ id, role, side, inner, outer }) => ({ id, role, side, inner, outer })),
    ...(wants === null ? {} : { wants: JSON.parse(wants) as Wants }),
  });

const columnsOf = ({ faces: _, wants, ...row }: PlaceFact): object =>
  marked({ ...row, turned: row.turned ? 1 : 0, wants: wants === undefined ? null : JSON.stringify(wants) });

function putFaces(db: Db, { id: placeId, faces }: PlaceFact): void {
  const put = db.prepare(
    `INSERT INTO face (id, place_id, position, role, side, inner_nm, outer_nm) VALUES (@id, @placeId, @position, @role, @side, @inner, @outer)
      ON CONFLICT (id) DO UPDATE SET position = @position, role = @role, side = @side, inner_nm = @inner, outer_nm = @outer`,
  );
  faces.forEach((face, position) => put.run({ ...face, placeId, position }));
}

/** Where something sits, with its faces. */
export const places = {
  ofJob(db: Db, jobId: string): PlaceFact[] {
    const faces = new Map<string, FaceRow[]>();
    for (const face of db.prepare<[string], FaceRow>(FACES).all(jobId)) {
      const of = faces.get(face.placeId);
      if (of) of.push(face);
      else faces.set(face.placeId, [face]);
    }
    return db
      .prepare<[string], Row>(
        `SELECT ${COLUMNS} FROM place WHERE shaft_id IN (SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ?) ORDER BY rowid`,
      )
      .all(jobId)
      .map((row) => whole(row, faces.get(row.id) ?? []));
  },
  byId(db: Db, id: string): PlaceFact | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM place WHERE id = ?`).get(id);
    return row ? whole(row, db.prepare<[string], FaceRow>(FACES_OF_ONE).all(id)) : null;
  },
  /** The shaft and the job of a face; null where there is no such face. */
  ofFace: (db: Db, faceId: string): { shaftId: string; jobId: string } | null =>
    db.prepare<[string], { shaftId: string; jobId: string }>(SHAFT_OF).get(faceId) ?? null,
  insert(db: Db, row: PlaceFact): void {
    db.prepare(
      `INSERT INTO place (id, revision, shaft_id, role, name, kind, position, takes, sits, part_id, turned, proportion_nm, gone, wants)
        VALUES (@id, @revision, @shaftId, @role, @name, @kind, @position, @takes, @sits, @partId, @turned, @proportion, @gone, @wants)`,
    ).run(columnsOf(row));
    putFaces(db, row);
  },
  /** Its faces may be given other bands; none leaves it, for a contact may name it. */
  update(db: Db, row: PlaceFact): void {
    db.prepare(
      `UPDATE place SET revision = @revision, shaft_id = @shaftId, role = @role, name = @name, kind = @kind, position = @position, takes = @takes,
        sits = @sits, part_id = @partId, turned = @turned, proportion_nm = @proportion, gone = @gone, wants = @wants WHERE id = @id`,
    ).run(columnsOf(row));
    putFaces(db, row);
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM face WHERE place_id = ?').run(id);
    db.prepare('DELETE FROM place WHERE id = ?').run(id);
  },
};
