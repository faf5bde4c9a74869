import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { workshopFile, type Change, type JournalReply, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, thou } from '@elder-cog/core';
import { derive } from '@elder-cog/derive';
import Database from 'better-sqlite3';
import {
  allFacts,
  apply,
  createApp,
  importFile,
  journalDisagrees,
  jobFacts,
  memoryWorkshop,
  openDb,
  openWorkshop,
  readBare,
  type Db,
  type Workshop,
} from './index.ts';
import { worthKeeping } from './folder/backups.ts';

const DEMO = workshopFile.parse(readBare(readFileSync(new URL('../../demo/workshop.json', import.meta.url))));
const facts = DEMO.jobs[0];
const demoId = facts?.job.id ?? '';
const gap = facts?.stations[0];

let count = 0;
const newId = (): string => `00000000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const CLIENT = newId();
const send = (db: Db, change: Change): string => {
  const commandId = newId();
  apply(db, { commandId, clientId: CLIENT, who: 'A. B.', at: new Date(Date.UTC(2026, 10, 1, 0, 0, ++count)).toISOString(), change });
  return commandId;
};
const reading = (text = '88>12'): Extract<Change, { kind: 'reading.keep' }> => ({
  kind: 'reading.keep',
  reading: {
    id: newId(),
    stationId: gap?.id ?? '',
    buildId: null,
    raw: withUnderstood({ method: 'dial', text, instrument: INSTRUMENTS.dialThou, restsOn: [] }),
    who: 'A. B.',
    takenAt: '2026-11-01T12:00:00.000Z',
    supersedes: null,
    keptAs: { value: thou(24), words: '24.0 thou' },
  },
});
const rename = (db: Db, machine: string): Change => {
  const { job } = jobFacts(db, demoId);
  return { kind: 'job.change', id: job.id, revision: job.revision, machine, year: job.year, note: job.note, archivedAt: job.archivedAt };
};

let folder: string;
let workshop: Workshop;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'elder-cog-test-'));
  workshop = openWorkshop(folder);
  importFile(workshop.db, DEMO);
});
afterEach(() => {
  if (workshop.db.open) workshop.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('a backup', () => {
  it('brings back the same state of every job in an empty folder', async () => {
    send(workshop.db, reading());
    const backup = await workshop.backUp();
    const elsewhere = mkdtempSync(join(tmpdir(), 'elder-cog-test-'));
    const other = openWorkshop(elsewhere);
    other.restore(join(folder, 'backups', backup?.name ?? ''));
    expect(allFacts(other.db).map(derive)).toEqual(allFacts(workshop.db).map(derive));
    expect(other.db.prepare('SELECT * FROM journal').all()).toEqual(workshop.db.prepare('SELECT * FROM journal').all());
    other.close();
    rmSync(elsewhere, { recursive: true, force: true });
  });
  it('is put back by name; what was there is set aside, not thrown away', async () => {
    // a stranger's file, which no backup holds, and which is left alone
    mkdirSync(join(folder, 'photos'));
    writeFileSync(join(folder, 'photos', 'a'), 'picture');
    const backup = await workshop.backUp();
    send(workshop.db, rename(workshop.db, 'Renamed'));
    const aside = workshop.restore(backup?.name ?? '');
    expect(jobFacts(workshop.db, demoId).job.machine).toBe('Snow tractor');
    expect(readFileSync(join(folder, 'photos', 'a'), 'utf8')).toBe('picture');
    const set = openDb(join(aside ?? '', 'workshop.sqlite'));
    expect(jobFacts(set, demoId).job.machine).toBe('Renamed');
    set.close();
  });
  it('is not made again where nothing has changed, unless it is asked for', async () => {
    expect(await workshop.backUp()).toMatchObject({ jobs: 1 });
    expect(await workshop.backUp()).toBeNull();
    send(workshop.db, reading());
    expect(await workshop.backUp(true)).not.toBeNull();
  });
  it('of the last of each of fourteen days and eight weeks is kept', () => {
    const names = Array.from(
      { length: 200 },
      (_, i) => new Date(Date.UTC(2026, 5, 1) + i * 12 * 3_600_000).toISOString().slice(0, 19).replace(/:/g, '-') + 'Z',
    );
    const kept = [...worthKeeping(names)].sort();
    const days = new Set(kept.map((name) => name.slice(0, 10)));
    expect(kept).toContain(names.at(-1));
    // two a day for a hundred days to 8 September: 26 August on by day, and the last of each week before
    expect(days.has('2026-08-26')).toBe(true);
    expect(days.has('2026-08-24')).toBe(false);
    expect(kept).toHaveLength(14 + 8 - 3);
    for (const name of kept) expect(name.slice(11, 13)).toBe('12');
  });
  it('of the last of one second is kept, though there were ten', () => {
    const second = '2026-06-01T10-00-00Z';
    const names = [second, ...Array.from({ length: 9 }, (_, n) => `${second}-${n + 2}`)];
    // as a folder lists them, the tenth before the second
    expect([...worthKeeping(names.sort())]).toEqual([`${second}-10`]);
  });
  it('that is not there, or is no database, is refused and nothing is touched', () => {
    expect(() => workshop.restore('2020-01-01T00-00-00Z')).toThrow('no such backup');
    const junk = join(folder, 'junk');
    mkdirSync(junk);
    writeFileSync(join(junk, 'workshop.sqlite'), 'not a database at all, but long enough to be looked at as one'.repeat(20));
    expect(() => workshop.restore(junk)).toThrow('could not be read');
    expect(jobFacts(workshop.db, demoId).job.machine).toBe('Snow tractor');
  });
});

describe('at the start', () => {
  it('after a clean stop there is nothing to say', () => {
    workshop.close();
    workshop = openWorkshop(folder);
    expect(workshop.recovered).toEqual([]);
  });
  it('after a crash it says what it found, and takes away what was half made', () => {
    send(workshop.db, reading());
    workshop.close();
    writeFileSync(join(folder, 'running.json'), JSON.stringify({ pid: 0, since: '2026-11-01T10:00:00.000Z' }));
    mkdirSync(join(folder, 'backups', '2026-11-01T10-00-00Z.part'), { recursive: true });
    workshop = openWorkshop(folder);
    expect(workshop.recovered.join(' ')).toMatch(
      /begun 2026-11-01T10:00:00.000Z, ended without being stopped.*The record is whole: 2 entries.*tables agree.*A backup was not finished/,
    );
    expect(readdirSync(join(folder, 'backups'))).toEqual([]);
  });
  it('a marker that cannot be read is a crash like any other', () => {
    workshop.close();
    writeFileSync(join(folder, 'running.json'), '{');
    workshop = openWorkshop(folder);
    expect(workshop.recovered[0]).toMatch(/ended without being stopped/);
  });
  it('what is no database, or is damaged, is left byte for byte as it is', () => {
    workshop.close();
    const file = join(folder, 'workshop.sqlite');
    const whole = readFileSync(file);
    const damaged = Buffer.from(whole);
    damaged.fill(0x55, 8192, 20_000);
    for (const bytes of [damaged, Buffer.from('half a page of nothing'.repeat(100))]) {
      writeFileSync(file, bytes);
      expect(() => openWorkshop(folder)).toThrow(/could not be read. Nothing was touched/);
      expect(readFileSync(file).equals(bytes)).toBe(true);
    }
    writeFileSync(file, whole);
    workshop = openWorkshop(folder);
    expect(jobFacts(workshop.db, demoId).job.machine).toBe('Snow tractor');
  });
  it('an older database is copied before it is brought up to date, and its journal finds its jobs', () => {
    const old = new Database(join(folder, 'old.sqlite'));
    old.exec(readFileSync(new URL('./store/migrations/001-facts.sql', import.meta.url), 'utf8'));
    old.pragma('user_version = 1');
    old.exec(`INSERT INTO job VALUES ('${demoId}', 1, 'Old', '', '', '2026-01-01T00:00:00.000Z', NULL);
      INSERT INTO journal (command_id, client_id, who, at, kind, what, effects) VALUES ('c', 'c', '', '2026-01-01T00:00:00.000Z', 'job.create', '{}',
        '[{"table":"job","id":"${demoId}","before":null,"after":{"id":"${demoId}"}}]')`);
    old.close();
    const now = openDb(join(folder, 'old.sqlite'));
    expect(now.prepare('SELECT job_id FROM journal').all()).toEqual([{ job_id: demoId }]);
    now.close();
    expect(existsSync(join(folder, 'before-migration-1.sqlite'))).toBe(true);
  });
});

describe('a disk that will not take it', () => {
  it('full: a sentence, and what was there is all there', async () => {
    const app = createApp({ workshop: memoryWorkshop(workshop.db) });
    const before = workshop.db.prepare('SELECT count(*) AS n FROM journal').get();
    const pages = workshop.db.pragma('page_count', { simple: true }) as number;
    workshop.db.pragma(`max_page_count = ${pages}`);
    let last = { statusCode: 200, json: (): unknown => ({}) };
    for (let i = 0; i < 200 && last.statusCode === 200; i++)
      last = await app.inject({
        method: 'POST',
        url: '/api/commands',
        payload: {
          commandId: newId(),
          clientId: CLIENT,
          who: '',
          at: '2026-11-02T00:00:00.000Z',
          change: { ...reading(), reading: { ...reading().reading, raw: { ...reading().reading.raw, text: '12 '.repeat(130) } } },
        },
      });
    expect([last.statusCode, last.json()]).toMatchObject([
      507,
      { error: { code: 'diskFull', message: expect.stringContaining('disk is full: nothing was kept') } },
    ]);
    workshop.db.pragma('max_page_count = 100000');
    expect(journalDisagrees(workshop.db)).toEqual([]);
    expect(workshop.db.pragma('integrity_check', { simple: true })).toBe('ok');
    expect(before).toBeTruthy();
    await app.close();
  });
  it('not to be written to: a sentence', () => {
    workshop.db.pragma('query_only = ON');
    expect(() => send(workshop.db, reading())).toThrow(/cannot be written to: nothing was kept/);
    workshop.db.pragma('query_only = OFF');
  });
});

describe('the journal', () => {
  it('is never changed nor deleted', () => {
    send(workshop.db, reading());
    expect(() => workshop.db.exec("UPDATE journal SET who = 'x'")).toThrow('never changed');
    expect(() => workshop.db.exec('DELETE FROM journal')).toThrow('never deleted');
  });
  it('says what was done to a job in words, what it was before, and strikes through what was taken back', async () => {
    const app = createApp({ workshop: memoryWorkshop(workshop.db) });
    send(workshop.db, rename(workshop.db, 'Snow tractor II'));
    const kept = reading();
    send(workshop.db, kept);
    send(workshop.db, {
      kind: 'withdraw',
      withdrawal: { id: newId(), ofKind: 'reading', ofId: kept.reading.id, who: 'A. B.', at: '2026-11-01T12:01:00.000Z', why: 'the stand moved' },
    });
    send(workshop.db, {
      kind: 'limit.set',
      limit: {
        id: newId(),
        stationId: gap?.id ?? '',
        min: thou(4),
        max: thou(7),
        written: '4-7 thou',
        unit: 'thou',
        source: 'told',
        pageOrWhom: 'J. W.',
        saidAt: '1998',
        working: '',
        specId: null,
        inUse: true,
      },
    });
    send(workshop.db, { kind: 'undo' });
    const { entries } = (await app.inject(`/api/jobs/${demoId}/journal`)).json<JournalReply>();
    expect(entries.map((e) => e.words)).toEqual([
      'Undone: the limits',
      'Limits of Input shaft float: 4-7 thou (told, J. W.)',
      'Took back the reading 88>12: the stand moved',
      'Input shaft float: 88>12, kept as 24.0 thou',
      'Changed: Snow tractor II',
      'Brought in from a file',
    ]);
    expect(entries[1]).toMatchObject({ from: '5-8 thou (manual, p. 31)', to: '4-7 thou (told, J. W.)', taken: { why: 'undone' } });
    expect(entries[3]).toMatchObject({ taken: { why: 'the stand moved', who: 'A. B.' } });
    expect(entries[4]).toMatchObject({ from: 'Snow tractor', to: 'Snow tractor II' });
    await app.close();
  });
  it('agrees with the tables after any of it, and says so when it does not', () => {
    send(workshop.db, rename(workshop.db, 'Other name'));
    send(workshop.db, reading());
    expect(journalDisagrees(workshop.db)).toEqual([]);
    workshop.db.exec("UPDATE job SET machine = 'Meddled with'");
    expect(journalDisagrees(workshop.db)).toEqual([expect.stringContaining('not as the journal last wrote it')]);
  });
});

describe('a machine put away', () => {
  it('is read and not written to until it is taken out again', () => {
    send(workshop.db, {
      ...(rename(workshop.db, 'Snow tractor') as Extract<Change, { kind: 'job.change' }>),
      archivedAt: '2026-11-02T00:00:00.000Z',
    });
    expect(() => send(workshop.db, reading())).toThrow(/put away: take it out again/);
    send(workshop.db, { ...(rename(workshop.db, 'Snow tractor') as Extract<Change, { kind: 'job.change' }>), archivedAt: null });
    send(workshop.db, reading());
  });
});

describe('several limits of one station', () => {
  const limit = (written: string, inUse: boolean): Extract<Change, { kind: 'limit.set' }> => ({
    kind: 'limit.set',
    limit: {
      id: newId(),
      stationId: gap?.id ?? '',
      min: thou(3),
      max: thou(6),
      written,
      unit: 'thou',
      source: 'told',
      pageOrWhom: '',
      saidAt: '',
      working: '',
      specId: null,
      inUse,
    },
  });
  const inUse = (): string[] =>
    jobFacts(workshop.db, demoId)
      .limits.filter((l) => l.stationId === gap?.id && l.inUse)
      .map((l) => l.written);
  it('stand side by side, one in use, and the choice is undone like anything else', () => {
    const told = limit('3-6 thou', false);
    send(workshop.db, told);
    expect(inUse()).toEqual(['5-8 thou']);
    send(workshop.db, { kind: 'limit.use', id: told.limit.id, revision: 1 });
    expect(inUse()).toEqual(['3-6 thou']);
    send(workshop.db, { kind: 'undo' });
    expect(inUse()).toEqual(['5-8 thou']);
  });
  it('a line of a spec sheet copied to a station is undone with its limit', () => {
    const spec = {
      id: newId(),
      jobId: demoId,
      position: 0,
      text: 'Input shaft float 4-7 thou',
      name: 'Input shaft float',
      quantity: 'length' as const,
      min: thou(4),
      max: thou(7),
      unit: 'thou',
      written: '4-7 thou',
      remark: '',
      source: 'manual' as const,
      pageOrWhom: 'p. 54',
      saidAt: '',
      stationId: null,
      leftOut: false,
      who: 'A. B.',
      at: '2026-11-01T00:00:00.000Z',
    };
    send(workshop.db, {
      kind: 'specs.add',
      specs: [
        spec,
        { ...spec, id: newId(), position: 1, name: 'Cover bolts', quantity: 'torque', min: 24.4, max: 29.8, unit: 'lbf·ft', written: '18-22 lb ft' },
      ],
    });
    const copied = limit('4-7 thou', true);
    send(workshop.db, { kind: 'spec.copy', spec: { ...spec, revision: 1, stationId: gap?.id ?? '' }, limit: { ...copied.limit, specId: spec.id } });
    const mine = () => jobFacts(workshop.db, demoId).specs.filter((s) => s.who === spec.who && s.at === spec.at);
    expect(mine().map((s) => [s.name, s.quantity, s.min, s.stationId])).toEqual([
      ['Input shaft float', 'length', thou(4), gap?.id],
      ['Cover bolts', 'torque', 24.4, null],
    ]);
    send(workshop.db, { kind: 'undo' });
    expect(inUse()).toEqual(['5-8 thou']);
    expect(mine()[0]?.stationId).toBeNull();
    expect(() => send(workshop.db, { kind: 'specs.add', specs: [{ ...spec, id: newId(), min: thou(9) }] })).toThrow();
  });
});
