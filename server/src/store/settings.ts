import type { Criterion, Setting } from '@elder-cog/contract';
import type { Db } from './open.ts';

type Row = Omit<Setting, 'criteria' | 'gone'> & { readonly gone: number };

type CriterionRow = Omit<Criterion, 'isCeiling'> & { readonly isCeiling: number };

const COLUMNS = 's.id, s.revision, s.assembly_id AS assemblyId, s.name, s.gone';
const CRITERIA = 'SELECT station_id AS stationId, group_no AS "group", is_ceiling AS isCeiling FROM criterion WHERE setting_id = ? ORDER BY position';

const whole = (db: Db, row: Row): Setting => ({
  ...row,
  criteria: db
    .prepare<[string], CriterionRow>(CRITERIA)
    .all(row.id)
    .map(({ isCeiling, ...of }) => ({ ...of, ...(isCeiling === 1 ? { isCeiling: true as const } : {}) })),
  gone: row.gone === 1,
});

function putCriteria(db: Db, { id, criteria }: Setting): void {
  const put = db.prepare(
    'INSERT INTO criterion (setting_id, position, station_id, group_no, is_ceiling) VALUES (@id, @position, @stationId, @group, @isCeiling)',
  );
  criteria.forEach(({ stationId, group, isCeiling }, position) => put.run({ id, position, stationId, group, isCeiling: Number(isCeiling === true) }));
}

const dropCriteria = (db: Db, id: string): unknown => db.prepare('DELETE FROM criterion WHERE setting_id = ?').run(id);

export const settings = {
  ofJob: (db: Db, jobId: string): Setting[] =>
    db
      .prepare<[string], Row>(`SELECT ${COLUMNS} FROM setting s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = ? ORDER BY s.rowid`)
      .all(jobId)
      .map((row) => whole(db, row)),
  byId(db: Db, id: string): Setting | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM setting s WHERE s.id = ?`).get(id);
    return row ? whole(db, row) : null;
  },
  insert(db: Db, row: Setting): void {
    db.prepare('INSERT INTO setting (id, revision, assembly_id, name, gone) VALUES (@id, @revision, @assemblyId, @name, @gone)').run({
      ...row,
      gone: Number(row.gone),
    });
    putCriteria(db, row);
  },
  update(db: Db, row: Setting): void {
    db.prepare('UPDATE setting SET revision = @revision, name = @name, gone = @gone WHERE id = @id').run({ ...row, gone: Number(row.gone) });
    dropCriteria(db, row.id);
    putCriteria(db, row);
  },
  remove(db: Db, id: string): void {
    dropCriteria(db, id);
    db.prepare('DELETE FROM setting WHERE id = ?').run(id);
  },
};
