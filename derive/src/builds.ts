import type { Build, FitLeaf, JobFacts, ReadingFact, Slot } from '@elder-cog/contract';
import { nanometres, type Length } from '@elder-cog/core';

/** What is in one place: its leaves, and its state where it has one (bolts hand tight, gasket crushed). */
export interface Fitting {
  readonly leaves: readonly FitLeaf[] | null;
  readonly state: string | null;
}

export interface BuildNow {
  readonly build: Build;
  /** counted from 0 among those that stand */
  readonly number: number;
  /** by slot id, everything said up to and including this build */
  readonly fitted: ReadonlyMap<string, Fitting>;
}

/** Ids taken back: a withdrawal that was itself withdrawn no longer counts. */
export function withdrawnIds(facts: JobFacts): ReadonlySet<string> {
  const undone = new Set(facts.withdrawals.filter((w) => w.ofKind === 'withdrawal').map((w) => w.ofId));
  return new Set(facts.withdrawals.filter((w) => w.ofKind !== 'withdrawal' && !undone.has(w.id)).map((w) => w.ofId));
}

const EMPTY: Fitting = { leaves: null, state: null };

/** What readings of a build said they rested on (bolts, gasket), where the build itself did not say. */
function saidByReadings(facts: JobFacts, buildId: string, gone: ReadonlySet<string>): { slotId: string; answer: string }[] {
  return facts.readings
    .filter((r) => r.buildId === buildId && !gone.has(r.id))
    .flatMap((r) => {
      const shaftId = facts.stations.find((s) => s.id === r.stationId)?.shaftId;
      return r.raw.restsOn.flatMap(({ item, answer }) => {
        const slot = facts.slots.find((s) => s.shaftId === shaftId && s.role === item);
        return slot ? [{ slotId: slot.id, answer }] : [];
      });
    });
}

/** The builds of an assembly that stand, oldest first, each with all that is in it. A build says only what changed. */
export function buildsOf(facts: JobFacts, assemblyId: string): BuildNow[] {
  const gone = withdrawnIds(facts);
  const standing = facts.builds.filter((b) => b.assemblyId === assemblyId && !gone.has(b.id)).sort((a, b) => a.at.localeCompare(b.at));
  const known = new Map<string, BuildNow>();
  let last: BuildNow | undefined;
  for (const [number, build] of standing.entries()) {
    const parent = (build.parentId === null ? undefined : known.get(build.parentId)) ?? last;
    const fitted = new Map(parent?.fitted ?? []);
    for (const { slotId, answer } of saidByReadings(facts, build.id, gone))
      fitted.set(slotId, { leaves: fitted.get(slotId)?.leaves ?? null, state: answer });
    for (const fit of build.fits) {
      const slot = facts.slots.find((s) => s.id === fit.slotId);
      const before = fitted.get(fit.slotId) ?? EMPTY;
      fitted.set(fit.slotId, { leaves: slot?.kind === 'adjuster' ? fit.leaves : before.leaves, state: fit.state ?? before.state });
    }
    last = { build, number, fitted };
    known.set(build.id, last);
  }
  return [...known.values()];
}

/** The builds that touched one shaft: something of it fitted, changed or read. Numbered from its own first. */
export function buildsOfShaft(facts: JobFacts, shaftId: string, assemblyId: string): BuildNow[] {
  const slots = new Set(facts.slots.filter((s) => s.shaftId === shaftId).map((s) => s.id));
  const stations = new Set(facts.stations.filter((s) => s.shaftId === shaftId && s.subject === 'gap').map((s) => s.id));
  const read = new Set(facts.readings.filter((r) => stations.has(r.stationId)).map((r) => r.buildId));
  return buildsOf(facts, assemblyId)
    .filter(({ build }) => read.has(build.id) || build.fits.some((f) => slots.has(f.slotId)))
    .map((each, number) => ({ ...each, number }));
}

export const packTotal = (leaves: readonly FitLeaf[] | null | undefined): Length =>
  nanometres((leaves ?? []).reduce((sum, leaf) => sum + leaf.thickness * leaf.count, 0));

/** "20 + 8", "none": a pack as it is said. */
export const packWords = (leaves: readonly FitLeaf[] | null | undefined): string => {
  if (!leaves) return '?';
  const each = leaves.flatMap((leaf) => Array.from({ length: leaf.count }, () => leaf.written));
  return each.length === 0 ? 'none' : each.join(' + ');
};

/** "bolts torqued", "new gasket": a slot's state as it is said. */
export function stateWords(slot: Slot, state: string | null): string {
  const thing = slot.name.toLowerCase().split(' ').at(-1) ?? '';
  if (state === null) return `${thing} changed`;
  return state.includes(thing) ? state : `${thing} ${state}`;
}

export interface SlotChange {
  readonly slot: Slot;
  /** how much thicker, where both packs are known */
  readonly thicker: Length | null;
  readonly words: string;
}

/** What differs between two builds, in the slots that matter. */
export function changesBetween(then: BuildNow, now: BuildNow, slots: readonly Slot[]): SlotChange[] {
  return slots.flatMap((slot) => {
    const before = then.fitted.get(slot.id) ?? EMPTY;
    const after = now.fitted.get(slot.id) ?? EMPTY;
    if (slot.kind === 'adjuster') {
      const thicker = nanometres(packTotal(after.leaves) - packTotal(before.leaves));
      if (before.leaves !== null && after.leaves !== null && thicker === 0) return [];
      if (before.leaves === null && after.leaves === null) return [];
      return [{ slot, thicker: before.leaves === null || after.leaves === null ? null : thicker, words: 'pack changed' }];
    }
    return before.state === after.state ? [] : [{ slot, thicker: null, words: stateWords(slot, after.state) }];
  });
}

export const readingsOf = (facts: JobFacts, stationId: string, gone: ReadonlySet<string>): ReadingFact[] =>
  facts.readings.filter((r) => r.stationId === stationId && !gone.has(r.id)).sort((a, b) => a.takenAt.localeCompare(b.takenAt));
