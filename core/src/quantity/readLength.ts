import { refuse } from '../errors.ts';
import { describeLength, nanometres, NM_PER, type Length, type LengthUnit } from './length.ts';
import { SWG_INCHES } from './wireGauge.ts';

/** What an entry was understood as, and what else it could have meant. */
export interface LengthRead {
  readonly value: Length;
  /** the unit it was written in, or the field's where it had none */
  readonly unit: LengthUnit;
  /** remarks in plain words, for showing beside the value */
  readonly notes: readonly string[];
  readonly meanings?: readonly { readonly value: Length; readonly unit: LengthUnit; readonly label: string }[];
}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** Plain characters with no space and no inch mark of two strokes: nothing to fold. */
const PLAIN = /^[!-&(-~]*$/;

/** Folds the ways one thing is typed into one: vulgar fractions, minus signs, inch marks, spaces. */
export function tidy(text: string): string {
  if (PLAIN.test(text)) return text;
  return text
    .normalize('NFC')
    .replace(/(\d)?([½¼¾⅛⅜⅝⅞⅓⅔])/g, (_, whole: string | undefined, f: string) => `${whole === undefined ? '' : `${whole} `}${VULGAR[f]}`)
    .replace(/[−–—‒]/g, '-')
    .replace(/[″”“]|''/g, '"')
    .replace(/[µμ]/g, 'u')
    .replace(/\s+/g, ' ')
    .trim();
}

type Written = LengthUnit | 'tenths' | 'swg';

/** Every way a unit of length is written. */
export const UNIT_PATTERN = /(?:mm|millimet(?:re|er)s?|inch(?:es)?|in\b|"|thou(?:sandths?)?|mils?\b|um|microns?|tenths?|swg)/gi;

/** What a unit begins with: of two that fit, the first. */
const UNIT_BEGINS: readonly (readonly [string, Written])[] = [
  ['mm', 'mm'],
  ['millim', 'mm'],
  ['in', 'in'],
  ['"', 'in'],
  ['thou', 'thou'],
  ['mil', 'thou'],
  ['um', 'um'],
  ['micron', 'um'],
  ['swg', 'swg'],
];
const unitOf = (word: string): Written => UNIT_BEGINS.find(([start]) => word.toLowerCase().startsWith(start))?.[1] ?? 'tenths';

const DECIMAL = /^\d+(?:[.,]\d*)?$|^[.,]\d+$/;
const FRACTION = /^(?:(\d+)[ -])?(\d+) ?\/ ?(\d+)$/;

/** Reads the number part: decimal with point or comma, fraction, or mixed number. */
export function readNumber(text: string): number {
  const fraction = FRACTION.exec(text);
  if (fraction) {
    const [, whole = '0', top = '', bottom = ''] = fraction;
    if (Number(bottom) === 0) refuse('zeroDenominator', 'A fraction over nothing has no size: check the figure below the line.');
    if (fraction[1] !== undefined && Number(top) >= Number(bottom))
      refuse('notANumber', `${text} is not a mixed number: the fraction after it should be less than one.`);
    return Number(whole) + Number(top) / Number(bottom);
  }
  if (!DECIMAL.test(text))
    refuse(
      'notANumber',
      text === ''
        ? 'There is no number there: type a size such as 0.25 mm or 10 thou.'
        : `“${text.slice(0, 24)}” is not a size: type one such as 0.25 mm, 10 thou or 3/16".`,
    );
  if (/^[1-9]\d*,\d{3}$/.test(text))
    refuse('ambiguousComma', `${text}: are those thousands, or three decimals? Write a point for the decimals, and no comma in thousands.`);
  return Number(text.replace(',', '.'));
}

/**
 * Reads a length as a fitter writes it: `2.85`, `2,85 mm`, `.728"`, `23½ thou`, `9/64"`, `1-3/16"`, `35 µm`,
 * `2 tenths` (ten-thousandths of an inch), `20 swg`. A leading minus is allowed (a race standing proud).
 *
 * @param text what was typed
 * @param unit the unit of a bare number
 * @returns the value, the unit it was written in, and notes where it could be heard another way
 * @throws ReckoningError `empty`, `twoUnits`, `notANumber`, `zeroDenominator`, `ambiguousComma`, `notAGauge`, `tooLong`
 * @example readLength('9/64"', 'mm').value // 3571875
 */
export function readLength(text: string, unit: LengthUnit): LengthRead {
  const clean = tidy(text);
  if (clean === '') refuse('empty', 'Nothing was typed: give a size such as 0.25 mm or 10 thou.');
  const units = clean.match(UNIT_PATTERN) ?? [];
  if (units.length > 1) refuse('twoUnits', `Two units in one entry (${units.join(' and ')}): give one size at a time.`);
  const negative = clean.startsWith('-');
  const number = clean.replace(UNIT_PATTERN, '').replace(/^-/, '').trim();
  const last = units[0];
  if (last !== undefined && !clean.toLowerCase().endsWith(last.toLowerCase()))
    refuse('notANumber', `The unit goes after the number, as in 10 ${last}.`);
  const written: Written = last === undefined ? unit : unitOf(last);
  const size = readNumber(number);
  const signed = (nm: number): Length => nanometres(negative ? -nm : nm);
  if (written === 'swg') {
    const inches = Number.isInteger(size) ? SWG_INCHES[size] : undefined;
    if (inches === undefined) return refuse('notAGauge', 'Wire gauge numbers here run from 0 to 36, whole numbers only.');
    return { value: signed(inches * NM_PER.in), unit: 'in', notes: [`${size} SWG is ${inches} in`] };
  }
  if (written === 'tenths') {
    const value = signed(size * 2_540);
    const metric = signed(size * 100_000);
    return {
      value,
      unit: 'thou',
      notes: [`read as ten-thousandths of an inch; a metric shop may mean ${describeLength(metric, 'mm', 1)}`],
      meanings: [
        { value, unit: 'thou', label: describeLength(value, 'thou', 2) },
        { value: metric, unit: 'mm', label: describeLength(metric, 'mm', 2) },
      ],
    };
  }
  return { value: signed(size * NM_PER[written]), unit: written, notes: [] };
}

/**
 * The length alone. See {@link readLength}.
 *
 * @example parseLength('23½ thou', 'mm') // 596900
 */
export const parseLength = (text: string, unit: LengthUnit): Length => readLength(text, unit).value;
