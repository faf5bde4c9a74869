import type { JobFacts, PlaceFact, Wants } from '@elder-cog/contract';
import { isChosen, type Place } from '@elder-cog/core';
import { remembered } from './remember.ts';

/** A place of which something can be chosen or said: leaves, a gasket, whether its bolts are torqued, a sleeve crushed further. */
export interface Slot {
  readonly id: string;
  readonly shaftId: string;
  readonly role: string;
  readonly name: string;
  readonly kind: 'adjuster' | 'gasket' | 'bearing' | 'fastening' | 'sleeve';
  /** where its pack sits */
  readonly place: Place | null;
  /** it takes one part, and no pack of several */
  readonly isOne: boolean;
  /** gaskets go in it, and nothing else. Left out where that is not so */
  readonly isGasket?: true;
  /** what goes in it, as far as anybody said */
  readonly wants?: Wants;
}

const STATED: Readonly<Record<string, Slot['kind']>> = { fastening: 'fastening', bearings: 'bearing', crushSleeve: 'sleeve' };

function slotKind({ takes, kind }: PlaceFact): Slot['kind'] | null {
  if (isChosen({ takes })) return 'adjuster';
  return takes === 'gasket' ? 'gasket' : (STATED[kind] ?? null);
}

/** Every place of a job that is a slot, in the order they stand on their shafts. */
export const slotsOf = remembered(
  (facts) => [facts.places],
  ({ places }): readonly Slot[] =>
    places.flatMap((place) => {
      const kind = slotKind(place);
      return kind === null
        ? []
        : [
            {
              id: place.id,
              shaftId: place.shaftId,
              role: place.role,
              name: place.name,
              kind,
              place: place.sits,
              isOne: place.takes === 'part',
              ...(kind === 'adjuster' && place.kind === 'gasket' ? { isGasket: true } : {}),
              ...(place.wants ? { wants: place.wants } : {}),
            },
          ];
    }),
);

/** In the order they are asked about: packs first. */
const ASKED: readonly Slot['kind'][] = ['adjuster', 'sleeve', 'fastening', 'gasket', 'bearing'];

/** The slots of one shaft. */
export const slotsOfShaft = (facts: JobFacts, shaftId: string): readonly Slot[] =>
  slotsOf(facts)
    .filter((slot) => slot.shaftId === shaftId)
    .sort((a, b) => ASKED.indexOf(a.kind) - ASKED.indexOf(b.kind));
