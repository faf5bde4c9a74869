import { isChosen, mm, NM_PER, type PartMaterial, type PlaceKind, type PlanPlace, type ReadyContact, type ShaftPlan } from '@elder-cog/core';
import type { z } from 'zod';
import type { change } from './commands.ts';
import type { ContactFact, Feature, PlaceFact, Shaft, Station } from './facts/index.ts';
import type { JobFacts } from './tables.ts';
import { gapStation } from './newShaft.ts';

type ShaftEdit = Extract<z.output<typeof change>, { kind: 'shaft.edit' }>;
type Rows = Pick<JobFacts, 'parts' | 'places' | 'features' | 'contacts' | 'stations'>;

const inMm = (length: number | null, otherwise: number): number => (length === null ? otherwise : length / NM_PER.mm);
/** Where nobody said how far in and out a face reaches, mm of proportion. */
const BAND = { inner: 15, outer: 25 } as const;

interface OfShaft {
  readonly places: readonly PlaceFact[];
  readonly features: readonly Feature[];
  readonly contacts: readonly ContactFact[];
  readonly gaps: readonly Station[];
}

function rowsOf(facts: Rows, shaft: Shaft): OfShaft {
  const places = facts.places.filter((p) => p.shaftId === shaft.id && p.gone !== true).sort((a, b) => a.position - b.position);
  const faces = new Set(places.flatMap((p) => p.faces.map((f) => f.id)));
  return {
    places,
    features: facts.features.filter((f) => f.gone !== true && faces.has(f.fromFace) && faces.has(f.toFace)),
    contacts: facts.contacts.filter((c) => c.shaftId === shaft.id && c.gone !== true),
    gaps: facts.stations.filter((s) => s.shaftId === shaft.id && s.subject === 'gap' && !s.gone && s.reads?.what === 'gap'),
  };
}

/** A shaft as it is drawn, to be changed: every role is the id of its row. */
export function planOf(facts: Rows, shaft: Shaft): ShaftPlan {
  const { places, features, contacts, gaps } = rowsOf(facts, shaft);
  const parts = new Map(facts.parts.map((part) => [part.id, part]));
  const placeOfFace = new Map(places.flatMap((p) => p.faces.map((f) => [f.id, p.id] as const)));
  return {
    places: places.map(({ id, name, kind, partId, faces, takes, sits, turned, proportion }) => ({
      role: id,
      name,
      kind: kind as PlaceKind,
      material: (parts.get(partId ?? '')?.material ?? '') as PartMaterial,
      faces: faces.map(({ id: face, side, inner, outer }) => ({
        role: face,
        side,
        inner: inMm(inner, BAND.inner),
        outer: inMm(outer, BAND.outer),
      })),
      takes,
      sits,
      turned,
      proportion: inMm(proportion, 0),
    })),
    lengths: features.map(({ id, name, fromFace, toFace, kind, proportion, partId }) => ({
      role: id,
      place: places.find((p) => p.partId === partId)?.id ?? placeOfFace.get(toFace) ?? '',
      name,
      from: fromFace,
      to: toFace,
      kind,
      proportion: inMm(proportion, 1),
    })),
    contacts: contacts.map(({ id, a, b, kind, name, standId, fastenerId }) => ({
      role: id,
      a,
      b,
      kind,
      ...(name === '' ? {} : { name }),
      ...(standId === null ? {} : { stand: standId }),
      ...(fastenerId === null ? {} : { fastener: fastenerId }),
    })),
    gaps: gaps.map(({ id, name, reads }) => ({ role: id, name, ofShaft: false, contacts: reads?.what === 'gap' ? reads.contacts : [] })),
  };
}

/** The id of what is there already is its role in the plan; whatever is new gets one of its own, the same whenever it is asked for. */
function idsFor({ places, features, contacts, gaps }: OfShaft, newId: () => string): (role: string) => string {
  const rows = [...places, ...places.flatMap((p) => p.faces), ...features, ...contacts, ...gaps];
  const ids = new Map(rows.map(({ id }) => [id, id]));
  return (role) => {
    const id = ids.get(role) ?? newId();
    ids.set(role, id);
    return id;
  };
}

/**
 * What turns a shaft as it is drawn into a plan of it, as one command; null where nothing differs.
 *
 * @param plan made from {@link planOf} by putting in, taking out, moving and turning
 */
export function editShaft(facts: Rows, shaft: Shaft, plan: ShaftPlan, newId: () => string): ShaftEdit | null {
  const now = rowsOf(facts, shaft);
  const idOf = idsFor(now, newId);
  const shaftId = shaft.id;
  const { parts, partOf } = partsFor(plan, now, shaft, newId);
  const before = planOf(facts, shaft);
  const places = new Map(now.places.map((row) => [row.id, row]));
  const isAsItWas = (place: PlanPlace): boolean => JSON.stringify(before.places.find((p) => p.role === place.role)) === JSON.stringify(place);
  const drawn = plan.places.map((place, position) => ({ place, row: places.get(place.role), now: placeRow(place, position, idOf) }));
  const features = new Set(now.features.map((row) => row.id));
  const contacts = new Map(now.contacts.map((row) => [row.id, row]));
  const met = plan.contacts.map((contact) => ({ was: contacts.get(contact.role), now: contactRow(contact, idOf) }));
  const gaps = new Set(now.gaps.map((row) => row.id));
  const edit: ShaftEdit = {
    kind: 'shaft.edit',
    shaftId,
    parts,
    places: drawn
      .filter(({ row }) => !row)
      .map(({ place, now: row }) => ({ ...row, shaftId, role: `${row.kind}.${row.id}`, partId: partOf.get(place.role) ?? null })),
    features: plan.lengths.flatMap(({ role, place, name, from, to, kind, proportion }) => {
      const partId = partOf.get(place);
      if (features.has(role) || !partId) return [];
      const id = idOf(role);
      const size = { id, partId, role: `${kind}.${id}`, name, kind, fromFace: idOf(from), toFace: idOf(to) };
      return [{ ...size, nominal: null, proportion: mm(proportion) }];
    }),
    contacts: met.filter(({ was }) => !was).map(({ now: row }) => ({ ...row, shaftId, role: `${row.kind}.${row.id}` })),
    stations: plan.gaps
      .filter(({ role }) => !gaps.has(role))
      .map(({ role, name, contacts: at }, i) =>
        gapStation({ id: idOf(role), shaftId, role: `gap.${idOf(role)}`, name, position: gaps.size + i, contacts: at.map(idOf) }),
      ),
    changedPlaces: drawn.flatMap(({ place, row, now: { proportion: _, ...changed } }) => {
      if (!row || (row.position === changed.position && isAsItWas(place))) return [];
      const roles = new Map(row.faces.map((f) => [f.id, f.role]));
      return [{ ...changed, revision: row.revision, faces: changed.faces.map((f) => ({ ...f, role: roles.get(f.id) ?? f.role })) }];
    }),
    changedContacts: met.flatMap(({ was, now: row }) =>
      was && Object.entries(row).some(([key, value]) => was[key as keyof typeof row] !== value) ? [{ ...row, revision: was.revision }] : [],
    ),
    goneRows: goneRows(facts, now, plan),
  };
  const { kind: _, shaftId: __, ...lists } = edit;
  return Object.values(lists).every((rows) => rows.length === 0) ? null : edit;
}

/** What sits in each place: a part that was elsewhere on the shaft, or a new one; nothing of a pack, nor of what is only said. */
function partsFor(
  plan: ShaftPlan,
  { places }: OfShaft,
  { assemblyId }: Shaft,
  newId: () => string,
): { readonly parts: ShaftEdit['parts']; readonly partOf: ReadonlyMap<string, string | null> } {
  const partOf = new Map(places.map((row) => [row.id, row.partId]));
  const parts: ShaftEdit['parts'] = [];
  for (const { role, partOf: same, faces, takes, name, kind, material } of plan.places) {
    if (partOf.has(role)) continue;
    const isNothing = faces.length === 0 || isChosen({ takes });
    if (isNothing || same !== undefined) partOf.set(role, same === undefined ? null : (partOf.get(same) ?? null));
    else {
      const id = newId();
      partOf.set(role, id);
      parts.push({ id, assemblyId, name, kind, material, number: '', condition: 'in use' });
    }
  }
  return { parts, partOf };
}

type PlaceRow = Pick<PlaceFact, 'id' | 'name' | 'kind' | 'position' | 'takes' | 'sits' | 'turned' | 'proportion' | 'faces'>;
function placeRow(
  { role, name, kind, takes, sits, turned, proportion, faces }: PlanPlace,
  position: number,
  idOf: (role: string) => string,
): PlaceRow {
  return {
    id: idOf(role),
    name,
    kind,
    position,
    takes,
    sits,
    turned,
    proportion: isChosen({ takes }) ? mm(proportion) : null,
    faces: faces.map((face) => {
      const id = idOf(face.role);
      return { id, role: `${kind}.${id}`, side: face.side, inner: mm(face.inner), outer: mm(face.outer) };
    }),
  };
}

type ContactRow = Pick<ContactFact, 'id' | 'name' | 'a' | 'b' | 'kind' | 'standId' | 'fastenerId'>;
const contactRow = ({ role, a, b, kind, name = '', stand, fastener }: ReadyContact, idOf: (role: string) => string): ContactRow => ({
  id: idOf(role),
  name,
  a: idOf(a),
  b: idOf(b),
  kind,
  standId: stand === undefined ? null : idOf(stand),
  fastenerId: fastener === undefined ? null : idOf(fastener),
});

/** What the plan has no more, and what was read at it. The sizes of a part that is out are sizes of it still. */
function goneRows({ stations }: Rows, now: OfShaft, plan: ShaftPlan): ShaftEdit['goneRows'] {
  const kept = new Set([...plan.places, ...plan.contacts, ...plan.gaps].map((each) => each.role));
  const isOut = (row: { readonly id: string }): boolean => !kept.has(row.id);
  const gone = (table: 'place' | 'contact' | 'station', rows: readonly { readonly id: string; readonly revision: number }[]): ShaftEdit['goneRows'] =>
    rows.map(({ id, revision }) => ({ table, id, revision }));
  const faces = new Set(now.places.filter(isOut).flatMap((p) => p.faces.map((f) => f.id)));
  const depths = stations.filter((s) => !s.gone && s.reads?.what === 'depth' && (faces.has(s.reads.from) || faces.has(s.reads.to)));
  return [
    ...gone('station', [...now.gaps.filter(isOut), ...depths]),
    ...gone('contact', now.contacts.filter(isOut)),
    ...gone('place', now.places.filter(isOut)),
  ];
}
