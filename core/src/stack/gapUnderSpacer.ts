import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { Reading } from '../reading/index.ts';
import type { Sense } from './stackGap.ts';

export interface SpacerReading<Measured extends Length | Reading = Length | Reading> {
  readonly measuredGap: Measured;
  /** the known spacer that was in while it was read */
  readonly spacer: Length;
  readonly sense?: Exclude<Sense, 0>;
}

/**
 * The gap there would be without the spacer it was read with: measured − sense·spacer. With a spacer in, even a
 * dial that reads less than it tells true preload. Bounds stay bounds.
 *
 * @example gapUnderSpacer({ measuredGap: thou(8), spacer: thou(10) }) // −2 thou: preload 2
 */
export function gapUnderSpacer<Measured extends Length | Reading>({ measuredGap, spacer, sense = 1 }: SpacerReading<Measured>): Measured {
  const less = (gap: Length): Length => nanometres(gap - sense * spacer);
  const measured: Length | Reading = measuredGap;
  return (typeof measured === 'number' ? less(measured) : { ...measured, value: less(measured.value) }) as Measured;
}

export function gapUnderSpacerSum(question: SpacerReading): Sum {
  const measured = typeof question.measuredGap === 'number' ? question.measuredGap : question.measuredGap.value;
  const gap = gapUnderSpacer({ ...question, measuredGap: measured });
  return [
    lengthLine('read with the spacer in', '', measured),
    lengthLine('the spacer', (question.sense ?? 1) > 0 ? '−' : '+', question.spacer),
    lengthLine('gap without it', 'read ∓ spacer', gap),
  ];
}
