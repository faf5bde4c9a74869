import { Assembling, type ShaftTemplate } from './ready.ts';

/**
 * A layshaft between plates: a cluster on a distance piece, then two gears on a bush with a rib, and what is left before the circlip. Four
 * floats that share parts.
 */
export function layshaft(): ShaftTemplate {
  const on = new Assembling()
    .put('shaft', 'Layshaft', 'shaft', 'steel', ['collar', 13, 19, 'out'], ['groove', 11, 13, 'in'])
    .put('washerF', 'Thrust washer, front', 'washer', 'bronze', ['back', 13, 23], ['front', 13, 23])
    .put('spacer', 'Distance piece', 'spacer', 'steel', ['in', 13, 16], ['out', 13, 16])
    .put('cluster', 'Cluster gear', 'cluster', 'steel', ['in', 19.6, 27], ['out', 19.6, 27])
    .slot(
      'packP',
      'Washer P, behind the distance piece',
      'part',
      'inLine',
      [
        ['in', 13, 17],
        ['out', 13, 17],
      ],
      3,
    )
    .put('washerM', 'Thrust washer, middle', 'washer', 'bronze', ['in', 13, 24], ['out', 13, 24])
    .put('bush', 'Bush with a rib', 'bush', 'bronze', ['in', 13, 17], ['ribIn', 17, 24, 'in'], ['ribOut', 17, 24, 'out'], ['out', 13, 17])
    .put('gearF', 'Gear, front', 'gear', 'steel', ['in', 17.3, 24], ['out', 17.3, 24])
    .put('gearR', 'Gear, rear', 'gear', 'steel', ['in', 17.3, 24], ['out', 17.3, 24])
    .slot(
      'packQ',
      'Washer Q, at the circlip',
      'part',
      'inLine',
      [
        ['in', 13, 24],
        ['out', 13, 24],
      ],
      3,
    )
    .put('clip', 'Circlip', 'circlip', 'steel', ['in', 11.2, 17], ['out', 11.2, 17])
    .length('shaft', 'layshaft, collar to groove', 'collar', 'groove', 122)
    .length('washerF', 'thrust washer, front', 'back', 'front', 4)
    .length('spacer', 'distance piece', 'in', 'out', 58)
    .length('cluster', 'cluster gear, across its ends', 'in', 'out', 59)
    .length('washerM', 'thrust washer, middle', 'in', 'out', 4)
    .length('bush', 'bush, front end to rib', 'in', 'ribIn', 22)
    .length('bush', 'bush, the rib', 'ribIn', 'ribOut', 4)
    .length('bush', 'bush, rib to rear end', 'ribOut', 'out', 22)
    .length('gearF', 'gear, front, across its hub', 'in', 'out', 20.5)
    .length('gearR', 'gear, rear, across its hub', 'in', 'out', 20.5)
    .length('clip', 'circlip', 'in', 'out', 2)
    .meet('seated', [
      ['shaft.collar', 'washerF.back'],
      ['washerF.front', 'spacer.in'],
      ['washerF.front', 'cluster.in'],
      ['spacer.out', 'packP.in'],
      ['packP.out', 'washerM.in'],
      ['washerM.out', 'bush.in'],
      ['washerM.out', 'gearF.in'],
      ['bush.ribOut', 'gearR.in'],
      ['bush.out', 'packQ.in'],
      ['clip.out', 'shaft.groove'],
    ])
    .open('cluster', 'cluster between plates', 'cluster.out', 'washerM.in')
    .open('front', 'front gear on the bush', 'gearF.out', 'bush.ribIn')
    .open('rear', 'rear gear on the bush', 'gearR.out', 'packQ.in')
    .open('stack', 'the stack, to the circlip', 'packQ.out', 'clip.in');
  const gap = (role: string, name: string): { role: string; name: string; ofShaft: false; contacts: string[] } => ({
    role: `gap.${role}`,
    name,
    ofShaft: false,
    contacts: [role],
  });
  return on.ready(
    'layshaft',
    [
      gap('cluster', 'Cluster between plates'),
      gap('front', 'Front gear on the bush'),
      gap('rear', 'Rear gear on the bush'),
      gap('stack', 'The stack, to the circlip'),
    ],
    { ends: ['front', 'rear'] },
  );
}
