import { refuse } from '../errors.ts';
import {
  describeLength,
  fromLength,
  nanometres,
  NM_PER,
  parseLength,
  readLength,
  smallUnit,
  tidy,
  type Length,
  type LengthUnit,
} from '../quantity/index.ts';
import { depthOverParallels } from './depthOverParallels.ts';
import { digitsEngraved, type Instrument } from './instrument.ts';
import type { Reading } from './reading.ts';
import { readingOf, type ReadingEntry } from './readingEntry.ts';

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
  const { entry, unit, notes = [], choices } = parsed(tidy(text), instrument);
  const { values, reading, notes: of, drifted } = readingOf(entry, instrument);
  return { values, reading, unit, notes: [...notes, ...of], ...(drifted ? { drifted } : {}), ...(choices ? { choices } : {}) };
}

/**
 * What an entry is understood as by this reader, from before there was one reader for every field: for what was kept in its day.
 *
 * @throws ReckoningError as readEntry
 * @example understoodThen('24', dial) // { how: 'sizes', values: [24 thou], unit: 'thou' }
 */
export function understoodThen(text: string, instrument: Instrument): ReadingEntry & { readonly unit: LengthUnit } {
  const { entry, unit } = parsed(tidy(text), instrument);
  readingOf(entry, instrument);
  return { ...entry, unit };
}

interface Parsed {
  readonly entry: ReadingEntry;
  readonly unit: LengthUnit;
  readonly notes?: readonly string[];
  readonly choices?: readonly string[];
}

function parsed(clean: string, instrument: Instrument): Parsed {
  if (clean === '') refuse('empty', `Nothing was typed: ${readingExample(instrument)}.`);
  if (/goes|stops/i.test(clean)) return readFeelers(clean, instrument);
  if (/[<>]/.test(clean)) return readDial(clean, instrument);
  const less = LESS.exec(clean);
  if (less) return { entry: { how: 'sizes', values: [readLess(less, instrument)] }, unit: instrument.unit, notes: ['less the parallel'] };
  return readList(clean, instrument);
}

/** How a reading is written that is taken with an instrument: for the sentence that refuses another. */
export const readingExample = (instrument: Instrument): string =>
  instrument.kind === 'dial'
    ? 'type where the hand went, such as 88>12'
    : instrument.kind === 'feelers'
      ? 'type what went in, such as goes 9 stops 10'
      : 'type the size, such as 12.70 mm or .5004"';

function readDial(clean: string, instrument: Instrument): Parsed {
  const parts = DIAL.exec(clean);
  if (!parts) return refuse('notAReading', 'A dial is written from > to, such as 88>12, with < where the hand ran backwards.');
  if (instrument.divisions === undefined) return refuse('noDial', `${instrument.name} has no hand to read: type the size it shows.`);
  const [, from = '', arrow, to = '', back, turns] = parts;
  return {
    entry: {
      how: 'hand',
      from: real(from),
      to: real(to),
      back: back === undefined ? null : real(back),
      turns: turns === undefined ? 0 : Number(turns),
      direction: arrow === '>' ? 'clockwise' : 'anticlockwise',
    },
    unit: instrument.unit,
  };
}

/**
 * Two decimals or more on what is read in whole divisions or blades: inches or millimetres were meant as like as not, and it is asked.
 */
function finerThanRead(clean: string, instrument: Instrument): readonly string[] {
  const isDial = instrument.kind === 'dial';
  const coarse = isDial || instrument.kind === 'feelers';
  const [, whole = '', decimals = ''] = /^(\d*)[.,](\d+)$/.exec(clean) ?? [];
  const isComma = /^[1-9]\d*,\d{3}$/.test(clean);
  if (!coarse || isComma || decimals.length < 2 || (!isDial && decimals.length <= digitsEngraved(instrument))) return [];
  const said = `${whole === '' ? '0' : whole}.${decimals}`;
  const small = smallUnit(instrument.unit);
  const asTyped = nanometres(Number(said) * (isDial ? instrument.resolution : NM_PER[instrument.unit]));
  return [`${said} ${whole === '' || decimals.length > 2 ? 'in' : 'mm'}`, `${Number(fromLength(asTyped, small).toFixed(5))} ${small}`];
}

function readFeelers(clean: string, instrument: Instrument): Parsed {
  const unit = unitIn(clean) ?? instrument.unit;
  const blades = (word: string): Length[] | null => {
    const found = new RegExp(String.raw`${word}:? ([^a-z]*(?:mm|thou|in|"|um)?)`, 'i').exec(clean)?.[1]?.trim();
    return found === undefined ? null : found.split('+').map((blade) => parseLength(blade, unit));
  };
  if (!FEELERS.test(clean)) refuse('notAReading', 'Feelers are written goes 9 stops 10, with + between blades put in together.');
  return { entry: { how: 'blades', goes: blades('goes'), stops: blades('stops') }, unit };
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

function readList(clean: string, instrument: Instrument): Parsed {
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
    const value = inDivisions(single.value, clean, instrument);
    const entry = { how: 'sizes', values: [value] } as const;
    const meant = single.meanings?.map((m) => describeLength(m.value, m.unit, 2));
    return { entry, unit: single.unit, notes: single.notes, ...(meant ? { choices: meant } : {}) };
  }
  const unit = unitIn(clean) ?? instrument.unit;
  const values = tokens.map((token) => inDivisions(parseLength(token, unit), clean, instrument));
  return { entry: { how: 'sizes', values }, unit };
}

/** A bare number on a dial is divisions. */
const inDivisions = (length: Length, clean: string, { unit, divisions, resolution }: Instrument): Length =>
  divisions === undefined || unitIn(clean) !== undefined ? length : nanometres((length / NM_PER[unit]) * resolution);
