import { nanometres, type Length } from '../quantity/index.ts';
import type { Reading } from '../reading/index.ts';

export interface ForecastQuestion {
  /** the gap as it was read */
  readonly reading: Reading;
  /** by slot: how far the gap opens for each unit the slot grows */
  readonly coefficients: Readonly<Record<string, number>>;
  /** by slot: how much thicker what is in it has become, nm, and how well that is known */
  readonly changes: Readonly<Record<string, { readonly by: Length; readonly u?: number }>>;
  /** what else opens it since, nm: a closure step, a gasket's crush */
  readonly terms?: readonly { readonly value: Length; readonly u: number }[];
}

/**
 * What a gap comes to after something was changed: what was read, moved by every slot that changed by its own coefficient, and by what
 * else is known to have moved it. Doubts add as squares; a bound is no nearer than twice what the changes leave in doubt.
 *
 * @returns a reading of the same kind
 * @example forecastGap({ reading: estimate(thou(22), 0), coefficients: { pack: -1 }, changes: { pack: { by: thou(14) } } }).value // 8 thou
 */
export function forecastGap({ reading, coefficients, changes, terms = [] }: ForecastQuestion): Reading {
  const moves = [
    ...Object.entries(changes).map(([slot, { by, u = 0 }]) => {
      const coefficient = coefficients[slot] ?? 0;
      return { value: coefficient * by, u: coefficient * u };
    }),
    ...terms,
  ];
  const value = nanometres(reading.value + moves.reduce((sum, move) => sum + move.value, 0));
  const u = Math.hypot(...moves.map((move) => move.u));
  if (reading.kind === 'estimate') return { ...reading, value, u: Math.hypot(reading.u, u) };
  return { ...reading, value: nanometres(reading.kind === 'atLeast' ? value - 2 * u : value + 2 * u) };
}
