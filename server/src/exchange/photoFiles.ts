import { createHash, randomUUID } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, readFileSync, renameSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { fileTypeFromBuffer } from 'file-type';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { jobsIn, type AnyFile, type Photo } from '@elder-cog/contract';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { isZip } from './readFile.ts';
import type { Db } from '../store/open.ts';
import { photos } from '../store/photos.ts';
import { withdrawals } from '../store/withdrawals.ts';

/** A photo is made smaller in the browser: this is the most that is sent. */
export const PHOTO_LIMIT = 12 * 1024 * 1024;
/** Counted from the head of the file, before anything is unpacked. */
const PIXEL_LIMIT = 50_000_000;
const THUMBNAIL = 320;
const TAKEN: ReadonlySet<string> = new Set(['image/jpeg', 'image/png', 'image/webp']);
const NAME = /^[0-9a-f]{64}$/;

const folderOf = (data: string): string => join(data, 'photos');
const fileOf = (data: string, sha256: string): string => join(folderOf(data), sha256);
const thumbnailOf = (data: string, sha256: string): string => join(folderOf(data), 'small', `${sha256}.jpg`);

type Kept = Pick<Photo, 'sha256' | 'mediaType' | 'bytes' | 'width' | 'height'>;

const SAYS: Readonly<Record<string, string>> = {
  'image/heic': 'a HEIC photo, as some phones take: set the camera to “most compatible”, or save it as JPEG',
  'image/heif': 'a HEIF photo, as some phones take: set the camera to “most compatible”, or save it as JPEG',
  'image/avif': 'an AVIF picture: save it as JPEG',
  'image/gif': 'a GIF: save it as PNG',
  'image/tiff': 'a TIFF: save it as JPEG',
  'application/pdf': 'a PDF: take a picture of the page, or save it as PNG',
};

/** What the bytes themselves say they are; a name is not asked. */
async function typeOf(bytes: Uint8Array): Promise<Photo['mediaType']> {
  const found = await fileTypeFromBuffer(bytes);
  if (found && TAKEN.has(found.mime)) return found.mime as Photo['mediaType'];
  const what = found ? (SAYS[found.mime] ?? `a ${found.ext} file`) : 'not a picture, whatever it is called';
  throw new WorkshopError('badPhoto', `That is ${what}. JPEG, PNG and WebP are taken. Nothing was kept.`);
}

/** Written whole under another name, and only then given its own: a cut leaves nothing that looks like a photo. */
function writeWhole(path: string, bytes: Uint8Array): void {
  const part = `${path}.part`;
  const file = openSync(part, 'w');
  try {
    writeSync(file, bytes);
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  renameSync(part, path);
}

/**
 * Keeps a photo's bytes under their SHA-256, and a small one beside it. The row that names it comes after.
 *
 * @throws WorkshopError `badPhoto`, `diskFull`, `readOnly`
 */
export async function keepPhoto(data: string, bytes: Uint8Array): Promise<Kept> {
  const mediaType = await typeOf(bytes);
  const { width, height } = await sizeOf(bytes);
  if (width * height > PIXEL_LIMIT)
    throw new WorkshopError('badPhoto', `That picture is ${width} × ${height}: more than 50 million pixels. Make it smaller. Nothing was kept.`);
  const sha256 = createHash('sha256').update(bytes).digest('hex');
  const small = await smallOf(bytes);
  try {
    mkdirSync(join(folderOf(data), 'small'), { recursive: true });
    writeWhole(thumbnailOf(data, sha256), small);
    if (!existsSync(fileOf(data, sha256))) writeWhole(fileOf(data, sha256), bytes);
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
  return { sha256, mediaType, bytes: bytes.length, width, height };
}

const damaged = (): WorkshopError =>
  new WorkshopError('badPhoto', 'That picture is damaged: it stops short, or was changed on the way. Nothing was kept.');

async function sizeOf(bytes: Uint8Array): Promise<{ width: number; height: number }> {
  try {
    // reads the head only
    const { autoOrient } = await sharp(bytes, { limitInputPixels: false }).metadata();
    return autoOrient;
  } catch {
    throw damaged();
  }
}

async function smallOf(bytes: Uint8Array): Promise<Uint8Array> {
  try {
    return await sharp(bytes, { limitInputPixels: PIXEL_LIMIT, failOn: 'error' })
      .autoOrient()
      .resize(THUMBNAIL, THUMBNAIL, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#fff' })
      .jpeg({ quality: 78 })
      .toBuffer();
  } catch {
    throw damaged();
  }
}

export const hasPhoto = (data: string | null, sha256: string): boolean => data !== null && existsSync(fileOf(data, sha256));

/** The bytes of a photo, or of its small one; null where there is none. A small one that is gone is no loss: the whole one serves. */
export function readPhoto(data: string, sha256: string, small: boolean): { bytes: Uint8Array; isSmall: boolean } | null {
  if (!NAME.test(sha256)) return null;
  const isSmall = small && existsSync(thumbnailOf(data, sha256));
  const path = isSmall ? thumbnailOf(data, sha256) : fileOf(data, sha256);
  return existsSync(path) ? { bytes: readFileSync(path), isSmall } : null;
}

/** Photos of some jobs, or of all, whose file is not there are withdrawn, with why; returns how many. */
export function strikeLost(db: Db, data: string, { at, why, jobs }: { at: string; why: string; jobs?: ReadonlySet<string> }): number {
  const lost = photos.standing(db).filter((photo) => (jobs?.has(photo.jobId) ?? true) && !hasPhoto(data, photo.sha256));
  for (const photo of lost) withdrawals.insert(db, { id: randomUUID(), ofKind: 'photo', ofId: photo.id, who: '', at, why });
  return lost.length;
}

/**
 * Keeps the photos that came in a zip beside its jobs, and then does what brings the jobs in. Where either is refused, no photo of them
 * stays that nothing names.
 *
 * @throws WorkshopError `badFile` where one is not what its name says, as `keepPhoto`, and as `bringIn`
 */
export async function withPhotosOf<Result>(db: Db, data: string | null, bytes: Uint8Array, file: AnyFile, bringIn: () => Result): Promise<Result> {
  const wanted = new Set(jobsIn(file).flatMap((job) => job.photos.map((p) => p.sha256)));
  if (data === null || wanted.size === 0 || !isZip(bytes)) return bringIn();
  const found = unzipSync(bytes, { filter: ({ name, originalSize }) => wanted.has(name.replace(/^photos\//, '')) && originalSize <= PHOTO_LIMIT });
  const kept: string[] = [];
  try {
    for (const [name, photo] of Object.entries(found)) {
      const { sha256 } = await keepPhoto(data, photo);
      kept.push(sha256);
      if (name !== `photos/${sha256}`)
        throw new WorkshopError(
          'badFile',
          `The photo ${name.slice(0, 20)}… is not the one it is named for: it was changed on the way. Nothing was brought in.`,
        );
    }
    return bringIn();
  } catch (error) {
    letGoOf(db, data, kept);
    throw error;
  }
}

/** Lets go of files that no row names. */
function letGoOf(db: Db, data: string, names: readonly string[]): void {
  const named = photos.names(db);
  for (const name of names) {
    if (named.has(name)) continue;
    rmSync(fileOf(data, name), { force: true });
    rmSync(thumbnailOf(data, name), { force: true });
  }
}

/**
 * At the start: a file that no row names goes, and a row whose file is gone is withdrawn, with why.
 *
 * @returns what was put right, in sentences
 */
export function sweepPhotos(db: Db, data: string, now = new Date()): string[] {
  const folder = folderOf(data);
  const named = photos.names(db);
  const there = existsSync(folder) ? readdirSync(folder).filter((name) => name !== 'small') : [];
  const small = existsSync(join(folder, 'small')) ? readdirSync(join(folder, 'small')) : [];
  const orphans = there.filter((name) => !named.has(name));
  for (const name of orphans) rmSync(join(folder, name), { force: true });
  for (const name of small) if (!named.has(name.replace(/\.jpg$/, ''))) rmSync(join(folder, 'small', name), { force: true });
  const lost = strikeLost(db, data, { at: now.toISOString(), why: 'its file is no longer in the data folder' });
  const whole = orphans.filter((name) => NAME.test(name)).length;
  return [
    ...(whole > 0 ? [`${whole === 1 ? 'A photo that was' : `${whole} photos that were`} never finished being kept, and taken away.`] : []),
    ...(lost > 0 ? [`${lost === 1 ? 'A photo is' : `${lost} photos are`} missing from the data folder, and struck through.`] : []),
  ];
}
