import type { FitLeaf, Fitted, JobFacts, Lot } from '@elder-cog/contract';
import { nanometres, splitPacks, type Length, type PackSplit } from '@elder-cog/core';
import { packTotal } from './builds.ts';
import type { ShaftState } from './jobState.ts';
import type { GapState } from './gap/index.ts';
import { formAt, formsOf } from './graph.ts';
import { availableFor, namedLeaves, type Available } from './packs.ts';
import type { SlotState } from './slotState.ts';
import { forSlot } from './solve.ts';

/** Two packs that move a shaft from side to side and leave its gap as it is, when one gains what the other loses. */
export interface Sideways {
  /** first the one that grows as the shaft goes towards the output end */
  readonly slots: readonly [SlotState, SlotState];
  /** for each unit the shaft goes towards the output end, so much each pack grows by */
  readonly grows: readonly [number, number];
}

/** What holds the shaft, and the shaft. */
const HELD: ReadonlySet<string> = new Set(['casing', 'hub']);
const MOVED: ReadonlySet<string> = new Set(['shaft', 'pinion']);
/** Where the one stands in the other. */
const ACROSS = 'across';

/** The two packs on either side of a shaft that set one gap between them; null where there are not two, or nobody knows what is in them. */
export function sidewaysOf(facts: JobFacts, { shaft, current, slots }: ShaftState, { station }: GapState): Sideways | null {
  const places = facts.places.filter((p) => p.shaftId === shaft.id);
  const packs = slots.filter(({ slot }) => slot.kind === 'adjuster');
  const [from] = places.find(({ kind }) => HELD.has(kind))?.faces ?? [];
  const [to] = places.find(({ kind }) => MOVED.has(kind))?.faces ?? [];
  if (!from || !to) return null;
  const forms = formsOf(facts, shaft, current, { across: [{ id: ACROSS, from: from.id, to: to.id }] });
  const inGap = formAt(forms, station)?.coefficients ?? {};
  const across = forms.depths.get(ACROSS)?.coefficients ?? {};
  const [one, other, ...more] = packs.filter(({ slot }) => (inGap[slot.id] ?? 0) !== 0);
  if (!one || !other || more.length > 0 || one.fitting.leaves === null || other.fitting.leaves === null) return null;
  const ratio = (inGap[one.slot.id] ?? 0) / (inGap[other.slot.id] ?? 1);
  // opposite ways on the gap, one cannot make up for the other
  if (ratio < 0) return null;
  const [byOne, byOther] = [across[one.slot.id] ?? 0, across[other.slot.id] ?? 0];
  if (byOne === 0 && byOther === 0) return null;
  const grows = byOne !== 0 ? ([1 / byOne, -ratio / byOne] as const) : ([-1 / (ratio * byOther), 1 / byOther] as const);
  return grows[0] > 0 ? { slots: [one, other], grows } : { slots: [other, one], grows: [grows[1], grows[0]] };
}

/** Two packs to be fitted together, and what they come to. */
export interface SidewaysChoice {
  readonly packs: readonly [readonly FitLeaf[], readonly FitLeaf[]];
  readonly totals: readonly [Length, Length];
  readonly error: PackSplit['error'];
}

interface SidewaysAsked {
  /** towards the output end, nm; less than nothing towards the input end */
  readonly by: Length;
  /** so far either may be off, nm */
  readonly tolerance: Length;
  readonly lots: readonly Lot[];
  readonly fitted: readonly Fitted[];
}

/**
 * Pairs of packs from what is on hand and what is in the two, that move a shaft so far across with its gap held.
 *
 * @throws ReckoningError `notASplit` where one pack has not so much to give
 */
export function sidewaysChoices({ slots: [one, other], grows }: Sideways, { by, tolerance, lots, fitted }: SidewaysAsked): SidewaysChoice[] {
  const [now, then] = [packTotal(one.fitting.leaves), packTotal(other.fitting.leaves)];
  const available = forBoth([one, other], lots, fitted);
  const left = nanometres(now + by * grows[0]);
  const total = nanometres(left + then + by * grows[1]);
  return splitPacks(available, { total, left, tolerance }).map((split): SidewaysChoice => {
    const mine = split.left.flatMap(({ thickness, count }) => namedLeaves(thickness, count, available));
    const rest = available.map((a) => ({ ...a, quantity: a.quantity - taken(mine, a) }));
    const theirs = split.right.flatMap(({ thickness, count }) => namedLeaves(thickness, count, rest));
    return { packs: [mine, theirs], totals: [split.leftTotal, split.rightTotal], error: split.error };
  });
}

const taken = (leaves: readonly FitLeaf[], { lotId, thickness }: Available): number =>
  leaves.filter((leaf) => leaf.lotId === lotId && leaf.thickness === thickness).reduce((sum, leaf) => sum + leaf.count, 0);

/** What is on hand for two places together: the Drawer, and all that is in either. */
function forBoth([one, other]: Sideways['slots'], lots: readonly Lot[], fitted: readonly Fitted[]): readonly Available[] {
  const both = new Set([one.slot.id, other.slot.id]);
  const asOne = fitted.map((f) => (both.has(f.slotId) ? { ...f, slotId: one.slot.id } : f));
  const all = availableFor(one.slot.id, lots, asOne);
  return forSlot(other, forSlot(one, all).fits).fits;
}
