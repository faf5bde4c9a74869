import { z } from 'zod';
import { ROWS_AT_ONCE } from './constants.ts';
import type { RowEffect } from './tables.ts';
import {
  acceptance,
  assembly,
  build,
  closing,
  contact,
  feature,
  feel,
  fitting,
  heating,
  id,
  inspection,
  instrument,
  job,
  joint,
  limit,
  lookAlike,
  leafForm,
  lot,
  making,
  matchedSet,
  setting,
  method,
  openItem,
  ownInstrument,
  part,
  pass,
  photo,
  place,
  pull,
  wants,
  reading,
  removal,
  rollerCount,
  rollers,
  shaft,
  soundSpec,
  spec,
  specRow,
  station,
  stock,
  stripEntry,
  temporary,
  time,
  who,
  withdrawal,
  wrench,
  aim,
  lengthNm,
} from './facts/index.ts';

/** Everything that changes anything, one shape each. The store applies them; nothing else writes. */
const fresh = { revision: true, gone: true } as const;
const freshRow = { revision: true } as const;
/** the build that was current as far as whoever sent it knew; null before the first. Left out by what is sent from an older page. */
const saw = id.nullable().optional();
/** A shaft with everything that makes it one. */
const wholeShaft = {
  shaft: shaft.omit(fresh),
  parts: z.array(part.omit(fresh)).max(60),
  places: z.array(place.omit(fresh)).max(60),
  features: z.array(feature.omit(fresh)).max(120),
  contacts: z.array(contact.omit(fresh)).max(120),
  stations: z.array(station.omit(freshRow)).max(60),
};
export const change = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('job.create'), job: job.omit(fresh) }),
  z.object({
    kind: z.literal('job.change'),
    id,
    revision: z.int(),
    machine: job.shape.machine,
    year: job.shape.year,
    note: job.shape.note,
    archivedAt: time.nullable(),
  }),
  z.object({ kind: z.literal('assembly.create'), assembly: assembly.omit(fresh) }),
  z.object({
    kind: z.literal('assembly.change'),
    id,
    revision: z.int(),
    name: assembly.shape.name,
    cameApart: z.boolean(),
    mirrorOf: id.nullable(),
    position: assembly.shape.position.optional(),
    /** taken away, while nothing is in it */
    gone: z.literal(true).optional(),
  }),
  z.object({
    kind: z.literal('shaft.change'),
    id,
    revision: z.int(),
    name: shaft.shape.name,
    position: shaft.shape.position,
    gone: z.literal(true).optional(),
  }),
  z.object({ kind: z.literal('shaft.create'), ...wholeShaft }),
  /** a machine begun with all that is known of it at once: all of it or nothing, and undone at one stroke */
  z.object({
    kind: z.literal('job.begin'),
    job: job.omit(fresh),
    assemblies: z.array(assembly.omit(fresh)).min(1).max(20),
    shafts: z.array(z.object(wholeShaft)).max(20),
    limits: z.array(limit.omit(fresh)).max(60),
    builds: z.array(build).max(5),
    readings: z.array(reading).max(60),
  }),
  z.object({
    kind: z.literal('stations.add'),
    stations: z.array(station.omit(freshRow)).min(1).max(60),
    /** what they are judged together with from the first */
    settings: z.array(setting.omit(freshRow)).max(2).optional(),
  }),
  /** rows of the Wear book pasted or read from a spreadsheet: all of them or none */
  z.object({
    kind: z.literal('rows.add'),
    stations: z.array(station.omit(freshRow)).max(ROWS_AT_ONCE),
    limits: z.array(limit.omit(fresh)).max(ROWS_AT_ONCE),
    readings: z.array(reading).max(ROWS_AT_ONCE * 3),
  }),
  /** rows taken out of the book: all of them or none, and what was read of them is kept */
  z.object({
    kind: z.literal('rows.takeOut'),
    stations: z
      .array(z.object({ id, revision: z.int() }))
      .min(1)
      .max(ROWS_AT_ONCE),
  }),
  z.object({
    kind: z.literal('station.change'),
    id,
    revision: z.int(),
    name: station.shape.name,
    rule: station.shape.rule,
    aim,
    newSize: lengthNm.nullable(),
    method: method.nullable(),
    instrument: instrument.nullable(),
    wrench: wrench.optional(),
    seal: station.shape.seal,
  }),
  /** parts put in, taken out, moved or turned on a shaft as it is drawn: all of it or nothing, and undone at one stroke */
  z.object({
    kind: z.literal('shaft.edit'),
    shaftId: id,
    parts: wholeShaft.parts,
    places: wholeShaft.places,
    features: wholeShaft.features,
    contacts: wholeShaft.contacts,
    stations: wholeShaft.stations,
    changedPlaces: z.array(place.omit({ gone: true, shaftId: true, role: true, partId: true, proportion: true })).max(60),
    changedContacts: z.array(contact.omit({ gone: true, shaftId: true, role: true })).max(120),
    goneRows: z.array(z.object({ table: z.enum(['place', 'contact', 'station']), id, revision: z.int() })).max(200),
  }),
  /** what is stamped on a part */
  z.object({ kind: z.literal('part.change'), id, revision: z.int(), number: part.shape.number, isReadAgain: part.shape.isReadAgain }),
  /** what goes into a place; nothing where nobody says any more */
  z.object({ kind: z.literal('place.wants'), id, revision: z.int(), wants: wants.nullable() }),
  z.object({ kind: z.literal('limit.set'), limit: limit.omit(fresh) }),
  /** of several limits of one station, this is the one judged by */
  z.object({ kind: z.literal('limit.use'), id, revision: z.int() }),
  z.object({
    kind: z.literal('specs.add'),
    specs: z
      .array(soundSpec(specRow.omit(fresh)))
      .min(1)
      .max(400),
  }),
  z.object({ kind: z.literal('spec.change'), spec }),
  /** a line of the spec sheet becomes a limit of a station, in use or beside what is */
  z.object({ kind: z.literal('spec.copy'), spec, limit: limit.omit(fresh) }),
  z.object({ kind: z.literal('build.add'), build, saw }),
  z.object({ kind: z.literal('reading.keep'), reading, saw }),
  z.object({ kind: z.literal('feel.add'), feel }),
  /** counted in, or counted out: all of it or none */
  z.object({ kind: z.literal('temporary.count'), temporaries: z.array(temporary).min(1).max(40) }),
  /** something taken off a part: the build it makes, with it, where it is of a shaft that was built */
  z.object({ kind: z.literal('remove'), removal, build: build.nullable(), saw }),
  z.object({ kind: z.literal('station.close'), closing }),
  /** with the station that its torque is a limit of */
  z.object({ kind: z.literal('joint.add'), joint: joint.omit(fresh), stations: z.array(station.omit(freshRow)).max(1) }),
  z.object({ kind: z.literal('joint.change'), joint }),
  /** bolts pulled; the last of a round makes the build that is pulled so far */
  z.object({ kind: z.literal('joint.pull'), pulls: z.array(pull).min(1).max(60), build: build.nullable(), saw }),
  /** with how many came out, where that is known already */
  z.object({ kind: z.literal('rollers.add'), rollers: rollers.omit(fresh), counts: z.array(rollerCount).max(1) }),
  z.object({ kind: z.literal('rollers.change'), rollers }),
  z.object({ kind: z.literal('rollers.count'), count: rollerCount }),
  z.object({ kind: z.literal('instrument.add'), instrument: ownInstrument.omit(fresh) }),
  z.object({ kind: z.literal('instrument.change'), instrument: ownInstrument }),
  z.object({ kind: z.literal('stock.add'), stock: z.array(stock.omit(fresh)).min(1).max(200) }),
  z.object({ kind: z.literal('stock.change'), stock }),
  z.object({ kind: z.literal('making.add'), making: making.omit(fresh) }),
  z.object({ kind: z.literal('making.change'), making }),
  z.object({ kind: z.literal('pass.add'), pass }),
  /** what was made is there: as leaves in the Drawer, in the build, as so much off a part; all of it or none */
  z.object({
    kind: z.literal('making.finish'),
    making,
    lots: z.array(lot.omit(fresh)).max(1),
    removals: z.array(removal).max(1),
    readings: z.array(reading).max(1),
    build: build.nullable(),
    saw,
  }),
  z.object({ kind: z.literal('fitting.add'), fitting: fitting.omit(fresh) }),
  z.object({ kind: z.literal('fitting.change'), fitting }),
  z.object({ kind: z.literal('heating.add'), heating }),
  /** a line of the strip log, with what need not be said twice: the pack as the first build, and the float as its reading */
  z.object({ kind: z.literal('strip.add'), entry: stripEntry, builds: z.array(build).max(1), readings: z.array(reading).max(1) }),
  z.object({ kind: z.literal('inspect'), inspection }),
  z.object({ kind: z.literal('accept'), acceptance }),
  /** its bytes were sent before it */
  z.object({ kind: z.literal('photo.add'), photo }),
  z.object({ kind: z.literal('lookAlike.add'), lookAlike: lookAlike.omit(freshRow) }),
  z.object({ kind: z.literal('lookAlike.change'), lookAlike }),
  z.object({ kind: z.literal('matchedSet.add'), matchedSet: matchedSet.omit(freshRow) }),
  z.object({ kind: z.literal('matchedSet.change'), matchedSet }),
  z.object({ kind: z.literal('setting.add'), setting: setting.omit(freshRow) }),
  z.object({ kind: z.literal('setting.change'), setting }),
  z.object({ kind: z.literal('openItem.raise'), openItem: openItem.omit(fresh) }),
  z.object({ kind: z.literal('openItem.change'), openItem }),
  z.object({ kind: z.literal('withdraw'), withdrawal }),
  z.object({ kind: z.literal('lots.add'), lots: z.array(lot.omit(fresh)).min(1).max(200) }),
  z.object({
    kind: z.literal('lot.change'),
    id,
    revision: z.int(),
    owned: lot.shape.owned,
    material: lot.shape.material,
    keptIn: lot.shape.keptIn,
    note: lot.shape.note,
    ...leafForm.shape,
    crushed: lot.shape.crushed,
  }),
  /** `seq`: the entry of the journal it was said to take back; where another has come to be the last, it is refused */
  z.object({ kind: z.literal('undo'), seq: z.int().optional() }),
]);

export const command = z.object({ commandId: id, clientId: id, who, at: time, change });

/** One row a command wrote. It comes straight from the journal. */
export const rowEffect = z.custom<RowEffect>((effect) => typeof effect === 'object');

export const commandReply = z.object({
  /** this id was seen before: nothing was done again */
  already: z.boolean(),
  /** what was taken back, in words */
  undid: z.string().nullable(),
  /** where it stands in the journal, whose job it is part of, and that job's entry before it */
  seq: z.int(),
  jobId: id.nullable(),
  before: z.int(),
  /** the rows it wrote */
  effects: z.array(rowEffect),
});

export const errorReply = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    field: z.string().optional(),
    theirs: z.unknown().optional(),
    who: z.string().optional(),
    at: z.string().optional(),
    line: z.number().optional(),
    found: z.string().optional(),
    wanted: z.string().optional(),
  }),
});

export type Change = z.input<typeof change>;
export type ChangeKind = Change['kind'];
export type Command = z.input<typeof command>;
export type CommandReply = z.output<typeof commandReply>;
export type ErrorReply = z.output<typeof errorReply>;
