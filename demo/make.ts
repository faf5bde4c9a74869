/**
 * The made-up workshop, written out as an ordinary workshop file: `node tools/run.mjs demo/make.ts`. Machines, people, places
 * and numbers are invented. Ids and times are fixed, so that the file only changes when its story does.
 */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { newShaft, workshopFile, type FitLeaf, type JobFacts, type Lot, type Station } from '@elder-cog/contract';
import { derive } from '@elder-cog/derive';
import { INSTRUMENTS, mm, parseLimits, thou, type Instrument, type Length } from '@elder-cog/core';
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
    inUse: true,
  };
};

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
      raw: { method: station.method ?? 'dial', text, instrument, restsOn: station.method === 'dial' ? [{ item: 'dial', answer: 'square' }] : [] },
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
    raw: { method: 'size', text, instrument, at: place, restsOn: [] },
  });
};
(['front', 'middle', 'rear'] as const).forEach((place, i) => {
  measure(boreId, INSTRUMENTS.boreInch, place, ['.8152 .8139', '.8147 .8138', '.8141 .8137'][i] ?? '', 10 + i);
  measure(journalId, INSTRUMENTS.micInch, place, ['.8098 .8101', '.8101 .8102', '.8103 .8104'][i] ?? '', 20 + i);
});

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
    { id: transferBox, revision: 1, jobId, name: 'Transfer box', kind: 'box', position: 0, mirrorOf: null },
    { id: gearbox, revision: 1, jobId, name: 'Gearbox', kind: 'box', position: 1, mirrorOf: null },
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
    limit(float.id, '5-8 thou', 'thou', 'p. 31'),
    limit(idlerFloat.id, '8-12 thou', 'thou', 'p. 33'),
    limit(gearFloat.id, '0.10 to 0.25 mm', 'mm', 'p. 18'),
    limit(stationOf(output, 'gap.float').id, 'preload 1-3 thou', 'thou', 'p. 21'),
    limit(pairId, '1.5-4 thou', 'thou', 'p. 35'),
    limit(boreId, 'max .8140 in', 'in', 'p. 35'),
    limit(journalId, 'min .8095 in', 'in', 'p. 35'),
  ],
  builds: inOrder,
  readings: readings.sort((a, b) => a.takenAt.localeCompare(b.takenAt)),
  withdrawals: [],
};

const file = workshopFile.parse({ format: 'elder-cog/workshop', version: 1, jobs: [facts], lots });
writeFileSync(join(import.meta.dirname, 'workshop.json'), `${JSON.stringify(file, null, 1)}\n`);
const [made] = file.jobs;
if (made) writeFileSync(join(import.meta.dirname, 'golden.json'), `${stateText(derive(made))}\n`);
console.log(`Wrote ${file.jobs.length} job, ${lots.reduce((sum, l) => sum + l.owned, 0)} leaves.`);
