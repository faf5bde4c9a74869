import type { JobFacts, PlaceFact, Wants } from '@elder-cog/contract';
import { isChosen, type Place } from '@elder-cog/core';
import { remembered } from './remember.ts';

/**
 * A place of which something can be chosen or said: leaves, a gasket, whether its bolts are torqued, a sleeve crushed further; or one whose part
 * a build changed for another, or turned.
 */
export interface Slot {
  readonly id: string;
  readonly shaftId: string;
  readonly role: string;
  readonly name: string;
  readonly kind: 'adjuster' | 'gasket' | 'bearing' | 'fastening' | 'sleeve' | 'part';
  /** where its pack sits */
  readonly place: Place | null;
  /** it takes one part, and no pack of several */
  readonly isOne: boolean;
  /** gaskets go in it, and nothing else. Left out where that is not so */
  readonly isGasket?: true;
  /** what goes in it, as far as anybody said */
  readonly wants?: Wants;
  /** of a part: what is in it, and which way round, till a build says otherwise */
  readonly asDrawn?: { readonly partId: string | null; readonly turned: boolean };
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

/** Places of which a build once said that another part is in, or the other way round. */
const partsChanged = remembered(
  (facts) => [facts.places, facts.builds],
  (facts): readonly Slot[] => {
    const slots = new Set(slotsOf(facts).map(({ id }) => id));
    const said = new Set(
      facts.builds.flatMap(({ fits }) => fits.filter((f) => f.partId !== undefined || f.turned !== undefined)).map((f) => f.placeId),
    );
    return facts.places
      .filter(({ id }) => said.has(id) && !slots.has(id))
      .map(({ id, shaftId, role, name, partId, turned }) => ({
        ...{ id, shaftId, role, name, kind: 'part', place: null, isOne: false },
        asDrawn: { partId, turned },
      }));
  },
);

/** In the order they are asked about: packs first. */
const ASKED: readonly Slot['kind'][] = ['adjuster', 'sleeve', 'fastening', 'gasket', 'bearing', 'part'];

/** The slots of one shaft, and the places of it that builds changed the part of. */
export const slotsOfShaft = (facts: JobFacts, shaftId: string): readonly Slot[] =>
  [...slotsOf(facts), ...partsChanged(facts)]
    .filter((slot) => slot.shaftId === shaftId)
    .sort((a, b) => ASKED.indexOf(a.kind) - ASKED.indexOf(b.kind));
