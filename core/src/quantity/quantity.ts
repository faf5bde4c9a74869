import { refuse } from '../errors.ts';
import { readLength, readNumber, tidy } from './readLength.ts';
import { formatLength, nanometres, toLength, unitWord, type LengthUnit } from './length.ts';
import { SHOWN_IN, TWO_GALLONS, UNITS, type OtherQuantity, type QuantityKind, type UnitOf } from './units.ts';

/** A quantity understood: a length in nanometres, anything else in its base unit (N·m, N, Pa, m³, °C, m/s, rad/s, degrees). */
export interface QuantityRead {
  readonly kind: QuantityKind;
  readonly value: number;
  /** the unit it was written in, as this program spells it */
  readonly unit: string;
  readonly notes: readonly string[];
  /** what it could mean, where there are two: nothing is chosen */
  readonly meanings?: readonly QuantityRead[];
}

/** Only what cannot matter: capitals, spaces, points, hyphens and dots in a unit. */
export const tidyUnit = (text: string): string =>
  text
    .toLowerCase()
    .replace(/²/g, '2')
    .replace(/³/g, '3')
    .replace(/º/g, '°')
    .replace(/\bper\b/g, '/')
    .replace(/[\s.·*⋅-]+/g, '');

const BY_TYPED: ReadonlyMap<string, UnitOf> = new Map(UNITS.flatMap((unit) => unit.typed.map((typed) => [typed, unit] as const)));
const BY_NAME: ReadonlyMap<string, UnitOf> = new Map(UNITS.map((unit) => [unit.name, unit]));
const LENGTHS: ReadonlySet<string> = new Set(['mm', 'in', 'thou', 'um', 'µm']);

/** The unit that was typed, or undefined. */
export const unitTyped = (typed: string): UnitOf | undefined => BY_TYPED.get(tidyUnit(typed));

function unitNamed(name: string): UnitOf {
  return BY_NAME.get(name) ?? refuse('unknownUnit', `“${name.slice(0, 24)}” is not a unit known here.`);
}

/** A number in a unit, in its base unit. */
export const toBase = (value: number, unit: string): number => {
  const { per, plus = 0 } = unitNamed(unit);
  return (value + plus) * per;
};

/** A base value as a number in a unit. */
export const fromBase = (base: number, unit: string): number => {
  const { per, plus = 0 } = unitNamed(unit);
  return base / per - plus;
};

/**
 * A quantity in another unit of its kind: torque, force, pressure, volume, temperature, speed, turning or angle.
 *
 * @throws ReckoningError `notANumber`, `unknownUnit`, `twoKinds`
 * @example convertQuantity(32, '°F', '°C') // 0
 */
export function convertQuantity(value: number, from: string, to: string): number {
  if (!Number.isFinite(value)) refuse('notANumber', 'That is not a quantity: a number was expected.');
  if (unitNamed(from).kind !== unitNamed(to).kind) refuse('twoKinds', `${from} and ${to} measure different things: choose two of one kind.`);
  return fromBase(toBase(value, from), to);
}

/** Lengths too long for the strip, in the unit they are shown in: metres and feet. */
const LONG: Readonly<Record<string, readonly [LengthUnit, number]>> = {
  cm: ['mm', 10],
  m: ['mm', 1000],
  metre: ['mm', 1000],
  metres: ['mm', 1000],
  ft: ['in', 12],
  foot: ['in', 12],
  feet: ['in', 12],
};

const NUMBER = String.raw`(?:\d+[ -]\d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d+[.,]\d*|[.,]\d+|\d+)`;
const WITH_UNIT = new RegExp(String.raw`^(-?) ?(${NUMBER}) ?(.*)$`);
const DEGREES_MINUTES = /^(-?)(\d+(?:\.\d+)?) ?[°º] ?(\d+(?:\.\d+)?) ?['′](?: ?(\d+(?:\.\d+)?) ?(?:"|''))?$/;

/**
 * Reads any quantity with its unit: `23 lb ft`, `1.25 N·m`, `40 psi`, `2½ pints`, `120 °C`, `1,5 bar`, `12°30'`, `23½ thou`.
 * A pint, quart or gallon by itself is either country's: both meanings come back, and the first stands until one is chosen.
 *
 * @throws ReckoningError `empty`, `noUnit`, `unknownUnit`, `tooCold` and those of readLength
 * @example readQuantity('90 lb ft').value // 122.0236…
 */
export function readQuantity(text: string): QuantityRead {
  const clean = tidy(text);
  if (clean === '') refuse('empty', 'Nothing was typed: give a size with its unit, such as 23 lb ft or 0.60 mm.');
  const dms = DEGREES_MINUTES.exec(clean);
  if (dms) return readDegrees(dms);
  const [, minus = '', number = '', rest = ''] = WITH_UNIT.exec(clean) ?? [];
  if (number === '') return lengthRead(clean);
  if (rest === '') return refuse('noUnit', `${clean}: in what? Put the unit after it, such as ${clean} thou, mm or N·m.`);
  const sign = minus === '-' ? -1 : 1;
  const either = TWO_GALLONS[tidyUnit(rest)];
  if (either) {
    const meanings = either.map((unit) => readIn(unitNamed(unit), sign * readNumber(number)));
    const [first] = meanings;
    return { ...(first as QuantityRead), notes: ['imperial or US: they differ by a sixth'], meanings };
  }
  const long = LONG[tidyUnit(rest)];
  if (long) return { kind: 'length', value: toLength(sign * readNumber(number) * long[1], long[0]), unit: long[0], notes: [] };
  const unit = unitTyped(rest);
  return unit === undefined ? lengthRead(clean) : readIn(unit, sign * readNumber(number));
}

function readIn(unit: UnitOf, number: number): QuantityRead {
  const value = toBase(number, unit.name) + 0;
  if (unit.kind === 'temperature' && value < -273.15 - 1e-9)
    refuse('tooCold', 'That is colder than anything can be: −273.15 °C is the end of the scale.');
  return { kind: unit.kind, value, unit: unit.name, notes: unit.note === undefined ? [] : [unit.note] };
}

function readDegrees([, minus, degrees, minutes, seconds = '0']: RegExpExecArray): QuantityRead {
  if (Number(minutes) >= 60 || Number(seconds) >= 60) refuse('notANumber', 'Minutes and seconds of an angle run to 59.');
  const value = Number(degrees) + Number(minutes) / 60 + Number(seconds) / 3600;
  return { kind: 'angle', value: minus === '-' ? -value : value, unit: '°', notes: [] };
}

function lengthRead(clean: string): QuantityRead {
  const read = readLength(clean, 'mm');
  const meanings = read.meanings?.map((m) => ({ kind: 'length' as const, value: m.value, unit: m.unit, notes: [] }));
  return { kind: 'length', value: read.value, unit: read.unit, notes: read.notes, ...(meanings ? { meanings } : {}) };
}

/**
 * A base value in a unit, to so many significant figures and never with an exponent; a length as it is always written.
 *
 * @example formatQuantity(122.0236, 'N·m', 4) // '122.0'
 */
export function formatQuantity(base: number, unit: string, figures = 4): string {
  if (LENGTHS.has(unit)) return formatLength(nanometres(base), unit as LengthUnit);
  const value = fromBase(base, unit);
  if (value === 0) return '0';
  const decimals = Math.max(0, Math.min(12, figures - 1 - Math.floor(Math.log10(Math.abs(Number(value.toPrecision(figures)))) + 1e-12)));
  const size = Math.abs(value).toFixed(decimals);
  return (value < 0 && Number(size) !== 0 ? '−' : '') + size;
}

/** The unit as it is written after a number, a length's too. */
export const quantityUnitWord = (unit: string): string => (LENGTHS.has(unit) ? unitWord(unit as LengthUnit) : unit);

/** A base value with its unit, as in a sentence: "31.2 N·m". */
export const describeQuantity = (base: number, unit: string, figures?: number): string =>
  `${formatQuantity(base, unit, figures)} ${quantityUnitWord(unit)}`;

/** The other units a quantity is shown in, without the one it was written in. */
export const otherUnits = (kind: OtherQuantity, written: string): readonly string[] => SHOWN_IN[kind].filter((unit) => unit !== written);
