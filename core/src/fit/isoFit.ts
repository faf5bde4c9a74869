import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { bearingRing } from './bearingRing.ts';
import { isoLimits, type Deviations } from './isoLimits.ts';

export interface IsoFit {
  readonly hole: Deviations;
  readonly shaft: Deviations;
  /** least clearance; minus is an interference */
  readonly least: Length;
  readonly greatest: Length;
}

const between = (hole: Deviations, shaft: Deviations): IsoFit => ({
  hole,
  shaft,
  least: nanometres(hole.lower - shaft.upper),
  greatest: nanometres(hole.upper - shaft.lower),
});

/**
 * A hole and a shaft of one nominal size, and the clearance between them.
 *
 * @param name hole first, like `H7/f7`
 * @throws ReckoningError `notAFit`, and as `isoLimits`
 * @example isoFit(mm(25), 'H7/f7').least // 20 µm
 */
export function isoFit(diameter: Length, name: string): IsoFit {
  const [hole = '', shaft = '', ...more] = name.split('/').map((part) => part.trim());
  if (!/^[A-Z]/.test(hole) || !/^[a-z]/.test(shaft) || more.length > 0) refuse('notAFit', `"${name}" is not a fit: write hole and shaft like H7/f7.`);
  return between(isoLimits(diameter, hole), isoLimits(diameter, shaft));
}

export function isoFitSum(diameter: Length, name: string): Sum {
  const { hole, shaft, least, greatest } = isoFit(diameter, name);
  return [
    lengthLine('hole', name.split('/')[0] ?? '', nanometres(diameter + hole.lower)),
    lengthLine('to', '', nanometres(diameter + hole.upper)),
    lengthLine('shaft', name.split('/')[1] ?? '', nanometres(diameter + shaft.lower)),
    lengthLine('to', '', nanometres(diameter + shaft.upper)),
    lengthLine('least clearance', 'smallest hole − largest shaft', least),
    lengthLine('greatest clearance', 'largest hole − smallest shaft', greatest),
  ];
}

/**
 * A rolling bearing's ring on its seat: a bore on a shaft class, or an outside in a hole class.
 *
 * @example bearingSeat(mm(30), 'k6').least // −25 µm: tight
 */
export function bearingSeat(diameter: Length, name: string): IsoFit {
  const seat = isoLimits(diameter, name);
  return /^\s*[A-Z]/.test(name) ? between(seat, bearingRing({ diameter, ring: 'outside' })) : between(bearingRing({ diameter, ring: 'bore' }), seat);
}
