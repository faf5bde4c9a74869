import { formatLength, mm, nanometres } from '@elder-cog/core';
import { v5 } from 'uuid';

/**
 * From version 6 to 7. Until then a shaft was parts with faces of their own, slots beside them, and sizes typed into them; since then it is
 * places, faces and contacts, a part is one thing with one identity, and a size is what it was read to be. The one upgrade, for files and for
 * databases: ids follow from the old ones, so that a file and the database it came from stay the same machine.
 */

type Row = Record<string, unknown>;
const rowsOf = (value: unknown): Row[] => (Array.isArray(value) ? value.filter((row): row is Row => typeof row === 'object' && row !== null) : []);
const text = (value: unknown): string => (typeof value === 'string' ? value : '');
const UUID = /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i;
/** An id that follows from another. What is no id has nothing to follow from: it is given back, for the schema to say so. */
const idFrom = (id: unknown, what: string): string => (UUID.test(text(id)) ? v5(what, text(id)) : text(id));

/** What parts of version 6 were drawn at until they were measured, mm, by the role of the length. */
const PROPORTIONS: Readonly<Record<string, number>> = {
  'casing.seat-face': 181,
  'shaft.shoulderIn-shoulderOut': 133,
  'cover.spigot-flange': 9,
  'gasket.in-out': 0.3,
  bearingIn: 18.5,
  bearingOut: 18.5,
  'casing.thrust-face': 120,
  'washerIn.back-front': 4,
  'washerOut.front-back': 4,
  'shaft.collarIn-collarOut': 104,
  'cover.thrust-flange': 6,
  'bush.in-out': 58,
  'gear.in-out': 49,
  'collar.in-out': 14,
};
const OTHER_PROPORTION = 20;

type Band = readonly [side: 'in' | 'out', inner: number, outer: number];
/** Which way faces of version 6 looked, and from which radius to which they were drawn, mm, by their names. */
const FACES: Readonly<Record<string, Band>> = {
  'casing.seat': ['out', 21, 31],
  'cover.spigot': ['in', 24.5, 30.8],
  'shaft.shoulderIn': ['in', 15, 19],
  'shaft.shoulderOut': ['out', 15, 19],
  'casing.thrust': ['out', 16.5, 44],
  'cover.thrust': ['in', 16.5, 32.6],
  'shaft.collarIn': ['in', 13, 24],
  'shaft.collarOut': ['out', 13, 24],
  'shaft.shoulder': ['out', 15, 30],
};
/** The same of what is alike at either end, by the kind of part and the shaft it was begun from. */
const BANDS: Readonly<Record<string, readonly [inner: number, outer: number]>> = {
  cup: [22.6, 31],
  cone: [15, 19],
  gasket: [31, 46],
  collar: [15, 30],
  bush: [15, 18.9],
  gear: [19.2, 30],
  'washer plainThrust': [14, 30],
  'washer gearOnBush': [19.2, 30],
  'casing taperPair': [31, 46],
  'casing plainThrust': [33, 52],
  'cover taperPair': [31, 46],
  'cover plainThrust': [33, 52],
  'pack taperPair underCover': [31, 46],
  'pack taperPair behindCup': [22.6, 30.8],
  'pack taperPair behindCone': [15, 18.6],
  'pack plainThrust thrustWasher': [14, 30],
  'pack plainThrust underCover': [33, 52],
  'pack gearOnBush thrustWasher': [19.2, 30],
  'pack gearOnBush inLine': [15, 18.9],
};
/** How thick a pack was drawn while nobody had said what was in, mm, where it was no shim. */
const THICK: Readonly<Record<string, number>> = { 'plainThrust thrustWasher': 4, 'gearOnBush thrustWasher': 4, 'gearOnBush inLine': 58 };
const SHIM = 0.7;

/** One row as an entry of the journal has it. */
interface Effect {
  readonly table: string;
  readonly id: string;
  readonly before: Row | null;
  readonly after: Row | null;
}

interface Written {
  readonly who: string;
  readonly at: string;
}
/** Who last wrote a row, and when, by the journal. */
export type LastWritten = (id: string) => Written | null;

/** What became of a job: its facts, and the rows that are new or are of another shape. */
export interface Placed {
  readonly facts: Row;
  readonly effects: readonly Effect[];
}

const goneOf = (row: Row): Row => (row.gone === true ? { gone: true } : {});

/** One shaft's rows of version 6. */
interface OldShaft {
  readonly parts: readonly Row[];
  readonly slots: readonly Row[];
  readonly features: readonly Row[];
  readonly contacts: readonly Row[];
}

/** The ids that the roles of one shaft have come to stand for. */
class Naming {
  private readonly shaftId: string;
  private readonly old: OldShaft;

  constructor(shaftId: string, old: OldShaft) {
    this.shaftId = shaftId;
    this.old = old;
  }

  /** A face of version 6 by its name; a name that no part has is given back as it is. */
  face(name: unknown): string {
    const isHere = this.old.parts.some((part) => Array.isArray(part.faces) && part.faces.includes(name));
    return isHere ? idFrom(this.shaftId, `face ${text(name)}`) : text(name);
  }
  slotOf = (part: Row): Row | undefined => this.old.slots.find((slot) => slot.partRole === part.role);
  place = (part: Row): string => text(this.slotOf(part)?.id) || idFrom(part.id, 'place');
  part = (role: unknown): Row | undefined => this.old.parts.find((part) => part.role === role);
  contact = (role: unknown): Row | undefined => this.old.contacts.find((contact) => contact.role === role);
  /** The part that a bearing's stand is a size of: its cone. */
  private standing({ a, b }: Row): Row | undefined {
    const at = this.old.parts.filter((part) => Array.isArray(part.faces) && (part.faces.includes(a) || part.faces.includes(b)));
    return at.find((part) => part.kind === 'cone') ?? at[0];
  }
  owner(feature: Row): Row | undefined {
    if (feature.partRole !== null) return this.part(feature.partRole);
    const contact = this.contact(feature.role);
    return contact && this.standing(contact);
  }
}

const isPack = (part: Row, slot: Row | undefined): boolean => part.kind === 'pack' || slot?.kind === 'adjuster';
/** Where nothing better is known, a ring on a middling shaft. */
const RING = [15, 25] as const;
const bandOf = (part: Row, shaft: Row, slot: Row | undefined): readonly [number, number] =>
  BANDS[`${text(part.kind)} ${text(shaft.template)} ${text(slot?.place)}`.trim()] ??
  BANDS[`${text(part.kind)} ${text(shaft.template)}`] ??
  BANDS[text(part.kind)] ??
  RING;
/** A cover looks inwards; anything else, out at either end. */
const lidOrEnd = (part: Row, i: number, of: number): 'in' | 'out' => (part.kind !== 'cover' && i === of - 1 ? 'out' : 'in');

const TAKES: Readonly<Record<string, string>> = { adjuster: 'leaves', gasket: 'gasket', part: 'part' };

function placesOf(shaft: Row, { parts, slots }: OldShaft, names: Naming): Row[] {
  const shaftId = text(shaft.id);
  const filled = parts.map((part, position): Row => {
    const slot = names.slotOf(part);
    const listed: unknown[] = Array.isArray(part.faces) ? part.faces : [];
    const faces = listed.map((name, i) => {
      const drawn = FACES[text(name)] ?? bandOf(part, shaft, slot);
      const [side, inner, outer] = drawn.length === 3 ? drawn : [lidOrEnd(part, i, listed.length), ...drawn];
      return { id: names.face(name), role: text(name), side, inner: mm(inner), outer: mm(outer) };
    });
    return {
      id: names.place(part),
      revision: part.revision ?? 1,
      ...goneOf(part),
      shaftId,
      // readings say by the role of a slot what they rested on
      role: slot?.role ?? part.role,
      name: slot?.name ?? part.name,
      kind: part.kind,
      position,
      takes: TAKES[text(slot?.kind)] ?? null,
      sits: slot?.place ?? null,
      partId: isPack(part, slot) ? null : part.id,
      turned: part.turned ?? false,
      proportion: isPack(part, slot) ? mm(THICK[`${text(shaft.template)} ${text(slot?.place)}`] ?? SHIM) : null,
      faces,
    };
  });
  const roles = new Set(parts.map((part) => part.role));
  const states = slots
    .filter((slot) => slot.partRole === null || !roles.has(slot.partRole))
    .map((slot, i): Row => {
      const kind = slot.kind === 'bearing' ? 'bearings' : text(slot.kind);
      const base = { revision: 1, ...goneOf(slot), shaftId, role: slot.role, name: slot.name, kind, position: parts.length + i };
      return { id: slot.id, ...base, takes: null, sits: slot.place ?? null, partId: null, turned: false, proportion: null, faces: [] };
    });
  return [...filled, ...states];
}

const partsOf = (assemblyId: unknown, { parts }: OldShaft, names: Naming): Row[] =>
  parts
    .filter((part) => !isPack(part, names.slotOf(part)))
    .map(({ id, revision, name, kind, material, ...rest }) => ({
      id,
      revision,
      ...goneOf(rest),
      assemblyId,
      name,
      kind,
      material,
      number: '',
      condition: 'in use',
    }));

const featureNow = (feature: Row, names: Naming): Row => ({
  id: feature.id,
  revision: feature.revision,
  ...goneOf(feature),
  partId: names.owner(feature)?.id ?? null,
  role: feature.role,
  name: feature.name,
  kind: feature.partRole === null ? 'stand' : 'length',
  fromFace: names.face(feature.fromFace),
  toFace: names.face(feature.toFace),
  nominal: null,
  proportion: mm(PROPORTIONS[text(feature.role)] ?? OTHER_PROPORTION),
});

function contactNow(contact: Row, { features, slots }: OldShaft, names: Naming): Row {
  const stand = features.find((feature) => feature.partRole === null && feature.role === contact.role);
  const fastener = contact.kind === 'clamped' ? slots.find((slot) => slot.kind === 'fastening') : undefined;
  return {
    id: contact.id,
    revision: 1,
    ...goneOf(contact),
    shaftId: contact.shaftId,
    role: contact.role,
    name: contact.name,
    a: names.face(contact.a),
    b: names.face(contact.b),
    kind: contact.kind,
    standId: stand?.id ?? null,
    fastenerId: fastener?.id ?? null,
  };
}

/** A size that was typed into a part, as a station and its reading: how well it is known nobody said. */
function sizeRead(feature: Row, shaftId: string, position: number, { who, at }: Written): { station: Row; reading: Row } | null {
  if (typeof feature.size !== 'number' || feature.gone === true || !UUID.test(text(feature.id))) return null;
  const station = {
    id: idFrom(feature.id, 'station'),
    revision: 1,
    shaftId,
    subject: 'link',
    quantity: 'length',
    moreIs: 'loose',
    role: `link.${text(feature.role)}`.slice(0, 80),
    name: feature.name,
    position,
    reads: { what: 'feature', feature: feature.id },
    boreId: null,
    journalId: null,
    newSize: null,
    rule: 'plain',
    aim: { at: 'middle' },
    method: 'size',
    instrument: null,
    gone: false,
  };
  const written = `${formatLength(nanometres(Math.round(feature.size)), 'mm')} mm`;
  const understood = { how: 'sizes', values: [feature.size], unit: 'mm' };
  const reading = {
    id: idFrom(feature.id, 'reading'),
    stationId: station.id,
    buildId: null,
    raw: { method: 'size', text: written, understood, instrument: null, restsOn: [], migrated: true },
    who,
    takenAt: at,
    supersedes: null,
    keptAs: { value: feature.size, words: written },
  };
  return { station, reading };
}

function stationNow(station: Row, ofShaft: (id: unknown) => OldShaft): Row {
  const { contactRole, ...rest } = station;
  const contact = contactRole === null ? undefined : ofShaft(station.shaftId).contacts.find((each) => each.role === contactRole);
  return { ...rest, reads: contact ? { what: 'gap', contacts: [contact.id] } : null };
}

const fitNow = ({ slotId, ...fit }: Row): Row => ({ ...fit, placeId: slotId });

/** The first place of links among the stations of a shaft, after all that is read of it otherwise. */
const FIRST_LINK = 1000;

/**
 * One job of version 6 as one of version 7. What is not such a job comes back as near as it can be, for the schema to say what is wrong.
 *
 * @param lastWritten who typed a size, and when; where nobody knows, it is as old as the machine
 */
export function placedJob(facts: Row, lastWritten: LastWritten = () => null): Placed {
  const { slots: oldSlots, ...kept } = facts;
  const byShaft = (id: unknown): OldShaft => {
    const of = (table: unknown): Row[] => rowsOf(table).filter((row) => row.shaftId === id);
    return { parts: of(facts.parts), slots: of(oldSlots), features: of(facts.features), contacts: of(facts.contacts) };
  };
  const known = new Map(rowsOf(facts.shafts).map((shaft) => [shaft.id, byShaft(shaft.id)]));
  const ofShaft = (id: unknown): OldShaft => known.get(id) ?? { parts: [], slots: [], features: [], contacts: [] };
  const naming = new Map([...known].map(([id, old]) => [id, new Naming(text(id), old)]));
  const namesOf = (row: Row): Naming => naming.get(row.shaftId) ?? new Naming(text(row.shaftId), ofShaft(row.shaftId));

  const shafts = rowsOf(facts.shafts).map(({ template, place: _, gasket: __, ...shaft }): Row => ({
    ...shaft,
    origin: template,
    ends: ['input end', 'output end'],
  }));
  const parts = rowsOf(facts.shafts).flatMap((shaft) => partsOf(shaft.assemblyId, ofShaft(shaft.id), naming.get(shaft.id) ?? namesOf(shaft)));
  const places = rowsOf(facts.shafts).flatMap((shaft) => placesOf(shaft, ofShaft(shaft.id), naming.get(shaft.id) ?? namesOf(shaft)));
  const features = rowsOf(facts.features).map((feature) => featureNow(feature, namesOf(feature)));
  const contacts = rowsOf(facts.contacts).map((contact) => contactNow(contact, ofShaft(contact.shaftId), namesOf(contact)));
  const since: Written = { who: '', at: text((facts.job as Row | undefined)?.createdAt) };
  const read = rowsOf(facts.features).flatMap(
    (feature, i) => sizeRead(feature, text(feature.shaftId), FIRST_LINK + i, lastWritten(text(feature.id)) ?? since) ?? [],
  );
  const stations = [...rowsOf(facts.stations).map((station) => stationNow(station, ofShaft)), ...read.map(({ station }) => station)];
  const readings = read.map(({ reading }) => reading);
  const builds = rowsOf(facts.builds).map((build) => ({ ...build, fits: rowsOf(build.fits).map(fitNow) }));
  const stay = new Set(parts.map((part) => part.id));
  const packs = rowsOf(facts.parts).filter((part) => !stay.has(part.id));
  const written = { shaft: shafts, part: parts, place: places, feature: features, contact: contacts, station: stations, reading: readings };
  return {
    // sizes were known before anything was read of them
    facts: { ...kept, shafts, parts, places, features, contacts, stations, builds, readings: [...readings, ...rowsOf(facts.readings)] },
    effects: [
      ...Object.entries(written).flatMap(([table, of]) => of.map((after) => ({ table, id: text(after.id), before: null, after }))),
      // a pack is leaves in a place, and no part
      ...packs.map((before) => ({ table: 'part', id: text(before.id), before, after: null })),
    ],
  };
}

/** How an upgrade stands in the journal: every row it wrote, so that what came before is history and is not undone. */
export const upgradeEntry = (jobId: string, seq: number, at: string, effects: readonly Effect[]): Row => ({
  seq,
  commandId: idFrom(jobId, 'upgrade to 7'),
  clientId: '',
  who: '',
  at,
  kind: 'upgrade',
  jobId,
  what: JSON.stringify({ version: 7 }),
  effects: JSON.stringify(effects),
  undoes: null,
  undid: null,
});

/** Who last wrote each row, read from the entries of a journal in their order. */
export function lastWrittenIn(journal: Iterable<{ readonly who: unknown; readonly at: unknown; readonly effects: unknown }>): LastWritten {
  const last = new Map<string, Written>();
  for (const { who, at, effects } of journal) for (const id of writtenBy(effects)) last.set(id, { who: text(who), at: text(at) });
  return (id) => last.get(id) ?? null;
}

function writtenBy(effects: unknown): string[] {
  try {
    return rowsOf(JSON.parse(text(effects)))
      .filter(({ table }) => table === 'feature')
      .map(({ id }) => text(id));
  } catch {
    return [];
  }
}
