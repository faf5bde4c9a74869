import { HEATED_KINDS, HEATINGS, MADE_COUNTS, MADE_KINDS, MADE_SIZES, REMOVING } from '@elder-cog/core';
import { z } from 'zod';
import { gone, id, lengthNm, lengthUnit, note, revision, time, who, words } from './basics.ts';
import { fitLeaf } from './builds.ts';
import { instrument } from './station.ts';

/** What the shop makes, out of what, how it is taken off to size; and what is pressed or dropped into what. */

const someLength = lengthNm.refine((nm) => nm > 0, 'More than nothing.');
const celsius = z.number().min(-200).max(400);

/** Sheet, bar or tube: what the workshop has of it, or that it can be bought. */
export const stock = z.object({
  id,
  revision,
  gone,
  form: z.enum(['shim', 'sheet', 'bar', 'tube']),
  material: z.string().trim().min(1).max(60),
  /** of shim and sheet */
  thickness: someLength.nullable(),
  width: someLength.nullable(),
  /** of bar and tube */
  outside: someLength.nullable(),
  bore: someLength.nullable(),
  length: someLength.nullable(),
  /** its size, as it was typed */
  written: z.string().trim().min(1).max(60),
  unit: lengthUnit,
  owned: z.int().min(0).max(9999),
  canBuy: z.boolean(),
  keptIn: z.string().trim().max(60),
  note,
});

/** A part as it is to be made: its kind, its sizes, and how many of what it has more than one of. */
export const madeForm = z.object({
  kind: z.enum(MADE_KINDS),
  sizes: z.partialRecord(z.enum(MADE_SIZES), someLength),
  counts: z.partialRecord(z.enum(MADE_COUNTS), z.int().min(0).max(36)),
});

/** Something that is being made, or taken off to size: for a place, for a size of a part, or for itself. */
export const making = z.object({
  id,
  revision,
  gone,
  jobId: id,
  name: words,
  /** null where a part that is there is taken off to size */
  form: madeForm.nullable(),
  /** the place it is to go into, and the gap that it is to set there */
  placeId: id.nullable(),
  gapId: id.nullable(),
  /** the size of a part in hand that is taken off */
  sizeId: id.nullable(),
  /** what lands, as it was when it was begun, and the reading it came from; null where nothing is aimed at */
  window: z
    .object({ min: someLength, max: someLength, ideal: someLength, from: id.nullable() })
    .refine(({ min, max, ideal }) => min <= ideal && ideal <= max, 'The size wanted lies between the ends of its window.')
    .nullable(),
  /** leaves that go in with it: the window is of what is made alone */
  beside: z.array(fitLeaf).max(20),
  material: z.string().trim().max(60),
  /** what it is cut from: how thick, or how long, before anything is taken off */
  blank: z.object({ size: someLength, written: z.string().trim().min(1).max(60), unit: lengthUnit }).nullable(),
  process: z.enum(REMOVING),
  state: z.enum(['open', 'made', 'left']),
  /** what it became in the Drawer */
  lotId: id.nullable(),
  note,
  who,
  at: time,
});

/** One pass of what is taken off, and what was read after it; as it was cut, before the first, where its effort is none. */
export const pass = z.object({
  id,
  makingId: id,
  /** strokes, seconds or cuts */
  effort: z.number().min(0).max(1_000_000),
  /** at each place; none where it was not read yet */
  readings: z.array(someLength).max(12),
  written: z.string().trim().max(120),
  instrument: instrument.nullable(),
  who,
  at: time,
});

/** One of two parts that go together. */
const fitPart = z.object({
  what: z.string().trim().max(80),
  material: z.string().trim().max(60),
  kind: z.enum(HEATED_KINDS),
  /** what is in it or on it, and bears less */
  also: z.array(z.enum(HEATED_KINDS)).max(10),
  outside: someLength.nullable(),
  bore: someLength.nullable(),
  /** Rz, nm */
  roughness: lengthNm.refine((nm) => nm >= 0, 'Not less than nothing.').nullable(),
  /** g */
  weight: z.number().positive().max(200_000).nullable(),
  /** that it is brought to, °C; null for the air's */
  temperature: celsius.nullable(),
});

/** Two parts that are to go together: pressed, or dropped in hot. */
export const fitting = z.object({
  id,
  revision,
  gone,
  jobId: id,
  name: words,
  /** bore, outside and temperature of what is outside */
  outer: fitPart,
  inner: fitPart,
  length: someLength.nullable(),
  /** of a bush: the journal that runs in it, and the clearance it is to have */
  journal: someLength.nullable(),
  clearance: z
    .object({ min: lengthNm, max: lengthNm, written: z.string().trim().max(60), unit: lengthUnit })
    .refine(({ min, max }) => min >= 0 && min <= max, 'A clearance goes from the least to the most.')
    .nullable(),
  /** room to drop in with */
  ease: lengthNm.refine((nm) => nm >= 0, 'Not less than nothing.').nullable(),
  ambient: z.number().min(-30).max(50),
  humidity: z.number().min(1).max(100).nullable(),
  heating: z.enum(HEATINGS).nullable(),
  /** as warm as both get when it works, °C */
  working: celsius.nullable(),
  note,
});

/** One go at a fit: how warm both were, whether it went in, and whether it was home when it had cooled. */
export const heating = z.object({
  id,
  fittingId: id,
  outer: celsius.nullable(),
  inner: celsius.nullable(),
  went: z.enum(['droppedIn', 'pressed', 'stuck']),
  /** cooled, and a feeler refused under the face; null where nobody looked yet */
  isHome: z.boolean().nullable(),
  note,
  who,
  at: time,
});

export type Stock = z.output<typeof stock>;
export type Making = z.output<typeof making>;
export type Pass = z.output<typeof pass>;
export type FitPart = z.output<typeof fitPart>;
export type Fitting = z.output<typeof fitting>;
export type HeatingGo = z.output<typeof heating>;
