import { refuse } from '../errors.ts';
import { NM_PER, SWG_INCHES, tidy, type LengthUnit } from '../quantity/index.ts';

/** What a number may be a number of: its size in nm, and the unit it is said back in. */
export interface Measure {
  readonly name: 'thou' | 'mm' | 'in' | 'um' | 'hundredth' | 'tenth' | 'tenthOfMm' | 'hundredthOfInch' | 'swg' | 'division';
  readonly nm: number;
  readonly unit: LengthUnit;
}

const measure = (name: Measure['name'], nm: number, unit: LengthUnit): Measure => ({ name, nm, unit });
export const THOU = measure('thou', NM_PER.thou, 'thou');
export const MM = measure('mm', NM_PER.mm, 'mm');
export const INCH = measure('in', NM_PER.in, 'in');
/** a hundredth of a millimetre, as a metric dial is counted */
/** one division of a dial, as its hand is read */
export const division = (resolution: number, unit: LengthUnit): Measure => measure('division', resolution, unit);
export const HUNDREDTH = measure('hundredth', NM_PER.mm / 100, 'mm');
const MICRON = measure('um', NM_PER.um, 'um');
/** a tenth of a thou, as a toolmaker says it; a tenth of a millimetre, as a metric shop does */
const TENTH = measure('tenth', NM_PER.thou / 10, 'thou');
const TENTH_OF_MM = measure('tenthOfMm', NM_PER.mm / 10, 'mm');
const HUNDREDTH_OF_INCH = measure('hundredthOfInch', NM_PER.in / 100, 'in');
const SWG = measure('swg', Number.NaN, 'in');

/** How a number is written, which tells more of its unit than the field it is in. */
export type Written = 'fraction' | 'half' | 'leadingPoint3' | 'leadingPoint' | 'decimals3' | 'decimals2' | 'noughtPoint1' | 'whole';

export interface Figure {
  readonly is: 'figure';
  readonly text: string;
  readonly value: number;
  readonly written: Written;
  /** digits after the point */
  readonly decimals: number;
  /** what a unit written after it makes it; one, or two that it could be */
  readonly settled: readonly Measure[] | null;
  /** a comma between its digits that may be a decimal one, or part two figures */
  readonly comma: boolean;
}

export interface Mark {
  readonly is: 'mark';
  readonly text: string;
}
export type Token = Figure | Mark;

const NUMBER = String.raw`\d+[ -]\d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d*[.,]\d+|\d+`;
const UNIT = String.raw`millimet(?:re|er)s?|mm|inch(?:es)?|in(?![a-z])|"|thousandths?|thous?|mils?(?![a-z])|microns?|um|tenths?|hundredths?|swg`;
const SPLIT = new RegExp(`(${NUMBER})|(${UNIT})|([a-z]+)|([^\\sa-z\\d])`, 'gi');

/** The measures a unit's word may mean, likeliest first. */
function measuresOf(word: string, bare: 'thou' | 'mm'): readonly Measure[] {
  const w = word.toLowerCase();
  if (w.startsWith('mm') || w.startsWith('millim')) return [MM];
  if (w.startsWith('in') || w === '"') return [INCH];
  if (w.startsWith('thou')) return [THOU];
  if (w.startsWith('mil')) return bare === 'thou' ? [THOU] : [THOU, MM];
  if (w.startsWith('um') || w.startsWith('micron')) return [MICRON];
  if (w.startsWith('tenth')) return bare === 'thou' ? [TENTH] : [TENTH_OF_MM, TENTH];
  if (w.startsWith('hundredth')) return bare === 'thou' ? [HUNDREDTH_OF_INCH, HUNDREDTH] : [HUNDREDTH, HUNDREDTH_OF_INCH];
  return [SWG];
}

function figureOf(text: string): Omit<Figure, 'settled'> {
  const fraction = /^(?:(\d+)[ -])?(\d+) ?\/ ?(\d+)$/.exec(text);
  if (fraction) {
    const [, whole = '0', top = '', bottom = ''] = fraction;
    if (Number(bottom) === 0) refuse('zeroDenominator', 'A fraction over nothing has no size: check the figure below the line.');
    if (fraction[1] !== undefined && Number(top) >= Number(bottom))
      refuse('notANumber', `${text} is not a mixed number: the fraction after it should be less than one.`);
    const written = bottom === '2' || bottom === '4' ? 'half' : 'fraction';
    return { is: 'figure', text, value: Number(whole) + Number(top) / Number(bottom), written, decimals: 0, comma: false };
  }
  if (/^[1-9]\d*,\d{3}$/.test(text))
    refuse('ambiguousComma', `${text}: are those thousands, or three decimals? Write a point for the decimals, and no comma in thousands.`);
  const point = text.replace(',', '.');
  const [whole = '', after = ''] = point.split('.');
  const decimals = after.length;
  const written: Written =
    whole === '' && decimals > 0
      ? decimals >= 3
        ? 'leadingPoint3'
        : 'leadingPoint'
      : decimals >= 3
        ? 'decimals3'
        : decimals === 2
          ? 'decimals2'
          : decimals === 1 && Number(whole) === 0
            ? 'noughtPoint1'
            : 'whole';
  return { is: 'figure', text: point, value: Number(point), written, decimals, comma: text.includes(',') && whole !== '' && Number(whole) !== 0 };
}

/**
 * An entry as numbers, units and marks. A unit settles every number before it, back to the last unit.
 *
 * @throws ReckoningError `empty`, `unitFirst`, `zeroDenominator`, `notANumber`, `ambiguousComma`
 */
export function tokens(text: string, bare: 'thou' | 'mm'): Token[] {
  const clean = tidy(text)
    .replace(/[×*]/g, ' x ')
    .replace(/\.{3}|…/g, ' to ')
    .replace(/,(?=\s)/g, ' ; ');
  if (clean === '') refuse('empty', 'Nothing was typed.');
  const found: Token[] = [];
  let open = 0;
  for (const [, number, unit, word, mark] of clean.matchAll(SPLIT)) {
    if (number !== undefined) found.push({ ...figureOf(number), settled: null });
    else if (unit !== undefined) {
      const settled = measuresOf(unit, bare);
      const before = found.slice(open).filter((token) => token.is === 'figure').length;
      if (before === 0) refuse('unitFirst', `The unit goes after the number, as in 10 ${unit.toLowerCase()}.`);
      for (let i = open; i < found.length; i++) {
        const token = found[i];
        if (token?.is === 'figure') found[i] = { ...token, settled };
      }
      open = found.length;
    } else found.push({ is: 'mark', text: (word ?? mark ?? '').toLowerCase() });
  }
  return found;
}

/** A figure in a measure, in nm; not a number where the measure has no such gauge. */
export function inMeasure({ value }: Pick<Figure, 'value'>, { name, nm }: Measure): number {
  return name === 'swg' ? (Number.isInteger(value) ? (SWG_INCHES[value] ?? Number.NaN) : Number.NaN) * NM_PER.in : value * nm;
}
