import {
  packWindow,
  packWindowSum,
  parsePack,
  readEntry,
  readLimits,
  ReckoningError,
  sensesFromLayout,
  nanometres,
  type Arrangement,
  type Instrument,
  type Length,
  type LengthUnit,
  type Limits,
  type PackWindow,
  type Place,
  type Reading,
  type Sense,
  type Sum,
} from '@elder-cog/core';

export interface LooseEntry {
  readonly limits: string;
  readonly pack: string;
  readonly reading: string;
  readonly place: Place;
  readonly arrangement: Arrangement;
  readonly instrument: Instrument;
  readonly unit: LengthUnit;
}

export type Field<Value> = { readonly value: Value; readonly unit: LengthUnit } | { readonly refusal: string } | null;

export interface LooseSheet {
  readonly limits: Field<Limits>;
  readonly pack: Field<Length>;
  readonly packLeaves: ReturnType<typeof parsePack>;
  readonly reading: Field<Reading>;
  readonly sense: Sense;
  readonly window: PackWindow | null;
  readonly refusal: string | null;
  readonly sum: Sum;
}

/** Limits, pack in now, reading and place → the pack to fit, with nothing set up. Each field is understood, or says why not. */
export function looseSheet(entry: LooseEntry): LooseSheet {
  const sense = sensesFromLayout({ place: entry.place, arrangement: entry.arrangement });
  const limits = field(entry.limits, () => {
    const read = readLimits(entry.limits, entry.unit);
    return { value: read.limits, unit: read.unit };
  });
  const leaves = field(entry.pack, () => ({ value: parsePack(entry.pack, entry.unit), unit: entry.unit }));
  const packLeaves = leaves && 'value' in leaves ? leaves.value : [];
  const pack: Field<Length> =
    leaves && 'value' in leaves
      ? { value: nanometres(packLeaves.reduce((sum, l) => sum + l.thickness, 0)), unit: packLeaves[0]?.unit ?? entry.unit }
      : leaves;
  const reading = field(entry.reading, () => {
    const read = readEntry(entry.reading, entry.instrument);
    return { value: read.reading, unit: read.unit };
  });
  const base = { limits, pack, packLeaves, reading, sense };
  if (!limits || !pack || !reading || !('value' in limits) || !('value' in pack) || !('value' in reading))
    return { ...base, window: null, refusal: null, sum: [] };
  const question = { fittedPack: pack.value, measured: reading.value, limits: limits.value, sense };
  try {
    return { ...base, window: packWindow(question), refusal: null, sum: packWindowSum(question) };
  } catch (error) {
    if (error instanceof ReckoningError) return { ...base, window: null, refusal: error.message, sum: [] };
    throw error;
  }
}

function field<Value>(text: string, read: () => { value: Value; unit: LengthUnit }): Field<Value> {
  if (text.trim() === '') return null;
  try {
    return read();
  } catch (error) {
    if (error instanceof ReckoningError) return { refusal: error.message };
    throw error;
  }
}
