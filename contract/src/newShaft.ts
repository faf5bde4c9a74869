import { shaftTemplate, TEMPLATES, type Place, type TemplateName } from '@elder-cog/core';
import type { Change } from './commands.ts';

type ShaftCreate = Extract<Change, { kind: 'shaft.create' }>;

/** Checks with no number that every shaft has. */
const CHECKS: readonly { readonly role: string; readonly name: string }[] = [
  { role: 'check.home', name: 'Home after fitting' },
  { role: 'check.ring', name: 'Ring in its groove' },
  { role: 'check.free', name: 'Turns free by hand' },
];

/**
 * A ready shaft as the command that makes it: parts, faces, contacts, slots, its gap and its checks, under fresh ids.
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
  const base = {
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
  return {
    kind: 'shaft.create',
    shaft: { id: shaftId, assemblyId, name, template, place, gasket, position },
    parts: ready.parts.map(({ role, name: partName, kind, material, faces }) => ({
      id: newId(),
      shaftId,
      role,
      name: partName,
      kind,
      material,
      turned: false,
      faces: [...faces],
    })),
    features: [
      ...ready.lengths
        .filter((l) => l.part !== 'pack')
        .map((l) => ({ id: newId(), shaftId, partRole: l.part, role: l.role, name: l.name, fromFace: l.from, toFace: l.to, size: null })),
      ...ready.contacts
        .filter((c) => c.kind === 'rolling')
        .map((c) => ({
          id: newId(),
          shaftId,
          partRole: null,
          role: c.role,
          name: c.name ?? 'bearing stand',
          fromFace: c.a,
          toFace: c.b,
          size: null,
        })),
    ],
    contacts: ready.contacts.map((c) => ({ id: newId(), shaftId, role: c.role, a: c.a, b: c.b, kind: c.kind, name: c.name ?? '' })),
    slots: ready.slots.map((s) => ({
      id: newId(),
      shaftId,
      role: s.role,
      name: s.name,
      kind: s.kind,
      partRole: s.part ?? null,
      place: s.place ?? null,
    })),
    stations: [
      {
        ...base,
        id: newId(),
        subject: 'gap',
        quantity: 'length',
        role: 'gap.float',
        name: `${name} ${TEMPLATES[template].gap}`,
        position: 0,
        contactRole: ready.gap.contact,
      },
      ...CHECKS.map((check, i) => ({
        ...base,
        id: newId(),
        subject: 'check' as const,
        quantity: 'yes_no' as const,
        role: check.role,
        name: check.name,
        position: 10 + i,
        contactRole: null,
      })),
    ],
  };
}
