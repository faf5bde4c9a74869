import { describe, expect, it } from '@jest/globals';
import { thou } from '../quantity/index.ts';
import { digitsEngraved, INSTRUMENTS, poolReadings, readingExample, readingOf, suspectHand, type HandEntry } from './index.ts';
import { hand } from '../testing.ts';

const suspected = (entry: HandEntry, min: number, max: number): string[] =>
  suspectHand(entry, INSTRUMENTS.dialThou, { min: thou(min), max: thou(max) }).map((s) => s.why);

describe('a hand that went where nobody expected', () => {
  it('run the other way, or a whole turn more, would be as expected', () => {
    expect(suspected(hand(98, 86), 10, 14)).toEqual(['the hand run the other way']);
    expect(suspected(hand(88, 12), 120, 130)).toEqual(['a whole turn more']);
  });
  it('is not asked about where it is as expected, at either end of that', () => {
    expect(suspected(hand(0, 10), 10, 90)).toEqual([]);
    expect(suspected(hand(0, 90), 10, 90)).toEqual([]);
  });
  it('is asked about where the other way comes to just the least, or just the most', () => {
    expect(suspected(hand(0, 80), 20, 30)).toEqual(['the hand run the other way']);
    expect(suspected(hand(0, 70), 20, 30)).toEqual(['the hand run the other way']);
    expect(suspected(hand(0, 81), 20, 30)).toEqual([]);
  });
  it('with a turn counted that may not have been, it is asked about too', () => {
    expect(suspected(hand(60, 72, { turns: 1 }), 3, 48)).toEqual(['a whole turn less']);
    expect(suspected(hand(60, 72, { turns: 1 }), 90, 130)).toEqual([]);
  });
  it('that never moved cannot have run the other way', () => expect(suspected(hand(40, 40), 90, 110)).toEqual(['a whole turn more']));
});

describe('an instrument', () => {
  it('shows as many places as one of its steps has', () =>
    expect([INSTRUMENTS.dialThou, INSTRUMENTS.micInch, INSTRUMENTS.micMm, INSTRUMENTS.feelersMm, INSTRUMENTS.caliperMm].map(digitsEngraved)).toEqual([
      0, 4, 2, 2, 2,
    ]));
  it('says how it is read', () =>
    expect([INSTRUMENTS.dialThou, INSTRUMENTS.feelersThou, INSTRUMENTS.micMm].map(readingExample)).toEqual([
      'type where the hand went, such as 88>12',
      'type what went in, such as goes 9 stops 10',
      'type the size, such as 12.70 mm or .5004"',
    ]));
  it('with a hand that never moved says at most nothing, and one that moved once is averaged', () => {
    expect(poolReadings([thou(0), thou(0)], INSTRUMENTS.dialThou)).toEqual({ kind: 'atMost', value: 0 });
    expect(poolReadings([thou(0), thou(2)], INSTRUMENTS.dialThou)).toMatchObject({ kind: 'estimate', value: thou(1) });
    expect(poolReadings([thou(0), thou(0)], INSTRUMENTS.depthInch)).toMatchObject({ kind: 'estimate', value: 0 });
  });
  it('looks at where the hand came back to only where that was read', () => {
    expect(readingOf(hand(88, 12), INSTRUMENTS.dialThou)).toMatchObject({ notes: [], drifted: false });
    expect(readingOf(hand(88, 12, { back: 88 }), INSTRUMENTS.dialThou)).toMatchObject({ notes: ['came back: the stand held'], drifted: false });
    expect(readingOf(hand(88, 12, { back: 80 }), INSTRUMENTS.dialThou).drifted).toBe(true);
  });
});
