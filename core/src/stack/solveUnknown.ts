import { nanometres, type Length } from '../quantity/index.ts';
import type { FaceGraph } from './graph.ts';
import { onTheWay, type OnTheWay } from './onTheWay.ts';
import { shaftModel } from './shaftModel.ts';

/**
 * The one length nobody has measured on the way of a gap, from the gap as it was read; null where none is missing there, or several.
 *
 * @param measured the gap, nm, with every part in
 * @example solveUnknown(graph, 'float', mm(0.1)) // null: nothing of that shaft is measured
 */
export function solveUnknown(graph: FaceGraph, gap: string, measured: Length): (OnTheWay & { readonly length: Length }) | null {
  const [unknown, another] = onTheWay(graph, gap).filter(({ isKnown }) => !isKnown);
  if (!unknown || another) return null;
  const constant = shaftModel(graph, [{ id: unknown.id, length: unknown.id }]).gaps.find((g) => g.contact === gap)?.constant ?? null;
  return constant === null ? null : { ...unknown, length: nanometres(unknown.sense * (measured - constant)) };
}
