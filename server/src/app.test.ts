import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { workshopFile, type DrawerReply, type JobReply, type ShelfReply } from '@elder-cog/contract';
import type { InjectOptions } from 'fastify';
import { createApp, importFile, memoryWorkshop, openDb, readBare, type App, type Db } from './index.ts';

const DEMO = workshopFile.parse(readBare(readFileSync(new URL('../../demo/workshop.json', import.meta.url))));
const page = mkdtempSync(join(tmpdir(), 'elder-cog-page-'));
mkdirSync(join(page, 'assets'));
writeFileSync(join(page, 'index.html'), '<!doctype html><title>the page</title>');
writeFileSync(join(page, 'assets', 'app.js'), 'export {};');
afterAll(() => rmSync(page, { recursive: true, force: true }));

let db: Db;
let app: App;
beforeEach(() => {
  db = openDb(':memory:');
  importFile(db, DEMO);
  app = createApp({ workshop: memoryWorkshop(db), page });
});
afterEach(async () => {
  await app.close();
  db.close();
});

describe('the page', () => {
  it('is sent for any address a person may have open', async () => {
    for (const url of ['/', '/drawer', '/jobs/x/section?shaft=y', '/nowhere']) {
      const { statusCode, body } = await app.inject(url);
      expect([url, statusCode, body.includes('the page')]).toEqual([url, 200, true]);
    }
  });
  it('has its own files, and a missing one is missing', async () => {
    expect((await app.inject('/assets/app.js')).headers['content-type']).toMatch(/javascript/);
    expect((await app.inject('/assets/gone.js')).statusCode).toBe(404);
  });
  it('never lets out a file above it', async () => {
    for (const url of ['/../package.json', '/%2e%2e/package.json', '/assets/../../package.json'])
      expect((await app.inject(url)).body).not.toContain('"name"');
  });
});

describe('what is asked for', () => {
  const get = async <Reply>(url: string): Promise<Reply> => (await app.inject(url)).json();
  it('the Shelf: the machine with its worst mark, what is next and how far', async () => {
    const { jobs } = await get<ShelfReply>('/api/jobs');
    expect(jobs).toMatchObject([
      {
        job: { machine: 'Snow tractor' },
        worst: { mark: 'loose', name: 'Input shaft float' },
        next: 'Change the pack: 9.5 thou wanted.',
        far: 5,
        who: 'J. T.',
      },
    ]);
    expect(jobs[0]?.boxes).toEqual(['Transfer box', 'Gearbox']);
  });
  it('a job: exactly the facts that were put in', async () => {
    const reply = await get<JobReply>(`/api/jobs/${DEMO.jobs[0]?.job.id ?? ''}`);
    expect(reply.facts).toEqual(DEMO.jobs[0]);
    expect((await get<DrawerReply>('/api/drawer')).lots).toHaveLength(DEMO.lots.length);
  });
  it('the Drawer: what is owned, and which of it sits in which machine', async () => {
    const { lots, fitted } = await get<DrawerReply>('/api/drawer');
    expect(lots.map((l) => l.thickness)).toEqual([...lots.map((l) => l.thickness)].sort((a, b) => a - b));
    expect(fitted.map((f) => `${f.machine}, ${f.slotName}: ${f.count} × ${f.written}`).sort()).toEqual([
      'Snow tractor, Pack under the cover: 1 × 15',
      'Snow tractor, Thrust washer: 1 × 3.90',
      'Snow tractor, Thrust washer: 1 × 4.00',
    ]);
  });
});

describe('what is refused', () => {
  const refusal = async (request: InjectOptions | string): Promise<[number, string]> => {
    const reply = await app.inject(request);
    return [reply.statusCode, reply.json<{ error: { code: string; message: string } }>().error.message];
  };
  it('an address that is no id, in a sentence', async () => expect((await refusal('/api/jobs/17'))[0]).toBe(400));
  it('a body that is too large, before it is read', async () => {
    const [status, message] = await refusal({
      method: 'POST',
      url: '/api/commands',
      headers: { 'content-type': 'application/json' },
      payload: JSON.stringify({ x: 'y'.repeat(3_000_000) }),
    });
    expect(status).toBe(413);
    expect(message).toMatch(/^[A-Z].*\.?$/);
  });
  it('a body of another kind', async () =>
    expect((await refusal({ method: 'POST', url: '/api/commands', headers: { 'content-type': 'application/xml' }, payload: '<hello/>' }))[0]).toBe(
      415,
    ));
  it('a method that nothing answers', async () => expect((await refusal({ method: 'DELETE', url: '/api/jobs' }))[0]).toBe(404));
  it('and nothing of it is written', async () => {
    const before = db.prepare('SELECT count(*) AS n FROM journal').get();
    await refusal({ method: 'POST', url: '/api/commands', payload: { commandId: 'x' } });
    expect(db.prepare('SELECT count(*) AS n FROM journal').get()).toEqual(before);
  });
});

describe('what a browser may keep', () => {
  it('is nothing of what is asked for: a page gone back to is as it is now', async () => {
    for (const url of ['/api/jobs', '/api/drawer']) expect((await app.inject(url)).headers['cache-control']).toBe('no-store');
  });
});
