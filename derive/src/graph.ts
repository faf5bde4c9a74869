import type { JobFacts, Shaft } from '@elder-cog/contract';
import { nanometres, shaftModel, type FaceGraph, type LinearGap } from '@elder-cog/core';

/** A shaft's parts, lengths and contacts as the graph the core walks. The pack's length is what is in it. */
export function graphOf(facts: JobFacts, shaft: Shaft, pack: number | null): FaceGraph {
  const mine = facts.features.filter((f) => f.shaftId === shaft.id);
  const packSlot = facts.slots.find((s) => s.shaftId === shaft.id && s.kind === 'adjuster' && s.partRole !== null);
  const packPart = facts.parts.find((p) => p.shaftId === shaft.id && p.role === packSlot?.partRole);
  const [packIn, packOut] = packPart?.faces ?? [];
  return {
    // a race is turned with its mate or not at all: one alone says nothing
    parts: facts.parts
      .filter((p) => p.shaftId === shaft.id)
      .map(({ role, name, kind, turned, faces }) => ({ id: role, name, kind, turned: turned && kind !== 'cup' && kind !== 'cone', faces })),
    lengths: [
      ...mine
        .filter((f) => f.partRole !== null)
        .map((f) => ({ id: f.role, part: f.partRole ?? '', name: f.name, from: f.fromFace, to: f.toFace, length: f.size })),
      ...(packPart && packIn && packOut
        ? [
            {
              id: lengthOfPack(packPart.role),
              part: packPart.role,
              name: 'pack',
              from: packIn,
              to: packOut,
              length: pack === null ? null : nanometres(pack),
            },
          ]
        : []),
    ],
    contacts: facts.contacts
      .filter((c) => c.shaftId === shaft.id)
      .map(({ role, a, b, kind, name }) => ({
        id: role,
        a,
        b,
        kind,
        ...(name === '' ? {} : { name }),
        ...(kind === 'rolling' ? { stand: mine.find((f) => f.role === role)?.size ?? null } : {}),
      })),
  };
}

const lengthOfPack = (role: string): string => `${role}.in-out`;

/** Every gap of a shaft, by the role of its open contact, as it follows from the slots: what is in them does not matter to it. */
export function formsOf(facts: JobFacts, shaft: Shaft): ReadonlyMap<string, LinearGap> {
  const slots = facts.slots.flatMap(({ id, shaftId, partRole, kind }) =>
    shaftId === shaft.id && kind === 'adjuster' && partRole !== null ? [{ id, length: lengthOfPack(partRole) }] : [],
  );
  return new Map(shaftModel(graphOf(facts, shaft, null), slots).gaps.map(({ contact, ...form }) => [contact, form]));
}
