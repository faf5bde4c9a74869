import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { allFacts, bringIn, holdWorkshop, jobFacts, journalDisagrees, openWorkshop } from '../index.ts';
import { bundled, bundledServer, startServer } from '../testing.ts';
import { times } from './times.ts';

const here = dirname(fileURLToPath(import.meta.url));
const ZIP = readFileSync(join(here, '..', '..', '..', 'demo', 'workshop.eldercog.zip'));
/** How many machines are in it. */
const MACHINES = 3;
const IMPORTS = times(5, 20);
const BACKUPS = times(5, 20);
/** Each step of going back that cannot be half done: the power goes before it. */
const STEPS = [
  'intent',
  'aside workshop.sqlite-wal',
  'aside workshop.sqlite-shm',
  'aside workshop.sqlite',
  'aside workshop.json',
  'turn',
  'in workshop.sqlite-wal',
  'in workshop.sqlite',
  'in workshop.json',
  'done',
] as const;

let server: string;
beforeAll(async () => {
  server = await bundledServer('kills');
});

const folders: string[] = [];
afterAll(() => folders.forEach((folder) => rmSync(folder, { recursive: true, force: true })));
const fresh = (): string => {
  const folder = mkdtempSync(join(tmpdir(), 'elder-cog-kills-'));
  folders.push(folder);
  return folder;
};

type Doing = (url: string) => Promise<boolean>;

/** How long it takes here when nothing goes wrong, in milliseconds: what the power is cut in the middle of differs from machine to machine. */
async function undisturbed(folder: string, doing: Doing): Promise<number> {
  const { child, url } = await startServer(server, folder);
  const ended = new Promise((resolve) => child.on('exit', resolve));
  const began = performance.now();
  const isDone = await doing(url);
  const took = performance.now() - began;
  child.kill('SIGKILL');
  await ended;
  expect(isDone).toBe(true);
  return took;
}

/** Spread from the first moments to well after the end, so that some are caught before, some in the middle and some after. */
const share = (kill: number, kills: number): number => 0.05 + (2.5 * kill) / (kills - 1);

/** Starts the server, does something to it, and kills it after so many milliseconds. */
async function killedWhile(folder: string, ms: number, doing: Doing): Promise<boolean> {
  const { child, url } = await startServer(server, folder);
  const ended = new Promise((resolve) => child.on('exit', resolve));
  const cut = setTimeout(ms).then(() => child.kill('SIGKILL'));
  const answered = await doing(url).catch(() => false);
  await cut;
  await ended;
  return answered;
}

/** The start's own backup comes first, and what may not run beside it is refused meanwhile: asked again until it is taken. */
async function untilTaken(ask: () => Promise<Response>): Promise<boolean> {
  for (;;) {
    const reply = await ask();
    if (reply.status !== 409) return reply.ok;
    await setTimeout(20);
  }
}

const bringOver: Doing = (url) =>
  untilTaken(() =>
    fetch(`${url}/api/files?copy=yes`, { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body: new Uint8Array(ZIP) }),
  );

const backUp: Doing = (url) =>
  untilTaken(() => fetch(`${url}/api/workshop/backups`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }));

describe('the power goes', () => {
  it(`${IMPORTS} times while a machine is brought in: it is there whole with its photos, or not at all`, async () => {
    const folder = fresh();
    openWorkshop(folder).close();
    const whole = await undisturbed(folder, bringOver);
    let acknowledged = 1;
    for (let kill = 0; kill < IMPORTS; kill++) if (await killedWhile(folder, whole * share(kill, IMPORTS), bringOver)) acknowledged += 1;
    const workshop = openWorkshop(folder);
    const jobs = allFacts(workshop.db);
    expect(jobs.length).toBeGreaterThanOrEqual(acknowledged * MACHINES);
    expect(jobs.length % MACHINES).toBe(0);
    const photos = new Set(readdirSync(join(folder, 'photos')));
    for (const facts of jobs) {
      expect(facts.readings.length).toBeGreaterThan(0);
      for (const photo of facts.photos) expect(photos.has(photo.sha256)).toBe(true);
    }
    expect(journalDisagrees(workshop.db)).toEqual([]);
    console.log(`${IMPORTS} kills while importing: ${acknowledged} acknowledged, ${jobs.length} there, each whole`);
    workshop.close();
  }, 300_000);

  it(`${BACKUPS} times while a backup is made: every backup there is can be gone back to`, async () => {
    const folder = fresh();
    const first = openWorkshop(folder);
    await bringIn(first, ZIP);
    first.close();
    const whole = await undisturbed(folder, backUp);
    for (let kill = 0; kill < BACKUPS; kill++) await killedWhile(folder, whole * share(kill, BACKUPS), backUp);
    const workshop = openWorkshop(folder);
    const backups = workshop.backups();
    expect(backups.length).toBeGreaterThan(0);
    expect(readdirSync(join(folder, 'backups')).filter((name) => name.endsWith('.part'))).toEqual([]);
    for (const backup of backups.slice(0, 4)) {
      expect(backup.damaged).toBeNull();
      workshop.restore(backup.name);
      expect(allFacts(workshop.db)).toHaveLength(MACHINES);
    }
    console.log(`${BACKUPS} kills while backing up: ${backups.length} backups, all sound`);
    workshop.close();
  }, 300_000);

  it(`before each of the ${STEPS.length} steps of going back: the next start has one whole book or the other, and the one set aside is whole too`, async () => {
    // the real steps in a program of their own, which ends itself without a word where it is told to
    const bundle = join(here, '..', '..', '..', 'node_modules', '.cache', 'elder-cog-steps');
    mkdirSync(bundle, { recursive: true });
    const entry = join(bundle, 'entry.ts');
    writeFileSync(
      entry,
      `import { putBack } from ${JSON.stringify(join(here, '..', 'folder', 'restore.ts'))};
       const [folder, from, die] = process.argv.slice(2) as [string, string, string];
       putBack(folder, from, (step) => { if (step === die) process.kill(process.pid, 'SIGKILL'); });`,
    );
    const outfile = join(dirname(server), 'steps.mjs');
    await bundled(entry, outfile);
    for (const step of STEPS) {
      const folder = fresh();
      const before = openWorkshop(folder);
      const id = (await bringIn(before, ZIP)).jobs[0]?.id ?? '';
      const backup = await before.backUp(true);
      before.db.prepare("UPDATE job SET machine = 'Renamed since' WHERE id = ?").run(id);
      // a log that was never filed goes with its database
      before.db.pragma('wal_checkpoint(TRUNCATE)');
      before.close();
      const code = await new Promise((resolve) =>
        spawn(process.execPath, [outfile, folder, backup?.name ?? '', step], { stdio: 'ignore' }).on('exit', (_, signal) => resolve(signal)),
      );
      expect({ step, code }).toEqual({ step, code: 'SIGKILL' });
      const after = holdWorkshop(folder);
      expect({ step, trouble: after.trouble }).toEqual({ step, trouble: null });
      const machine = jobFacts(after.db, id).job.machine;
      expect({ step, machine }).toEqual({ step, machine: step === 'intent' ? 'Renamed since' : 'Snow tractor' });
      const aside = readdirSync(folder).filter((name) => name.startsWith('set-aside-'));
      expect({ step, asides: aside.length }).toEqual({ step, asides: step === 'intent' ? 0 : 1 });
      if (step !== 'intent') {
        after.restore(join(folder, aside[0] ?? ''));
        expect(jobFacts(after.db, id).job.machine).toBe('Renamed since');
      }
      expect(readdirSync(folder).filter((name) => /^restoring/.test(name))).toEqual([]);
      after.close();
    }
  }, 300_000);
});
