import type { Place } from '../senses.ts';
import { opposed } from './opposed.ts';
import type { ShaftTemplate } from './ready.ts';

/**
 * A bevel pinion drawn up by a nut: the depth shim, behind the head cone or behind the head cup, sets where its teeth stand. The float or
 * preload of its bearings is set by a pack between the cones, with a distance piece; or by how far the nut crushes a sleeve there.
 */
function pinion(place: Place, apart: 'spacer' | 'sleeve'): ShaftTemplate {
  const depth = place === 'behindCup' ? ('behindHeadCup' as const) : ('behindCone' as const);
  const on = opposed(
    {
      carrier: { role: 'housing', name: 'Pinion housing', kind: 'casing' },
      axle: { role: 'pinion', name: 'Pinion', kind: 'pinion' },
      first: 'head bearing',
      second: 'tail bearing',
    },
    new Map([
      ...(apart === 'spacer' ? [['betweenCones', 'pack'] as const] : []),
      ...(depth === 'behindCone' ? [['behindCone', 'depthShim'] as const] : []),
    ]),
    apart,
  );
  if (depth === 'behindHeadCup') {
    on.slot('depthShim', 'Shim behind the head cup', 'leaves', 'behindCup', [
      ['in', 25.2, 30.8],
      ['out', 25.2, 30.8],
    ]);
    const seat = on.contacts.findIndex((c) => c.a === 'cupIn.back');
    on.contacts.splice(seat, 1);
    on.meet('seated', [
      ['cupIn.back', 'depthShim.in'],
      ['depthShim.out', 'housing.seatIn'],
    ]);
  }
  const name = apart === 'spacer' ? 'pinionByNut' : 'pinionBySleeve';
  return on.ready(name, [{ role: 'gap.float', name: 'bearing float', ofShaft: true, contacts: ['float'] }], {
    ends: ['head end', 'nut end'],
    depths: [{ role: 'depth.head', name: 'Pinion depth', from: 'housing.seatIn', to: 'pinion.shoulder' }],
  });
}

/** Over a distance piece, with shims between the cones. */
export const pinionByNut = (place: Place): ShaftTemplate => pinion(place, 'spacer');
/** Over a crush sleeve. */
export const pinionBySleeve = (place: Place): ShaftTemplate => pinion(place, 'sleeve');
