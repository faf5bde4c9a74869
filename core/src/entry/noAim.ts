import { meantBy, type LimitsEntry, type Understood } from './meaning.ts';

/** Limits of something that nothing is chosen for, such as a bore: where in them it is to come has no meaning, and is not swallowed. */
export function noAim(understood: Understood<LimitsEntry>): Understood<LimitsEntry> {
  return meantBy(understood).some(({ aim }) => aim !== undefined)
    ? {
        kind: 'refused',
        code: 'noAimHere',
        message: 'Where to come to is said of a float or a depth, which a shim sets: here type the limits alone.',
      }
    : understood;
}
