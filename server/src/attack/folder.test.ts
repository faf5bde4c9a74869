import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import Database from 'better-sqlite3';
import { hasPasscode, setPasscode } from '../door.ts';
import { listBackups } from '../folder/backups.ts';
import { bringIn, createApp, holdWorkshop, jobFacts, openWorkshop, type Workshop } from '../index.ts';

const ZIP = readFileSync(new URL('../../../demo/workshop.eldercog.zip', import.meta.url));

/** A workshop as it is after an evening: the made-up machine with its photos, two backups, a passcode, and a run that was cut off. */
let whole: string;
let jobId: string;
beforeAll(async () => {
  whole = mkdtempSync(join(tmpdir(), 'elder-cog-whole-'));
  const workshop = openWorkshop(whole);
  jobId = (await bringIn(workshop, ZIP)).jobs[0]?.id ?? '';
  await workshop.backUp();
  await workshop.backUp(true);
  setPasscode(whole, 'three blue washers');
  workshop.close();
  writeFileSync(join(whole, 'running.json'), '{"since":"2026-11-01T10:00:00.000Z"}');
});
afterAll(() => rmSync(whole, { recursive: true, force: true }));

let folder: string;
let open: Workshop | null;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'elder-cog-folder-'));
  rmSync(folder, { recursive: true });
  cpSync(whole, folder, { recursive: true });
  open = null;
});
afterEach(() => {
  open?.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Every photo and backup there is, wherever it lies: none of them may be gone after a start, whatever was done to the rest. */
function treasures(of: string): string[] {
  const walk = (path: string): string[] =>
    readdirSync(path).flatMap((name) => (statSync(join(path, name)).isDirectory() ? walk(join(path, name)) : [join(path, name)]));
  const files = walk(of).filter((path) => /(?:^|[/\\])(?:[0-9a-f]{64}|workshop\.sqlite)$/.test(path));
  return [...new Set(files.map((path) => createHash('sha256').update(readFileSync(path)).digest('hex')))].sort();
}

const DATABASE = 'workshop.sqlite';
type Spoil = readonly [name: string, spoil: (path: string) => void];
const SPOILS: readonly Spoil[] = [
  ['missing', (path) => rmSync(path, { recursive: true, force: true })],
  ['empty', (path) => (rmSync(path, { recursive: true, force: true }), writeFileSync(path, ''))],
  ['foreign', (path) => (rmSync(path, { recursive: true, force: true }), writeFileSync(path, 'shims 12 and 5\n'.repeat(400)))],
  [
    'cut',
    (path) =>
      statSync(path).isDirectory()
        ? rmSync(join(path, readdirSync(path)[0] ?? ''), { recursive: true })
        : truncateSync(path, Math.floor(statSync(path).size / 2)),
  ],
  ['a folder', (path) => (rmSync(path, { recursive: true, force: true }), mkdirSync(path))],
];

const files = (): string[] => {
  const [backup = ''] = readdirSync(join(whole, 'backups')).filter((name) => name !== 'photos');
  return [
    DATABASE,
    'workshop.json',
    'running.json',
    'passcode.json',
    'sessions.json',
    'in-use.sqlite',
    'photos',
    'backups',
    `backups/${backup}/about.json`,
    `backups/${backup}/${DATABASE}`,
  ];
};

describe('a data folder with one of its files spoilt', () => {
  for (const [how, spoil] of SPOILS)
    it(`${how}, each in turn: a start, or a sentence and the last backup offered; and nothing is gone that was not spoilt`, () => {
      for (const file of files()) {
        rmSync(folder, { recursive: true, force: true });
        cpSync(whole, folder, { recursive: true });
        if (!existsSync(join(folder, file))) continue;
        spoil(join(folder, file));
        const before = treasures(folder);
        const workshop = holdWorkshop(folder);
        open = workshop;
        const after = treasures(folder);
        expect({ how, file, lost: before.filter((hash) => !after.includes(hash)) }).toEqual({ how, file, lost: [] });
        if (file === DATABASE) {
          expect({ how, code: workshop.trouble?.code }).toEqual({ how, code: expect.stringMatching(/^(missing|empty|foreign|damaged)$/) });
          expect(workshop.trouble?.sentence).toMatch(/^\S.{30,}Nothing was touched\.$/);
          const [last] = workshop.backups().filter((backup) => backup.damaged === null);
          workshop.restore(last?.name ?? '');
        }
        expect({ how, file, trouble: workshop.trouble }).toEqual({ how, file, trouble: null });
        expect(jobFacts(workshop.db, jobId).job.machine).toBe('Snow tractor');
        for (const sentence of workshop.recovered) expect(sentence).toMatch(/^\S.{10,}\.$/);
        expect(workshop.backups().some((backup) => backup.damaged === null) || file === 'backups').toBe(true);
        workshop.close();
        open = null;
      }
    });

  it('a database of another workshop in its place: said, gone on with only if that is wanted, and its backups never take the old ones’ place', async () => {
    const other = mkdtempSync(join(tmpdir(), 'elder-cog-other-'));
    const stranger = openWorkshop(other);
    stranger.close();
    rmSync(join(folder, DATABASE));
    cpSync(join(other, DATABASE), join(folder, DATABASE));
    const before = treasures(folder);
    const backups = listBackups(folder).length;
    open = holdWorkshop(folder);
    expect(open.trouble).toMatchObject({ code: 'another', canGoOn: true });
    expect(() => open?.db).toThrow(/not the one that was last open/);
    expect(treasures(folder)).toEqual(before);
    open.goOn();
    expect(open.trouble).toBeNull();
    for (let n = 0; n < 3; n++) await open.backUp(true);
    await open.backUp();
    expect(listBackups(folder).length).toBeGreaterThanOrEqual(backups + 3);
    rmSync(other, { recursive: true, force: true });
  });
  it('a newer database is left as it is, with a sentence', () => {
    const db = new Database(join(folder, DATABASE));
    db.pragma('user_version = 999');
    db.close();
    open = holdWorkshop(folder);
    expect(open.trouble).toMatchObject({ code: 'newer', sentence: expect.stringMatching(/newer Elder Cog/) });
  });
  it('beginning anew sets everything aside, and it can be gone back to by the path of its folder', () => {
    open = holdWorkshop(folder, { anew: true });
    expect(open.db.prepare('SELECT count(*) AS n FROM job').get()).toEqual({ n: 0 });
    const aside = readdirSync(folder).find((name) => name.startsWith('set-aside-')) ?? '';
    expect(readdirSync(join(folder, aside)).sort()).toEqual(['backups', 'note.txt', 'photos', DATABASE, 'workshop.json'].sort());
    open.restore(join(folder, aside));
    expect(jobFacts(open.db, jobId).photos.every((photo) => existsSync(join(folder, 'photos', photo.sha256)))).toBe(true);
  });
  it('what is not ours is left alone, wherever it lies', () => {
    const strangers = [
      'photos/holiday.jpg',
      'photos/0123',
      'backups/notes.txt',
      'backups/old.part',
      'restoring-notes.txt',
      'set-aside.txt',
      'notes.sqlite',
    ];
    for (const name of strangers) writeFileSync(join(folder, name), 'mine');
    mkdirSync(join(folder, 'photos', 'a folder of mine'));
    open = holdWorkshop(folder);
    for (const name of strangers) expect({ name, says: readFileSync(join(folder, name), 'utf8') }).toEqual({ name, says: 'mine' });
    expect(existsSync(join(folder, 'photos', 'a folder of mine'))).toBe(true);
  });
  it('a passcode that was cut short is none: it is set anew, and nobody comes in by it', () => {
    truncateSync(join(folder, 'passcode.json'), 20);
    expect(hasPasscode(folder)).toBe(false);
    setPasscode(folder, 'another one');
    expect(hasPasscode(folder)).toBe(true);
  });
  it('an entry after the folder was taken away while it ran is refused with a sentence', async () => {
    open = holdWorkshop(folder);
    const app = createApp({ workshop: open });
    rmSync(folder, { recursive: true, force: true });
    const reply = await app.inject({
      method: 'POST',
      url: '/api/commands',
      payload: { commandId: jobId, clientId: jobId, who: '', at: '2026-01-01T00:00:00.000Z', change: { kind: 'undo' } },
    });
    expect([reply.statusCode, reply.json<{ error: { code: string } }>().error.code]).toEqual([507, 'folderGone']);
    await app.close();
  });
  it('a running mark that names a program that is another now is no bar to a start', () => {
    writeFileSync(join(folder, 'running.json'), JSON.stringify({ pid: process.ppid, since: '2026-11-01T10:00:00.000Z' }));
    open = holdWorkshop(folder);
    expect(open.trouble).toBeNull();
  });
});

describe('backups', () => {
  it('ten asked for at once: one is made and nine are told to wait, or each is made; none blames the disk', async () => {
    open = holdWorkshop(folder);
    const before = open.backups().length;
    const outcomes = await Promise.allSettled(Array.from({ length: 10 }, () => open?.backUp(true)));
    const codes = outcomes.flatMap((outcome) => (outcome.status === 'rejected' ? [(outcome.reason as { code: string }).code] : []));
    expect(new Set(codes)).toEqual(new Set(['busy']));
    expect(open.backups().length).toBe(before + outcomes.length - codes.length);
  });
  it('one made by hand outlives the automatic ones of its day, and goes when it is deleted', async () => {
    open = holdWorkshop(folder);
    const byHand = await open.backUp(true);
    for (let n = 0; n < 3; n++) {
      open.db.exec(
        `INSERT INTO journal (command_id, client_id, who, at, kind, what, effects) VALUES ('x${n}', '', '', '2026-01-01T00:00:00.000Z', 'sweep', '{}', '[]')`,
      );
      await open.backUp();
    }
    expect(open.backups().map((backup) => backup.name)).toContain(byHand?.name);
    open.deleteBackup(byHand?.name ?? '');
    expect(open.backups().map((backup) => backup.name)).not.toContain(byHand?.name);
  });
  it('after going back, as many entries made anew are backed up all the same', async () => {
    open = holdWorkshop(folder);
    const enter = (id: string): void =>
      void open?.db.exec(
        `INSERT INTO journal (command_id, client_id, who, at, kind, what, effects) VALUES ('${id}', '', '', '2026-01-01T00:00:00.000Z', 'sweep', '{}', '[]')`,
      );
    const first = await open.backUp(true);
    enter('one');
    await open.backUp();
    open.restore(first?.name ?? '');
    enter('another');
    expect(await open.backUp()).not.toBeNull();
  });
  it('photos are kept once for all of them, and one that is not what it is named for is not taken for a good one', async () => {
    open = holdWorkshop(folder);
    const kept = readdirSync(join(folder, 'backups', 'photos'));
    expect(kept.length).toBe(new Set(jobFacts(open.db, jobId).photos.map((photo) => photo.sha256)).size);
    for (const backup of open.backups()) expect(readdirSync(join(folder, 'backups', backup.name)).sort()).toEqual(['about.json', DATABASE]);
    const [name = ''] = kept;
    writeFileSync(join(folder, 'photos', name), 'spoilt');
    rmSync(join(folder, 'backups', 'photos', name));
    const backup = await open.backUp(true);
    expect(existsSync(join(folder, 'backups', 'photos', name))).toBe(false);
    expect(backup?.damaged).toBeNull();
  });
  it('one folder that stands by itself is gone back to in an empty place, with nothing else of it there', async () => {
    open = holdWorkshop(folder);
    const to = `${folder}-alone`;
    await open.backUpTo(to);
    await expect(open.backUpTo(to)).rejects.toMatchObject({ code: 'badRequest' });
    expect(readdirSync(to).sort()).toEqual(['about.json', 'photos', DATABASE]);
    const elsewhere = `${folder}-elsewhere`;
    const other = openWorkshop(elsewhere);
    other.restore(to);
    expect(jobFacts(other.db, jobId)).toEqual(jobFacts(open.db, jobId));
    expect(readdirSync(join(elsewhere, 'photos')).length).toBe(readdirSync(join(to, 'photos')).length);
    other.close();
    for (const path of [to, elsewhere]) rmSync(path, { recursive: true, force: true });
  });
  it('three goings-back in a second each set aside what was there, under a name of its own', async () => {
    open = holdWorkshop(folder);
    const backup = await open.backUp(true);
    const asides = [1, 2, 3].map(() => open?.restore(backup?.name ?? ''));
    expect(new Set(asides).size).toBe(3);
    for (const aside of asides) expect(existsSync(join(aside ?? '', DATABASE))).toBe(true);
    expect(jobFacts(open.db, jobId).job.machine).toBe('Snow tractor');
  });
});

describe('the lock', () => {
  it('keeps a second program out, however they are started, and is gone with the first', () => {
    open = holdWorkshop(folder);
    expect(() => holdWorkshop(folder)).toThrow(/already open on this data/);
    const script = `const D = require('better-sqlite3'); const d = new D(${JSON.stringify(join(folder, 'in-use.sqlite'))}, { timeout: 0 }); try { d.exec('BEGIN EXCLUSIVE'); console.log('in'); } catch (e) { console.log(e.code); }`;
    const says = (): string =>
      execFileSync(process.execPath, ['-e', script], { cwd: import.meta.dirname })
        .toString()
        .trim();
    expect(says()).toBe('SQLITE_BUSY');
    open.close();
    open = null;
    expect(says()).toBe('in');
  });
});
