import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { Sense } from './stackGap.ts';

export type Place =
  | 'behindCup'
  | 'behindCone'
  | 'betweenCones'
  | 'betweenCups'
  | 'underCover'
  | 'underCupFlange'
  | 'underCarrierFlange'
  | 'thrustWasher'
  | 'inLine'
  | 'underThrustPlate';
export type Arrangement = 'faceToFace' | 'backToBack';

/**
 * Sense of each place for a pair of taper bearings whose cups are pushed in from outside (face-to-face) or whose cones are
 * drawn together (back-to-back). The signs follow from the stack sums; `none` is a place an arrangement does not have.
 */
const SENSES: Readonly<Record<Place, readonly [Sense | 'none', Sense | 'none']>> = {
  behindCup: [-1, -1],
  behindCone: [-1, 0],
  betweenCones: [-1, 1],
  betweenCups: [1, -1],
  underCover: [1, 'none'],
  underCupFlange: [1, -1],
  underCarrierFlange: [0, 0],
  thrustWasher: [-1, -1],
  inLine: [-1, -1],
  underThrustPlate: [1, 1],
};

/**
 * Which way a gap moves when the pack in a place gets thicker. A distance piece in line closes the shaft's own float but
 * opens that of a gear running on it (float = bush length − gear width).
 *
 * @returns +1 opens, −1 closes, 0 does not touch it
 * @throws ReckoningError `noSuchPlace`
 * @example sensesFromLayout({ place: 'underCover', arrangement: 'faceToFace' }) // 1
 */
export function sensesFromLayout({ place, arrangement, gap = 'shaft' }: { place: Place; arrangement: Arrangement; gap?: 'shaft' | 'gear' }): Sense {
  if (place === 'inLine' && gap === 'gear') return 1;
  const sense = SENSES[place][arrangement === 'faceToFace' ? 0 : 1];
  return sense === 'none' ? refuse('noSuchPlace', 'Cones drawn together have no cover pushing a cup in: choose another place.') : sense;
}

export interface Trial {
  readonly pack: Length;
  readonly gap: Length;
}

export interface ProvedSense {
  /** null where the gap moved too little to prove anything */
  readonly sense: Sense | null;
  readonly factor: number;
  readonly contradiction?: string;
}

/**
 * What one trial proves: the pack changed by this, the gap moved by that.
 *
 * @param u one standard uncertainty of the difference of the two gaps, nm; a move within 2u proves nothing
 * @param drawn the sense the drawing gives, to be held against it
 * @throws ReckoningError `samePack`
 * @example sensesFromTrials({ pack: thou(22), gap: thou(18) }, { pack: thou(28), gap: thou(24) }) // { sense: 1, factor: 1 }
 */
export function sensesFromTrials(before: Trial, after: Trial, { drawn, u = 0 }: { drawn?: Sense; u?: number } = {}): ProvedSense {
  const packMoved = after.pack - before.pack;
  const gapMoved = after.gap - before.gap;
  if (packMoved === 0) refuse('samePack', 'Both trials had the same pack: change it, and read again.');
  const factor = gapMoved / packMoved;
  if (Math.abs(gapMoved) <= 2 * u) return { sense: null, factor };
  const sense: Sense = factor > 0 ? 1 : -1;
  if (drawn === undefined || drawn === sense) return { sense, factor };
  const says = { 1: 'more', [-1]: 'less', 0: 'no change' } as const;
  return {
    sense,
    factor,
    contradiction: `The drawing says thicker gives ${says[drawn]}; this trial gave ${says[sense]}. Was the right pack changed, and the dial read the same way round?`,
  };
}

export function sensesFromTrialsSum(before: Trial, after: Trial): Sum {
  return [
    lengthLine('pack changed by', 'after − before', nanometres(after.pack - before.pack)),
    lengthLine('float moved by', 'after − before', nanometres(after.gap - before.gap)),
    { label: 'moves for one of pack', expression: 'moved ÷ changed', value: sensesFromTrials(before, after).factor, unit: '' },
  ];
}
