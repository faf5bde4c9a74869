import { z } from 'zod';
import { OBSERVATIONS } from '../constants.ts';
import { forceUnit, id, time, lengthNm, lengthUnit, newtonMetres, torqueUnit, who } from './basics.ts';
import { instrument, method, wrench } from './station.ts';

/** What was read, as it was typed and understood; and what was taken back. */

export const restsOn = z.object({ item: z.string().max(60), answer: z.string().max(60) });
const many = z.array(lengthNm).max(200);
/** What an entry was understood as when it was kept, and the unit it is said in: no later reader of entries changes it. */
const understoodReading = z.discriminatedUnion('how', [
  z.object({ how: z.literal('sizes'), values: many.min(1), unit: lengthUnit }),
  z.object({ how: z.literal('blades'), goes: many.nullable(), stops: many.nullable(), unit: lengthUnit }),
  /** positions of the hand, in divisions */
  z.object({
    how: z.literal('hand'),
    from: z.number(),
    to: z.number(),
    back: z.number().nullable(),
    turns: z.number().min(0).max(1000),
    direction: z.enum(['clockwise', 'anticlockwise']),
    unit: lengthUnit,
  }),
  /** N·m off a wrench */
  z.object({ how: z.literal('torques'), values: z.array(newtonMetres).min(1).max(40), unit: torqueUnit }),
  /** N on a cord, and how far from the axis it pulls */
  z.object({
    how: z.literal('pulls'),
    values: z.array(z.number().min(0).max(10_000)).min(1).max(40),
    unit: forceUnit,
    radius: lengthNm.refine((nm) => nm > 0, 'A pull acts at some radius.'),
  }),
]);
/** What the person entered, and what that was understood as: the fact. What it comes to is derived each time. */
export const rawReading = z.object({
  method,
  text: z.string().max(400),
  /** null where nobody typed a figure, or where it was not understood in its day */
  understood: understoodReading.nullable(),
  instrument: instrument.nullable(),
  /** of a drag */
  wrench: wrench.optional(),
  /** of a drag: what its seal takes by itself, N·m; taken off */
  seal: newtonMetres.optional(),
  /** of a drag: read before something was tightened, so that its rise is over this */
  isBefore: z.literal(true).optional(),
  /** heights beside depths */
  heights: z.string().max(400).optional(),
  heightsUnderstood: many.optional(),
  /** what the depths and the heights were read across, where it is not in their text: taken off */
  parallels: z.object({ depths: lengthNm, heights: lengthNm }).optional(),
  gasket: z.object({ free: lengthNm, crushed: lengthNm, during: z.enum(['out', 'loose', 'clamped']) }).optional(),
  spacer: lengthNm.optional(),
  /** where on the part: a place along it */
  at: z.string().max(60).optional(),
  answer: z.enum(['yes', 'no', 'notLooked']).optional(),
  seen: z.string().max(400).optional(),
  /** measured afresh from here on, and why: what was read before speaks for what was before */
  newSet: z.string().trim().min(1).max(120).optional(),
  restsOn: z.array(restsOn).max(20),
  /** it was a figure typed into a part in its day: how well it is known nobody said */
  migrated: z.literal(true).optional(),
});
export const reading = z.object({
  id,
  stationId: id,
  buildId: id.nullable(),
  raw: rawReading,
  who,
  takenAt: time,
  supersedes: id.nullable(),
  keptAs: z.object({ value: lengthNm.nullable(), si: newtonMetres.optional(), words: z.string().max(120) }),
});
export const withdrawal = z.object({
  id,
  ofKind: z.enum(OBSERVATIONS),
  ofId: id,
  who,
  at: time,
  why: z.string().max(400),
});

export type RawReading = z.output<typeof rawReading>;
export type ReadingFact = z.output<typeof reading>;
export type Withdrawal = z.output<typeof withdrawal>;
