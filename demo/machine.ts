/** The made-up machine: two boxes, four shafts, and what is known of their sizes. */
import { newShaft, type Station } from '@elder-cog/contract';
import { INSTRUMENTS, thou } from '@elder-cog/core';
import { newId } from './ids.ts';

export const jobId = newId();
export const transferBox = newId();
export const gearbox = newId();
export const input = newShaft({
  assemblyId: transferBox,
  name: 'Input shaft',
  template: 'taperPair',
  place: 'underCover',
  gasket: true,
  position: 0,
  newId,
});
export const idler = newShaft({
  assemblyId: transferBox,
  name: 'Idler shaft',
  template: 'plainThrust',
  place: 'thrustWasher',
  gasket: false,
  position: 1,
  newId,
});
export const second = newShaft({
  assemblyId: gearbox,
  name: 'Second gear',
  template: 'gearOnBush',
  place: 'thrustWasher',
  gasket: false,
  position: 2,
  newId,
});
export const output = newShaft({
  assemblyId: gearbox,
  name: 'Output shaft',
  template: 'taperPair',
  place: 'behindCup',
  gasket: false,
  position: 3,
  newId,
});
export const shafts = [input, idler, second, output];

/** Sizes of the input shaft's parts, as they were read. */
export const sizes: Readonly<Record<string, string>> = {
  'shaft.shoulderIn-shoulderOut': '118.42',
  bearingIn: '16.25',
  bearingOut: '17.75',
  'casing.seat-face': '161.90',
};
export const stations = shafts.flatMap((s) => s.stations.map((row) => ({ ...row, revision: 1 }) as Station));
export const stationOf = (shaft: (typeof shafts)[number], role: string): Station => {
  const found = stations.find((s) => s.shaftId === shaft.shaft.id && s.role === role);
  if (!found) throw new Error(role);
  return found;
};
export const slotOf = (shaft: (typeof shafts)[number], role: string): string => shaft.places.find((p) => p.role === role)?.id ?? '';
export const float = stationOf(input, 'gap.float');
export const idlerFloat = stationOf(idler, 'gap.float');
export const gearFloat = stationOf(second, 'gap.float');
for (const station of [float, idlerFloat, gearFloat]) Object.assign(station, { method: 'dial', instrument: INSTRUMENTS.dialThou });
Object.assign(gearFloat, { method: 'feelers', instrument: INSTRUMENTS.feelersMm });

export const [boreId, journalId, pairId] = [newId(), newId(), newId()];
export const pairBase = { ...float, shaftId: idler.shaft.id, reads: null, method: 'size' as const, role: '', boreId: null, journalId: null };
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
