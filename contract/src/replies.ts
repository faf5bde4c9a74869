import { z } from 'zod';
import { fitted, id, job, lengthNm, lot, photo, time, type JobFacts } from './facts.ts';
import { FILE_VERSION } from './files.ts';

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
/**
 * The facts of a job, and what leaves it may use: owned, and what sits in other jobs. The facts are the biggest answer there is, and come
 * straight from the store, which holds these very shapes: the page asks that the shapes are those it knows, and does not look through
 * ten thousand rows again after every entry.
 */
export const jobReply = z.object({
  shapes: z.literal(FILE_VERSION),
  facts: z.custom<JobFacts>((facts) => typeof facts === 'object'),
  lots: z.array(lot),
  fitted: z.array(fitted),
});
export const drawerReply = z.object({ lots: z.array(lot), fitted: z.array(fitted) });
/** The journal of one job, newest first, without the rows themselves. */
export const journalReply = z.object({
  entries: z.array(
    z.object({
      seq: z.int(),
      at: time,
      who: z.string(),
      kind: z.string(),
      /** what was done, in words */
      words: z.string(),
      /** what it was before and after, in words, where a description changed */
      from: z.string().nullable(),
      to: z.string().nullable(),
      /** struck through: taken back since, and why */
      taken: z.object({ at: time, who: z.string(), why: z.string() }).nullable(),
    }),
  ),
  more: z.boolean(),
});
export type JournalReply = z.output<typeof journalReply>;
/** What was kept of a photo; the command that says what it is of comes after. */
export const photoReply = photo.pick({ sha256: true, mediaType: true, bytes: true, width: true, height: true });
export type PhotoReply = z.output<typeof photoReply>;
export const importReply = z.object({ jobs: z.array(z.object({ id, machine: z.string() })), leaves: z.int() });
export const backup = z.object({ name: z.string(), madeAt: time, jobs: z.int(), entries: z.int(), bytes: z.number() });
export const backupReply = z.object({ backup: backup.nullable() });
export const restoreReply = z.object({ setAside: z.string().nullable() });
/** Where the data is and how it is kept. */
export const workshopReply = z.object({
  folder: z.string().nullable(),
  recovered: z.array(z.string()),
  jobs: z.int(),
  entries: z.int(),
  backups: z.array(backup),
  lan: z.object({ on: z.boolean(), addresses: z.array(z.string()), hasPasscode: z.boolean() }),
});
export type ImportReply = z.output<typeof importReply>;
export type WorkshopReply = z.output<typeof workshopReply>;
export type RestoreReply = z.output<typeof restoreReply>;
export const healthReply = z.object({ ok: z.literal(true), name: z.literal('Elder Cog') });

export type JobSummary = z.output<typeof jobSummary>;
export type ShelfReply = z.output<typeof shelfReply>;
export type JobReply = z.output<typeof jobReply>;
export type DrawerReply = z.output<typeof drawerReply>;
