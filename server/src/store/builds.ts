import type { Build, FitLeaf } from '@elder-cog/contract';
import type { Db } from './open.ts';

type BuildRow = Omit<Build, 'feel' | 'fits'> & { feel: string };
type FitRow = { id: string; buildId: string; slotId: string; state: string | null };
type LeafRow = FitLeaf & { fitId: string };

const BUILDS = `SELECT id, assembly_id AS assemblyId, parent_id AS parentId, stage, at, who, label, feel, note FROM build
  WHERE assembly_id IN (SELECT id FROM assembly WHERE job_id = ?) ORDER BY at, rowid`;
const FITS = `SELECT f.id, f.build_id AS buildId, f.slot_id AS slotId, f.state FROM build_fit f
  JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id WHERE a.job_id = ? ORDER BY f.rowid`;
const LEAVES = `SELECT l.build_fit_id AS fitId, l.lot_id AS lotId, l.thickness_nm AS thickness, l.written, l.unit, l.count FROM build_leaf l
  JOIN build_fit f ON f.id = l.build_fit_id JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id
  WHERE a.job_id = ? ORDER BY l.build_fit_id, l.position`;

function groupBy<Row>(rows: readonly Row[], key: (row: Row) => string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) groups.set(key(row), [...(groups.get(key(row)) ?? []), row]);
  return groups;
}

export const builds = {
  ofJob(db: Db, jobId: string): Build[] {
    const leaves = groupBy(db.prepare<[string], LeafRow>(LEAVES).all(jobId), (leaf) => leaf.fitId);
    const fits = groupBy(db.prepare<[string], FitRow>(FITS).all(jobId), (fit) => fit.buildId);
    return db
      .prepare<[string], BuildRow>(BUILDS)
      .all(jobId)
      .map((row) => ({
        ...row,
        feel: JSON.parse(row.feel) as string[],
        fits: (fits.get(row.id) ?? []).map(({ id, slotId, state }) => ({
          id,
          slotId,
          state,
          leaves: (leaves.get(id) ?? []).map(({ lotId, thickness, written, unit, count }) => ({ lotId, thickness, written, unit, count })),
        })),
      }));
  },
  byId: (db: Db, id: string): { id: string } | null => db.prepare<[string], { id: string }>('SELECT id FROM build WHERE id = ?').get(id) ?? null,
  insert(db: Db, build: Build): void {
    db.prepare(
      'INSERT INTO build (id, assembly_id, parent_id, stage, at, who, label, feel, note) VALUES (@id, @assemblyId, @parentId, @stage, @at, @who, @label, @feel, @note)',
    ).run({ ...build, feel: JSON.stringify(build.feel) });
    const fit = db.prepare('INSERT INTO build_fit (id, build_id, slot_id, state) VALUES (@id, @buildId, @slotId, @state)');
    const leaf = db.prepare(
      'INSERT INTO build_leaf (build_fit_id, position, lot_id, thickness_nm, written, unit, count) VALUES (@fitId, @position, @lotId, @thickness, @written, @unit, @count)',
    );
    for (const { id, slotId, state, leaves } of build.fits) {
      fit.run({ id, buildId: build.id, slotId, state });
      leaves.forEach((each, position) => leaf.run({ ...each, fitId: id, position }));
    }
  },
};
