import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { newRow, newShaft, workshopFile, type Change, type Command, type CommandReply, type JobReply, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, thou } from '@elder-cog/core';
import { derive } from '@elder-cog/derive';
import Database from 'better-sqlite3';
import { apply, createApp, importFile, jobFacts, memoryWorkshop, openDb, readBare, type App, type Db } from './index.ts';

let count = 0;
const newId = (): string => `00000000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const CLIENT = newId();
const at = (): string => new Date(Date.UTC(2026, 0, 1, 0, 0, ++count)).toISOString();
const command = (change: Change, clientId: string = CLIENT): Command => ({ commandId: newId(), clientId, who: 'A. B.', at: at(), change });

let db: Db;
let app: App;
beforeEach(() => {
  db = openDb(':memory:');
  app = createApp({ workshop: memoryWorkshop(db) });
});
afterEach(async () => {
  await app.close();
  db.close();
});

const send = (change: Change, clientId?: string): CommandReply => apply(db, command(change, clientId));

/** A machine with one shaft, its pack in and one reading kept. */
function aJob(): { jobId: string; assemblyId: string; gapId: string; slotId: string; buildId: string; shaft: ReturnType<typeof newShaft> } {
  const [jobId, assemblyId, buildId] = [newId(), newId(), newId()];
  const shaft = newShaft({ assemblyId, name: 'Input shaft', template: 'taperPair', place: 'underCover', gasket: false, position: 0, newId });
  const gapId = shaft.stations[0]?.id ?? '';
  const slotId = shaft.places.find((p) => p.role === 'pack')?.id ?? '';
  send({ kind: 'job.create', job: { id: jobId, machine: 'Test machine', year: '', note: '', createdAt: at(), archivedAt: null } });
  send({ kind: 'assembly.create', assembly: { id: assemblyId, jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false } });
  send(shaft);
  send({
    kind: 'build.add',
    build: {
      id: buildId,
      assemblyId,
      parentId: null,
      stage: 'as_found',
      at: at(),
      who: '',
      label: '',
      feel: [],
      note: '',
      fits: [{ id: newId(), placeId: slotId, leaves: [{ lotId: null, thickness: thou(28), written: '28', unit: 'thou', count: 1 }], state: null }],
    },
  });
  return { jobId, assemblyId, gapId, slotId, buildId, shaft };
}
const aReading = (stationId: string, buildId: string | null, text = '88>12'): Extract<Change, { kind: 'reading.keep' }> => ({
  kind: 'reading.keep',
  reading: {
    id: newId(),
    stationId,
    buildId,
    raw: withUnderstood({ method: 'dial', text, instrument: INSTRUMENTS.dialThou, restsOn: [] }),
    who: '',
    takenAt: at(),
    supersedes: null,
    keptAs: { value: thou(24), words: text },
  },
});
const aLimit = (stationId: string, min: number, max: number): Extract<Change, { kind: 'limit.set' }> => ({
  kind: 'limit.set',
  limit: {
    id: newId(),
    stationId,
    min: thou(min),
    max: thou(max),
    written: `${min}-${max} thou`,
    unit: 'thou',
    source: 'manual',
    pageOrWhom: '',
    saidAt: '',
    working: '',
    specId: null,
    inUse: true,
  },
});
const refusal = (run: () => unknown): string => {
  try {
    run();
    return 'none';
  } catch (error) {
    return (error as { code: string }).code;
  }
};

describe('apply, the only writer', () => {
  it('keeps what it is told, and gives it back as facts', () => {
    const { jobId, gapId, buildId } = aJob();
    send(aLimit(gapId, 5, 8));
    send(aReading(gapId, buildId));
    const facts = jobFacts(db, jobId);
    expect(facts.readings).toMatchObject([{ raw: { text: '88>12' }, buildId }]);
    expect(facts.builds[0]?.fits[0]?.leaves).toEqual([{ lotId: null, thickness: thou(28), written: '28', unit: 'thou', count: 1 }]);
    expect(derive(facts).shafts[0]?.gaps[0]?.mark).toBe('loose');
  });
  it('answers a command it has seen as before, and changes nothing', () => {
    const { jobId, gapId, buildId } = aJob();
    const once = command(aReading(gapId, buildId));
    expect([apply(db, once).already, apply(db, once).already]).toEqual([false, true]);
    expect(jobFacts(db, jobId).readings).toHaveLength(1);
  });
  it('writes a description only at the revision that was seen; else both versions, and who', () => {
    const { jobId } = aJob();
    const job = jobFacts(db, jobId).job;
    const change: Change = { kind: 'job.change', id: jobId, revision: job.revision, machine: 'Renamed', year: '1951', note: '', archivedAt: null };
    send(change);
    expect(jobFacts(db, jobId).job).toMatchObject({ machine: 'Renamed', revision: 2 });
    try {
      send({ ...change, machine: 'Again' }, newId());
    } catch (error) {
      expect(error).toMatchObject({ code: 'stale', status: 409, more: { theirs: { machine: 'Renamed' }, who: 'A. B.' } });
    }
    expect(jobFacts(db, jobId).job.machine).toBe('Renamed');
  });
  it('has one limit in use at a time, and keeps the old one', () => {
    const { jobId, gapId } = aJob();
    send(aLimit(gapId, 5, 8));
    send(aLimit(gapId, 4, 7));
    expect(jobFacts(db, jobId).limits.map((l) => [l.written, l.inUse])).toEqual([
      ['5-8 thou', false],
      ['4-7 thou', true],
    ]);
  });
  it('refuses what belongs to nothing, and a number used twice, in one transaction each', () => {
    const { gapId, buildId, jobId } = aJob();
    expect(refusal(() => send(aReading(newId(), null)))).toBe('unknownParent');
    const reading = aReading(gapId, buildId);
    send(reading);
    expect(refusal(() => send(reading))).toBe('alreadyHere');
    expect(jobFacts(db, jobId).readings).toHaveLength(1);
    const before = db.prepare('SELECT count(*) AS n FROM journal').get();
    expect(refusal(() => send(reading))).toBe('alreadyHere');
    expect(db.prepare('SELECT count(*) AS n FROM journal').get()).toEqual(before);
  });
  it('refuses a shape it does not know, before touching anything', () =>
    expect(() => apply(db, { ...command({ kind: 'undo' }), change: { kind: 'job.burn' } } as never)).toThrow());
});

describe('observations', () => {
  it('are insert only, held so by the database itself', () => {
    const { gapId, buildId } = aJob();
    send(aReading(gapId, buildId));
    for (const sql of [
      "UPDATE reading SET who = 'x'",
      'DELETE FROM reading',
      "UPDATE build SET label = 'x'",
      'DELETE FROM build',
      'DELETE FROM build_fit',
      "UPDATE build_fit SET state = 'x'",
    ])
      expect(() => db.exec(sql)).toThrow(/withdraw it/);
  });
});

describe('undo', () => {
  it('withdraws an observation, and keeps it', () => {
    const { jobId, gapId, buildId } = aJob();
    send(aReading(gapId, buildId));
    expect(send({ kind: 'undo' }).undid).toBe('the reading');
    const facts = jobFacts(db, jobId);
    expect(facts.readings).toHaveLength(1);
    expect(facts.withdrawals).toMatchObject([{ ofKind: 'reading', why: 'undone' }]);
    expect(derive(facts).shafts[0]?.gaps[0]?.now.kind).toBe('none');
  });
  it('of what somebody took back by hand in the meantime takes it back no second time: one word of theirs and it stands again', () => {
    const { jobId, gapId, buildId } = aJob();
    const reading = aReading(gapId, buildId);
    send(reading);
    const byHand = newId();
    send({ kind: 'withdraw', withdrawal: { id: byHand, ofKind: 'reading', ofId: reading.reading.id, who: '', at: at(), why: 'slipped' } }, newId());
    expect(send({ kind: 'undo' }).undid).toBe('the reading');
    expect(jobFacts(db, jobId).withdrawals.map((w) => w.why)).toEqual(['slipped']);
  });
  it('of a fit withdraws its build, so that the one before is current again', () => {
    const { jobId, assemblyId, slotId, buildId } = aJob();
    send({
      kind: 'build.add',
      build: {
        id: newId(),
        assemblyId,
        parentId: buildId,
        stage: 'dry',
        at: at(),
        who: '',
        label: '',
        feel: [],
        note: '',
        fits: [{ id: newId(), placeId: slotId, leaves: [{ lotId: null, thickness: thou(10), written: '10', unit: 'thou', count: 1 }], state: null }],
      },
    });
    expect(derive(jobFacts(db, jobId)).shafts[0]?.current?.number).toBe(1);
    send({ kind: 'undo' });
    expect(derive(jobFacts(db, jobId)).shafts[0]?.current?.build.id).toBe(buildId);
  });
  it('writes a description back, both the new limit and the old one in use', () => {
    const { jobId, gapId } = aJob();
    send(aLimit(gapId, 5, 8));
    send(aLimit(gapId, 4, 7));
    send({ kind: 'undo' });
    expect(jobFacts(db, jobId).limits.map((l) => [l.written, l.inUse])).toEqual([['5-8 thou', true]]);
  });
  it('goes back one command at a time, never undoes an undo, and ends with a sentence', () => {
    const { gapId, buildId } = aJob();
    send(aLimit(gapId, 5, 8));
    send(aReading(gapId, buildId));
    expect([send({ kind: 'undo' }).undid, send({ kind: 'undo' }).undid]).toEqual(['the reading', 'the limits']);
    const stranger = newId();
    expect(refusal(() => send({ kind: 'undo' }, stranger))).toBe('nothingToUndo');
  });
  it('leaves alone what somebody has changed since, and says who', () => {
    const { jobId } = aJob();
    const other = newId();
    send({ kind: 'job.change', id: jobId, revision: 1, machine: 'Mine', year: '', note: '', archivedAt: null });
    send({ kind: 'job.change', id: jobId, revision: 2, machine: 'Theirs', year: '', note: '', archivedAt: null }, other);
    expect(() => send({ kind: 'undo' })).toThrow(/A\. B\. changed it since/);
    expect(jobFacts(db, jobId).job.machine).toBe('Theirs');
  });
  describe('of rows of the Wear book', () => {
    const aRow = (shaftId: string, name: string) => newRow({ of: { shaftId }, kind: 'journal', name, unit: 'mm', position: 100, newId });
    const namesIn = (jobId: string): string[] => jobFacts(db, jobId).stations.flatMap((s) => (s.subject === 'journal' && !s.gone ? [s.name] : []));
    it('takes back five hundred that were pasted with their readings at one stroke, and keeps the readings, taken back', () => {
      const { jobId, shaft } = aJob();
      const rows = Array.from({ length: 500 }, (_, n) => aRow(shaft.shaft.id, `Pin ${n}`));
      const readings = rows.flatMap(({ id }) => [1, 2, 3].map(() => aReading(id, null, '19.98').reading));
      const limits = rows.map(({ id }) => aLimit(id, 5, 8).limit);
      send({ kind: 'rows.add', stations: rows, limits, readings });
      expect(namesIn(jobId)).toHaveLength(500);
      expect(send({ kind: 'undo' }).undid).toBe('the rows brought in');
      expect(namesIn(jobId)).toEqual([]);
      expect(jobFacts(db, jobId)).toMatchObject({ limits: [], readings: { length: 1500 }, withdrawals: { length: 1500 } });
    });
    it('takes back a row whose reading was taken back before it, and not one whose reading stands', () => {
      const { jobId, shaft } = aJob();
      const row = aRow(shaft.shaft.id, 'Pin');
      const other = newId();
      send({ kind: 'stations.add', stations: [row] });
      send(aReading(row.id, null, '19.98'), other);
      expect(refusal(() => send({ kind: 'undo' }))).toBe('restsOnIt');
      expect(namesIn(jobId)).toEqual(['Pin']);
      send({ kind: 'undo' }, other);
      send({ kind: 'undo' });
      expect(namesIn(jobId)).toEqual([]);
    });
    it('puts back rows that were taken out together', () => {
      const { jobId, shaft } = aJob();
      const rows = ['Front', 'Rear'].map((name) => aRow(shaft.shaft.id, name));
      send({ kind: 'stations.add', stations: rows });
      send({ kind: 'rows.takeOut', stations: rows.map(({ id }) => ({ id, revision: 1 })) });
      expect(namesIn(jobId)).toEqual([]);
      expect(send({ kind: 'undo' }).undid).toBe('taking them out of the book');
      expect(namesIn(jobId)).toEqual(['Front', 'Rear']);
    });
    it('takes none out where one of them was changed since', () => {
      const { jobId, shaft } = aJob();
      const rows = ['Front', 'Rear'].map((name) => aRow(shaft.shaft.id, name));
      send({ kind: 'stations.add', stations: rows });
      const stale = rows.map(({ id }, i) => ({ id, revision: 1 + i }));
      expect(refusal(() => send({ kind: 'rows.takeOut', stations: stale }))).toBe('stale');
      expect(namesIn(jobId)).toEqual(['Front', 'Rear']);
    });
  });
  it('does not pull away what something rests on', () => {
    const [jobId, other] = [newId(), newId()];
    send({ kind: 'job.create', job: { id: jobId, machine: 'One', year: '', note: '', createdAt: at(), archivedAt: null } });
    send({ kind: 'assembly.create', assembly: { id: newId(), jobId, name: 'Box', kind: '', position: 0, mirrorOf: null, cameApart: false } }, other);
    expect(refusal(() => send({ kind: 'undo' }))).toBe('restsOnIt');
  });
});

describe('the server', () => {
  const post = async (change: Change): Promise<{ statusCode: number; json(): unknown }> =>
    app.inject({ method: 'POST', url: '/api/commands', payload: command(change) });
  it('takes commands and gives a job and its drawer back', async () => {
    const jobId = newId();
    expect(
      (await post({ kind: 'job.create', job: { id: jobId, machine: 'Over the wire', year: '', note: '', createdAt: at(), archivedAt: null } }))
        .statusCode,
    ).toBe(200);
    await post({
      kind: 'lots.add',
      lots: [{ id: newId(), thickness: thou(4), written: '4', unit: 'thou', owned: 3, material: '', keptIn: '', note: '' }],
    });
    const reply: JobReply = (await app.inject(`/api/jobs/${jobId}`)).json();
    expect(reply).toMatchObject({ facts: { job: { machine: 'Over the wire' } } });
    expect((await app.inject('/api/drawer')).json()).toMatchObject({ lots: [{ owned: 3 }] });
    expect((await app.inject('/api/jobs')).json()).toMatchObject({ jobs: [{ job: { machine: 'Over the wire' } }] });
  });
  it('refuses in plain words with a code, and never a stack trace', async () => {
    const missing = await app.inject(`/api/jobs/${newId()}`);
    expect([missing.statusCode, missing.json()]).toEqual([404, { error: { code: 'notFound', message: 'That machine is not on the shelf.' } }]);
    const bad = await app.inject({ method: 'POST', url: '/api/commands', payload: { commandId: 'x' } });
    expect([bad.statusCode, bad.json<{ error: { code: string } }>().error.code]).toEqual([400, 'badRequest']);
    const nonsense = await app.inject({ method: 'POST', url: '/api/commands', headers: { 'content-type': 'application/json' }, payload: '{' });
    expect(nonsense.statusCode).toBe(400);
    expect(nonsense.body).not.toMatch(/\bat .*:\d+/);
    expect((await app.inject('/api/nothing')).statusCode).toBe(404);
  });
  it('sends no script but its own', async () =>
    expect((await app.inject('/api/health')).headers['content-security-policy']).toContain("script-src 'self'"));
});

describe('the database', () => {
  const folder = mkdtempSync(join(tmpdir(), 'elder-cog-test-'));
  const file = join(folder, 'workshop.sqlite');
  const bytes = readFileSync(new URL('../../demo/workshop.json', import.meta.url));
  const demo = workshopFile.parse(JSON.parse(bytes.toString()));
  it('holds the same facts after it is closed and opened again', () => {
    const first = openDb(file);
    importFile(first, readBare(bytes));
    first.close();
    const second = openDb(file);
    expect(jobFacts(second, demo.jobs[0]?.job.id ?? '')).toEqual(demo.jobs[0]);
    expect(second.pragma('integrity_check', { simple: true })).toBe('ok');
    second.close();
  });
  it('written by a newer program is left untouched, with a sentence', () => {
    const newer = new Database(file);
    newer.pragma('user_version = 999');
    newer.close();
    expect(() => openDb(file)).toThrow(/newer Elder Cog/);
    rmSync(folder, { recursive: true, force: true });
  });
  it('takes a workshop file whole or not at all', () => {
    const broken = structuredClone(demo);
    const lost = broken.jobs[0]?.readings[0];
    if (lost) broken.jobs[0]?.readings.push({ ...lost, id: newId(), stationId: newId() });
    expect(() => importFile(db, readBare(Buffer.from(JSON.stringify(broken))))).toThrow(/the id of a station in this file/);
    expect(db.prepare('SELECT count(*) AS n FROM job').get()).toEqual({ n: 0 });
  });
});
