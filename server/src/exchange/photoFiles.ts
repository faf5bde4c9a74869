import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import { FILE_LIMIT_MB, jobsIn, type AnyFile, type Photo } from '@elder-cog/contract';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { sha256Of, writeWhole } from '../folder/files.ts';
import { PHOTO_NAME } from '../folder/look.ts';
import { bringBack } from '../folder/sweep.ts';
import type { Db } from '../store/open.ts';
import { photos } from '../store/photos.ts';
import type { Packed } from './packed.ts';

/** A photo is made smaller in the browser: this is the most that is sent. */
export const PHOTO_LIMIT = 12 * 1024 * 1024;
/** Counted from the head of the file, before anything is unpacked. */
const PIXEL_LIMIT = 50_000_000;
const THUMBNAIL = 320;
const TAKEN: ReadonlySet<string> = new Set(['image/jpeg', 'image/png', 'image/webp']);

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
  const sha256 = sha256Of(bytes);
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

/** Whether a photo is in its place; one that was set aside is brought back to it. */
export const hasPhoto = (data: string | null, sha256: string): boolean => data !== null && bringBack(data, sha256);

/** The bytes of a photo, or of its small one; null where there is none. A small one that is gone is no loss: the whole one serves. */
export function readPhoto(data: string, sha256: string, small: boolean): { bytes: Uint8Array; isSmall: boolean } | null {
  if (!PHOTO_NAME.test(sha256)) return null;
  const isSmall = small && existsSync(thumbnailOf(data, sha256));
  const path = isSmall ? thumbnailOf(data, sha256) : fileOf(data, sha256);
  return existsSync(path) ? { bytes: readFileSync(path), isSmall } : null;
}

/**
 * Keeps the photos that came in a zip beside its jobs, one after another, and then does what brings the jobs in. Where either is refused,
 * none of them stays that was not there before.
 *
 * @param packed null where the file came bare
 * @throws WorkshopError `badFile` where one is not what its name and its row say, as `keepPhoto`, and as `bringIn`
 */
export async function withPhotosOf<Result>(
  db: Db,
  data: string | null,
  packed: Packed | null,
  file: AnyFile,
  bringIn: () => Result,
): Promise<Result> {
  const wanted = new Map(jobsIn(file).flatMap((job) => job.photos.map((photo) => [photo.sha256, photo.bytes] as const)));
  if (data === null || packed === null || wanted.size === 0) return bringIn();
  const bytes = [...wanted.values()].reduce((sum, each) => sum + each, 0);
  if (bytes > FILE_LIMIT_MB * 1024 * 1024)
    throw new WorkshopError(
      'badFile',
      `The photos in that file come to more than ${FILE_LIMIT_MB} MB: it is not one of ours. Nothing was brought in.`,
    );
  const fresh: string[] = [];
  try {
    for (const sha256 of wanted.keys()) {
      const photo = await packed.read(`photos/${sha256}`, PHOTO_LIMIT);
      if (photo === null || hasPhoto(data, sha256)) continue;
      const kept = await keepPhoto(data, photo);
      fresh.push(kept.sha256);
      if (kept.sha256 !== sha256)
        throw new WorkshopError(
          'badFile',
          `The photo ${sha256.slice(0, 12)}… is not the one it is named for: it was changed on the way. Nothing was brought in.`,
        );
    }
    return bringIn();
  } catch (error) {
    letGoOf(db, data, fresh);
    throw error;
  }
}

/** Lets go of files that were just written, and that no row names. */
function letGoOf(db: Db, data: string, names: readonly string[]): void {
  const named = photos.names(db);
  for (const name of names) {
    if (named.has(name)) continue;
    rmSync(fileOf(data, name), { force: true });
    rmSync(thumbnailOf(data, name), { force: true });
  }
}
