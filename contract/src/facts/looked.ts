import { DECISIONS, SEVERITIES } from '@elder-cog/core';
import { z } from 'zod';
import { id, time, lengthNm, newtonMetres, words, who } from './basics.ts';

/** Parts looked at, and what was decided of them. */

export const decision = z.enum(DECISIONS);
/** A part looked at: what was found, what that proposes, and what was decided. */
export const inspection = z
  .object({
    id,
    jobId: id,
    /** the row of the Wear book it is of, where it is measured */
    stationId: id.nullable(),
    part: words,
    partType: z.string().max(40),
    /** a part passed dirty is looked at again */
    cleaned: z.boolean(),
    findings: z.array(z.object({ look: z.string().min(1).max(80), severity: z.enum(SEVERITIES), note: z.string().max(200) })).max(30),
    proposed: decision.nullable(),
    decision,
    reason: z.string().trim().max(400),
    who,
    at: time,
  })
  .refine((i) => i.proposed === null || i.proposed === i.decision || i.reason !== '', 'Say why it is decided otherwise than proposed.');
/** A setting taken outside its limits, or left unmeasured, on purpose: with why, and it stays in sight. */
export const acceptance = z.object({
  id,
  stationId: id,
  kind: z.enum(['outside', 'unmeasured']),
  /** what it was when it was accepted */
  value: lengthNm.nullable(),
  /** of a drag, N·m */
  torque: newtonMetres.optional(),
  reason: z.string().trim().min(3, 'Say why: it stays in sight.').max(400),
  who,
  at: time,
});
export const photoOf = z.enum(['strip', 'station', 'inspection', 'lookAlike', 'openItem', 'job']);
/** A photo: its bytes lie in the data folder under the SHA-256 of them. */
export const photo = z.object({
  id,
  jobId: id,
  ofKind: photoOf,
  ofId: id,
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  mediaType: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  bytes: z.int().min(1),
  width: z.int().min(1),
  height: z.int().min(1),
  caption: z.string().trim().max(200),
  who,
  at: time,
});

export type Decision = z.output<typeof decision>;
export type Inspection = z.output<typeof inspection>;
export type Acceptance = z.output<typeof acceptance>;
export type PhotoOf = z.output<typeof photoOf>;
export type Photo = z.output<typeof photo>;
