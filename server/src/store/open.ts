import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { WorkshopError } from '../errors.ts';

export type Db = Database.Database;

const MIGRATIONS = new URL('./migrations/', import.meta.url);

/** Migration files in order: NNN-name.sql. */
const migrations = (): { version: number; sql: string }[] =>
  readdirSync(MIGRATIONS)
    .filter((name) => /^\d{3}-.*\.sql$/.test(name))
    .sort()
    .map((name) => ({ version: Number(name.slice(0, 3)), sql: readFileSync(new URL(name, MIGRATIONS), 'utf8') }));

/**
 * Opens the workshop's database, makes it where there is none, and brings it up to date: forward only, and after a copy of
 * the file. A newer database is left untouched.
 *
 * @param file path, or ':memory:' for a test
 * @throws WorkshopError `tooNew`
 */
export function openDb(file: string): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const existed = file !== ':memory:' && existsSync(file);
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  const at = db.pragma('user_version', { simple: true }) as number;
  const wanted = migrations();
  const newest = wanted[wanted.length - 1]?.version ?? 0;
  if (at > newest) {
    db.close();
    throw new WorkshopError('tooNew');
  }
  const due = wanted.filter((m) => m.version > at);
  if (due.length > 0 && existed && at > 0) {
    db.pragma('wal_checkpoint(TRUNCATE)');
    copyFileSync(file, join(dirname(file), `before-migration-${at}.sqlite`));
  }
  for (const { version, sql } of due) {
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${version}`);
    })();
  }
  return db;
}
