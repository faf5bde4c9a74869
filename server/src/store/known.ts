import { lazily, type Known, type TableName } from '@elder-cog/contract';
import { builds } from './builds.ts';
import type { Db } from './open.ts';
import { readings } from './readings.ts';
import { strip } from './strip.ts';
import { isObservation, jobOfRow, stands } from './tables.ts';
import { withdrawals } from './withdrawals.ts';

const FACES = 'SELECT f.value FROM part p, json_each(p.faces) f WHERE p.shaft_id = ?';
const ROLES = {
  part: 'SELECT role FROM part WHERE shaft_id = ?',
  contact: 'SELECT role FROM contact WHERE shaft_id = ?',
} as const;

/**
 * What there is to be named, in the database as it stands when it is asked. A row that is marked gone is not there; but for a station, for
 * what was read of it elsewhere before it left the book is kept all the same.
 */
export function knownIn(db: Db): Known {
  const strings = (sql: string, shaftId: string): ReadonlySet<string> => new Set(db.prepare<[string], string>(sql).pluck().all(shaftId));
  const jobOf = lazily((key: string) => {
    const [table, id] = key.split(' ') as [TableName, string];
    const isHere = isObservation(table) || table === 'station' || stands(db, table, id);
    return { job: isHere ? jobOfRow(db, table, id) : null };
  });
  const roles = { part: lazily((id: string) => strings(ROLES.part, id)), contact: lazily((id: string) => strings(ROLES.contact, id)) };
  return {
    jobOf: (table, id) => jobOf(`${table} ${id}`).job,
    faces: lazily((id: string) => strings(FACES, id)),
    roles: (table, shaftId) => roles[table](shaftId),
    before: (table, id) => {
      if (table === 'build') return builds.byId(db, id)?.parentId ?? null;
      if (table === 'reading') return readings.byId(db, id)?.supersedes ?? null;
      if (table === 'strip') return strip.byId(db, id)?.supersedes ?? null;
      if (table !== 'withdrawal') return null;
      const of = withdrawals.byId(db, id);
      return of?.ofKind === 'withdrawal' ? of.ofId : null;
    },
  };
}
