import { noFacts, newLink, newShaft, type Build, type FitLeaf, type JobFacts, type Lot, type Station, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, parseLimits, thou, type Instrument, type Length, type Place, type TemplateName } from '@elder-cog/core';

interface Made {
  readonly template?: TemplateName;
  readonly place?: Place;
  readonly gasket?: boolean;
  readonly limits?: string | null;
}
interface Side {
  readonly of: Story;
  readonly assemblyId: string;
  readonly shaftId: string;
}

/** A job made step by step, for tests: one shaft, with ids that say what they are. */
export class Story {
  private count = 0;
  readonly facts: JobFacts;
  readonly station: Station;
  readonly slot: (role: string) => string;
  private readonly shaftId: string;
  private readonly assemblyId: string;
  private readonly made: Made;
  /** the story of the machine, where this is of its other side */
  private readonly whole: Story | null;

  constructor(made: Made = {}, side: Side | null = null) {
    this.made = made;
    this.whole = side?.of ?? null;
    if (side) {
      const { facts } = side.of;
      this.facts = facts;
      this.assemblyId = side.assemblyId;
      this.shaftId = side.shaftId;
      this.station = facts.stations.find((s) => s.shaftId === side.shaftId && s.subject === 'gap') as Station;
      const places = facts.places.filter((p) => p.shaftId === side.shaftId);
      this.slot = (role) => places.find((p) => p.role === role || (role === 'pack' && p.role === 'packP'))?.id ?? '';
      return;
    }
    const { template = 'taperPair', place = 'underCover', gasket = false, limits = '5-8 thou' } = made;
    const newId = (): string => this.id();
    const jobId = newId();
    const assemblyId = newId();
    this.assemblyId = assemblyId;
    const shaft = newShaft({ assemblyId, name: 'Input shaft', template, place, gasket, position: 0, newId });
    const stations = shaft.stations.map(
      (s) =>
        ({
          ...s,
          revision: 1,
          method: s.subject === 'gap' ? 'dial' : null,
          instrument: s.subject === 'gap' ? INSTRUMENTS.dialThou : null,
        }) as Station,
    );
    this.station = stations[0] as Station;
    this.shaftId = shaft.shaft.id;
    // the pack of a shaft that has several is the first of them
    this.slot = (role) => shaft.places.find((p) => p.role === role || (role === 'pack' && p.role === 'packP'))?.id ?? '';
    this.facts = {
      job: { id: jobId, revision: 1, machine: 'Test machine', year: '', note: '', createdAt: '2026-01-01T00:00:00.000Z', archivedAt: null },
      ...noFacts(),
      assemblies: [{ id: assemblyId, revision: 1, jobId, name: 'Gearbox', kind: 'box', position: 0, mirrorOf: null, cameApart: false }],
      shafts: [{ ...shaft.shaft, revision: 1 }],
      parts: shaft.parts.map((p) => ({ ...p, revision: 1 })),
      places: shaft.places.map((p) => ({ ...p, revision: 1 })),
      features: shaft.features.map((f) => ({ ...f, revision: 1 })),
      contacts: shaft.contacts.map((c) => ({ ...c, revision: 1 })),
      stations,
    };
    if (limits !== null) this.limit(limits);
  }

  /** Limits of a station, in use from then on. */
  limit(text: string, stationId: string = this.station.id, unit: 'thou' | 'mm' = 'thou'): void {
    const { min = null, max = null } = parseLimits(text, unit);
    const from = { source: 'manual' as const, pageOrWhom: '', saidAt: '', working: '', specId: null };
    this.facts.limits.push({ id: this.id(), revision: 1, stationId, min, max, written: text, unit, ...from, inUse: true });
  }

  /** The stations of its gaps, in their order. */
  get gaps(): readonly Station[] {
    return this.facts.stations.filter((s) => s.subject === 'gap');
  }

  id(): string {
    if (this.whole) return this.whole.id();
    this.count += 1;
    return `00000000-0000-4000-8000-${this.count.toString(16).padStart(12, '0')}`;
  }

  private time(): string {
    if (this.whole) return this.whole.time();
    this.count += 1;
    return new Date(Date.UTC(2026, 0, 2, 0, 0, this.count)).toISOString();
  }

  static leaf(thickness: number, lotId: string | null = null): FitLeaf {
    return { lotId, thickness: thou(thickness), written: String(thickness), unit: 'thou', count: 1 };
  }

  /** Leaves of the Drawer, thou. */
  static lot(id: string, thickness: number, more: Partial<Lot> = {}): Lot {
    const of = { thickness: thou(thickness), written: String(thickness), unit: 'thou' as const, owned: 1 };
    return { id, revision: 1, ...of, material: '', keptIn: '', note: '', ...more };
  }

  /** The builds of its own box. */
  private get mine(): readonly Build[] {
    return this.facts.builds.filter((b) => b.assemblyId === this.assemblyId);
  }

  /** A build with a pack, and the states of other slots by role. */
  build(
    pack: readonly number[] | null,
    states: Readonly<Record<string, string>> = {},
    stage: Build['stage'] = this.mine.length === 0 ? 'as_found' : 'dry',
  ): Build {
    const built: Build = {
      id: this.id(),
      assemblyId: this.assemblyId,
      parentId: this.mine.at(-1)?.id ?? null,
      stage,
      at: this.time(),
      who: '',
      label: '',
      feel: [],
      note: '',
      fits: [
        ...(pack ? [{ id: this.id(), placeId: this.slot('pack'), leaves: pack.map((t) => Story.leaf(t)), state: null }] : []),
        ...Object.entries(states).map(([role, state]) => ({ id: this.id(), placeId: this.slot(role), leaves: [], state })),
      ],
    };
    this.facts.builds.push(built);
    return built;
  }

  /** A build with one leaf, thou, in each of some places by role. */
  fit(packs: Readonly<Record<string, number>>): Build {
    const built = this.build(null);
    for (const [role, thickness] of Object.entries(packs))
      built.fits.push({ id: this.id(), placeId: this.slot(role), leaves: [Story.leaf(thickness)], state: null });
    return built;
  }

  /** Nut or bolts torqued so far, N·m, as a build of its own. */
  torque(role: string, newtonMetres: number, isSlave = false): Build {
    const built = this.build(null);
    const line = { bolts: 'all', torque: newtonMetres, written: `${newtonMetres} N·m`, degrees: null, isSlave };
    built.fits.push({ id: this.id(), placeId: this.slot(role), leaves: [], state: 'torqued', tightened: [line] });
    return built;
  }

  /** Something lapped off what a station reads, thou; with the build that is made with it. */
  lap(stationId: string, amount: number | null, buildId: string | null = this.build(null).id): string {
    const after = this.facts.readings.findLast((r) => r.stationId === stationId)?.id ?? null;
    const off = { amount: amount === null ? null : thou(amount), written: amount === null ? '' : `${amount} thou` };
    const id = this.id();
    this.facts.removals.push({ id, stationId, ...off, process: 'lapped', after, buildId, who: '', at: this.time() });
    return id;
  }

  /** The same box again, its other side: shafts, parts, places and stations under ids of their own, and nothing built. */
  twin(name: string): Story {
    const other = new Story(this.made);
    const ids = new Map<string, string>();
    const fresh = (text: string): string =>
      text.replace(/00000000-0000-4000-8000-[0-9a-f]{12}/g, (id) => {
        const known = ids.get(id) ?? this.id();
        ids.set(id, known);
        return known;
      });
    const { assemblies, shafts, parts, places, features, contacts, stations, limits } = JSON.parse(fresh(JSON.stringify(other.facts))) as JobFacts;
    const [box] = assemblies;
    const jobId = this.facts.job.id;
    if (box) this.facts.assemblies.push({ ...box, jobId, name, mirrorOf: this.facts.assemblies[0]?.id ?? null });
    for (const [mine, theirs] of [
      [this.facts.shafts, shafts],
      [this.facts.parts, parts],
      [this.facts.places, places],
      [this.facts.features, features],
      [this.facts.contacts, contacts],
      [this.facts.stations, stations],
      [this.facts.limits, limits],
    ] as [unknown[], unknown[]][])
      mine.push(...theirs);
    return new Story(this.made, { of: this, assemblyId: box?.id ?? '', shaftId: shafts[0]?.id ?? '' });
  }

  /** A size of a part, by what it is called, read so often; the station it is read at. */
  measure(name: RegExp, reads: readonly string[], instrument: Instrument | null): string {
    const faces = new Set(this.facts.places.filter((p) => p.shaftId === this.shaftId).flatMap((p) => p.faces.map((face) => face.id)));
    const feature = this.facts.features.find((f) => name.test(f.name) && (faces.has(f.fromFace) || faces.has(f.toFace)));
    if (!feature) throw new Error(`no size like ${String(name)}`);
    const link = newLink(this.shaftId, feature, () => this.id());
    this.facts.stations.push({ ...this.station, ...link, revision: 1 });
    for (const text of reads) this.read(text, { method: 'size', instrument }, link.id);
    return link.id;
  }

  read(text: string, more: Partial<JobFacts['readings'][number]['raw']> = {}, stationId: string = this.station.id): string {
    const id = this.id();
    this.facts.readings.push({
      id,
      stationId,
      buildId: this.mine.at(-1)?.id ?? null,
      raw: withUnderstood({ method: 'dial', text, instrument: INSTRUMENTS.dialThou, restsOn: [], ...more }),
      who: '',
      takenAt: this.time(),
      supersedes: null,
      keptAs: { value: null, words: text },
    });
    return id;
  }

  withdraw(ofKind: 'reading' | 'build' | 'withdrawal' | 'strip', ofId: string): string {
    const id = this.id();
    this.facts.withdrawals.push({ id, ofKind, ofId, who: '', at: this.time(), why: '' });
    return id;
  }

  /** A bush and its journal, measured in inches. */
  pair(limits: string): { bore: string; journal: string } {
    const [bore, journal, pair] = [this.id(), this.id(), this.id()];
    const base = { ...this.station, shaftId: this.shaftId, reads: null, newSize: null as Length | null };
    this.facts.stations.push(
      { ...base, id: bore, subject: 'bore', role: 'b', name: 'Bush' },
      { ...base, id: journal, subject: 'journal', role: 'j', name: 'Journal', moreIs: 'tight' },
      { ...base, id: pair, subject: 'pair', role: 'p', name: 'Clearance', boreId: bore, journalId: journal },
    );
    this.limit(limits, pair);
    return { bore, journal };
  }

  size(stationId: string, at: string, text: string, instrument: Instrument = INSTRUMENTS.micInch): void {
    this.read(text, { method: 'size', instrument, at }, stationId);
  }
}
