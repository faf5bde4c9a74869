import type { Place } from '../senses.ts';
import { Assembling, type ShaftTemplate } from './ready.ts';

/** A plain shaft in bushes, a washer at each end taking the thrust. */
export function plainThrust(place: Place): ShaftTemplate {
  const isWasher = place === 'thrustWasher';
  const on = new Assembling()
    .put('casing', 'Casing', 'casing', 'iron', ['thrust', 16.5, 44, 'out'], ['face', 33, 52])
    .put('washerIn', 'Thrust washer, input end', 'washer', 'bronze', ['back', 14, 30], ['front', 14, 30])
    .put('shaft', 'Shaft', 'shaft', 'steel', ['collarIn', 13, 24], ['collarOut', 13, 24]);
  if (isWasher)
    on.slot(
      'pack',
      'Thrust washer',
      'leaves',
      place,
      [
        ['in', 14, 30],
        ['out', 14, 30],
      ],
      4,
    );
  else
    on.put('washerOut', 'Thrust washer, output end', 'washer', 'bronze', ['front', 14, 30], ['back', 14, 30]).slot(
      'pack',
      'Pack under the end plate',
      'leaves',
      place,
      [
        ['in', 33, 52],
        ['out', 33, 52],
      ],
    );
  on.put('cover', 'End plate', 'cover', 'iron', ['thrust', 16.5, 32.6, 'in'], ['flange', 33, 52, 'in'])
    .said('cover.bolts', 'End plate bolts', 'fastening')
    .length('casing', 'case, thrust face to end plate', 'thrust', 'face', 120)
    .length('washerIn', 'thrust washer, input end', 'back', 'front', 4)
    .length('shaft', 'shaft, collar to collar', 'collarIn', 'collarOut', 104)
    .length('cover', 'end plate, thrust face to flange', 'thrust', 'flange', 6);
  if (!isWasher) on.length('washerOut', 'thrust washer, output end', 'front', 'back', 4);
  on.meet('seated', [
    ['casing.thrust', 'washerIn.back'],
    ['washerIn.front', 'shaft.collarIn'],
  ]);
  if (isWasher)
    on.meet('seated', [['pack.out', 'cover.thrust']])
      .meet('clamped', [['casing.face', 'cover.flange']], 'cover.bolts')
      .open('float', 'end float', 'shaft.collarOut', 'pack.in');
  else
    on.meet('seated', [['washerOut.back', 'cover.thrust']])
      .meet(
        'clamped',
        [
          ['casing.face', 'pack.in'],
          ['pack.out', 'cover.flange'],
        ],
        'cover.bolts',
      )
      .open('float', 'end float', 'shaft.collarOut', 'washerOut.front');
  return on.ready('plainThrust', [{ role: 'gap.float', name: 'end float', ofShaft: true, contacts: ['float'] }]);
}
