import { Uint8ArrayReader, ZipReader, type Entry, type FileEntry } from '@zip.js/zip.js';
import { WorkshopError } from '../errors.ts';

/** More files than any export of ours has, photos and all. */
const MOST_FILES = 20_000;

/** A packed file, opened and not unpacked: what is in it, and each by itself when it is asked for. */
export interface Packed {
  readonly names: readonly string[];
  /**
   * One of them, unpacked, and held to the check sum it was packed with.
   *
   * @param most bytes it may come to: it is broken off there, while it is being unpacked
   * @returns null where there is none of that name
   * @throws WorkshopError `badFile`
   */
  read(name: string, most: number): Promise<Uint8Array | null>;
}

const damaged = (): WorkshopError =>
  new WorkshopError('badFile', 'That is a damaged zip file: it stops short, or was changed on the way. Export it again.');

export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** @throws WorkshopError `badFile` where it is damaged, or has more in it than an export has */
export async function openPacked(bytes: Uint8Array): Promise<Packed> {
  const entries = new Map<string, FileEntry>();
  try {
    const reader = new ZipReader(new Uint8ArrayReader(bytes), { useWebWorkers: false, checkSignature: true, checkOverlappingEntry: true });
    let count = 0;
    for await (const entry of reader.getEntriesGenerator() as AsyncIterable<Entry>) {
      if (++count > MOST_FILES)
        throw new WorkshopError('badFile', `There are more than ${MOST_FILES} files in that zip: it is not an export of Elder Cog.`);
      if (entry.directory) continue;
      if (entries.has(entry.filename)) throw damaged();
      entries.set(entry.filename, entry);
    }
  } catch (error) {
    throw error instanceof WorkshopError ? error : damaged();
  }
  return {
    names: [...entries.keys()],
    async read(name, most) {
      const entry = entries.get(name);
      return entry ? unpack(entry, name, most) : null;
    },
  };
}

async function unpack(entry: FileEntry, name: string, most: number): Promise<Uint8Array> {
  const tooBig = (): WorkshopError =>
    new WorkshopError(
      'badFile',
      `${name.slice(0, 40)} in that zip unpacks to more than ${Math.round(most / 1024 / 1024)} MB: it is not one of ours.`,
    );
  const chunks: Uint8Array[] = [];
  let size = 0;
  const sink = new WritableStream<Uint8Array>({
    write(chunk) {
      size += chunk.length;
      if (size > most) throw tooBig();
      chunks.push(chunk);
    },
  });
  try {
    await entry.getData(sink);
  } catch (error) {
    throw error instanceof WorkshopError || size > most ? tooBig() : damaged();
  }
  return Buffer.concat(chunks, size);
}
