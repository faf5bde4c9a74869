import { z } from 'zod';
import { gone, id, lengthNm, newtonMetres, revision, time, who, words } from './basics.ts';

/** What holds things together, how far it is pulled, hole by hole; and loose rollers, counted out and in. */

const someLength = lengthNm.refine((nm) => nm > 0, 'More than nothing.');

/** How far a round is pulled: hand tight where there is neither. */
const round = z.object({
  torque: newtonMetres.nullable(),
  /** turned on after that, degrees */
  degrees: z.number().min(0).max(720).nullable(),
  written: z.string().trim().max(40),
});
/** How it is kept from coming undone. */
const lock = z.object({
  kind: z.enum(['none', 'split pin', 'tab', 'staked', 'wire', 'lock nut', 'spring washer', 'thread lock']),
  /** of a castle nut, or of a washer with tabs */
  slots: z.int().min(1).max(60).nullable(),
  /** where its notches are, degrees from the first, where they are not even; none where they are */
  notches: z.array(z.number().min(0).max(359.999)).max(60),
  /** ends of holes that a slot can come to: two of a hole right through */
  holeEnds: z.int().min(1).max(24),
});

/** Cover bolts, a nut, the bolts of a cap: what they are, and in what rounds and order they are pulled. */
export const joint = z.object({
  id,
  revision,
  gone,
  assemblyId: id,
  /** what of a shaft it holds; null where it holds nothing a float knows of */
  placeId: id.nullable(),
  /** the bolts of the strip log that it is drawn from */
  stripId: id.nullable(),
  name: words,
  shape: z.enum(['circle', 'rectangle']),
  holes: z.int().min(1).max(60),
  /** as it is named: "5/16 BSF" */
  thread: z.string().trim().max(60),
  major: someLength.nullable(),
  pitch: someLength.nullable(),
  hand: z.enum(['right', 'left']),
  grade: z.string().trim().max(40),
  dressing: z.string().trim().max(60),
  lock,
  /** it sets a float, and is not pulled to a torque: it goes back to a slot, and never on */
  adjusts: z.boolean(),
  /** in order, hand tight first where it is one */
  rounds: z.array(round).max(8),
  /** holes in the order they are pulled; none where it is reckoned from where they are */
  order: z.array(z.int().min(1).max(60)).max(60),
  note: z.string().max(400),
});
/** One hole pulled in one round; the last one once round again. */
export const pull = z.object({
  id,
  jointId: id,
  buildId: id.nullable(),
  /** which of the rounds, from 0; one more than the last is once round again */
  round: z.int().min(0).max(8),
  hole: z.int().min(1).max(60),
  /** as it was read, where it was: of a nut that is locked */
  torque: newtonMetres.nullable(),
  degrees: z.number().min(-720).max(720).nullable(),
  written: z.string().trim().max(40),
  /** the last reading of its box that was kept before it: what was read after it was read part-way. Null where none was */
  after: id.nullable(),
  who,
  at: time,
});

/** Loose rollers in one place. */
export const rollers = z.object({
  id,
  revision,
  gone,
  assemblyId: id,
  placeId: id.nullable(),
  name: words,
  /** across the shaft they run on, and the bore they run in */
  trackInner: someLength.nullable(),
  trackOuter: someLength.nullable(),
  diameter: someLength.nullable(),
  length: someLength.nullable(),
  /** end to end of where they lie, spacers and washers taken off */
  trackLength: someLength.nullable(),
  rows: z.int().min(1).max(6),
  /** between and beside the rows */
  spacers: z.int().min(0).max(12),
  note: z.string().max(400),
});
/** Rollers counted: as they came out, or as they went in. */
export const rollerCount = z.object({
  id,
  rollersId: id,
  buildId: id.nullable(),
  way: z.enum(['out', 'in']),
  count: z.int().min(0).max(999),
  spacers: z.int().min(0).max(12),
  /** the last went in snug, with the shaft out */
  snug: z.boolean().nullable(),
  note: z.string().max(200),
  who,
  at: time,
});

export type Joint = z.output<typeof joint>;
export type JointRound = z.output<typeof round>;
export type Pull = z.output<typeof pull>;
export type Rollers = z.output<typeof rollers>;
export type RollerCount = z.output<typeof rollerCount>;
