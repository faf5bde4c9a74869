import type { Change, Photo, PhotoOf, PhotoReply } from '@elder-cog/contract';
import { ask } from './ask.ts';
import { newId, useSettings } from './settings.ts';

const LIMIT = 12 * 1024 * 1024;
/** The browser is not asked to unpack more than this to make a photo smaller. */
const CAN_SHRINK = 80 * 1024 * 1024;
const LONGEST = 2400;
/** Sent as it is when it is no bigger than this. */
const SMALL_ENOUGH = 2 * 1024 * 1024;

/** A photo made ready to send: a big one made smaller, one a browser cannot read named for what it is. */
async function readyToSend(file: File): Promise<Blob> {
  if (file.size > CAN_SHRINK)
    throw new Error(`${file.name} is ${Math.round(file.size / 1048576)} MB: take it again at a lower size. Nothing was kept.`);
  if (file.size <= SMALL_ENOUGH) return file;
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    // the server reads its first bytes, and says what it is
    if (file.size <= LIMIT) return file;
    throw new Error(`${file.name} is no picture this browser can read, and is over 12 MB. Save it as JPEG. Nothing was kept.`);
  }
  const share = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * share);
  canvas.height = Math.round(picture.height * share);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const made = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.85));
  return made && made.size < file.size ? made : file;
}

/** Sends one photo's bytes; the command that says what it is of is for the caller to send. */
export async function sendPhoto(file: File, of: { jobId: string; ofKind: PhotoOf; ofId: string; caption: string }): Promise<Change> {
  const ready = await readyToSend(file);
  const kept = await ask<PhotoReply>(
    '/api/photos',
    { method: 'POST', headers: { 'content-type': /^image\//.test(ready.type) ? ready.type : 'image/unknown' }, body: ready },
    120_000,
  );
  return {
    kind: 'photo.add',
    photo: { id: newId(), ...of, ...kept, who: useSettings.getState().who, at: new Date().toISOString() },
  };
}

export const photoUrl = ({ sha256 }: Pick<Photo, 'sha256'>, small = false): string => `/api/photos/${sha256}${small ? '?small=yes' : ''}`;
