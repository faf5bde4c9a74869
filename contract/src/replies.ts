import { z } from 'zod';
import { fitted, id, job, lengthNm, lot, method, ownInstrument, photo, stock, time } from './facts/index.ts';
import type { JobFacts } from './tables.ts';
import { commandReply, errorReply, rowEffect } from './commands.ts';
import { FILE_VERSION } from './constants.ts';

/** What the server sends. */
export const markKind = z.enum(['in', 'tight', 'loose', 'cannotTell', 'unmeasured', 'stale', 'accepted']);

/** One machine on the Shelf. */
export const jobSummary = z.object({
  job,
  /** why nothing, or not all, can be reckoned from its facts; null where all is sound */
  damaged: z.string().nullable(),
  touchedAt: time,
  who: z.string(),
  boxes: z.array(z.string()),
  shaft: z.object({ id, name: z.string(), assembly: z.string(), origin: z.string(), place: z.string().nullable() }).nullable(),
  worst: z
    .object({
      mark: markKind,
      name: z.string(),
      value: lengthNm.nullable(),
      limits: z.object({ min: lengthNm.optional(), max: lengthNm.optional() }).nullable(),
      /** it is how deep something is, and no float. Left out where it is not */
      isDepth: z.literal(true).optional(),
      /** a drag, as it is said. Left out where it is none, or nobody read it */
      drag: z.string().optional(),
    })
    .nullable(),
  next: z.string(),
  waits: z.string(),
  far: z.int().min(0).max(7),
});
export const shelfReply = z.object({ jobs: z.array(jobSummary) });
/**
 * The facts of a job, as they are after entry `seq` of the journal, whose command was `last`. The facts are the biggest answer there is,
 * and come straight from the store, which holds these very shapes: the page asks that the shapes are those it knows, and does not look
 * through ten thousand rows again after every entry.
 */
export const jobReply = z.object({
  shapes: z.literal(FILE_VERSION),
  seq: z.int(),
  last: z.string(),
  /** looked through row by row where it was read, and nothing in it is damaged: the page need not */
  sound: z.boolean(),
  facts: z.custom<JobFacts>((facts) => typeof facts === 'object'),
});
/** What has been written to a job since a page last asked; `whole` where the page had better ask for all of it again. */
export const changesReply = z.object({
  shapes: z.literal(FILE_VERSION),
  seq: z.int(),
  last: z.string(),
  whole: z.boolean(),
  entries: z.array(
    z.object({
      seq: z.int(),
      commandId: z.string(),
      who: z.string(),
      at: time,
      kind: z.string(),
      undid: z.string().nullable(),
      effects: z.array(rowEffect),
    }),
  ),
});
export type ChangesReply = z.output<typeof changesReply>;
/** Something was written: where it stands, whose job, by which command. Sent to every open page. */
export const eventMessage = z.object({ seq: z.int(), jobId: id.nullable(), commandId: z.string() });
export type EventMessage = z.output<typeof eventMessage>;
/** The last thing a browser did that can be taken back, in words, and where it was. */
export const undoableReply = z.object({
  entry: z
    .object({
      seq: z.int(),
      at: time,
      words: z.string(),
      jobId: id.nullable(),
      machine: z.string().nullable(),
      shaftId: id.nullable(),
      shaft: z.string().nullable(),
    })
    .nullable(),
});
export type UndoableReply = z.output<typeof undoableReply>;
/** How well an instrument repeats, by all that was read with it in the workshop more than once. */
export const repeatability = z.object({
  name: z.string(),
  method,
  /** one standard deviation of a single reading, nm */
  s: z.number(),
  dof: z.int().min(1),
  /** readings it was found from */
  readings: z.int().min(2),
});
export type Repeatability = z.output<typeof repeatability>;
/** What was felt of a build by hand, beside the drag that was read of it. */
export const feltDrag = z.object({
  who: z.string(),
  word: z.string(),
  /** N·m */
  drag: z.number(),
  /** of its bearings; null where their numbers are not known */
  bore: lengthNm.nullable(),
});
export type FeltDrag = z.output<typeof feltDrag>;
export const drawerReply = z.object({
  lots: z.array(lot),
  fitted: z.array(fitted),
  instruments: z.array(ownInstrument),
  stock: z.array(stock),
  repeatability: z.array(repeatability),
  hands: z.array(feltDrag),
});
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
export const backup = z.object({
  name: z.string(),
  madeAt: time,
  jobs: z.int(),
  entries: z.int(),
  bytes: z.number(),
  /** made by hand: it stays until it is deleted */
  byHand: z.boolean(),
  /** what is wrong with it; null where it can be gone back to */
  damaged: z.string().nullable(),
});
export const backupReply = z.object({ backup: backup.nullable() });
export const restoreReply = z.object({ setAside: z.string().nullable() });
/** Why the workshop was not opened, and what there is beside it. Nothing has been touched. */
export const trouble = z.object({
  code: z.enum(['missing', 'empty', 'damaged', 'foreign', 'another', 'newer']),
  sentence: z.string(),
  /** it is a workshop of ours, and can be gone on with as it is */
  canGoOn: z.boolean(),
});
export type Trouble = z.output<typeof trouble>;
/** Where the data is and how it is kept. */
export const workshopReply = z.object({
  folder: z.string().nullable(),
  trouble: trouble.nullable(),
  recovered: z.array(z.string()),
  jobs: z.int(),
  entries: z.int(),
  backups: z.array(backup),
  lan: z.object({ on: z.boolean(), addresses: z.array(z.string()), hasPasscode: z.boolean() }),
});
export type ImportReply = z.output<typeof importReply>;
export type WorkshopReply = z.output<typeof workshopReply>;
export type RestoreReply = z.output<typeof restoreReply>;
export const checkReply = z.object({ whole: z.boolean(), wrong: z.array(z.string()) });
export const doneReply = z.object({ ok: z.literal(true) });
export const healthReply = z.object({ ok: z.literal(true), name: z.literal('Elder Cog') });

export type JobSummary = z.output<typeof jobSummary>;
export type ShelfReply = z.output<typeof shelfReply>;
export type JobReply = z.output<typeof jobReply>;
export type DrawerReply = z.output<typeof drawerReply>;

export type BackupReply = z.output<typeof backupReply>;
export type CheckReply = z.output<typeof checkReply>;
export type DoneReply = z.output<typeof doneReply>;

/** Every reply, for the test that holds their shapes and `WIRE` together. */
export const REPLIES = {
  shelfReply,
  jobReply,
  changesReply,
  eventMessage,
  undoableReply,
  drawerReply,
  journalReply,
  photoReply,
  importReply,
  backupReply,
  restoreReply,
  workshopReply,
  checkReply,
  doneReply,
  healthReply,
  commandReply,
  errorReply,
} as const;
