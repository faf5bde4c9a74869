import { refuse } from '../errors.ts';

declare const lengthBrand: unique symbol;

/**
 * A length as an integer count of nanometres, so that inch and metric sizes are both exact:
 * 1 thou is 25 400 and 0.001 mm is 1 000 (1 in = 25.4 mm exactly: international yard and pound
 * agreement, 1959; ISO 80000-3). Signed: a negative gap is preload.
 */
export type Length = number & { readonly [lengthBrand]: true };

/** The units a length is typed or shown in. */
export type LengthUnit = 'mm' | 'in' | 'thou' | 'um';

/** Nanometres in one of each unit. Exact. */
export const NM_PER: Readonly<Record<LengthUnit, number>> = { mm: 1_000_000, in: 25_400_000, thou: 25_400, um: 1_000 };

/** Nothing in a workshop that makes gearboxes is longer than ten metres, nm. */
const LONGEST = 10_000_000_000;

/**
 * Rounds to a whole number of nanometres and brands it.
 *
 * @param nm nanometres, any finite number within ±10 m
 * @throws ReckoningError `notANumber`, `tooLong`
 */
export function nanometres(nm: number): Length {
  if (!Number.isFinite(nm)) refuse('notANumber', 'That is not a length: a number was expected.');
  if (Math.abs(nm) > LONGEST) refuse('tooLong', 'That is over ten metres: check the unit.');
  return (Math.round(nm) + 0) as Length;
}

/**
 * A length from a number and its unit.
 *
 * @example toLength(2, 'thou') // 50800
 */
export const toLength = (value: number, unit: LengthUnit): Length => nanometres(value * NM_PER[unit]);

/**
 * A length as a number in a unit (not rounded).
 *
 * @example fromLength(50800 as Length, 'thou') // 2
 */
export const fromLength = (length: Length, unit: LengthUnit): number => length / NM_PER[unit];

export const thou = (value: number): Length => toLength(value, 'thou');
export const mm = (value: number): Length => toLength(value, 'mm');
export const inch = (value: number): Length => toLength(value, 'in');

export const ZERO = 0 as Length;

/** Mean of one or more lengths, to the nearest nanometre. */
export function meanLength(lengths: readonly Length[]): Length {
  if (lengths.length === 0) refuse('noReadings', 'There is nothing to take a mean of: give at least one reading.');
  return nanometres(lengths.reduce<number>((sum, l) => sum + l, 0) / lengths.length);
}

export const isMetric = (unit: LengthUnit): boolean => unit === 'mm' || unit === 'um';

/** The unit shims and gaps are said in, in the system of another. */
export const smallUnit = (unit: LengthUnit): 'thou' | 'mm' => (isMetric(unit) ? 'mm' : 'thou');

/** The unit the same length is shown in on the other side: thou beside mm, mm beside thou or inches. */
export const otherUnit = (unit: LengthUnit): LengthUnit => (isMetric(unit) ? 'thou' : 'mm');

/** What sizes and depths are told in, where floats and packs are told in `unit`. */
export const unitOfSizes = (unit: 'thou' | 'mm'): 'in' | 'mm' => (unit === 'mm' ? 'mm' : 'in');

const DECIMALS: Readonly<Record<LengthUnit, number>> = { mm: 3, in: 4, thou: 1, um: 0 };

/**
 * A length in words' clothing: the digits a fitter would write, minus as U+2212, trailing zeros kept,
 * without its unit.
 *
 * @param decimals digits after the point; 1 for thou, 3 for mm, 4 for inches, 0 for µm unless given
 * @example formatLength(609600 as Length, 'thou') // '24.0'
 */
export function formatLength(length: Length, unit: LengthUnit, decimals: number = DECIMALS[unit]): string {
  const size = roundHalfOut(Math.abs(fromLength(length, unit)), decimals);
  return (length < 0 && Number(size) !== 0 ? '−' : '') + size;
}

/** toFixed that does not trip over binary halves: 5.5 thou at 0 decimals is 6, and 0.0255 at 3 is 0.026. */
const roundHalfOut = (value: number, decimals: number): string => {
  const scale = 10 ** decimals;
  return (Math.round(value * scale * (1 + Number.EPSILON * 4)) / scale).toFixed(decimals);
};

const UNIT_WORDS: Readonly<Record<LengthUnit, string>> = { mm: 'mm', in: 'in', thou: 'thou', um: 'µm' };

/** The unit as it is written after a number. */
export const unitWord = (unit: LengthUnit): string => UNIT_WORDS[unit];

/** A length with its unit, as in a sentence: "24.0 thou", "0.610 mm". */
export const describeLength = (length: Length, unit: LengthUnit, decimals?: number): string =>
  `${formatLength(length, unit, decimals)} ${UNIT_WORDS[unit]}`;
