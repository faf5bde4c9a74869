import { isBearing, type FaceGraph } from './graph.ts';
import { senseAndFactor } from './inSeries.ts';
import { shaftModel } from './shaftModel.ts';
import type { Sense } from './stackGap.ts';

/** A length or a stand that lies between the two faces of a gap. */
export interface OnTheWay {
  readonly id: string;
  readonly part: string | null;
  readonly label: string;
  readonly isKnown: boolean;
  /** how the gap moves as it grows */
  readonly sense: Sense;
}

/**
 * Everything on the way of a gap, measured or not, with its sign: each counted as if it were chosen.
 *
 * @example onTheWay(graph, 'float').length // 6
 */
export function onTheWay(graph: FaceGraph, gap: string): readonly OnTheWay[] {
  const all = [
    ...graph.lengths.map(({ id, part, name, length }) => ({ id, part, label: name, isKnown: length !== null })),
    ...graph.contacts
      .filter((contact) => isBearing(contact))
      .map(({ id, name, stand }) => ({ id, part: null, label: name ?? 'bearing stand', isKnown: (stand ?? null) !== null })),
  ];
  const { gaps } = shaftModel(
    graph,
    all.map(({ id }) => ({ id, length: id })),
  );
  const coefficients = gaps.find((g) => g.contact === gap)?.coefficients ?? {};
  return all.map((each) => ({ ...each, sense: senseAndFactor(coefficients[each.id] ?? 0).sense })).filter(({ sense }) => sense !== 0);
}
