import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';

export interface DialReading {
  /** where the hand stood first, in divisions (−50 … 50 on a balanced dial) */
  readonly from: number;
  /** where it came to */
  readonly to: number;
  /** complete turns of the hand, not the small hand's difference: 95 → 5 is ten divisions and no turn */
  readonly revolutions?: number;
  readonly direction: 'clockwise' | 'anticlockwise';
  /** divisions in one turn */
  readonly divisions: number;
  /** one division */
  readonly division: Length;
  /** degrees from the line of movement to the stem */
  readonly stemAngle?: number;
  /** degrees from square to the movement of the face touched */
  readonly faceAngle?: number;
}

const cosine = (degrees: number): number => Math.cos((degrees * Math.PI) / 180);
const floorModulo = (value: number, modulus: number): number => ((value % modulus) + modulus) % modulus;

/** Divisions the hand passed over, before any correction for angle. */
function divisionsMoved({ from, to, revolutions = 0, direction, divisions }: DialReading): number {
  return revolutions * divisions + floorModulo(direction === 'clockwise' ? to - from : from - to, divisions);
}

function checkDial(dial: DialReading): void {
  const { from, to, revolutions = 0, divisions, division, stemAngle = 0, faceAngle = 0 } = dial;
  if (!(divisions > 0) || !(division > 0)) refuse('badDial', 'The dial needs a number of divisions and a size for one.');
  if (!Number.isInteger(revolutions) || revolutions < 0) refuse('badTurns', 'Whole turns of the hand are counted 0, 1, 2 and so on.');
  for (const hand of [from, to]) {
    if (!Number.isFinite(hand) || Math.abs(hand) > divisions) refuse('offTheDial', `${hand} is not on this dial: it runs to ${divisions}.`);
  }
  if (Math.max(Math.abs(stemAngle), Math.abs(faceAngle), Math.abs(stemAngle - faceAngle)) > 45) {
    refuse('tooFarOffSquare', 'The dial stands more than 45° off: set it square and read again.');
  }
}

/**
 * How far a face moved under a dial. True = indicated·cos(stem − face)/cos(face), with the movement along 0°:
 * a stem off the line of movement on a square face reads too much, one square to a turned flank too little.
 * Plane trigonometry; the wrap is floor-modulo.
 *
 * @returns Length ≥ 0
 * @throws ReckoningError `badDial`, `badTurns`, `offTheDial`, `tooFarOffSquare`
 * @example dialTravel({ from: 88, to: 12, direction: 'clockwise', divisions: 100, division: thou(1) }) // 24 thou
 */
export function dialTravel(dial: DialReading): Length {
  checkDial(dial);
  const { division, stemAngle = 0, faceAngle = 0 } = dial;
  return nanometres((divisionsMoved(dial) * division * cosine(stemAngle - faceAngle)) / cosine(faceAngle));
}

export function dialTravelSum(dial: DialReading): Sum {
  const { from, to, revolutions = 0, direction, division, stemAngle = 0, faceAngle = 0 } = dial;
  const turns = revolutions > 0 ? ` + ${revolutions} turn${revolutions > 1 ? 's' : ''}` : '';
  const indicated = divisionsMoved(dial);
  const square = stemAngle === 0 && faceAngle === 0;
  return [
    lengthLine('hand moved', `${from} → ${to} ${direction}${turns} = ${indicated} divisions`, nanometres(indicated * division)),
    ...(square ? [] : [lengthLine('corrected for angle', `× cos ${stemAngle - faceAngle}° ÷ cos ${faceAngle}°`, dialTravel(dial))]),
  ];
}
