/** What came apart, was looked at, matched, and left open. */
import {
  stripEntryOf,
  type Decision,
  type Inspection,
  type LookAlike,
  type MatchedSet,
  type OpenItem,
  type Station,
  type StripEntry,
} from '@elder-cog/contract';
import { mm, readStripLine, thou, type Length } from '@elder-cog/core';
import { newId, at } from './ids.ts';
import { jobId, transferBox, input, idler, stations } from './machine.ts';
import { washerFront, washerRear, spring } from './rows.ts';

// as it came apart
export let minute = 0;
export const off = (assemblyId: string, shaftId: string | null, text: string, unit: 'thou' | 'mm' = 'thou'): StripEntry => {
  const read = readStripLine(text, unit);
  if (!read) throw new Error(text);
  return {
    ...stripEntryOf(read, { text, assemblyId, shaftId, inventory: false, supersedes: null }),
    id: newId(),
    who: 'J. T.',
    at: at(6, `19:${String((minute += 4)).padStart(2, '0')}`),
  };
};
export const strip: StripEntry[] = [
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

export const looked = (station: Station, type: string, decision: Decision, finding: string | null, when: string, reason = ''): Inspection => ({
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
export const stationNamed = (name: string): Station => {
  const found = stations.find((s) => s.name === name);
  if (!found) throw new Error(name);
  return found;
};
export const inspections: Inspection[] = [
  looked(stationNamed('Idler bush, front'), 'bush', 'make', 'scored or grit in it', at(8, '20:00')),
  looked(stationNamed('Idler pin, front'), 'shaft', 'reuse', null, at(8, '20:02')),
  looked(washerFront, 'thrust washer', 'reuse', null, at(8, '20:04')),
  looked(washerRear, 'thrust washer', 'reuse', null, at(3, '20:00')),
  looked(washerRear, 'thrust washer', 'make', 'oil grooves worn away', at(8, '20:06'), 'grooves gone on the gear side'),
  looked(spring, 'spring', 'replace', 'set short', at(8, '20:08')),
];
export const half = (
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
export const lookAlikes: LookAlike[] = [
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
export const matchedSets: MatchedSet[] = [
  { id: newId(), revision: 1, jobId, name: 'input cup and cone', members: ['Cup, output end', 'Cone, output end'], gone: false },
];
export const item = (text: string, where: string, raisedAt: string): OpenItem => ({
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
export const openItems: OpenItem[] = [
  item('Coupling nut hand tight, pin left out on purpose', 'Transfer box, Input shaft', at(13, '18:50')),
  item('Rag in the bottom of the case', 'Transfer box', at(13, '18:52')),
];
