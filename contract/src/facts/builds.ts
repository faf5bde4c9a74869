import { z } from 'zod';
import { id, time, lengthNm, lengthUnit, note, who } from './basics.ts';

/** What was in, build by build. */

export const fitLeaf = z.object({
  lotId: id.nullable(),
  thickness: lengthNm.refine((nm) => nm > 0, 'A leaf has a thickness.'),
  written: z.string().max(40),
  unit: lengthUnit,
  count: z.int().min(1).max(999),
});
/** What a build says of one place; what it does not say is as it was. */
export const fit = z.object({
  id,
  placeId: id,
  leaves: z.array(fitLeaf).max(40),
  state: z.string().max(60).nullable(),
  /** another part in it; null for none */
  partId: id.nullable().optional(),
  /** the other way round than it is drawn, or not */
  turned: z.boolean().optional(),
  /** of a gasket that is in: how thick it is bolted up; null where that is not known of it */
  crushed: lengthNm.nullable().optional(),
  /** sealant in the joint, all of its films together; null for none */
  film: lengthNm.nullable().optional(),
});
export const build = z.object({
  id,
  assemblyId: id,
  parentId: id.nullable(),
  stage: z.enum(['as_found', 'loose', 'dry', 'final', 'run_in']),
  at: time,
  who,
  label: z.string().max(120),
  feel: z.array(z.string().max(40)).max(10),
  note,
  fits: z.array(fit).max(40),
});

export type FitLeaf = z.output<typeof fitLeaf>;
export type Fit = z.output<typeof fit>;
export type Build = z.output<typeof build>;
