import { Assembling, type ShaftTemplate } from './ready.ts';

/** Nothing but a casing and a shaft: whatever else there is is put between them. */
export function own(): ShaftTemplate {
  return new Assembling()
    .put('casing', 'Casing', 'casing', 'iron', ['thrust', 16.5, 44, 'out'], ['far', 16.5, 44, 'in'])
    .put('shaft', 'Shaft', 'shaft', 'steel', ['collarIn', 13, 24], ['collarOut', 13, 24])
    .length('casing', 'casing, face to face', 'thrust', 'far', 110)
    .length('shaft', 'shaft, collar to collar', 'collarIn', 'collarOut', 108)
    .meet('seated', [['casing.thrust', 'shaft.collarIn']])
    .open('float', 'end float', 'shaft.collarOut', 'casing.far')
    .ready('own', [{ role: 'gap.float', name: 'end float', ofShaft: true, contacts: ['float'] }]);
}
