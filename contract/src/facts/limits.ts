import { z } from 'zod';
import { id, time, lengthNm, lengthUnit, newtonMetres, revision, torqueUnit, who, gone } from './basics.ts';

/** Limits, and the pages they come from. */

/** Where a limit comes from. */
export const limitSource = z.enum(['manual', 'drawing', 'as_found', 'other_side', 'sister', 'standard', 'rule', 'reckoned', 'told']);
/** When something was told, as it is said: "1998", "last winter". */
const saidAt = z.string().max(60);
/** When a limit of a drag holds, or of what a thread is pulled to. */
export const conditions = z.object({
  bearings: z.enum(['new', 'used']).optional(),
  seal: z.enum(['in', 'out']).optional(),
  wheel: z.enum(['in', 'out']).optional(),
  dressing: z.enum(['dry', 'oiled', 'plated', 'anti-seize', 'thread lock', 'sealer']).optional(),
});
export const limit = z.object({
  id,
  revision,
  gone,
  stationId: id,
  min: lengthNm.nullable(),
  max: lengthNm.nullable(),
  /** a single figure with no tolerance: the difference from it is shown, and nothing is judged by it */
  nominal: lengthNm.optional(),
  /** of a drag or of the torque of a nut, N·m, in place of the lengths */
  torque: z
    .object({ min: newtonMetres.nullable(), max: newtonMetres.nullable(), nominal: newtonMetres.optional(), unit: torqueUnit })
    .refine(({ min, max, nominal }) => min !== null || max !== null || nominal !== undefined, 'A limit has a figure.')
    .refine(({ min, max }) => min === null || max === null || min <= max, 'The smaller limit comes first.')
    .optional(),
  /** when it holds, where that was said */
  conditions: conditions.optional(),
  /** as the manual prints it */
  written: z.string().min(1).max(120),
  unit: lengthUnit,
  source: limitSource,
  pageOrWhom: z.string().max(120),
  saidAt,
  /** how it was come by, where it was reckoned or argued for */
  working: z.string().max(1000),
  /** the line of the spec sheet it was copied from */
  specId: id.nullable(),
  inUse: z.boolean(),
});
export const quantityKind = z.enum(['length', 'torque', 'force', 'pressure', 'volume', 'temperature', 'speed', 'turning', 'angle']);
/** One line of a manual's page, as printed and as understood. Lengths in nanometres, anything else in its base unit. */
export const specRow = z.object({
  id,
  revision,
  gone,
  jobId: id,
  position: z.int().min(0),
  /** the line as it was typed or pasted: the fact */
  text: z.string().trim().min(1).max(300),
  name: z.string().trim().max(160),
  /** null while the line is not understood, or waits to be told what it means */
  quantity: quantityKind.nullable(),
  min: z.number().nullable(),
  max: z.number().nullable(),
  unit: z.string().max(20),
  written: z.string().max(160),
  remark: z.string().max(200),
  source: limitSource,
  pageOrWhom: z.string().max(120),
  saidAt,
  /** the station it is a limit of, once said */
  stationId: id.nullable(),
  leftOut: z.boolean(),
  who,
  at: time,
});
/** What must hold of a line whichever way it comes. */
type SpecFigures = { readonly quantity: string | null; readonly min: number | null; readonly max: number | null };
export const soundSpec = <Schema extends z.ZodType<SpecFigures>>(row: Schema): Schema =>
  row
    .refine(
      (s) => (s.quantity === null) === (s.min === null && s.max === null),
      'A line that is understood has a figure, and one that is not has none.',
    )
    .refine((s) => s.min === null || s.max === null || s.min <= s.max, 'The smaller limit comes first.')
    .refine(
      (s) => s.quantity !== 'length' || [s.min, s.max].every((n) => n === null || Number.isSafeInteger(n)),
      'A length is a whole number of nanometres.',
    );
export const spec = soundSpec(specRow);

export type LimitSource = z.output<typeof limitSource>;
export type Limit = z.output<typeof limit>;
export type Spec = z.output<typeof spec>;
