import type { Workshop } from '../workshop.ts';
import { importFile, type ImportOptions, type Imported } from './importFile.ts';
import { withPhotosOf } from './photoFiles.ts';
import { readFile } from './readFile.ts';

/**
 * Brings an exported file into a workshop with its photos: all of it or nothing, while nothing else is brought in or gone back to.
 *
 * @param bytes a `.eldercog.zip` or a bare JSON file, as it came
 * @throws WorkshopError `busy`, and as `readFile`, `withPhotosOf` and `importFile`
 */
export const bringIn = (workshop: Workshop, bytes: Uint8Array, options: Omit<ImportOptions, 'data'> = {}): Promise<Imported> =>
  workshop.alone('Bringing in a file', async () => {
    const { file, packed } = await readFile(bytes);
    workshop.stillThere();
    const { folder } = workshop;
    const imported = await withPhotosOf(workshop.db, folder, packed, file, () => importFile(workshop.db, file, { ...options, data: folder }));
    for (const { id, seq, commandId } of imported.jobs) workshop.tell({ seq, jobId: id, commandId });
    return imported;
  });
