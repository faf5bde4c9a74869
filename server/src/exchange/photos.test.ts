import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { jobFile as jobFileShape, workshopFile, type Change, type Photo } from '@elder-cog/contract';
import { withdrawnIds } from '@elder-cog/derive';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { createApp, importFile, openWorkshop, readBare, type App, type Workshop } from '../index.ts';
import { hugePng } from '../../../tools/hugePng.ts';
import { jobFacts } from '../store/facts.ts';
import { times } from '../attack/times.ts';
import { bundledServer, startServer } from '../testing.ts';

const here = dirname(fileURLToPath(import.meta.url));
const DEMO = workshopFile.parse(readBare(readFileSync(join(here, '..', '..', '..', 'demo', 'workshop.json'))));
const [JOB] = DEMO.jobs;
const jobId = JOB?.job.id ?? '';
const stripId = JOB?.strip[0]?.id ?? '';

let folder: string;
let workshop: Workshop;
let app: App;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'elder-cog-photos-'));
  workshop = openWorkshop(folder);
  importFile(workshop.db, DEMO);
  app = createApp({ workshop });
});
afterEach(async () => {
  await app.close();
  workshop.close();
  rmSync(folder, { recursive: true, force: true });
});

const jpeg = (shade: number): Promise<Buffer> =>
  sharp({ create: { width: 64, height: 48, channels: 3, background: { r: shade, g: 90, b: 60 } } })
    .jpeg()
    .toBuffer();
const sent = (payload: Buffer, type = 'image/jpeg') => app.inject({ method: 'POST', url: '/api/photos', payload, headers: { 'content-type': type } });
const photosIn = (data: string): string[] => (existsSync(join(data, 'photos')) ? readdirSync(join(data, 'photos')).filter((n) => n !== 'small') : []);

let count = 0;
const newId = (): string => `0000000a-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const CLIENT = newId();
const added = (kept: Pick<Photo, 'sha256' | 'mediaType' | 'bytes' | 'width' | 'height'>): Change => ({
  kind: 'photo.add',
  photo: { id: newId(), jobId, ofKind: 'strip', ofId: stripId, caption: 'Float', who: '', at: '2026-11-01T10:00:00.000Z', ...kept },
});
const commanded = (change: Change) =>
  app.inject({
    method: 'POST',
    url: '/api/commands',
    payload: { commandId: newId(), clientId: CLIENT, who: '', at: '2026-11-01T10:00:00.000Z', change },
  });

describe('a photo', () => {
  it('is kept under the SHA-256 of its bytes, with a small one beside it, and given back as it came', async () => {
    const bytes = await jpeg(10);
    const reply = await sent(bytes);
    const kept = reply.json<Photo>();
    expect(kept).toEqual({
      sha256: createHash('sha256').update(bytes).digest('hex'),
      mediaType: 'image/jpeg',
      bytes: bytes.length,
      width: 64,
      height: 48,
    });
    expect((await commanded(added(kept))).statusCode).toBe(200);
    const whole = await app.inject(`/api/photos/${kept.sha256}`);
    expect(whole.headers['content-type']).toBe('image/jpeg');
    expect(whole.rawPayload.equals(bytes)).toBe(true);
    expect((await app.inject(`/api/photos/${kept.sha256}?small=yes`)).headers['content-type']).toBe('image/jpeg');
    expect(readdirSync(join(folder, 'photos', 'small'))).toEqual([`${kept.sha256}.jpg`]);
    expect((await app.inject('/api/photos/..%2f..%2fworkshop.sqlite')).statusCode).toBe(404);
  });
  it('is known by what is in it, not by what it is called', async () => {
    for (const [payload, says] of [
      [Buffer.from('shims 12 and 5\n'.repeat(30)), /not a picture, whatever it is called/],
      [Buffer.from('GIF89a\x01\0\x01\0\0\0\0;', 'latin1'), /a GIF: save it as PNG/],
      [Buffer.from('%PDF-1.7\n%…'), /a PDF/],
      [Buffer.concat([Buffer.from('\0\0\0\x18ftypheic\0\0\0\0heicmif1'), Buffer.alloc(64)]), /HEIC photo/],
      [(await jpeg(1)).subarray(0, 200), /damaged/],
      [Buffer.alloc(0), /No photo came/],
    ] as const) {
      const reply = await sent(payload);
      expect([reply.statusCode, reply.json<{ error: { message: string } }>().error.message]).toEqual([400, expect.stringMatching(says)]);
    }
    expect(photosIn(folder)).toEqual([]);
  });
  it('of more than twelve million bytes, or fifty million pixels, is refused before it is unpacked', async () => {
    const big = await sent(Buffer.alloc(13 * 1024 * 1024));
    expect([big.statusCode, big.json<{ error: { code: string } }>().error.code]).toEqual([413, 'photoTooBig']);
    const wide = hugePng(30_000);
    expect(wide.length).toBeLessThan(1024 * 1024);
    const reply = await sent(wide, 'image/png');
    expect([reply.statusCode, reply.json<{ error: { message: string } }>().error.message]).toEqual([400, expect.stringContaining('30000 × 30000')]);
    expect(photosIn(folder)).toEqual([]);
  }, 60_000);
  it('is not written down before its bytes are there', async () => {
    const reply = await commanded(added({ sha256: 'a'.repeat(64), mediaType: 'image/jpeg', bytes: 9, width: 1, height: 1 }));
    expect([reply.statusCode, reply.json<{ error: { code: string } }>().error.code]).toEqual([409, 'photoGone']);
  });
});

describe('photos in a file', () => {
  it('go out with the machine and come in with it, the same to the last byte', async () => {
    const bytes = await jpeg(20);
    const kept = (await sent(bytes)).json<Photo>();
    await commanded(added(kept));
    const zip = (await app.inject(`/api/jobs/${jobId}/file`)).rawPayload;
    expect(Buffer.from(unzipSync(zip)[`photos/${kept.sha256}`] ?? []).equals(bytes)).toBe(true);
    const away = mkdtempSync(join(tmpdir(), 'elder-cog-away-'));
    const other = openWorkshop(away);
    const there = createApp({ workshop: other });
    const brought = await there.inject({ method: 'POST', url: '/api/files', payload: zip, headers: { 'content-type': 'application/octet-stream' } });
    expect(brought.statusCode).toBe(200);
    expect((await there.inject(`/api/photos/${kept.sha256}`)).rawPayload.equals(bytes)).toBe(true);
    expect(jobFacts(other.db, jobId)).toEqual(jobFacts(workshop.db, jobId));
    // the same again is refused, and leaves no photo that nothing names
    expect(
      (await there.inject({ method: 'POST', url: '/api/files', payload: zip, headers: { 'content-type': 'application/octet-stream' } })).statusCode,
    ).toBe(409);
    expect(photosIn(away)).toEqual([kept.sha256]);
    await there.close();
    other.close();
    rmSync(away, { recursive: true, force: true });
  });
  it('that did not come with a bare job are struck through, with why', async () => {
    await commanded(added((await sent(await jpeg(30))).json<Photo>()));
    const bare = (await app.inject(`/api/jobs/${jobId}/file?bare=yes`)).rawPayload;
    expect(jobFileShape.parse(JSON.parse(bare.toString())).job.photos).toHaveLength(1);
    const away = mkdtempSync(join(tmpdir(), 'elder-cog-away-'));
    const other = openWorkshop(away);
    const there = createApp({ workshop: other });
    await there.inject({ method: 'POST', url: '/api/files', payload: bare, headers: { 'content-type': 'application/octet-stream' } });
    const facts = jobFacts(other.db, jobId);
    expect(withdrawnIds(facts).has(facts.photos[0]?.id ?? '')).toBe(true);
    expect(facts.withdrawals.at(-1)?.why).toMatch(/did not come/);
    await there.close();
    other.close();
    rmSync(away, { recursive: true, force: true });
  });
  it('are in a backup, and come back from it', async () => {
    const kept = (await sent(await jpeg(40))).json<Photo>();
    await commanded(added(kept));
    const backup = await workshop.backUp(true);
    rmSync(join(folder, 'photos'), { recursive: true, force: true });
    workshop.restore(backup?.name ?? '');
    expect(photosIn(folder)).toEqual([kept.sha256]);
  });
});

describe('the sweep at the start', () => {
  it('sets aside photos that no row names, with a note and in the journal, leaves strangers’ files alone, and takes no row back', async () => {
    const kept = (await sent(await jpeg(50))).json<Photo>();
    await commanded(added(kept));
    const orphan = (await sent(await jpeg(51))).json<Photo>();
    writeFileSync(join(folder, 'photos', `${'c'.repeat(64)}.part`), 'half');
    writeFileSync(join(folder, 'photos', 'holiday.jpg'), 'not ours');
    workshop.close();
    workshop = openWorkshop(folder);
    expect(workshop.recovered).toEqual([expect.stringMatching(/^A photo that no machine names was set aside in set-aside-photos-/)]);
    expect(photosIn(folder).toSorted()).toEqual([kept.sha256, 'holiday.jpg'].toSorted());
    const aside = readdirSync(folder).find((name) => name.startsWith('set-aside-photos-')) ?? '';
    expect(readdirSync(join(folder, aside)).toSorted()).toEqual([orphan.sha256, 'note.txt'].toSorted());
    expect(workshop.db.prepare("SELECT what FROM journal WHERE kind = 'sweep'").pluck().get()).toContain(orphan.sha256);
    // and it is there again as soon as something names it
    await app.close();
    app = createApp({ workshop });
    expect((await commanded(added(orphan))).statusCode).toBe(200);
    expect(photosIn(folder)).toContain(orphan.sha256);
  });
  it('keeps the row of a photo whose file is away, says so, and has it again when the file is back', async () => {
    const bytes = await jpeg(52);
    const kept = (await sent(bytes)).json<Photo>();
    await commanded(added(kept));
    renameSync(join(folder, 'photos'), join(folder, 'photos-elsewhere'));
    workshop.close();
    workshop = openWorkshop(folder);
    expect(workshop.recovered).toEqual([expect.stringMatching(/^A photo is missing from the data folder: shown as missing/)]);
    const facts = jobFacts(workshop.db, jobId);
    expect(withdrawnIds(facts).has(facts.photos[0]?.id ?? '')).toBe(false);
    renameSync(join(folder, 'photos-elsewhere'), join(folder, 'photos'));
    workshop.close();
    workshop = openWorkshop(folder);
    expect(workshop.recovered).toEqual([]);
    await app.close();
    app = createApp({ workshop });
    expect((await app.inject(`/api/photos/${kept.sha256}`)).rawPayload.equals(bytes)).toBe(true);
  });
});

/** Kills while photos are being sent. */
const KILLS = times(12, 50);

describe('the power goes while photos are being sent', () => {
  it(`${KILLS} times: no file without a row, no row without a file, after the sweep at the start`, async () => {
    const server = await bundledServer('photos');
    const data = mkdtempSync(join(tmpdir(), 'elder-cog-cut-'));
    const first = openWorkshop(data);
    importFile(first.db, DEMO);
    first.close();
    let shade = 0;
    let kept = 0;
    for (let kill = 0; kill < KILLS; kill++) {
      const { child, url } = await startServer(server, data);
      let going = true;
      let now = 0;
      const ended = new Promise((resolve) => child.on('exit', resolve));
      const bursts = [0, 1].map(async () => {
        while (going) {
          try {
            const photo = await sharp({
              create: { width: 400, height: 300, channels: 3, background: { r: ++shade % 256, g: (shade >> 8) % 256, b: 7 } },
            })
              .jpeg()
              .toBuffer();
            const reply = await fetch(`${url}/api/photos`, {
              method: 'POST',
              headers: { 'content-type': 'image/jpeg' },
              body: new Uint8Array(photo),
            });
            const command = {
              commandId: newId(),
              clientId: CLIENT,
              who: '',
              at: '2026-11-01T10:00:00.000Z',
              change: added((await reply.json()) as Photo),
            };
            const done = await fetch(`${url}/api/commands`, {
              method: 'POST',
              headers: { 'content-type': 'application/json' },
              body: JSON.stringify(command),
            });
            if (done.ok && ++now === 1 + (kill % 4)) setTimeout(() => child.kill('SIGKILL'), (kill * 37) % 29);
            if (done.ok) kept += 1;
          } catch {
            going = false;
          }
        }
      });
      await Promise.all([...bursts, ended]);
    }
    const after = openWorkshop(data);
    const facts = jobFacts(after.db, jobId);
    const standing = facts.photos.filter((p) => !withdrawnIds(facts).has(p.id));
    expect(kept).toBeGreaterThanOrEqual(KILLS);
    expect(standing.length).toBeGreaterThanOrEqual(kept);
    expect(new Set(standing.map((p) => p.sha256))).toEqual(new Set(photosIn(data)));
    expect(facts.photos.length).toBe(standing.length);
    console.log(`${KILLS} kills: ${kept} photos acknowledged, ${standing.length} kept, ${photosIn(data).length} files`);
    after.close();
    rmSync(data, { recursive: true, force: true });
  }, 180_000);
});
