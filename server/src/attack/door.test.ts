import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { workshopFile } from '@elder-cog/contract';
import { setPasscode } from '../door.ts';
import { createApp, importFile, openWorkshop, readBare, type App, type Workshop } from '../index.ts';
import { newSession } from '../session.ts';

const DEMO = workshopFile.parse(readBare(readFileSync(new URL('../../../demo/workshop.json', import.meta.url))));
const JOB = DEMO.jobs[0]?.job.id ?? '';
/** Not this machine's own address, as the server sees it; and on this machine all the same. */
const FROM = '127.0.0.2';

let folder: string;
let workshop: Workshop;
let app: App;
let port: number;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'elder-cog-door-'));
  workshop = openWorkshop(folder);
  importFile(workshop.db, DEMO);
  setPasscode(folder, 'three blue washers');
  const page = join(folder, 'page');
  mkdirSync(page);
  writeFileSync(join(page, 'index.html'), '<!doctype html><title>the page</title>');
  app = createApp({ workshop, lan: true, page, stalledMs: 2_000 });
  port = Number(new URL(await app.listen({ host: '0.0.0.0', port: 0 })).port);
});
afterAll(async () => {
  await app.close();
  workshop.close();
  rmSync(folder, { recursive: true, force: true });
});

/** What comes back of some bytes sent as they are, from the other address. */
const raw = (bytes: string, waitMs = 5_000): Promise<string> =>
  new Promise((resolve, reject) => {
    const socket = connect({ port, host: '127.0.0.1', localAddress: FROM });
    let heard = '';
    socket.setTimeout(waitMs, () => socket.destroy());
    socket.on('data', (chunk: Buffer) => (heard += chunk.toString('latin1')));
    socket.on('close', () => resolve(heard));
    socket.on('error', (error: NodeJS.ErrnoException) => (error.code === 'ECONNRESET' ? resolve(heard) : reject(error)));
    socket.on('connect', () => socket.write(bytes));
  });
const request = (line: string, headers: readonly string[] = [], body = ''): string =>
  [
    `${line} HTTP/1.1`,
    `Host: 127.0.0.1:${port}`,
    'Connection: close',
    ...headers,
    ...(body === '' ? [] : [`Content-Length: ${Buffer.byteLength(body)}`]),
    '',
    body,
  ].join('\r\n');

const COMMAND = JSON.stringify({ commandId: 'x' });
/** Ways round the door: the address misspelt, encoded, doubled, absolute; another method; another road in. */
const WAYS: readonly (readonly [name: string, bytes: () => string])[] = [
  ['as it is', () => request('GET /api/jobs')],
  ['one letter encoded', () => request('GET /%61pi/jobs')],
  ['another letter encoded', () => request('GET /ap%69/jobs')],
  ['all letters encoded', () => request('GET /%61%70%69/%6a%6f%62%73')],
  ['absolute', () => request('GET http://x/api/jobs')],
  ['absolute, its own name', () => request(`GET http://127.0.0.1:${port}/api/jobs`)],
  ['absolute and encoded', () => request('GET http://x/%61pi/jobs')],
  ['a slash more', () => request('GET //api/jobs')],
  ['a slash after', () => request('GET /api/jobs/')],
  ['a slash between', () => request('GET /api//jobs')],
  ['a dot between', () => request('GET /api/./jobs')],
  ['up and down', () => request('GET /api/health/../jobs')],
  ['up and down, encoded', () => request('GET /api/health/%2e%2e/jobs')],
  ['an open one with the other behind it', () => request('GET /api/health?/api/jobs')],
  ['a slash encoded', () => request('GET /api%2fjobs')],
  ['a backslash', () => request('GET /api\\jobs')],
  ['capitals', () => request('GET /API/jobs')],
  ['a nought byte', () => request('GET /api/jobs%00')],
  ['a semicolon', () => request('GET /api/jobs;x=y')],
  ['a fragment', () => request('GET /api/jobs#x')],
  ['the head alone', () => request(`HEAD /api/jobs/${JOB}`)],
  ['options', () => request('OPTIONS /api/jobs')],
  ['one job, encoded', () => request(`GET /%61pi/jobs/${JOB}`)],
  ['its file, encoded', () => request(`GET /%61pi/jobs/${JOB}/file?bare=yes`)],
  ['its changes', () => request(`GET /api/jobs/${JOB}/changes?after=x`)],
  ['everything as one file, encoded', () => request('GET /%61pi/workshop/file')],
  ['what is told to pages', () => request('GET /api/events')],
  ['what would be undone', () => request(`GET /%61pi/undo?client=${JOB}`)],
  ['a command, encoded', () => request('POST /%61pi/commands', ['Content-Type: application/json'], COMMAND)],
  ['a backup, encoded', () => request('POST /%61pi/workshop/backups', ['Content-Type: application/json'], '{}')],
  ['going back, encoded', () => request('POST /%61pi/workshop/restore', ['Content-Type: application/json'], '{"name":"2026-01-01T00-00-00Z"}')],
  ['beginning anew', () => request('POST /api/workshop/new', ['Content-Type: application/json'], '{}')],
  [
    'another method said in a header',
    () => request('POST /api/health', ['X-HTTP-Method-Override: GET', 'X-Original-URL: /api/jobs', 'X-Rewrite-URL: /api/jobs']),
  ],
  ['an address said in a header', () => request('GET /api/jobs', ['X-Forwarded-For: 127.0.0.1', 'X-Real-IP: 127.0.0.1', 'Forwarded: for=127.0.0.1'])],
  ['a session of the right length', () => request('GET /api/jobs', [`Cookie: elder-cog=${'0'.repeat(64)}`])],
  ['a session as they once were', () => request('GET /api/jobs', [`Cookie: elder-cog=9999999999999.${'0'.repeat(64)}`])],
  ['a photo', () => request(`GET /%61pi/photos/${'a'.repeat(64)}`)],
  ['an old way of speaking', () => `GET /api/jobs HTTP/1.0\r\n\r\n`],
];

describe('the door, from another address', () => {
  it(`is not walked round in any of ${WAYS.length} ways`, async () => {
    expect(WAYS.length).toBeGreaterThanOrEqual(30);
    for (const [name, bytes] of WAYS) {
      const heard = await raw(bytes(), 3_000);
      const status = /^HTTP\/1\.\d (\d+)/.exec(heard)?.[1] ?? 'closed';
      expect({ name, leaks: /Snow tractor|"jobs"|"backup"|text\/event-stream/.test(heard) }).toEqual({ name, leaks: false });
      // turned away, not there, not understood; or the page or its health, in which there is nothing of any job
      const isOpen = status === '200' && /text\/html|"name":"Elder Cog"/.test(heard);
      expect({ name, status: isOpen ? 'open' : status }).toEqual({ name, status: expect.stringMatching(/^(open|401|403|404|400|405|closed)$/) });
    }
  });
  it('every route there is, asked one after another, is closed but for the two that say they are open', async () => {
    const above: string[] = [];
    const routes = app
      .printRoutes({ commonPrefix: false })
      .split('\n')
      .flatMap((line) => {
        const found = /^([│ ]*)[├└]── (\S+)(?: \(([A-Z, ]+)\))?/.exec(line);
        if (!found) return [];
        const depth = (found[1] ?? '').length / 4;
        above[depth] = `${depth === 0 ? '' : (above[depth - 1] ?? '')}${found[2] ?? ''}`;
        const url = above[depth].replace(':id', JOB).replace(':sha256', 'a'.repeat(64));
        return (found[3] ?? '').split(', ').flatMap((method) => (method === '' ? [] : [{ method, url }]));
      })
      .filter(({ url }) => url.startsWith('/api'));
    expect(routes.length).toBeGreaterThan(25);
    const open: string[] = [];
    for (const { method, url } of routes) {
      const { statusCode } = await app.inject({ method: method as 'GET', url, remoteAddress: FROM, ...(method === 'POST' ? { payload: {} } : {}) });
      if (statusCode !== 401) open.push(`${method} ${url} ${statusCode}`);
    }
    expect(open.toSorted()).toEqual(['GET /api/health 200', 'HEAD /api/health 200', 'POST /api/sign-in 400']);
  });
  it('a session ends where it is signed out, for every copy of its cookie', async () => {
    const cookie = `elder-cog=${newSession(folder)}`;
    const jobs = (): Promise<{ statusCode: number }> => app.inject({ url: '/api/jobs', remoteAddress: FROM, headers: { cookie } });
    expect((await jobs()).statusCode).toBe(200);
    expect((await app.inject({ method: 'POST', url: '/api/sign-out', remoteAddress: FROM, headers: { cookie } })).statusCode).toBe(200);
    expect((await jobs()).statusCode).toBe(401);
  });
  it('wrong tries from twenty addresses are slowed as those from one', async () => {
    const statuses: number[] = [];
    for (let n = 0; n < 40; n++) {
      const remoteAddress = `127.0.1.${1 + (n % 20)}`;
      statuses.push((await app.inject({ method: 'POST', url: '/api/sign-in', remoteAddress, payload: { passcode: `wrong ${n}` } })).statusCode);
    }
    expect(statuses.filter((status) => status === 401).length).toBeLessThanOrEqual(20);
    expect(statuses.slice(-15)).toEqual(Array(15).fill(429));
  });
  it('a body that stops half-way is cut off, and one that only goes slowly is not', async () => {
    const cookie = `Cookie: elder-cog=${newSession(folder)}`;
    const begun = Date.now();
    const heard = await raw(
      request('POST /api/commands', [cookie, 'Content-Type: application/json', 'Content-Length: 400'], '').replace(/\r\n$/, '\r\n{"commandId":'),
      20_000,
    );
    expect(heard).not.toMatch(/ 200 /);
    expect(Date.now() - begun).toBeLessThan(15_000);
    const slow = await new Promise<string>((resolve) => {
      const body = JSON.stringify({ commandId: 'y' });
      const socket = connect({ port, host: '127.0.0.1', localAddress: FROM });
      let said = '';
      socket.on('data', (chunk: Buffer) => (said += chunk.toString()));
      socket.on('close', () => resolve(said));
      socket.write(request('POST /api/commands', [cookie, 'Content-Type: application/json', `Content-Length: ${body.length}`], ''));
      [...body].forEach((letter, i) => setTimeout(() => socket.write(letter), 60 * i));
    });
    expect(slow).toMatch(/^HTTP\/1\.1 400 /);
  });
});
