import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { jobsIn } from '@elder-cog/contract';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { bringIn, createApp, openWorkshop, readFile } from '../index.ts';
import { Chance, times } from './times.ts';

const ZIP = readFileSync(new URL('../../../demo/workshop.eldercog.zip', import.meta.url));
const FLIPS = times(60, 1_500);
const JSON_TEXT = readFileSync(new URL('../../../demo/workshop.json', import.meta.url), 'utf8');

const sentence = async (bytes: Uint8Array): Promise<string> =>
  readFile(bytes).then(
    () => 'taken',
    (error: { code?: string; message: string }) => `${error.code ?? 'threw'}: ${error.message}`,
  );

describe('a packed file on its way', () => {
  it(`with one of ${FLIPS} bits turned is refused, or is read as the same facts`, async () => {
    const whole = JSON.stringify((await readFile(ZIP)).file);
    const chance = new Chance(7);
    let refused = 0;
    for (let n = 0; n < FLIPS; n++) {
      const bytes = Buffer.from(ZIP);
      // the facts come first, the directory last: both are hit, and not the photos alone
      const place = n % 3 === 0 ? chance.whole(bytes.length) : n % 3 === 1 ? chance.whole(40_000) : bytes.length - 1 - chance.whole(900);
      bytes[place] = (bytes[place] ?? 0) ^ (1 << chance.whole(8));
      let read: Awaited<ReturnType<typeof readFile>>;
      try {
        read = await readFile(bytes);
        for (const job of jobsIn(read.file)) for (const { sha256 } of job.photos) await read.packed?.read(`photos/${sha256}`, 12 * 1024 * 1024);
      } catch (error) {
        expect({ place, code: (error as { code?: string }).code }).toEqual({ place, code: 'badFile' });
        refused += 1;
        continue;
      }
      expect({ place, same: JSON.stringify(read.file) === whole }).toEqual({ place, same: true });
    }
    expect(refused).toBeGreaterThan(FLIPS / 2);
    console.log(`${FLIPS} turned bits: ${refused} refused, ${FLIPS - refused} read as the same facts`);
  }, 600_000);
});

const nested = (depth: number): string => `${'['.repeat(depth)}${']'.repeat(depth)}`;
const withJob = (change: (file: { journal: unknown[]; jobs: { readings: unknown[] }[] } & Record<string, unknown>) => void): Uint8Array => {
  const file = JSON.parse(JSON_TEXT) as Parameters<typeof change>[0];
  change(file);
  return strToU8(JSON.stringify(file));
};
const entry = {
  commandId: 'c',
  clientId: 'c',
  who: '',
  at: '2026-01-01T00:00:00.000Z',
  kind: 'job.change',
  jobId: null,
  what: '{}',
  effects: '[]',
  undoes: null,
  undid: null,
};
const packed = (files: Zippable): Uint8Array => zipSync(files, { level: 9 });

/** Packed or bare, each bad in its own way; what each unpacks to would be much. */
const BAD: readonly (readonly [name: string, bytes: () => Uint8Array, says: RegExp])[] = [
  ['a zip of spaces, 300 MB of them', () => packed({ 'job.json': new Uint8Array(300 * 1024 * 1024).fill(32) }), /unpacks to more than 64 MB/],
  [
    'a zip of one list, 70 MB of noughts',
    () => packed({ 'workshop.json': strToU8(`[${'0,'.repeat(36 * 1024 * 1024)}0]`) }),
    /unpacks to more than 64 MB/,
  ],
  ['JSON a hundred thousand deep', () => strToU8(nested(100_000)), /more than 32 deep/],
  ['JSON a million deep, packed', () => packed({ 'job.json': strToU8(nested(1_000_000)) }), /more than 32 deep/],
  ['JSON deep in a job', () => strToU8(JSON_TEXT.replace('"jobs": [', `"x": ${nested(200)}, "jobs": [`)), /more than 32 deep/],
  ['bare JSON of 70 MB', () => new Uint8Array(70 * 1024 * 1024).fill(32), /over 64 MB/],
  [
    'two million readings that are none',
    () => strToU8(JSON_TEXT.replace(/"readings": \[/, `"readings": [${'{},'.repeat(2_000_000)}`)),
    /no more than 100000/,
  ],
  ['ninety thousand wrong ones', () => strToU8(JSON_TEXT.replace(/"readings": \[/, `"readings": [${'{},'.repeat(90_000)}`)), /readings\[0\]/],
  [
    'a journal line whose effects are no JSON',
    () => withJob((file) => file.journal.push({ ...entry, seq: 1, effects: '{' })),
    /journal\[0\].effects/,
  ],
  ['a journal line of a number past counting', () => withJob((file) => file.journal.push({ ...entry, seq: 2 ** 53 - 1 })), /journal\[0\].seq/],
  ['a journal line that takes back one after it', () => withJob((file) => file.journal.push({ ...entry, seq: 1, undoes: 9 })), /stands before it/],
  [
    'thirty thousand little files',
    () => packed(Object.fromEntries(Array.from({ length: 30_000 }, (_, n) => [`x${n}`, new Uint8Array()]))),
    /more than 20000 files/,
  ],
  [
    'the same name twice',
    () => Buffer.concat([packed({ 'job.json': strToU8('{}') }), packed({ 'job.json': strToU8('{}') })]),
    /damaged zip|not an export/,
  ],
  ['a zip whose directory is cut off', () => ZIP.subarray(0, ZIP.length - 30), /damaged zip/],
];

describe('a bad file', () => {
  it.each(BAD)(
    '%s: refused with a sentence, and soon',
    async (_, bytes, says) => {
      const made = bytes();
      const [before, begun] = [process.memoryUsage().rss, performance.now()];
      const said = await sentence(made);
      const took = performance.now() - begun;
      expect(said).toMatch(/^badFile: /);
      expect(said).toMatch(says);
      console.log(
        `${(made.length / 1024).toFixed(0)} kB: ${took.toFixed(0)} ms, ${((process.memoryUsage().rss - before) / 1024 / 1024).toFixed(0)} MB more in use`,
      );
    },
    60_000,
  );

  it('photos that say they are small and are not are broken off as they unpack, one at a time, and none stays', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'elder-cog-bomb-'));
    const workshop = openWorkshop(folder);
    const file = JSON.parse(JSON_TEXT) as { jobs: { job: { id: string }; photos: Record<string, unknown>[] }[] };
    const [job] = file.jobs;
    const names = Array.from({ length: 60 }, (_, n) => n.toString(16).padStart(64, '0'));
    if (job)
      job.photos = names.map((sha256, n) => ({
        id: `b0b00000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`,
        jobId: job.job.id,
        ofKind: 'job',
        ofId: job.job.id,
        sha256,
        mediaType: 'image/png',
        bytes: 1_000,
        width: 1,
        height: 1,
        caption: '',
        who: '',
        at: '2026-01-01T00:00:00.000Z',
      }));
    const blank = new Uint8Array(13 * 1024 * 1024);
    const bytes = packed({ 'workshop.json': strToU8(JSON.stringify(file)), ...Object.fromEntries(names.map((name) => [`photos/${name}`, blank])) });
    const before = process.memoryUsage().rss;
    await expect(bringIn(workshop, bytes)).rejects.toMatchObject({ code: 'badFile', message: expect.stringMatching(/unpacks to more than 12 MB/) });
    console.log(
      `60 blank photos of 13 MB in ${(bytes.length / 1024).toFixed(0)} kB: ${((process.memoryUsage().rss - before) / 1024 / 1024).toFixed(0)} MB more in use`,
    );
    expect(readdirSync(folder)).not.toContain('photos');
    workshop.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('while one is brought in, going back to a backup is refused, and works when it is done', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'elder-cog-busy-'));
    const workshop = openWorkshop(folder);
    const app = createApp({ workshop });
    const backup = await workshop.backUp(true);
    const bringing = bringIn(workshop, ZIP);
    const refused = await app.inject({ method: 'POST', url: '/api/workshop/restore', payload: { name: backup?.name ?? '' } });
    expect([refused.statusCode, refused.json<{ error: { code: string } }>().error.code]).toEqual([409, 'busy']);
    await bringing;
    expect((await app.inject({ method: 'POST', url: '/api/workshop/restore', payload: { name: backup?.name ?? '' } })).statusCode).toBe(200);
    await app.close();
    workshop.close();
    rmSync(folder, { recursive: true, force: true });
  });
});
