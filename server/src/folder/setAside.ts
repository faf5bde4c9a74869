import { existsSync, mkdirSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { namesIn, uniqueName, writeWhole } from './files.ts';
import { DATABASE, MARKER } from './look.ts';

const WORKSHOP = [DATABASE, `${DATABASE}-wal`, `${DATABASE}-shm`, MARKER, 'photos', 'backups'] as const;

/**
 * Sets aside everything of a workshop, so that a new one can be begun in its folder. Nothing is thrown away.
 *
 * @returns the folder it is in now; null where there was nothing
 */
export function setAsideAll(folder: string, now = new Date()): string | null {
  const there = WORKSHOP.filter((name) => existsSync(join(folder, name)));
  if (there.length === 0) return null;
  const aside = join(folder, `set-aside-${uniqueName(now)}`);
  mkdirSync(aside, { recursive: true });
  for (const name of there) renameSync(join(folder, name), join(aside, name));
  writeWhole(
    join(aside, 'note.txt'),
    `Set aside on ${now.toISOString()}, when a new workshop was begun in its place.\nTo go back to it: npm run restore -- "${aside}"\n`,
  );
  return aside;
}

const PHOTOS_ASIDE = /^set-aside-photos-/;

/** Photos that no row names are put in a folder of their own, with a note; they come back by themselves when a row names them again. */
export function setPhotosAside(folder: string, names: readonly string[], now = new Date()): string {
  const aside = `set-aside-photos-${uniqueName(now)}`;
  mkdirSync(join(folder, aside), { recursive: true });
  for (const name of names) renameSync(join(folder, 'photos', name), join(folder, aside, name));
  writeWhole(
    join(folder, aside, 'note.txt'),
    `Set aside on ${now.toISOString()}: no machine in the database names these photos.\nEach comes back by itself as soon as one does. They can be looked at: put .jpg after the name.\n`,
  );
  return aside;
}

/** Where a photo lies that was set aside; null where none was. */
export const photoAside = (folder: string, sha256: string): string | null =>
  namesIn(folder)
    .filter((name) => PHOTOS_ASIDE.test(name))
    .map((name) => join(folder, name, sha256))
    .find((path) => existsSync(path)) ?? null;
