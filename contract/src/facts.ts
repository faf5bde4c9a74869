import { DECISIONS, FEATURE_KINDS, SEVERITIES, type Length } from '@elder-cog/core';
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

/** Taken back, and kept because something that was taken back before it still names it. Left out wherever it is not so. */
const gone = z.boolean().optional();

export const job = z.object({
  id,
  revision,
  gone,
  machine: words,
  year: z.string().trim().max(20),
  note,
  createdAt: time,
  archivedAt: time.nullable(),
});
export const assembly = z.object({
  id,
  revision,
  gone,
  jobId: id,
  name: words,
  kind: z.string().max(40),
  position: z.int().min(0),
  mirrorOf: id.nullable(),
  /** nobody here took it apart: its parts came in a box, and where they go is to be found out */
  cameApart: z.boolean(),
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
  gone,
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
});

export const method = z.enum(['dial', 'feelers', 'depths', 'spacer', 'coverDown', 'size', 'look']);

/** Where in its limits to aim. */
export const aim = z.object({ at: z.enum(['tight', 'middle', 'loose', 'value']), value: lengthNm.optional(), closesBy: lengthNm.optional() });

export const station = z.object({
  id,
  revision,
  /** the shaft it is of; null where it is of a box, and of no shaft in it */
  shaftId: id.nullable(),
  /** the box it is of, where it is of no shaft */
  assemblyId: id.optional(),
  subject: z.enum(['gap', 'pair', 'check', ...FEATURE_KINDS]),
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
  /** taken out of the book; what was read of it is kept */
  gone: z.boolean(),
});

/** Where a limit comes from. */
export const limitSource = z.enum(['manual', 'drawing', 'as_found', 'other_side', 'sister', 'standard', 'rule', 'reckoned', 'told']);
/** When something was told, as it is said: "1998", "last winter". */
const saidAt = z.string().max(60);

export const limit = z.object({
  id,
  revision,
  gone,
  stationId: id,
  min: lengthNm.nullable(),
  max: lengthNm.nullable(),
  /** a single figure with no tolerance: the difference from it is shown, and nothing is judged by it */
  nominal: lengthNm.optional(),
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
]);
/** What the person entered, and what that was understood as: the fact. What it comes to is derived each time. */
export const rawReading = z.object({
  method,
  text: z.string().max(400),
  /** null where nobody typed a figure, or where it was not understood in its day */
  understood: understoodReading.nullable(),
  instrument: instrument.nullable(),
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
export const withdrawal = z.object({
  id,
  ofKind: z.enum(['reading', 'build', 'withdrawal', 'strip', 'inspection', 'acceptance', 'photo']),
  ofId: id,
  who,
  at: time,
  why: z.string().max(400),
});

/** One bolt hole of a cover, numbered clockwise from a stated start. */
export const boltHole = z.object({
  hole: z.int().min(1).max(60),
  length: lengthNm.nullable(),
  written: z.string().max(40),
  thread: z.string().max(40),
  hand: z.enum(['right', 'left']),
  washer: z.string().max(60),
  dressing: z.string().max(60),
  sealant: z.string().max(60),
});
export const boltMap = z.object({ shape: z.enum(['circle', 'rectangle']), start: z.string().max(80), holes: z.array(boltHole).min(2).max(60) });

/** One thing that came off, as it came off, or was found in a box: build 0. Written once; a mended entry takes the place of the old. */
export const stripEntry = z.object({
  id,
  assemblyId: id,
  shaftId: id.nullable(),
  supersedes: id.nullable(),
  kind: z.enum(['part', 'float', 'pack', 'bolts', 'pressedOn', 'caps', 'count']),
  /** as it was typed: the fact */
  text: z.string().max(400),
  part: words,
  wayRound: z.array(z.string().trim().min(1).max(80)).max(12),
  side: z.string().trim().max(60),
  size: lengthNm.nullable(),
  written: z.string().max(60),
  unit: lengthUnit,
  leaves: z.array(z.object({ thickness: lengthNm, written: z.string().max(40), unit: lengthUnit, count: z.int().min(1).max(999) })).max(40),
  bolts: boltMap.nullable(),
  count: z.object({ n: z.int().min(0).max(9999), of: z.string().trim().max(60) }).nullable(),
  /** found among parts that came already apart: its place and way round are unknown until checked */
  inventory: z.boolean(),
  note,
  who,
  at: time,
});

export const decision = z.enum(DECISIONS);
/** A part looked at: what was found, what that proposes, and what was decided. */
export const inspection = z
  .object({
    id,
    jobId: id,
    /** the row of the Wear book it is of, where it is measured */
    stationId: id.nullable(),
    part: words,
    partType: z.string().max(40),
    /** a part passed dirty is looked at again */
    cleaned: z.boolean(),
    findings: z.array(z.object({ look: z.string().min(1).max(80), severity: z.enum(SEVERITIES), note: z.string().max(200) })).max(30),
    proposed: decision.nullable(),
    decision,
    reason: z.string().trim().max(400),
    who,
    at: time,
  })
  .refine((i) => i.proposed === null || i.proposed === i.decision || i.reason !== '', 'Say why it is decided otherwise than proposed.');

/** A setting taken outside its limits, or left unmeasured, on purpose: with why, and it stays in sight. */
export const acceptance = z.object({
  id,
  stationId: id,
  kind: z.enum(['outside', 'unmeasured']),
  /** what it was when it was accepted */
  value: lengthNm.nullable(),
  reason: z.string().trim().min(3, 'Say why: it stays in sight.').max(400),
  who,
  at: time,
});

export const photoOf = z.enum(['strip', 'station', 'inspection', 'lookAlike', 'openItem', 'job']);
/** A photo: its bytes lie in the data folder under the SHA-256 of them. */
export const photo = z.object({
  id,
  jobId: id,
  ofKind: photoOf,
  ofId: id,
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  mediaType: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  bytes: z.int().min(1),
  width: z.int().min(1),
  height: z.int().min(1),
  caption: z.string().trim().max(200),
  who,
  at: time,
});

const alike = z.object({
  name: words,
  /** where it goes */
  goes: z.string().trim().max(120),
  size: lengthNm.nullable(),
  written: z.string().max(40),
  unit: lengthUnit,
  /** grooves, coils, splines: whatever can be counted */
  marks: z.int().min(0).max(200).nullable(),
  /** a wide tang, a narrow one, or none */
  tang: z.enum(['none', 'narrow', 'wide']),
});
/** Two parts that nearly match, and how to tell them apart. */
export const lookAlike = z.object({
  id,
  revision,
  jobId: id,
  form: z.enum(['washer', 'spring', 'ring', 'bolt', 'other']),
  a: alike,
  b: alike,
  tell: z.string().trim().min(1).max(400),
  gone: z.boolean(),
});
/** Parts that stay together: replace or move one, and the others are warned about. */
export const matchedSet = z.object({ id, revision, jobId: id, name: words, members: z.array(words).min(2).max(40), gone: z.boolean() });
/** Something not finished, carried till it is closed or accepted. */
export const openItem = z.object({
  id,
  revision,
  gone,
  jobId: id,
  text: z.string().trim().min(1).max(300),
  where: z.string().trim().max(120),
  state: z.enum(['open', 'closed', 'accepted']),
  reason: z.string().trim().max(400),
  who,
  raisedAt: time,
  endedAt: time.nullable(),
});

export const lot = z.object({
  id,
  revision,
  gone,
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
  specs: z.array(spec),
  strip: z.array(stripEntry),
  inspections: z.array(inspection),
  acceptances: z.array(acceptance),
  photos: z.array(photo),
  lookAlikes: z.array(lookAlike),
  matchedSets: z.array(matchedSet),
  openItems: z.array(openItem),
});

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
export type Spec = z.output<typeof spec>;
export type LimitSource = z.output<typeof limitSource>;
export type Method = z.output<typeof method>;
export type StripEntry = z.output<typeof stripEntry>;
export type BoltHole = z.output<typeof boltHole>;
export type BoltMap = z.output<typeof boltMap>;
export type Decision = z.output<typeof decision>;
export type Inspection = z.output<typeof inspection>;
export type Acceptance = z.output<typeof acceptance>;
export type PhotoOf = z.output<typeof photoOf>;
export type Photo = z.output<typeof photo>;
export type LookAlike = z.output<typeof lookAlike>;
export type MatchedSet = z.output<typeof matchedSet>;
export type OpenItem = z.output<typeof openItem>;
