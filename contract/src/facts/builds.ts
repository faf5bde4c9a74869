import { z } from 'zod';
import { id, time, lengthNm, lengthUnit, note, who, words } from './basics.ts';

/** What was in, build by build. */

export const fitLeaf = z.object({
  lotId: id.nullable(),
  thickness: lengthNm.refine((nm) => nm > 0, 'A leaf has a thickness.'),
  written: z.string().max(40),
  unit: lengthUnit,
  count: z.int().min(1).max(999),
});
/** One line of what was tightened: which bolts, how far, and whether they stay. */
export const tightening = z
  .object({
    /** "all six", "1 to 4", "the nut" */
    bolts: words,
    /** N·m; null where it was not read off a wrench */
    torque: z.number().min(0).max(20_000).nullable(),
    written: z.string().trim().max(40),
    /** turned further after that */
    degrees: z.number().min(0).max(3600).nullable(),
    /** slave bolts or an old nut: they come out again before the end */
    isSlave: z.boolean(),
  })
  .refine((t) => t.torque === null || t.written !== '', 'A torque is kept as it was written.');
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
  /** of nut or bolts: what was tightened, line by line */
  tightened: z.array(tightening).max(20).optional(),
  /** of a nut: how far it was turned on since the build before, degrees; less than nothing is back */
  turn: z.number().min(-3600).max(3600).optional(),
  /** another one of the same went in: a new gasket, fitted once */
  another: z.literal(true).optional(),
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

/** How a build felt by hand. */
export const feel = z.object({ id, buildId: id, word: z.string().trim().min(1).max(80), who, at: time });
/** What was taken off a part: lapped, faced, reamed. What was read of that size before speaks for what it was. */
export const removal = z.object({
  id,
  /** where the size is read that it was taken from */
  stationId: id,
  /** how much; null where nobody measured it */
  amount: lengthNm.refine((nm) => nm > 0, 'Something was taken off.').nullable(),
  written: z.string().trim().max(40),
  process: z.enum(['lapped', 'faced', 'reamed', 'honed', 'ground', 'turned']),
  /** the last reading of it before; null where there was none */
  after: id.nullable(),
  /** the build made with the part as it is now; null where it is of no shaft that was built */
  buildId: id.nullable(),
  who,
  at: time,
});
/** Something that is in for the time being, counted in; or some of it counted out again. */
export const temporary = z.object({
  id,
  assemblyId: id,
  /** the build it went into or came out of, where one was made */
  buildId: id.nullable(),
  what: words,
  count: z.int().min(1).max(99),
  /** what was counted in before, of which so many are out now; null for what goes in */
  outOf: id.nullable(),
  who,
  at: time,
});
/** A gap or a row of the book with its last reading: nothing more is read there by accident. */
export const closing = z.object({ id, stationId: id, readingId: id.nullable(), who, at: time });

export type Tightening = z.output<typeof tightening>;
export type Removal = z.output<typeof removal>;
export type Feel = z.output<typeof feel>;
export type Temporary = z.output<typeof temporary>;
export type Closing = z.output<typeof closing>;
export type FitLeaf = z.output<typeof fitLeaf>;
export type Fit = z.output<typeof fit>;
export type Build = z.output<typeof build>;
