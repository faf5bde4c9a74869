import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { diskTrouble, WorkshopError } from '../errors.ts';

export type Db = Database.Database;

const MIGRATIONS = new URL('./migrations/', import.meta.url);

/** Migration files in order: NNN-name.sql. */
const migrations = (): { version: number; sql: string }[] =>
  readdirSync(MIGRATIONS)
    .filter((name) => /^\d{3}-.*\.sql$/.test(name))
    .sort()
    .map((name) => ({ version: Number(name.slice(0, 3)), sql: readFileSync(new URL(name, MIGRATIONS), 'utf8') }));

const versionOf = (db: Db): number => db.pragma('user_version', { simple: true }) as number;

/**
 * Looks before anything is written: a newer database, one that is damaged, or a file that is none at all is left as it is.
 *
 * @throws WorkshopError `tooNew`, `unreadable`
 */
function lookAt(file: string, newest: number): void {
  let looked: Db;
  try {
    looked = new Database(file, { fileMustExist: true, readonly: true });
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
  try {
    if (versionOf(looked) > newest) throw new WorkshopError('tooNew');
    const found = looked.pragma('integrity_check', { simple: true });
    if (found !== 'ok') throw new WorkshopError('unreadable');
  } catch (error) {
    throw diskTrouble(error) ?? error;
  } finally {
    looked.close();
  }
}

/**
 * Opens the workshop's database, makes it where there is none, and brings it up to date: forward only, and after a copy of
 * the file. A newer or unreadable database is left untouched.
 *
 * @param file path, or ':memory:' for a test
 * @throws WorkshopError `tooNew`, `unreadable`, `readOnly`, `diskFull`
 */
export function openDb(file: string): Db {
  const wanted = migrations();
  const newest = wanted[wanted.length - 1]?.version ?? 0;
  try {
    if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
    const existed = file !== ':memory:' && existsSync(file);
    if (existed) lookAt(file, newest);
    const db = new Database(file);
    try {
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
      const dangling = db.pragma('foreign_key_check') as unknown[];
      if (dangling.length > 0) throw new WorkshopError('unreadable');
      db.pragma(`user_version = ${version}`);
    })();
  }
  db.pragma('foreign_keys = ON');
}
