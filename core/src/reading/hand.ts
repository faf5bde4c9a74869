import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { dialTravel } from './dialTravel.ts';
import type { Instrument } from './instrument.ts';

/** Where a hand went: positions in divisions, whole turns besides, and which way. */
export interface HandMoved {
  readonly from: number;
  readonly to: number;
  readonly turns: number;
  readonly direction: 'clockwise' | 'anticlockwise';
}

/**
 * On a dial marked both ways from nought a hand stands at −50 to 50; on one marked round, at 0 and up.
 *
 * @throws ReckoningError `offTheDial`
 */
export function checkHand(hand: number, divisions: number, balanced: boolean): void {
  if (balanced && Math.abs(hand) > divisions / 2)
    refuse('offTheDial', `${hand} is not on this dial: it is marked ${divisions / 2} either side of nought, the left written with a minus.`);
  if (!balanced && hand < 0)
    refuse('offTheDial', `${hand} is not on this dial: it is marked 0 to ${divisions}. Choose the 0–${divisions / 2}–0 dial if it is that.`);
}

/**
 * How far a face moved under an instrument's hand: by its division, the angles it stands at, and the radius it is wanted at.
 *
 * @param divisions in one turn of it
 * @throws ReckoningError those of dialTravel
 * @example handTravel({ from: 88, to: 12, turns: 0, direction: 'clockwise' }, dial, 100) // 24 thou
 */
export function handTravel(
  { from, to, turns, direction }: HandMoved,
  { resolution, stemAngle, faceAngle, radius }: Instrument,
  divisions: number,
): Length {
  const angles = { stemAngle: stemAngle ?? 0, faceAngle: faceAngle ?? 0 };
  const indicated = dialTravel({ from, to, revolutions: turns, direction, divisions, division: resolution, ...angles });
  return radius ? nanometres((indicated * radius.wanted) / radius.read) : indicated;
}
