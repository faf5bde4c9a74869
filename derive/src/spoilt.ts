import type { RawReading } from '@elder-cog/contract';
import type { ReadingValue } from './readingValue.ts';

const answerTo = ({ restsOn }: RawReading, item: string): string | null => restsOn.find((each) => each.item === item)?.answer ?? null;

const SPOILING: Readonly<Record<string, string>> = {
  dial: 'not square',
  parallels: 'left on',
  moved: 'one way',
  turned: 'not turned',
  seated: 'not sure',
};

/** Whether an answer takes something from a reading: its count, its other side, or its surety. */
export const spoils = (item: string, answer: string | null): boolean => answer !== null && SPOILING[item] === answer;

/** Why a reading is kept and not counted: what it rests on spoils it, or the stand moved. Null where it counts. */
export function notCounted(raw: RawReading, { drifted }: ReadingValue): string | null {
  if (drifted) return 'the hand did not come back to where it began: the stand moved';
  const { stemAngle = 0, faceAngle = 0 } = raw.instrument ?? {};
  if (answerTo(raw, 'dial') === 'not square' && stemAngle === 0 && faceAngle === 0) return 'the dial was not square, and nobody said at what angle';
  return answerTo(raw, 'parallels') === 'left on' ? 'the parallels were left on' : null;
}

/** Moved one way only, it moved at least so far. */
export const asFarAsItGoes = (raw: RawReading, value: ReadingValue): ReadingValue =>
  answerTo(raw, 'moved') === 'one way' && value.reading.kind === 'estimate'
    ? { ...value, values: [], reading: { kind: 'atLeast', value: value.reading.value }, notes: [...value.notes, 'moved one way only: at least'] }
    : value;

/** What no number tells of a reading, and what keeps its verdict from being sure. */
export function restsOnDoubt(raw: RawReading): string | null {
  if (answerTo(raw, 'turned') === 'not turned') return 'It was not turned to settle: turn it, and read again to be sure.';
  return answerTo(raw, 'seated') === 'not sure' ? 'Nobody was sure that it was home: seat it, and read again to be sure.' : null;
}
