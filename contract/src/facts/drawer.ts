import { z } from 'zod';
import { id, lengthNm, lengthUnit, revision, note, gone } from './basics.ts';

/** Leaves on hand. */

export const lot = z.object({
  id,
  revision,
  gone,
  thickness: lengthNm.refine((nm) => nm > 0, 'A leaf has a thickness.'),
  written: z.string().min(1).max(40),
  unit: lengthUnit,
  owned: z.int().min(0).max(9999),
  material: z.string().max(40),
  keptIn: z.string().max(60),
  note,
});
/** Leaves of a lot that sit in the current builds of open jobs. */
export const fitted = z.object({
  lotId: id.nullable(),
  thickness: lengthNm,
  written: z.string(),
  unit: lengthUnit,
  count: z.int().min(1),
  jobId: id,
  machine: z.string(),
  slotId: id,
  slotName: z.string(),
});

export type Lot = z.output<typeof lot>;
export type Fitted = z.output<typeof fitted>;
