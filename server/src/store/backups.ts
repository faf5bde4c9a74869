import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { journal } from './journal.ts';
import { openDb, type Db } from './open.ts';

/** A copy of the database and the photos, as one folder named for when it was made. */
export interface Backup {
  readonly name: string;
  readonly madeAt: string;
  readonly jobs: number;
  readonly entries: number;
  readonly bytes: number;
}

const NAME = /^\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}Z$/;
const DAYS = 14;
const WEEKS = 8;

const folderOf = (data: string): string => join(data, 'backups');
const nameAt = (now: Date): string => `${now.toISOString().slice(0, 19).replace(/:/g, '-')}Z`;
const timeOf = (name: string): string => `${name.slice(0, 10)}T${name.slice(11, 19).replace(/-/g, ':')}.000Z`;

/** Backups there are, newest first. A folder that was never finished is not one. */
export function listBackups(data: string): Backup[] {
  const folder = folderOf(data);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => NAME.test(name) && existsSync(join(folder, name, 'about.json')))
    .sort()
    .reverse()
    .map((name) => {
      const about = JSON.parse(readFileSync(join(folder, name, 'about.json'), 'utf8')) as { jobs: number; entries: number };
      return { name, madeAt: timeOf(name), ...about, bytes: statSync(join(folder, name, 'workshop.sqlite')).size };
    });
}

/** The last of each of fourteen days and of each of eight weeks; the rest go. */
export function worthKeeping(names: readonly string[]): ReadonlySet<string> {
  const newestFirst = [...names].sort().reverse();
  const firstOf = (key: (name: string) => string, count: number): string[] => {
    const seen = new Map<string, string>();
    for (const name of newestFirst) if (!seen.has(key(name))) seen.set(key(name), name);
    return [...seen.values()].slice(0, count);
  };
  return new Set([...firstOf((name) => name.slice(0, 10), DAYS), ...firstOf(weekOf, WEEKS)]);
}

/** Weeks counted from a Monday. */
const weekOf = (name: string): string => String(Math.floor((Date.parse(timeOf(name)) / 86_400_000 + 3) / 7));

const COUNT = 'SELECT count(*) AS n FROM job';

/**
 * Copies the database as it stands, while it is in use, and the photos with it; then lets go of what is not worth keeping.
 *
 * @param force also where nothing has changed since the last one
 * @returns the backup, or null where nothing has changed
 */
export async function backUp(db: Db, data: string, { force = false, now = new Date() } = {}): Promise<Backup | null> {
  const entries = journal.lastSeq(db);
  const [last] = listBackups(data);
  if (!force && last?.entries === entries) return null;
  const name = nameAt(now);
  const [part, whole] = [join(folderOf(data), `${name}.part`), join(folderOf(data), name)];
  try {
    rmSync(part, { recursive: true, force: true });
    mkdirSync(part, { recursive: true });
    await db.backup(join(part, 'workshop.sqlite'));
    if (existsSync(join(data, 'photos'))) cpSync(join(data, 'photos'), join(part, 'photos'), { recursive: true });
    writeFileSync(join(part, 'about.json'), JSON.stringify({ jobs: db.prepare<[], { n: number }>(COUNT).get()?.n ?? 0, entries }));
    rmSync(whole, { recursive: true, force: true });
    renameSync(part, whole);
  } catch (error) {
    rmSync(part, { recursive: true, force: true });
    throw diskTrouble(error) ?? error;
  }
  const all = readdirSync(folderOf(data)).filter((each) => NAME.test(each));
  const keep = worthKeeping(all);
  for (const each of all) if (!keep.has(each) && each !== name) rmSync(join(folderOf(data), each), { recursive: true, force: true });
  return listBackups(data).find((each) => each.name === name) ?? null;
}

/** Backups that were being made when the program ended: taken away, and counted. */
export function sweepUnfinished(data: string): number {
  const folder = folderOf(data);
  if (!existsSync(folder)) return 0;
  const parts = readdirSync(folder).filter((name) => name.endsWith('.part'));
  for (const part of parts) rmSync(join(folder, part), { recursive: true, force: true });
  return parts.length;
}

/**
 * Puts a backup in the place of what is there; what was there is set aside in a folder of its own, never thrown away. The database must
 * be closed.
 *
 * @param from a backup of this workshop by name, or the path of any backup's folder
 * @returns where what was there before now is, or null where there was nothing
 * @throws WorkshopError `noBackup`, `unreadable`, `tooNew`
 */
export function putBack(data: string, from: string): string | null {
  const source = NAME.test(from) ? join(folderOf(data), from) : from;
  if (!existsSync(join(source, 'workshop.sqlite'))) throw new WorkshopError('noBackup');
  const arriving = join(data, 'restoring');
  rmSync(arriving, { recursive: true, force: true });
  mkdirSync(arriving, { recursive: true });
  cpSync(join(source, 'workshop.sqlite'), join(arriving, 'workshop.sqlite'));
  openDb(join(arriving, 'workshop.sqlite')).close();
  if (existsSync(join(source, 'photos'))) cpSync(join(source, 'photos'), join(arriving, 'photos'), { recursive: true });
  const aside = join(data, `set-aside-${nameAt(new Date())}`);
  let hadAny = false;
  for (const name of ['workshop.sqlite', 'workshop.sqlite-wal', 'workshop.sqlite-shm', 'photos']) {
    if (!existsSync(join(data, name))) continue;
    mkdirSync(aside, { recursive: true });
    renameSync(join(data, name), join(aside, name));
    hadAny = true;
  }
  for (const name of readdirSync(arriving)) renameSync(join(arriving, name), join(data, name));
  rmSync(arriving, { recursive: true, force: true });
  return hadAny ? aside : null;
}
