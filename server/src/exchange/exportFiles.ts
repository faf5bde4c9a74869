import { FILE_LIMIT_MB, FILE_VERSION, jobsIn, type JobFile, type WorkshopFile } from '@elder-cog/contract';
import { fittedIn, jobReadings } from '@elder-cog/derive';
import { strToU8, zipSync, type Zippable } from 'fflate';
import Papa from 'papaparse';
import { WorkshopError } from '../errors.ts';
import { readPhoto } from './photoFiles.ts';
import { everyFact, jobFacts } from '../store/facts.ts';
import { instruments } from '../store/instruments.ts';
import { journal } from '../store/journal.ts';
import { lots } from '../store/lots.ts';
import type { Db } from '../store/open.ts';
import { stocks } from '../store/stock.ts';

/**
 * A job with the leaves its builds name, and those that were made for it. Of those, as many are said to be owned as sit in its current builds: they go with the machine,
 * and the rest of the drawer stays at home.
 */
export function jobFile(db: Db, jobId: string, madeAt: string): JobFile {
  const job = jobFacts(db, jobId);
  const named = new Set([
    ...job.makings.flatMap(({ lotId, beside }) => [lotId, ...beside.map((leaf) => leaf.lotId)]),
    ...job.builds.flatMap((b) => b.fits.flatMap((f) => f.leaves.flatMap((l) => (l.lotId === null ? [] : [l.lotId])))),
  ]);
  const fitted = fittedIn(job);
  const inIt = (id: string): number => fitted.filter((f) => f.lotId === id).reduce((sum, f) => sum + f.count, 0);
  return {
    format: 'elder-cog/job',
    version: FILE_VERSION,
    madeAt,
    job,
    lots: lots
      .all(db)
      .filter((lot) => named.has(lot.id))
      .map((lot) => ({ ...lot, owned: inIt(lot.id) })),
  };
}

/** What the facts themselves may take, packed, beside the photos. */
const ROOM_FOR_FACTS_MB = 26;

/** Every job, the Drawer with its instruments and stock, and the journal. */
export const workshopFile = (db: Db, madeAt: string): WorkshopFile => ({
  format: 'elder-cog/workshop',
  version: FILE_VERSION,
  madeAt,
  jobs: everyFact(db),
  lots: lots.all(db),
  instruments: instruments.all(db),
  stock: stocks.all(db),
  journal: journal.all(db),
});

/**
 * As it is sent away: the file, and its photos, each named by its SHA-256.
 *
 * @param data the folder the photos are in; null for a workshop in memory, which has none
 * @throws WorkshopError `tooBig` where it would be more than can be brought in again
 */
export function zipped(file: JobFile | WorkshopFile, data: string | null): Uint8Array {
  const name = file.format === 'elder-cog/job' ? 'job.json' : 'workshop.json';
  const photos = new Map(jobsIn(file).flatMap((job) => job.photos.map((photo) => [photo.sha256, photo.bytes])));
  const megabytes = Math.ceil([...photos.values()].reduce((sum, bytes) => sum + bytes, 0) / 1024 / 1024);
  if (megabytes > FILE_LIMIT_MB - ROOM_FOR_FACTS_MB)
    throw new WorkshopError(
      'tooBig',
      `With its photos that is ${megabytes} MB, and ${FILE_LIMIT_MB} MB is the most that can be brought in again. Export a machine at a time, or back the workshop up, which takes any size.`,
    );
  const entries: Zippable = { [name]: strToU8(`${JSON.stringify(file, null, 1)}\n`), 'photos/': new Uint8Array() };
  for (const sha256 of photos.keys()) {
    const found = data === null ? null : readPhoto(data, sha256, false);
    // a photo is packed small already
    if (found) entries[`photos/${sha256}`] = [found.bytes, { level: 0 }];
  }
  // the same file is the same bytes, whenever it is packed
  return zipSync(entries, { mtime: file.madeAt });
}

/** "snow-tractor-1957": a machine's name as a file's. */
export const fileName = (machine: string, year: string): string =>
  `${machine} ${year}`
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'machine';

/** Every reading of a job, one a line, for a spreadsheet: as entered, and as it reckons in both systems. */
export function readingsCsv(db: Db, jobId: string): string {
  return `${Papa.unparse(jobReadings(jobFacts(db, jobId)), { header: true, newline: '\n', escapeFormulae: true })}\n`;
}
