import { Assembling, type ShaftTemplate } from './ready.ts';

/** A ball bearing in a recess of its housing, held by a ring of chosen thickness in a groove. */
export function ballAndRing(): ShaftTemplate {
  const on = new Assembling()
    .put('casing', 'Housing', 'casing', 'iron', ['shoulder', 24, 31, 'out'], ['groove', 31, 34, 'in'])
    .put('outerRing', 'Ball bearing, outer ring', 'outerRing', 'steel', ['in', 25, 31], ['out', 25, 31])
    .put('shaft', 'Shaft', 'shaft', 'steel', ['shoulder', 15, 19, 'out'])
    .put('innerRing', 'Ball bearing, inner ring', 'innerRing', 'steel', ['in', 15, 20], ['out', 15, 20])
    .slot(
      'pack',
      'Snap ring, its thickness',
      'part',
      'inLine',
      [
        ['in', 26, 33.8],
        ['out', 26, 33.8],
      ],
      2.3,
    )
    .put('clip', 'Circlip on the shaft', 'circlip', 'steel', ['in', 14, 19], ['out', 14, 19])
    .said('bearings', 'Bearing', 'bearings')
    .length('casing', 'housing, shoulder to far side of groove', 'shoulder', 'groove', 19.6)
    .length('outerRing', 'bearing, width of outer ring', 'in', 'out', 17)
    .length('innerRing', 'bearing, width of inner ring', 'in', 'out', 17)
    .length('clip', 'circlip', 'in', 'out', 1.75)
    .meet('seated', [
      ['casing.shoulder', 'outerRing.in'],
      ['shaft.shoulder', 'innerRing.in'],
      ['innerRing.out', 'clip.in'],
      ['outerRing.out', 'pack.in'],
    ])
    .bearing('races', 'bearing, inner ring to outer ring', 'innerRing', ['outerRing.in', 'innerRing.in'], 0, 'rolling')
    .open('float', 'float', 'pack.out', 'casing.groove');
  return on.ready('ballAndRing', [{ role: 'gap.float', name: 'float', ofShaft: true, contacts: ['float'] }]);
}
