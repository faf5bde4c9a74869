import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { STEPS } from './steps.ts';

export type Db = Database.Database;

const MIGRATIONS = new URL('./migrations/', import.meta.url);

/** Migration files in order: NNN-name.sql. */
const migrations = (): { version: number; sql: string }[] =>
  readdirSync(MIGRATIONS)
    .filter((name) => /^\d{3}-.*\.sql$/.test(name))
    .sort()
    .map((name) => ({ version: Number(name.slice(0, 3)), sql: readFileSync(new URL(name, MIGRATIONS), 'utf8') }));

const versionOf = (db: Db): number => db.pragma('user_version', { simple: true }) as number;

/** The version of the database this program writes. */
export const newestVersion = (): number => migrations().at(-1)?.version ?? 0;

/** Which workshop a database is of: made once, and copied with it. */
export const workshopId = (db: Db): string => db.prepare<[], string>('SELECT id FROM workshop').pluck().get() ?? '';

type Bare = 'thou' | 'mm';
/** What a bare number is in this workshop. */
export const bareOf = (db: Db): Bare => db.prepare<[], Bare>('SELECT bare FROM workshop').pluck().get() ?? 'thou';
export const setBare = (db: Db, bare: Bare): void => void db.prepare('UPDATE workshop SET bare = ?').run(bare);

/**
 * Opens the workshop's database, makes it where there is none, and brings it up to date: forward only, and after a copy of
 * the file. A newer one is left untouched; whether it is whole, and ours, is looked at before (`lookAt`).
 *
 * @param file path, or ':memory:' for a test
 * @throws WorkshopError `tooNew`, `unreadable`, `readOnly`, `diskFull`
 */
export function openDb(file: string): Db {
  const wanted = migrations();
  try {
    if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
    const existed = file !== ':memory:' && existsSync(file);
    const db = new Database(file);
    try {
      if (existed && versionOf(db) > newestVersion()) throw new WorkshopError('tooNew');
      bringUpToDate(db, file, existed, wanted);
    } catch (error) {
      db.close();
      throw error;
    }
    return preparingOnce(db);
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
}

/** The same words to the database are made ready once: five hundred rows in are one making ready and five hundred runs. */
function preparingOnce(db: Db): Db {
  const known = new Map<string, Database.Statement>();
  const prepare = db.prepare.bind(db) as (sql: string) => Database.Statement;
  db.prepare = ((sql: string): Database.Statement => {
    const statement = known.get(sql) ?? prepare(sql);
    known.set(sql, statement);
    return statement;
  }) as Db['prepare'];
  return db;
}

function bringUpToDate(db: Db, file: string, existed: boolean, wanted: readonly { version: number; sql: string }[]): void {
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  const at = versionOf(db);
  const due = wanted.filter((m) => m.version > at);
  if (due.length > 0 && existed && at > 0) {
    db.pragma('wal_checkpoint(TRUNCATE)');
    copyFileSync(file, join(dirname(file), `before-migration-${at}.sqlite`));
  }
  // a table is rebuilt with its references looked away from, and they are all looked at before anything is kept
  db.pragma('foreign_keys = OFF');
  for (const { version, sql } of due) {
    db.transaction(() => {
      db.exec(sql);
      STEPS[version]?.(db);
      const dangling = db.pragma('foreign_key_check') as unknown[];
      if (dangling.length > 0) throw new WorkshopError('unreadable');
      db.pragma(`user_version = ${version}`);
    })();
  }
  db.pragma('foreign_keys = ON');
}
