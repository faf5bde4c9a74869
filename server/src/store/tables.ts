import { factsOf, JOB_TABLES, OBSERVATIONS, type JobFacts, type JobTable, type RowOf, type TableName } from '@elder-cog/contract';
import { acceptances } from './acceptances.ts';
import { assemblies } from './assemblies.ts';
import { builds } from './builds.ts';
import { closings } from './closings.ts';
import { contacts } from './contacts.ts';
import { features } from './features.ts';
import { feels } from './feels.ts';
import { fittings } from './fittings.ts';
import { heatings } from './heatings.ts';
import { inspections } from './inspections.ts';
import { instruments } from './instruments.ts';
import { jobs } from './jobs.ts';
import { joints } from './joints.ts';
import { limits } from './limits.ts';
import { lookAlikes } from './lookAlikes.ts';
import { lots } from './lots.ts';
import { makings } from './makings.ts';
import { matchedSets } from './matchedSets.ts';
import type { Db } from './open.ts';
import { openItems } from './openItems.ts';
import { parts } from './parts.ts';
import { passes } from './passes.ts';
import { photos } from './photos.ts';
import { places } from './places.ts';
import { pulls } from './pulls.ts';
import { readings } from './readings.ts';
import { removals } from './removals.ts';
import { rollerCounts } from './rollerCounts.ts';
import { rollerSets } from './rollers.ts';
import { settings } from './settings.ts';
import { shafts } from './shafts.ts';
import { specs } from './specs.ts';
import { stations } from './stations.ts';
import { stocks } from './stock.ts';
import { strip } from './strip.ts';
import { temporaries } from './temporaries.ts';
import { withdrawals } from './withdrawals.ts';

/**
 * The one register of tables. For each: its plain SQL (the store), how a row of it hangs on a job, and where its rows are named.
 * Descriptions change and can be written back; observations are put down once, and withdrawn, never changed.
 */
interface Store<Row> {
  byId(db: Db, id: string): Row | null;
  insert(db: Db, row: Row): void;
}
interface DescriptionStore<Row> extends Store<Row> {
  update(db: Db, row: Row): void;
  remove(db: Db, id: string): void;
}
interface OfJob {
  ofJob(db: Db, jobId: string): unknown[];
}
interface Registered<T extends TableName> {
  readonly store: (T extends ObservationTable ? Store<RowOf[T]> : DescriptionStore<RowOf[T]>) & (T extends JobTable ? OfJob : object);
  /** the job of a row; '' for leaves, stock and instruments, which are the Drawer's */
  readonly jobOf: string;
  /** which rows of which table name a row of this one */
  readonly namedIn: readonly (readonly [table: TableName, sql: string])[];
}
export type ObservationTable = (typeof OBSERVATIONS)[number];
export type DescriptionTable = Exclude<TableName, ObservationTable>;

const PHOTOS_OF = 'SELECT id FROM photo WHERE of_id = ?';
const WITHDRAWN: readonly [TableName, string] = ['withdrawal', 'SELECT id FROM withdrawal WHERE of_id = ?'];

const REGISTER: { readonly [T in TableName]: Registered<T> } = {
  job: {
    store: jobs,
    jobOf: 'SELECT id AS job FROM job WHERE id = ?',
    namedIn: [
      ['assembly', 'SELECT id FROM assembly WHERE job_id = ?'],
      ['spec', 'SELECT id FROM spec WHERE job_id = ?'],
      ['inspection', 'SELECT id FROM inspection WHERE job_id = ?'],
      ['photo', 'SELECT id FROM photo WHERE job_id = ?'],
      ['lookAlike', 'SELECT id FROM look_alike WHERE job_id = ?'],
      ['matchedSet', 'SELECT id FROM matched_set WHERE job_id = ?'],
      ['openItem', 'SELECT id FROM open_item WHERE job_id = ?'],
      ['making', 'SELECT id FROM making WHERE job_id = ?'],
      ['fitting', 'SELECT id FROM fitting WHERE job_id = ?'],
    ],
  },
  assembly: {
    store: assemblies,
    jobOf: 'SELECT job_id AS job FROM assembly WHERE id = ?',
    namedIn: [
      ['shaft', 'SELECT id FROM shaft WHERE assembly_id = ?'],
      ['assembly', 'SELECT id FROM assembly WHERE mirror_of = ?'],
      ['part', 'SELECT id FROM part WHERE assembly_id = ?'],
      ['build', 'SELECT id FROM build WHERE assembly_id = ?'],
      ['strip', 'SELECT id FROM strip_entry WHERE assembly_id = ?'],
      ['temporary', 'SELECT id FROM temporary_thing WHERE assembly_id = ?'],
      ['station', 'SELECT id FROM station WHERE assembly_id = ?'],
      ['setting', 'SELECT id FROM setting WHERE assembly_id = ?'],
      ['joint', 'SELECT id FROM joint WHERE assembly_id = ?'],
      ['rollers', 'SELECT id FROM rollers WHERE assembly_id = ?'],
    ],
  },
  shaft: {
    store: shafts,
    jobOf: 'SELECT a.job_id AS job FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE s.id = ?',
    namedIn: [
      ['place', 'SELECT id FROM place WHERE shaft_id = ?'],
      ['contact', 'SELECT id FROM contact WHERE shaft_id = ?'],
      ['station', 'SELECT id FROM station WHERE shaft_id = ?'],
      ['strip', 'SELECT id FROM strip_entry WHERE shaft_id = ?'],
    ],
  },
  part: {
    store: parts,
    jobOf: 'SELECT a.job_id AS job FROM part p JOIN assembly a ON a.id = p.assembly_id WHERE p.id = ?',
    namedIn: [
      ['place', 'SELECT id FROM place WHERE part_id = ?'],
      ['feature', 'SELECT id FROM feature WHERE part_id = ?'],
      ['build', 'SELECT build_id AS id FROM build_fit WHERE part_id = ?'],
    ],
  },
  feature: {
    store: features,
    jobOf: 'SELECT a.job_id AS job FROM feature f JOIN part p ON p.id = f.part_id JOIN assembly a ON a.id = p.assembly_id WHERE f.id = ?',
    namedIn: [
      ['contact', 'SELECT id FROM contact WHERE stand_id = ?'],
      ['station', `SELECT id FROM station WHERE json_extract(reads, '$.feature') = ?`],
    ],
  },
  contact: {
    store: contacts,
    jobOf: 'SELECT a.job_id AS job FROM contact c JOIN shaft s ON s.id = c.shaft_id JOIN assembly a ON a.id = s.assembly_id WHERE c.id = ?',
    namedIn: [
      [
        'station',
        `SELECT t.id FROM contact c JOIN station t ON t.shaft_id = c.shaft_id JOIN json_each(t.reads, '$.contacts') r ON r.value = c.id WHERE c.id = ?`,
      ],
    ],
  },
  place: {
    store: places,
    jobOf: 'SELECT a.job_id AS job FROM place p JOIN shaft s ON s.id = p.shaft_id JOIN assembly a ON a.id = s.assembly_id WHERE p.id = ?',
    namedIn: [
      ['build', 'SELECT build_id AS id FROM build_fit WHERE place_id = ?'],
      ['contact', 'SELECT id FROM contact WHERE fastener_id = ?'],
      ['making', 'SELECT id FROM making WHERE place_id = ?'],
      ['joint', 'SELECT id FROM joint WHERE place_id = ?'],
      ['rollers', 'SELECT id FROM rollers WHERE place_id = ?'],
      ['contact', 'SELECT c.id FROM face f JOIN contact c ON c.face_a = f.id OR c.face_b = f.id WHERE f.place_id = ?'],
      ['feature', 'SELECT x.id FROM face f JOIN feature x ON x.from_face = f.id OR x.to_face = f.id WHERE f.place_id = ?'],
      [
        'station',
        `SELECT t.id FROM face f JOIN station t ON f.id IN (json_extract(t.reads, '$.from'), json_extract(t.reads, '$.to')) WHERE f.place_id = ?`,
      ],
    ],
  },
  station: {
    store: stations,
    jobOf:
      'SELECT a.job_id AS job FROM station t LEFT JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE t.id = ?',
    namedIn: [
      ['limit', 'SELECT id FROM limits WHERE station_id = ?'],
      ['reading', 'SELECT id FROM reading WHERE station_id = ?'],
      ['inspection', 'SELECT id FROM inspection WHERE station_id = ?'],
      ['acceptance', 'SELECT id FROM acceptance WHERE station_id = ?'],
      ['removal', 'SELECT id FROM removal WHERE station_id = ?'],
      ['closing', 'SELECT id FROM closing WHERE station_id = ?'],
      ['making', 'SELECT id FROM making WHERE gap_id = ?'],
      ['making', 'SELECT id FROM making WHERE size_id = ?'],
      ['spec', 'SELECT id FROM spec WHERE station_id = ?'],
      ['station', 'SELECT id FROM station WHERE bore_id = ?'],
      ['station', `SELECT id FROM station WHERE json_extract(reads, '$.of') = ?`],
      ['station', 'SELECT id FROM station WHERE journal_id = ?'],
      ['setting', 'SELECT setting_id AS id FROM criterion WHERE station_id = ?'],
      ['photo', PHOTOS_OF],
    ],
  },
  limit: {
    store: limits,
    jobOf: `SELECT a.job_id AS job FROM limits l JOIN station t ON t.id = l.station_id LEFT JOIN shaft s ON s.id = t.shaft_id
      JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE l.id = ?`,
    namedIn: [],
  },
  spec: { store: specs, jobOf: 'SELECT job_id AS job FROM spec WHERE id = ?', namedIn: [['limit', 'SELECT id FROM limits WHERE spec_id = ?']] },
  lot: {
    store: lots,
    jobOf: `SELECT '' AS job FROM lot WHERE id = ?`,
    namedIn: [
      ['build', 'SELECT f.build_id AS id FROM build_leaf l JOIN build_fit f ON f.id = l.build_fit_id WHERE l.lot_id = ?'],
      ['making', 'SELECT id FROM making WHERE lot_id = ?'],
      ['making', `SELECT m.id FROM making m JOIN json_each(m.beside) l ON json_extract(l.value, '$.lotId') = ?`],
    ],
  },
  instrument: { store: instruments, jobOf: `SELECT '' AS job FROM instrument WHERE id = ?`, namedIn: [] },
  stock: { store: stocks, jobOf: `SELECT '' AS job FROM stock WHERE id = ?`, namedIn: [] },
  making: {
    store: makings,
    jobOf: 'SELECT job_id AS job FROM making WHERE id = ?',
    namedIn: [['pass', 'SELECT id FROM making_pass WHERE making_id = ?']],
  },
  pass: {
    store: passes,
    jobOf: 'SELECT m.job_id AS job FROM making_pass p JOIN making m ON m.id = p.making_id WHERE p.id = ?',
    namedIn: [WITHDRAWN],
  },
  fitting: {
    store: fittings,
    jobOf: 'SELECT job_id AS job FROM fitting WHERE id = ?',
    namedIn: [['heating', 'SELECT id FROM heating WHERE fitting_id = ?']],
  },
  heating: {
    store: heatings,
    jobOf: 'SELECT f.job_id AS job FROM heating h JOIN fitting f ON f.id = h.fitting_id WHERE h.id = ?',
    namedIn: [WITHDRAWN],
  },
  lookAlike: { store: lookAlikes, jobOf: 'SELECT job_id AS job FROM look_alike WHERE id = ?', namedIn: [['photo', PHOTOS_OF]] },
  matchedSet: { store: matchedSets, jobOf: 'SELECT job_id AS job FROM matched_set WHERE id = ?', namedIn: [] },
  setting: {
    store: settings,
    jobOf: 'SELECT a.job_id AS job FROM setting s JOIN assembly a ON a.id = s.assembly_id WHERE s.id = ?',
    namedIn: [],
  },
  openItem: { store: openItems, jobOf: 'SELECT job_id AS job FROM open_item WHERE id = ?', namedIn: [['photo', PHOTOS_OF]] },
  build: {
    store: builds,
    jobOf: 'SELECT a.job_id AS job FROM build b JOIN assembly a ON a.id = b.assembly_id WHERE b.id = ?',
    namedIn: [
      ['build', 'SELECT id FROM build WHERE parent_id = ?'],
      ['reading', 'SELECT id FROM reading WHERE build_id = ?'],
      ['feel', 'SELECT id FROM feel WHERE build_id = ?'],
      ['temporary', 'SELECT id FROM temporary_thing WHERE build_id = ?'],
      ['removal', 'SELECT id FROM removal WHERE build_id = ?'],
      ['pull', 'SELECT id FROM pull WHERE build_id = ?'],
      ['rollerCount', 'SELECT id FROM roller_count WHERE build_id = ?'],
      WITHDRAWN,
    ],
  },
  reading: {
    store: readings,
    jobOf: `SELECT a.job_id AS job FROM reading r JOIN station t ON t.id = r.station_id LEFT JOIN shaft s ON s.id = t.shaft_id
      JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE r.id = ?`,
    namedIn: [
      ['reading', 'SELECT id FROM reading WHERE supersedes = ?'],
      ['closing', 'SELECT id FROM closing WHERE reading_id = ?'],
      ['removal', 'SELECT id FROM removal WHERE after_reading = ?'],
      ['making', 'SELECT id FROM making WHERE window_from = ?'],
      ['pull', 'SELECT id FROM pull WHERE after_reading = ?'],
      WITHDRAWN,
    ],
  },
  joint: {
    store: joints,
    jobOf: 'SELECT a.job_id AS job FROM joint j JOIN assembly a ON a.id = j.assembly_id WHERE j.id = ?',
    namedIn: [
      ['pull', 'SELECT id FROM pull WHERE joint_id = ?'],
      ['station', `SELECT id FROM station WHERE json_extract(reads, '$.joint') = ?`],
    ],
  },
  pull: {
    store: pulls,
    jobOf: 'SELECT a.job_id AS job FROM pull p JOIN joint j ON j.id = p.joint_id JOIN assembly a ON a.id = j.assembly_id WHERE p.id = ?',
    namedIn: [WITHDRAWN],
  },
  rollers: {
    store: rollerSets,
    jobOf: 'SELECT a.job_id AS job FROM rollers r JOIN assembly a ON a.id = r.assembly_id WHERE r.id = ?',
    namedIn: [['rollerCount', 'SELECT id FROM roller_count WHERE rollers_id = ?']],
  },
  rollerCount: {
    store: rollerCounts,
    jobOf: 'SELECT a.job_id AS job FROM roller_count c JOIN rollers r ON r.id = c.rollers_id JOIN assembly a ON a.id = r.assembly_id WHERE c.id = ?',
    namedIn: [WITHDRAWN],
  },
  feel: {
    store: feels,
    jobOf: 'SELECT a.job_id AS job FROM feel f JOIN build b ON b.id = f.build_id JOIN assembly a ON a.id = b.assembly_id WHERE f.id = ?',
    namedIn: [WITHDRAWN],
  },
  temporary: {
    store: temporaries,
    jobOf: 'SELECT a.job_id AS job FROM temporary_thing t JOIN assembly a ON a.id = t.assembly_id WHERE t.id = ?',
    namedIn: [['temporary', 'SELECT id FROM temporary_thing WHERE out_of = ?'], WITHDRAWN],
  },
  removal: {
    store: removals,
    jobOf: `SELECT a.job_id AS job FROM removal c JOIN station t ON t.id = c.station_id LEFT JOIN shaft s ON s.id = t.shaft_id
      JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE c.id = ?`,
    namedIn: [WITHDRAWN],
  },
  closing: {
    store: closings,
    jobOf: `SELECT a.job_id AS job FROM closing c JOIN station t ON t.id = c.station_id LEFT JOIN shaft s ON s.id = t.shaft_id
      JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE c.id = ?`,
    namedIn: [WITHDRAWN],
  },
  strip: {
    store: strip,
    jobOf: 'SELECT a.job_id AS job FROM strip_entry e JOIN assembly a ON a.id = e.assembly_id WHERE e.id = ?',
    namedIn: [
      ['strip', 'SELECT id FROM strip_entry WHERE supersedes = ?'],
      ['joint', 'SELECT id FROM joint WHERE strip_id = ?'],
      ['photo', PHOTOS_OF],
      WITHDRAWN,
    ],
  },
  inspection: { store: inspections, jobOf: 'SELECT job_id AS job FROM inspection WHERE id = ?', namedIn: [['photo', PHOTOS_OF], WITHDRAWN] },
  acceptance: {
    store: acceptances,
    jobOf: `SELECT a.job_id AS job FROM acceptance c JOIN station t ON t.id = c.station_id LEFT JOIN shaft s ON s.id = t.shaft_id
      JOIN assembly a ON a.id = coalesce(t.assembly_id, s.assembly_id) WHERE c.id = ?`,
    namedIn: [WITHDRAWN],
  },
  photo: { store: photos, jobOf: 'SELECT job_id AS job FROM photo WHERE id = ?', namedIn: [WITHDRAWN] },
  // whatever job it is of is the job of what it takes back
  withdrawal: { store: withdrawals, jobOf: '', namedIn: [WITHDRAWN] },
};

const OBSERVED: ReadonlySet<string> = new Set(OBSERVATIONS);
export const isTable = (table: string): table is TableName => table in REGISTER;
export const isObservation = (table: string): table is ObservationTable => OBSERVED.has(table);

export const descriptionStore = <T extends DescriptionTable>(table: T): DescriptionStore<RowOf[T]> =>
  REGISTER[table].store as unknown as DescriptionStore<RowOf[T]>;
export const storeOf = <T extends TableName>(table: T): Store<RowOf[T]> => REGISTER[table].store as unknown as Store<RowOf[T]>;

/** Everything kept of one job, table by table, as facts. */
export const rowsOfJob = (db: Db, jobId: string): Omit<JobFacts, 'job'> =>
  Object.fromEntries(JOB_TABLES.map((table) => [factsOf(table), REGISTER[table].store.ofJob(db, jobId)])) as unknown as Omit<JobFacts, 'job'>;

/** Whose job a row is part of: '' for leaves, null where there is no such row, or where it comes round to itself. */
export function jobOfRow(db: Db, table: TableName, id: string): string | null {
  const met = new Set<string>();
  let of: { readonly table: TableName; readonly id: string } = { table, id };
  while (of.table === 'withdrawal') {
    const withdrawal = met.has(of.id) ? null : withdrawals.byId(db, of.id);
    if (!withdrawal) return null;
    met.add(of.id);
    of = { table: withdrawal.ofKind, id: withdrawal.ofId };
  }
  return db.prepare<[string], { job: string }>(REGISTER[of.table].jobOf).get(of.id)?.job ?? null;
}

/** Whether a row stands: not marked gone, and not withdrawn by a withdrawal that stands. */
export function stands(db: Db, table: TableName, id: string): boolean {
  if (!isObservation(table)) {
    const row = storeOf(table).byId(db, id) as { gone?: boolean } | null;
    return row !== null && row.gone !== true;
  }
  const takenBackBy = db.prepare<[string], string>(WITHDRAWN[1]).pluck().all(id);
  return !takenBackBy.some((withdrawal) => stands(db, 'withdrawal', withdrawal));
}

/** What names a row: whether any of it stands, and whether there is anything at all. */
export function namedBy(db: Db, table: TableName, id: string): 'standing' | 'takenBack' | 'nothing' {
  let found: 'takenBack' | 'nothing' = 'nothing';
  for (const [from, sql] of REGISTER[table].namedIn) {
    if (from === 'withdrawal') continue;
    for (const named of db.prepare<[string], string>(sql).pluck().all(id)) {
      if (named === id) continue;
      if (stands(db, from, named)) return 'standing';
      found = 'takenBack';
    }
  }
  return found;
}
