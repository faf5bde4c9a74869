import { isChosen, mm, shaftTemplate, type Place, type ShaftTemplate, type TemplateName } from '@elder-cog/core';
import type { z } from 'zod';
import type { change } from './commands.ts';

type ShaftCreate = Extract<z.output<typeof change>, { kind: 'shaft.create' }>;

/** Checks with no number that every shaft has. */
const CHECKS: readonly { readonly role: string; readonly name: string }[] = [
  { role: 'check.home', name: 'Home after fitting' },
  { role: 'check.ring', name: 'Ring in its groove' },
  { role: 'check.free', name: 'Turns free by hand' },
];

type NewStation = ShaftCreate['stations'][number];

const STATION = {
  moreIs: 'loose',
  boreId: null,
  journalId: null,
  newSize: null,
  rule: 'plain',
  aim: { at: 'middle' },
  method: null,
  instrument: null,
  gone: false,
} as const satisfies Partial<NewStation>;

/** A gap of a shaft, to be read. */
export const gapStation = ({
  contacts,
  ...of
}: Pick<NewStation, 'id' | 'shaftId' | 'role' | 'name' | 'position'> & { readonly contacts: readonly string[] }): NewStation => ({
  ...STATION,
  ...of,
  subject: 'gap',
  quantity: 'length',
  reads: { what: 'gap', contacts: [...contacts] },
});

/**
 * A ready shaft as the command that makes it: places with what sits in them, faces, contacts, its gap and its checks, under fresh ids.
 * No dimension is needed.
 */
export function newShaft({
  assemblyId,
  name,
  template,
  place,
  gasket,
  position,
  newId,
}: {
  assemblyId: string;
  name: string;
  template: TemplateName;
  place: Place;
  gasket: boolean;
  position: number;
  newId: () => string;
}): ShaftCreate {
  const ready = shaftTemplate(template, place, { gasket });
  const shaftId = newId();
  const idOf = idsFor(newId);
  const [start, end] = ready.ends;
  return {
    kind: 'shaft.create',
    shaft: { id: shaftId, assemblyId, name, origin: template, ends: [start, end], position },
    ...drawnPlaces(ready, { shaftId, assemblyId, idOf }),
    stations: [
      ...ready.gaps.map((gap, i) =>
        gapStation({
          id: newId(),
          shaftId,
          role: gap.role,
          name: gap.ofShaft ? `${name} ${gap.name}` : gap.name,
          position: i,
          contacts: gap.contacts.map((role) => idOf('contact', role)),
        }),
      ),
      ...ready.depths.map((depth, i) => ({
        ...STATION,
        shaftId,
        id: newId(),
        subject: 'depth' as const,
        quantity: 'length' as const,
        role: depth.role,
        name: depth.name,
        position: 8 + i,
        reads: { what: 'depth' as const, from: idOf('face', depth.from), to: idOf('face', depth.to) },
      })),
      ...CHECKS.map((check, i) => ({
        ...STATION,
        shaftId,
        id: newId(),
        subject: 'check' as const,
        quantity: 'yes_no' as const,
        role: check.role,
        name: check.name,
        position: 10 + i,
        reads: null,
      })),
    ],
  };
}

type IdOf = (table: 'face' | 'place' | 'part' | 'feature' | 'contact', role: string) => string;

/** One fresh id for each role, the same whenever it is asked for. */
function idsFor(newId: () => string): IdOf {
  const known = new Map<string, string>();
  return (table, role) => {
    const key = `${table} ${role}`;
    const id = known.get(key) ?? newId();
    known.set(key, id);
    return id;
  };
}

type Drawn = Pick<ShaftCreate, 'parts' | 'places' | 'features' | 'contacts'>;
function drawnPlaces(ready: ShaftTemplate, { shaftId, assemblyId, idOf }: { shaftId: string; assemblyId: string; idOf: IdOf }): Drawn {
  const sitting = ready.places.filter((place) => place.faces.length > 0 && !isChosen(place));
  return {
    parts: sitting.map(({ role, name, kind, material }) => ({
      id: idOf('part', role),
      assemblyId,
      name,
      kind,
      material,
      number: '',
      condition: 'in use' as const,
    })),
    places: ready.places.map((place, position) => ({
      id: idOf('place', place.role),
      shaftId,
      role: place.role,
      name: place.name,
      kind: place.kind,
      position,
      takes: place.takes,
      sits: place.sits,
      partId: sitting.includes(place) ? idOf('part', place.role) : null,
      turned: false,
      proportion: isChosen(place) ? mm(place.proportion) : null,
      faces: place.faces.map(({ role, side, inner, outer }) => ({ id: idOf('face', role), role, side, inner: mm(inner), outer: mm(outer) })),
    })),
    features: ready.lengths.map(({ role, place, name, from, to, kind, proportion }) => ({
      id: idOf('feature', role),
      partId: idOf('part', place),
      role,
      name,
      kind,
      fromFace: idOf('face', from),
      toFace: idOf('face', to),
      nominal: null,
      proportion: mm(proportion),
    })),
    contacts: ready.contacts.map(({ role, a, b, kind, name, stand, fastener }) => ({
      id: idOf('contact', role),
      shaftId,
      role,
      name: name ?? '',
      a: idOf('face', a),
      b: idOf('face', b),
      kind,
      standId: stand === undefined ? null : idOf('feature', stand),
      fastenerId: fastener === undefined ? null : idOf('place', fastener),
    })),
  };
}
