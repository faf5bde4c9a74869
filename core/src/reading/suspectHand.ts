import type { Length } from '../quantity/index.ts';
import type { Instrument } from './instrument.ts';
import { readingOf, type ReadingEntry } from './readingEntry.ts';

export type HandEntry = Extract<ReadingEntry, { readonly how: 'hand' }>;

/** Where a hand went that would be as expected if it had run the other way, or a whole turn more. */
export interface SuspectedHand {
  readonly why: string;
  readonly entry: HandEntry;
}

const OTHER = { clockwise: 'anticlockwise', anticlockwise: 'clockwise' } as const;

/**
 * Swapping push for pull reverses the hand, and a whole turn goes by unseen: from 88 to 12 is 24 one way and 76 the other. Asks where
 * the reading as entered is outside what is expected and one of those is inside; changes nothing by itself. A hand that never moved ran
 * neither way. Common practice, no source.
 *
 * @param entry where it went, as it was understood
 * @param expected what is likely to be read, nm
 * @returns the likelier ones, best first; none where it is as expected
 * @example suspectHand({ how: 'hand', from: 98, to: 86, back: null, turns: 0, direction: 'clockwise' }, dial, { min: thou(10), max: thou(14) })[0].entry.direction // 'anticlockwise'
 */
export function suspectHand(entry: HandEntry, instrument: Instrument, expected: { readonly min: Length; readonly max: Length }): SuspectedHand[] {
  const lengthOf = (each: HandEntry): Length => readingOf(each, instrument).reading.value;
  const value = lengthOf(entry);
  if (value >= expected.min && value <= expected.max) return [];
  const inside = (each: HandEntry): boolean => lengthOf(each) >= expected.min && lengthOf(each) <= expected.max;
  const backwards: SuspectedHand = { why: 'the hand run the other way', entry: { ...entry, direction: OTHER[entry.direction] } };
  const more: SuspectedHand = { why: 'a whole turn more', entry: { ...entry, turns: entry.turns + 1 } };
  const fewer: SuspectedHand = { why: 'a whole turn less', entry: { ...entry, turns: entry.turns - 1 } };
  return [...(entry.from === entry.to ? [] : [backwards]), more, ...(entry.turns > 0 ? [fewer] : [])].filter((each) => inside(each.entry));
}
