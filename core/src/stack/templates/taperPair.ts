import type { Place } from '../senses.ts';
import { Assembling, type ShaftTemplate } from './ready.ts';

/** Two taper bearings and a cover: cups pushed in from outside, cones on the shaft's shoulders. */
export function taperPair(place: Place, gasket: boolean): ShaftTemplate {
  const on = new Assembling()
    .put('casing', 'Casing', 'casing', 'iron', ['seat', 21, 31, 'out'], ['face', 31, 46])
    .put('cupIn', 'Cup, input end', 'cup', 'steel', ['back', 22.6, 31], ['front', 26, 31])
    .put('coneIn', 'Cone, input end', 'cone', 'steel', ['front', 15, 19], ['back', 15, 19])
    .put('shaft', 'Shaft', 'shaft', 'steel', ['shoulderIn', 15, 19], ['shoulderOut', 15, 19])
    .put('coneOut', 'Cone, output end', 'cone', 'steel', ['back', 15, 19], ['front', 15, 19])
    .put('cupOut', 'Cup, output end', 'cup', 'steel', ['front', 26, 31], ['back', 22.6, 31])
    .put('cover', 'Cover', 'cover', 'iron', ['spigot', 24.5, 30.8, 'in'], ['flange', 31, 46, 'in']);
  const band = { behindCup: [22.6, 30.8], behindCone: [15, 18.6] }[place as string] ?? [31, 46];
  const [inner = 31, outer = 46] = band;
  on.slot('pack', packName(place), 'leaves', place, [
    ['in', inner, outer],
    ['out', inner, outer],
  ]);
  if (gasket) on.gasket('cover.gasket', ['in', 31, 46], ['out', 31, 46]);
  on.said('cover.bolts', 'Cover bolts', 'fastening').said('bearings', 'Bearings', 'bearings');
  on.length('casing', 'case, cup seat to cover face', 'seat', 'face', 181)
    .length('shaft', 'shaft, shoulder to shoulder', 'shoulderIn', 'shoulderOut', 133)
    .length('cover', 'cover, spigot to flange', 'spigot', 'flange', 9);
  if (gasket) on.length('cover.gasket', 'gasket, crushed', 'in', 'out', 0.3);
  const at = (here: Place, a: string, b: string): (readonly [string, string])[] =>
    place === here
      ? [
          [a, 'pack.in'],
          ['pack.out', b],
        ]
      : [[a, b]];
  on.meet('seated', at('behindCup', 'casing.seat', 'cupIn.back'))
    .bearing('bearingIn', 'bearing, input end, T', 'coneIn', ['cupIn.back', 'coneIn.back'], 18.5)
    .meet('seated', at('behindCone', 'coneIn.back', 'shaft.shoulderIn'))
    .meet('seated', [['shaft.shoulderOut', 'coneOut.back']])
    .bearing('bearingOut', 'bearing, output end, T', 'coneOut', ['coneOut.back', 'cupOut.back'], 18.5)
    .meet(
      'clamped',
      gasket ? [['casing.face', 'gasket.in'], ...at('underCover', 'gasket.out', 'cover.flange')] : at('underCover', 'casing.face', 'cover.flange'),
      'cover.bolts',
    )
    .open('float', 'float', 'cupOut.back', 'cover.spigot');
  return on.ready('taperPair', [{ role: 'gap.float', name: 'float', ofShaft: true, contacts: ['float'] }]);
}

const packName = (place: Place): string =>
  ({ underCover: 'Pack under the cover', behindCup: 'Pack behind a cup', behindCone: 'Pack behind a cone' })[place as string] ?? 'Pack in its place';
