import { Assembling, type ShaftTemplate } from './ready.ts';

/** A camshaft or other shaft whose collar runs between the casing and a plate bolted over it, with shims under the plate. */
export function thrustPlate(): ShaftTemplate {
  const on = new Assembling()
    .put('casing', 'Casing', 'casing', 'iron', ['thrust', 16.5, 30, 'out'], ['face', 30, 46])
    .put('shaft', 'Shaft', 'shaft', 'steel', ['collarIn', 16, 27, 'in'], ['collarOut', 16, 27, 'out'])
    .slot('pack', 'Shims under the thrust plate', 'leaves', 'underThrustPlate', [
      ['in', 30, 46],
      ['out', 30, 46],
    ])
    .put('plate', 'Thrust plate', 'plate', 'steel', ['in', 17, 46, 'in'])
    .said('cover.bolts', 'Plate bolts', 'fastening')
    .length('casing', 'casing, thrust face to plate face', 'thrust', 'face', 9)
    .length('shaft', 'collar, across its faces', 'collarIn', 'collarOut', 9)
    .meet('seated', [['casing.thrust', 'shaft.collarIn']])
    .meet(
      'clamped',
      [
        ['casing.face', 'pack.in'],
        ['pack.out', 'plate.in'],
      ],
      'cover.bolts',
    )
    .open('float', 'end float', 'shaft.collarOut', 'plate.in');
  return on.ready('thrustPlate', [{ role: 'gap.float', name: 'end float', ofShaft: true, contacts: ['float'] }]);
}
