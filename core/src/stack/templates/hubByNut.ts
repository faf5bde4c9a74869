import type { Place } from '../senses.ts';
import { opposed } from './opposed.ts';
import type { ShaftTemplate } from './ready.ts';

/** A wheel hub on a stub axle: two opposed tapers drawn together by a nut over a distance piece. */
export function hubByNut(place: Place): ShaftTemplate {
  const sits = new Map([[place === 'behindCup' ? ('behindCup' as const) : ('betweenCones' as const), 'pack']]);
  return opposed(
    {
      carrier: { role: 'hub', name: 'Hub', kind: 'hub' },
      axle: { role: 'axle', name: 'Stub axle', kind: 'shaft' },
      first: 'inner bearing',
      second: 'outer bearing',
    },
    sits,
  ).ready('hubByNut', [{ role: 'gap.float', name: 'float', ofShaft: true, contacts: ['float'] }], { ends: ['axle end', 'nut end'] });
}
