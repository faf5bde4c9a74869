import { nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

/**
 * Whether the dial came back to where it began. Over a division of drift the stand has moved and the reading
 * is not kept as good. Common practice, no source for the one division.
 *
 * @param from where the hand began, divisions
 * @param back where it came back to, divisions
 * @returns drift (signed, the short way round) and whether the stand held
 * @example dialReturn({ from: 88, back: 87, divisions: 100, division: thou(1) }) // { drift: -1 thou, held: true }
 */
export function dialReturn({ from, back, divisions, division }: { from: number; back: number; divisions: number; division: Length }): {
  drift: Length;
  held: boolean;
} {
  const half = divisions / 2;
  const drift = ((((back - from + half) % divisions) + divisions) % divisions) - half;
  return { drift: nanometres(drift * division), held: Math.abs(drift) <= 1 };
}

export const dialReturnSum = (question: { from: number; back: number; divisions: number; division: Length }): Sum => [
  lengthLine('came back', `${question.from} → ${question.back}, the short way`, dialReturn(question).drift),
];
