import { z } from 'zod';
import { id, lengthNm, revision, words, gone } from './basics.ts';
import { wants } from './drawer.ts';

/**
 * A shaft is places, faces and contacts. A place is where something sits, and its faces are planes square to the shaft; a part is one thing
 * with one identity; what sits in a place, and which way round, is as drawn until a build says otherwise. Sizes are features of parts, and
 * what they are is what their stations were read to be.
 */

/** Where a pack sits, among the bearings and covers it may sit by. */
export const packPlace = z.enum([
  'behindCup',
  'behindCone',
  'betweenCones',
  'betweenCups',
  'underCover',
  'underCupFlange',
  'underCarrierFlange',
  'thrustWasher',
  'inLine',
  'underThrustPlate',
]);
export const shaft = z.object({
  id,
  revision,
  gone,
  assemblyId: id,
  name: words,
  /** the ready shaft it was begun from: a word, and nothing hangs on it */
  origin: z.string().max(40),
  /** what its two ends are called, said once */
  ends: z.tuple([words, words]),
  position: z.int().min(0),
});
export const role = z.string().min(1).max(80);
/** One plane of a place. How far in and out it reaches is in the proportions of the drawing where nobody has measured it. */
export const face = z.object({
  id,
  role,
  /** which end it looks to */
  side: z.enum(['in', 'out']),
  inner: lengthNm.nullable(),
  outer: lengthNm.nullable(),
});
export const place = z.object({
  id,
  revision,
  gone,
  shaftId: id,
  role,
  name: words,
  /** what kind of thing sits there: casing, cup, washer …; `fastening` for nut or bolts, `bearings` for all of a shaft's at once */
  kind: z.string().min(1).max(40),
  /** from the input end */
  position: z.int().min(0),
  /** what can be chosen for it: leaves of a pack, one part of several, a gasket; null where it is what it is */
  takes: z.enum(['leaves', 'part', 'gasket']).nullable(),
  /** where its pack sits */
  sits: packPlace.nullable(),
  /** what sits there as drawn, and whether the other way round than it is drawn */
  partId: id.nullable(),
  turned: z.boolean(),
  /** of a pack: drawn so thick while nobody has said what is in */
  proportion: lengthNm.nullable(),
  /** in order from its input end, as it stands when not turned */
  faces: z.array(face).max(20),
  /** of a place that something is chosen for: what goes in it, as far as anybody said */
  wants: wants.optional(),
});
export const part = z.object({
  id,
  revision,
  gone,
  assemblyId: id,
  name: words,
  kind: z.string().min(1).max(40),
  material: z.string().max(40),
  number: z.string().max(60),
  /** its number is one figure off its mate's, was read again, and is so */
  isReadAgain: z.literal(true).optional(),
  condition: z.enum(['in use', 'taken out', 'new', 'made', 'scrapped']),
});
/** A size of a part, between two faces of the place it sits in. */
export const feature = z.object({
  id,
  revision,
  gone,
  partId: id,
  role,
  name: words,
  kind: z.enum(['length', 'stand', 'play']),
  fromFace: id,
  toFace: id,
  /** what a drawing or a list says it is: not measured, and drawn so */
  nominal: lengthNm.nullable(),
  /** drawn at this while nobody knows it */
  proportion: lengthNm,
});
export const contact = z.object({
  id,
  revision,
  gone,
  shaftId: id,
  role,
  name: z.string().max(120),
  /** ids of faces */
  a: id,
  b: id,
  kind: z.enum(['seated', 'rolling', 'clamped', 'open']),
  /** the feature that holds its two faces apart: a bearing's T */
  standId: id.nullable(),
  /** the place of the nut or bolts that hold it */
  fastenerId: id.nullable(),
});

export type Shaft = z.output<typeof shaft>;
export type FaceFact = z.output<typeof face>;
export type PlaceFact = z.output<typeof place>;
export type PartFact = z.output<typeof part>;
export type Feature = z.output<typeof feature>;
export type ContactFact = z.output<typeof contact>;
