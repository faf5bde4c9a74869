import { z } from 'zod';
import { fitted, id, job, jobFacts, lengthNm, lot, time } from './facts.ts';

/** What the server sends. */
export const markKind = z.enum(['in', 'tight', 'loose', 'cannotTell', 'unmeasured', 'stale', 'accepted']);

/** One machine on the Shelf. */
export const jobSummary = z.object({
  job,
  touchedAt: time,
  who: z.string(),
  boxes: z.array(z.string()),
  shaft: z.object({ id, name: z.string(), assembly: z.string(), template: z.string(), place: z.string() }).nullable(),
  worst: z
    .object({
      mark: markKind,
      name: z.string(),
      value: lengthNm.nullable(),
      limits: z.object({ min: lengthNm.optional(), max: lengthNm.optional() }).nullable(),
    })
    .nullable(),
  next: z.string(),
  waits: z.string(),
  far: z.int().min(0).max(7),
});
export const shelfReply = z.object({ jobs: z.array(jobSummary) });
/** The facts of a job, and what leaves it may use: owned, and what sits in other jobs. */
export const jobReply = z.object({ facts: jobFacts, lots: z.array(lot), fitted: z.array(fitted) });
export const drawerReply = z.object({ lots: z.array(lot), fitted: z.array(fitted) });
export const healthReply = z.object({ ok: z.literal(true), name: z.literal('Elder Cog') });

export type JobSummary = z.output<typeof jobSummary>;
export type ShelfReply = z.output<typeof shelfReply>;
export type JobReply = z.output<typeof jobReply>;
export type DrawerReply = z.output<typeof drawerReply>;
