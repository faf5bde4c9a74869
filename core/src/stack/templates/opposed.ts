import { Assembling } from './ready.ts';

/** How the parts of two opposed tapers drawn together by a nut are called where they are used. */
interface OpposedNames {
  readonly carrier: { readonly role: string; readonly name: string; readonly kind: 'hub' | 'casing' };
  readonly axle: { readonly role: string; readonly name: string; readonly kind: 'shaft' | 'pinion' };
  readonly first: string;
  readonly second: string;
}

/** What the cones are drawn up against: a distance piece that stays as long as it is, or a sleeve that the nut crushes. */
const APART = {
  spacer: { role: 'spacer', name: 'Distance piece', kind: 'spacer', length: 'distance piece', outer: 15.7 },
  // its crest reaches out as far as the room between the seats lets it
  sleeve: { role: 'sleeve', name: 'Crush sleeve', kind: 'crushSleeve', length: 'crush sleeve', outer: 19 },
} as const;

/**
 * Cups on seats between them, cones drawn together by a nut over a distance piece or a crush sleeve: the gap is inside the outer bearing, and
 * what is longer between the cones opens it. Where a pack sits behind a cup or behind the first cone it stands in that place.
 */
export function opposed(
  { carrier, axle, first, second }: OpposedNames,
  sits: ReadonlyMap<'behindCone' | 'behindCup' | 'betweenCones', string>,
  apart: keyof typeof APART = 'spacer',
): Assembling {
  const { role: spacer, name, kind, length, outer } = APART[apart];
  const seat = carrier.role;
  const shoulder = `${axle.role}.shoulder`;
  const on = new Assembling().put(axle.role, axle.name, axle.kind, 'steel', ['shoulder', 15, 22, 'out']);
  const behindCone = sits.get('behindCone');
  if (behindCone)
    on.slot(behindCone, 'Shim behind the head cone', 'leaves', 'behindCone', [
      ['in', 15.2, 21],
      ['out', 15.2, 21],
    ]);
  on.put('coneIn', `Cone, ${first}`, 'cone', 'steel', ['back', 15, 19], ['front', 15, 19]).put(
    'cupIn',
    `Cup, ${first}`,
    'cup',
    'steel',
    ['front', 26, 31],
    ['back', 22.6, 31],
  );
  on.put(seat, carrier.name, carrier.kind, 'iron', ['seatIn', 25, 31, 'in'], ['seatOut', 20.5, 24.8, 'out']);
  const behindCup = sits.get('behindCup');
  if (behindCup)
    on.slot(behindCup, 'Shim behind the outer cup', 'leaves', 'behindCup', [
      ['in', 20.8, 24.6],
      ['out', 20.8, 24.6],
    ]);
  on.put('cupOut', `Cup, ${second}`, 'cup', 'steel', ['back', 20.8, 24.8], ['front', 22, 24.8]).put(
    spacer,
    name,
    kind,
    'steel',
    ['in', 15.2, 19],
    ['out', 12.2, outer],
  );
  const between = sits.get('betweenCones');
  if (between)
    on.slot(between, 'Shims between the cones', 'leaves', 'betweenCones', [
      ['in', 12.2, 15.8],
      ['out', 12.2, 15.8],
    ]);
  on.put('coneOut', `Cone, ${second}`, 'cone', 'steel', ['front', 12, 15], ['back', 12, 15])
    .put('washer', 'Nut washer', 'washer', 'steel', ['in', 10, 18], ['out', 10, 18])
    .put('nut', 'Nut', 'nut', 'steel', ['in', 9.6, 15.6])
    .said('nut.set', 'Nut', 'fastening')
    .said('bearings', 'Bearings', 'bearings');
  on.length('coneIn', `cone, ${first}, its width`, 'back', 'front', 16)
    .length(seat, `${carrier.name.toLowerCase()}, cup seat to cup seat`, 'seatIn', 'seatOut', 40)
    .length(spacer, length, 'in', 'out', 44)
    .length('coneOut', `cone, ${second}, its width`, 'front', 'back', 12.8)
    .length('washer', 'nut washer', 'in', 'out', 3.6);
  const through = (slot: string | undefined, a: string, b: string): (readonly [string, string])[] =>
    slot
      ? [
          [a, `${slot}.in`],
          [`${slot}.out`, b],
        ]
      : [[a, b]];
  on.meet(
    'clamped',
    [
      ...through(behindCone, shoulder, 'coneIn.back'),
      ['coneIn.front', `${spacer}.in`],
      ...through(between, `${spacer}.out`, 'coneOut.front'),
      ['coneOut.back', 'washer.in'],
      ['washer.out', 'nut.in'],
    ],
    'nut.set',
  )
    .bearing('bearingIn', `bearing, ${first}, T`, 'coneIn', ['coneIn.back', 'cupIn.back'], 18.5)
    .meet('seated', [['cupIn.back', `${seat}.seatIn`], ...through(behindCup, `${seat}.seatOut`, 'cupOut.back')])
    .bearing('float', `bearing, ${second}, T`, 'coneOut', ['cupOut.back', 'coneOut.back'], 14.8, 'open');
  return on;
}
