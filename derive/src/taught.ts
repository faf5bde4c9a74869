import type { JobFacts } from '@elder-cog/contract';
import { coverageFactor, estimate, nanometres, type Estimate, type FittedTrials, type Length } from '@elder-cog/core';
import { buildName, stateNow, stateWords, type BuildNow } from './builds.ts';
import { doubtsOf } from './doubt.ts';
import { stateOf, taughtBy, type GapState } from './gap/index.ts';
import { formAt, formsOf } from './graph.ts';
import type { ShaftState } from './jobState.ts';
import type { Slot } from './slots.ts';

/** What changes a gap from one state to the next, as all builds together say. */
export interface TaughtStep {
  readonly from: string;
  readonly to: string;
  /** less than nothing where it closes */
  readonly value: Length;
  /** expanded, nm */
  readonly U: number;
}

/** What the builds of a gap teach when they are taken together. */
export interface Taught {
  readonly steps: readonly TaughtStep[];
  /** builds whose reading does not fit the others: by their number, with how far it is off */
  readonly questioned: readonly { readonly buildId: string; readonly build: number; readonly name: string; readonly by: Length }[];
  /** left out where too few packs were tried to say */
  readonly coefficient?: TaughtCoefficient;
}

/** How far the gap moves for one of its pack, as the builds show it. */
export interface TaughtCoefficient {
  readonly value: number;
  /** expanded */
  readonly U: number;
  /** what the drawing says */
  readonly drawn: number;
  readonly agrees: boolean;
}

/** Two packs prove which way it goes; from three on, how far is told too. */
const ENOUGH_PACKS = 3;

/**
 * Closures as steps from state to state, over whatever packs were in, and the trials that do not fit. Null where they teach nothing yet.
 */
export function taughtOf(facts: JobFacts, shaft: ShaftState, gap: GapState): Taught | null {
  const coefficients = formAt(formsOf(facts, shaft.shaft, shaft.current), gap.station)?.coefficients ?? {};
  const slots = shaft.slots.map(({ slot }) => slot);
  const isNow = gap.ladder.findLast((row) => row.reading !== null && !row.byPack && !row.disagree)?.isNow === true;
  const taught = taughtBy(gap.ladder, { slots, coefficients, prior: isNow ? bySizes(facts, shaft, gap) : null, steps: gap.borrowed ?? [] });
  if (!taught) return null;
  const { fitted, rows, stated } = taught;
  // where the trials contradict the drawing, and not one of them the others, everything that rests on either would be wrong
  const isAgainst = gap.pack?.refusal?.code === 'contradiction' && rows.length - fitted.questioned.length < 2;
  if (isAgainst) return null;
  const builds = new Map(rows.map(({ build }) => [stateOf(build, stated), build]));
  const words = (at: string, other: string): string => differing(stated, builds.get(at), builds.get(other));
  const steps = fitted.steps.map(({ from, to, value, u }) => ({ from: words(from, to), to: words(to, from), value, U: coverageFactor() * u }));
  const questioned = fitted.questioned.map((i) => ({
    buildId: rows[i]?.build.build.id ?? '',
    build: rows[i]?.build.number ?? 0,
    name: rows[i] ? buildName(rows[i].build) : '',
    by: fitted.residuals[i] ?? nanometres(0),
  }));
  const packs = new Set(rows.map(({ pack }) => pack)).size;
  const coefficient = packs >= ENOUGH_PACKS ? coefficientOf(gap, fitted) : null;
  return steps.length === 0 && questioned.length === 0 && !coefficient ? null : { steps, questioned, ...(coefficient ? { coefficient } : {}) };
}

/** The gap by the sizes alone, where every one is known. */
function bySizes(facts: JobFacts, shaft: ShaftState, gap: GapState): Estimate | null {
  const sizes = doubtsOf(facts, shaft, gap).find(({ by, unsaid }) => by === 'sizes' && unsaid.length === 0);
  return sizes ? estimate(sizes.value, sizes.U / coverageFactor()) : null;
}

/** What the packs themselves say of how far the gap moves for each of them, held against the drawing; null under two packs, or where it is plain. */
function coefficientOf({ adjuster, pack }: GapState, { coefficient }: FittedTrials): TaughtCoefficient | null {
  if (!adjuster || !pack || pack.sense === 0 || coefficient === null) return null;
  const drawn = pack.sense * (pack.factor ?? 1);
  // fitted in units of what the drawing says: 1 where it is right
  const value = coefficient.value * drawn;
  const U = coverageFactor() * coefficient.u * Math.abs(drawn);
  return { value, U, drawn, agrees: Math.abs(value - drawn) <= U };
}

/** What is said of one build where another is otherwise: "bolts torqued". */
const differing = (stated: readonly Slot[], build: BuildNow | undefined, other: BuildNow | undefined): string =>
  stated
    .filter(({ id }) => stateIn(build, id) !== stateIn(other, id))
    .map((slot) => stateSaid(slot, stateIn(build, slot.id)))
    .join(', ');

function stateIn(build: BuildNow | undefined, slotId: string): string | null {
  const fitting = build?.fitted.get(slotId);
  return fitting ? stateNow(fitting) : null;
}

const stateSaid = (slot: Slot, state: string | null): string => (state === null ? `${slot.name.toLowerCase()} not said` : stateWords(slot, state));
