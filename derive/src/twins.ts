import type { Assembly, JobFacts } from '@elder-cog/contract';
import type { KnownStep } from './gap/index.ts';
import { stepsOf } from './gap/index.ts';
import { formAt, formsOf } from './graph.ts';
import type { ShaftState } from './jobState.ts';
import { plainName } from './plainName.ts';

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

/** What a shaft's builds taught, to be lent to the other side: its doubt doubled, for it is another part and another gasket. */
export function lentBy(
  facts: JobFacts,
  { shaft, current, gaps, depths = [], slots, assembly }: ShaftState,
): ReadonlyMap<string, readonly KnownStep[]> {
  const forms = formsOf(facts, shaft, current);
  const of = slots.map(({ slot }) => slot);
  return new Map(
    [...gaps, ...depths].flatMap(({ station, ladder }) => {
      const steps = stepsOf(ladder, { slots: of, coefficients: formAt(forms, station)?.coefficients ?? {} });
      return steps.length === 0 ? [] : [[station.role, steps.map((step) => ({ ...step, u: 2 * step.u, borrowed: assembly.name }))] as const];
    }),
  );
}
