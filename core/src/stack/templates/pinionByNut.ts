import type { Place } from '../senses.ts';
import { opposed } from './opposed.ts';
import type { ShaftTemplate } from './ready.ts';

/**
 * A bevel pinion drawn up by a nut: the depth shim, behind the head cone or behind the head cup, sets where its teeth stand; the pack between
 * the cones sets the float or preload of its bearings.
 */
export function pinionByNut(place: Place): ShaftTemplate {
  const depth = place === 'behindCup' ? ('behindHeadCup' as const) : ('behindCone' as const);
  const on = opposed(
    {
      carrier: { role: 'housing', name: 'Pinion housing', kind: 'casing' },
      axle: { role: 'pinion', name: 'Pinion', kind: 'pinion' },
      first: 'head bearing',
      second: 'tail bearing',
    },
    new Map([['betweenCones', 'pack'], ...(depth === 'behindCone' ? [['behindCone', 'depthShim'] as const] : [])]),
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
  return on.ready('pinionByNut', [{ role: 'gap.float', name: 'bearing float', ofShaft: true, contacts: ['float'] }], {
    ends: ['head end', 'nut end'],
    depths: [{ role: 'depth.head', name: 'Pinion depth', from: 'housing.seatIn', to: 'pinion.shoulder' }],
  });
}
