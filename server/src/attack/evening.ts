import {
  change as changeSchema,
  editShaft,
  JOB_TABLES,
  planOf,
  rowsIn,
  newDrag,
  newJoint,
  newPair,
  newRollers,
  newRow,
  newShaft,
  newTogether,
  newTorque,
  stripEntryOf,
  type Change,
  type ChangeKind,
  type FitLeaf,
  type JobFacts,
  type Joint,
  type Pull,
  type Shaft,
  type Withdrawal,
  withUnderstood,
} from '@elder-cog/contract';
import {
  INSERT_TITLES,
  insertBetween,
  INSTRUMENTS,
  mm,
  moveAlong,
  readStripLine,
  ReckoningError,
  takeOut,
  thou,
  turnPart,
  type InsertKind,
  type ShaftPlan,
} from '@elder-cog/core';
import { withdrawnIds } from '@elder-cog/derive';
import { apply, type Db } from '../index.ts';
import { everyFact } from '../store/facts.ts';
import { instruments } from '../store/instruments.ts';
import { lots } from '../store/lots.ts';
import { stocks } from '../store/stock.ts';
import { stands } from '../store/tables.ts';
import { Chance } from './times.ts';

type Kind = Exclude<ChangeKind, 'undo'>;
export const KINDS = changeSchema.options.map((option) => option.shape.kind.value).filter((kind): kind is Kind => kind !== 'undo');

const OF_NO_JOB = ['job.create', 'job.begin', 'lots.add', 'lot.change', 'instrument.add', 'instrument.change', 'stock.add', 'stock.change'] as const;
type OfNoJob = (typeof OF_NO_JOB)[number];
const isOfNoJob = (kind: Kind): kind is OfNoJob => (OF_NO_JOB as readonly string[]).includes(kind);

let ids = 0;
export const newId = (): string => `a77ac000-0000-4000-8000-${(++ids).toString(16).padStart(12, '0')}`;

/** Any evening's work on a workshop that begins empty: commands of every kind, as they can be given to what is there. */
export class Evening {
  readonly chance: Chance;
  private readonly db: Db;
  private clock = 0;

  constructor(db: Db, seed: number) {
    this.db = db;
    this.chance = new Chance(seed);
  }

  at(): string {
    return new Date(Date.UTC(2026, 0, 1) + ++this.clock * 1000).toISOString();
  }

  /** Sends a change; its refusal is thrown on. */
  send(change: Change, clientId: string): void {
    apply(this.db, { commandId: newId(), clientId, who: 'A. B.', at: this.at(), change });
  }

  /** Something of these kinds that can be done now; null where the one drawn cannot. */
  some(kinds: readonly Kind[] = KINDS): Change | null {
    const jobs = everyFact(this.db).filter(({ job }) => job.gone !== true && job.archivedAt === null);
    const kind = this.chance.of(kinds);
    if (isOfNoJob(kind)) return this.ofNoJob(kind);
    const facts = jobs.length === 0 ? null : this.chance.of(jobs);
    return facts === null ? null : this.ofJob(kind, facts);
  }

  private ofNoJob(kind: OfNoJob): Change | null {
    const job = { id: newId(), machine: `Machine ${this.chance.whole(9)}`, year: '', note: '', createdAt: this.at(), archivedAt: null };
    switch (kind) {
      case 'job.create':
        return { kind, job };
      case 'job.begin': {
        const assemblyId = newId();
        const { kind: _, ...whole } = this.shaft(assemblyId, 0);
        return { kind, job, assemblies: [this.box(job.id, assemblyId)], shafts: [whole], limits: [], builds: [], readings: [] };
      }
      case 'instrument.add':
        return { kind, instrument: { id: newId(), instrument: INSTRUMENTS.micInch, keptIn: '', note: '', checks: [] } };
      case 'instrument.change': {
        const tool = this.one(instruments.all(this.db).filter((each) => each.gone !== true));
        return tool && { kind, instrument: { ...tool, note: `note ${this.chance.whole(99)}` } };
      }
      case 'stock.add': {
        const size = { thickness: thou(5 + this.chance.whole(30)), width: mm(300), outside: null, bore: null, length: mm(150) };
        const said = { form: 'shim' as const, material: 'brass', written: '12', unit: 'thou' as const, keptIn: '', note: '' };
        return { kind, stock: [{ id: newId(), ...size, ...said, owned: 1 + this.chance.whole(3), canBuy: this.chance.next() < 0.5 }] };
      }
      case 'stock.change': {
        const of = this.one(stocks.all(this.db).filter((each) => each.gone !== true));
        return of && { kind, stock: { ...of, owned: this.chance.whole(9) } };
      }
      case 'lots.add': {
        const lot = { thickness: thou(1 + this.chance.whole(30)), written: '4', unit: 'thou' as const, material: '', keptIn: '', note: '' };
        return { kind, lots: [{ id: newId(), owned: 3, ...lot }] };
      }
      case 'lot.change': {
        const lot = this.one(lots.all(this.db).filter((each) => each.gone !== true));
        if (!lot) return null;
        const { crushed: _, ...rest } = lot;
        const gasket = this.chance.next() < 0.5 ? { crushed: thou(1 + this.chance.whole(12)) } : {};
        return { kind, ...rest, ...gasket, owned: this.chance.whole(9) };
      }
    }
  }

  private box(jobId: string, id = newId()) {
    return { id, jobId, name: `Box ${this.chance.whole(9)}`, kind: 'box', position: 0, mirrorOf: null, cameApart: false };
  }

  private shaft(assemblyId: string, position: number) {
    return newShaft({ assemblyId, name: 'Shaft', template: 'taperPair', place: 'underCover', gasket: this.chance.next() < 0.5, position, newId });
  }

  /** Something put in, taken out, moved or turned on a shaft as it is drawn; null where the one tried is refused. */
  private edit(facts: JobFacts, shaft: Shaft): Change | null {
    const plan = planOf(facts, shaft);
    const contact = this.one(plan.contacts);
    const place = this.one(plan.places);
    if (!contact || !place) return null;
    const edits: readonly (() => ShaftPlan)[] = [
      () => insertBetween(plan, contact.role, this.chance.of(Object.keys(INSERT_TITLES) as InsertKind[]), newId),
      () => takeOut(plan, place.role, newId),
      () => moveAlong(plan, place.role, this.chance.of([1, -1])),
      () => turnPart(plan, place.role),
    ];
    try {
      return editShaft(facts, shaft, this.chance.of(edits)(), newId);
    } catch (error) {
      if (error instanceof ReckoningError) return null;
      throw error;
    }
  }

  private one<Row>(rows: readonly Row[]): Row | null {
    return rows.length === 0 ? null : this.chance.of(rows);
  }

  private limit(stationId: string) {
    const min = this.chance.whole(20);
    const from = { source: 'manual' as const, pageOrWhom: '', saidAt: '', working: '', specId: null };
    return {
      id: newId(),
      stationId,
      min: thou(min),
      max: thou(min + 3),
      written: `${min}`,
      unit: 'thou' as const,
      ...from,
      inUse: this.chance.next() < 0.8,
    };
  }

  /** What a build may say of a joint: a gasket bolted up, sealant, or that nobody knows, or nothing. */
  private joint() {
    const line = { bolts: 'all', torque: 25, written: '25 N·m', degrees: null, isSlave: this.chance.next() < 0.5 };
    const said = [
      {},
      { tightened: [line] },
      { another: true as const },
      { crushed: null },
      { crushed: thou(this.chance.whole(15)) },
      { film: null },
      { film: thou(this.chance.whole(3)) },
    ];
    return said[this.chance.whole(said.length)] ?? {};
  }

  private reading(stationId: string, buildId: string | null) {
    const raw = withUnderstood({ method: 'dial' as const, text: String(this.chance.whole(60)), instrument: INSTRUMENTS.dialThou, restsOn: [] });
    return { id: newId(), stationId, buildId, raw, who: '', takenAt: this.at(), supersedes: null, keptAs: { value: null, words: '' } };
  }

  private ofJob(kind: Kind, facts: JobFacts): Change | null {
    const { job } = facts;
    const live = <Row extends { readonly gone?: boolean | undefined }>(rows: readonly Row[]): Row[] => rows.filter((row) => row.gone !== true);
    const box = this.one(live(facts.assemblies));
    const shaft = this.one(live(facts.shafts));
    const station = this.one(live(facts.stations));
    const gap = this.one(live(facts.stations).filter((s) => s.subject === 'gap'));
    const who = '';
    const at = this.at();
    switch (kind) {
      case 'job.change':
        return { kind, id: job.id, revision: job.revision, machine: `Machine ${this.chance.whole(99)}`, year: '', note: '', archivedAt: null };
      case 'assembly.create':
        return { kind, assembly: this.box(job.id) };
      case 'assembly.change':
        return (
          box && {
            kind,
            id: box.id,
            revision: box.revision,
            name: `Box ${this.chance.whole(99)}`,
            cameApart: this.chance.next() < 0.5,
            mirrorOf: null,
          }
        );
      case 'shaft.change':
        return shaft && { kind, id: shaft.id, revision: shaft.revision, name: `Shaft ${this.chance.whole(99)}`, position: this.chance.whole(3) };
      case 'shaft.create':
        return box && this.shaft(box.id, facts.shafts.length);
      case 'shaft.edit':
        return shaft && this.edit(facts, shaft);
      case 'stations.add':
        if (shaft && gap && this.chance.next() < 0.4) {
          const drag = newDrag(gap, 'Drag', newId);
          const together = newTogether({ assemblyId: shaft.assemblyId, name: 'Either', by: 'either' }, [drag.id, gap.id], newId);
          return { kind, stations: [drag], settings: [together] };
        }
        return shaft && { kind, stations: [...newPair({ of: { shaftId: shaft.id }, name: 'Front', unit: 'in', position: 200, newId })] };
      case 'rows.add': {
        if (!shaft) return null;
        const row = newRow({ of: { shaftId: shaft.id }, kind: 'bore', name: 'Bush', unit: 'mm', position: 300, newId });
        return { kind, stations: [row], limits: [this.limit(row.id)], readings: [this.reading(row.id, null)] };
      }
      case 'rows.takeOut':
        return station && { kind, stations: [{ id: station.id, revision: station.revision }] };
      case 'station.change': {
        if (!station) return null;
        const { id, revision, rule, aim, method, instrument } = station;
        return { kind, id, revision, name: `Row ${this.chance.whole(99)}`, rule, aim, newSize: mm(this.chance.whole(40)), method, instrument };
      }
      case 'part.change': {
        const part = this.one(live(facts.parts));
        return (
          part && {
            kind,
            id: part.id,
            revision: part.revision,
            number: `30${300 + this.chance.whole(20)}`,
            ...(this.chance.next() < 0.3 ? { isReadAgain: true } : {}),
          }
        );
      }
      case 'place.wants': {
        const place = this.one(live(facts.places).filter((p) => p.takes !== null));
        const wants = this.chance.next() < 0.3 ? null : { bore: mm(20 + this.chance.whole(9)), side: 'grooves in' };
        return place && { kind, id: place.id, revision: place.revision, wants };
      }
      case 'limit.set':
        return station && { kind, limit: station.quantity === 'torque' ? this.torqueLimit(station.id) : this.limit(station.id) };
      case 'limit.use': {
        const limit = this.one(live(facts.limits));
        return limit && !limit.inUse ? { kind, id: limit.id, revision: limit.revision } : null;
      }
      case 'specs.add':
        return { kind, specs: [this.spec(job.id)] };
      case 'spec.change': {
        const spec = this.one(live(facts.specs));
        return spec && { kind, spec: { ...spec, leftOut: !spec.leftOut } };
      }
      case 'spec.copy': {
        const spec = this.one(live(facts.specs));
        return spec && gap && { kind, spec: { ...spec, stationId: gap.id }, limit: { ...this.limit(gap.id), specId: spec.id } };
      }
      case 'build.add': {
        const slot = this.one(live(facts.places).filter((p) => p.takes === 'leaves'));
        const of = slot && facts.shafts.find((s) => s.id === slot.shaftId);
        return slot && of ? { kind, build: this.build(of.assemblyId, slot.id, facts) } : null;
      }
      case 'feel.add': {
        const build = this.one(facts.builds.filter((b) => stands(this.db, 'build', b.id)));
        return build && { kind, feel: { id: newId(), buildId: build.id, word: 'smooth', who, at } };
      }
      case 'temporary.count': {
        const before = this.one(facts.temporaries.filter((t) => t.outOf === null && stands(this.db, 'temporary', t.id)));
        const isOut = before !== null && this.chance.next() < 0.5;
        const row = { id: newId(), assemblyId: box?.id ?? '', buildId: null, what: 'rag', count: 1 + this.chance.whole(3), outOf: null, who, at };
        return box && { kind, temporaries: [isOut ? { ...row, assemblyId: before.assemblyId, what: before.what, outOf: before.id } : row] };
      }
      case 'remove': {
        if (!station) return null;
        const read = this.one(facts.readings.filter((r) => r.stationId === station.id && stands(this.db, 'reading', r.id)));
        const row = { stationId: station.id, amount: thou(1 + this.chance.whole(5)), written: '3 thou', process: 'lapped' as const };
        return { kind, build: null, removal: { id: newId(), ...row, after: read?.id ?? null, buildId: null, who, at } };
      }
      case 'station.close': {
        const read = this.one(facts.readings.filter((r) => stands(this.db, 'reading', r.id)));
        return read && { kind, closing: { id: newId(), stationId: read.stationId, readingId: read.id, who, at } };
      }
      case 'reading.keep': {
        const build = this.one(facts.builds.filter((b) => stands(this.db, 'build', b.id)));
        const drag = this.chance.next() < 0.4 ? this.one(live(facts.stations).filter((s) => s.subject === 'drag')) : null;
        const at = drag ?? gap;
        const isDone = facts.closings.some((c) => c.stationId === at?.id && stands(this.db, 'closing', c.id));
        if (!at || isDone) return null;
        return { kind, reading: drag ? this.dragged(drag.id, build?.id ?? null) : this.reading(at.id, build?.id ?? null) };
      }
      case 'making.add': {
        const place = this.one(live(facts.places).filter((p) => p.takes === 'leaves'));
        return { kind, making: this.making(job.id, place?.id ?? null, gap?.id ?? null) };
      }
      case 'making.change': {
        const of = this.one(live(facts.makings));
        return of && { kind, making: { ...of, material: `brass ${this.chance.whole(99)}` } };
      }
      case 'making.finish': {
        const of = this.one(live(facts.makings).filter((m) => m.lotId === null));
        const made = { thickness: thou(10), written: '10', unit: 'thou' as const, owned: 1, material: 'brass', keptIn: '', note: '' };
        const lot = { id: newId(), ...made };
        return of && { kind, making: { ...of, state: 'made', lotId: lot.id }, lots: [lot], removals: [], readings: [], build: null };
      }
      case 'pass.add': {
        const of = this.one(live(facts.makings));
        return of && { kind, pass: this.pass(of.id) };
      }
      case 'fitting.add':
        return { kind, fitting: this.fitting(job.id) };
      case 'fitting.change': {
        const of = this.one(live(facts.fittings));
        return of && { kind, fitting: { ...of, ambient: this.chance.whole(30) } };
      }
      case 'heating.add': {
        const of = this.one(live(facts.fittings));
        return of && { kind, heating: { id: newId(), fittingId: of.id, outer: 80, inner: null, went: 'droppedIn', isHome: true, note: '', who, at } };
      }
      case 'joint.add': {
        if (!box) return null;
        const place = this.one(live(facts.places).filter((p) => p.kind === 'fastening'));
        const joint = this.joined(box.id, place?.id ?? null);
        return { kind, joint, stations: this.chance.next() < 0.5 ? [newTorque(joint, { shaftId: null, assemblyId: box.id }, newId)] : [] };
      }
      case 'joint.change': {
        const joint = this.one(live(facts.joints));
        return joint && { kind, joint: { ...joint, pitch: mm(1 + this.chance.whole(3)), adjusts: this.chance.next() < 0.3 } };
      }
      case 'joint.pull': {
        const joint = this.one(live(facts.joints));
        const build = this.one(facts.builds.filter((b) => b.assemblyId === joint?.assemblyId && stands(this.db, 'build', b.id)));
        const last = facts.readings.findLast((r) => stands(this.db, 'reading', r.id));
        return joint && { kind, pulls: [this.pull(joint, build?.id ?? null, last?.id ?? null)], build: null };
      }
      case 'rollers.add':
        return (
          box && { kind, rollers: newRollers({ assemblyId: box.id, placeId: null, name: `Rollers ${this.chance.whole(99)}` }, newId), counts: [] }
        );
      case 'rollers.change': {
        const of = this.one(live(facts.rollers));
        return of && { kind, rollers: { ...of, diameter: mm(2 + this.chance.whole(3)), spacers: this.chance.whole(3) } };
      }
      case 'rollers.count': {
        const of = this.one(live(facts.rollers));
        const way = this.chance.of(['out', 'in'] as const);
        const snug = way === 'in' ? this.chance.next() < 0.5 : null;
        return (
          of && {
            kind,
            count: { id: newId(), rollersId: of.id, buildId: null, way, count: 20 + this.chance.whole(9), spacers: 1, snug, note: '', who, at },
          }
        );
      }
      case 'strip.add': {
        const read = readStripLine('Pack under the cover, 20', 'thou');
        if (!box || !read) return null;
        const entry = stripEntryOf(read, { text: 'Pack', assemblyId: box.id, shaftId: null, inventory: false, supersedes: null });
        return { kind, entry: { ...entry, id: newId(), who, at }, builds: [], readings: gap ? [this.reading(gap.id, null)] : [] };
      }
      case 'inspect': {
        const said = { cleaned: true, findings: [], proposed: null, decision: 'reuse' as const, reason: '' };
        return {
          kind,
          inspection: { id: newId(), jobId: job.id, stationId: station?.id ?? null, part: 'Fork', partType: 'selector', ...said, who, at },
        };
      }
      case 'accept':
        return station && { kind, acceptance: { id: newId(), stationId: station.id, kind: 'outside', value: mm(1), reason: 'it ran so', who, at } };
      case 'photo.add': {
        const item = this.one(live(facts.openItems));
        const file = { sha256: 'a'.repeat(64), mediaType: 'image/jpeg' as const, bytes: 10, width: 1, height: 1, caption: '' };
        return item && { kind, photo: { id: newId(), jobId: job.id, ofKind: 'openItem', ofId: item.id, ...file, who, at } };
      }
      case 'lookAlike.add': {
        const half = { name: 'Washer', goes: '', size: thou(121), written: '121', unit: 'thou' as const, marks: 5, tang: 'wide' as const };
        return { kind, lookAlike: { id: newId(), jobId: job.id, form: 'washer', a: half, b: half, tell: 'grooves', gone: false } };
      }
      case 'lookAlike.change': {
        const alike = this.one(live(facts.lookAlikes));
        return alike && { kind, lookAlike: { ...alike, tell: `grooves ${this.chance.whole(99)}`, gone: this.chance.next() < 0.3 } };
      }
      case 'setting.add': {
        const station = this.one(live(facts.stations));
        const box = this.one(facts.assemblies);
        const other = this.one(live(facts.stations).filter((s) => s.id !== station?.id));
        if (!station || !box || !other) return null;
        const criteria = [station, other].map(({ id }) => ({ stationId: id, group: this.chance.whole(3) + 1 }));
        return { kind, setting: { id: newId(), assemblyId: box.id, name: 'together', criteria, gone: false } };
      }
      case 'setting.change': {
        const together = this.one(live(facts.settings));
        return together && { kind, setting: { ...together, name: `together ${this.chance.whole(99)}`, gone: this.chance.next() < 0.3 } };
      }
      case 'matchedSet.add':
        return { kind, matchedSet: { id: newId(), jobId: job.id, name: 'pair', members: ['Wheel', 'Pinion'], gone: false } };
      case 'matchedSet.change': {
        const set = this.one(live(facts.matchedSets));
        return set && { kind, matchedSet: { ...set, name: `pair ${this.chance.whole(99)}`, gone: this.chance.next() < 0.3 } };
      }
      case 'openItem.raise':
        return {
          kind,
          openItem: { id: newId(), jobId: job.id, text: 'Nut hand tight', where: '', state: 'open', reason: '', who, raisedAt: at, endedAt: null },
        };
      case 'openItem.change': {
        const item = this.one(live(facts.openItems));
        return item && { kind, openItem: { ...item, state: item.state === 'open' ? 'closed' : 'open', endedAt: null } };
      }
      case 'withdraw': {
        const of = this.observed(facts);
        return of && { kind, withdrawal: { id: newId(), ...of, who, at, why: 'that was wrong' } };
      }
      default:
        return null;
    }
  }

  /** Nut or bolts, in two rounds. */
  private joined(assemblyId: string, placeId: string | null): Omit<Joint, 'revision'> {
    const begun = newJoint({ assemblyId, placeId, stripId: null, name: `Bolts ${this.chance.whole(99)}`, shape: 'circle', holes: 4 }, newId);
    const round = { torque: 24.4, degrees: null, written: '18 lb ft' };
    return { ...begun, rounds: [{ torque: null, degrees: null, written: '' }, round] };
  }

  private pull({ id, holes }: Joint, buildId: string | null, after: string | null): Pull {
    const hole = { round: this.chance.whole(3), hole: 1 + this.chance.whole(holes) };
    return { id: newId(), jointId: id, buildId, ...hole, torque: null, degrees: null, written: '', after, who: '', at: this.at() };
  }

  private torqueLimit(stationId: string) {
    const { min: _, max: _max, ...of } = this.limit(stationId);
    const least = 1 + this.chance.whole(3);
    const isNew = this.chance.next() < 0.4 ? { conditions: { bearings: 'new' as const } } : {};
    return { ...of, min: null, max: null, torque: { min: least, max: least + 1, unit: 'N·m' as const }, ...isNew };
  }

  private dragged(stationId: string, buildId: string | null) {
    const pull = 10 + this.chance.whole(50);
    const byCord = { method: 'cord' as const, understood: { how: 'pulls' as const, values: [pull], unit: 'N' as const, radius: mm(25) } };
    const byWrench = { method: 'wrench' as const, understood: { how: 'torques' as const, values: [pull / 40], unit: 'N·m' as const } };
    const raw = { ...(this.chance.next() < 0.5 ? byCord : byWrench), text: String(pull), instrument: null, restsOn: [] };
    return { id: newId(), stationId, buildId, raw, who: '', takenAt: this.at(), supersedes: null, keptAs: { value: null, si: pull / 40, words: '' } };
  }

  private spec(jobId: string) {
    const figures = { quantity: 'length' as const, min: thou(5), max: thou(8), unit: 'thou', written: '5-8 thou', remark: '' };
    const from = { source: 'manual' as const, pageOrWhom: '', saidAt: '', stationId: null, leftOut: false, who: '', at: this.at() };
    return { id: newId(), jobId, position: this.chance.whole(9), text: 'Float 5-8 thou', name: 'Float', ...figures, ...from };
  }

  private making(jobId: string, placeId: string | null, gapId: string | null) {
    const form = { kind: 'shim' as const, sizes: { inner: mm(60), outer: mm(92), thickness: thou(10) }, counts: {} };
    const window = { min: thou(9), max: thou(12), ideal: thou(10), from: null };
    const blank = { size: thou(12), written: '12', unit: 'thou' as const };
    const said = { material: 'brass', process: 'lap' as const, state: 'open' as const, lotId: null, note: '', who: '', at: this.at() };
    const beside: FitLeaf[] = this.chance.next() < 0.3 ? [{ lotId: null, thickness: thou(20), written: '20', unit: 'thou', count: 1 }] : [];
    return { id: newId(), jobId, name: `Shim ${this.chance.whole(99)}`, form, placeId, gapId, sizeId: null, window, beside, blank, ...said };
  }

  private pass(makingId: string) {
    const readings = this.chance.next() < 0.2 ? [] : [thou(10 + this.chance.whole(3)), thou(11)];
    return {
      id: newId(),
      makingId,
      effort: this.chance.whole(40),
      readings,
      written: '10.6 11',
      instrument: INSTRUMENTS.micInch,
      who: '',
      at: this.at(),
    };
  }

  private fitting(jobId: string) {
    const part = {
      what: 'cup',
      material: 'mild steel',
      kind: 'plain' as const,
      also: [],
      bore: mm(62),
      roughness: null,
      weight: 200,
      temperature: null,
    };
    const sizes = { length: mm(18), journal: null, clearance: null, ease: mm(0.02) };
    const air = { ambient: 20, humidity: 50, heating: 'oven' as const, working: null, note: '' };
    return { id: newId(), jobId, name: 'Cup', outer: { ...part, outside: mm(90) }, inner: { ...part, outside: mm(62.03) }, ...sizes, ...air };
  }

  private build(assemblyId: string, placeId: string, facts: JobFacts) {
    const parent = this.one(facts.builds.filter((b) => b.assemblyId === assemblyId && stands(this.db, 'build', b.id)));
    const lot = this.one(lots.all(this.db).filter((each) => each.gone !== true));
    const thickness = lot?.thickness ?? thou(1 + this.chance.whole(30));
    const leaves = [{ lotId: lot?.id ?? null, thickness, written: '4', unit: 'thou' as const, count: 1 }];
    const said = { stage: 'dry' as const, at: this.at(), who: '', label: '', feel: [], note: '' };
    return { id: newId(), assemblyId, parentId: parent?.id ?? null, ...said, fits: [{ id: newId(), placeId, leaves, state: null, ...this.joint() }] };
  }

  /** Something observed that stands: a withdrawal too may be taken back. */
  private observed(facts: JobFacts): Pick<Withdrawal, 'ofKind' | 'ofId'> | null {
    const rows = (ofKind: Withdrawal['ofKind'], of: readonly { readonly id: string }[]): Pick<Withdrawal, 'ofKind' | 'ofId'>[] =>
      of.filter(({ id }) => stands(this.db, ofKind, id)).map(({ id }) => ({ ofKind, ofId: id }));
    return this.one([
      ...rows('reading', facts.readings),
      ...rows('build', facts.builds),
      ...rows('strip', facts.strip),
      ...rows('inspection', facts.inspections),
      ...rows('acceptance', facts.acceptances),
      ...rows('feel', facts.feels),
      ...rows('temporary', facts.temporaries),
      ...rows('removal', facts.removals),
      ...rows('closing', facts.closings),
      ...rows('pass', facts.passes),
      ...rows('heating', facts.heatings),
      ...rows('photo', facts.photos),
      ...rows('withdrawal', facts.withdrawals),
    ]);
  }
}

/** All that stands, fact by fact: withdrawn rows and rows marked gone left out, and how often a row was written not counted. */
export function standing(db: Db): string[] {
  const said = (table: string, row: object): string => `${table} ${JSON.stringify({ ...row, revision: 0 })}`;
  const ofJobs = everyFact(db).flatMap((facts) => {
    if (facts.job.gone === true) return [];
    const withdrawn = withdrawnIds(facts);
    const stands = (row: { readonly id: string; readonly gone?: boolean | undefined }): boolean => row.gone !== true && !withdrawn.has(row.id);
    return JOB_TABLES.filter((table) => table !== 'withdrawal')
      .flatMap((table) =>
        rowsIn(facts, table)
          .filter(stands)
          .map((row) => said(table, row)),
      )
      .concat(said('job', facts.job));
  });
  const drawer = [
    ...lots.all(db).map((lot) => ['lot', lot] as const),
    ...instruments.all(db).map((tool) => ['instrument', tool] as const),
    ...stocks.all(db).map((each) => ['stock', each] as const),
  ];
  return [...ofJobs, ...drawer.flatMap(([table, row]) => (row.gone === true ? [] : [said(table, row)]))].sort();
}
