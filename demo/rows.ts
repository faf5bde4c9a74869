/** What was measured by part. */
import { newLink, newRow, type Station, withUnderstood } from '@elder-cog/contract';
import { INSTRUMENTS, mm, thou, type FeatureKindName, type Instrument, type Length } from '@elder-cog/core';
import { newId, at } from './ids.ts';
import { idler, input, sizes, stations, boreId, journalId } from './machine.ts';
import { readings } from './builds.ts';

// the idler pin and its bush, mic'd at three places
export const measure = (stationId: string, instrument: Instrument, place: string, text: string, minutes: number): void => {
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
export const row = (
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
export const bearer = row('bore', 'Idler bush, rear', 110, mm(18.02), 'mm', { role: 'pair.110.bore' });
export const spigot = row('journal', 'Idler pin, rear', 111, mm(17.98), 'mm', { role: 'pair.110.journal' });
export const rearPair = row('bore', 'Idler bush on pin, rear', 112, null, 'mm', {
  subject: 'pair',
  role: 'pair.110',
  boreId: bearer.id,
  journalId: spigot.id,
  method: null,
  instrument: null,
});
export const washerFront = row('thickness', 'Thrust washer, front', 120, thou(121), 'in');
export const washerRear = row('thickness', 'Thrust washer, rear', 130, mm(2.9), 'mm');
export const spring = row('freeLength', 'Detent spring', 140, mm(31.5), 'mm');
export const needles = row('roller', 'Idler needles, 26', 150, mm(2.5), 'mm');
export const gearPlay = row('float', 'Idler gear float', 160, null, 'in');
export const bySize = (station: Station, place: string, text: string, minutes: number): void =>
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

// the parts of the input shaft, across the vice
for (const feature of input.features) {
  const size = sizes[feature.role];
  if (size === undefined) continue;
  const link: Station = { ...newLink(input.shaft.id, feature, newId), revision: 1, instrument: INSTRUMENTS.caliperMm };
  stations.push(link);
  readings.push({
    id: newId(),
    stationId: link.id,
    buildId: null,
    who: 'J. T.',
    takenAt: at(5, '18:00'),
    supersedes: null,
    keptAs: { value: null, words: `${size} mm` },
    raw: withUnderstood({ method: 'size', text: `${size} mm`, instrument: INSTRUMENTS.caliperMm, restsOn: [] }),
  });
}
