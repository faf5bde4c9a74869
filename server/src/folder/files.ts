import { createHash, randomBytes } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, readFileSync, renameSync, statSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';

/** A name nothing else has: made of the moment, to the second, and of chance. */
export const uniqueName = (now = new Date()): string => `${stampOf(now)}-${randomBytes(3).toString('hex')}`;
/** "2026-11-01T10-00-00Z": a moment as a folder is named for it. */
export const stampOf = (now: Date): string => `${now.toISOString().slice(0, 19).replace(/:/g, '-')}Z`;

export const isFolder = (path: string): boolean => existsSync(path) && statSync(path).isDirectory();
export const isFile = (path: string): boolean => existsSync(path) && statSync(path).isFile();
/** Names in a folder; none where there is no such folder. */
export const namesIn = (folder: string): string[] => (isFolder(folder) ? readdirSync(folder) : []);

/** Written whole under another name, and only then given its own: a cut leaves nothing that looks like it. */
export function writeWhole(path: string, bytes: Uint8Array | string): void {
  mkdirSync(dirname(path), { recursive: true });
  // a folder under that name is somebody else's: it is left as it is, under another
  if (isFolder(path)) renameSync(path, `${path}.${uniqueName()}`);
  const part = `${path}.part`;
  const file = openSync(part, 'w', 0o600);
  try {
    writeSync(file, typeof bytes === 'string' ? Buffer.from(bytes) : bytes);
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  renameSync(part, path);
  settle(dirname(path));
}

/** Makes sure that the names in a folder are on the disk, where the system has a way to. */
export function settle(folder: string): void {
  try {
    const handle = openSync(folder, 'r');
    fsyncSync(handle);
    closeSync(handle);
  } catch {
    // not every system lets a folder be opened
  }
}

/** What a file of JSON holds; null where it is not there, or cannot be read. */
export function readJson(path: string): unknown {
  try {
    return JSON.parse(readFileSync(path, 'utf8')) as unknown;
  } catch {
    return null;
  }
}

export const sha256Of = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');
/** Whether a photo's bytes are those it is named for. */
export const isWhole = (path: string, sha256: string): boolean => isFile(path) && sha256Of(readFileSync(path)) === sha256;
