import { Assembling, type ShaftTemplate } from './ready.ts';

/** An intermediate gear on two opposed tapers: cups against a ring in its bore, cones on a pin with a spacer and shims between them. */
export function intermediate(): ShaftTemplate {
  const on = new Assembling()
    .put('plateIn', 'Casing, near side', 'plate', 'iron', ['face', 18.4, 28, 'out'])
    .put('pin', 'Pin', 'shaft', 'steel', ['head', 12, 18, 'out'])
    .put('coneIn', 'Cone, near side', 'cone', 'steel', ['back', 12, 16], ['front', 12, 16])
    .put('cupIn', 'Cup, near side', 'cup', 'steel', ['front', 22, 26], ['back', 20, 26])
    .put('gear', 'Intermediate gear', 'hub', 'steel', ['seatIn', 20.5, 26, 'in'], ['seatOut', 20.5, 26, 'out'])
    .put('cupOut', 'Cup, far side', 'cup', 'steel', ['back', 20, 26], ['front', 22, 26])
    .put('spacer', 'Spacer', 'spacer', 'steel', ['in', 12.2, 15.6], ['out', 12.2, 15.6])
    .slot('pack', 'Shims between the cones', 'leaves', 'betweenCones', [
      ['in', 12.2, 15.6],
      ['out', 12.2, 15.6],
    ])
    .put('coneOut', 'Cone, far side', 'cone', 'steel', ['front', 12, 16], ['back', 12, 16])
    .put('washer', 'Washer', 'washer', 'steel', ['in', 10, 18], ['out', 10, 18])
    .put('nut', 'Pin nut', 'nut', 'steel', ['in', 9.6, 15])
    .said('nut.set', 'Pin nut', 'fastening')
    .said('bearings', 'Bearings', 'bearings')
    .length('coneIn', 'cone, near side, its width', 'back', 'front', 13)
    .length('gear', 'gear, cup seat to cup seat', 'seatIn', 'seatOut', 12)
    .length('spacer', 'spacer', 'in', 'out', 12)
    .length('coneOut', 'cone, far side, its width', 'front', 'back', 13)
    .length('washer', 'washer', 'in', 'out', 4)
    .meet('seated', [['plateIn.face', 'pin.head']])
    .meet(
      'clamped',
      [
        ['pin.head', 'coneIn.back'],
        ['coneIn.front', 'spacer.in'],
        ['spacer.out', 'pack.in'],
        ['pack.out', 'coneOut.front'],
        ['coneOut.back', 'washer.in'],
        ['washer.out', 'nut.in'],
      ],
      'nut.set',
    )
    .bearing('bearingIn', 'bearing, near side, T', 'coneIn', ['coneIn.back', 'cupIn.back'], 15)
    .meet('seated', [
      ['cupIn.back', 'gear.seatIn'],
      ['gear.seatOut', 'cupOut.back'],
    ])
    .bearing('float', 'bearing, far side, T', 'coneOut', ['cupOut.back', 'coneOut.back'], 15, 'open');
  return on.ready('intermediate', [{ role: 'gap.float', name: 'float', ofShaft: true, contacts: ['float'] }], { ends: ['near side', 'far side'] });
}
