import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';

/** What a shaft or wheel does once a turn. */
export interface OncePerTurn {
  readonly mean: Length;
  /** half the indicator's total: how far the centre is off */
  readonly amplitude: Length;
  /** where the most is, degrees from the first reading */
  readonly highAt: number;
  /** what is left over when it is taken out: the greatest, one way or the other */
  readonly residual: Length;
}

/**
 * The once-per-turn part of readings taken at even steps round a turn: a run-out, a wheel off its centre. The first harmonic of a
 * discrete Fourier series, which at even steps is the least-squares sine.
 *
 * @param readings at even steps round one whole turn, the last not repeating the first
 * @throws ReckoningError `tooFewReadings` under four
 * @example oncePerTurn([1, 0, -1, 0].map(thou)).amplitude // 1 thou
 */
export function oncePerTurn(readings: readonly Length[]): OncePerTurn {
  const n = readings.length;
  if (n < 4) refuse('tooFewReadings', 'Read at four places or more, evenly round one turn.');
  const mean = readings.reduce<number>((a, b) => a + b, 0) / n;
  const angle = (i: number): number => (2 * Math.PI * i) / n;
  const cosine = (2 / n) * readings.reduce<number>((sum, r, i) => sum + r * Math.cos(angle(i)), 0);
  const sine = (2 / n) * readings.reduce<number>((sum, r, i) => sum + r * Math.sin(angle(i)), 0);
  const left = readings.map((r, i) => r - mean - cosine * Math.cos(angle(i)) - sine * Math.sin(angle(i)));
  const highAt = (Math.atan2(sine, cosine) * 180) / Math.PI;
  return {
    mean: nanometres(mean),
    amplitude: nanometres(Math.hypot(cosine, sine)),
    highAt: (highAt + 360) % 360,
    residual: nanometres(Math.max(...left.map(Math.abs))),
  };
}
