import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import {
  change as changeSchema,
  editShaft,
  newPair,
  newRow,
  newShaft,
  planOf,
  stripEntryOf,
  type Change,
  type JobFacts,
  withUnderstood,
  newJoint,
  newRollers,
  newTorque,
} from '@elder-cog/contract';
import { INSTRUMENTS, mm, readStripLine, thou, turnBearings, type Length } from '@elder-cog/core';
import { derive, journalWords, recordOf } from '@elder-cog/derive';
import { apply, jobFacts, journalDisagrees, openDb, type Db } from '../index.ts';
import { journal } from './journal.ts';
import { instruments } from './instruments.ts';
import { lots } from './lots.ts';
import { stocks } from './stock.ts';

let count = 0;
const newId = (): string => `00000000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const at = (): string => new Date(Date.UTC(2026, 0, 1, 0, 0, ++count)).toISOString();

let db: Db;
let CLIENT: string;
const send = (change: Change) => apply(db, { commandId: newId(), clientId: CLIENT, who: 'A. B.', at: at(), change });

/** A machine with one of everything that can be changed, said, looked at or left open. */
class Workshop {
  readonly jobId = newId();
  readonly boxId = newId();
  readonly setUp = newShaft({
    assemblyId: this.boxId,
    name: 'Layshaft',
    template: 'taperPair',
    place: 'underCover',
    gasket: true,
    position: 0,
    newId,
  });
  readonly lot = { id: newId(), thickness: thou(4), written: '4', unit: 'thou' as const, owned: 3, material: '', keptIn: '', note: '' };
  readonly gapId = this.setUp.stations[0]?.id ?? '';
  readonly row = newRow({ of: { shaftId: this.setUp.shaft.id }, kind: 'journal', name: 'Pin', unit: 'mm', position: 100, newSize: mm(20), newId });
  readonly first = this.limit('5-8 thou', 5, 8);
  readonly second = this.limit('4-7 thou', 4, 7);
  readonly line = this.spec('Layshaft float: 5-8 thou');
  readonly alike = {
    id: newId(),
    jobId: this.jobId,
    form: 'washer' as const,
    a: { name: 'Washer front', goes: 'front', size: thou(121), written: '121', unit: 'thou' as const, marks: 5, tang: 'wide' as const },
    b: { name: 'Washer rear', goes: 'rear', size: thou(112), written: '112', unit: 'thou' as const, marks: 3, tang: 'narrow' as const },
    tell: 'five grooves',
    gone: false,
  };
  readonly set = { id: newId(), jobId: this.jobId, name: 'wheel and pinion', members: ['Crown wheel', 'Pinion'], gone: false };
  readonly item = {
    id: newId(),
    jobId: this.jobId,
    text: 'Nut hand tight',
    where: '',
    state: 'open' as const,
    reason: '',
    who: '',
    raisedAt: at(),
    endedAt: null,
  };

  readonly setting = {
    id: newId(),
    assemblyId: this.boxId,
    name: 'Layshaft, set',
    criteria: [
      { stationId: this.gapId, group: 1 },
      { stationId: this.row.id, group: 2 },
    ],
    gone: false,
  };

  readonly stock = {
    id: newId(),
    form: 'shim' as const,
    material: 'brass',
    thickness: thou(12),
    width: mm(300),
    outside: null,
    bore: null,
    length: mm(150),
    written: '12',
    unit: 'thou' as const,
    owned: 1,
    canBuy: true,
    keptIn: 'drawer 4',
    note: '',
  };
  readonly making = {
    id: newId(),
    jobId: this.jobId,
    name: 'Shim under the cover',
    form: { kind: 'shim' as const, sizes: { inner: mm(62.5), outer: mm(92), thickness: thou(10.5) }, counts: { holes: 0 } },
    placeId: this.setUp.places.find((p) => p.takes === 'leaves')?.id ?? '',
    gapId: this.gapId,
    sizeId: null,
    window: { min: thou(9), max: thou(12), ideal: thou(10.5), from: null },
    beside: [{ lotId: this.lot.id, thickness: thou(4), written: '4', unit: 'thou' as const, count: 1 }],
    material: 'brass',
    blank: { size: thou(12), written: '12', unit: 'thou' as const },
    process: 'lap' as const,
    state: 'open' as const,
    lotId: null,
    note: '',
    who: '',
    at: at(),
  };
  readonly fitting = {
    id: newId(),
    jobId: this.jobId,
    name: 'Front cup',
    outer: this.part('case', 'aluminium', mm(62)),
    inner: this.part('cup', 'rollingBearing', mm(62.03)),
    length: mm(18),
    journal: null,
    clearance: null,
    ease: mm(0.02),
    ambient: 18,
    humidity: 60,
    heating: 'oven' as const,
    working: 80,
    note: '',
  };

  readonly joint = newJoint(
    {
      assemblyId: this.boxId,
      placeId: this.setUp.places.find((p) => p.kind === 'fastening')?.id ?? null,
      stripId: null,
      name: 'Cover bolts',
      shape: 'circle',
      holes: 6,
    },
    newId,
  );
  readonly needles = newRollers({ assemblyId: this.boxId, placeId: null, name: 'Layshaft, front' }, newId);

  readonly tool = { id: newId(), instrument: INSTRUMENTS.micInch, keptIn: 'top drawer', note: '', checks: [] };

  constructor() {
    send({ kind: 'job.create', job: { id: this.jobId, machine: 'Hill tractor', year: '', note: '', createdAt: at(), archivedAt: null } });
    send({
      kind: 'assembly.create',
      assembly: { id: this.boxId, jobId: this.jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false },
    });
    send(this.setUp);
    send({ kind: 'stations.add', stations: [this.row] });
    send({ kind: 'limit.set', limit: this.first });
    send({ kind: 'limit.set', limit: this.second });
    send({ kind: 'lots.add', lots: [this.lot] });
    send({ kind: 'specs.add', specs: [this.line] });
    send({ kind: 'lookAlike.add', lookAlike: this.alike });
    send({ kind: 'matchedSet.add', matchedSet: this.set });
    send({ kind: 'setting.add', setting: this.setting });
    send({ kind: 'openItem.raise', openItem: this.item });
    send({ kind: 'instrument.add', instrument: this.tool });
    send({ kind: 'stock.add', stock: [this.stock] });
    send({ kind: 'making.add', making: this.making });
    send({ kind: 'fitting.add', fitting: this.fitting });
    send({ kind: 'joint.add', joint: this.joint, stations: [] });
    send({ kind: 'rollers.add', rollers: this.needles, counts: [] });
  }

  part(what: string, kind: 'aluminium' | 'rollingBearing', outside: Length) {
    return { what, material: '', kind, also: [], outside, bore: null, roughness: null, weight: 300, temperature: null };
  }

  limit(written: string, min: number, max: number) {
    const from = { source: 'manual' as const, pageOrWhom: '', saidAt: '', working: '', specId: null };
    return { id: newId(), stationId: this.gapId, min: thou(min), max: thou(max), written, unit: 'thou' as const, ...from, inUse: true };
  }

  spec(text: string) {
    const figures = { quantity: 'length' as const, min: thou(5), max: thou(8), unit: 'thou', written: '5-8 thou', remark: '' };
    const from = { source: 'manual' as const, pageOrWhom: 'p. 5', saidAt: '', stationId: null, leftOut: false, who: '', at: at() };
    return { id: newId(), jobId: this.jobId, position: 0, text, name: 'Layshaft float', ...figures, ...from };
  }

  build() {
    const leaves = [{ lotId: null, thickness: thou(20), written: '20', unit: 'thou' as const, count: 1 }];
    const placeId = this.setUp.places.find((p) => p.takes === 'leaves')?.id ?? '';
    const said = { stage: 'as_found' as const, at: at(), who: '', label: '', feel: [], note: '' };
    return { id: newId(), assemblyId: this.boxId, parentId: null, ...said, fits: [{ id: newId(), placeId, leaves, state: null }] };
  }

  reading(buildId: string | null) {
    const raw = withUnderstood({ method: 'dial' as const, text: '88>12', instrument: INSTRUMENTS.dialThou, restsOn: [] });
    return { id: newId(), stationId: this.gapId, buildId, raw, who: '', takenAt: at(), supersedes: null, keptAs: { value: null, words: '' } };
  }

  stripEntry(text: string) {
    const read = readStripLine(text, 'thou');
    if (!read) throw new Error(text);
    const belongs = { text, assemblyId: this.boxId, shaftId: this.setUp.shaft.id, inventory: false, supersedes: null };
    return { ...stripEntryOf(read, belongs), id: newId(), who: '', at: at() };
  }

  inspection(part: string) {
    const findings = [{ look: 'bent', severity: 'bad' as const, note: '' }];
    const said = { cleaned: true, findings, proposed: 'replace' as const, decision: 'reuse' as const, reason: 'straight enough' };
    return { id: newId(), jobId: this.jobId, stationId: null, part, partType: 'selector', ...said, who: '', at: at() };
  }

  photo() {
    const file = { sha256: 'a'.repeat(64), mediaType: 'image/jpeg' as const, bytes: 10, width: 1, height: 1 };
    return { id: newId(), jobId: this.jobId, ofKind: 'openItem' as const, ofId: this.item.id, ...file, caption: 'the nut', who: '', at: at() };
  }
}

/** One of each command, on that machine. */
const ONE_OF_EACH: { readonly [Kind in Exclude<Change['kind'], 'undo'>]: (w: Workshop) => Extract<Change, { kind: Kind }> } = {
  'job.create': () => ({ kind: 'job.create', job: { id: newId(), machine: 'Other', year: '', note: '', createdAt: at(), archivedAt: null } }),
  'job.change': (w) => ({ kind: 'job.change', id: w.jobId, revision: 1, machine: 'Hill tractor', year: '1949', note: 'x', archivedAt: null }),
  'job.begin': () => {
    const [jobId, assemblyId] = [newId(), newId()];
    const { kind: _, ...whole } = newShaft({
      assemblyId,
      name: 'Pinion',
      template: 'taperPair',
      place: 'underCover',
      gasket: true,
      position: 0,
      newId,
    });
    return {
      kind: 'job.begin',
      job: { id: jobId, machine: 'Loose', year: '', note: '', createdAt: at(), archivedAt: null },
      assemblies: [{ id: assemblyId, jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false }],
      shafts: [whole],
      limits: [],
      builds: [],
      readings: [],
    };
  },
  'assembly.create': (w) => ({
    kind: 'assembly.create',
    assembly: { id: newId(), jobId: w.jobId, name: 'Axle', kind: 'box', position: 1, mirrorOf: null, cameApart: false },
  }),
  'shaft.change': (w) => ({ kind: 'shaft.change', id: w.setUp.shaft.id, revision: 1, name: 'Main shaft', position: 0 }),
  'assembly.change': (w) => ({ kind: 'assembly.change', id: w.boxId, revision: 1, name: 'Main gearbox', cameApart: true, mirrorOf: null }),
  'shaft.create': (w) =>
    newShaft({ assemblyId: w.boxId, name: 'Idler', template: 'taperPair', place: 'underCover', gasket: false, position: 1, newId }),
  'stations.add': (w) => ({
    kind: 'stations.add',
    stations: [...newPair({ of: { shaftId: w.setUp.shaft.id }, name: 'Front', unit: 'in', position: 200, newId })],
  }),
  'rows.add': (w) => {
    const row = newRow({ of: { shaftId: w.setUp.shaft.id }, kind: 'bore', name: 'Bush', unit: 'mm', position: 300, newId });
    return {
      kind: 'rows.add',
      stations: [row],
      limits: [{ ...w.limit('max 20.1 mm', 0, 0), stationId: row.id }],
      readings: [{ ...w.reading(null), stationId: row.id }],
    };
  },
  'rows.takeOut': (w) => ({ kind: 'rows.takeOut', stations: [{ id: w.row.id, revision: 1 }] }),
  'station.change': (w) => ({
    kind: 'station.change',
    id: w.row.id,
    revision: 1,
    name: 'Idler pin',
    rule: 'guarded',
    aim: { at: 'loose' },
    newSize: mm(21),
    method: 'size',
    instrument: INSTRUMENTS.micMm,
  }),
  'shaft.edit': (w) => {
    const facts = jobFacts(db, w.jobId);
    const [shaft] = facts.shafts;
    const plan = shaft && turnBearings(planOf(facts, shaft), { tightener: 'nut', sits: 'betweenCones', newRole: newId });
    const edit = plan && editShaft(facts, shaft, plan, newId);
    if (!edit) throw new Error('nothing differs');
    return edit;
  },
  'limit.set': (w) => ({ kind: 'limit.set', limit: w.limit('6-9 thou', 6, 9) }),
  'limit.use': (w) => ({ kind: 'limit.use', id: w.first.id, revision: 2 }),
  'specs.add': (w) => ({ kind: 'specs.add', specs: [w.spec('Another: 5-8 thou')] }),
  'spec.change': (w) => ({ kind: 'spec.change', spec: { ...w.line, revision: 1, leftOut: true } }),
  'spec.copy': (w) => ({ kind: 'spec.copy', spec: { ...w.line, revision: 1, stationId: w.gapId }, limit: w.limit('5-8 thou', 5, 8) }),
  'build.add': (w) => ({ kind: 'build.add', build: w.build() }),
  'reading.keep': (w) => ({ kind: 'reading.keep', reading: w.reading(null) }),
  'feel.add': (w) => {
    const build = w.build();
    send({ kind: 'build.add', build });
    return { kind: 'feel.add', feel: { id: newId(), buildId: build.id, word: 'smooth', who: '', at: at() } };
  },
  'temporary.count': (w) => ({
    kind: 'temporary.count',
    temporaries: [{ id: newId(), assemblyId: w.boxId, buildId: null, what: 'rag in the case', count: 2, outOf: null, who: '', at: at() }],
  }),
  'station.close': (w) => {
    const reading = w.reading(null);
    send({ kind: 'reading.keep', reading });
    return { kind: 'station.close', closing: { id: newId(), stationId: reading.stationId, readingId: reading.id, who: '', at: at() } };
  },
  remove: (w) => ({
    kind: 'remove',
    build: { ...w.build(), stage: 'dry', fits: [] },
    removal: {
      id: newId(),
      stationId: w.row.id,
      amount: thou(3),
      written: '3 thou',
      process: 'lapped',
      after: null,
      buildId: null,
      who: '',
      at: at(),
    },
  }),
  'instrument.add': (w) => ({ kind: 'instrument.add', instrument: { ...w.tool, id: newId() } }),
  'instrument.change': (w) => ({
    kind: 'instrument.change',
    instrument: { ...w.tool, revision: 1, checks: [{ at: at(), who: '', against: 'the 1 in standard', off: thou(0.1), written: '+0.0001 in' }] },
  }),
  'stock.add': (w) => ({ kind: 'stock.add', stock: [{ ...w.stock, id: newId() }] }),
  'stock.change': (w) => ({ kind: 'stock.change', stock: { ...w.stock, revision: 1, owned: 0 } }),
  'making.add': (w) => ({ kind: 'making.add', making: { ...w.making, id: newId() } }),
  'making.change': (w) => ({ kind: 'making.change', making: { ...w.making, revision: 1, material: 'steel' } }),
  'making.finish': (w) => {
    const lot = { ...w.lot, id: newId(), thickness: thou(10.6), written: '10.6', owned: 1 };
    const leaves = [{ lotId: lot.id, thickness: lot.thickness, written: lot.written, unit: lot.unit, count: 1 }];
    const [fit] = w.build().fits;
    const build = { ...w.build(), fits: fit ? [{ ...fit, leaves }] : [] };
    return {
      kind: 'making.finish',
      making: { ...w.making, revision: 1, state: 'made', lotId: lot.id },
      lots: [lot],
      removals: [],
      readings: [],
      build,
    };
  },
  'pass.add': (w) => ({
    kind: 'pass.add',
    pass: {
      id: newId(),
      makingId: w.making.id,
      effort: 40,
      readings: [thou(11.5), thou(11.4)],
      written: '11.5 11.4',
      instrument: INSTRUMENTS.micInch,
      who: '',
      at: at(),
    },
  }),
  'fitting.add': (w) => ({ kind: 'fitting.add', fitting: { ...w.fitting, id: newId() } }),
  'fitting.change': (w) => ({ kind: 'fitting.change', fitting: { ...w.fitting, revision: 1, ambient: 12 } }),
  'heating.add': (w) => ({
    kind: 'heating.add',
    heating: { id: newId(), fittingId: w.fitting.id, outer: 72, inner: null, went: 'droppedIn', isHome: null, note: '', who: '', at: at() },
  }),
  'joint.add': (w) => {
    const joint = { ...w.joint, id: newId(), rounds: [{ torque: 24.4, degrees: null, written: '18 lb ft' }] };
    return { kind: 'joint.add', joint, stations: [newTorque(joint, { shaftId: null, assemblyId: w.boxId }, newId)] };
  },
  'joint.change': (w) => ({
    kind: 'joint.change',
    joint: {
      ...w.joint,
      revision: 1,
      thread: '5/16 BSF',
      pitch: mm(1.1545),
      lock: { ...w.joint.lock, kind: 'split pin', slots: 6, notches: [0, 61.5] },
    },
  }),
  'joint.pull': (w) => {
    const build = w.build();
    const line = { bolts: 'all 6', torque: 24.4, written: '18 lb ft', degrees: null, isSlave: false };
    const fits = [{ id: newId(), placeId: w.joint.placeId ?? '', leaves: [], state: 'torqued', tightened: [line] }];
    const pull = { jointId: w.joint.id, buildId: null, round: 0, torque: null, degrees: null, written: '', after: null, who: '', at: at() };
    return { kind: 'joint.pull', pulls: [1, 2].map((hole) => ({ ...pull, id: newId(), hole })), build: { ...build, fits } };
  },
  'rollers.add': (w) => {
    const needles = { ...w.needles, id: newId(), diameter: mm(2.5) };
    const out = { way: 'out' as const, count: 28, spacers: 1, snug: null };
    return {
      kind: 'rollers.add',
      rollers: needles,
      counts: [{ id: newId(), rollersId: needles.id, buildId: null, ...out, note: '', who: '', at: at() }],
    };
  },
  'rollers.change': (w) => ({ kind: 'rollers.change', rollers: { ...w.needles, revision: 1, trackInner: mm(20), rows: 2, spacers: 1 } }),
  'rollers.count': (w) => ({
    kind: 'rollers.count',
    count: { id: newId(), rollersId: w.needles.id, buildId: null, way: 'in', count: 28, spacers: 0, snug: true, note: '', who: '', at: at() },
  }),
  'strip.add': (w) => {
    const build = w.build();
    return { kind: 'strip.add', entry: w.stripEntry('Pack under the cover, 20'), builds: [build], readings: [w.reading(build.id)] };
  },
  inspect: (w) => ({ kind: 'inspect', inspection: w.inspection('Fork') }),
  accept: (w) => ({
    kind: 'accept',
    acceptance: { id: newId(), stationId: w.row.id, kind: 'outside', value: mm(19.9), reason: 'it ran so', who: '', at: at() },
  }),
  'photo.add': (w) => ({ kind: 'photo.add', photo: w.photo() }),
  'lookAlike.add': (w) => ({ kind: 'lookAlike.add', lookAlike: { ...w.alike, id: newId() } }),
  'lookAlike.change': (w) => ({ kind: 'lookAlike.change', lookAlike: { ...w.alike, revision: 1, tell: 'the wide tang' } }),
  'matchedSet.add': (w) => ({ kind: 'matchedSet.add', matchedSet: { ...w.set, id: newId() } }),
  'setting.add': (w) => ({ kind: 'setting.add', setting: { ...w.setting, id: newId() } }),
  'setting.change': (w) => ({ kind: 'setting.change', setting: { ...w.setting, revision: 1, name: 'judged together', gone: true } }),
  'matchedSet.change': (w) => ({ kind: 'matchedSet.change', matchedSet: { ...w.set, revision: 1, gone: true } }),
  'openItem.raise': (w) => ({ kind: 'openItem.raise', openItem: { ...w.item, id: newId(), text: 'Rag in the case' } }),
  'openItem.change': (w) => ({
    kind: 'openItem.change',
    openItem: { ...w.item, revision: 1, state: 'accepted', reason: 'so it stays', endedAt: at() },
  }),
  withdraw: (w) => {
    const reading = w.reading(null);
    send({ kind: 'reading.keep', reading });
    return { kind: 'withdraw', withdrawal: { id: newId(), ofKind: 'reading', ofId: reading.id, who: '', at: at(), why: 'that was wrong' } };
  },
  'lots.add': (w) => ({ kind: 'lots.add', lots: [{ ...w.lot, id: newId() }] }),
  'part.change': (w) => ({ kind: 'part.change', id: w.setUp.parts[0]?.id ?? '', revision: 1, number: '30307', isReadAgain: true }),
  'place.wants': (w) => ({ kind: 'place.wants', id: w.setUp.places[0]?.id ?? '', revision: 1, wants: { bore: mm(25), tang: 'none' } }),
  'lot.change': (w) => ({ kind: 'lot.change', ...w.lot, revision: 1, owned: 7, bore: mm(25), tang: 'tang' }),
};
const OF_DRAWER: ReadonlySet<string> = new Set(['lots.add', 'lot.change', 'instrument.add', 'instrument.change', 'stock.add', 'stock.change']);
/** What is in the Drawer, however often it was written. */
const drawer = (): unknown =>
  [...lots.all(db), ...instruments.all(db), ...stocks.all(db)].filter((row) => row.gone !== true).map((row) => ({ ...row, revision: 0 }));
const KINDS = Object.keys(ONE_OF_EACH) as Exclude<Change['kind'], 'undo'>[];

/** The facts as they stand: what was taken back, or left the book, is not among them, and how often a row was written does not count. */
function standing(facts: JobFacts): unknown {
  const undone = new Set(facts.withdrawals.filter((w) => w.ofKind === 'withdrawal').map((w) => w.ofId));
  const gone = new Set(facts.withdrawals.filter((w) => !undone.has(w.id)).map((w) => w.ofId));
  const rows = Object.entries(facts).filter(([name]) => name !== 'withdrawals') as [string, unknown][];
  return Object.fromEntries(
    rows.map(([name, of]) => [
      name,
      (Array.isArray(of) ? of : [of])
        .map((row: Record<string, unknown>) => ({ ...row, revision: 0 }))
        .filter((row: Record<string, unknown>) => !gone.has(String(row.id)) && row.gone !== true),
    ]),
  );
}

beforeEach(() => {
  db = openDb(':memory:');
  CLIENT = newId();
});
afterEach(() => void db.close());

describe('every command there is', () => {
  it('is tried here', () =>
    expect(KINDS.toSorted()).toEqual(
      changeSchema.options
        .map((o) => o.shape.kind.value)
        .filter((k) => k !== 'undo')
        .toSorted(),
    ));

  it.each(KINDS)('%s changes something, is in the journal under its job, and is undone without a trace in what stands', (kind) => {
    const w = new Workshop();
    const change = ONE_OF_EACH[kind](w);
    const before = { job: standing(jobFacts(db, w.jobId)), lots: drawer(), jobs: journal.lastSeq(db) };
    send(change);
    const entry = journal.ofJob(
      db,
      change.kind === 'job.create' || change.kind === 'job.begin' ? change.job.id : w.jobId,
      Number.MAX_SAFE_INTEGER,
      1,
    )[0];
    const isOfDrawer = OF_DRAWER.has(kind);
    expect(entry?.kind === kind).toBe(!isOfDrawer);
    const after = { job: standing(jobFacts(db, w.jobId)), lots: drawer() };
    if (kind !== 'job.create' && kind !== 'job.begin') expect(after).not.toEqual({ job: before.job, lots: before.lots });
    expect(() => derive(jobFacts(db, w.jobId))).not.toThrow();
    send({ kind: 'undo' });
    expect(standing(jobFacts(db, w.jobId))).toEqual(before.job);
    expect(drawer()).toEqual(before.lots);
    expect(journalDisagrees(db)).toEqual([]);
  });

  it.each(KINDS.filter((k) => !OF_DRAWER.has(k)))('%s is said in the Record in words, and by whom', (kind) => {
    const w = new Workshop();
    const change = ONE_OF_EACH[kind](w);
    const jobId = change.kind === 'job.create' || change.kind === 'job.begin' ? change.job.id : w.jobId;
    send(change);
    const facts = jobFacts(db, jobId);
    const [entry] = journal.ofJob(db, jobId, Number.MAX_SAFE_INTEGER, 1);
    if (!entry) throw new Error('not in the journal');
    const { words } = journalWords(entry.kind, JSON.parse(entry.effects) as Parameters<typeof journalWords>[1], facts);
    expect(words).toMatch(/^[A-Z].*\S/);
    expect(words).not.toMatch(/undefined|null|\[object|[0-9a-f]{8}-/);
    const line = { seq: entry.seq, at: entry.at, who: entry.who, kind: entry.kind, words, from: null, to: null, taken: null };
    const [newest] = recordOf(facts, [line]);
    expect(newest?.words).not.toMatch(/undefined|null|\[object|[0-9a-f]{8}-/);
  });
});
