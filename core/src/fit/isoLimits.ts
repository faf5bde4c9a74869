import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { ABOVE, ABOVE_FINE, BELOW, FINE_STEPS, GRADES, J_HOLE, J_SHAFT, MAIN_STEPS } from './iso286Tables.ts';

/** How far the limits of size lie from nominal; minus is below it. */
export interface Deviations {
  readonly upper: Length;
  readonly lower: Length;
}

const HOLES = 'E F G H J JS K M N P R S';
const SHAFTS = 'd e f g h j js k m n p r s u';
/** Shaft letters at or below nominal, and those that straddle or stand above it; a hole's letter is looked up by its small one. */
const KNOWN = new Set(`${HOLES} ${SHAFTS}`.split(' '));

const um = (micrometres: number): Length => nanometres(micrometres * 1000);
const stepOf = (steps: readonly number[], mm: number): number => steps.findIndex((end) => mm <= end);

interface Class {
  readonly letter: string;
  readonly grade: number;
  readonly main: number;
  readonly fine: number;
}

function classOf(diameter: Length, name: string): Class {
  const [, letter = '', digits = ''] = /^\s*([A-Za-z]{1,2})\s*(\d{1,2})\s*$/.exec(name) ?? [];
  if (letter === '') return refuse('notAFit', `"${name}" is not a tolerance class: write it like H7 or k6.`);
  if (!KNOWN.has(letter)) return refuse('unknownLetter', `The letter ${letter} is not held here: holes ${HOLES}; shafts ${SHAFTS}.`);
  const grade = Number(digits);
  if (grade < 5 || grade > 11) return refuse('unknownGrade', `Grade ${digits} is not held here: 5 to 11 are.`);
  const mm = diameter / 1_000_000;
  if (mm < 3 || mm > 250) return refuse('outOfRange', `${String(mm)} mm is outside the table: it goes from 3 to 250 mm.`);
  return { letter, grade, main: stepOf(MAIN_STEPS, mm), fine: stepOf(FINE_STEPS, mm) };
}

const at = (table: readonly number[] | undefined, step: number): number => table?.[step] ?? 0;
const widthOf = ({ grade, main }: Class): number => at(GRADES[grade], main);

/** How far above nominal the lower limit of an interference shaft lies; null for a letter that is not one. */
function above(letter: string, { grade, main, fine }: Class): number | null {
  if (letter === 'k' && grade > 7) return 0;
  if (letter in ABOVE) return at(ABOVE[letter], main);
  return letter in ABOVE_FINE ? at(ABOVE_FINE[letter], fine) : null;
}

function shaftLimits(of: Class): Deviations {
  const width = widthOf(of);
  if (of.letter === 'js') return { upper: um(width / 2), lower: um(-width / 2) };
  if (of.letter === 'j') {
    if (of.grade > 7) return refuse('unknownGrade', 'j is held for grades 5 to 7 only: the others are not in the table.');
    const lower = -at(J_SHAFT[of.grade], of.main);
    return { upper: um(lower + width), lower: um(lower) };
  }
  const lower = above(of.letter, of);
  if (lower !== null) return { upper: um(lower + width), lower: um(lower) };
  const upper = -at(BELOW[of.letter], of.main);
  return { upper: um(upper), lower: um(upper - width) };
}

/** Holes K, M, N to IT8 and P, R, S to IT7 lie higher than their shafts' mirror by Δ = IT(n) − IT(n−1), over 3 mm. */
function holeUpper(small: string, of: Class): number {
  const { letter, grade, main } = of;
  if (letter === 'K' && grade > 8) return refuse('unknownGrade', 'K is held for grades 5 to 8 only.');
  if (letter === 'N' && grade > 8 && main > 0) return 0;
  const isCorrected = main > 0 && grade <= (letter < 'P' ? 8 : 7);
  const delta = isCorrected ? widthOf(of) - at(GRADES[grade - 1], main) : 0;
  // k stands a little above nominal in grades to IT7; its hole goes by that whatever its own grade
  const shaft = letter === 'K' ? at(ABOVE.k, main) : (above(small, of) ?? 0);
  return delta - shaft;
}

function holeLimits(of: Class): Deviations {
  const width = widthOf(of);
  const small = of.letter.toLowerCase();
  if (small === 'js') return { upper: um(width / 2), lower: um(-width / 2) };
  if (small === 'j') {
    if (of.grade < 6 || of.grade > 8) return refuse('unknownGrade', 'J is held for grades 6 to 8 only: the others are not in the table.');
    const upper = at(J_HOLE[of.grade], of.main);
    return { upper: um(upper), lower: um(upper - width) };
  }
  if (small in BELOW) {
    const lower = at(BELOW[small], of.main);
    return { upper: um(lower + width), lower: um(lower) };
  }
  const upper = holeUpper(small, of);
  return { upper: um(upper), lower: um(upper - width) };
}

/**
 * Limits of size of an ISO tolerance class: a capital is a hole, a small letter a shaft.
 *
 * @param diameter nominal, 3 to 250 mm; a size on the end of a step belongs to the step below it
 * @param name letter and grade 5 to 11: holes E F G H J JS K M N P R S, shafts d e f g h j js k m n p r s u
 * @throws ReckoningError `notAFit`, `unknownLetter`, `unknownGrade`, `outOfRange`
 * Source: ISO 286-1 and -2, from memory of the tables.
 * @example isoLimits(mm(50), 'k6') // +18 / +2 µm
 */
export function isoLimits(diameter: Length, name: string): Deviations {
  const of = classOf(diameter, name);
  return of.letter === of.letter.toUpperCase() ? holeLimits(of) : shaftLimits(of);
}
