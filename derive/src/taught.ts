import type { JobFacts } from '@elder-cog/contract';
import {
  coverageFactor,
  estimate,
  fitTrials,
  nanometres,
  ReckoningError,
  thou,
  type BuiltTrial,
  type FittedTrials,
  type Length,
} from '@elder-cog/core';
import { changesBetween, stateWords, type BuildNow } from './builds.ts';
import { doubtsOf } from './doubt.ts';
import { carried, touching, type GapState, type LadderRow } from './gap/index.ts';
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
  readonly questioned: readonly { readonly build: number; readonly by: Length }[];
}

/** How far bolts, bearings and gaskets move a gap as a rule: one standard deviation. Common practice, no source. */
const SPREAD = thou(1.5);
/** What has a state that closes or opens a gap by so much each time. */
const STATED: ReadonlySet<Slot['kind']> = new Set(['fastening', 'bearing', 'gasket']);

/**
 * Closures as steps from state to state, over whatever packs were in, and the trials that do not fit: of the builds that differ from the last
 * that was read in nothing but packs, sealant, nut, bolts, bearings and gaskets. Null where they teach nothing yet.
 */
export function taughtOf(facts: JobFacts, shaft: ShaftState, gap: GapState): Taught | null {
  const coefficients = formAt(formsOf(facts, shaft.shaft, shaft.current), gap.station)?.coefficients ?? {};
  const slots = shaft.slots.map(({ slot }) => slot);
  const read = gap.ladder.filter((row) => row.reading !== null && !row.byPack && !row.disagree);
  const last = read.at(-1);
  if (!last) return null;
  const stated = slots.filter(({ id, kind }) => STATED.has(kind) && coefficients[id] !== 0);
  const stateOf = ({ fitted }: BuildNow): string => stated.map(({ id }) => fitted.get(id)?.state ?? '').join('|');
  const trials = read.flatMap((row): { readonly row: LadderRow; readonly trial: BuiltTrial }[] => {
    const changes = touching(changesBetween(row.build, last.build, slots), coefficients);
    const known = changes.filter(({ thicker }) => thicker !== null);
    const isAlike = changes.every(({ slot, thicker }) => thicker !== null || STATED.has(slot.kind));
    if (!row.reading || !isAlike) return [];
    return [
      {
        row,
        trial: {
          state: stateOf(row.build),
          packChange: nanometres(row.reading.value - carried(row.reading, known, coefficients).value),
          reading: row.reading,
        },
      },
    ];
  });
  const fitted = fittedFrom(facts, shaft, { gap, trials: trials.map(({ trial }) => trial), isNow: last.isNow });
  if (!fitted) return null;
  const builds = new Map(trials.map(({ row, trial }) => [trial.state, row.build]));
  const words = (at: string, other: string): string => differing(stated, builds.get(at), builds.get(other));
  const steps = fitted.steps.map(({ from, to, value, u }) => ({ from: words(from, to), to: words(to, from), value, U: coverageFactor() * u }));
  const questioned = fitted.questioned.map((i) => ({ build: trials[i]?.row.build.number ?? 0, by: fitted.residuals[i] ?? nanometres(0) }));
  return steps.length === 0 && questioned.length === 0 ? null : { steps, questioned };
}

interface Fit {
  readonly gap: GapState;
  readonly trials: readonly BuiltTrial[];
  /** the last of them is of the build that stands now */
  readonly isNow: boolean;
}

function fittedFrom(facts: JobFacts, shaft: ShaftState, { gap, trials, isNow }: Fit): FittedTrials | null {
  const sizes = isNow ? doubtsOf(facts, shaft, gap).find(({ by, unsaid }) => by === 'sizes' && unsaid.length === 0) : undefined;
  const prior = sizes ? estimate(sizes.value, sizes.U / coverageFactor()) : null;
  try {
    return fitTrials({ prior, closureSpread: SPREAD, coefficient: 1 }, trials);
  } catch (error) {
    // bounds alone, and nothing measured: they teach nothing yet
    if (error instanceof ReckoningError) return null;
    throw error;
  }
}

/** What is said of one build where another is otherwise: "bolts torqued". */
const differing = (stated: readonly Slot[], build: BuildNow | undefined, other: BuildNow | undefined): string =>
  stated
    .filter(({ id }) => build?.fitted.get(id)?.state !== other?.fitted.get(id)?.state)
    .map((slot) => stateSaid(slot, build?.fitted.get(slot.id)?.state ?? null))
    .join(', ');

const stateSaid = (slot: Slot, state: string | null): string => (state === null ? `${slot.name.toLowerCase()} not said` : stateWords(slot, state));
