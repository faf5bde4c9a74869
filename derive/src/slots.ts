import type { JobFacts, PlaceFact, Wants } from '@elder-cog/contract';
import { isChosen, type Length, type Place } from '@elder-cog/core';
import { remembered } from './remember.ts';

/**
 * A place of which something can be chosen or said: leaves, a gasket, whether its bolts are torqued, a sleeve crushed further; one whose part
 * a build changed for another, or turned; or a size that something was taken off, by its own id.
 */
export interface Slot {
  readonly id: string;
  readonly shaftId: string;
  readonly role: string;
  readonly name: string;
  readonly kind: 'adjuster' | 'gasket' | 'bearing' | 'fastening' | 'sleeve' | 'part' | 'lapped';
  /** where its pack sits */
  readonly place: Place | null;
  /** it takes one part, and no pack of several */
  readonly isOne: boolean;
  /** gaskets go in it, and nothing else. Left out where that is not so */
  readonly isGasket?: true;
  /** of a nut that sets a float: the pitch of its thread, where that is known. It goes on and back, and clamps nothing */
  readonly nutPitch?: Length;
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
  (facts) => [facts.places, facts.joints],
  ({ places, joints }): readonly Slot[] =>
    places.flatMap((place) => {
      const kind = slotKind(place);
      const adjusting = joints.find((joint) => joint.placeId === place.id && joint.adjusts && joint.gone !== true);
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
              ...(kind === 'fastening' && adjusting?.pitch ? { nutPitch: adjusting.pitch } : {}),
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

/** Sizes that something was taken off, each with the place its part is in. */
const sizesLapped = remembered(
  (facts) => [facts.places, facts.removals, facts.features, facts.stations],
  ({ places, removals, features, stations }): readonly Slot[] => {
    const lapped = new Set(removals.map(({ stationId }) => featureAt(stations, stationId)));
    return features
      .filter(({ id }) => lapped.has(id))
      .flatMap(({ id, fromFace, toFace }): Slot[] => {
        const place = places.find(({ faces }) => faces.some((face) => face.id === fromFace || face.id === toFace));
        return place ? [{ id, shaftId: place.shaftId, role: place.role, name: place.name, kind: 'lapped', place: null, isOne: false }] : [];
      });
  },
);

/** The size of a part that a station reads; null where it reads none. */
export function featureAt(stations: JobFacts['stations'], stationId: string): string | null {
  const reads = stations.find(({ id }) => id === stationId)?.reads;
  return reads?.what === 'feature' ? reads.feature : null;
}

/** In the order they are asked about: packs first. */
const ASKED: readonly Slot['kind'][] = ['adjuster', 'sleeve', 'fastening', 'gasket', 'bearing', 'part', 'lapped'];

/** The slots of one shaft, the places of it that builds changed the part of, and the sizes that were lapped. */
export const slotsOfShaft = (facts: JobFacts, shaftId: string): readonly Slot[] =>
  [...slotsOf(facts), ...partsChanged(facts), ...sizesLapped(facts)]
    .filter((slot) => slot.shaftId === shaftId)
    .sort((a, b) => ASKED.indexOf(a.kind) - ASKED.indexOf(b.kind));
