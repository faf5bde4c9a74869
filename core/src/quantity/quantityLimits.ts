import { ReckoningError, refuse } from '../errors.ts';
import { nanometres, type Length, type LengthUnit } from './length.ts';
import { convertLimits, loneEnd, readLimits, type LimitsRead } from './limits.ts';
import { fromBase, readQuantity, tidyUnit, toBase, unitTyped } from './quantity.ts';
import { readLength, readNumber, tidy } from './readLength.ts';
import { imperialTorque } from './torque.ts';
import { isMetricUnit, TWO_GALLONS, UNITS, type QuantityKind } from './units.ts';

/** The least and greatest of any quantity: lengths in nanometres, others in their base unit. One figure alone is both. */
export interface QuantityLimits {
  readonly kind: QuantityKind;
  readonly min: number | null;
  readonly max: number | null;
  /** the unit it was written in */
  readonly unit: string;
}

/** What an entry of limits could mean: one where it is plain, several where it has to be asked. */
export interface QuantityLimitsRead {
  readonly meanings: readonly QuantityLimits[];
  readonly because?: string;
}

const NUMBER = String.raw`-?(?:\d+ \d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d+[.,]\d*|[.,]\d+|\d+)`;
const ABOUT = new RegExp(String.raw`^(${NUMBER}) ?(?:±|\+\/-) ?(${NUMBER}) ?([^\d±].*)$`);
const RANGE = new RegExp(String.raw`^(${NUMBER}) ?([^\d]*?) ?(?:to|-|\/) ?(${NUMBER}) ?([^\d±].*)$`, 'i');
const MIXED = /^-?\d+-\d+ ?\/ ?\d/;

/**
 * Reads limits of any quantity as a manual prints them: all that `readLimits` takes for lengths, and `18-22 lb ft`, `8/12 lb ins`,
 * `25 ± 2 N·m`, `max 120 °C`, `35 psi`, `2½ pints`. A length with no unit is in inches where it is written as inches are (nothing
 * before the point, four decimals, a fraction), in millimetres as `0.03 to 0.09`; any other is asked about.
 *
 * @throws ReckoningError `empty`, `reversedLimits`, `notLimits` and those of readQuantity
 * @example readQuantityLimits('8/12 lb ins').meanings[0] // torque, 0.904 to 1.356 N·m
 */
export function readQuantityLimits(text: string): QuantityLimitsRead {
  const clean = tidy(text).replace(/\.{3}|…/g, ' to ');
  if (clean === '') refuse('empty', 'Nothing was typed: give limits such as 5-8 thou or 18-22 lb ft.');
  return otherLimits(clean) ?? lengthLimits(clean);
}

/** The units typed: two where a pint or gallon could be either country's; null where it is no unit, or a length's. */
function unitsTyped(typed: string): readonly string[] | null {
  const either = TWO_GALLONS[tidyUnit(typed)];
  if (either) return either;
  const unit = unitTyped(typed);
  return unit === undefined ? null : [unit.name];
}

const kindOf = (unit: string): QuantityKind => UNITS.find((u) => u.name === unit)?.kind ?? 'length';

function between(low: number, high: number, units: readonly string[]): QuantityLimitsRead {
  if (low > high) refuse('reversedLimits', 'Those limits are the wrong way round: give the smaller first, as in 18-22 lb ft.');
  const meanings = units.map((unit) => ({ kind: kindOf(unit), min: toBase(low, unit), max: toBase(high, unit), unit }));
  return meanings.length > 1 ? { meanings, because: 'imperial or US measure?' } : { meanings };
}

/** Limits of anything but a length; null where no such unit is written. */
function otherLimits(clean: string): QuantityLimitsRead | null {
  const lone = loneEnd(clean);
  if (lone) {
    const read = oneFigure(lone.figure);
    return read && { ...read, meanings: read.meanings.map((m) => ({ ...m, [lone.isMost ? 'min' : 'max']: null })) };
  }
  const about = ABOUT.exec(clean);
  if (about) {
    const units = unitsTyped(about[3] ?? '');
    const [middle, either] = [readNumber(about[1] ?? ''), readNumber(about[2] ?? '')];
    return units && between(middle - either, middle + either, units);
  }
  return (MIXED.test(clean) ? null : rangeOf(clean)) ?? oneFigure(clean);
}

function rangeOf(clean: string): QuantityLimitsRead | null {
  const [, low = '', first = '', high = '', last = ''] = RANGE.exec(clean) ?? [];
  const units = unitsTyped(last);
  if (!units || low === '') return null;
  if (first !== '' && unitsTyped(first)?.[0] !== units[0]) refuse('twoUnits', 'Two units in one entry: write both limits in the same one.');
  const [a, b] = [signed(low), signed(high)];
  const overLine = /^-?\d+ ?\/ ?\d+ ?[^\d]*$/.test(clean);
  if (!overLine) return between(a, b, units);
  const isHalves = [2, 4, 8, 16, 32, 64].includes(b);
  if (a >= b) return between(a / b, a / b, units);
  if (!isHalves) return between(a, b, units);
  const asRange = between(a, b, units);
  return { meanings: [...asRange.meanings, ...between(a / b, a / b, units).meanings], because: `from ${a} to ${b}, or a fraction?` };
}

const signed = (text: string): number => (text.startsWith('-') ? -1 : 1) * readNumber(text.replace(/^-/, ''));

function oneFigure(clean: string): QuantityLimitsRead | null {
  const [, number = '', typed = ''] = new RegExp(String.raw`^(-?\d+-\d+ ?\/ ?\d+|${NUMBER}) ?([^\d±].*)$`).exec(clean) ?? [];
  if (/[°º] ?\d/.test(clean)) {
    const { value } = readQuantity(clean);
    return { meanings: [{ kind: 'angle', min: value, max: value, unit: '°' }] };
  }
  const units = unitsTyped(typed);
  return units && number !== '' ? between(signed(number), signed(number), units) : null;
}

const HAS_LENGTH_UNIT = /mm|millimet|inch|\bin\b|\din\b|"|thou|\bmils?\b|\dmil|um\b|micron|tenth|swg/i;

function lengthLimits(clean: string): QuantityLimitsRead {
  const lone = loneEnd(clean);
  const said = lone ? `${lone.isMost ? 'max' : 'min'} ${lone.figure}` : clean;
  if (HAS_LENGTH_UNIT.test(said)) return inUnit(said, 'mm');
  const figures = said.match(/\d*[.,]\d+|\d+/g) ?? [];
  if (figures.length === 0) refuse('notLimits', `“${clean.slice(0, 24)}” gives no figure: limits are such as 5-8 thou, or max 9 thou.`);
  if (figures.length === 1 && /^-?\d+$/.test(said)) refuse('noUnit', `${said}: in what? Put the unit after it, such as ${said} thou, mm or lb ft.`);
  const decimals = Math.max(...figures.map((f) => /[.,](\d+)$/.exec(f)?.[1]?.length ?? 0));
  const isFraction = /\d ?\/ ?\d/.test(said);
  const pointFirst = figures.some((f) => /^[.,]\d\d/.test(f));
  if (isFraction || pointFirst || decimals >= 4) return inUnit(said, 'in');
  if (decimals === 2 && figures.every((f) => Math.abs(Number(f.replace(',', '.'))) < 1)) return inUnit(said, 'mm');
  const because = 'no unit on this line';
  const ask = (...readings: (() => QuantityLimits[])[]): QuantityLimitsRead => ({ meanings: readings.flatMap((read) => read()), because });
  if (decimals === 0)
    return ask(
      () => lengths(said, 'thou'),
      () => hundredths(said),
    );
  if (decimals >= 3)
    return ask(
      () => lengths(said, 'in'),
      () => lengths(said, 'mm'),
    );
  return ask(
    () => lengths(said, 'thou'),
    () => lengths(said, 'mm'),
  );
}

function inUnit(text: string, unit: LengthUnit): QuantityLimitsRead {
  const meanings = lengths(text, unit);
  return meanings.length > 1 ? { meanings, because: 'ten-thousandths of an inch, or tenths of a millimetre?' } : { meanings };
}

/** Limits of a length, or one size where only one figure stands. */
function lengths(text: string, unit: LengthUnit): QuantityLimits[] {
  const read = limitsOrNull(text, unit);
  if (read) return [{ kind: 'length', min: read.limits.min ?? null, max: read.limits.max ?? null, unit: read.unit }];
  const one = readLength(text, unit);
  const each = (value: Length, of: LengthUnit): QuantityLimits => ({ kind: 'length', min: value, max: value, unit: of });
  return one.meanings ? one.meanings.map((m) => each(m.value, m.unit)) : [each(one.value, one.unit)];
}

function limitsOrNull(text: string, unit: LengthUnit): LimitsRead | null {
  try {
    return readLimits(text, unit);
  } catch (error) {
    if (error instanceof ReckoningError && error.code === 'notLimits') return null;
    throw error;
  }
}

/** Whole figures said in hundredths of a millimetre. */
function hundredths(text: string): QuantityLimits[] {
  const part = (value: number | null): number | null => (value === null ? null : nanometres(value / 100));
  return lengths(text, 'mm').map((m) => ({ ...m, min: part(m.min), max: part(m.max) }));
}

/** Whether there is one figure, and no window. */
export const isOneFigure = ({ min, max }: QuantityLimits): boolean => min !== null && min === max;

const STEPS: Readonly<Record<string, number>> = { mm: 0.001, thou: 0.1, in: 0.0001, um: 1 };

/**
 * Limits as numbers in another unit, rounded *inward* to its step, so that nothing allowed there is outside here. One figure alone is
 * rounded to the nearest. Lengths to 0.001 mm or 0.1 thou; anything else to a thousandth of the greater limit's power of ten, at least.
 *
 * @throws ReckoningError `inverted` when the step is wider than the window
 * @example limitsIn({ kind: 'length', min: 101600, max: 177800, unit: 'thou' }, 'mm') // { min: 0.102, max: 0.177 }
 */
export function limitsIn({ kind, min, max, unit }: QuantityLimits, to: string): { min: number | null; max: number | null; step: number } {
  if (kind === 'length') {
    const step = STEPS[to] ?? refuse('unknownUnit', `“${to}” is not a unit of length known here.`);
    const nm = step * { mm: 1e6, thou: 25_400, in: 25.4e6, um: 1e3 }[to as LengthUnit];
    const shown = (value: number): number => Number((Math.round(value / nm) * step).toFixed(6));
    if ((min !== null && min === max) || to === unit)
      return {
        min: min === null ? null : to === unit ? exact(min, nm, step) : shown(min),
        max: max === null ? null : to === unit ? exact(max, nm, step) : shown(max),
        step,
      };
    const inward = convertLimits(
      { ...(min === null ? {} : { min: min as Length }), ...(max === null ? {} : { max: max as Length }) },
      { unit: to as LengthUnit, step },
    );
    return { min: inward.min === undefined ? null : shown(inward.min), max: inward.max === undefined ? null : shown(inward.max), step };
  }
  return otherIn(min, max, unit, to);
}

const exact = (value: number, nm: number, step: number): number => Number(((value / nm) * step).toFixed(6));

function otherIn(min: number | null, max: number | null, unit: string, to: string): { min: number | null; max: number | null; step: number } {
  const [low, high] = [min === null ? null : fromBase(min, to), max === null ? null : fromBase(max, to)];
  const biggest = Math.max(Math.abs(low ?? 0), Math.abs(high ?? 0), 1e-12);
  const step = 10 ** (Math.floor(Math.log10(biggest) + 1e-12) - 2);
  const at = (value: number, round: (n: number) => number): number => Number((round(value / step) * step).toPrecision(10));
  if ((min !== null && min === max) || to === unit)
    return { min: low === null ? null : Number(low.toPrecision(10)), max: high === null ? null : Number(high.toPrecision(10)), step };
  const slack = 1e-9;
  const inward = {
    min: low === null ? null : at(low, (n) => Math.ceil(n - slack)),
    max: high === null ? null : at(high, (n) => Math.floor(n + slack)),
    step,
  };
  if (inward.min !== null && inward.max !== null && inward.min > inward.max)
    refuse('inverted', `No whole step of ${step} ${to} lies inside those limits: use the unit they were written in.`);
  return inward;
}

const DECIMALS: Readonly<Record<string, number>> = { mm: 3, in: 4, um: 0 };

/** Figures as they are shown: thou with no more decimals than they have, mm to 0.001, inches to 0.0001, others to three figures. */
function figure(value: number, unit: string, step: number): string {
  const size = Math.abs(value);
  const decimals =
    DECIMALS[unit] ?? (unit === 'thou' ? (Number.isInteger(Number(size.toFixed(3))) ? 0 : 1) : Math.max(0, -Math.floor(Math.log10(step) + 1e-9)));
  const text = size.toFixed(decimals);
  return unit === 'thou' || unit in DECIMALS ? text : text.replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '');
}

/**
 * Limits in a few characters, in either system, rounded inward: "5–8", "0.127–0.203", "preload 1–3", "max 120", "23".
 *
 * @example formatQuantityLimits({ kind: 'length', min: 127000, max: 203200, unit: 'thou' }, 'mm') // '0.127–0.203'
 */
export function formatQuantityLimits(limits: QuantityLimits, to: string): string {
  const { min, max, step } = limitsIn(limits, to);
  const say = (value: number): string => figure(value, to, step);
  const signed = (value: number): string => `${value < 0 ? '−' : ''}${say(value)}`;
  if (min !== null && max !== null) {
    if (isOneFigure(limits)) return signed(min);
    if (limits.kind !== 'length') return `${signed(min)}–${signed(max)}`;
    if (max <= 0) return `preload ${say(max)}–${say(min)}`;
    return min < 0 ? `${say(min)} preload to ${say(max)} float` : `${say(min)}–${say(max)}`;
  }
  return max !== null ? `max ${signed(max)}` : min === null ? '' : `min ${signed(min)}`;
}

const TWO_SYSTEMS: Readonly<Record<QuantityKind, readonly [imperial: string, metric: string]>> = {
  length: ['thou', 'mm'],
  torque: ['lbf·ft', 'N·m'],
  force: ['lbf', 'N'],
  pressure: ['psi', 'bar'],
  volume: ['imp pt', 'l'],
  temperature: ['°F', '°C'],
  speed: ['mph', 'km/h'],
  turning: ['rev/min', 'rev/min'],
  angle: ['°', '°'],
};

/** The units of the two columns of a spec sheet: the one it was written in, and its like in the other system. */
export function twoSystems({ kind, unit, min, max }: QuantityLimits): { imperial: string; metric: string } {
  const [imperial, metric] = TWO_SYSTEMS[kind];
  const size = Math.max(Math.abs(min ?? 0), Math.abs(max ?? 0));
  if (kind === 'length') {
    const isInches = unit !== 'thou' && size >= 2_000_000 && (unit === 'in' || size > 5_000_000);
    return { imperial: isInches ? 'in' : 'thou', metric };
  }
  if (isMetricUnit(unit)) return { imperial: kind === 'torque' ? imperialTorque(size) : imperial, metric: unit };
  return { imperial: unit, metric };
}
