import type { Feature, JobFacts, PartFact, PlaceFact, Shaft, Station } from '@elder-cog/contract';
import { inSeries, isChosen, nanometres, shaftModel, ZERO, type FaceDepth, type FaceGraph, type Length, type LinearGap } from '@elder-cog/core';
import type { BuildNow, Fitting } from './builds.ts';
import { sizeOf } from './sizes.ts';
import { feltBy } from './felt.ts';
import { slotsOfShaft } from './slots.ts';

/** A place with what is in it now. */
export interface Filled {
  readonly place: PlaceFact;
  /** null where nothing is, or a pack */
  readonly part: PartFact | null;
  readonly turned: boolean;
  /** sizes of that part that end at faces of this place */
  readonly features: readonly Feature[];
}

/** The places of a shaft from the input end, each with the part that is in it as built, or as drawn before anything was. */
export function filledPlaces(facts: JobFacts, shaft: Shaft, current: BuildNow | null = null): Filled[] {
  const parts = new Map(facts.parts.map((part) => [part.id, part]));
  return facts.places
    .filter((place) => place.shaftId === shaft.id)
    .sort((a, b) => a.position - b.position)
    .map((place) => {
      const fitting = current?.fitted.get(place.id);
      const partId = fitting?.partId === undefined ? place.partId : fitting.partId;
      const faces = new Set(place.faces.map((face) => face.id));
      return {
        place,
        part: parts.get(partId ?? '') ?? null,
        turned: fitting?.turned ?? place.turned,
        features: facts.features.filter((f) => f.partId === partId && (faces.has(f.fromFace) || faces.has(f.toFace))),
      };
    });
}

/** A race is turned with its mate or not at all: one alone says nothing. */
const turnsAlone = ({ place, turned }: Filled): boolean => turned && place.kind !== 'cup' && place.kind !== 'cone';

/** A shaft's places, sizes and contacts as the graph the core walks. A pack is as thick as what is in it. */
export function graphOf(
  facts: JobFacts,
  shaft: Shaft,
  { packs = new Map(), current = null }: { readonly packs?: ReadonlyMap<string, number | null>; readonly current?: BuildNow | null } = {},
): FaceGraph {
  const filled = filledPlaces(facts, shaft, current);
  const stands = new Map(filled.flatMap(({ features }) => features.map((f) => [f.id, f])));
  const films = filmsOf(facts, shaft, current);
  return {
    parts: filled
      .filter(({ place }) => place.faces.length > 0)
      .map((each) => ({
        id: each.place.id,
        name: each.place.name,
        kind: each.place.kind,
        turned: turnsAlone(each),
        faces: each.place.faces.map((face) => face.id),
      })),
    lengths: filled.flatMap(({ place, features }) => [
      ...features
        .filter((f) => f.kind === 'length' && !isChosen(place))
        .map((f) => ({
          id: f.id,
          part: place.id,
          name: f.name,
          from: f.fromFace,
          to: f.toFace,
          ...lengthNow(facts, f, current?.fitted.get(place.id)),
        })),
      ...packLength(place, packs.get(place.id) ?? null),
    ]),
    contacts: facts.contacts
      .filter((c) => c.shaftId === shaft.id)
      .map(({ id, a, b, kind, name, standId }) => {
        const stand = standId === null ? undefined : stands.get(standId);
        const { length = null, u } = stand ? sized(facts, stand) : {};
        const isApart = kind === 'rolling' || standId !== null;
        const film = films.get(id);
        if (film !== undefined) return { id, a, b, kind, name: 'film of sealant', stand: film };
        return {
          id,
          a,
          b,
          kind,
          ...(name === '' ? {} : { name }),
          ...(isApart ? { stand: length, ...(u === undefined ? {} : { standU: u }) } : {}),
        };
      }),
  };
}

/** Whether a size of what is in a place is no longer what it was read to be: a sleeve that was drawn up, or is another. */
export const isCrushedSince = (fitting: Fitting | undefined): boolean => fitting?.drawnUp !== undefined;

/**
 * A gasket is as thick as the one that is in is bolted up, where that was said, and a sleeve drawn up is as long as nobody knows; any other
 * length is what it was read to be.
 */
function lengthNow(facts: JobFacts, feature: Feature, fitting: Fitting | undefined): ReturnType<typeof sized> {
  if (isCrushedSince(fitting)) return { length: null };
  return fitting?.crushed === undefined ? sized(facts, feature) : { length: fitting.crushed };
}

/** Sealant in each joint that any was ever said of, by the contact it is counted at: the first of those that its bolts or nut hold. */
function filmsOf({ contacts }: JobFacts, shaft: Shaft, current: BuildNow | null): ReadonlyMap<string, Length> {
  const films = new Map<string, Length>();
  for (const [placeId, { film }] of current?.fitted ?? []) {
    const joint = film === undefined ? undefined : contacts.find((c) => c.shaftId === shaft.id && c.fastenerId === placeId && c.kind === 'clamped');
    if (joint && joint.standId === null) films.set(joint.id, film ?? ZERO);
  }
  return films;
}

function sized(facts: JobFacts, feature: Feature): { length: FaceGraph['lengths'][number]['length']; u?: number } {
  const { value, u } = sizeOf(facts, feature);
  return { length: value, ...(u === null ? {} : { u }) };
}

/** Leaves lie between the two faces of their place, and are as long as they are thick. */
function packLength({ id, takes, faces }: PlaceFact, pack: number | null): FaceGraph['lengths'][number][] {
  const [from, to] = faces;
  if (takes === null || takes === 'gasket' || !from || !to) return [];
  return [{ id, part: id, name: 'pack', from: from.id, to: to.id, length: pack === null ? null : nanometres(pack) }];
}

/** Every gap and depth of a shaft as it follows from the slots: what is in them does not matter to it. */
export interface ShaftForms {
  /** by open contact */
  readonly gaps: ReadonlyMap<string, LinearGap>;
  /** by station */
  readonly depths: ReadonlyMap<string, LinearGap>;
}

/** The open contacts that a station reads, one after another; none where it reads no gap. */
export const contactsOf = ({ reads }: Pick<Station, 'reads'>): readonly string[] => (reads?.what === 'gap' ? reads.contacts : []);

/** How what a station reads follows from the slots; null where it reads neither a gap nor a depth of this shaft. */
export function formAt({ gaps, depths }: ShaftForms, station: Pick<Station, 'id' | 'reads'>): LinearGap | null {
  if (station.reads?.what === 'depth') return depths.get(station.id) ?? null;
  const forms = contactsOf(station).map((contact) => gaps.get(contact));
  return forms.includes(undefined) ? null : inSeries(forms as LinearGap[]);
}

/** How the gaps of a shaft follow from its slots, in the order of their stations. */
export const formsRead = (forms: ShaftForms, stations: readonly Station[]): LinearGap[] =>
  stations.filter(({ subject }) => subject === 'gap').flatMap((station) => formAt(forms, station) ?? []);

/** Whether a slot moves a depth, such as where a gear stands: it is set for that, and mends no gap. */
export const setsDepth = ({ depths }: ShaftForms, slotId: string): boolean =>
  [...depths.values()].some((depth) => (depth.coefficients[slotId] ?? 0) !== 0);

interface AskedForms {
  /** lengths counted as chosen besides what is in the slots: how they count is told then, measured or not */
  readonly chosen?: readonly string[];
  /** depths that no station reads */
  readonly across?: readonly FaceDepth[];
}

/** The gaps and depths of a shaft as it is built, or as it is drawn before anything was. */
export function formsOf(facts: JobFacts, shaft: Shaft, current: BuildNow | null = null, { chosen = [], across = [] }: AskedForms = {}): ShaftForms {
  const slots = slotsOfShaft(facts, shaft.id);
  const packs = slots.filter((slot) => slot.kind === 'adjuster');
  const stations = facts.stations.filter((s) => s.shaftId === shaft.id && !s.gone);
  const read = stations.flatMap(({ id, reads }): FaceDepth[] => (reads?.what === 'depth' ? [{ id, from: reads.from, to: reads.to }] : []));
  const graph = graphOf(facts, shaft, { current });
  const asked = [...read, ...across];
  const { gaps, depths } = shaftModel(
    graph,
    [...new Set([...packs.map(({ id }) => id), ...chosen])].map((id) => ({ id, length: id })),
    { depths: asked },
  );
  const joints = jointsOf(facts, shaft, current, { graph, depths: asked });
  const felt = feltBy(facts, shaft, { graph: () => graphOf(facts, shaft), depths: asked, slots });
  const withJoints = (id: string, form: LinearGap): LinearGap => ({
    ...form,
    coefficients: { ...felt.get(id), ...joints.get(id), ...form.coefficients },
  });
  return {
    gaps: new Map(gaps.map(({ contact, ...form }) => [contact, withJoints(contact, form)])),
    depths: new Map(depths.map(({ id, ...form }) => [id, withJoints(id, form)])),
  };
}

/**
 * How gaskets, sealant and crush sleeves move each gap and depth, by the place they were said of. Of a gasket it is asked only where a build
 * has said how thick one is, for of any other a change is no figure.
 */
function jointsOf(
  facts: JobFacts,
  shaft: Shaft,
  current: BuildNow | null,
  { graph, depths }: { readonly graph: FaceGraph; readonly depths: readonly FaceDepth[] },
): ReadonlyMap<string, LinearGap['coefficients']> {
  const said = [...(current?.fitted ?? [])];
  const gaskets = new Set(said.filter(([, { crushed }]) => crushed !== undefined).map(([placeId]) => placeId));
  const films = filmsOf(facts, shaft, current);
  const crushed = filledPlaces(facts, shaft, current).filter(({ place }) => gaskets.has(place.id) || place.kind === 'crushSleeve');
  if (crushed.length === 0 && films.size === 0) return new Map();
  const lengths = crushed.flatMap(({ place, features }) => features.filter((f) => f.kind === 'length').map((f) => ({ id: place.id, length: f.id })));
  const joints = facts.contacts.flatMap((c) => (films.has(c.id) && c.fastenerId !== null ? [{ id: c.fastenerId, length: c.id }] : []));
  const model = shaftModel(graph, [...lengths, ...joints], { depths });
  return new Map([...model.gaps.map((g) => [g.contact, g.coefficients] as const), ...model.depths.map((d) => [d.id, d.coefficients] as const)]);
}
