import { z } from 'zod';
import { id, time, revision, words, note, who, gone } from './basics.ts';

/** A machine, its boxes, and what is left open of it. */

export const job = z.object({
  id,
  revision,
  gone,
  machine: words,
  year: z.string().trim().max(20),
  note,
  createdAt: time,
  archivedAt: time.nullable(),
});
export const assembly = z.object({
  id,
  revision,
  gone,
  jobId: id,
  name: words,
  kind: z.string().max(40),
  position: z.int().min(0),
  mirrorOf: id.nullable(),
  /** nobody here took it apart: its parts came in a box, and where they go is to be found out */
  cameApart: z.boolean(),
});
/** Something not finished, carried till it is closed or accepted. */
export const openItem = z.object({
  id,
  revision,
  gone,
  jobId: id,
  text: z.string().trim().min(1).max(300),
  where: z.string().trim().max(120),
  state: z.enum(['open', 'closed', 'accepted']),
  reason: z.string().trim().max(400),
  who,
  raisedAt: time,
  endedAt: time.nullable(),
});

export type Job = z.output<typeof job>;
export type Assembly = z.output<typeof assembly>;
export type OpenItem = z.output<typeof openItem>;
