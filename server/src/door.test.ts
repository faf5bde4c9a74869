import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { workshopFile } from '@elder-cog/contract';
import type { InjectOptions, LightMyRequestResponse } from 'fastify';
import { createApp, importFile, openWorkshop, readBare, type App, type Workshop } from './index.ts';
import { ownAddresses, setPasscode } from './door.ts';
import { hasPasscode, isPasscode, isSession, newSession } from './session.ts';

const DEMO = workshopFile.parse(readBare(readFileSync(new URL('../../demo/workshop.json', import.meta.url))));
const JOB = DEMO.jobs[0]?.job.id ?? '';
const TABLET = '192.168.77.9';
const PASSCODE = 'three blue washers';

let folder: string;
let workshop: Workshop;
let app: App;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'elder-cog-door-'));
  workshop = openWorkshop(folder);
  importFile(workshop.db, DEMO);
  setPasscode(folder, PASSCODE);
  app = createApp({ workshop, lan: true });
});
afterEach(async () => {
  await app.close();
  workshop.close();
  rmSync(folder, { recursive: true, force: true });
});

const from = (options: InjectOptions, cookie?: string): Promise<LightMyRequestResponse> =>
  app.inject({ remoteAddress: TABLET, ...options, headers: { ...options.headers, ...(cookie ? { cookie } : {}) } });
const signIn = (passcode: string): Promise<LightMyRequestResponse> => from({ method: 'POST', url: '/api/sign-in', payload: { passcode } });
const codeOf = (reply: LightMyRequestResponse): unknown => [reply.statusCode, reply.json<{ error?: { code: string } }>().error?.code];

describe('a tablet on the workshop’s network', () => {
  it('sees nothing of any job without the passcode, by any road', async () => {
    for (const url of [
      '/api/jobs',
      `/api/jobs/${JOB}`,
      `/api/jobs/${JOB}/file`,
      `/api/jobs/${JOB}/journal`,
      `/api/jobs/${JOB}/readings.csv`,
      '/api/drawer',
      '/api/workshop',
      '/api/workshop/file',
      '/api/workshop/check',
    ]) {
      const reply = await from({ url });
      expect([url, ...(codeOf(reply) as unknown[])]).toEqual([url, 401, 'signIn']);
      expect(reply.body).not.toMatch(/Snow tractor/);
    }
    for (const url of ['/api/commands', '/api/files', '/api/workshop/backups', '/api/workshop/restore'])
      expect(codeOf(await from({ method: 'POST', url, payload: {} }))).toEqual([401, 'signIn']);
  });
  it('is asked once: the passcode gives it a cookie no script can read and no other page can send', async () => {
    const reply = await signIn(PASSCODE);
    expect(reply.statusCode).toBe(200);
    const [cookie] = reply.cookies;
    expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: '/' });
    const session = `${cookie?.name ?? ''}=${cookie?.value ?? ''}`;
    expect((await from({ url: '/api/jobs' }, session)).json()).toMatchObject({ jobs: [{ job: { machine: 'Snow tractor' } }] });
    expect(codeOf(await from({ url: '/api/jobs' }, `${session.slice(0, -1)}${session.endsWith('0') ? '1' : '0'}`))).toEqual([401, 'signIn']);
    setPasscode(folder, 'another passcode');
    expect(codeOf(await from({ url: '/api/jobs' }, session))).toEqual([401, 'signIn']);
  });
  it('that tries wrong ones is told so, and then slowed, right or wrong', async () => {
    const tries: unknown[] = [];
    for (let i = 0; i < 10; i++) tries.push(codeOf(await signIn(`wrong ${i}`)));
    expect(tries.slice(0, 5)).toEqual(Array(5).fill([401, 'wrongPasscode']));
    expect(tries.slice(5)).toEqual(Array(5).fill([429, 'tooManyTries']));
    expect(codeOf(await signIn(PASSCODE))).toEqual([429, 'tooManyTries']);
  });
  it('cannot change the passcode', async () => {
    const session = `elder-cog=${newSession(folder)}`;
    expect(codeOf(await from({ method: 'POST', url: '/api/workshop/passcode', payload: { passcode: 'mine from now on' } }, session))).toEqual([
      403,
      'elsewhere',
    ]);
    expect(isPasscode(folder, PASSCODE)).toBe(true);
  });
});

describe('the machine itself', () => {
  it('needs no passcode, and sets it', async () => {
    expect((await app.inject('/api/jobs')).statusCode).toBe(200);
    expect((await app.inject({ method: 'POST', url: '/api/workshop/passcode', payload: { passcode: 'short' } })).json()).toMatchObject({
      error: { field: 'passcode' },
    });
    expect((await app.inject({ method: 'POST', url: '/api/workshop/passcode', payload: { passcode: 'long enough' } })).statusCode).toBe(200);
    expect(isPasscode(folder, ' long enough ')).toBe(true);
  });
});

describe('whoever comes', () => {
  const headers = (more: Record<string, string>): InjectOptions => ({ url: '/api/jobs', headers: more });
  it('by another name of this machine, or from another page, is turned away', async () => {
    expect(codeOf(await app.inject(headers({ host: 'workshop.example' })))).toEqual([403, 'elsewhere']);
    expect(codeOf(await app.inject(headers({ host: 'localhost:4710', origin: 'http://elsewhere.example' })))).toEqual([403, 'elsewhere']);
    expect(codeOf(await app.inject(headers({ host: 'localhost:4710', origin: 'null' })))).toEqual([403, 'elsewhere']);
    expect(codeOf(await app.inject({ method: 'POST', url: '/api/commands', headers: { 'sec-fetch-site': 'cross-site' }, payload: {} }))).toEqual([
      403,
      'elsewhere',
    ]);
    expect((await app.inject(headers({ host: '127.0.0.1:4710', origin: 'http://127.0.0.1:4710' }))).statusCode).toBe(200);
    for (const own of [...ownAddresses(), hostname(), `${hostname()}.local`])
      expect((await app.inject(headers({ host: `${own}:4710` }))).statusCode).toBe(200);
  });
  it('finds only this machine’s own loopback names while the network is shut', async () => {
    const shut = createApp({ workshop });
    for (const address of ownAddresses()) expect((await shut.inject(headers({ host: `${address}:4710` }))).statusCode).toBe(403);
    expect((await shut.inject('/api/jobs')).statusCode).toBe(200);
    await shut.close();
  });
});

describe('the passcode', () => {
  it('is kept hashed, never itself', () => {
    const file = readFileSync(join(folder, 'passcode.json'), 'utf8');
    expect(file).not.toContain('washers');
    expect(hasPasscode(folder)).toBe(true);
    expect([isPasscode(folder, PASSCODE), isPasscode(folder, 'three blue washer')]).toEqual([true, false]);
  });
  it('gives sessions that end, and that nobody can make up', () => {
    const session = newSession(folder, 0);
    expect(isSession(folder, session, 1)).toBe(true);
    expect(isSession(folder, session, 91 * 24 * 3_600_000)).toBe(false);
    for (const made of [undefined, '', 'x', `9999999999999.${'0'.repeat(64)}`, `${session.startsWith('0') ? '1' : '0'}${session.slice(1)}`])
      expect(isSession(folder, made, 1)).toBe(false);
  });
});
