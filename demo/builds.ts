/** What was tried: builds and what was read of them, as found, wrong, and nearer. */
import { type JobFacts, withUnderstood } from '@elder-cog/contract';
import { newId, at } from './ids.ts';
import { lotOf } from './drawer.ts';
import { transferBox, gearbox, input, idler, second, type shafts, stationOf, slotOf } from './machine.ts';
import { type Instrument } from '@elder-cog/core';

export const builds: JobFacts['builds'] = [];
export const readings: JobFacts['readings'] = [];

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

export function tried({ shaft, assemblyId, when, stage, pack, bolts, gasket, feel = [], reads = [], as }: Trial): void {
  const id = newId();
  const fits = [
    ...(pack ? [{ id: newId(), placeId: slotOf(shaft, 'pack'), leaves: pack.map((p) => lotOf(p)), state: null }] : []),
    ...(bolts ? [{ id: newId(), placeId: slotOf(shaft, 'cover.bolts'), leaves: [], state: bolts }] : []),
    ...(gasket ? [{ id: newId(), placeId: slotOf(shaft, 'cover.gasket'), leaves: [], state: gasket }] : []),
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
