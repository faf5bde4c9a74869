import { z } from 'zod';
import { id, lengthNm, lengthUnit, revision, words } from './basics.ts';

/** Parts that are nearly alike, or belong together. */

const alike = z.object({
  name: words,
  /** where it goes */
  goes: z.string().trim().max(120),
  size: lengthNm.nullable(),
  written: z.string().max(40),
  unit: lengthUnit,
  /** grooves, coils, splines: whatever can be counted */
  marks: z.int().min(0).max(200).nullable(),
  /** a wide tang, a narrow one, or none */
  tang: z.enum(['none', 'narrow', 'wide']),
});
/** Two parts that nearly match, and how to tell them apart. */
export const lookAlike = z.object({
  id,
  revision,
  jobId: id,
  form: z.enum(['washer', 'spring', 'ring', 'bolt', 'other']),
  a: alike,
  b: alike,
  tell: z.string().trim().min(1).max(400),
  gone: z.boolean(),
});
/** Parts that stay together: replace or move one, and the others are warned about. */
export const matchedSet = z.object({ id, revision, jobId: id, name: words, members: z.array(words).min(2).max(40), gone: z.boolean() });

export type LookAlike = z.output<typeof lookAlike>;
export type MatchedSet = z.output<typeof matchedSet>;
