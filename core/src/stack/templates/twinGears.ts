import { Assembling, type ShaftTemplate } from './ready.ts';

/** Two gears side by side on one bush, a washer between them, clamped between a shoulder and a collar. */
export function twinGears(): ShaftTemplate {
  const on = new Assembling()
    .put('shaft', 'Shaft', 'shaft', 'steel', ['shoulder', 15, 30, 'out'])
    .put('bush', 'Bush', 'bush', 'bronze', ['in', 15, 18.9], ['out', 15, 18.9])
    .put('gearIn', 'Gear, input side', 'gear', 'steel', ['in', 19.2, 29], ['out', 19.2, 29])
    .put('washer', 'Washer between the gears', 'washer', 'bronze', ['in', 19.2, 29], ['out', 19.2, 29])
    .put('gearOut', 'Gear, output side', 'gear', 'steel', ['in', 19.2, 29], ['out', 19.2, 29])
    .slot(
      'pack',
      'Thrust washer',
      'part',
      'thrustWasher',
      [
        ['in', 19.2, 29],
        ['out', 19.2, 29],
      ],
      3,
    )
    .put('collar', 'Collar', 'collar', 'steel', ['in', 15, 30], ['out', 15, 30])
    .said('cover.bolts', 'Collar nut', 'fastening')
    .length('bush', 'bush, length', 'in', 'out', 76)
    .length('gearIn', 'gear, input side, across its hub', 'in', 'out', 32)
    .length('washer', 'washer between the gears', 'in', 'out', 4)
    .length('gearOut', 'gear, output side, across its hub', 'in', 'out', 34)
    .length('collar', 'collar', 'in', 'out', 14)
    .meet(
      'clamped',
      [
        ['shaft.shoulder', 'bush.in'],
        ['bush.out', 'collar.in'],
      ],
      'cover.bolts',
    )
    .meet('seated', [
      ['shaft.shoulder', 'gearIn.in'],
      ['gearIn.out', 'washer.in'],
      ['washer.out', 'gearOut.in'],
      ['pack.out', 'collar.in'],
    ])
    .open('float', 'both gears’ float', 'gearOut.out', 'pack.in');
  return on.ready('twinGears', [{ role: 'gap.float', name: 'float, both gears', ofShaft: true, contacts: ['float'] }]);
}
