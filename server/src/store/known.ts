import { cameAfter, isInLine, lazily, type Known, type TableName } from '@elder-cog/contract';
import type { Db } from './open.ts';
import { isObservation, jobOfRow, stands, storeOf } from './tables.ts';

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
    before(table, id) {
      const row = isInLine(table) ? storeOf(table).byId(db, id) : null;
      return row && cameAfter(table, row);
    },
  };
}
