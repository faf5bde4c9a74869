import {
  leavesTotal,
  packWindow,
  packWindowSum,
  readingOf,
  ReckoningError,
  sensesFromLayout,
  type Arrangement,
  type Instrument,
  type LeafLine,
  type Length,
  type LimitsEntry,
  type PackWindow,
  type Place,
  type Reading,
  type ReadingEntry,
  type Sense,
  type Sum,
} from '@elder-cog/core';

/** What is on the sheet, as it was understood; null where nothing is yet. */
export interface LooseEntry {
  readonly limits: LimitsEntry | null;
  readonly pack: readonly LeafLine[] | null;
  readonly reading: ReadingEntry | null;
  readonly place: Place;
  readonly arrangement: Arrangement;
  readonly instrument: Instrument;
}

export interface LooseSheet {
  readonly fitted: Length | null;
  readonly reading: Reading | null;
  readonly sense: Sense;
  readonly window: PackWindow | null;
  readonly refusal: string | null;
  readonly sum: Sum;
}

/** Limits, pack in now, reading and place → the pack to fit, with nothing set up. */
export function looseSheet({ limits, pack, reading: entry, place, arrangement, instrument }: LooseEntry): LooseSheet {
  const sense = sensesFromLayout({ place, arrangement });
  const fitted = pack && leavesTotal(pack);
  const reading = entry && readingOf(entry, instrument).reading;
  const base = { fitted, reading, sense };
  if (!limits || fitted === null || !reading) return { ...base, window: null, refusal: null, sum: [] };
  const { aim: value, ...within } = limits;
  const aim = value === undefined ? {} : { aim: { at: 'value' as const, value } };
  const question = { fittedPack: fitted, measured: reading, limits: within, ...aim, sense };
  try {
    return { ...base, window: packWindow(question), refusal: null, sum: packWindowSum(question) };
  } catch (error) {
    if (error instanceof ReckoningError) return { ...base, window: null, refusal: error.message, sum: [] };
    throw error;
  }
}
