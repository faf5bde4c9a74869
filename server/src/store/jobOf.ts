import type { command } from '@elder-cog/contract';
import type { z } from 'zod';
import type { Db } from './open.ts';

type Change = Exclude<z.output<typeof command>['change'], { kind: 'undo' }>;

const one = (db: Db, sql: string, id: string): string | null => db.prepare<[string], { job: string }>(sql).get(id)?.job ?? null;

const OF_ASSEMBLY = 'SELECT job_id AS job FROM assembly WHERE id = ?';
const OF_SHAFT = 'SELECT a.job_id AS job FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE s.id = ?';
const OF_STATION = 'SELECT a.job_id AS job FROM station t JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = s.assembly_id WHERE t.id = ?';
const OF_LIMIT = `SELECT a.job_id AS job FROM limits l JOIN station t ON t.id = l.station_id JOIN shaft s ON s.id = t.shaft_id
  JOIN assembly a ON a.id = s.assembly_id WHERE l.id = ?`;
const OF_FEATURE = 'SELECT a.job_id AS job FROM feature f JOIN shaft s ON s.id = f.shaft_id JOIN assembly a ON a.id = s.assembly_id WHERE f.id = ?';
const OF_PART = 'SELECT a.job_id AS job FROM part p JOIN shaft s ON s.id = p.shaft_id JOIN assembly a ON a.id = s.assembly_id WHERE p.id = ?';
const OF_BUILD = 'SELECT a.job_id AS job FROM build b JOIN assembly a ON a.id = b.assembly_id WHERE b.id = ?';
const OF_READING = `SELECT a.job_id AS job FROM reading r JOIN station t ON t.id = r.station_id JOIN shaft s ON s.id = t.shaft_id
  JOIN assembly a ON a.id = s.assembly_id WHERE r.id = ?`;
const OF_STRIP = 'SELECT a.job_id AS job FROM strip_entry e JOIN assembly a ON a.id = e.assembly_id WHERE e.id = ?';
const OF_INSPECTION = 'SELECT job_id AS job FROM inspection WHERE id = ?';
const OF_ACCEPTANCE = `SELECT a.job_id AS job FROM acceptance c JOIN station t ON t.id = c.station_id JOIN shaft s ON s.id = t.shaft_id
  JOIN assembly a ON a.id = s.assembly_id WHERE c.id = ?`;
const OF_PHOTO = 'SELECT job_id AS job FROM photo WHERE id = ?';
const WITHDRAWN = 'SELECT of_id AS id, of_kind AS kind FROM withdrawal WHERE id = ?';

/** Whose job a change is part of; null where it is the Drawer's, or what it belongs to is not here. */
export function jobOf(db: Db, change: Change): string | null {
  switch (change.kind) {
    case 'job.create':
      return change.job.id;
    case 'job.change':
      return change.id;
    case 'assembly.create':
      return change.assembly.jobId;
    case 'assembly.change':
      return one(db, OF_ASSEMBLY, change.id);
    case 'shaft.create':
      return one(db, OF_ASSEMBLY, change.shaft.assemblyId);
    case 'stations.add':
      return one(db, OF_SHAFT, change.stations[0]?.shaftId ?? '');
    case 'rows.add':
      return rowsOf(db, change);
    case 'rows.takeOut':
      return one(db, OF_STATION, change.stations[0]?.id ?? '');
    case 'station.change':
      return one(db, OF_STATION, change.id);
    case 'feature.size':
      return one(db, OF_FEATURE, change.id);
    case 'part.turn':
      return one(db, OF_PART, change.id);
    case 'limit.set':
      return one(db, OF_STATION, change.limit.stationId);
    case 'limit.use':
      return one(db, OF_LIMIT, change.id);
    case 'specs.add':
      return change.specs[0]?.jobId ?? null;
    case 'spec.change':
    case 'spec.copy':
      return change.spec.jobId;
    case 'build.add':
      return one(db, OF_ASSEMBLY, change.build.assemblyId);
    case 'reading.keep':
      return one(db, OF_STATION, change.reading.stationId);
    case 'strip.add':
      return one(db, OF_ASSEMBLY, change.entry.assemblyId);
    case 'inspect':
      return change.inspection.jobId;
    case 'accept':
      return one(db, OF_STATION, change.acceptance.stationId);
    case 'photo.add':
      return change.photo.jobId;
    case 'lookAlike.add':
    case 'lookAlike.change':
      return change.lookAlike.jobId;
    case 'matchedSet.add':
    case 'matchedSet.change':
      return change.matchedSet.jobId;
    case 'openItem.raise':
    case 'openItem.change':
      return change.openItem.jobId;
    case 'withdraw':
      return jobOfObserved(db, change.withdrawal.ofKind, change.withdrawal.ofId);
    case 'lots.add':
    case 'lot.change':
      return null;
  }
}

/** Rows brought in together belong to one job, by the first of them there is. */
function rowsOf(db: Db, { stations, limits, readings }: Extract<Change, { kind: 'rows.add' }>): string | null {
  const [station, limit, reading] = [stations[0], limits[0], readings[0]];
  if (station) return one(db, OF_SHAFT, station.shaftId);
  return one(db, OF_STATION, limit?.stationId ?? reading?.stationId ?? '');
}

const OF_OBSERVED: Readonly<Record<string, string>> = {
  reading: OF_READING,
  build: OF_BUILD,
  strip: OF_STRIP,
  inspection: OF_INSPECTION,
  acceptance: OF_ACCEPTANCE,
  photo: OF_PHOTO,
};

function jobOfObserved(db: Db, kind: string, id: string): string | null {
  const sql = OF_OBSERVED[kind];
  if (sql !== undefined) return one(db, sql, id);
  const of = db.prepare<[string], { id: string; kind: string }>(WITHDRAWN).get(id);
  return of ? jobOfObserved(db, of.kind, of.id) : null;
}
