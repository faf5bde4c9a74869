import type { Assembly, JobFacts, Removal, Station } from '@elder-cog/contract';
import { meanLength, type Length } from '@elder-cog/core';
import { stepsOf, type GapState, type KnownStep } from './gap/index.ts';
import { formAt, formsOf } from './graph.ts';
import { judgedOf, type ShaftState } from './jobState.ts';
import { plainName } from './plainName.ts';
import { workedOn } from './removals.ts';

/** The box a station is of: its own, or its shaft's. */
export const boxOf = (facts: JobFacts, { assemblyId, shaftId }: Station): string | undefined =>
  assemblyId ?? facts.shafts.find((s) => s.id === shaftId)?.assemblyId;

/** Boxes that are the other side of this one: said of either. */
export const otherSidesOf = (facts: JobFacts, boxId: string): Assembly[] => {
  const mirrorOf = facts.assemblies.find((a) => a.id === boxId)?.mirrorOf ?? null;
  return facts.assemblies.filter((a) => a.id !== boxId && (a.mirrorOf === boxId || a.id === mirrorOf));
};

/** A name with nothing left of which side it is on: "Left hub bush" and "hub bush, right". */
export const sideless = (name: string): string =>
  plainName(name)
    .replace(/\b(?:left|right|near ?side|off ?side|near|off|other|side)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** The same shaft on the other side: begun from the same, and called the same but for its side; the only one there where names tell nothing. */
export function twinOf(facts: JobFacts, shaft: ShaftState, shafts: readonly ShaftState[]): ShaftState | null {
  const boxes = otherSidesOf(facts, shaft.assembly.id);
  const like = shafts.filter((each) => boxes.some(({ id }) => id === each.assembly.id) && each.shaft.origin === shaft.shaft.origin);
  const named = like.find((each) => sideless(each.shaft.name) === sideless(shaft.shaft.name));
  return named ?? (like.length === 1 ? (like[0] ?? null) : null);
}

/** The gap or depth of a twin that answers to this one. */
export const twinGapOf = (twin: ShaftState, { station }: Pick<GapState, 'station'>): GapState | undefined =>
  judgedOf(twin).find((each) => each.station.role === station.role);

/** What a shaft's builds taught, to be lent to the other side: its doubt doubled, for it is another part and another gasket. */
export function lentBy(facts: JobFacts, lender: ShaftState): ReadonlyMap<string, readonly KnownStep[]> {
  const { shaft, current, slots, assembly } = lender;
  const forms = formsOf(facts, shaft, current);
  const of = slots.map(({ slot }) => slot);
  return new Map(
    judgedOf(lender).flatMap(({ station, ladder }) => {
      const steps = stepsOf(ladder, { slots: of, coefficients: formAt(forms, station)?.coefficients ?? {} });
      return steps.length === 0 ? [] : [[station.role, steps.map((step) => ({ ...step, u: 2 * step.u, borrowed: assembly.name }))] as const];
    }),
  );
}

/** How much one pass takes off as a rule, by those that were measured. */
export interface PassTakes {
  readonly each: Length;
  readonly passes: number;
  /** the box it was learned on, where that is the other side */
  readonly borrowed?: string;
}

/** What a pass of one process took off what a station reads; by the other side's passes where there was none here yet; null where nobody measured any. */
export function passTakes(facts: JobFacts, stationId: string, process: Removal['process']): PassTakes | null {
  const station = facts.stations.find(({ id }) => id === stationId);
  const own = takenBy(facts, [stationId], process);
  if (own || !station) return own;
  const boxId = boxOf(facts, station) ?? '';
  for (const { id, name } of otherSidesOf(facts, boxId)) {
    const alike = facts.stations.filter((each) => boxOf(facts, each) === id && each.role === station.role && each.subject === station.subject);
    const theirs = takenBy(
      facts,
      alike.map((each) => each.id),
      process,
    );
    if (theirs) return { ...theirs, borrowed: name };
  }
  return null;
}

function takenBy(facts: JobFacts, stationIds: readonly string[], process: Removal['process']): PassTakes | null {
  const passes = stationIds
    .flatMap((id) => workedOn(facts, id).removals)
    .flatMap((r) => (r.process === process && r.amount !== null ? [r.amount] : []));
  return passes.length === 0 ? null : { each: meanLength(passes), passes: passes.length };
}
