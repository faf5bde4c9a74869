import { lastWrittenIn, placedJob, upgradeEntry } from '@elder-cog/contract';
import type { Database as Db } from 'better-sqlite3';

/**
 * Brings the shafts of before into the tables of places, by the same upgrade that files of before go through. Its SQL is of that day: it
 * reads tables that later migrations take away, and writes those that are there while it runs.
 */

type Row = Record<string, unknown>;

const OF_JOB = 'SELECT s.id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE a.job_id = @jobId';
const BEFORE: Readonly<Record<string, string>> = {
  shafts: `SELECT id, revision, assembly_id AS assemblyId, name, template, place, gasket, position, gone FROM shaft WHERE id IN (${OF_JOB}) ORDER BY rowid`,
  parts: `SELECT id, revision, shaft_id AS shaftId, role, name, kind, material, turned, faces, gone FROM part WHERE shaft_id IN (${OF_JOB}) ORDER BY rowid`,
  features: `SELECT id, revision, shaft_id AS shaftId, part_role AS partRole, role, name, from_face AS fromFace, to_face AS toFace, size_nm AS size, gone
    FROM feature WHERE shaft_id IN (${OF_JOB}) ORDER BY rowid`,
  contacts: `SELECT id, shaft_id AS shaftId, role, face_a AS a, face_b AS b, kind, name, gone FROM contact WHERE shaft_id IN (${OF_JOB}) ORDER BY rowid`,
  slots: `SELECT id, shaft_id AS shaftId, role, name, kind, part_role AS partRole, place, gone FROM slot WHERE shaft_id IN (${OF_JOB}) ORDER BY rowid`,
  stations: `SELECT id, revision, shaft_id AS shaftId, assembly_id AS assemblyId, subject, quantity, more_is AS moreIs, role, name, position,
    contact_role AS contactRole, bore_id AS boreId, journal_id AS journalId, new_nm AS newSize, rule, aim, method, instrument, gone FROM station
    WHERE shaft_id IN (${OF_JOB}) OR assembly_id IN (SELECT id FROM assembly WHERE job_id = @jobId) ORDER BY rowid`,
};
const FITS = 'SELECT id, build_id AS buildId, slot_id AS slotId, state FROM build_fit ORDER BY rowid';

const AFTER = {
  shafts: 'INSERT INTO shaft_now VALUES (@id, @revision, @assemblyId, @name, @origin, @endIn, @endOut, @position, @gone)',
  parts: 'INSERT INTO part_now VALUES (@id, @revision, @assemblyId, @name, @kind, @material, @number, @condition, @gone)',
  places: 'INSERT INTO place VALUES (@id, @revision, @shaftId, @role, @name, @kind, @position, @takes, @sits, @partId, @turned, @proportion, @gone)',
  features: 'INSERT INTO feature_now VALUES (@id, @revision, @partId, @role, @name, @kind, @fromFace, @toFace, @nominal, @proportion, @gone)',
  contacts: 'INSERT INTO contact_now VALUES (@id, @revision, @shaftId, @role, @name, @a, @b, @kind, @standId, @fastenerId, @gone)',
  stations: `INSERT INTO station_now VALUES (@id, @revision, @shaftId, @assemblyId, @subject, @quantity, @moreIs, @role, @name, @position, @reads,
    @boreId, @journalId, @newSize, @rule, @aim, @method, @instrument, @gone)`,
} as const;
const FACE = 'INSERT INTO face VALUES (@id, @placeId, @position, @role, @side, @inner, @outer)';
// what was known of the parts was known before anything was read of them: they stand before the first
const READING = `INSERT INTO reading (id, station_id, build_id, method, raw, who, taken_at, supersedes, kept_as, seq)
  VALUES (@id, @stationId, NULL, 'size', @raw, @who, @takenAt, NULL, @keptAs, (SELECT coalesce(min(seq), 0) - 1 FROM reading))`;
const FIT = 'INSERT INTO build_fit_now (id, build_id, place_id, state) VALUES (@id, @buildId, @slotId, @state)';
const ENTRY = `INSERT INTO journal (seq, command_id, client_id, who, at, kind, what, effects, undoes, undid, job_id)
  VALUES (@seq, @commandId, @clientId, @who, @at, @kind, @what, @effects, @undoes, @undid, @jobId)`;

/** The tables of before go, and those of now take their names. */
const NAMED = `
DROP TABLE build_fit;
DROP TABLE slot;
DROP TABLE contact;
DROP TABLE feature;
DROP TABLE station;
DROP TABLE part;
DROP TABLE shaft;
ALTER TABLE shaft_now RENAME TO shaft;
ALTER TABLE part_now RENAME TO part;
ALTER TABLE feature_now RENAME TO feature;
ALTER TABLE contact_now RENAME TO contact;
ALTER TABLE station_now RENAME TO station;
ALTER TABLE build_fit_now RENAME TO build_fit;
CREATE TRIGGER build_fit_kept BEFORE UPDATE ON build_fit BEGIN SELECT RAISE(ABORT, 'a build is never changed: withdraw it'); END;
CREATE TRIGGER build_fit_stays BEFORE DELETE ON build_fit BEGIN SELECT RAISE(ABORT, 'a build is never deleted: withdraw it'); END;
`;

const FLAGS: ReadonlySet<string> = new Set(['gone', 'turned', 'gasket']);
const JSON_COLUMNS: ReadonlySet<string> = new Set(['faces', 'aim', 'instrument']);

/** A row as it would stand in a file: flags as such, lists as such. */
const asFact = (row: Row): Row =>
  Object.fromEntries(
    Object.entries(row).flatMap(([key, value]): [string, unknown][] => {
      if (key === 'assemblyId' && value === null) return [];
      if (FLAGS.has(key)) return [[key, value === 1]];
      return [[key, JSON_COLUMNS.has(key) && typeof value === 'string' ? JSON.parse(value) : value]];
    }),
  );

const endsOf = ({ ends }: Row): Row => (Array.isArray(ends) ? { endIn: ends[0], endOut: ends[1] } : {});

/** A fact as its columns hold it. */
const asRow = (fact: Row): Row =>
  Object.fromEntries(
    Object.entries({ gone: false, assemblyId: null, ...endsOf(fact), ...fact }).map(([key, value]) => [
      key,
      typeof value === 'boolean' ? Number(value) : typeof value === 'object' && value !== null ? JSON.stringify(value) : value,
    ]),
  );

export function bringPlaces(db: Db): void {
  const lastWritten = lastWrittenIn(
    db.prepare<[], { who: string; at: string; effects: string }>('SELECT who, at, effects FROM journal ORDER BY seq').iterate(),
  );
  const at = new Date().toISOString();
  let seq = db.prepare<[], number>('SELECT coalesce(max(seq), 0) FROM journal').pluck().get() ?? 0;
  const jobs = db.prepare<[], { id: string; createdAt: string }>('SELECT id, created_at AS createdAt FROM job ORDER BY rowid').all();
  for (const job of jobs) {
    const before = Object.entries(BEFORE).map(([name, sql]) => [name, db.prepare<{ jobId: string }, Row>(sql).all({ jobId: job.id }).map(asFact)]);
    const { facts, effects } = placedJob({ job, builds: [], readings: [], ...Object.fromEntries(before) }, lastWritten);
    put(db, facts as Record<string, Row[]>);
    if (effects.length > 0) db.prepare(ENTRY).run(asRow(upgradeEntry(job.id, ++seq, at, effects)));
  }
  const fit = db.prepare(FIT);
  for (const row of db.prepare<[], Row>(FITS).all()) fit.run(row);
  db.exec(NAMED);
}

function put(db: Db, facts: Record<string, Row[]>): void {
  for (const [name, sql] of Object.entries(AFTER)) for (const row of facts[name] ?? []) db.prepare(sql).run(bound(sql, asRow(row)));
  const face = db.prepare(FACE);
  for (const place of facts.places ?? [])
    (place.faces as Row[]).forEach((each, position) => face.run(asRow({ ...bound(FACE, { ...each, placeId: place.id, position }) })));
  for (const { id, stationId, raw, who, takenAt, keptAs } of facts.readings ?? [])
    db.prepare(READING).run({ id, stationId, who, takenAt, raw: JSON.stringify(raw), keptAs: JSON.stringify(keptAs) });
}

/** Of a row, what a statement names. */
const bound = (sql: string, row: Row): Row => Object.fromEntries([...sql.matchAll(/@(\w+)/g)].map(([, name = '']) => [name, row[name] ?? null]));
