import type { Closing, Feel, JobFacts, Temporary } from '@elder-cog/contract';
import { buildsOf, isOnTheWay, rowsOf, stateWords, withdrawnIds, type BuildNow } from './builds.ts';
import { countWords } from './journalWords.ts';
import { remembered } from './remember.ts';
import { slotsOf, type Slot } from './slots.ts';

/** Something counted in for the time being, and how much of it is still in. */
export interface StillIn {
  readonly row: Temporary;
  readonly left: number;
}

/** What was counted into a box and not all out again, oldest first. */
export function stillIn(facts: JobFacts, assemblyId: string): StillIn[] {
  const gone = withdrawnIds(facts);
  const standing = facts.temporaries.filter((t) => t.assemblyId === assemblyId && !gone.has(t.id));
  return standing
    .filter(({ outOf }) => outOf === null)
    .map((row) => ({ row, left: row.count - standing.filter((t) => t.outOf === row.id).reduce((sum, t) => sum + t.count, 0) }))
    .filter(({ left }) => left > 0);
}

/** Something of a box that is in for the time being: it is swapped for what stays, or counted out, before it is built for good. */
export interface InForNow {
  /** "2 × rag in the case", "nut hand tight", "old gasket" */
  readonly words: string;
  /** the place it is in; null where it was counted in by hand */
  readonly slot: Slot | null;
  readonly counted: StillIn | null;
}

const NOT_STAYING: ReadonlySet<string> = new Set(['hand tight', 'old gasket', 'no gasket', 'trial bearings']);

/** What of a place does not stay: slave bolts, an old gasket, bearings for trial; a gasket that was in before is crushed, and is used once. */
function notStaying(slot: Slot, now: BuildNow): string | null {
  const fitting = now.fitted.get(slot.id);
  if (!fitting) return null;
  if (fitting.tightened?.some(({ isSlave }) => isSlave)) return `${slot.name.toLowerCase()}: slave`;
  if (fitting.state !== null && (NOT_STAYING.has(fitting.state) || isOnTheWay(fitting.state))) return stateWords(slot, fitting.state);
  const isSpent = slot.kind === 'gasket' && fitting.state === 'new gasket' && fitting.another !== now.build.id && now.build.stage !== 'final';
  return isSpent ? 'a gasket that was in before: it is crushed, and is used once' : null;
}

/**
 * What is in a box for the time being, by what was counted and by what its builds say: a build for good is not allowed while any of it is in.
 *
 * @param now the build it is asked of; the last that stands where none is given
 */
export function inForNow(
  facts: JobFacts,
  assemblyId: string,
  now: BuildNow | null = buildsOf(facts, assemblyId).at(-1) ?? null,
): readonly InForNow[] {
  const shafts = new Set(facts.shafts.filter((s) => s.assemblyId === assemblyId && s.gone !== true).map(({ id }) => id));
  const places = slotsOf(facts).flatMap((slot): InForNow[] => {
    const words = now && shafts.has(slot.shaftId) ? notStaying(slot, now) : null;
    return words === null ? [] : [{ words, slot, counted: null }];
  });
  const counted = stillIn(facts, assemblyId).map((each): InForNow => ({ words: countWords(each.left, each.row.what), slot: null, counted: each }));
  return [...counted, ...places];
}

/** Whether a station is done: its last reading is taken, and nothing more is read there by accident. */
export function closingOf(facts: JobFacts, stationId: string): Closing | null {
  const { closings } = rowsOf(facts, stationId);
  if (closings.length === 0) return null;
  const gone = withdrawnIds(facts);
  return closings.findLast(({ id }) => !gone.has(id)) ?? null;
}

/** How each build felt, by its id, in the order it was said. */
export const feelsByBuild = remembered(
  (facts) => [facts.builds, facts.feels, facts.withdrawals],
  (facts): ReadonlyMap<string, readonly Feel[]> => {
    const gone = withdrawnIds(facts);
    const by = new Map<string, Feel[]>();
    for (const { id, feel, who, at } of facts.builds)
      if (feel.length > 0)
        by.set(
          id,
          feel.map((word) => ({ id: `${id} ${word}`, buildId: id, word, who, at })),
        );
    for (const feel of facts.feels) if (!gone.has(feel.id)) by.set(feel.buildId, [...(by.get(feel.buildId) ?? []), feel]);
    return by;
  },
);

/** How a build may feel, each said by one key. Common practice, no source. */
export const FEELS = ['smooth', 'drag', 'notchy', 'tight spot', 'rattle'] as const;
