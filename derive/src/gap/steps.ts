import {
  fitTrials,
  nanometres,
  orNull,
  thou,
  type BuiltTrial,
  type ClosureStep,
  type Estimate,
  type FittedTrials,
  type Length,
  type Reading,
} from '@elder-cog/core';
import { changesBetween, stateNow, stateWords, type BuildNow } from '../builds.ts';
import type { Slot } from '../slots.ts';
import { carried, touching, type Coefficients } from './carried.ts';

/** A build as a trial: what was read on it, where anything was that counts. */
export interface TrialRow {
  readonly build: BuildNow;
  readonly pack: Length;
  readonly reading: Reading | null;
  readonly byPack: boolean;
  readonly disagree: object | null;
}

/** How far bolts, bearings and gaskets move a gap as a rule: one standard deviation. Common practice, no source. */
const SPREAD = thou(1.5);
/** The last of a long row of trials say what there is to say. */
const MOST_TRIALS = 60;
/** What has a state that closes or opens a gap by so much each time. */
const STATED: ReadonlySet<Slot['kind']> = new Set(['fastening', 'bearing', 'gasket']);

/** How far a gap moves from one state of nut, bolts, bearings and gaskets to another, as builds taught. */
export interface KnownStep {
  readonly from: string;
  readonly to: string;
  /** less than nothing where it closes */
  readonly value: Length;
  /** one standard uncertainty, nm; doubled where it is borrowed */
  readonly u: number;
  /** the box it was learned on, where that is another; left out where it is this one */
  readonly borrowed?: string;
}

/** The places of a shaft whose state a gap feels, and changes of which are taught by builds. */
export const statedSlots = (slots: readonly Slot[], coefficients: Coefficients): readonly Slot[] =>
  slots.filter(({ id, kind }) => STATED.has(kind) && coefficients[id] !== 0);

/** The state a build is in, in the words of its places: the same for its twin, whose places have the same roles. */
export const stateOf = ({ fitted }: BuildNow, stated: readonly Slot[]): string =>
  stated
    .map(({ id, role }) => {
      const fitting = fitted.get(id) ?? { leaves: null, state: null };
      return `${role}=${stateNow(fitting) ?? ''}${fitting.onward ? `@${fitting.onward}` : ''}`;
    })
    .toSorted()
    .join('|');

export interface TaughtRows {
  readonly fitted: FittedTrials;
  /** the rows that it was fitted to, in the order of its residuals */
  readonly rows: readonly TrialRow[];
  readonly stated: readonly Slot[];
}

interface Told {
  readonly slots: readonly Slot[];
  readonly coefficients: Coefficients;
  readonly prior?: Estimate | null;
  readonly steps?: readonly ClosureStep[];
}

/** What changed from a build to the last that was read: nothing but what is known, and states. */
const isAlike = (from: TrialRow, last: TrialRow, { slots, coefficients }: Told): boolean =>
  touching(changesBetween(from.build, last.build, slots), coefficients).every(({ slot, thicker }) => thicker !== null || STATED.has(slot.kind));

/**
 * The trials of a gap taken together (see fitTrials): of the builds that differ from the last that was read in nothing but packs, sealant,
 * laps, nut, bolts, bearings and gaskets. Null where nothing was read that has a size.
 */
export function taughtBy(ladder: readonly TrialRow[], told: Told): TaughtRows | null {
  const { slots, coefficients, prior = null, steps = [] } = told;
  const read = ladder.filter((row) => row.reading !== null && !row.byPack && !row.disagree).slice(-MOST_TRIALS);
  const last = read.at(-1);
  if (!last) return null;
  const stated = statedSlots(slots, coefficients);
  const rows = read.filter((row) => isAlike(row, last, told));
  const trials = rows.flatMap((row): BuiltTrial[] => {
    if (!row.reading) return [];
    const known = touching(changesBetween(row.build, last.build, slots), coefficients).filter(({ thicker }) => thicker !== null);
    const packChange = nanometres(row.reading.value - carried(row.reading, known, coefficients).value);
    return [{ state: stateOf(row.build, stated), packChange, reading: row.reading }];
  });
  // bounds alone, and nothing measured: they teach nothing yet
  const fitted = orNull(() => fitTrials({ prior, closureSpread: SPREAD, coefficient: 1, steps }, trials));
  return fitted && { fitted, rows, stated };
}

/** The steps that a gap's own builds taught, one after another. */
export function stepsOf(ladder: readonly TrialRow[], told: Told): KnownStep[] {
  const stated = statedSlots(told.slots, told.coefficients);
  const states = new Set(ladder.filter(({ reading }) => reading !== null).map(({ build }) => stateOf(build, stated)));
  if (states.size < 2) return [];
  const taught = taughtBy(ladder, told);
  return taught ? taught.fitted.steps.map(({ from, to, value, u }) => ({ from, to, value, u })) : [];
}

const opposite = (step: KnownStep): KnownStep => ({ ...step, from: step.to, to: step.from, value: nanometres(-step.value) });

/** From one state to another by steps that are known, either way round; null where no steps lead there. The fewest that do. */
export function stepBetween(steps: readonly KnownStep[], from: string, to: string): KnownStep | null {
  const both = [...steps, ...steps.map(opposite)];
  const reached = new Map<string, KnownStep | null>([[from, null]]);
  for (let edge = [from]; edge.length > 0 && !reached.has(to);) {
    const next: string[] = [];
    for (const at of edge)
      for (const step of both) {
        if (step.from !== at || reached.has(step.to)) continue;
        reached.set(step.to, joined(reached.get(at) ?? null, { ...step, from }));
        next.push(step.to);
      }
    edge = next;
  }
  return from === to ? null : (reached.get(to) ?? null);
}

/** One step after another. */
function joined(before: KnownStep | null, step: KnownStep): KnownStep {
  if (!before) return step;
  const borrowed = before.borrowed ?? step.borrowed;
  return {
    ...step,
    value: nanometres(before.value + step.value),
    u: Math.hypot(before.u, step.u),
    ...(borrowed === undefined ? {} : { borrowed }),
  };
}

/** What a state says without how far: a wrench reading on one side answers to plain “torqued” on the other. */
const plain = (state: string): string => state.replaceAll(/ to [^|]*/g, '');

/** Steps by states without how far they were torqued, for a side that says less. */
const plainSteps = (steps: readonly KnownStep[]): KnownStep[] => {
  const said = steps.map((step) => ({ ...step, from: plain(step.from), to: plain(step.to) })).filter(({ from, to }) => from !== to);
  return said.filter((step, i) => said.findIndex((each) => each.from === step.from && each.to === step.to) === i);
};

/** The step from one build to another: by its own builds, else by what the other side taught. */
export function stepFor(steps: readonly KnownStep[], from: string, to: string): KnownStep | null {
  const own = steps.filter(({ borrowed }) => borrowed === undefined);
  return stepBetween(own, from, to) ?? stepBetween(steps, from, to) ?? stepBetween(plainSteps(steps), plain(from), plain(to));
}

/** What is still to come of a gap as it is built now: its nut or bolts are let go, and it is known how far torque closes it. */
export interface StillToCome extends KnownStep {
  /** "bolts torqued to 25 N·m" */
  readonly words: string;
}

/** Null where everything is torqued, or nobody knows what that does. */
export function stillToCome(stepsKnown: () => readonly KnownStep[], current: BuildNow | null, stated: readonly Slot[]): StillToCome | null {
  const bolts = stated.find(({ kind }) => kind === 'fastening');
  const fitting = bolts && current?.fitted.get(bolts.id);
  if (!bolts || !current || fitting?.state !== 'hand tight') return null;
  const steps = stepsKnown();
  const now = stateOf(current, stated);
  const loose = `${bolts.role}=${fitting.state}`;
  // the same in all else, and torqued: as far as it was on whichever side knows
  const torqued = steps
    .flatMap(({ from, to }) => [from, to])
    .filter((state) => state.split('|').some((each) => each.startsWith(`${bolts.role}=torqued`)))
    .filter((state) => plain(state) === plain(now.replace(loose, `${bolts.role}=torqued`)));
  for (const state of [...torqued, now.replace(loose, `${bolts.role}=torqued`)]) {
    const step = stepFor(steps, now, state);
    const said = state.split('|').find((each) => each.startsWith(`${bolts.role}=`));
    if (step) return { ...step, words: stateWords(bolts, said?.slice(bolts.role.length + 1) ?? 'torqued') };
  }
  return null;
}
