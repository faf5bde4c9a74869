/**
 * The made-up workshop, written out as an ordinary workshop file: `node tools/run.mjs demo/make.ts`. Machines, people, places
 * and numbers are invented. Ids and times are fixed, so that the file only changes when its story does.
 */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  newRow,
  newShaft,
  stripEntryOf,
  workshopFile,
  type Decision,
  type FitLeaf,
  type Inspection,
  type JobFacts,
  type LookAlike,
  type Lot,
  type MatchedSet,
  type OpenItem,
  type Photo,
  type Spec,
  type Station,
  type StripEntry,
  FILE_VERSION,
  withUnderstood,
} from '@elder-cog/contract';
import { derive } from '@elder-cog/derive';
import { INSTRUMENTS, mm, parseLimits, readSpecLine, readStripLine, thou, type FeatureKindName, type Instrument, type Length } from '@elder-cog/core';
import { keepPhoto, zipped } from '@elder-cog/server';
import { stateText } from './stateText.ts';

let count = 0;
const newId = (): string => `5e1ec7ed-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
const at = (day: number, time: string): string => `2026-10-${String(day).padStart(2, '0')}T${time}:00.000Z`;

const leaf = (thickness: Length, written: string, unit: 'thou' | 'mm', quantity: number, keptIn: string): Lot => ({
  id: newId(),
  revision: 1,
  thickness,
  written,
  unit,
  owned: quantity,
  material: unit === 'mm' ? 'steel' : 'brass',
  keptIn,
  note: '',
});
const lots: Lot[] = [
  ...(
    [
      [2, 2],
      [3, 4],
      [4, 2],
      [5, 3],
      [6, 3],
      [8, 2],
      [10, 2],
      [12, 2],
      [15, 1],
      [20, 2],
    ] as const
  ).map(([t, n]) => leaf(thou(t), String(t), 'thou', n, 'tin 1')),
  ...(
    [
      ['0.10', 4],
      ['0.15', 2],
      ['0.20', 3],
      ['0.25', 1],
      ['0.30', 2],
      ['0.40', 1],
      ['0.50', 1],
    ] as const
  ).map(([t, n]) => leaf(mm(Number(t)), t, 'mm', n, 'tin 2')),
  ...(['3.80', '3.90', '4.00'] as const).map((t) => leaf(mm(Number(t)), t, 'mm', 1, 'washers')),
];
const lotOf = (written: string): FitLeaf => {
  const lot = lots.find((l) => l.written === written);
  if (!lot) throw new Error(`no leaf of ${written}`);
  return { lotId: lot.id, thickness: lot.thickness, written, unit: lot.unit, count: 1 };
};

const jobId = newId();
const transferBox = newId();
const gearbox = newId();
const input = newShaft({
  assemblyId: transferBox,
  name: 'Input shaft',
  template: 'taperPair',
  place: 'underCover',
  gasket: true,
  position: 0,
  newId,
});
const idler = newShaft({
  assemblyId: transferBox,
  name: 'Idler shaft',
  template: 'plainThrust',
  place: 'thrustWasher',
  gasket: false,
  position: 1,
  newId,
});
const second = newShaft({
  assemblyId: gearbox,
  name: 'Second gear',
  template: 'gearOnBush',
  place: 'thrustWasher',
  gasket: false,
  position: 2,
  newId,
});
const output = newShaft({ assemblyId: gearbox, name: 'Output shaft', template: 'taperPair', place: 'behindCup', gasket: false, position: 3, newId });
const shafts = [input, idler, second, output];

const sizes: Readonly<Record<string, number>> = {
  'shaft.shoulderIn-shoulderOut': 118.42,
  bearingIn: 16.25,
  bearingOut: 17.75,
  'casing.seat-face': 161.9,
};
const stations = shafts.flatMap((s) => s.stations.map((row) => ({ ...row, revision: 1 }) as Station));
const stationOf = (shaft: (typeof shafts)[number], role: string): Station => {
  const found = stations.find((s) => s.shaftId === shaft.shaft.id && s.role === role);
  if (!found) throw new Error(role);
  return found;
};
const slotOf = (shaft: (typeof shafts)[number], role: string): string => shaft.slots.find((s) => s.role === role)?.id ?? '';
const float = stationOf(input, 'gap.float');
const idlerFloat = stationOf(idler, 'gap.float');
const gearFloat = stationOf(second, 'gap.float');
for (const station of [float, idlerFloat, gearFloat]) Object.assign(station, { method: 'dial', instrument: INSTRUMENTS.dialThou });
Object.assign(gearFloat, { method: 'feelers', instrument: INSTRUMENTS.feelersMm });

const [boreId, journalId, pairId] = [newId(), newId(), newId()];
const pairBase = { ...float, shaftId: idler.shaft.id, contactRole: null, method: 'size' as const, role: '', boreId: null, journalId: null };
stations.push(
  {
    ...pairBase,
    id: boreId,
    subject: 'bore',
    role: 'pair.100.bore',
    name: 'Idler bush, front',
    position: 100,
    newSize: thou(812),
    instrument: INSTRUMENTS.boreInch,
  },
  {
    ...pairBase,
    id: journalId,
    subject: 'journal',
    moreIs: 'tight',
    role: 'pair.100.journal',
    name: 'Idler pin, front',
    position: 101,
    newSize: thou(810.5),
    instrument: INSTRUMENTS.micInch,
  },
  {
    ...pairBase,
    id: pairId,
    subject: 'pair',
    role: 'pair.100',
    name: 'Idler bush on pin, front',
    position: 102,
    boreId,
    journalId,
    method: null,
    instrument: null,
  },
);

const limit = (stationId: string, written: string, unit: 'thou' | 'mm' | 'in', page: string): JobFacts['limits'][number] => {
  const { min = null, max = null } = parseLimits(written, unit);
  return {
    id: newId(),
    revision: 1,
    stationId,
    min: min ?? (max !== null ? (0 as Length) : null),
    max,
    written,
    unit,
    source: 'manual',
    pageOrWhom: page,
    saidAt: '',
    working: '',
    specId: null,
    inUse: true,
  };
};

// a page of the manual, a letter that says otherwise, and something told
const specs: Spec[] = [];
const printed = (text: string, from: Partial<Spec> & Pick<Spec, 'source' | 'pageOrWhom'>): Spec => {
  const line = readSpecLine(text);
  const read = line.state === 'understood' ? line : null;
  const row: Spec = {
    id: newId(),
    revision: 1,
    jobId,
    position: specs.length,
    text,
    name: line.state === 'understood' || line.state === 'ask' ? line.name : text,
    quantity: read?.limits.kind ?? null,
    min: read?.limits.min ?? null,
    max: read?.limits.max ?? null,
    unit: read?.limits.unit ?? '',
    written: line.state === 'understood' || line.state === 'ask' ? line.written : '',
    remark: read?.remark ?? '',
    saidAt: '',
    stationId: null,
    leftOut: false,
    who: 'J. T.',
    at: at(5, '20:10'),
    ...from,
  };
  specs.push(row);
  return row;
};
const manual = (page: string, stationId: string | null = null) => ({ source: 'manual' as const, pageOrWhom: page, stationId });
const pageLimits = [
  [printed('Input shaft end float ..... 5-8 thou', manual('p. 31', float.id)), true],
  [printed('Idler gear float 8-12 thou', manual('p. 33', idlerFloat.id)), true],
  [
    printed('Idler float 7-10 thou, second type', { source: 'manual', pageOrWhom: 'service letter 12', saidAt: '1961', stationId: idlerFloat.id }),
    false,
  ],
] as const;
printed('Cover bolts 18-22 lb ft', manual('p. 31'));
printed('Input shaft drag 8/12 lb ins', manual('p. 31'));
printed('Coupling run out max .003', manual('p. 32'));
printed('Oil, transfer box 3½ pints (1.99 litres)', manual('p. 9'));
printed('Output gear end play 2 to 5', manual('p. 34'));
printed('Oil pump end float 2-3 thou', { source: 'told', pageOrWhom: 'an old fitter', saidAt: '1998' });

interface Trial {
  readonly shaft: (typeof shafts)[number];
  readonly assemblyId: string;
  readonly when: string;
  readonly stage: 'as_found' | 'loose' | 'dry';
  readonly pack?: readonly string[];
  readonly bolts?: string;
  readonly gasket?: string;
  readonly feel?: readonly string[];
  readonly reads?: readonly (readonly [string, string])[];
  readonly as?: Instrument;
}
const builds: JobFacts['builds'] = [];
const readings: JobFacts['readings'] = [];

function tried({ shaft, assemblyId, when, stage, pack, bolts, gasket, feel = [], reads = [], as }: Trial): void {
  const id = newId();
  const fits = [
    ...(pack ? [{ id: newId(), slotId: slotOf(shaft, 'pack'), leaves: pack.map((p) => lotOf(p)), state: null }] : []),
    ...(bolts ? [{ id: newId(), slotId: slotOf(shaft, 'cover.bolts'), leaves: [], state: bolts }] : []),
    ...(gasket ? [{ id: newId(), slotId: slotOf(shaft, 'cover.gasket'), leaves: [], state: gasket }] : []),
  ];
  builds.push({
    id,
    assemblyId,
    parentId: null,
    stage,
    at: when,
    who: 'J. T.',
    label: '',
    feel: [...feel],
    note: '',
    fits,
  });
  const station = stationOf(shaft, 'gap.float');
  for (const [text, takenAt] of reads) {
    const instrument = as ?? station.instrument;
    readings.push({
      id: newId(),
      stationId: station.id,
      buildId: id,
      who: 'J. T.',
      takenAt,
      supersedes: null,
      keptAs: { value: null, words: text },
      raw: withUnderstood({
        method: station.method ?? 'dial',
        text,
        instrument,
        restsOn: station.method === 'dial' ? [{ item: 'dial', answer: 'square' }] : [],
      }),
    });
  }
}

// the gearbox: one gear read once, and right
tried({
  shaft: second,
  assemblyId: gearbox,
  when: at(3, '18:10'),
  stage: 'as_found',
  pack: ['3.90'],
  bolts: 'torqued',
  reads: [['goes 0.15 stops 0.20', at(3, '18:25')]],
});
// the transfer box: as found, then wrong twice, then nearer
tried({
  shaft: input,
  assemblyId: transferBox,
  when: at(6, '17:40'),
  stage: 'as_found',
  pack: ['20', '12'],
  bolts: 'torqued',
  gasket: 'old gasket',
  reads: [['41>69', at(6, '18:05')]],
});
tried({
  shaft: input,
  assemblyId: transferBox,
  when: at(9, '19:00'),
  stage: 'loose',
  bolts: 'hand tight',
  gasket: 'new gasket',
  feel: ['smooth'],
  reads: [['12>42', at(9, '19:20')]],
});
tried({
  shaft: input,
  assemblyId: transferBox,
  when: at(10, '18:30'),
  stage: 'dry',
  pack: ['8', '3'],
  bolts: 'torqued',
  feel: ['smooth'],
  reads: [
    ['70>78', at(10, '18:55')],
    ['70>77½', at(10, '18:58')],
  ],
});
tried({
  shaft: input,
  assemblyId: transferBox,
  when: at(13, '18:20'),
  stage: 'dry',
  pack: ['15'],
  feel: ['drag'],
  reads: [
    ['88>0', at(13, '18:40')],
    ['88>0', at(13, '18:41')],
    ['87½>99½', at(13, '18:43')],
  ],
});

// the idler: wrong, wrong the other way, then right
tried({
  shaft: idler,
  assemblyId: transferBox,
  when: at(7, '18:00'),
  stage: 'as_found',
  pack: ['3.80'],
  bolts: 'torqued',
  reads: [['30>48', at(7, '18:10')]],
});
tried({
  shaft: idler,
  assemblyId: transferBox,
  when: at(7, '19:00'),
  stage: 'dry',
  pack: ['4.00', '0.10'],
  feel: ['drag'],
  reads: [['51>57½', at(7, '19:12')]],
});
tried({
  shaft: idler,
  assemblyId: transferBox,
  when: at(8, '18:20'),
  stage: 'dry',
  pack: ['4.00'],
  feel: ['smooth'],
  reads: [
    ['60>70', at(8, '18:30')],
    ['60>70½', at(8, '18:31')],
  ],
});

// the idler pin and its bush, mic'd at three places
const measure = (stationId: string, instrument: Instrument, place: string, text: string, minutes: number): void => {
  readings.push({
    id: newId(),
    stationId,
    buildId: null,
    who: 'J. T.',
    takenAt: at(8, `17:${String(minutes).padStart(2, '0')}`),
    supersedes: null,
    keptAs: { value: null, words: `${place} ${text}` },
    raw: withUnderstood({ method: 'size', text, instrument, at: place, restsOn: [] }),
  });
};
(['front', 'middle', 'rear'] as const).forEach((place, i) => {
  measure(boreId, INSTRUMENTS.boreInch, place, ['.8152 .8139', '.8147 .8138', '.8141 .8137'][i] ?? '', 10 + i);
  measure(journalId, INSTRUMENTS.micInch, place, ['.8098 .8101', '.8101 .8102', '.8103 .8104'][i] ?? '', 20 + i);
});

// more of the idler: a bush in millimetres, its washers, a spring, rollers nobody has measured
const row = (
  kind: FeatureKindName,
  name: string,
  position: number,
  newSize: Length | null,
  unit: 'in' | 'mm',
  more: Partial<Station> = {},
): Station => {
  const station: Station = { ...newRow({ of: { shaftId: idler.shaft.id }, kind, name, unit, position, newSize, newId }), revision: 1, ...more };
  stations.push(station);
  return station;
};
const bearer = row('bore', 'Idler bush, rear', 110, mm(18.02), 'mm', { role: 'pair.110.bore' });
const spigot = row('journal', 'Idler pin, rear', 111, mm(17.98), 'mm', { role: 'pair.110.journal' });
const rearPair = row('bore', 'Idler bush on pin, rear', 112, null, 'mm', {
  subject: 'pair',
  role: 'pair.110',
  boreId: bearer.id,
  journalId: spigot.id,
  method: null,
  instrument: null,
});
const washerFront = row('thickness', 'Thrust washer, front', 120, thou(121), 'in');
const washerRear = row('thickness', 'Thrust washer, rear', 130, mm(2.9), 'mm');
const spring = row('freeLength', 'Detent spring', 140, mm(31.5), 'mm');
const needles = row('roller', 'Idler needles, 26', 150, mm(2.5), 'mm');
const gearPlay = row('float', 'Idler gear float', 160, null, 'in');
const bySize = (station: Station, place: string, text: string, minutes: number): void =>
  measure(station.id, station.instrument as Instrument, place, text, minutes);
(['front', 'middle', 'rear'] as const).forEach((place, i) => {
  bySize(bearer, place, ['18.06 18.05', '18.05 18.05', '18.05 18.04'][i] ?? '', 30 + i);
  bySize(spigot, place, ['17.97 17.97', '17.97 17.96', '17.97 17.97'][i] ?? '', 34 + i);
});
(['12', '4', '8'] as const).forEach((place, i) => {
  bySize(washerFront, place, ['.1204', '.1203', '.1205'][i] ?? '', 40 + i);
  bySize(washerRear, place, ['2.76', '2.74', '2.77'][i] ?? '', 44 + i);
});
bySize(spring, '', '30.1 30.2', 48);
bySize(gearPlay, '', '9½ 10 thou', 50);

// as it came apart
let minute = 0;
const off = (assemblyId: string, shaftId: string | null, text: string, unit: 'thou' | 'mm' = 'thou'): StripEntry => {
  const read = readStripLine(text, unit);
  if (!read) throw new Error(text);
  return {
    ...stripEntryOf(read, { text, assemblyId, shaftId, inventory: false, supersedes: null }),
    id: newId(),
    who: 'J. T.',
    at: at(6, `19:${String((minute += 4)).padStart(2, '0')}`),
  };
};
const strip: StripEntry[] = [
  off(transferBox, input.shaft.id, 'Float, before anything, 28, pushed and prised'),
  off(transferBox, input.shaft.id, 'Coupling flange, pressed on 28.4 mm, chamfer to the box, needed the puller'),
  off(transferBox, input.shaft.id, 'Cover bolts, 6, 7/8 in, hole 5 1-1/4 in'),
  off(transferBox, input.shaft.id, 'Cover, oil slot at 6, old gasket paper'),
  off(transferBox, input.shaft.id, 'Pack under the cover, 20+12, input side'),
  off(transferBox, input.shaft.id, 'Cup, output end, wide face to the cover, slid out by hand'),
  off(transferBox, idler.shaft.id, 'Thrust washer rear, grooves to the gear, tang at 12, 2.9 mm'),
  off(transferBox, idler.shaft.id, 'Idler gear, long boss to the input end, paint dot'),
  off(transferBox, idler.shaft.id, 'Idler needles, 26 needles, in grease'),
  off(transferBox, idler.shaft.id, 'Thrust washer front, tang at 12, 121'),
];
for (const entry of strip)
  if (entry.bolts)
    entry.bolts.holes = entry.bolts.holes.map((h) => ({
      ...h,
      thread: '5/16 BSF',
      washer: 'spring washer',
      sealant: h.hole === 5 ? 'through to oil: seal it' : '',
    }));

const looked = (station: Station, type: string, decision: Decision, finding: string | null, when: string, reason = ''): Inspection => ({
  id: newId(),
  jobId,
  stationId: station.id,
  part: station.name,
  partType: type,
  cleaned: true,
  findings: finding === null ? [] : [{ look: finding, severity: 'bad', note: '' }],
  proposed: null,
  decision,
  reason,
  who: 'J. T.',
  at: when,
});
const stationNamed = (name: string): Station => {
  const found = stations.find((s) => s.name === name);
  if (!found) throw new Error(name);
  return found;
};
const inspections: Inspection[] = [
  looked(stationNamed('Idler bush, front'), 'bush', 'make', 'scored or grit in it', at(8, '20:00')),
  looked(stationNamed('Idler pin, front'), 'shaft', 'reuse', null, at(8, '20:02')),
  looked(washerFront, 'thrust washer', 'reuse', null, at(8, '20:04')),
  looked(washerRear, 'thrust washer', 'reuse', null, at(3, '20:00')),
  looked(washerRear, 'thrust washer', 'make', 'oil grooves worn away', at(8, '20:06'), 'grooves gone on the gear side'),
  looked(spring, 'spring', 'replace', 'set short', at(8, '20:08')),
];
const half = (
  name: string,
  goes: string,
  written: string,
  unit: 'thou' | 'mm',
  size: Length,
  marks: number,
  tang: 'narrow' | 'wide',
): LookAlike['a'] => ({
  name,
  goes,
  size,
  written,
  unit,
  marks,
  tang,
});
const lookAlikes: LookAlike[] = [
  {
    id: newId(),
    revision: 1,
    jobId,
    form: 'washer',
    a: half('Thrust washer front', 'front', '121', 'thou', thou(121), 5, 'wide'),
    b: half('Thrust washer rear', 'rear', '2.9', 'mm', mm(2.9), 3, 'narrow'),
    tell: 'Front has 5 grooves and a wide tang; rear has 3 and a narrow one.',
    gone: false,
  },
];
const matchedSets: MatchedSet[] = [
  { id: newId(), revision: 1, jobId, name: 'input cup and cone', members: ['Cup, output end', 'Cone, output end'], gone: false },
];
const item = (text: string, where: string, raisedAt: string): OpenItem => ({
  id: newId(),
  revision: 1,
  jobId,
  text,
  where,
  state: 'open',
  reason: '',
  who: 'J. T.',
  raisedAt,
  endedAt: null,
});
const openItems: OpenItem[] = [
  item('Coupling nut hand tight, pin left out on purpose', 'Transfer box, Input shaft', at(13, '18:50')),
  item('Rag in the bottom of the case', 'Transfer box', at(13, '18:52')),
];

/** Each build follows the one before it in its box. */
const inOrder = [...builds].sort((a, b) => a.at.localeCompare(b.at));
for (const [i, build] of inOrder.entries()) build.parentId = inOrder.slice(0, i).findLast((b) => b.assemblyId === build.assemblyId)?.id ?? null;

const facts: JobFacts = {
  job: {
    id: jobId,
    revision: 1,
    machine: 'Snow tractor',
    year: '1957',
    note: 'Transfer box out since September. The cover gasket was doubled by somebody before us.',
    createdAt: at(2, '17:00'),
    archivedAt: null,
  },
  assemblies: [
    { id: transferBox, revision: 1, jobId, name: 'Transfer box', kind: 'box', position: 0, mirrorOf: null, cameApart: false },
    { id: gearbox, revision: 1, jobId, name: 'Gearbox', kind: 'box', position: 1, mirrorOf: null, cameApart: false },
  ],
  shafts: shafts.map((s) => ({ ...s.shaft, revision: 1 })),
  parts: shafts.flatMap((s) => s.parts.map((p) => ({ ...p, revision: 1 }))),
  features: shafts.flatMap((s) =>
    s.features.map((f) => ({ ...f, revision: 1, size: s === input && sizes[f.role] !== undefined ? mm(sizes[f.role] ?? 0) : null })),
  ),
  contacts: shafts.flatMap((s) => s.contacts),
  slots: shafts.flatMap((s) => s.slots),
  stations,
  limits: [
    ...pageLimits.map(([spec, inUse]) => ({
      ...limit(spec.stationId ?? '', spec.written.split(',')[0] ?? '', 'thou', spec.pageOrWhom),
      saidAt: spec.saidAt,
      specId: spec.id,
      inUse,
    })),
    limit(gearFloat.id, '0.10 to 0.25 mm', 'mm', 'p. 18'),
    limit(stationOf(output, 'gap.float').id, 'preload 1-3 thou', 'thou', 'p. 21'),
    limit(pairId, '1.5-4 thou', 'thou', 'p. 35'),
    limit(boreId, 'max .8140 in', 'in', 'p. 35'),
    limit(journalId, 'min .8095 in', 'in', 'p. 35'),
    {
      ...limit(rearPair.id, '0.014-0.046 mm', 'mm', ''),
      source: 'reckoned',
      working: 'by its speed at 300 rev/min: 0.28 m/s at the bore, so 0.58 ‰ of it, −20 % to +30 %; let go to twice the greatest',
    },
    limit(bearer.id, 'max 18.08 mm', 'mm', 'p. 36'),
    limit(spigot.id, 'min 17.94 mm', 'mm', 'p. 36'),
    limit(washerFront.id, 'min .1190 in', 'in', 'p. 36'),
    limit(washerRear.id, 'min 2.80 mm', 'mm', 'p. 36'),
    limit(spring.id, 'min 30.5 mm', 'mm', 'p. 40'),
    limit(needles.id, 'min 2.490 mm', 'mm', 'p. 41'),
    limit(gearPlay.id, '6-12 thou', 'thou', 'p. 33'),
  ],
  builds: inOrder,
  readings: readings.sort((a, b) => a.takenAt.localeCompare(b.takenAt)),
  withdrawals: [],
  specs,
  strip,
  inspections: inspections.sort((a, b) => a.at.localeCompare(b.at)),
  acceptances: [
    {
      id: newId(),
      stationId: spring.id,
      kind: 'outside',
      value: mm(30.1),
      reason: 'The detent still snaps; a new spring is on order.',
      who: 'J. T.',
      at: at(8, '20:10'),
    },
  ],
  photos: [],
  lookAlikes,
  matchedSets,
  openItems,
};

const picture = async (name: string, ofKind: Photo['ofKind'], ofId: string, when: string): Promise<Photo> => ({
  id: newId(),
  jobId,
  ofKind,
  ofId,
  ...(await keepPhoto(kept, readFileSync(join(import.meta.dirname, 'photos', `${name}.jpg`)))),
  caption: strip.find((entry) => entry.id === ofId)?.part ?? '',
  who: 'J. T.',
  at: when,
});
const stripNamed = (part: string): string => strip.find((entry) => entry.part === part)?.id ?? '';
const kept = mkdtempSync(join(tmpdir(), 'elder-cog-demo-'));
const photos = [
  await picture('flange', 'strip', stripNamed('Coupling flange'), at(2, '19:00')),
  await picture('cover', 'strip', stripNamed('Cover bolts'), at(2, '19:05')),
  await picture('rearWasher', 'strip', stripNamed('Thrust washer rear'), at(3, '18:30')),
  await picture('gear', 'strip', stripNamed('Idler gear'), at(3, '18:35')),
  await picture('frontWasher', 'strip', stripNamed('Thrust washer front'), at(3, '18:40')),
  await picture('bush', 'station', stationNamed('Idler bush, front').id, at(8, '19:58')),
  await picture('rearWasher', 'station', washerRear.id, at(8, '20:06')),
];

const file = workshopFile.parse({ format: 'elder-cog/workshop', version: FILE_VERSION, madeAt: at(14, '08:00'), jobs: [facts], lots, journal: [] });
writeFileSync(join(import.meta.dirname, 'workshop.json'), `${JSON.stringify(file, null, 1)}\n`);
const [made] = file.jobs;
if (made) writeFileSync(join(import.meta.dirname, 'golden.json'), `${stateText(derive(made))}\n`);
// with its photos, as it is shown; the plain file is what tests read
writeFileSync(join(import.meta.dirname, 'workshop.eldercog.zip'), zipped({ ...file, jobs: [{ ...facts, photos }] }, kept));
rmSync(kept, { recursive: true });
console.log(`Wrote ${file.jobs.length} job, ${photos.length} photos, ${lots.reduce((sum, l) => sum + l.owned, 0)} leaves.`);
