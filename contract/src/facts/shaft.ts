import { z } from 'zod';
import { id, lengthNm, revision, words, gone } from './basics.ts';

/** A shaft: its parts with their faces, its lengths, what touches what, and where packs go. */

export const templateName = z.enum(['taperPair', 'plainThrust', 'gearOnBush']);
export const place = z.enum([
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
  template: templateName,
  place,
  gasket: z.boolean(),
  position: z.int().min(0),
});
export const role = z.string().min(1).max(80);
export const part = z.object({
  id,
  revision,
  gone,
  shaftId: id,
  role,
  name: words,
  kind: z.string().max(40),
  material: z.string().max(40),
  turned: z.boolean(),
  faces: z.array(role).max(20),
});
export const feature = z.object({
  id,
  revision,
  gone,
  shaftId: id,
  partRole: role.nullable(),
  role,
  name: words,
  fromFace: role,
  toFace: role,
  size: lengthNm.nullable(),
});
export const contact = z.object({
  id,
  gone,
  shaftId: id,
  role,
  a: role,
  b: role,
  kind: z.enum(['seated', 'rolling', 'clamped', 'open']),
  name: z.string().max(120),
});
export const slot = z.object({
  id,
  gone,
  shaftId: id,
  role,
  name: words,
  kind: z.enum(['adjuster', 'gasket', 'bearing', 'fastening', 'part']),
  partRole: role.nullable(),
  place: place.nullable(),
});

export type Shaft = z.output<typeof shaft>;
export type PartFact = z.output<typeof part>;
export type Feature = z.output<typeof feature>;
export type ContactFact = z.output<typeof contact>;
export type Slot = z.output<typeof slot>;
