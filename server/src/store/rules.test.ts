import { readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { factsProblems, jobsIn, newLink, newShaft, withUnderstood, type Change, type RawReading } from '@elder-cog/contract';
import { INSTRUMENTS, mm, thou, type Length } from '@elder-cog/core';
import { derive } from '@elder-cog/derive';
import Database from 'better-sqlite3';
import { apply, jobFacts, jobFile, journalDisagrees, openDb, readBare, type Db } from '../index.ts';
import { allFacts, everyFact } from './facts.ts';
import { asSaid, demoStateSix, statesSix, writeDatabaseSix } from './oldDatabase.fixture.ts';

let count = 0;
const newId = (): string => `00000000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const at = (): string => new Date(Date.UTC(2026, 0, 1, 0, 0, ++count)).toISOString();
const CLIENT = newId();

let db: Db;
beforeEach(() => {
  db = openDb(':memory:');
});
afterEach(() => void db.close());

const send = (change: Change): void => void apply(db, { commandId: newId(), clientId: CLIENT, who: 'A. B.', at: at(), change });
const refusal = (change: Change): { code: string; message: string } => {
  try {
    send(change);
  } catch (error) {
    return error as { code: string; message: string };
  }
  return { code: 'taken', message: '' };
};

const placeOf = ({ places }: Pick<ReturnType<typeof newShaft>, 'places'>, role: string): string => places.find((p) => p.role === role)?.id ?? '';

/** A size of a part, read for the first time. */
const sized = (link: ReturnType<typeof newLink>, text: string): Change => {
  const raw = withUnderstood({ method: 'size' as const, text, instrument: INSTRUMENTS.micMm, restsOn: [] });
  const read = { id: newId(), stationId: link.id, buildId: null, raw, who: '', takenAt: at(), supersedes: null, keptAs: { value: null, words: '' } };
  return { kind: 'rows.add', stations: [link], limits: [], readings: [read] };
};

/** A machine with a shaft, in one command. */
function begin() {
  const [jobId, assemblyId] = [newId(), newId()];
  const { kind: _, ...whole } = newShaft({
    assemblyId,
    name: 'Input shaft',
    template: 'taperPair',
    place: 'underCover',
    gasket: false,
    position: 0,
    newId,
  });
  send({
    kind: 'job.begin',
    job: { id: jobId, machine: 'Machine', year: '', note: '', createdAt: at(), archivedAt: null },
    assemblies: [{ id: assemblyId, jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false }],
    shafts: [whole],
    limits: [],
    builds: [],
    readings: [],
  });
  return {
    jobId,
    assemblyId,
    shaftId: whole.shaft.id,
    gapId: whole.stations[0]?.id ?? '',
    placeId: placeOf(whole, 'pack'),
    link: newLink(whole.shaft.id, whole.features[0] ?? { id: '', role: '', name: '' }, newId),
  };
}
const build = (
  assemblyId: string,
  placeId: string,
  thickness: Length,
  more: { parentId?: string | null; count?: number; id?: string; saw?: string | null } = {},
): Change => ({
  kind: 'build.add',
  build: {
    id: more.id ?? newId(),
    assemblyId,
    parentId: more.parentId ?? null,
    stage: 'dry',
    at: at(),
    who: '',
    label: '',
    feel: [],
    note: '',
    fits: [{ id: newId(), placeId, leaves: [{ lotId: null, thickness, written: '20', unit: 'thou', count: more.count ?? 1 }], state: null }],
  },
  ...(more.saw === undefined ? {} : { saw: more.saw }),
});
const reading = (stationId: string, text: string, buildId: string | null = null, saw?: string | null): Change => ({
  kind: 'reading.keep',
  reading: {
    id: newId(),
    stationId,
    buildId,
    raw: withUnderstood({ method: 'dial', text, instrument: INSTRUMENTS.dialThou, restsOn: [] }),
    who: '',
    takenAt: at(),
    supersedes: null,
    keptAs: { value: null, words: '' },
  },
  ...(saw === undefined ? {} : { saw }),
});
const limit = (stationId: string, min: Length, max: Length): Change => ({
  kind: 'limit.set',
  limit: {
    id: newId(),
    stationId,
    min,
    max,
    written: 'x',
    unit: 'mm',
    source: 'manual',
    pageOrWhom: '',
    saidAt: '',
    working: '',
    specId: null,
    inUse: true,
  },
});

const asTyped = ({ understood: _, heightsUnderstood: _h, ...raw }: RawReading): object => raw;

describe('a build for good', () => {
  const forGood = (assemblyId: string, placeId: string): Change => {
    const made = build(assemblyId, placeId, thou(20));
    return made.kind === 'build.add' ? { ...made, build: { ...made.build, stage: 'final' } } : made;
  };
  it('is refused while something that was counted in is still in, and nothing of it is kept', () => {
    const { jobId, assemblyId, placeId } = begin();
    const rag = { id: newId(), assemblyId, buildId: null, what: 'rag', count: 2, outOf: null, who: '', at: at() };
    send({ kind: 'temporary.count', temporaries: [rag] });
    expect(refusal(forGood(assemblyId, placeId))).toMatchObject({ code: 'notForGood', message: 'Still in for the time being: 2 × rag.' });
    expect(jobFacts(db, jobId).builds).toEqual([]);
    send({ kind: 'temporary.count', temporaries: [{ ...rag, id: newId(), outOf: rag.id, at: at() }] });
    send(forGood(assemblyId, placeId));
    expect(jobFacts(db, jobId).builds).toHaveLength(1);
  });
  it('has no slave bolts in it, by whatever build said that they are', () => {
    const { assemblyId, placeId } = begin();
    const [bolts] = db.prepare<[], { id: string }>("SELECT id FROM place WHERE role = 'cover.bolts'").all();
    const slave = { bolts: 'all', torque: 25, written: '25 N·m', degrees: null, isSlave: true };
    const made = build(assemblyId, placeId, thou(20));
    if (made.kind !== 'build.add' || !bolts) throw new Error('no bolts');
    send({ ...made, build: { ...made.build, fits: [{ id: newId(), placeId: bolts.id, leaves: [], state: 'torqued', tightened: [slave] }] } });
    expect(refusal(forGood(assemblyId, placeId)).message).toBe('Still in for the time being: cover bolts: slave.');
  });
});

describe('a station that is done', () => {
  it('is not read by accident, and is read again once it is opened', () => {
    const { jobId, gapId } = begin();
    send(reading(gapId, '0>6'));
    const readingId = jobFacts(db, jobId).readings[0]?.id ?? null;
    const closing = { id: newId(), stationId: gapId, readingId, who: '', at: at() };
    send({ kind: 'station.close', closing });
    expect(refusal(reading(gapId, '0>7'))).toMatchObject({ code: 'stationDone' });
    send({ kind: 'withdraw', withdrawal: { id: newId(), ofKind: 'closing', ofId: closing.id, who: '', at: at(), why: '' } });
    send(reading(gapId, '0>7'));
    expect(jobFacts(db, jobId).readings).toHaveLength(2);
  });
  it('stands, as everything observed does: it is withdrawn, and never changed', () => {
    const { gapId } = begin();
    send({ kind: 'station.close', closing: { id: newId(), stationId: gapId, readingId: null, who: '', at: at() } });
    for (const table of ['closing', 'feel', 'removal', 'temporary_thing', 'tightening']) {
      const many = db.prepare<[], number>(`SELECT count(*) FROM ${table}`).pluck().get() ?? 0;
      if (many > 0) expect(() => db.exec(`DELETE FROM ${table}`)).toThrow(/never deleted/);
    }
    expect(() => db.exec("UPDATE closing SET who = 'x'")).toThrow(/never changed/);
  });
});

describe('a command is held to what a file is held to', () => {
  it('a reading on another machine’s build is refused, so that the machine’s own file can always come in again', () => {
    const [one, other] = [begin(), begin()];
    const built = newId();
    send(build(other.assemblyId, other.placeId, thou(20), { id: built }));
    expect(refusal(reading(one.gapId, '12', built)).code).toBe('unknownParent');
    send(reading(one.gapId, '12'));
    const file = jobFile(db, one.jobId, at());
    expect(() => readBare(Buffer.from(JSON.stringify(file)))).not.toThrow();
  });
  it('a build in a place of another machine, or twice in one place, is refused', () => {
    const [one, other] = [begin(), begin()];
    expect(refusal(build(one.assemblyId, other.placeId, thou(20))).code).toBe('unknownParent');
    const twice = build(one.assemblyId, one.placeId, thou(20)) as Extract<Change, { kind: 'build.add' }>;
    twice.build.fits.push({ ...(twice.build.fits[0] as (typeof twice.build.fits)[number]), id: newId() });
    expect(refusal(twice).code).toMatch(/^(badRequest|alreadyHere)$/);
  });
  it('a gap that names no contact, and a length between faces that are not there, are refused', () => {
    const { assemblyId } = begin();
    const shaft = newShaft({ assemblyId, name: 'Layshaft', template: 'taperPair', place: 'underCover', gasket: false, position: 1, newId });
    const noContact = {
      ...shaft,
      stations: shaft.stations.map((s, i) => (i === 0 ? { ...s, reads: { what: 'gap' as const, contacts: [newId()] } } : s)),
    };
    expect(refusal(noContact)).toMatchObject({ code: 'unknownParent', more: { wanted: 'the id of a contact in this machine' } });
    const noFace = { ...shaft, features: shaft.features.map((f, i) => (i === 0 ? { ...f, fromFace: newId() } : f)) };
    expect(refusal(noFace).code).toBe('unknownParent');
    send(shaft);
  });
  it('a withdrawal of itself, or of what is not there, is refused', () => {
    begin();
    const id = newId();
    const withdrawal = { id, ofKind: 'withdrawal' as const, ofId: id, who: '', at: at(), why: '' };
    expect(refusal({ kind: 'withdraw', withdrawal }).code).toMatch(/^(badRequest|unknownParent)$/);
    expect(refusal({ kind: 'withdraw', withdrawal: { ...withdrawal, id: newId(), ofId: newId() } }).code).toBe('unknownParent');
  });
  it('what belongs to two machines at once is refused whole', () => {
    const [one, other] = [begin(), begin()];
    const two = [one, other].map(({ gapId }) => (limit(gapId, mm(0.1), mm(0.2)) as Extract<Change, { kind: 'limit.set' }>).limit);
    expect(refusal({ kind: 'rows.add', stations: [], limits: two, readings: [] }).code).toBe('badRequest');
    expect(jobFacts(db, one.jobId).limits).toEqual([]);
  });
});

describe('a new figure is one that a gearbox can have', () => {
  it.each([
    ['a leaf of 4 µm', (w: ReturnType<typeof begin>) => build(w.assemblyId, w.placeId, 4_000 as Length), /0\.004 mm.*a leaf of 0\.005 to 100 mm/],
    ['a leaf of 101 mm', (w: ReturnType<typeof begin>) => build(w.assemblyId, w.placeId, mm(101)), /101 mm/],
    ['a pack of 320 mm', (w: ReturnType<typeof begin>) => build(w.assemblyId, w.placeId, mm(80), { count: 4 }), /a pack of up to 300 mm/],
    ['a size of 2.1 m', (w: ReturnType<typeof begin>) => sized(w.link, '2100 mm'), /a size up to 2 m/],
    ['a gap limit of 51 mm', (w: ReturnType<typeof begin>) => limit(w.gapId, mm(0), mm(51)), /a gap within 50 mm/],
    ['a preload of 51 mm', (w: ReturnType<typeof begin>) => limit(w.gapId, mm(-51), mm(0)), /a gap within 50 mm/],
    ['a float of 12 inches', (w: ReturnType<typeof begin>) => reading(w.gapId, '12 in'), /304\.8 mm.*a gap within 50 mm/],
    ['an entry nobody can read', (w: ReturnType<typeof begin>) => reading(w.gapId, 'a bit'), /“a bit” was not kept/],
    [
      'leaves of half a metre in the Drawer',
      () => ({
        kind: 'lots.add' as const,
        lots: [{ id: newId(), thickness: mm(500), written: '500', unit: 'mm' as const, owned: 1, material: '', keptIn: '', note: '' }],
      }),
      /a leaf of/,
    ],
  ])('%s is refused, in a sentence', (_, change, says) => {
    const refused = refusal(change(begin()));
    expect(refused).toMatchObject({ code: 'badRequest', message: expect.stringMatching(says) });
  });
  it('each limit itself is taken', () => {
    const w = begin();
    for (const change of [
      build(w.assemblyId, w.placeId, mm(0.005)),
      build(w.assemblyId, w.placeId, mm(100), { count: 3 }),
      sized(w.link, '2000 mm'),
      limit(w.gapId, mm(-50), mm(50)),
    ])
      send(change);
  });
  it('an old figure that is out of it stands in no way of mending something else', () => {
    const w = begin();
    const [gap] = jobFacts(db, w.jobId).stations;
    if (!gap) throw new Error('no gap');
    db.prepare('UPDATE station SET new_nm = ? WHERE id = ?').run(mm(3_000), gap.id);
    const { id, revision, rule, aim, method, instrument } = gap;
    send({ kind: 'station.change', id, revision, name: 'Renamed', rule, aim, newSize: mm(3_000), method, instrument });
    expect(
      refusal({ kind: 'station.change', id, revision: revision + 1, name: 'Renamed', rule, aim, newSize: mm(3_001), method, instrument }).code,
    ).toBe('badRequest');
    expect(derive(jobFacts(db, w.jobId)).damage).toMatchObject([{ table: 'station', wanted: 'a size up to 2 m' }]);
  });
});

describe('a build that somebody else made since', () => {
  it('is said with a fit that had not seen it, and with a reading; what is of another shaft is not', () => {
    const w = begin();
    const [first, second] = [newId(), newId()];
    send(build(w.assemblyId, w.placeId, thou(20), { id: first, saw: null }));
    send(build(w.assemblyId, w.placeId, thou(10), { id: second, saw: first, parentId: first }));
    expect(refusal(build(w.assemblyId, w.placeId, thou(10), { saw: first }))).toMatchObject({ code: 'newerBuild', more: { theirs: { id: second } } });
    expect(refusal(reading(w.gapId, '6', first, first))).toMatchObject({ code: 'newerBuild', more: { theirs: { id: second } } });
    // it was indeed read before that, and is said to have been
    send(reading(w.gapId, '6', first, second));
    const lay = newShaft({
      assemblyId: w.assemblyId,
      name: 'Layshaft',
      template: 'taperPair',
      place: 'underCover',
      gasket: false,
      position: 1,
      newId,
    });
    send(lay);
    send(build(w.assemblyId, placeOf(lay, 'pack'), thou(5), { saw: null, parentId: second }));
    send(reading(w.gapId, '6', second, second));
  });
  it('one that was taken back since is said too', () => {
    const w = begin();
    const first = newId();
    send(build(w.assemblyId, w.placeId, thou(20), { id: first, saw: null }));
    send({ kind: 'withdraw', withdrawal: { id: newId(), ofKind: 'build', ofId: first, who: '', at: at(), why: '' } });
    expect(refusal(reading(w.gapId, '6', first, first))).toMatchObject({ code: 'newerBuild', more: { theirs: null } });
  });
});

describe('a database of a version before', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'elder-cog-before-'));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));
  const said = (now: Db): unknown[] => allFacts(now).map((facts) => asSaid(derive(facts)));

  it('of parts and slots says of every machine what it said, and agrees with its journal', () => {
    const file = join(folder, 'workshop.sqlite');
    writeDatabaseSix(file);
    const now = openDb(file);
    expect(said(now)).toEqual(statesSix().map(asSaid));
    expect(journalDisagrees(now)).toEqual([]);
    // it is whole: every row names what is there, and what was typed into a part is read of it
    const facts = allFacts(now);
    expect(facts.flatMap((job) => factsProblems(job, { has: () => true } as never))).toEqual([]);
    const migrated = facts.flatMap(({ stations, readings }) =>
      readings.filter(({ raw }) => raw.migrated).map(({ who, stationId }) => [who, stations.find((s) => s.id === stationId)?.subject]),
    );
    expect(migrated).toEqual(Array.from({ length: 6 }, () => ['A. B.', 'link']));
    now.close();
  });
  it('in a file says of the made-up machine what it said', () => {
    const file = readBare(readFileSync(new URL('../../../contract/fixtures/workshop-v6.json', import.meta.url)));
    const [job] = jobsIn(file);
    expect(job && asSaid(derive(job))).toEqual(asSaid(demoStateSix()));
  });
  it('is not undone back beyond the day it was brought over', () => {
    const file = join(folder, 'workshop.sqlite');
    writeDatabaseSix(file);
    const now = openDb(file);
    const client = now.prepare<[], string>("SELECT client_id FROM journal WHERE client_id <> '' LIMIT 1").pluck().get() ?? '';
    const undo = (): void => void apply(now, { commandId: newId(), clientId: client, who: '', at: at(), change: { kind: 'undo' } });
    expect(undo).toThrow(expect.objectContaining({ code: 'nothingToUndo' }));
    now.close();
  });
  it('comes along in the order its clocks had, and its rows are as closed to change as they were', () => {
    const [six, three] = [join(folder, 'six.sqlite'), join(folder, 'three.sqlite')];
    writeDatabaseSix(six);
    const from = new Database(six, { readonly: true });
    const old = new Database(three);
    for (const name of ['001-facts', '002-specs-and-journal', '003-wear-book'])
      old.exec(readFileSync(new URL(`./migrations/${name}.sql`, import.meta.url), 'utf8'));
    old.pragma('foreign_keys = OFF');
    old.pragma('user_version = 3');
    for (const table of old.prepare<[], string>("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all()) {
      const columns = old.prepare<[string], string>('SELECT name FROM pragma_table_info(?)').pluck().all(table);
      // put down last first, so that only the clocks know the order
      const backwards = ['build', 'reading', 'withdrawal', 'inspection', 'acceptance', 'photo'].includes(table);
      const rows = from
        .prepare<[], Record<string, unknown>>(
          `SELECT ${columns.map((c) => `"${c}"`).join(', ')} FROM "${table}" ORDER BY rowid ${backwards ? 'DESC' : 'ASC'}`,
        )
        .all();
      const insert = old.prepare(`INSERT INTO "${table}" VALUES (${columns.map((c) => `@${c}`).join(', ')})`);
      // a reading was what was typed, and nothing beside it
      for (const row of rows)
        insert.run(table === 'reading' ? { ...row, raw: JSON.stringify(asTyped(JSON.parse(String(row.raw)) as RawReading)) } : row);
    }
    from.close();
    old.close();
    const [now, later] = [openDb(three), openDb(six)];
    const order = (of: Db): unknown => everyFact(of).map(({ builds, readings }) => [builds.map((b) => b.id), readings.map((r) => r.id)]);
    expect(order(now)).toEqual(order(later));
    expect(said(now)).toEqual(said(later));
    expect(journalDisagrees(now)).toEqual([]);
    for (const table of ['reading', 'build', 'withdrawal', 'strip_entry', 'inspection', 'photo']) {
      if (now.prepare(`SELECT count(*) FROM ${table}`).pluck().get() === 0) continue;
      expect(() => now.exec(`UPDATE ${table} SET seq = 0`)).toThrow(/never changed|withdraw it/);
    }
    now.close();
    later.close();
  });
});
