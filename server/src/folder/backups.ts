import { copyFileSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { journal } from '../store/journal.ts';
import type { Db } from '../store/open.ts';
import { workshopId } from '../store/open.ts';
import { isFile, isFolder, isWhole, namesIn, readJson, settle, stampOf, writeWhole } from './files.ts';

/** A copy of the database, as one folder named for when it was made; its photos lie beside it, once for all backups. */
export interface Backup {
  readonly name: string;
  readonly madeAt: string;
  readonly jobs: number;
  readonly entries: number;
  readonly bytes: number;
  /** made by hand: it stays until it is deleted */
  readonly byHand: boolean;
  /** what is wrong with it; null where it can be gone back to */
  readonly damaged: string | null;
}

/** What is written beside the copy. Older ones say less. */
interface About {
  readonly jobs: number;
  readonly entries: number;
  readonly byHand?: boolean;
  /** of which workshop, and after which command */
  readonly workshop?: string;
  readonly last?: string;
  readonly photos?: readonly string[];
}

export const BACKUP_NAME = /^\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}Z(?:-\d+)?$/;
const PART_NAME = /^\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}Z(?:-\d+)?\.part$/;
const DAYS = 14;
const WEEKS = 8;
const PHOTOS = 'photos';

const folderOf = (data: string): string => join(data, 'backups');
const backupNames = (data: string): string[] => namesIn(folderOf(data)).filter((name) => BACKUP_NAME.test(name));
const timeOf = (name: string): string => `${name.slice(0, 10)}T${name.slice(11, 19).replace(/-/g, ':')}.000Z`;

function aboutOf(data: string, name: string): About | null {
  const about = readJson(join(folderOf(data), name, 'about.json')) as Partial<About> | null;
  return typeof about?.jobs === 'number' && typeof about.entries === 'number' ? (about as About) : null;
}

/** Backups there are, newest first. A folder that was never finished is not one; a bad one is named as such, beside the others. */
export const listBackups = (data: string): Backup[] =>
  backupNames(data)
    .filter((name) => isFolder(join(folderOf(data), name)))
    .sort(byAge)
    .reverse()
    .map((name) => {
      const about = aboutOf(data, name);
      const file = join(folderOf(data), name, 'workshop.sqlite');
      const damaged = !isFile(file) ? 'its database is not there' : statSync(file).size === 0 ? 'its database has nothing in it' : null;
      return {
        name,
        madeAt: timeOf(name),
        jobs: about?.jobs ?? 0,
        entries: about?.entries ?? 0,
        bytes: damaged === null ? statSync(file).size : 0,
        byHand: about?.byHand ?? false,
        damaged: damaged ?? (about ? null : 'what was written of it cannot be read'),
      };
    });

/** By the moment, and of one second by the number after it. */
const byAge = (a: string, b: string): number => a.slice(0, 20).localeCompare(b.slice(0, 20)) || Number(a.slice(21)) - Number(b.slice(21));

/** The last of each of fourteen days and of each of eight weeks; the rest go. */
export function worthKeeping(names: readonly string[]): ReadonlySet<string> {
  const newestFirst = [...names].sort(byAge).reverse();
  const firstOf = (key: (name: string) => string, count: number): string[] => {
    const seen = new Map<string, string>();
    for (const name of newestFirst) if (!seen.has(key(name))) seen.set(key(name), name);
    return [...seen.values()].slice(0, count);
  };
  return new Set([...firstOf((name) => name.slice(0, 10), DAYS), ...firstOf(weekOf, WEEKS)]);
}

/** Weeks counted from a Monday. */
const weekOf = (name: string): string => String(Math.floor((Date.parse(timeOf(name)) / 86_400_000 + 3) / 7));

function freeName(data: string, now: Date): string {
  const name = stampOf(now);
  const taken = (each: string): boolean => existsSync(join(folderOf(data), each)) || existsSync(join(folderOf(data), `${each}.part`));
  if (!taken(name)) return name;
  let n = 2;
  while (taken(`${name}-${n}`)) n++;
  return `${name}-${n}`;
}

interface Options {
  /** also where nothing has changed since the last one; it stays until it is deleted */
  readonly byHand?: boolean;
  readonly now?: Date;
}

/**
 * Copies the database as it stands, while it is in use, and whatever of its photos is not among the backed-up ones yet; then lets go of
 * what is not worth keeping. One at a time: see `openWorkshop`.
 *
 * @returns the backup, or null where nothing has changed since the last one
 * @throws WorkshopError `diskFull`, `readOnly`, `diskTrouble`
 */
export async function backUp(db: Db, data: string, { byHand = false, now = new Date() }: Options = {}): Promise<Backup | null> {
  const { last } = journal.now(db);
  const newest = listBackups(data).find((backup) => backup.damaged === null);
  const before = newest ? aboutOf(data, newest.name) : null;
  if (!byHand && before?.last === last && before.workshop === workshopId(db)) return null;
  const name = freeName(data, now);
  const [part, whole] = [join(folderOf(data), `${name}.part`), join(folderOf(data), name)];
  try {
    mkdirSync(part, { recursive: true });
    const about = await copyDatabase(db, join(part, 'workshop.sqlite'));
    for (const sha256 of about.photos) keepPhotoOnce(data, sha256);
    writeWhole(join(part, 'about.json'), JSON.stringify({ ...about, byHand } satisfies About));
    renameSync(part, whole);
    settle(folderOf(data));
  } catch (error) {
    rmSync(part, { recursive: true, force: true });
    throw diskTrouble(error) ?? error;
  }
  prune(data, workshopId(db), name);
  return listBackups(data).find((each) => each.name === name) ?? null;
}

/** The database as one file that stands by itself, and what is in it. */
async function copyDatabase(db: Db, file: string): Promise<About & { readonly photos: readonly string[] }> {
  await db.backup(file);
  const copy = new Database(file);
  try {
    copy.pragma('journal_mode = DELETE');
    const { last, seq } = journal.now(copy);
    const count = copy.prepare<[], number>('SELECT count(*) FROM job WHERE gone = 0').pluck().get() ?? 0;
    const photos = copy.prepare<[], string>('SELECT DISTINCT sha256 FROM photo').pluck().all();
    return { jobs: count, entries: seq, workshop: workshopId(copy), last, photos };
  } finally {
    copy.close();
  }
}

/** A photo is kept once for all backups; one that is not what it is named for is not taken for a good one. */
function keepPhotoOnce(data: string, sha256: string): void {
  const [from, to] = [join(data, 'photos', sha256), join(folderOf(data), PHOTOS, sha256)];
  if (isFile(to) || !isWhole(from, sha256)) return;
  writeWhole(to, readFileSync(from));
}

/** Where a photo lies among the backups, in a backup of its own day as they once were, too; null where it does not. */
export const backedUpPhoto = (data: string, sha256: string): string | null =>
  [join(folderOf(data), PHOTOS, sha256), ...namesIn(folderOf(data)).map((name) => join(folderOf(data), name, PHOTOS, sha256))].find((path) =>
    isFile(path),
  ) ?? null;

/** Lets go of this workshop's own that are not worth keeping: never of one made by hand, a bad one, or another workshop's. */
function prune(data: string, workshop: string, justMade: string): void {
  const own = backupNames(data).filter((name) => {
    const about = aboutOf(data, name);
    return about !== null && about.byHand !== true && (about.workshop ?? workshop) === workshop;
  });
  const keep = worthKeeping(own);
  for (const name of own) if (!keep.has(name) && name !== justMade) rmSync(join(folderOf(data), name), { recursive: true, force: true });
  prunePhotos(data);
}

/** Photos that no backup names any more go, where every backup says which it names. */
function prunePhotos(data: string): void {
  const abouts = backupNames(data).map((name) => aboutOf(data, name)?.photos);
  if (abouts.includes(undefined)) return;
  const named = new Set(abouts.flatMap((photos) => photos ?? []));
  for (const photo of namesIn(join(folderOf(data), PHOTOS))) if (!named.has(photo)) rmSync(join(folderOf(data), PHOTOS, photo), { force: true });
}

/**
 * Lets go of one backup, on purpose.
 *
 * @throws WorkshopError `noBackup`
 */
export function deleteBackup(data: string, name: string): void {
  if (!BACKUP_NAME.test(name) || !existsSync(join(folderOf(data), name))) throw new WorkshopError('noBackup');
  rmSync(join(folderOf(data), name), { recursive: true, force: true });
  prunePhotos(data);
}

/**
 * Writes one whole folder that stands by itself: the database, its photos, and what is in it. It can be gone back to by its path.
 *
 * @throws WorkshopError `badRequest` where the folder has something in it, `diskFull`, `readOnly`
 */
export async function backUpTo(db: Db, data: string, to: string): Promise<About> {
  if (namesIn(to).length > 0 || isFile(to))
    throw new WorkshopError('badRequest', `${to} is not an empty folder: name a new one. Nothing was written.`);
  try {
    mkdirSync(join(to, PHOTOS), { recursive: true });
    const about = await copyDatabase(db, join(to, 'workshop.sqlite'));
    for (const sha256 of about.photos) {
      const from = [join(data, PHOTOS, sha256), backedUpPhoto(data, sha256)].find((path) => path !== null && isWhole(path, sha256));
      if (from) copyFileSync(from, join(to, PHOTOS, sha256));
    }
    writeWhole(join(to, 'about.json'), JSON.stringify(about));
    return about;
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
}

/** Backups that were being made when the program ended: taken away, and counted. */
export function sweepUnfinished(data: string): number {
  const parts = namesIn(folderOf(data)).filter((name) => PART_NAME.test(name));
  for (const part of parts) rmSync(join(folderOf(data), part), { recursive: true, force: true });
  return parts.length;
}
