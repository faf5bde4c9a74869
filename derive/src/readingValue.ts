import { figureOf, rangeProblem, type RawReading } from '@elder-cog/contract';
import {
  combineMethods,
  coverShim,
  difference,
  estimate,
  gapUnderSpacer,
  INSTRUMENTS,
  nanometres,
  poolReadings,
  readingOf,
  ReckoningError,
  refuse,
  repeats,
  ZERO,
  type EntryValue,
  type Instrument,
  type Length,
  type Reading,
  type Sense,
} from '@elder-cog/core';
import { dragValue } from './drag/dragValue.ts';

/** Where a reading was taken: what the sums of its method need to know of the build. */
export interface ReadingPlace {
  readonly sense: Sense;
  readonly pack: Length;
}

export interface ReadingValue {
  /** single values to pool; empty where only one side was told */
  readonly values: readonly Length[];
  readonly reading: Reading;
  readonly notes: readonly string[];
  readonly drifted: boolean;
}

export type Valued = { readonly ok: ReadingValue } | { readonly refusal: { readonly code: string; readonly message: string } };

const NO_PARALLELS = { depths: ZERO, heights: ZERO };
const NO_GASKET = { free: ZERO, crushed: ZERO, during: 'clamped' } as const;

/** exactOptionalPropertyTypes: an instrument from the contract may carry undefined where the core wants nothing. */
export function asInstrument(raw: RawReading['instrument']): Instrument {
  if (!raw) return INSTRUMENTS.dialThou;
  if (!Object.values(raw).includes(undefined)) return raw as Instrument;
  return Object.fromEntries(Object.entries(raw).filter(([, value]) => value !== undefined)) as unknown as Instrument;
}

/**
 * What was entered, as a reading of the gap in its build. The five ways: a dial or feelers read it as it stands; a known
 * spacer comes off it; two depths, or the cover put down by hand, tell the gap with no pack, to which the pack in now is added.
 */
export function readingValue(raw: RawReading, place: ReadingPlace): Valued {
  return orRefused(() => ({ ok: valueOf(raw, place) }));
}

/** A reading by itself, with no gap round it and no pack. */
const NO_PLACE: ReadingPlace = { sense: 0, pack: ZERO };

/** What was entered, as far as it can be told; null where it is refused. */
export function readingComesTo(raw: RawReading, place: ReadingPlace = NO_PLACE): ReadingValue | null {
  const valued = readingValue(raw, place);
  return 'ok' in valued ? valued.ok : null;
}

const orRefused = <Value>(run: () => Value): Value | { readonly refusal: { readonly code: string; readonly message: string } } => {
  try {
    return run();
  } catch (error) {
    if (error instanceof ReckoningError) return { refusal: { code: error.code, message: error.message } };
    throw error;
  }
};

/** What was understood when it was kept, at its instrument: reckoned once for each reading. */
const valued = new WeakMap<RawReading, EntryValue>();
function entryOf(raw: RawReading, instrument: Instrument): EntryValue {
  const known = valued.get(raw);
  if (known) return known;
  if (raw.understood === null) return refuse('notUnderstood', `“${raw.text}” was not understood when it was kept.`);
  if (raw.understood.how === 'torques' || raw.understood.how === 'pulls') return refuse('isADrag', 'That is a drag, and no length.');
  const value = readingOf(raw.understood, instrument);
  valued.set(raw, value);
  return value;
}

/** Whether a reading is of a drag: in N·m, and no length. */
export const isDragReading = ({ method }: Pick<RawReading, 'method'>): boolean => method === 'wrench' || method === 'cord';

/** Methods whose reading is not what was read, but comes of it. */
const RECKONED: ReadonlySet<RawReading['method']> = new Set(['spacer', 'coverDown', 'depths']);

/** What the figures of an entry come to by themselves, with no pack and no place: every one of them must be something that can be read. */
export function readingFigures(raw: RawReading): { readonly values: readonly Length[] } | { readonly refusal: string } {
  if (raw.method === 'look') return { values: [] };
  if (isDragReading(raw)) {
    const dragged = dragValue(raw);
    return 'ok' in dragged ? { values: [] } : { refusal: dragged.refusal.message };
  }
  const read = orRefused(() => entryOf(raw, asInstrument(raw.instrument)));
  if ('refusal' in read) return { refusal: read.refusal.message };
  if (!RECKONED.has(raw.method)) return { values: read.values.length > 0 ? read.values : [read.reading.value] };
  const reckoned = readingValue(raw, NO_PLACE);
  if ('refusal' in reckoned) return { refusal: reckoned.refusal.message };
  return { values: [...read.values, read.reading.value, ...reckoned.ok.values, reckoned.ok.reading.value] };
}

/** The first of an entry's figures that no gearbox can have; null where there is none. */
export function outOfRange(values: readonly Length[], subject: string): ReturnType<typeof rangeProblem> {
  const kind = figureOf(subject);
  for (const value of values) {
    const problem = rangeProblem(kind, value);
    if (problem) return problem;
  }
  return null;
}

function valueOf(raw: RawReading, { sense, pack }: ReadingPlace): ReadingValue {
  const instrument = asInstrument(raw.instrument);
  const read = entryOf(raw, instrument);
  const { drifted } = read;
  const shifted = (by: number): ReadingValue => ({
    values: read.values.map((v) => nanometres(v + by)),
    reading: { ...read.reading, value: nanometres(read.reading.value + by) },
    notes: read.notes,
    drifted,
  });
  switch (raw.method) {
    case 'spacer': {
      const spacer = raw.spacer ?? ZERO;
      return {
        values: read.values.map((v) => gapUnderSpacer({ measuredGap: v, spacer })),
        reading: gapUnderSpacer({ measuredGap: read.reading, spacer }),
        notes: [...read.notes, 'the spacer taken off'],
        drifted,
      };
    }
    case 'coverDown': {
      // put down without its gasket: bolted up on one, the cover stands that much farther off
      const crushed = raw.gasket?.crushed ?? ZERO;
      const whole = nanometres(pack + crushed);
      return {
        values: read.values.map((v) => nanometres(whole - v)),
        reading: mirrored(read.reading, whole),
        notes: [...read.notes, `pack in now${crushed === 0 ? '' : ' and gasket'}, less what was under the flange`],
        drifted,
      };
    }
    case 'depths': {
      const { depths: caseParallels, heights: coverParallels } = raw.parallels ?? NO_PARALLELS;
      const heights = raw.heightsUnderstood ?? [];
      const { thickness } = coverShim({
        depths: read.values,
        caseParallels,
        heights,
        coverParallels,
        gasket: raw.gasket ?? NO_GASKET,
        targetGap: ZERO,
      });
      const value = nanometres(thickness + sense * pack);
      const { u, dof } = difference(repeats(read.values, instrument), repeats(heights, instrument));
      return {
        values: [value],
        reading: estimate(value, u, dof),
        notes: [raw.gasket ? 'depth less height, gasket counted, and the pack in now' : 'depth less height, and the pack in now'],
        drifted,
      };
    }
    default:
      return shifted(0);
  }
}

/** pack − reading: what is at least becomes at most. */
function mirrored(reading: Reading, pack: Length): Reading {
  const value = nanometres(pack - reading.value);
  if (reading.kind === 'estimate') return { ...reading, value };
  return { kind: reading.kind === 'atLeast' ? 'atMost' : 'atLeast', value };
}

/** What one method, with one instrument, came to. */
export interface MethodReading {
  readonly name: string;
  readonly reading: Reading;
}

export interface Pooled {
  readonly reading: Reading;
  readonly values: readonly Length[];
  readonly range: Length | null;
  /** each method by itself, where there are two or more */
  readonly methods: readonly MethodReading[];
  /** they differ by more than their doubts allow: both stand, and nothing is averaged away */
  readonly disagree: { readonly difference: Length; readonly allowed: Length } | null;
}

type Entry = { readonly value: ReadingValue; readonly instrument: Instrument; readonly method: string };

const keyOf = ({ method, instrument }: Entry): string => `${method} ${instrument.name}`;

/**
 * Several entries of one build as one reading. One method's are pooled; two methods that agree are weighed together; where they do
 * not, the last stands and the difference is said. A single bound stands by itself until there is something better.
 */
export function poolEntries(entries: readonly Entry[]): Pooled | null {
  const good = entries.filter((e) => !e.value.drifted);
  const last = good[good.length - 1];
  if (!last) return null;
  const alone = { values: [], range: null, methods: [], disagree: null };
  if (last.value.reading.kind !== 'estimate') return { ...alone, reading: last.value.reading };
  const estimates = good.filter((e) => e.value.reading.kind === 'estimate');
  const byMethod = new Map<string, Entry[]>();
  for (const entry of estimates) {
    const key = keyOf(entry);
    const of = byMethod.get(key);
    if (of) of.push(entry);
    else byMethod.set(key, [entry]);
  }
  // the last read by comes last
  const keys = [...byMethod.keys()].sort((a, b) => Number(a === keyOf(last)) - Number(b === keyOf(last)));
  const methods = keys.map((key) => oneMethod(byMethod.get(key) ?? []));
  const mine = methods[methods.length - 1];
  if (!mine) return null;
  const single = { reading: mine.reading, values: mine.values, range: mine.range };
  if (methods.length === 1) return { ...single, methods: [], disagree: null };
  const combined = combineMethods(methods.map((m) => m.reading).filter((r) => r.kind === 'estimate'));
  const named = methods.map(({ name, reading }) => ({ name, reading }));
  return combined.agree
    ? { ...single, reading: combined.reading, methods: named, disagree: null }
    : { ...single, methods: named, disagree: { difference: combined.difference, allowed: combined.allowed } };
}

/** One method's readings of one build: all of them, but feelers and depths, whose last try is the one that counts. */
function oneMethod(entries: readonly Entry[]): MethodReading & { readonly values: readonly Length[]; readonly range: Length | null } {
  const last = entries[entries.length - 1] as Entry;
  const values = entries.flatMap((e) => e.value.values);
  const range = values.length > 1 ? rangeOf(values) : null;
  const isTried = last.method === 'feelers' || last.method === 'depths';
  const reading = values.length <= 1 || isTried ? last.value.reading : poolReadings(values, last.instrument);
  return { name: last.instrument.name, reading, values, range };
}

const rangeOf = (values: readonly Length[]): Length => nanometres(Math.max(...values) - Math.min(...values));
