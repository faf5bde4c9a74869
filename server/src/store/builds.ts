import type { Build, FitLeaf } from '@elder-cog/contract';
import type { Length } from '@elder-cog/core';
import type { Db } from './open.ts';

type BuildRow = Omit<Build, 'feel' | 'fits'> & { feel: string };
type FitRow = {
  id: string;
  buildId: string;
  placeId: string;
  state: string | null;
  partSaid: number;
  partId: string | null;
  turned: number | null;
  crushedSaid: number;
  crushed: Length | null;
  filmSaid: number;
  film: Length | null;
};
type LeafRow = FitLeaf & { fitId: string };

const COLUMNS = 'id, assembly_id AS assemblyId, parent_id AS parentId, stage, at, who, label, feel, note';
const BUILDS = `SELECT ${COLUMNS} FROM build WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY seq`;
const BY_ID = `SELECT ${COLUMNS} FROM build WHERE id = ?`;
const FIT_COLUMNS =
  'f.id, f.build_id AS buildId, f.place_id AS placeId, f.state, f.part_said AS partSaid, f.part_id AS partId, f.turned, f.crushed_said AS crushedSaid, f.crushed_nm AS crushed, f.film_said AS filmSaid, f.film_nm AS film';
const FITS = `SELECT ${FIT_COLUMNS} FROM build_fit f
  JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id WHERE a.job_id = ? ORDER BY f.rowid`;
const FITS_OF_ONE = `SELECT ${FIT_COLUMNS} FROM build_fit f WHERE f.build_id = ? ORDER BY f.rowid`;
const LEAF_COLUMNS = 'l.build_fit_id AS fitId, l.lot_id AS lotId, l.thickness_nm AS thickness, l.written, l.unit, l.count';
const LEAVES = `SELECT ${LEAF_COLUMNS} FROM build_leaf l
  JOIN build_fit f ON f.id = l.build_fit_id JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id
  WHERE a.job_id = ? ORDER BY l.build_fit_id, l.position`;
const LEAVES_OF_ONE = `SELECT ${LEAF_COLUMNS} FROM build_leaf l JOIN build_fit f ON f.id = l.build_fit_id
  WHERE f.build_id = ? ORDER BY l.build_fit_id, l.position`;

function groupBy<Row>(rows: readonly Row[], key: (row: Row) => string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const group = groups.get(key(row));
    if (group) group.push(row);
    else groups.set(key(row), [row]);
  }
  return groups;
}

const whole = (row: BuildRow, fits: readonly FitRow[], leaves: ReadonlyMap<string, readonly LeafRow[]>): Build => ({
  ...row,
  feel: JSON.parse(row.feel) as string[],
  fits: fits.map(({ id, placeId, state, partSaid, partId, turned, crushedSaid, crushed, filmSaid, film }) => ({
    id,
    placeId,
    state,
    ...(partSaid === 1 ? { partId } : {}),
    ...(turned === null ? {} : { turned: turned === 1 }),
    ...(crushedSaid === 1 ? { crushed } : {}),
    ...(filmSaid === 1 ? { film } : {}),
    leaves: (leaves.get(id) ?? []).map(({ lotId, thickness, written, unit, count }) => ({ lotId, thickness, written, unit, count })),
  })),
});

export const builds = {
  ofJob(db: Db, jobId: string): Build[] {
    const leaves = groupBy(db.prepare<[string], LeafRow>(LEAVES).all(jobId), (leaf) => leaf.fitId);
    const fits = groupBy(db.prepare<[string], FitRow>(FITS).all(jobId), (fit) => fit.buildId);
    return db
      .prepare<[string], BuildRow>(BUILDS)
      .all(jobId)
      .map((row) => whole(row, fits.get(row.id) ?? [], leaves));
  },
  byId(db: Db, id: string): Build | null {
    const row = db.prepare<[string], BuildRow>(BY_ID).get(id);
    if (!row) return null;
    const leaves = groupBy(db.prepare<[string], LeafRow>(LEAVES_OF_ONE).all(id), (leaf) => leaf.fitId);
    const fits = db.prepare<[string], FitRow>(FITS_OF_ONE).all(id);
    return whole(row, fits, leaves);
  },
  insert(db: Db, build: Build): void {
    db.prepare(
      'INSERT INTO build (id, assembly_id, parent_id, stage, at, who, label, feel, note, seq) VALUES (@id, @assemblyId, @parentId, @stage, @at, @who, @label, @feel, @note, (SELECT coalesce(max(seq), 0) + 1 FROM build))',
    ).run({ ...build, feel: JSON.stringify(build.feel) });
    const fit = db.prepare(
      'INSERT INTO build_fit (id, build_id, place_id, state, part_said, part_id, turned, crushed_said, crushed_nm, film_said, film_nm) VALUES (@id, @buildId, @placeId, @state, @partSaid, @partId, @turned, @crushedSaid, @crushed, @filmSaid, @film)',
    );
    const leaf = db.prepare(
      'INSERT INTO build_leaf (build_fit_id, position, lot_id, thickness_nm, written, unit, count) VALUES (@fitId, @position, @lotId, @thickness, @written, @unit, @count)',
    );
    for (const { id, placeId, state, leaves, partId, turned, crushed, film } of build.fits) {
      const said = { partSaid: partId === undefined ? 0 : 1, partId: partId ?? null, turned: turned === undefined ? null : Number(turned) };
      const joint = {
        crushedSaid: Number(crushed !== undefined),
        crushed: crushed ?? null,
        filmSaid: Number(film !== undefined),
        film: film ?? null,
      };
      fit.run({ id, buildId: build.id, placeId, state, ...said, ...joint });
      leaves.forEach((each, position) => leaf.run({ ...each, fitId: id, position }));
    }
  },
};
