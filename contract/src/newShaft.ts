import { mm, shaftTemplate, TEMPLATES, type Place, type ShaftTemplate, type TemplateName } from '@elder-cog/core';
import type { z } from 'zod';
import type { change } from './commands.ts';
import type { Reads } from './facts/index.ts';

type ShaftCreate = Extract<z.output<typeof change>, { kind: 'shaft.create' }>;

/** Checks with no number that every shaft has. */
const CHECKS: readonly { readonly role: string; readonly name: string }[] = [
  { role: 'check.home', name: 'Home after fitting' },
  { role: 'check.ring', name: 'Ring in its groove' },
  { role: 'check.free', name: 'Turns free by hand' },
];

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
  const stationBase = {
    shaftId,
    moreIs: 'loose' as const,
    boreId: null,
    journalId: null,
    newSize: null,
    rule: 'plain' as const,
    aim: { at: 'middle' as const },
    method: null,
    instrument: null,
    gone: false,
  };
  const gapReads: Reads = { what: 'gap', contacts: [idOf('contact', ready.gap.contact)] };
  return {
    kind: 'shaft.create',
    shaft: { id: shaftId, assemblyId, name, origin: template, position },
    ...drawnPlaces(ready, { shaftId, assemblyId, idOf }),
    stations: [
      {
        ...stationBase,
        id: newId(),
        subject: 'gap',
        quantity: 'length',
        role: 'gap.float',
        name: `${name} ${TEMPLATES[template].gap}`,
        position: 0,
        reads: gapReads,
      },
      ...CHECKS.map((check, i) => ({
        ...stationBase,
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
  const sitting = ready.parts.filter(({ kind }) => kind !== 'pack');
  const bolts = ready.slots.find(({ kind }) => kind === 'fastening');
  const partAt = (face: string): string | undefined => sitting.find(({ faces }) => faces.includes(face))?.role;
  const bearings = ready.contacts.filter(({ kind }) => kind === 'rolling');
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
    places: [
      ...ready.parts.map((part, position) => {
        const slot = ready.slots.find((s) => s.part === part.role);
        return {
          id: idOf('place', part.role),
          shaftId,
          role: slot?.role ?? part.role,
          name: slot?.name ?? part.name,
          kind: part.kind,
          position,
          takes: part.kind === 'pack' ? ('leaves' as const) : part.kind === 'gasket' ? ('gasket' as const) : null,
          sits: slot?.place ?? null,
          partId: part.kind === 'pack' ? null : idOf('part', part.role),
          turned: false,
          faces: part.faces.map((role) => ({ id: idOf('face', role), role, inner: null, outer: null })),
        };
      }),
      ...ready.slots
        .filter(({ part }) => part === undefined)
        .map(({ role, name, kind }, i) => ({
          id: idOf('place', role),
          shaftId,
          role,
          name,
          kind: kind === 'bearing' ? 'bearings' : kind,
          position: ready.parts.length + i,
          takes: null,
          sits: null,
          partId: null,
          turned: false,
          faces: [],
        })),
    ],
    features: [
      ...ready.lengths
        .filter(({ part }) => part !== 'pack')
        .map(({ role, part, name, from, to, proportion }) => ({
          id: idOf('feature', role),
          partId: idOf('part', part),
          role,
          name,
          kind: 'length' as const,
          fromFace: idOf('face', from),
          toFace: idOf('face', to),
          nominal: null,
          proportion: mm(proportion),
        })),
      ...bearings.map(({ role, name, a, b, proportion }) => {
        const cone = [a, b].map(partAt).find((part) => sitting.some((p) => p.role === part && p.kind === 'cone'));
        return {
          id: idOf('feature', role),
          partId: idOf('part', cone ?? partAt(a) ?? ''),
          role,
          name: name ?? 'bearing stand',
          kind: 'stand' as const,
          fromFace: idOf('face', a),
          toFace: idOf('face', b),
          nominal: null,
          proportion: mm(proportion ?? 18.5),
        };
      }),
    ],
    contacts: ready.contacts.map(({ role, a, b, kind, name }) => ({
      id: idOf('contact', role),
      shaftId,
      role,
      name: name ?? '',
      a: idOf('face', a),
      b: idOf('face', b),
      kind,
      standId: kind === 'rolling' ? idOf('feature', role) : null,
      fastenerId: kind === 'clamped' && bolts ? idOf('place', bolts.role) : null,
    })),
  };
}
