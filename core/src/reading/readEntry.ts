import { ReckoningError, refuse } from '../errors.ts';
import {
  describeLength,
  fromLength,
  nanometres,
  NM_PER,
  parseLength,
  readLength,
  tidy,
  ZERO,
  type Length,
  type LengthUnit,
} from '../quantity/index.ts';
import { depthOverParallels } from './depthOverParallels.ts';
import { dialReturn } from './dialReturn.ts';
import { feelerBracket, nextFeeler } from './feelerBracket.ts';
import { checkHand, handTravel } from './hand.ts';
import { digitsEngraved, type Instrument } from './instrument.ts';
import type { Reading } from './reading.ts';
import { repeats } from './repeats.ts';

/** An entry understood: single readings to pool, or what one side alone tells. */
export interface EntryRead {
  readonly values: readonly Length[];
  readonly reading: Reading;
  readonly unit: LengthUnit;
  readonly notes: readonly string[];
  /** the stand moved between going and coming back, so the reading is not good */
  readonly drifted?: boolean;
  /** the entries it could have been, where it could mean two things: to be chosen from before it is kept */
  readonly choices?: readonly string[];
}

const NUMBER = String.raw`-?(?:\d+[ -]\d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d+[.,]\d*|[.,]\d+|\d+)`;
const UNIT = String.raw`(?:mm|inch(?:es)?|in\b|"|thou|um|swg|tenths?)`;
const NUMBERS = new RegExp(NUMBER, 'g');
const UNITS = new RegExp(UNIT, 'gi');
const HAND = String.raw`(-?\d+(?:[.,]\d+)?(?: \d\/\d)?)`;
const DIAL = new RegExp(String.raw`^${HAND} ?([<>]) ?${HAND}(?: ?[<>] ?${HAND})?(?: ?\+ ?(\d+)(?: turns?)?)?$`);
/** Both sides in either order, or one alone. */
const BLADES = String.raw`:? [\d.,/+ -]+(?:mm|thou|in\b|"|um)?(?: ?\+ ?[\d.,/ -]+(?:mm|thou|in\b|"|um)?)*`;
const FEELERS = new RegExp(`^(?:goes${BLADES} ?(?:stops${BLADES})?|stops${BLADES} ?(?:goes${BLADES})?)$`, 'i');
const LESS = new RegExp(String.raw`^(${NUMBER}) ?(${UNIT})? ?(?:less|- | -) ?(${NUMBER}) ?(${UNIT})?$`, 'i');

/** Where a hand stands: `12`, `12.5`, or `12 1/2`. */
function real(text: string): number {
  const plain = Number(text);
  if (!Number.isNaN(plain)) return plain;
  const [whole = '', fraction] = text.replace(',', '.').split(' ');
  const [top, bottom] = (fraction ?? '0/1').split('/').map(Number);
  return Number(whole) + (whole.startsWith('-') ? -1 : 1) * ((top ?? 0) / (bottom ?? 1));
}

/**
 * Reads an entry in the strip as it is written at the vice: `88>12` (hand clockwise; `<` the other way; `+1` a whole
 * turn more; `>87` back again), `goes 9 stops 10` (blades stacked with +), `1.103 less .375`, `24 24 23`, `23½ thou`.
 * A bare number is in the instrument's unit, and on a dial in divisions. No movement is *at most zero*.
 *
 * @throws ReckoningError those of readLength, feelerBracket and dialTravel; `notAReading`, `noDial`
 * @example readEntry('88>12', dial).reading // estimate 24 thou
 */
export function readEntry(text: string, instrument: Instrument): EntryRead {
  const clean = tidy(text);
  if (clean === '') refuse('empty', `Nothing was typed: ${readingExample(instrument)}.`);
  if (/goes|stops/i.test(clean)) return readFeelers(clean, instrument);
  if (/[<>]/.test(clean)) return readDial(clean, instrument);
  const less = LESS.exec(clean);
  if (less)
    return pooled([corrected(readLess(less, instrument), instrument)], instrument.unit, instrument, ['less the parallel', ...zeroNote(instrument)]);
  return readList(clean, instrument);
}

/** How a reading is written that is taken with an instrument: for the sentence that refuses another. */
export const readingExample = (instrument: Instrument): string =>
  instrument.kind === 'dial'
    ? 'type where the hand went, such as 88>12'
    : instrument.kind === 'feelers'
      ? 'type what went in, such as goes 9 stops 10'
      : 'type the size, such as 12.70 mm or .5004"';

function readDial(clean: string, instrument: Instrument): EntryRead {
  const parts = DIAL.exec(clean);
  if (!parts) return refuse('notAReading', 'A dial is written from > to, such as 88>12, with < where the hand ran backwards.');
  const { divisions, resolution } = instrument;
  if (divisions === undefined) return refuse('noDial', `${instrument.name} has no hand to read: type the size it shows.`);
  const [, written = '', arrow, writtenTo = '', writtenBack, turns] = parts;
  const [from, to] = [real(written), real(writtenTo)];
  const back = writtenBack === undefined ? undefined : real(writtenBack);
  for (const hand of [from, to, back ?? 0]) checkHand(hand, divisions, instrument.balanced ?? false);
  const { stemAngle = 0, faceAngle = 0, radius } = instrument;
  const direction = arrow === '>' ? 'clockwise' : 'anticlockwise';
  const value = handTravel({ from, to, turns: turns === undefined ? 0 : Number(turns), direction }, instrument, divisions);
  const returned = back === undefined ? undefined : dialReturn({ from, back, divisions, division: resolution });
  const notes = [
    ...(stemAngle === 0 && faceAngle === 0 ? [] : [`the dial off square: × cos ${stemAngle - faceAngle}° ÷ cos ${faceAngle}°`]),
    ...(radius
      ? [
          `from radius ${describeLength(radius.read, instrument.unit === 'mm' ? 'mm' : 'in')} to ${describeLength(radius.wanted, instrument.unit === 'mm' ? 'mm' : 'in')}`,
        ]
      : []),
    ...(returned === undefined
      ? []
      : [
          returned.held
            ? 'came back: the stand held'
            : `came back ${describeLength(nanometres(Math.abs(returned.drift)), instrument.unit)} off: the stand moved, read again`,
        ]),
  ];
  return { ...pooled([value], instrument.unit, instrument, notes), ...(returned && !returned.held ? { drifted: true } : {}) };
}

const corrected = (value: Length, { zeroError }: Instrument): Length => (zeroError === undefined ? value : nanometres(value - zeroError));

const zeroNote = ({ zeroError, unit }: Instrument): string[] =>
  zeroError === undefined || zeroError === 0 ? [] : [`zero error of ${describeLength(zeroError, unit === 'in' ? 'thou' : unit)} taken off`];

/**
 * Two decimals or more on what is read in whole divisions or blades: inches or millimetres were meant as like as not, and it is asked.
 */
function finerThanRead(clean: string, instrument: Instrument): readonly string[] {
  const coarse = instrument.kind === 'dial' || instrument.kind === 'feelers';
  const [, whole = '', decimals = ''] = /^(\d*)[.,](\d+)$/.exec(clean) ?? [];
  const finest = digitsEngraved(instrument) + (instrument.kind === 'dial' ? 1 : 0);
  const isComma = /^[1-9]\d*,\d{3}$/.test(clean);
  if (!coarse || isComma || decimals.length < 2 || (instrument.kind !== 'dial' && decimals.length <= finest)) return [];
  const said = `${whole === '' ? '0' : whole}.${decimals}`;
  const small = instrument.unit === 'mm' || instrument.unit === 'um' ? 'mm' : 'thou';
  const asTyped = nanometres(Number(said) * (instrument.kind === 'dial' ? instrument.resolution : NM_PER[instrument.unit]));
  return [`${said} ${whole === '' || decimals.length > 2 ? 'in' : 'mm'}`, `${Number(fromLength(asTyped, small).toFixed(5))} ${small}`];
}

function readFeelers(clean: string, instrument: Instrument): EntryRead {
  const blades = (word: string): Length[] | undefined => {
    const found = new RegExp(String.raw`${word}:? ([^a-z]*(?:mm|thou|in|"|um)?)`, 'i').exec(clean)?.[1]?.trim();
    return found === undefined ? undefined : found.split('+').map((blade) => parseLength(blade, unitIn(clean) ?? instrument.unit));
  };
  if (!FEELERS.test(clean)) {
    refuse('notAReading', 'Feelers are written goes 9 stops 10, with + between blades put in together.');
  }
  const goes = blades('goes');
  const stops = blades('stops');
  const reading = feelerBracket({ ...(goes ? { goes } : {}), ...(stops ? { stops } : {}), bladeU: instrument.calibrationU });
  const next = nextFeeler({ ...(goes ? { goes } : {}), ...(stops ? { stops } : {}) });
  return {
    values: reading.kind === 'estimate' ? [reading.value] : [],
    reading,
    unit: unitIn(clean) ?? instrument.unit,
    notes: next === undefined ? [] : [next],
  };
}

const unitIn = (clean: string): LengthUnit | undefined => {
  const words = clean.match(UNITS) ?? [];
  if (words.length === 0) return undefined;
  const kinds = new Set(words.map((word) => readLength(`1 ${word}`, 'mm').unit));
  if (kinds.size > 1) refuse('twoUnits', `Two units in one entry (${words.join(' and ')}): give one at a time.`);
  return [...kinds][0];
};

function readLess(parts: RegExpExecArray, instrument: Instrument): Length {
  const [, reading = '', unitA, parallel = '', unitB] = parts;
  const units = [unitA, unitB].filter((u) => u !== undefined).join(' ');
  const unit = unitIn(units) ?? instrument.unit;
  return depthOverParallels({ reading: parseLength(reading, unit), parallels: [parseLength(parallel, unit)] });
}

function readList(clean: string, instrument: Instrument): EntryRead {
  const rest = clean.replace(UNITS, ' ').replace(/;/g, ' ').replace(/ +/g, ' ').trim();
  const tokens = rest.match(NUMBERS) ?? [];
  if (tokens.length === 0 || tokens.join(' ') !== rest) {
    if (/^\S+$/.test(clean) && /^[\d.,/-]/.test(clean)) readLength(clean, instrument.unit);
    refuse('notAReading', `“${clean.slice(0, 24)}” is not a reading: ${readingExample(instrument)}.`);
  }
  if (tokens.length === 1) {
    const choices = finerThanRead(clean, instrument);
    if (choices.length > 0) return { ...readList(choices[0] ?? '', instrument), choices };
    const single = readLength(clean, instrument.unit);
    const bare = unitIn(clean) === undefined && instrument.divisions !== undefined;
    const value = bare ? nanometres((single.value / NM_PER[instrument.unit]) * instrument.resolution) : single.value;
    const read = pooled([corrected(value, instrument)], single.unit, instrument, [...single.notes, ...zeroNote(instrument)]);
    return single.meanings ? { ...read, choices: single.meanings.map((m) => describeLength(m.value, m.unit, 2)) } : read;
  }
  const unit = unitIn(clean);
  const values = tokens.map((token) => {
    const length = parseLength(token, unit ?? instrument.unit);
    const size =
      unit === undefined && instrument.divisions !== undefined ? nanometres((length / NM_PER[instrument.unit]) * instrument.resolution) : length;
    return corrected(size, instrument);
  });
  return pooled(values, unit ?? instrument.unit, instrument, zeroNote(instrument));
}

function pooled(values: readonly Length[], unit: LengthUnit, instrument: Instrument, notes: readonly string[]): EntryRead {
  return { values, reading: poolReadings(values, instrument), unit, notes };
}

/** Single readings made into one, by the instrument they were read with; a dial that never moved is at most zero. */
export function poolReadings(values: readonly Length[], instrument: Instrument): Reading {
  if (instrument.kind === 'dial' && values.every((value) => value === 0)) return { kind: 'atMost', value: ZERO };
  return repeats(values, instrument);
}

/** Which of several readings stand apart from the rest, counted from nought: questioned, never dropped. Fewer than five tell nothing. */
export const standingApart = (values: readonly Length[], instrument: Instrument): readonly number[] =>
  values.length < 5 ? [] : repeats(values, instrument).outliers;

/** As {@link readEntry}, with the refusal as data: for saying beside a field what was wrong while it is typed. */
export function tryEntry(
  text: string,
  instrument: Instrument,
): { readonly read: EntryRead } | { readonly refusal: { code: string; message: string; choices?: readonly string[] } } {
  try {
    return { read: readEntry(text, instrument) };
  } catch (error) {
    if (error instanceof ReckoningError) {
      const comma =
        error.code === 'ambiguousComma' ? { choices: [text.replace(/(\d),(\d{3})/g, '$1.$2'), text.replace(/(\d),(\d{3})/g, '$1$2')] } : {};
      return { refusal: { code: error.code, message: error.message, ...comma } };
    }
    throw error;
  }
}
