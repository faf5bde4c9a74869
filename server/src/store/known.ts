import { cameAfter, isInLine, lazily, type Known, type TableName } from '@elder-cog/contract';
import type { Db } from './open.ts';
import { places } from './places.ts';
import { isObservation, jobOfRow, stands, storeOf } from './tables.ts';

/**
 * What there is to be named, in the database as it stands when it is asked. A row that is marked gone is not there; but for a station, for
 * what was read of it elsewhere before it left the book is kept all the same.
 */
export function knownIn(db: Db): Known {
  const jobOf = lazily((key: string) => {
    const [table, id] = key.split(' ') as [TableName, string];
    const isHere = isObservation(table) || table === 'station' || stands(db, table, id);
    return { job: isHere ? jobOfRow(db, table, id) : null };
  });
  return {
    jobOf: (table, id) => jobOf(`${table} ${id}`).job,
    face: (id) => places.ofFace(db, id),
    before(table, id) {
      const row = isInLine(table) ? storeOf(table).byId(db, id) : null;
      return row && cameAfter(table, row);
    },
  };
}
