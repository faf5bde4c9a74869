import type { JobFacts, Shaft } from '@elder-cog/contract';
import { nanometres, type FaceGraph } from '@elder-cog/core';

/** A shaft's parts, lengths and contacts as the graph the core walks. The pack's length is what is in it. */
export function graphOf(facts: JobFacts, shaft: Shaft, pack: number | null): FaceGraph {
  const mine = facts.features.filter((f) => f.shaftId === shaft.id);
  const packSlot = facts.slots.find((s) => s.shaftId === shaft.id && s.kind === 'adjuster' && s.partRole !== null);
  const packPart = facts.parts.find((p) => p.shaftId === shaft.id && p.role === packSlot?.partRole);
  const [packIn, packOut] = packPart?.faces ?? [];
  return {
    parts: facts.parts.filter((p) => p.shaftId === shaft.id).map(({ role, name, kind, turned, faces }) => ({ id: role, name, kind, turned, faces })),
    lengths: [
      ...mine
        .filter((f) => f.partRole !== null)
        .map((f) => ({ id: f.role, part: f.partRole ?? '', name: f.name, from: f.fromFace, to: f.toFace, length: f.size })),
      ...(packPart && packIn && packOut
        ? [
            {
              id: `${packPart.role}.in-out`,
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
