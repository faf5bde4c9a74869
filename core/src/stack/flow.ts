import { solveLinear } from '../linear.ts';
import { joining } from './joining.ts';

/** One resistance between two places. */
export interface Resistance {
  readonly a: string;
  readonly b: string;
  /** 0 joins its ends */
  readonly resistance: number;
}

/**
 * How a current of one, let in at one place and out at another, divides over a network: what least squares gives each of several walks to
 * carry when every resistance is the square of a doubt (Kirchhoff's laws; the weights of a best linear unbiased estimate).
 *
 * @returns the links that carry any, with the current from a to b
 *   (of two side by side, of 1 and 3: ¾ and ¼)
 */
export function flowBetween<Of extends Resistance>(links: readonly Of[], from: string, to: string): (readonly [Of, number])[] {
  const { placeOf: nodeOf, join } = joining();
  for (const { a, b, resistance } of links) if (resistance === 0) join(a, b);
  const live = links.filter(({ a, b, resistance }) => resistance > 0 && nodeOf(a) !== nodeOf(b));
  const reached = reachedFrom(
    nodeOf(from),
    live.map(({ a, b }) => [nodeOf(a), nodeOf(b)]),
  );
  // the place the current leaves by is at nothing; every other balances what comes in and goes out
  const unknown = [...reached].filter((node) => node !== nodeOf(to));
  const at = new Map(unknown.map((node, i) => [node, i]));
  const rows = unknown.map((node) => [...unknown.map(() => 0), node === nodeOf(from) ? 1 : 0]);
  for (const { a, b, resistance } of live) {
    const [i, j] = [at.get(nodeOf(a)), at.get(nodeOf(b))];
    for (const [here, there] of [
      [i, j],
      [j, i],
    ]) {
      const row = here === undefined ? undefined : rows[here];
      if (!row || here === undefined) continue;
      row[here] = (row[here] ?? 0) + 1 / resistance;
      if (there !== undefined) row[there] = (row[there] ?? 0) - 1 / resistance;
    }
  }
  const height = solveLinear(rows);
  const heightOf = (place: string): number => height[at.get(nodeOf(place)) ?? -1]?.[0] ?? 0;
  return live
    .filter(({ a }) => reached.has(nodeOf(a)))
    .map((link) => [link, (heightOf(link.a) - heightOf(link.b)) / link.resistance] as const)
    .filter(([, flow]) => Math.abs(flow) > 1e-9);
}

function reachedFrom(start: string, pairs: readonly (readonly [string, string])[]): ReadonlySet<string> {
  const reached = new Set([start]);
  for (const node of reached) {
    for (const [a, b] of pairs) {
      if (a === node) reached.add(b);
      if (b === node) reached.add(a);
    }
  }
  return reached;
}
