import { nanometres } from '../quantity/index.ts';
import { estimate, type Estimate } from './reading.ts';

/**
 * One measured thing less another that was measured apart from it: their doubts add as squares, and the degrees of freedom by
 * Welch and Satterthwaite (JCGM 100, G.4.1). Doubts of nothing leave nothing.
 *
 * @example difference(estimate(mm(3), 3000, 5), estimate(mm(2), 4000, 5)).u // 5000
 */
export function difference(one: Estimate, other: Estimate): Estimate {
  const u = Math.hypot(one.u, other.u);
  const spread = [one, other].reduce((sum, each) => sum + (each.dof === undefined ? 0 : each.u ** 4 / each.dof), 0);
  return estimate(nanometres(one.value - other.value), u, spread === 0 ? undefined : u ** 4 / spread);
}
