import type { JobFacts, Shaft, Station } from '@elder-cog/contract';
import { isChosen, isMetric, NM_PER, type DrawnShaft, type Length } from '@elder-cog/core';
import type { SlotState } from './slotState.ts';
import type { GapState } from './gap/index.ts';
import type { BuildNow } from './builds.ts';
import { contactsOf, isCrushedSince, type Filled } from './graph.ts';
import { sizeOf } from './sizes.ts';

const inMm = (length: Length | null): number | null => (length === null ? null : length / NM_PER.mm);

interface ShaftSeen {
  readonly filled: readonly Filled[];
  readonly current: BuildNow | null;
  readonly gaps: readonly GapState[];
  readonly slots: readonly SlotState[];
}

/** A shaft as it is drawn: from the places and parts that are there, with what was read of them. */
export function drawnShaft(facts: JobFacts, shaft: Shaft, { filled, current, gaps, slots }: ShaftSeen): DrawnShaft {
  const packs = slots.filter(({ slot }) => slot.kind === 'adjuster');
  return {
    places: filled
      .filter(({ place }) => place.faces.length > 0)
      .map(({ place, part, turned }) => {
        const n = packs.findIndex(({ slot }) => slot.id === place.id);
        const pack = packs[n];
        return {
          id: place.id,
          name: place.name,
          kind: place.kind,
          material: part?.material ?? '',
          turned,
          faces: place.faces.map(({ id, side, inner, outer }) => ({ id, side, inner: inMm(inner), outer: inMm(outer) })),
          ...(pack
            ? {
                leaves: pack.fitting.leaves
                  ? pack.fitting.leaves.flatMap((leaf) =>
                      Array.from({ length: leaf.count }, () => ({ thickness: leaf.thickness, metric: isMetric(leaf.unit) })),
                    )
                  : null,
                proportion: inMm(place.proportion) ?? 0.7,
                // several packs go by letters, from the middle of the alphabet on
                words: packs.length > 1 ? `${slotLetter(n)} ${pack.words}` : `Pack ${pack.words}`,
              }
            : {}),
        };
      }),
    // what is chosen is drawn as thick as what is in
    lengths: filled.flatMap(({ place, features }) =>
      (isChosen(place) ? [] : features).map((feature) => ({
        id: feature.id,
        place: place.id,
        name: feature.name,
        from: feature.fromFace,
        to: feature.toFace,
        proportion: inMm(feature.proportion) ?? 1,
        size: isCrushedSince(current?.fitted.get(place.id)) ? null : sizeOf(facts, feature).value,
      })),
    ),
    contacts: facts.contacts
      .filter((contact) => contact.shaftId === shaft.id)
      .map(({ id, a, b, kind, standId }) => ({ id, a, b, kind, ...(standId === null ? {} : { stand: standId }) })),
    gaps: gaps.flatMap(({ station, letter, now }) => {
      const contact = lensOf(station, gaps);
      if (contact === undefined) return [];
      const value = now.reading && now.kind !== 'stale' && now.reading.kind === 'estimate' ? now.reading.value : null;
      return [{ contact, letter, name: station.name, value, forecast: now.kind === 'forecast' }];
    }),
    ends: shaft.ends,
    bolts: filled.some(({ place }) => place.kind === 'fastening' && place.role.includes('bolts')),
  };
}

/** Where a gap has its lens: at its contact; one read over several, at the first of them that no other has for its own. */
function lensOf(station: Station, gaps: readonly GapState[]): string | undefined {
  const [first, ...more] = contactsOf(station);
  if (more.length === 0) return first;
  const taken = new Set(gaps.filter((g) => g.station !== station).map((g) => contactsOf(g.station)[0]));
  return contactsOf(station).find((contact) => !taken.has(contact));
}

/** P, Q, R …: what the slots of a shaft are called where there are several. */
export const slotLetter = (n: number): string => String.fromCharCode('P'.charCodeAt(0) + n);
