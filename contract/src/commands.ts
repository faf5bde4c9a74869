import { z } from 'zod';
import {
  assembly,
  build,
  contact,
  feature,
  id,
  instrument,
  job,
  limit,
  lot,
  method,
  part,
  reading,
  shaft,
  slot,
  station,
  time,
  who,
  withdrawal,
  aim,
  lengthNm,
} from './facts.ts';

/** Everything that changes anything, one shape each. The store applies them; nothing else writes. */
const fresh = { revision: true } as const;
export const change = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('job.create'), job: job.omit(fresh) }),
  z.object({
    kind: z.literal('job.change'),
    id,
    revision: z.int(),
    machine: job.shape.machine,
    year: job.shape.year,
    note: job.shape.note,
    archivedAt: time.nullable(),
  }),
  z.object({ kind: z.literal('assembly.create'), assembly: assembly.omit(fresh) }),
  z.object({
    kind: z.literal('shaft.create'),
    shaft: shaft.omit(fresh),
    parts: z.array(part.omit(fresh)).max(60),
    features: z.array(feature.omit(fresh)).max(120),
    contacts: z.array(contact).max(120),
    slots: z.array(slot).max(30),
    stations: z.array(station.omit(fresh)).max(60),
  }),
  z.object({ kind: z.literal('stations.add'), stations: z.array(station.omit(fresh)).min(1).max(60) }),
  z.object({
    kind: z.literal('station.change'),
    id,
    revision: z.int(),
    name: station.shape.name,
    rule: station.shape.rule,
    aim,
    newSize: lengthNm.nullable(),
    method: method.nullable(),
    instrument: instrument.nullable(),
  }),
  z.object({ kind: z.literal('feature.size'), id, revision: z.int(), size: lengthNm.nullable() }),
  z.object({ kind: z.literal('part.turn'), id, revision: z.int(), turned: z.boolean() }),
  z.object({ kind: z.literal('limit.set'), limit: limit.omit(fresh) }),
  z.object({ kind: z.literal('build.add'), build }),
  z.object({ kind: z.literal('reading.keep'), reading }),
  z.object({ kind: z.literal('withdraw'), withdrawal }),
  z.object({ kind: z.literal('lots.add'), lots: z.array(lot.omit(fresh)).min(1).max(200) }),
  z.object({
    kind: z.literal('lot.change'),
    id,
    revision: z.int(),
    owned: lot.shape.owned,
    material: lot.shape.material,
    keptIn: lot.shape.keptIn,
    note: lot.shape.note,
  }),
  z.object({ kind: z.literal('undo') }),
]);

export const command = z.object({ commandId: id, clientId: id, who, at: time, change });

export const commandReply = z.object({
  /** this id was seen before: nothing was done again */
  already: z.boolean(),
  /** what was taken back, in words */
  undid: z.string().nullable(),
});

export const errorReply = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    field: z.string().optional(),
    theirs: z.unknown().optional(),
    who: z.string().optional(),
    at: z.string().optional(),
  }),
});

export type Change = z.input<typeof change>;
export type ChangeKind = Change['kind'];
export type Command = z.input<typeof command>;
export type CommandReply = z.output<typeof commandReply>;
export type ErrorReply = z.output<typeof errorReply>;
