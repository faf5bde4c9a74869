import { z } from 'zod';
import { id, time, lengthNm, lengthUnit, words, note, who } from './basics.ts';

/** What came off, and how it was found. */

/** One bolt hole of a cover, numbered clockwise from a stated start. */
export const boltHole = z.object({
  hole: z.int().min(1).max(60),
  length: lengthNm.nullable(),
  written: z.string().max(40),
  thread: z.string().max(40),
  hand: z.enum(['right', 'left']),
  washer: z.string().max(60),
  dressing: z.string().max(60),
  sealant: z.string().max(60),
});
export const boltMap = z.object({ shape: z.enum(['circle', 'rectangle']), start: z.string().max(80), holes: z.array(boltHole).min(2).max(60) });
/** One thing that came off, as it came off, or was found in a box: build 0. Written once; a mended entry takes the place of the old. */
export const stripEntry = z.object({
  id,
  assemblyId: id,
  shaftId: id.nullable(),
  supersedes: id.nullable(),
  kind: z.enum(['part', 'float', 'pack', 'bolts', 'pressedOn', 'caps', 'count']),
  /** as it was typed: the fact */
  text: z.string().max(400),
  part: words,
  wayRound: z.array(z.string().trim().min(1).max(80)).max(12),
  side: z.string().trim().max(60),
  size: lengthNm.nullable(),
  written: z.string().max(60),
  unit: lengthUnit,
  leaves: z.array(z.object({ thickness: lengthNm, written: z.string().max(40), unit: lengthUnit, count: z.int().min(1).max(999) })).max(40),
  bolts: boltMap.nullable(),
  count: z.object({ n: z.int().min(0).max(9999), of: z.string().trim().max(60) }).nullable(),
  /** found among parts that came already apart: its place and way round are unknown until checked */
  inventory: z.boolean(),
  note,
  who,
  at: time,
});

export type BoltHole = z.output<typeof boltHole>;
export type BoltMap = z.output<typeof boltMap>;
export type StripEntry = z.output<typeof stripEntry>;
