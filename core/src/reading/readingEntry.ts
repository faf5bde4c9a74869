import { describeLength, nanometres, smallUnit, ZERO, type Length, type LengthUnit } from '../quantity/index.ts';
import { refuse } from '../errors.ts';
import { dialReturn } from './dialReturn.ts';
import { feelerBracket, nextFeeler } from './feelerBracket.ts';
import { checkHand, handTravel } from './hand.ts';
import type { Instrument } from './instrument.ts';
import type { Reading } from './reading.ts';
import { repeats } from './repeats.ts';

/** A reading as it was typed, once understood: sizes with their parallel off, blades, or where a hand went. Lengths in nm. */
export type ReadingEntry =
  | { readonly how: 'sizes'; readonly values: readonly Length[] }
  /** each side the blades put in together; null where that side was not tried */
  | { readonly how: 'blades'; readonly goes: readonly Length[] | null; readonly stops: readonly Length[] | null }
  | {
      readonly how: 'hand';
      /** positions, in divisions */
      readonly from: number;
      readonly to: number;
      readonly back: number | null;
      /** whole turns besides */
      readonly turns: number;
      readonly direction: 'clockwise' | 'anticlockwise';
    };

/** What an entry comes to at its instrument: single readings to pool, or what one side alone tells. */
export interface EntryValue {
  readonly values: readonly Length[];
  readonly reading: Reading;
  readonly notes: readonly string[];
  /** the stand moved between going and coming back, so the reading is not good */
  readonly drifted: boolean;
}

/**
 * What was understood of an entry, at the instrument it was read with: its zero error off, the angle of a dial and its radius counted.
 * No movement of a dial is *at most zero*.
 *
 * @throws ReckoningError `offTheDial`, `noDial`, `feelersCrossed`, those of dialTravel
 * @example readingOf({ how: 'hand', from: 88, to: 12, back: null, turns: 0, direction: 'clockwise' }, dial).reading // estimate 24 thou
 */
export function readingOf(entry: ReadingEntry, instrument: Instrument): EntryValue {
  switch (entry.how) {
    case 'hand':
      return ofHand(entry, instrument);
    case 'blades':
      return ofBlades(entry, instrument);
    case 'sizes': {
      const { zeroError = 0, unit } = instrument;
      const values = entry.values.map((value) => nanometres(value - zeroError));
      const notes = zeroError === 0 ? [] : [`zero error of ${describeLength(nanometres(zeroError), smallUnit(unit))} taken off`];
      return { values, reading: poolReadings(values, instrument), notes, drifted: false };
    }
  }
}

function ofHand(entry: Extract<ReadingEntry, { how: 'hand' }>, instrument: Instrument): EntryValue {
  const { divisions, resolution, balanced = false, stemAngle = 0, faceAngle = 0, radius, unit } = instrument;
  if (divisions === undefined) return refuse('noDial', `${instrument.name} has no hand to read: type the size it shows.`);
  const { from, to, back } = entry;
  for (const hand of [from, to, back ?? 0]) checkHand(hand, divisions, balanced);
  const value = handTravel(entry, instrument, divisions);
  const returned = back === null ? null : dialReturn({ from, back, divisions, division: resolution });
  const inUnit = unit === 'mm' ? 'mm' : 'in';
  const notes = [
    ...(stemAngle === 0 && faceAngle === 0 ? [] : [`the dial off square: × cos ${stemAngle - faceAngle}° ÷ cos ${faceAngle}°`]),
    ...(radius ? [`from radius ${describeLength(radius.read, inUnit)} to ${describeLength(radius.wanted, inUnit)}`] : []),
    ...(returned === null ? [] : [cameBack(returned, unit)]),
  ];
  return { values: [value], reading: poolReadings([value], instrument), notes, drifted: returned !== null && !returned.held };
}

const cameBack = ({ held, drift }: ReturnType<typeof dialReturn>, unit: LengthUnit): string =>
  held ? 'came back: the stand held' : `came back ${describeLength(nanometres(Math.abs(drift)), unit)} off: the stand moved, read again`;

function ofBlades({ goes, stops }: Extract<ReadingEntry, { how: 'blades' }>, { calibrationU, unit }: Instrument): EntryValue {
  const tried = { unit: smallUnit(unit), ...(goes === null ? {} : { goes }), ...(stops === null ? {} : { stops }) };
  const reading = feelerBracket({ ...tried, bladeU: calibrationU });
  const next = nextFeeler(tried);
  return { values: reading.kind === 'estimate' ? [reading.value] : [], reading, notes: next === undefined ? [] : [next], drifted: false };
}

/** Single readings made into one, by the instrument they were read with; a dial that never moved is at most zero. */
export function poolReadings(values: readonly Length[], instrument: Instrument): Reading {
  if (instrument.kind === 'dial' && values.every((value) => value === 0)) return { kind: 'atMost', value: ZERO };
  return repeats(values, instrument);
}

/** Which of several readings stand apart from the rest, counted from nought: questioned, never dropped. Fewer than five tell nothing. */
export const standingApart = (values: readonly Length[], instrument: Instrument): readonly number[] =>
  values.length < 5 ? [] : repeats(values, instrument).outliers;
