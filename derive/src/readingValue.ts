import type { RawReading } from '@elder-cog/contract';
import {
  coverShim,
  gapUnderSpacer,
  INSTRUMENTS,
  nanometres,
  poolReadings,
  readEntry,
  ReckoningError,
  ZERO,
  type Instrument,
  type Length,
  type Reading,
  type Sense,
} from '@elder-cog/core';

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

const NO_GASKET = { free: ZERO, crushed: ZERO, during: 'clamped' } as const;

/** exactOptionalPropertyTypes: an instrument from the contract may carry undefined where the core wants nothing. */
export function asInstrument(raw: RawReading['instrument']): Instrument {
  if (!raw) return INSTRUMENTS.dialThou;
  const { divisions, direction, ...rest } = raw;
  return { ...rest, ...(divisions === undefined ? {} : { divisions }), ...(direction === undefined ? {} : { direction }) };
}

/**
 * What was entered, as a reading of the gap in its build. The five ways: a dial or feelers read it as it stands; a known
 * spacer comes off it; two depths, or the cover put down by hand, tell the gap with no pack, to which the pack in now is added.
 */
export function readingValue(raw: RawReading, place: ReadingPlace): Valued {
  try {
    return { ok: valueOf(raw, place) };
  } catch (error) {
    if (error instanceof ReckoningError) return { refusal: { code: error.code, message: error.message } };
    throw error;
  }
}

function valueOf(raw: RawReading, { sense, pack }: ReadingPlace): ReadingValue {
  const instrument = asInstrument(raw.instrument);
  const read = readEntry(raw.text, instrument);
  const drifted = read.drifted ?? false;
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
    case 'coverDown':
      return {
        values: read.values.map((v) => nanometres(pack - v)),
        reading: mirrored(read.reading, pack),
        notes: [...read.notes, 'pack in now less what was under the flange'],
        drifted,
      };
    case 'depths': {
      const heights = readEntry(raw.heights ?? '', instrument);
      const { thickness, u } = coverShim({
        depths: read.values,
        caseParallels: ZERO,
        heights: heights.values,
        coverParallels: ZERO,
        gasket: raw.gasket ?? NO_GASKET,
        targetGap: ZERO,
        readingU: Math.hypot(instrument.priorS, instrument.calibrationU),
      });
      const value = nanometres(thickness + sense * pack);
      return { values: [value], reading: { kind: 'estimate', value, u }, notes: ['depth less height, and the pack in now'], drifted };
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

/** Several entries of one build as one reading. A single bound stands by itself until there is something better. */
export function poolEntries(
  entries: readonly { readonly value: ReadingValue; readonly instrument: Instrument; readonly method: string }[],
): { reading: Reading; values: readonly Length[]; range: Length | null } | null {
  const good = entries.filter((e) => !e.value.drifted);
  const last = good[good.length - 1];
  if (!last) return null;
  const estimates = good.filter((e) => e.value.reading.kind === 'estimate');
  const bestBound = last.value.reading.kind === 'estimate' ? null : last.value.reading;
  if (estimates.length === 0 || bestBound) return { reading: bestBound ?? last.value.reading, values: [], range: null };
  const sameMethod = estimates.filter((e) => e.method === last.method && e.instrument.name === last.instrument.name);
  const values = sameMethod.flatMap((e) => e.value.values);
  if (values.length <= 1 || last.method === 'feelers' || last.method === 'depths')
    return { reading: last.value.reading, values, range: values.length > 1 ? rangeOf(values) : null };
  return { reading: poolReadings(values, last.instrument), values, range: rangeOf(values) };
}

const rangeOf = (values: readonly Length[]): Length => nanometres(Math.max(...values) - Math.min(...values));
