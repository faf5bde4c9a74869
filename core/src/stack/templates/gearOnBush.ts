import type { Place } from '../senses.ts';
import { Assembling, type ShaftTemplate } from './ready.ts';

/** A gear turning on a bush that is clamped against the shaft's shoulder, between washers. */
export function gearOnBush(place: Place): ShaftTemplate {
  const isWasher = place === 'thrustWasher';
  const on = new Assembling().put('shaft', 'Shaft', 'shaft', 'steel', ['shoulder', 15, 30, 'out']);
  if (isWasher) on.put('bush', 'Bush', 'bush', 'bronze', ['in', 15, 18.9], ['out', 15, 18.9]);
  else
    on.slot(
      'pack',
      'Bush, its length',
      'leaves',
      place,
      [
        ['in', 15, 18.9],
        ['out', 15, 18.9],
      ],
      58,
    );
  on.put('washerIn', 'Thrust washer, input side', 'washer', 'bronze', ['back', 19.2, 30], ['front', 19.2, 30]).put(
    'gear',
    'Gear',
    'gear',
    'steel',
    ['in', 19.2, 30],
    ['out', 19.2, 30],
  );
  if (isWasher)
    on.slot(
      'pack',
      'Thrust washer',
      'leaves',
      place,
      [
        ['in', 19.2, 30],
        ['out', 19.2, 30],
      ],
      4,
    );
  else on.put('washerOut', 'Thrust washer, output side', 'washer', 'bronze', ['front', 19.2, 30], ['back', 19.2, 30]);
  on.put('collar', 'Collar', 'collar', 'steel', ['in', 15, 30], ['out', 15, 30]).said('cover.bolts', 'Collar nut', 'fastening');
  if (isWasher) on.length('bush', 'bush, length', 'in', 'out', 58);
  on.length('washerIn', 'thrust washer, input side', 'back', 'front', 4).length('gear', 'gear, across its hub', 'in', 'out', 49);
  if (!isWasher) on.length('washerOut', 'thrust washer, output side', 'front', 'back', 4);
  on.length('collar', 'collar', 'in', 'out', 14);
  const [bush, washer] = isWasher ? ['bush', 'pack'] : ['pack', 'washerOut'];
  on.meet(
    'clamped',
    [
      ['shaft.shoulder', `${bush}.in`],
      [`${bush}.out`, 'collar.in'],
    ],
    'cover.bolts',
  )
    .meet('seated', [
      ['shaft.shoulder', 'washerIn.back'],
      ['washerIn.front', 'gear.in'],
      [isWasher ? 'pack.out' : 'washerOut.back', 'collar.in'],
    ])
    .open('float', 'gear float', 'gear.out', isWasher ? 'pack.in' : `${washer}.front`);
  return on.ready('gearOnBush', [{ role: 'gap.float', name: 'float', ofShaft: true, contacts: ['float'] }]);
}
