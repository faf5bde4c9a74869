import { z } from 'zod';
import { id, lengthNm, lengthUnit, revision, note, gone } from './basics.ts';

/** Leaves on hand, and what of them goes into a place. */

/** What a leaf or a washer is, besides how thick: nothing where nobody has measured it. */
export const leafForm = z.object({
  bore: lengthNm.optional(),
  outside: lengthNm.optional(),
  /** none, or as it is cut: "tang", "two tangs", "half" */
  tang: z.string().max(40).optional(),
});

/** What a place takes: over what, inside what, with what tang and which way round; and what can be had for it. */
export const wants = leafForm.extend({
  /** which way round it goes: "grooves to the gear" */
  side: z.string().max(80).optional(),
  /** a supplier's range, thinnest to thickest by steps */
  supply: z
    .object({ from: lengthNm, to: lengthNm, step: lengthNm, written: z.string().min(1).max(60) })
    .refine(({ from, to, step }) => from > 0 && to >= from && step > 0, 'A range goes from the thinnest to the thickest, by steps.')
    .optional(),
});

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
  ...leafForm.shape,
  /** of a gasket: how thick it is when it is bolted up, and what it counts as in a pack */
  crushed: lengthNm.refine((nm) => nm > 0, 'A gasket is something thick when it is bolted up.').optional(),
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

export type LeafForm = z.output<typeof leafForm>;
export type Wants = z.output<typeof wants>;
export type Lot = z.output<typeof lot>;
export type Fitted = z.output<typeof fitted>;
