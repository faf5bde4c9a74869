import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Trouble } from '@elder-cog/contract';
import { counted } from '@elder-cog/core';
import { newestVersion } from '../store/open.ts';
import { listBackups } from './backups.ts';
import { isFile, namesIn, readJson, writeWhole } from './files.ts';

export const DATABASE = 'workshop.sqlite';
/** Which workshop was last open in this folder. */
export const MARKER = 'workshop.json';
export const PHOTO_NAME = /^[0-9a-f]{64}$/;

/** What a file that should be a workshop's database is. */
export type Looked =
  | { readonly is: 'missing' | 'empty' | 'damaged' | 'foreign' | 'newer' }
  | { readonly is: 'ours'; readonly id: string | null; readonly entries: number; readonly jobs: number };

/** Looks, and writes nothing. */
export function lookAt(file: string): Looked {
  if (!existsSync(file)) return { is: 'missing' };
  if (!statSync(file).isFile()) return { is: 'foreign' };
  let db: Database.Database;
  try {
    db = new Database(file, { readonly: true, fileMustExist: true });
  } catch (error) {
    return { is: kindOf(error) };
  }
  try {
    const tables = new Set(db.prepare<[], string>("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all());
    if (tables.size === 0) return { is: 'empty' };
    if (!tables.has('job') || !tables.has('journal') || !tables.has('reading')) return { is: 'foreign' };
    if ((db.pragma('user_version', { simple: true }) as number) > newestVersion()) return { is: 'newer' };
    if (db.pragma('integrity_check', { simple: true }) !== 'ok') return { is: 'damaged' };
    const one = <Value>(sql: string): Value => db.prepare<[], Value>(sql).pluck().get() as Value;
    return {
      is: 'ours',
      id: tables.has('workshop') ? (one<string | undefined>('SELECT id FROM workshop') ?? null) : null,
      entries: one<number>('SELECT count(*) FROM journal'),
      jobs: one<number>('SELECT count(*) FROM job'),
    };
  } catch (error) {
    return { is: kindOf(error) };
  } finally {
    db.close();
  }
}

const kindOf = (error: unknown): 'foreign' | 'damaged' => ((error as { code?: string }).code === 'SQLITE_NOTADB' ? 'foreign' : 'damaged');

const markerId = (folder: string): string | null => {
  const id = (readJson(join(folder, MARKER)) as { id?: unknown } | null)?.id;
  return typeof id === 'string' ? id : null;
};
export const writeMarker = (folder: string, id: string): void => writeWhole(join(folder, MARKER), `${JSON.stringify({ id })}\n`);

/** "12 photos, 3 backups": what says that there was a workshop here; nothing where nothing does. */
function signsOf(folder: string): string[] {
  const photos = namesIn(join(folder, 'photos')).filter((name) => PHOTO_NAME.test(name)).length;
  const backups = listBackups(folder).filter((backup) => backup.damaged === null && backup.entries + backup.jobs > 0).length;
  const log = join(folder, `${DATABASE}-wal`);
  const many = (n: number, one: string, more: string): string[] => (n === 0 ? [] : [counted(n, one, more)]);
  return [
    ...many(photos, 'a photo', 'photos'),
    ...many(backups, 'a backup', 'backups'),
    ...(isFile(log) && statSync(log).size > 0 ? ['a log of what was last written'] : []),
  ];
}

const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

/**
 * Whether a data folder can be opened as it is, or made. Where it cannot, why, in a sentence; nothing is touched.
 *
 * @returns null where it can
 */
export function troubleOf(folder: string): Trouble | null {
  const looked = lookAt(join(folder, DATABASE));
  const signs = signsOf(folder);
  const marker = markerId(folder);
  const trouble = (code: Trouble['code'], sentence: string, canGoOn = false): Trouble => ({
    code,
    sentence: `${sentence} Nothing was touched.`,
    canGoOn,
  });
  switch (looked.is) {
    case 'missing':
      if (signs.length === 0 && marker === null) return null;
      return trouble(
        'missing',
        `The workshop’s database, ${DATABASE}, is not in its folder, and there was one${signs.length > 0 ? `: beside it there ${signs.length === 1 && !/^\d/.test(signs[0] ?? '') ? 'is' : 'are'} ${listed(signs)}` : ''}.`,
      );
    case 'empty':
      return signs.length === 0
        ? null
        : trouble('empty', `The workshop’s database has nothing in it, and there was more: beside it there are ${listed(signs)}.`);
    case 'damaged':
      return trouble('damaged', 'The database is damaged, or was cut short: the workshop’s data could not be read.');
    case 'foreign':
      return trouble('foreign', `${DATABASE} is something else, and no database of Elder Cog: the workshop’s data could not be read.`);
    case 'newer':
      return trouble('newer', 'This data was written by a newer Elder Cog: start the newer one.');
    case 'ours': {
      if (marker !== null && looked.id !== marker)
        return trouble('another', 'The database here is not the one that was last open in this folder: it was put in its place.', true);
      // nothing in it, and the very one that was open here last: its first machine was still coming in
      if (looked.entries + looked.jobs > 0 || signs.length === 0 || marker !== null) return null;
      return trouble('empty', `The workshop’s database has no machine in it, and there was more: beside it there are ${listed(signs)}.`, true);
    }
  }
}
