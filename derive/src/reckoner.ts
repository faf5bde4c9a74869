import type { Lot } from '@elder-cog/contract';
import {
  BOUND,
  CEILINGS,
  describeLength,
  describeQuantity,
  formatLength,
  formatQuantity,
  formatQuantityLimits,
  fromBase,
  fromLength,
  HEATED_KINDS,
  INSTRUMENTS,
  isMetric,
  isSum,
  type Length,
  type LengthUnit,
  nanometres,
  nearestFraction,
  nearestSizes,
  type NearSize,
  NM_PER,
  type OtherQuantity,
  otherUnits,
  type QuantityLimits,
  type QuantityRead,
  quantityUnitWord,
  readingOf,
  readQuantity,
  readQuantityLimits,
  ReckoningError,
  searchPacks,
  sumLengths,
  type SumTerm,
  tidy,
  twoSystems,
  understand,
  UNITS,
} from '@elder-cog/core';

/** One answer, large. */
export interface ReckonedTile {
  readonly label: string;
  readonly value: string;
  readonly unit: string;
  /** all of it, where what is shown is rounded */
  readonly exactly: string;
}

export interface Reckoned {
  readonly what: 'length' | 'limits' | OtherQuantity;
  readonly readAs: string;
  readonly notes: readonly string[];
  readonly tiles: readonly ReckonedTile[];
  readonly working: readonly { readonly label: string; readonly expression: string }[];
  readonly length: Length | null;
  readonly nearest: readonly NearSize[];
}

/** What an entry comes to; the ways it could be meant; or why not, in a sentence. */
export type Reckoner =
  | { readonly answer: Reckoned; readonly choices: readonly string[] }
  | { readonly answer: null; readonly choices: readonly string[]; readonly refusal: string };

const UNIT_NAMES: Readonly<Record<LengthUnit, string>> = { thou: 'thousandths of an inch', in: 'inches', mm: 'millimetres', um: 'micrometres' };

/**
 * Reckons whatever was typed: a length, fraction, gauge, dial reading, limits, torque, force, pressure, volume, temperature, speed or
 * angle. A bare number comes back as the ways it could be meant, and nothing is guessed.
 *
 * @param lots leaves on hand, for the nearest of them and the nearest pack
 */
export function reckon(text: string, lots: readonly Lot[]): Reckoner {
  const clean = tidy(text);
  if (clean === '') return { answer: null, choices: [], refusal: '' };
  const isReading = /[<>]|goes|stops/i.test(clean);
  const isAdded = !isReading && isSum(clean);
  try {
    if (isAdded) return limitsAlone(clean) ?? { answer: sumAnswer(clean, lots), choices: [] };
    if (isReading) return readingAnswer(clean, lots);
    const read = readQuantity(clean);
    return { answer: quantityAnswer(read, text.trim(), lots), choices: (read.meanings ?? []).map((m) => sayMeaning(m)) };
  } catch (error) {
    if (!(error instanceof ReckoningError)) throw error;
    if (error.code === 'noUnit')
      return { answer: null, choices: (isAdded ? LENGTHS : USUAL).map((unit) => `${clean} ${unit}`), refusal: error.message };
    return error.code === 'notALength' ? { answer: null, choices: [], refusal: error.message } : limitsOr(clean, error);
  }
}

const LENGTHS = ['thou', 'mm', 'in'] as const;
const USUAL = [...LENGTHS, 'N·m', 'lb ft'] as const;

/** The limits that an entry is, where it is nothing else: a spaced stroke is a range where the smaller stands first, and takes off where it does not. */
function limitsAlone(clean: string): Reckoner | null {
  try {
    return limitsAnswer(readQuantityLimits(clean).meanings);
  } catch (error) {
    if (error instanceof ReckoningError) return null;
    throw error;
  }
}

function sumAnswer(clean: string, lots: readonly Lot[]): Reckoned {
  const { value, unit, terms } = sumLengths(clean);
  const answer = lengthAnswer(value, unit, lots);
  const isMixed = terms.some((term) => term.unit !== unit);
  const units: readonly LengthUnit[] = isMixed && !isMetric(unit) ? ['thou', 'mm'] : [unit];
  const added = units.map((of) => ({
    label: `added up in ${UNIT_NAMES[of]}`,
    expression: `${terms.map((term, i) => termWords(term, of, i === 0)).join(' ')} = ${trim(fromLength(value, of), 5)}`,
  }));
  return { ...answer, readAs: describeLength(value, unit), working: [...added, ...answer.working] };
}

/** "− 2 × 0.2": one figure of a sum, its sign before it, but for a plus at the beginning. */
function termWords({ times, value }: SumTerm, of: LengthUnit, isFirst: boolean): string {
  const sign = times < 0 ? '− ' : isFirst ? '' : '+ ';
  const often = Math.abs(times) === 1 ? '' : `${Math.abs(times)} × `;
  return `${sign}${often}${trim(fromLength(value, of), 5)}`;
}

const sayMeaning = (read: QuantityRead): string =>
  `${formatQuantity(read.value, read.unit, 6)
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')} ${quantityUnitWord(read.unit)}`;

/** Limits in both systems; null where they could be meant in more than one way. */
function limitsAnswer(meanings: readonly QuantityLimits[]): Reckoner | null {
  const [limits] = meanings;
  if (meanings.length !== 1 || !limits) return null;
  const { imperial, metric } = twoSystems(limits);
  const units = imperial === metric ? [metric] : [imperial, metric];
  return {
    choices: [],
    answer: {
      what: 'limits',
      readAs: 'limits, rounded inward in the other system',
      notes: [],
      tiles: units.map((unit) => ({ label: quantityUnitWord(unit), value: formatQuantityLimits(limits, unit), unit: '', exactly: '' })),
      working: [],
      length: null,
      nearest: [],
    },
  };
}

function limitsOr(clean: string, error: ReckoningError): Reckoner {
  try {
    return limitsAnswer(readQuantityLimits(clean).meanings) ?? { answer: null, choices: [], refusal: error.message };
  } catch (second) {
    if (second instanceof ReckoningError) return { answer: null, choices: [], refusal: second.code === 'notLimits' ? error.message : second.message };
    throw second;
  }
}

/** A dial or feelers as it is read in the strip: thou, since no instrument is named here. */
function readingAnswer(clean: string, lots: readonly Lot[]): Reckoner {
  const isDial = /[<>]/.test(clean);
  const instrument = isDial ? INSTRUMENTS.dialThou : INSTRUMENTS.feelersThou;
  const found = understand(clean, { field: 'reading', bare: 'thou', instrument });
  if (found.kind === 'refused') return { answer: null, choices: [], refusal: found.message };
  if (found.kind === 'ask') return { answer: null, choices: LENGTHS.map((unit) => `${clean} ${unit}`), refusal: found.why };
  const {
    reading: { kind, value },
    notes,
  } = readingOf(found.value, instrument);
  return {
    choices: [],
    answer: {
      ...lengthAnswer(value, 'thou', lots),
      readAs: `${BOUND[kind]}${describeLength(value, 'thou')}`,
      notes: isDial ? [...notes, `on a dial of hundredths: ${describeLength(nanometres((value / NM_PER.thou) * 10_000), 'mm', 2)}`] : notes,
    },
  };
}

function quantityAnswer(read: QuantityRead, typed: string, lots: readonly Lot[]): Reckoned {
  if (read.kind !== 'length') return otherAnswer(read, read.kind);
  const unit = read.unit as LengthUnit;
  const answer = lengthAnswer(read.value as Length, unit, lots);
  return { ...answer, notes: read.notes, readAs: /[/½¼¾⅛⅜⅝⅞]/.test(typed) ? `${typed}, exact` : answer.readAs };
}

const trim = (value: number, places: number): string => String(Number(value.toFixed(places)));

function lengthAnswer(value: Length, unit: LengthUnit, lots: readonly Lot[]): Reckoned {
  const [inThou, inInches, inMm] = [fromLength(value, 'thou'), fromLength(value, 'in'), fromLength(value, 'mm')];
  const on128 = nearestFraction(value, 128);
  const nearest = [
    ...nearestSizes(
      value,
      lots.filter((lot) => lot.owned > 0).map((lot) => ({ thickness: lot.thickness, name: `leaf ${lot.written}${lot.unit === 'mm' ? ' mm' : ''}` })),
    ),
    ...packNear(value, lots),
  ];
  return {
    what: 'length',
    readAs: `${trim(fromLength(value, unit), 6)} ${UNIT_NAMES[unit]}, exact`,
    notes: [],
    tiles: [
      { label: 'thou', value: formatLength(value, 'thou', 1), unit: 'thou', exactly: exactly(inThou, 1) },
      { label: 'inch', value: formatLength(value, 'in', 4).replace(/^(−?)0\./, '$1.'), unit: '″', exactly: exactly(inInches, 4) },
      { label: 'millimetre', value: formatLength(value, 'mm', 3), unit: 'mm', exactly: exactly(inMm, 3) },
    ],
    working: [
      isMetric(unit)
        ? { label: '1 thou is 0.0254 mm, exactly', expression: `${trim(inMm, 6)} ÷ 0.0254 = ${trim(inThou, 3)}` }
        : { label: '1 thou is 0.0254 mm, exactly', expression: `${trim(inThou, 4)} × 0.0254 = ${trim(inMm, 6)}` },
      { label: 'fraction, in 128ths', expression: `${trim(inInches, 5)} × 128 = ${trim(inInches * 128, 3)} → ${Math.round(inInches * 128)}` },
      {
        label: 'it misses by',
        expression: `${trim(fromLength(on128.size, 'thou'), 2)} − ${trim(inThou, 2)} = ${trim(fromLength(on128.error, 'thou'), 2)} thou`,
      },
      ...nearest
        .filter((n) => n.of === 'leaf')
        .slice(0, 1)
        .map((n) => ({
          label: n.name,
          expression: `${trim(fromLength(n.size, 'thou'), 2)} − ${trim(inThou, 2)} = ${trim(fromLength(n.error, 'thou'), 2)} thou`,
        })),
    ],
    length: value,
    nearest,
  };
}

const exactly = (value: number, shown: number): string => {
  const all = trim(value, 8);
  return (all.split('.')[1]?.length ?? 0) > shown ? `${all} exactly` : '';
};

/** The nearest pack of two or three leaves on hand, where it is nearer than any leaf alone. */
function packNear(value: Length, lots: readonly Lot[]): NearSize[] {
  const drawer = lots
    .filter((lot) => lot.owned > 0 && lot.thickness < value)
    .map((lot) => ({ thickness: lot.thickness, quantity: Math.min(lot.owned, 3) }));
  if (value <= 0 || value > 12_000_000 || drawer.length === 0) return [];
  const margin = nanometres(Math.max(value / 20, 12_700));
  const { packs } = searchPacks(drawer, { min: nanometres(value - margin), max: nanometres(value + margin), target: value, maxLeaves: 3, keep: 4 });
  const best = packs.find((pack) => pack.leaves.reduce((n, leaf) => n + leaf.count, 0) > 1);
  if (!best) return [];
  const words = best.leaves.flatMap((leaf) => {
    const lot = lots.find((l) => l.thickness === leaf.thickness);
    return Array.from({ length: leaf.count }, () => lot?.written ?? '');
  });
  return [{ of: 'leaf', name: `pack ${words.join(' + ')}`, size: nanometres(value + best.error), error: best.error }];
}

const SPELLED: Readonly<Record<string, string>> = {
  'N·m': 'newton metres',
  'lbf·ft': 'pounds feet',
  'lbf·in': 'pounds inches',
  'kgf·m': 'kilograms metres',
  'kgf·cm': 'kilograms centimetres',
  N: 'newtons',
  lbf: 'pounds pull',
  kgf: 'kilograms pull',
  ozf: 'ounces pull',
  psi: 'pounds a square inch',
  MPa: 'newtons a square mm',
  'kgf/cm²': 'kilograms a square cm',
  'tonf/in²': 'tons a square inch',
  l: 'litres',
  ml: 'cubic centimetres',
  'imp pt': 'imperial pints',
  'US pt': 'US pints',
  'imp gal': 'imperial gallons',
  'US qt': 'US quarts',
  '°C': 'Celsius',
  '°F': 'Fahrenheit',
  K: 'absolute',
  '°': 'degrees',
  '′': 'minutes of arc',
  rad: 'radians',
  turn: 'turns',
};

function otherAnswer(read: QuantityRead, kind: OtherQuantity): Reckoned {
  const shown = [read.unit, ...otherUnits(kind, read.unit)].slice(0, 6);
  const written = fromBase(read.value, read.unit);
  return {
    what: kind,
    readAs: describeQuantity(read.value, read.unit, 6)
      .replace(/(\.\d*?)0+ /, '$1 ')
      .replace('. ', ' '),
    notes: [...read.notes, ...(kind === 'temperature' ? ceilingNotes(read.value) : [])],
    tiles: shown.map((unit) => ({
      label: SPELLED[unit] ?? unit,
      value: formatQuantity(read.value, unit, 4),
      unit: quantityUnitWord(unit),
      exactly: '',
    })),
    working: shown.slice(1).map((unit) => ({ label: `in ${unit}`, expression: workingOf(written, read.unit, unit, read.value) })),
    length: null,
    nearest: [],
  };
}

/** Hotter than any part of a gearbox is meant to be: a colour, a weld. */
const NO_PART = 400;

/** What such heat may harm: said wherever a temperature is entered. */
const ceilingNotes = (celsius: number): string[] => {
  const passed = HEATED_KINDS.map((kind) => CEILINGS[kind]).filter((ceiling) => celsius > ceiling.celsius && celsius <= NO_PART);
  return passed.length === 0 ? [] : [`Too hot for ${passed.map(({ called, celsius: most }) => `${called} (${most} °C)`).join(', ')}.`];
};

const factorOf = (unit: string): number => UNITS.find((u) => u.name === unit)?.per ?? 1;
const figures = (value: number): string => String(Number(value.toPrecision(5)));

function workingOf(value: number, from: string, to: string, base: number): string {
  const answer = figures(fromBase(base, to));
  if (from === '°F' && to === '°C') return `(${figures(value)} − 32) × 5 ÷ 9 = ${answer}`;
  if (from === '°C' && to === '°F') return `${figures(value)} × 9 ÷ 5 + 32 = ${answer}`;
  if (to === 'K' || from === 'K')
    return from === '°F' || to === '°F' ? `by way of °C = ${answer}` : `${figures(value)} ${to === 'K' ? '+' : '−'} 273.15 = ${answer}`;
  const ratio = factorOf(to) / factorOf(from);
  return ratio >= 1 ? `${figures(value)} ÷ ${figures(ratio)} = ${answer}` : `${figures(value)} × ${figures(1 / ratio)} = ${answer}`;
}
