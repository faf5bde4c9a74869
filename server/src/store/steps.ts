import { understoodIn } from '@elder-cog/contract';
import type { Database as Db } from 'better-sqlite3';
import { bringPlaces } from './migrations/placesStep.ts';

/** What SQL alone cannot do of a migration, by its number: done in the same transaction, after its SQL. */
export const STEPS: Readonly<Record<number, (db: Db) => void>> = {
  5: understandOldReadings,
  7: bringPlaces,
};

function understandOldReadings(db: Db): void {
  const update = db.prepare('UPDATE reading SET raw = ? WHERE id = ?');
  for (const { id, raw } of db.prepare<[], { id: string; raw: string }>('SELECT id, raw FROM reading').all())
    update.run(JSON.stringify(understoodIn(JSON.parse(raw))), id);
  db.exec("CREATE TRIGGER reading_kept BEFORE UPDATE ON reading BEGIN SELECT RAISE(ABORT, 'a reading is never changed: withdraw it'); END;");
}
