import { newRow, ROWS_AT_ONCE, type Change } from '@elder-cog/contract';
import {
  eitherOf,
  type EntryField,
  type EntryQuestion,
  type EntryValues,
  FEATURE_KINDS,
  type FeatureKindName,
  FEATURES,
  formatLength,
  type LengthUnit,
  type Meaning,
  type ReadingEntry,
  understand,
  withUnit,
} from '@elder-cog/core';
import { expectedAround, type FeatureState } from '@elder-cog/derive';
import Papa from 'papaparse';
import { setLimits, sizeRead } from './gapActions.ts';
import { nextPosition, type Book } from './job.ts';
import { newId, useSettings } from './settings.ts';

/** Rows of the Wear book to and from a spreadsheet. One line a row; readings of a place side by side in one cell. */

const PLACE_COLUMNS = ['readings_1', 'readings_2', 'readings_3'] as const;
const COLUMNS = ['part', 'kind', 'unit', 'new', 'limit', ...PLACE_COLUMNS, 'decision'] as const;
/** Names a person gives the same columns. */
const ALSO: Readonly<Record<string, (typeof COLUMNS)[number]>> = {
  name: 'part',
  what: 'part',
  type: 'kind',
  units: 'unit',
  'new size': 'new',
  nominal: 'new',
  'wear limit': 'limit',
  limits: 'limit',
  readings: 'readings_1',
  reading: 'readings_1',
  now: 'readings_1',
  front: 'readings_1',
  middle: 'readings_2',
  rear: 'readings_3',
};

/** A line of a pasted page, as it was understood, or why it will not be taken. */
export interface RowRead {
  readonly line: number;
  readonly part: string;
  readonly kind: FeatureKindName | null;
  readonly unit: 'in' | 'mm';
  readonly newSize: string;
  readonly limit: string;
  readonly readings: readonly string[];
  /** what was understood, once for all: null where nothing stands */
  readonly read: {
    readonly newSize: Meaning<EntryValues['size']> | null;
    readonly limits: Meaning<EntryValues['limits']> | null;
    readonly readings: readonly (Meaning<ReadingEntry> | null)[];
  };
  readonly refusal: string | null;
}

const kindOf = (word: string): FeatureKindName | null => {
  const plain = word.trim().toLowerCase();
  // two kinds may measure a diameter: the name of a kind comes first
  return (
    FEATURE_KINDS.find((kind) => kind.toLowerCase() === plain || FEATURES[kind].name === plain) ??
    FEATURE_KINDS.find((kind) => FEATURES[kind].measures === plain) ??
    null
  );
};

/**
 * A page from a spreadsheet, line by line; or one sentence where its columns are not these.
 *
 * @param text with a heading; commas, semicolons or tabs between
 */
export function readRows(text: string): readonly RowRead[] | string {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => {
      const plain = name.trim().toLowerCase();
      return ALSO[plain] ?? plain;
    },
  });
  const found = parsed.meta.fields ?? [];
  const missing = ['part', 'kind'].filter((name) => !found.includes(name));
  if (missing.length > 0)
    return `There is no column ${missing.join(' and no ')}: the first line should name them, like ${COLUMNS.slice(0, 6).join(', ')}. Found: ${found.filter((f) => f !== '').join(', ') || 'nothing'}. Nothing was taken.`;
  if (parsed.data.length > 2000) return `That is ${parsed.data.length} lines: 2000 are taken at once. Nothing was taken.`;
  return parsed.data.map((cells, i) => readRow(cells, i + 2));
}

function readRow(cells: Readonly<Record<string, string | undefined>>, line: number): RowRead {
  const cell = (name: string): string => (cells[name] ?? '').trim();
  const kind = kindOf(cell('kind'));
  const unit = /^mm$/i.test(cell('unit')) ? 'mm' : 'in';
  const readings = PLACE_COLUMNS.map(cell);
  const row = { line, part: cell('part'), kind, unit, newSize: cell('new'), limit: cell('limit'), readings } as const;
  return { ...row, ...understoodRow(row, cell('unit'), cell('kind')) };
}

const NOTHING = { newSize: null, limits: null, readings: [] } as const;

/** A cell as it was understood; nothing for an empty one; or why not. What a line says its unit is, settles it. */
function cellRead<Of extends EntryField>(text: string, unit: LengthUnit, question: EntryQuestion<Of>): Meaning<EntryValues[Of]> | string | null {
  if (text === '') return null;
  const found = understand(/[<>]/.test(text) ? text : withUnit(text, unit), question);
  if (found.kind === 'understood') return found;
  return found.kind === 'refused' ? found.message : `“${text}” may be a slip: ${eitherOf(found.meanings)}?`;
}

function understoodRow(row: Omit<RowRead, 'refusal' | 'read'>, unitWord: string, kindWord: string): Pick<RowRead, 'read' | 'refusal'> {
  const why = whyNotAtAll(row, unitWord, kindWord);
  if (why !== null || row.kind === null) return { read: NOTHING, refusal: why };
  const { newSize, limit, readings, kind, unit } = row;
  const { instrument: either, quantity } = FEATURES[kind];
  const instrument = either[unit];
  const about = { bare: unit === 'mm' ? 'mm' : 'thou', quantity } as const;
  const size = cellRead(newSize, instrument.unit, { field: 'size', ...about });
  const cell = cellRead(limit, instrument.unit, { field: 'limits', ...about });
  const isAimed = cell !== null && typeof cell !== 'string' && cell.value.aim !== undefined;
  const limits = isAimed ? 'limits of a size are typed alone, with nothing to come to' : cell;
  const expected = size !== null && typeof size !== 'string' ? { expected: expectedAround(size.value) } : {};
  const read = readings.map((each) => cellRead(each, instrument.unit, { field: 'reading', instrument, ...about, ...expected }));
  const refusal = [size, limits, ...read].find((each) => typeof each === 'string') ?? null;
  const sound = <Value>(each: Value | string | null): Value | null => (typeof each === 'string' ? null : each);
  return { read: { newSize: sound(size), limits: sound(limits), readings: read.map(sound) }, refusal };
}

function whyNotAtAll({ part, kind }: Pick<RowRead, 'part' | 'kind'>, unitWord: string, kindWord: string): string | null {
  if (part === '' || part.length > 120) return 'it has no name';
  if (kind === null) return `“${kindWord}” is not a kind: ${FEATURE_KINDS.map((k) => FEATURES[k].name).join('; ')}`;
  if (unitWord !== '' && !/^(?:in|inch|inches|mm|")$/i.test(unitWord)) return `the unit is “${unitWord}”: in or mm`;
  return null;
}

/** The commands that take the lines that were understood, five hundred at a time, each all or nothing. */
export function takeRows(rows: readonly RowRead[], book: Book): Change[] {
  const { who } = useSettings.getState();
  const takenAt = new Date().toISOString();
  const good = rows.filter((row) => row.refusal === null);
  const first = nextPosition(book);
  const chunks = Array.from({ length: Math.ceil(good.length / ROWS_AT_ONCE) }, (_, i) => good.slice(i * ROWS_AT_ONCE, (i + 1) * ROWS_AT_ONCE));
  return chunks.map((chunk, c): Change => {
    const made = chunk.map((row, i) => {
      const kind = row.kind ?? 'journal';
      const instrument = FEATURES[kind].instrument[row.unit];
      const station = newRow({
        of: book.of,
        kind,
        name: row.part,
        unit: row.unit,
        position: first + (c * ROWS_AT_ONCE + i) * 10,
        newSize: row.read.newSize?.value ?? null,
        newId,
      });
      const limits = row.read.limits === null ? [] : [setLimits({ ...station, revision: 1 }, row.limit, row.read.limits)];
      const readings = row.readings.flatMap((text, p) => {
        const meaning = row.read.readings[p] ?? null;
        return meaning === null
          ? []
          : [
              {
                id: newId(),
                stationId: station.id,
                buildId: book.buildId,
                raw: sizeRead({ text, meaning, instrument, at: FEATURES[kind].places[p] ?? '' }),
                who,
                takenAt,
                supersedes: null,
                keptAs: { value: null, words: text.slice(0, 120) },
              },
            ];
      });
      return { station, limits, readings };
    });
    return {
      kind: 'rows.add',
      stations: made.map((m) => m.station),
      limits: made.flatMap((m) => m.limits.flatMap((l) => (l.kind === 'limit.set' ? [l.limit] : []))),
      readings: made.flatMap((m) => m.readings),
    };
  });
}

/** The book for a spreadsheet, in the columns it is read back by. */
export function rowsToCsv(features: readonly FeatureState[]): string {
  const unitOf = (f: FeatureState): LengthUnit => (f.unit === 'um' ? 'mm' : f.unit);
  const data = features.map((f) => ({
    part: f.station.name,
    kind: FEATURES[f.kind].name,
    unit: f.station.instrument?.unit === 'mm' ? 'mm' : 'in',
    new: f.station.newSize === null ? '' : `${formatLength(f.station.newSize, unitOf(f))} ${unitOf(f)}`,
    limit: f.limits?.fact.written ?? '',
    ...Object.fromEntries(
      PLACE_COLUMNS.map((name, i) => {
        const place =
          f.places.find((p) => (p.at ?? '') === (FEATURES[f.kind].places[i] ?? '-')) ??
          (i === 0 && FEATURES[f.kind].places.length === 1 ? f.places[0] : undefined);
        return [name, place ? `${place.readings.map((r) => formatLength(r, unitOf(f))).join(' ')} ${unitOf(f)}` : ''];
      }),
    ),
    decision: f.decision ?? '',
  }));
  return `\uFEFF${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\n', escapeFormulae: true })}\n`;
}
