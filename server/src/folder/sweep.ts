import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { counted } from '@elder-cog/core';
import type { Db } from '../store/open.ts';
import { photos } from '../store/photos.ts';
import { enter } from '../store/writer.ts';
import { backedUpPhoto } from './backups.ts';
import { isFolder, isWhole, namesIn, writeWhole } from './files.ts';
import { PHOTO_NAME } from './look.ts';
import { photoAside, setPhotosAside } from './setAside.ts';

/** Puts a photo in its place, from the first of these where it lies whole, from where it was set aside, or from the backups; says whether it could. */
export function fetchPhoto(folder: string, sha256: string, first: readonly string[] = []): boolean {
  const source = [...first, photoAside(folder, sha256), backedUpPhoto(folder, sha256)].find((each) => each !== null && isWhole(each, sha256));
  if (source === undefined || source === null) return false;
  writeWhole(join(folder, 'photos', sha256), readFileSync(source));
  return true;
}

/** Puts a photo that is not in its place back there; says whether it is there now. */
export const bringBack = (folder: string, sha256: string): boolean =>
  PHOTO_NAME.test(sha256) && (existsSync(join(folder, 'photos', sha256)) || fetchPhoto(folder, sha256));

/**
 * At the start: photos no row names are set aside, and those a row names and that are not there are brought back where they can be. Files
 * that are not ours, under names of their own, are left alone. A row is never taken back for want of its file.
 *
 * @returns what was done, and what is missing, in sentences
 */
export function sweepPhotos(db: Db, folder: string, now = new Date()): string[] {
  const place = join(folder, 'photos');
  if (existsSync(place) && !isFolder(place))
    return ['“photos” in the data folder is a file, and should be a folder: no photo can be kept until it is moved away.'];
  const named = photos.names(db);
  const missing = [...named].filter((name) => !existsSync(join(place, name)));
  const back = missing.filter((name) => bringBack(folder, name));
  const lost = missing.length - back.length;
  const there = namesIn(place);
  const strays = there.filter((name) => PHOTO_NAME.test(name) && !named.has(name) && !isFolder(join(place, name)));
  // what a cut left half written under a name of ours, and was never acknowledged
  const cut = there.filter((name) => PHOTO_NAME.test(name.replace(/\.part$/, '')) && name.endsWith('.part'));
  for (const name of cut) rmSync(join(place, name), { force: true });
  const said: string[] = [];
  if (strays.length > 0) {
    const aside = setPhotosAside(folder, strays, now);
    journalSweep(db, { setAside: strays, in: aside }, now);
    said.push(`${counted(strays.length, 'A photo that no machine names was', 'photos that no machine names were')} set aside in ${aside}.`);
  }
  if (back.length > 0) {
    journalSweep(db, { broughtBack: back }, now);
    said.push(`${counted(back.length, 'A photo that was missing was', 'photos that were missing were')} brought back.`);
  }
  if (lost > 0)
    said.push(
      `${counted(lost, 'A photo is', 'photos are')} missing from the data folder: shown as missing, and there again as soon as the file is put back.`,
    );
  return said;
}

/** What the program did by itself stands in the journal with the rest. */
const journalSweep = (db: Db, what: object, now: Date): void => {
  db.transaction(() =>
    enter(db, { commandId: randomUUID(), clientId: '', who: '', at: now.toISOString(), kind: 'sweep', what, jobId: null, effects: [] }),
  ).immediate();
};
