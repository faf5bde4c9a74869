import type { Build, FitLeaf, Tightening } from '@elder-cog/contract';
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
  another: number;
  turn: number | null;
};
type TighteningRow = Omit<Tightening, 'isSlave'> & { fitId: string; isSlave: number };
type LeafRow = FitLeaf & { fitId: string };

const COLUMNS = 'id, assembly_id AS assemblyId, parent_id AS parentId, stage, at, who, label, feel, note';
const BUILDS = `SELECT ${COLUMNS} FROM build WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY seq`;
const BY_ID = `SELECT ${COLUMNS} FROM build WHERE id = ?`;
const FIT_COLUMNS =
  'f.id, f.build_id AS buildId, f.place_id AS placeId, f.state, f.part_said AS partSaid, f.part_id AS partId, f.turned, f.crushed_said AS crushedSaid, f.crushed_nm AS crushed, f.film_said AS filmSaid, f.film_nm AS film, f.another, f.turn';
const FITS = `SELECT ${FIT_COLUMNS} FROM build_fit f
  JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id WHERE a.job_id = ? ORDER BY f.rowid`;
const FITS_OF_ONE = `SELECT ${FIT_COLUMNS} FROM build_fit f WHERE f.build_id = ? ORDER BY f.rowid`;
const LEAF_COLUMNS = 'l.build_fit_id AS fitId, l.lot_id AS lotId, l.thickness_nm AS thickness, l.written, l.unit, l.count';
const LEAVES = `SELECT ${LEAF_COLUMNS} FROM build_leaf l
  JOIN build_fit f ON f.id = l.build_fit_id JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id
  WHERE a.job_id = ? ORDER BY l.build_fit_id, l.position`;
const LEAVES_OF_ONE = `SELECT ${LEAF_COLUMNS} FROM build_leaf l JOIN build_fit f ON f.id = l.build_fit_id
  WHERE f.build_id = ? ORDER BY l.build_fit_id, l.position`;
const TIGHTENED = 'SELECT t.build_fit_id AS fitId, t.bolts, t.torque_si AS torque, t.written, t.degrees, t.is_slave AS isSlave FROM tightening t';
const TIGHTENINGS = `${TIGHTENED} JOIN build_fit f ON f.id = t.build_fit_id JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id
  WHERE a.job_id = ? ORDER BY t.build_fit_id, t.position`;
const TIGHTENINGS_OF_ONE = `${TIGHTENED} JOIN build_fit f ON f.id = t.build_fit_id WHERE f.build_id = ? ORDER BY t.build_fit_id, t.position`;

function groupBy<Row>(rows: readonly Row[], key: (row: Row) => string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const group = groups.get(key(row));
    if (group) group.push(row);
    else groups.set(key(row), [row]);
  }
  return groups;
}

/** What lies under a fit, by its id: its leaves, and what was tightened. */
interface Under {
  readonly leaves: ReadonlyMap<string, readonly LeafRow[]>;
  readonly tightened: ReadonlyMap<string, readonly TighteningRow[]>;
}

const under = (leaves: readonly LeafRow[], tightened: readonly TighteningRow[]): Under => ({
  leaves: groupBy(leaves, (leaf) => leaf.fitId),
  tightened: groupBy(tightened, (line) => line.fitId),
});

const whole = (row: BuildRow, fits: readonly FitRow[], within: Under): Build => ({
  ...row,
  feel: JSON.parse(row.feel) as string[],
  fits: fits.map((fit) => wholeFit(fit, within)),
});

function wholeFit(row: FitRow, { leaves, tightened }: Under): Build['fits'][number] {
  const { id, placeId, state, partSaid, partId, turned, crushedSaid, crushed, filmSaid, film, another, turn } = row;
  const lines = tightened.get(id);
  return {
    id,
    placeId,
    state,
    ...(partSaid === 1 ? { partId } : {}),
    ...(turned === null ? {} : { turned: turned === 1 }),
    ...(crushedSaid === 1 ? { crushed } : {}),
    ...(filmSaid === 1 ? { film } : {}),
    ...(lines
      ? {
          tightened: lines.map(({ bolts, torque, written, degrees, isSlave }) => ({ bolts, torque, written, degrees, isSlave: isSlave === 1 })),
        }
      : {}),
    ...(another === 1 ? { another: true } : {}),
    ...(turn === null ? {} : { turn }),
    leaves: (leaves.get(id) ?? []).map(({ lotId, thickness, written, unit, count }) => ({ lotId, thickness, written, unit, count })),
  };
}

export const builds = {
  ofJob(db: Db, jobId: string): Build[] {
    const within = under(db.prepare<[string], LeafRow>(LEAVES).all(jobId), db.prepare<[string], TighteningRow>(TIGHTENINGS).all(jobId));
    const fits = groupBy(db.prepare<[string], FitRow>(FITS).all(jobId), (fit) => fit.buildId);
    return db
      .prepare<[string], BuildRow>(BUILDS)
      .all(jobId)
      .map((row) => whole(row, fits.get(row.id) ?? [], within));
  },
  byId(db: Db, id: string): Build | null {
    const row = db.prepare<[string], BuildRow>(BY_ID).get(id);
    if (!row) return null;
    const within = under(db.prepare<[string], LeafRow>(LEAVES_OF_ONE).all(id), db.prepare<[string], TighteningRow>(TIGHTENINGS_OF_ONE).all(id));
    const fits = db.prepare<[string], FitRow>(FITS_OF_ONE).all(id);
    return whole(row, fits, within);
  },
  insert(db: Db, build: Build): void {
    db.prepare(
      'INSERT INTO build (id, assembly_id, parent_id, stage, at, who, label, feel, note, seq) VALUES (@id, @assemblyId, @parentId, @stage, @at, @who, @label, @feel, @note, (SELECT coalesce(max(seq), 0) + 1 FROM build))',
    ).run({ ...build, feel: JSON.stringify(build.feel) });
    const fit = db.prepare(
      'INSERT INTO build_fit (id, build_id, place_id, state, part_said, part_id, turned, crushed_said, crushed_nm, film_said, film_nm, another, turn) VALUES (@id, @buildId, @placeId, @state, @partSaid, @partId, @turned, @crushedSaid, @crushed, @filmSaid, @film, @another, @turn)',
    );
    const leaf = db.prepare(
      'INSERT INTO build_leaf (build_fit_id, position, lot_id, thickness_nm, written, unit, count) VALUES (@fitId, @position, @lotId, @thickness, @written, @unit, @count)',
    );
    const tighten = db.prepare(
      'INSERT INTO tightening (build_fit_id, position, bolts, torque_si, written, degrees, is_slave) VALUES (@fitId, @position, @bolts, @torque, @written, @degrees, @isSlave)',
    );
    for (const { id, placeId, state, leaves, partId, turned, crushed, film, tightened = [], another, turn } of build.fits) {
      const said = { partSaid: partId === undefined ? 0 : 1, partId: partId ?? null, turned: turned === undefined ? null : Number(turned) };
      const joint = {
        crushedSaid: Number(crushed !== undefined),
        crushed: crushed ?? null,
        filmSaid: Number(film !== undefined),
        film: film ?? null,
      };
      fit.run({ id, buildId: build.id, placeId, state, ...said, ...joint, another: Number(another === true), turn: turn ?? null });
      leaves.forEach((each, position) => leaf.run({ ...each, fitId: id, position }));
      tightened.forEach((each, position) => tighten.run({ ...each, isSlave: Number(each.isSlave), fitId: id, position }));
    }
  },
};
