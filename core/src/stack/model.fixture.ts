import { shaftModel, type FaceGraph, type LinearGap } from './index.ts';

/** The linear form of one gap, with every length of one part counted as chosen, for tests. */
export function formOf(graph: FaceGraph, gap: string, slotted?: string): LinearGap {
  const slots = graph.lengths.filter((l) => l.part === slotted).map(({ id }) => ({ id, length: id }));
  const form = shaftModel(graph, slots).gaps.find((g) => g.contact === gap);
  if (!form) throw new Error(`no gap ${gap}`);
  return form;
}

/** How the gap moves when a part gets thicker: its one coefficient that is not nought, or nought. */
export const senseOf = (graph: FaceGraph, part: string, gap: string): number =>
  Object.values(formOf(graph, gap, part).coefficients).find((c) => c !== 0) ?? 0;
