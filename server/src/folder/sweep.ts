import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Db } from '../store/open.ts';
import { photos } from '../store/photos.ts';
import { enter } from '../store/writer.ts';
import { backedUpPhoto } from './backups.ts';
import { isFolder, isWhole, namesIn, writeWhole } from './files.ts';
import { PHOTO_NAME } from './look.ts';
import { photoAside, setPhotosAside } from './setAside.ts';

const photos_ = (n: number, one: string, more: string): string => (n === 1 ? one : `${n} ${more}`);

/** Puts a photo that is not in its place back there, from where it was set aside or from the backups; says whether it could. */
export function bringBack(folder: string, sha256: string): boolean {
  if (!PHOTO_NAME.test(sha256)) return false;
  const path = join(folder, 'photos', sha256);
  if (existsSync(path)) return true;
  const source = [photoAside(folder, sha256), backedUpPhoto(folder, sha256)].find((each) => each !== null && isWhole(each, sha256));
  if (source === undefined || source === null) return false;
  mkdirSync(join(folder, 'photos'), { recursive: true });
  writeWhole(path, readFileSync(source));
  return true;
}

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
    said.push(`${photos_(strays.length, 'A photo that no machine names was', 'photos that no machine names were')} set aside in ${aside}.`);
  }
  if (back.length > 0) {
    journalSweep(db, { broughtBack: back }, now);
    said.push(`${photos_(back.length, 'A photo that was missing was', 'photos that were missing were')} brought back.`);
  }
  if (lost > 0)
    said.push(
      `${photos_(lost, 'A photo is', 'photos are')} missing from the data folder: shown as missing, and there again as soon as the file is put back.`,
    );
  return said;
}

/** What the program did by itself stands in the journal with the rest. */
const journalSweep = (db: Db, what: object, now: Date): void => {
  db.transaction(() =>
    enter(db, { commandId: randomUUID(), clientId: '', who: '', at: now.toISOString(), kind: 'sweep', what, jobId: null, effects: [] }),
  ).immediate();
};
