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
export const fit = z.object({ id, slotId: id, leaves: z.array(fitLeaf).max(40), state: z.string().max(60).nullable() });
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
