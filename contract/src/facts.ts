import type { Length } from '@elder-cog/core';
import { z } from 'zod';

/** Facts as they cross the wire and stand in a file. Lengths are whole nanometres; times ISO 8601 UTC. */
export const id = z.uuid();
export const time = z.iso.datetime();
/** Checked as a whole number of nanometres; only its type says that it is a length. */
export const lengthNm = z.int().min(-10_000_000_000).max(10_000_000_000) as unknown as z.ZodType<Length, number>;
export const lengthUnit = z.enum(['mm', 'in', 'thou', 'um']);
const revision = z.int().min(1);
const words = z.string().trim().min(1).max(120);
const note = z.string().max(4000);
/** who did it, as they sign themselves */
export const who = z.string().trim().max(60);

export const job = z.object({ id, revision, machine: words, year: z.string().trim().max(20), note, createdAt: time, archivedAt: time.nullable() });
export const assembly = z.object({
  id,
  revision,
  jobId: id,
  name: words,
  kind: z.string().max(40),
  position: z.int().min(0),
  mirrorOf: id.nullable(),
});

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
  assemblyId: id,
  name: words,
  template: templateName,
  place,
  gasket: z.boolean(),
  position: z.int().min(0),
});

const role = z.string().min(1).max(80);
export const part = z.object({
  id,
  revision,
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
  shaftId: id,
  role,
  a: role,
  b: role,
  kind: z.enum(['seated', 'rolling', 'clamped', 'open']),
  name: z.string().max(120),
});
export const slot = z.object({
  id,
  shaftId: id,
  role,
  name: words,
  kind: z.enum(['adjuster', 'gasket', 'bearing', 'fastening', 'part']),
  partRole: role.nullable(),
  place: place.nullable(),
});

export const instrument = z.object({
  kind: z.enum(['dial', 'feelers', 'depth', 'micrometer', 'bore gauge', 'caliper']),
  name: words,
  unit: lengthUnit,
  resolution: lengthNm,
  calibrationU: z.number().min(0),
  priorS: z.number().min(0),
  divisions: z.int().min(2).max(1000).optional(),
  direction: z.enum(['clockwise', 'anticlockwise']).optional(),
});

export const method = z.enum(['dial', 'feelers', 'depths', 'spacer', 'coverDown', 'size', 'look']);

/** Where in its limits to aim. */
export const aim = z.object({ at: z.enum(['tight', 'middle', 'loose', 'value']), value: lengthNm.optional(), closesBy: lengthNm.optional() });

export const station = z.object({
  id,
  revision,
  shaftId: id,
  subject: z.enum(['gap', 'bore', 'journal', 'pair', 'check']),
  quantity: z.enum(['length', 'yes_no']),
  moreIs: z.enum(['loose', 'tight']),
  role,
  name: words,
  position: z.int().min(0),
  /** the open contact it reads, where it is a gap */
  contactRole: role.nullable(),
  /** the two stations of a pair */
  boreId: id.nullable(),
  journalId: id.nullable(),
  newSize: lengthNm.nullable(),
  rule: z.enum(['plain', 'guarded']),
  aim,
  /** what it was last read with, so that it is asked once */
  method: method.nullable(),
  instrument: instrument.nullable(),
});

export const limit = z.object({
  id,
  revision,
  stationId: id,
  min: lengthNm.nullable(),
  max: lengthNm.nullable(),
  /** as the manual prints it */
  written: z.string().min(1).max(120),
  unit: lengthUnit,
  source: z.enum(['manual', 'drawing', 'as_found', 'other_side', 'sister', 'standard', 'rule', 'reckoned', 'told']),
  pageOrWhom: z.string().max(120),
  inUse: z.boolean(),
});

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

export const restsOn = z.object({ item: z.string().max(60), answer: z.string().max(60) });
/** What the person entered: the fact. Values are derived from it each time. */
export const rawReading = z.object({
  method,
  text: z.string().max(400),
  instrument: instrument.nullable(),
  /** heights beside depths; what a depth was read across is in the text */
  heights: z.string().max(400).optional(),
  gasket: z.object({ free: lengthNm, crushed: lengthNm, during: z.enum(['out', 'loose', 'clamped']) }).optional(),
  spacer: lengthNm.optional(),
  /** where on the part: a place along it */
  at: z.string().max(60).optional(),
  answer: z.enum(['yes', 'no', 'notLooked']).optional(),
  seen: z.string().max(400).optional(),
  restsOn: z.array(restsOn).max(20),
});
export const reading = z.object({
  id,
  stationId: id,
  buildId: id.nullable(),
  raw: rawReading,
  who,
  takenAt: time,
  supersedes: id.nullable(),
  keptAs: z.object({ value: lengthNm.nullable(), words: z.string().max(120) }),
});
export const withdrawal = z.object({ id, ofKind: z.enum(['reading', 'build', 'withdrawal']), ofId: id, who, at: time, why: z.string().max(400) });

export const lot = z.object({
  id,
  revision,
  thickness: lengthNm.refine((nm) => nm > 0, 'A leaf has a thickness.'),
  written: z.string().min(1).max(40),
  unit: lengthUnit,
  owned: z.int().min(0).max(9999),
  material: z.string().max(40),
  keptIn: z.string().max(60),
  note,
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

export const jobFacts = z.object({
  job,
  assemblies: z.array(assembly),
  shafts: z.array(shaft),
  parts: z.array(part),
  features: z.array(feature),
  contacts: z.array(contact),
  slots: z.array(slot),
  stations: z.array(station),
  limits: z.array(limit),
  builds: z.array(build),
  readings: z.array(reading),
  withdrawals: z.array(withdrawal),
});

/** A workshop in a file: every job and the drawer. */
export const workshopFile = z.object({ format: z.literal('elder-cog/workshop'), version: z.literal(1), jobs: z.array(jobFacts), lots: z.array(lot) });

export type Job = z.output<typeof job>;
export type Assembly = z.output<typeof assembly>;
export type Shaft = z.output<typeof shaft>;
export type PartFact = z.output<typeof part>;
export type Feature = z.output<typeof feature>;
export type ContactFact = z.output<typeof contact>;
export type Slot = z.output<typeof slot>;
export type Station = z.output<typeof station>;
export type Limit = z.output<typeof limit>;
export type Build = z.output<typeof build>;
export type Fit = z.output<typeof fit>;
export type FitLeaf = z.output<typeof fitLeaf>;
export type RawReading = z.output<typeof rawReading>;
export type ReadingFact = z.output<typeof reading>;
export type Withdrawal = z.output<typeof withdrawal>;
export type Lot = z.output<typeof lot>;
export type Fitted = z.output<typeof fitted>;
export type JobFacts = z.output<typeof jobFacts>;
export type WorkshopFile = z.output<typeof workshopFile>;
export type Method = z.output<typeof method>;
