import type { Acceptance, Inspection, JobFacts, MatchedSet, Station } from '@elder-cog/contract';
import type { Ends } from '@elder-cog/core';
import { plainName } from './plainName.ts';
import { rowsOf, withdrawnIds } from './builds.ts';
import { remembered } from './remember.ts';

/** An inspection is of a row of the Wear book, or of a part by its name. */
const keyOf = ({ stationId, part }: Pick<Inspection, 'stationId' | 'part'>): string => stationId ?? plainName(part);

/** Inspections that stand, by what they are of, oldest first. */
const inspectionsByPart = remembered(
  (facts) => [facts.inspections, facts.withdrawals],
  (facts): ReadonlyMap<string, readonly Inspection[]> => {
    const gone = withdrawnIds(facts);
    const byPart = new Map<string, Inspection[]>();
    for (const each of facts.inspections) {
      if (gone.has(each.id)) continue;
      const of = byPart.get(keyOf(each));
      if (of) of.push(each);
      else byPart.set(keyOf(each), [each]);
    }
    return byPart;
  },
);

/** The last time a row of the Wear book was looked at. */
export const inspectionOf = (facts: JobFacts, station: Station): Inspection | null => inspectionsByPart(facts).get(station.id)?.at(-1) ?? null;

/** One part with all that was ever decided of it. */
export interface InspectedPart {
  readonly key: string;
  readonly part: string;
  readonly history: readonly Inspection[];
  readonly last: Inspection;
  /** passed before it was clean: look again */
  readonly lookAgain: boolean;
}

const PASSED: ReadonlySet<string> = new Set(['reuse', 'dress']);

export const inspectedParts = (facts: JobFacts): InspectedPart[] =>
  [...inspectionsByPart(facts)].flatMap(([key, history]) => {
    const last = history.at(-1);
    return last ? [{ key, part: last.part, history, last, lookAgain: !last.cleaned && PASSED.has(last.decision) }] : [];
  });

/** A member of a matched set that does not stay as it was, and those that go with it. */
export interface MatchedWarning {
  readonly set: MatchedSet;
  readonly part: string;
  /** what becomes of it: "is to be replaced", "is turned round" */
  readonly what: string;
  readonly others: readonly string[];
}

const GOES: ReadonlyMap<string, string> = new Map([
  ['make', 'is to be made'],
  ['replace', 'is to be replaced'],
  ['scrap', 'is to be scrapped'],
]);

/** Whenever one of a matched set is replaced, made anew, scrapped or turned round, the rest are in question. */
export function matchedWarnings(facts: JobFacts): MatchedWarning[] {
  const decided = new Map(inspectedParts(facts).map((p) => [plainName(p.part), p.last.decision]));
  const turnedRound = new Set(facts.places.filter((place) => place.turned).map((place) => place.partId));
  const turned = new Set(facts.parts.filter((part) => turnedRound.has(part.id)).map((part) => plainName(part.name)));
  return facts.matchedSets
    .filter((set) => !set.gone)
    .flatMap((set) =>
      set.members.flatMap((part) => {
        const what = GOES.get(decided.get(plainName(part)) ?? '') ?? (turned.has(plainName(part)) ? 'is turned round from how it was' : null);
        return what === null ? [] : [{ set, part, what, others: set.members.filter((m) => m !== part) }];
      }),
    );
}

/** Sets that a part belongs to. */
export const setsWith = (facts: JobFacts, part: string): MatchedSet[] =>
  facts.matchedSets.filter((set) => !set.gone && set.members.some((m) => plainName(m) === plainName(part)));

const outBy = (value: number, { min, max }: Ends<number>): number =>
  Math.max(min === undefined ? 0 : min - value, max === undefined ? 0 : value - max, 0);

/**
 * The acceptance that covers a station as it is now, if there is one: never measured and left so, or out by no more than when it was
 * accepted, within what a reading can tell.
 *
 * @param value nm, or N·m of a drag
 * @param allowed how much a later reading may be farther out by, and be the same
 */
export function acceptanceOf(
  facts: JobFacts,
  stationId: string,
  value: number | null,
  limits: Ends<number> | null,
  allowed: number,
): Acceptance | null {
  const gone = withdrawnIds(facts);
  const last = rowsOf(facts, stationId)
    .acceptances.filter((a) => !gone.has(a.id))
    .at(-1);
  if (!last) return null;
  if (last.kind === 'unmeasured') return value === null ? last : null;
  const then = last.torque ?? last.value;
  if (value === null || then === null || limits === null) return null;
  return outBy(value, limits) <= outBy(then, limits) + allowed ? last : null;
}
