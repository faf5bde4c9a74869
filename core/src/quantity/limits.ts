import { refuse } from '../errors.ts';
import { describeLength, nanometres, NM_PER, type Length, type LengthUnit } from './length.ts';
import { parseLength, readLength, tidy } from './readLength.ts';

/** The least and greatest of anything. Either may be missing. */
export interface Ends<Value extends number = Length> {
  readonly min?: Value;
  readonly max?: Value;
}

/** The least and greatest allowed. Either may be missing. On a float a lone maximum means 0 to that. */
export type Limits = Ends;

/** Limits and the unit they were written in: judge in that one. */
export interface LimitsRead {
  readonly limits: Limits;
  readonly unit: LengthUnit;
}

const MOST = String.raw`max(?:imum)?|not over|not more than|no more than|up to|at most|under|below|less than`;
const LEAST = String.raw`min(?:imum)?|not under|not less than|no less than|at least|over|above|more than`;
const BEFORE = new RegExp(String.raw`^(?:(${MOST})|(?:${LEAST}))\.? (.+)$`, 'i');
const AFTER = /^(.+?) (?:(max(?:imum)?|or less|or under|and under|at most)|(?:min(?:imum)?|or more|or over|and over|at least))\.?$/i;

/** A lone end of limits, `max 9`, `under 9`, `9 or less`, `at least 2`: which it is, and the figure; null where it is no such thing. */
export function loneEnd(text: string): { readonly isMost: boolean; readonly figure: string } | null {
  const before = BEFORE.exec(text);
  if (before) return { isMost: before[1] !== undefined, figure: before[2] ?? '' };
  const after = AFTER.exec(text);
  return after && { isMost: after[2] !== undefined, figure: after[1] ?? '' };
}

const PRELOAD = /\b(?:preload|interference|crush|nip|negative (?:end )?(?:play|float))\b/gi;
const NUMBER = String.raw`(?:\d+[ -]\d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d+[.,]\d*|[.,]\d+|\d+)`;
const UNIT = String.raw`(?: ?(?:mm|inch(?:es)?|in\b|"|thou|um))?`;
const RANGE = new RegExp(`^(${NUMBER}${UNIT}) ?(?:to|-) ?(${NUMBER}${UNIT})$`, 'i');
const TRAILING_UNIT = /(mm|inch(?:es)?|in|"|thou|um)\s*(?:float|end float|end play|play)?$/i;

function ordered(min: Length, max: Length): Limits {
  if (min > max) refuse('reversedLimits', 'Those limits are the wrong way round: give the smaller first, as in 5-8 thou.');
  return { min, max };
}

const negate = (length: Length): Length => nanometres(-length);

/**
 * Reads limits as a manual prints them: `5-8 thou`, `0.005 to 0.008 in`, `0.03…0.09 mm`, `0.728 ±0.003 in`,
 * `1.125 +0.0015 -0 in`, `max 9 thou`, `min 0.03 mm`, `preload 1-3 thou` (a gap of −3 to −1),
 * `3 preload to 2 float thou`.
 *
 * @param text what was typed
 * @param unit the unit of bare numbers
 * @throws ReckoningError `empty`, `twoUnits`, `notLimits`, `reversedLimits` and those of {@link readLength}
 * @example parseLimits('preload 1-3 thou', 'mm') // { min: -76200, max: -25400 }
 */
export const parseLimits = (text: string, unit: LengthUnit): Limits => readLimits(text, unit).limits;

/** As {@link parseLimits}, with the unit the limits were written in. */
export function readLimits(text: string, unit: LengthUnit): LimitsRead {
  const clean = tidy(text).replace(/\.{3}|…/g, ' to ');
  if (clean === '') refuse('empty', 'Nothing was typed: give limits such as 5-8 thou or 0.03 to 0.09 mm.');
  const words = clean.match(/mm|inch(?:es)?|\bin\b|"|thou|\bum\b/gi) ?? [];
  const kinds = new Set(words.map((w) => readLength(`1 ${w}`, unit).unit));
  if (kinds.size > 1) refuse('twoUnits', 'Two units in one entry: write both limits in the same one.');
  const written = [...kinds][0] ?? unit;
  const each = (s: string): Length => parseLength(s.trim(), written);
  const read = (limits: Limits): LimitsRead => ({ limits, unit: written });

  const both = /^(.+?) ?(?:preload|interference|crush|nip) (?:to|-) (.+?) ?(?:end )?(?:float|play)?( ?(?:mm|in|"|thou|um))?$/i.exec(clean);
  if (both) return read(ordered(negate(each(both[1] ?? '')), each(both[2] ?? '')));

  const isPreload = clean.search(PRELOAD) >= 0;
  const body = clean
    .replace(PRELOAD, '')
    .replace(/\b(?:end )?(?:float|play|clearance)\b/gi, '')
    .trim();
  const range = isPreload ? mirrored(plainLimits(body, each)) : plainLimits(body, each);
  return read(range);
}

const mirrored = ({ min, max }: Limits): Limits => ({
  ...(max === undefined ? {} : { min: negate(max) }),
  ...(min === undefined ? {} : { max: negate(min) }),
});

function plainLimits(body: string, each: (s: string) => Length): Limits {
  const lone = loneEnd(body);
  if (lone) return { [lone.isMost ? 'max' : 'min']: each(lone.figure) };
  const about = /^(.+?) ?(?:±|\+\/?-) ?(.+)$/.exec(body);
  if (about) {
    const middle = each(about[1] ?? '');
    const either = each(about[2] ?? '');
    return ordered(nanometres(middle - either), nanometres(middle + either));
  }
  const deviations = /(.+?) ?\+ ?([\d.,/]+) ?- ?([\d.,/]+) ?(?:mm|in|"|thou|um)?$/i.exec(body);
  if (deviations) {
    const nominal = each(deviations[1] ?? '');
    return { min: nanometres(nominal - each(deviations[3] ?? '')), max: nanometres(nominal + each(deviations[2] ?? '')) };
  }
  const signedRange = /^(-[\d.,]+) (?:to) (-?[\d.,]+) ?(?:mm|in|"|thou|um)?$/i.exec(body);
  if (signedRange) return ordered(each(signedRange[1] ?? ''), each(signedRange[2] ?? ''));
  const range = RANGE.exec(body) ?? /(.+?)(?: ?to ?| ?- ?)(.+)/i.exec(body);
  if (!range) return refuse('notLimits', `“${body.slice(0, 24)}” gives only one figure: limits are two, as in 5-8 thou, or max 9 thou.`);
  return ordered(each(range[1] ?? ''), each((range[2] ?? '').replace(TRAILING_UNIT, '$1')));
}

/**
 * Limits in another unit, rounded *inward* to its step, so that nothing allowed there is outside here.
 *
 * @param step one step of the unit, e.g. 0.001 for mm
 * @throws ReckoningError `inverted` when the step is wider than the window
 * @example convertLimits(parseLimits('4-7 thou', 'mm'), { unit: 'mm', step: 0.001 }) // 0.102 to 0.177 mm
 */
export function convertLimits(limits: Limits, { unit, step }: { unit: LengthUnit; step: number }): Limits {
  if (!(step > 0)) refuse('badStep', 'The step must be more than nothing.');
  const nm = step * NM_PER[unit];
  const slack = 1e-9;
  const min = limits.min === undefined ? undefined : nanometres(Math.ceil(limits.min / nm - slack) * nm);
  const max = limits.max === undefined ? undefined : nanometres(Math.floor(limits.max / nm + slack) * nm);
  if (min !== undefined && max !== undefined && min > max) {
    refuse('inverted', `No whole step of ${describeLength(nanometres(nm), unit)} lies inside those limits: use a finer step.`);
  }
  return { ...(min === undefined ? {} : { min }), ...(max === undefined ? {} : { max }) };
}

/** Fills in what a lone maximum leaves unsaid on a float or clearance: from nothing up. */
export function closedFloat<Value extends number = Length>(limits: Ends<Value>): Ends<Value> {
  return limits.min === undefined && limits.max !== undefined && limits.max >= 0 ? { min: 0 as Value, max: limits.max } : limits;
}

const side = (length: Length, unit: LengthUnit): string => {
  const decimals = unit === 'thou' ? ((length / 2_540) % 10 === 0 ? 0 : 1) : undefined;
  return describeLength(nanometres(Math.abs(length)), unit, decimals).split(' ')[0] ?? '';
};

/** As finely as limits are said in each unit. */
const SAID_TO: Readonly<Record<LengthUnit, number>> = { thou: 0.1, mm: 0.001, in: 0.0001, um: 1 };

/**
 * Limits as they are said in a unit: rounded inward to what it is said to, but for a window narrower than two steps, which stays as it is.
 *
 * @example insideOf({ min: thou(2), max: thou(4) }, 'mm').min // mm(0.051)
 */
export function insideOf<Both extends Limits>(limits: Both, unit: LengthUnit): Both {
  const { min, max } = limits;
  const isNarrow = min !== undefined && max !== undefined && max - min < 2 * SAID_TO[unit] * NM_PER[unit];
  return isNarrow ? limits : { ...limits, ...convertLimits(limits, { unit, step: SAID_TO[unit] }) };
}

/**
 * Limits in a few characters, as on a drawing: "5–8", "0.05–0.10", "max 9", "preload 1–3", "−3 to 2". In a unit they were not written in
 * they are rounded inward, so that nothing that is said to be allowed is not.
 *
 * @example formatLimits({ min: thou(2), max: thou(4) }, 'mm') // '0.051–0.101'
 */
export function formatLimits(limits: Limits, unit: LengthUnit): string {
  const { min, max } = insideOf(limits, unit);
  if (min !== undefined && max !== undefined) {
    if (max <= 0 && min < 0) return `preload ${side(max, unit)}–${side(min, unit)}`;
    if (min < 0) return `${side(min, unit)} preload to ${side(max, unit)} float`;
    return `${side(min, unit)}–${side(max, unit)}`;
  }
  if (max !== undefined) return `max ${side(max, unit)}`;
  return min === undefined ? 'none' : `min ${side(min, unit)}`;
}
