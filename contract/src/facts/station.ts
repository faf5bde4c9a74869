import { FEATURE_KINDS } from '@elder-cog/core';
import { z } from 'zod';
import { forceUnit, id, lengthNm, lengthUnit, newtonMetres, note, revision, time, torqueUnit, who, words } from './basics.ts';
import { role } from './shaft.ts';

/** What is read, and what it is read with. */

export const instrument = z.object({
  kind: z.enum(['dial', 'feelers', 'depth', 'micrometer', 'bore gauge', 'caliper']),
  name: words,
  unit: lengthUnit,
  resolution: lengthNm,
  calibrationU: z.number().min(0),
  priorS: z.number().min(0),
  /** what it shows at nothing: taken off every reading */
  zeroError: lengthNm.optional(),
  divisions: z.int().min(2).max(1000).optional(),
  /** a 0–50–0 dial: the hand reads either side of nought */
  balanced: z.boolean().optional(),
  /** how the dial stands: degrees from the line of movement to the stem, and from square to the face it touches */
  stemAngle: z.number().min(-45).max(45).optional(),
  faceAngle: z.number().min(-45).max(45).optional(),
  /** read at this radius, wanted at that one */
  radius: z.object({ read: lengthNm, wanted: lengthNm }).optional(),
  direction: z.enum(['clockwise', 'anticlockwise']).optional(),
  /** how many readings its repeatability was found from, and how many of them were free; left out where it is what is usual for its kind */
  learned: z.int().min(1).optional(),
  priorDof: z.int().min(1).optional(),
});
/** A check of an instrument against something of known size. */
const instrumentCheck = z.object({
  at: time,
  who,
  /** "the 1 in standard" */
  against: words,
  /** what it showed over what it should; less than nothing where it showed less */
  off: lengthNm,
  written: z.string().max(40),
});
/** An instrument of the workshop, as it is set up, with every check of it. */
export const ownInstrument = z.object({
  id,
  revision,
  gone: z.boolean().optional(),
  instrument,
  keptIn: z.string().trim().max(60),
  note,
  checks: z.array(instrumentCheck).max(400),
});
/** What a drag is read with: a wrench on the nut, or a balance on a cord. Its figures are in N·m, and of a balance in N. */
export const wrench = z.object({
  kind: z.enum(['beam', 'dial', 'electronic', 'click', 'balance']),
  name: words,
  /** what it is figured in */
  unit: z.union([torqueUnit, forceUnit]),
  division: z.number().positive().max(1000),
  /** from where to where it reads; null where nobody said */
  least: z.number().min(0).max(20_000).nullable(),
  most: z.number().positive().max(20_000).nullable(),
});
export const method = z.enum(['dial', 'feelers', 'depths', 'spacer', 'coverDown', 'size', 'look', 'wrench', 'cord']);
/** What a station reads of a shaft: a gap, being one open contact or several in series; a size of a part; how far one face is from another. */
const reads = z.discriminatedUnion('what', [
  z.object({ what: z.literal('gap'), contacts: z.array(id).min(1).max(20) }),
  z.object({ what: z.literal('feature'), feature: id }),
  z.object({ what: z.literal('depth'), from: id, to: id }),
  /** what it takes to turn the bearings whose float these contacts are */
  z.object({ what: z.literal('drag'), contacts: z.array(id).min(1).max(20) }),
  /** how much more a drag is than it was before: read, tighten, read */
  z.object({ what: z.literal('rise'), of: id }),
  /** how far a nut or bolts are to be pulled */
  z.object({ what: z.literal('joint'), joint: id }),
]);
/** Where in its limits to aim. */
export const aim = z.object({ at: z.enum(['tight', 'middle', 'loose', 'value']), value: lengthNm.optional(), closesBy: lengthNm.optional() });
export const station = z.object({
  id,
  revision,
  /** the shaft it is of; null where it is of a box, and of no shaft in it */
  shaftId: id.nullable(),
  /** the box it is of, where it is of no shaft */
  assemblyId: id.optional(),
  /** `link`: a size of a part as it stands in a stack */
  subject: z.enum(['gap', 'link', 'depth', 'pair', 'check', 'drag', 'fastener', ...FEATURE_KINDS]),
  quantity: z.enum(['length', 'yes_no', 'torque']),
  moreIs: z.enum(['loose', 'tight']),
  role,
  name: words,
  position: z.int().min(0),
  /** what of a shaft it reads: open contacts one after another, or a size of a part; null where it stands by itself */
  reads: reads.nullable(),
  /** the two stations of a pair */
  boreId: id.nullable(),
  journalId: id.nullable(),
  newSize: lengthNm.nullable(),
  rule: z.enum(['plain', 'guarded']),
  aim,
  /** what it was last read with, so that it is asked once */
  method: method.nullable(),
  instrument: instrument.nullable(),
  /** of a drag: what it was last read with, and what its seal takes by itself, N·m */
  wrench: wrench.optional(),
  seal: newtonMetres.optional(),
  /** taken out of the book; what was read of it is kept */
  gone: z.boolean(),
});

export type OwnInstrument = z.output<typeof ownInstrument>;
export type InstrumentCheck = z.output<typeof instrumentCheck>;
export type Wrench = z.output<typeof wrench>;
export type Method = z.output<typeof method>;
export type Station = z.output<typeof station>;
export type Reads = z.output<typeof reads>;
