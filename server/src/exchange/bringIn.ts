import type { Workshop } from '../workshop.ts';
import { importFile, type Imported } from './importFile.ts';
import { withPhotosOf } from './photoFiles.ts';
import { readFile } from './readFile.ts';

type Options = Omit<NonNullable<Parameters<typeof importFile>[2]>, 'data'>;

/**
 * Brings an exported file into a workshop with its photos: all of it or nothing.
 *
 * @param bytes a `.eldercog.zip` or a bare JSON file, as it came
 * @throws WorkshopError as `readFile`, `withPhotosOf` and `importFile`
 */
export async function bringIn(workshop: Workshop, bytes: Uint8Array, options: Options = {}): Promise<Imported> {
  const file = readFile(bytes);
  const { db, folder } = workshop;
  return withPhotosOf(db, folder, bytes, file, () => importFile(db, file, { ...options, data: folder }));
}
