import type { JobFacts, PartFact, Station } from '@elder-cog/contract';
import { cupSideOf, isBearing, isOneDigitApart, type Length } from '@elder-cog/core';
import { contactsOf, filledPlaces, formsOf, graphOf, type Filled } from './graph.ts';
import type { ShaftState } from './jobState.ts';
import { sizeOf } from './sizes.ts';
import type { Slot } from './slots.ts';
import { twinOf } from './twins.ts';

/** One ring of a bearing, or all of it where it is one part. */
export interface BearingPart {
  readonly placeId: string;
  /** "Cup, input end" */
  readonly name: string;
  readonly part: PartFact;
}

/** What a bearing that stands higher does to one gap, and what each pack of it has to grow by to keep it: both for one of standing. */
export interface StandingEffect {
  readonly station: Station;
  /** it opens by this; less than nothing closes */
  readonly opens: number;
  readonly packs: readonly { readonly slot: Slot; readonly by: number }[];
}

/** Two numbers one figure apart where they should be of one thing: a sentence, and the two rings. Read again, and so, it is asked no more. */
export interface NumberQuery {
  readonly words: string;
  readonly parts: readonly [PartFact, PartFact];
}

/** A bearing of a shaft: its rings with their numbers, which way it goes in, and what it does as it stands. */
export interface BearingState {
  /** the contact of its rings */
  readonly id: string;
  /** "Bearing, input end" */
  readonly name: string;
  readonly parts: readonly BearingPart[];
  /** of a taper bearing: on which side of its cone the cup's back is. Null of any other */
  readonly cupBack: 'inputSide' | 'outputSide' | null;
  /** from back of cup to back of cone, as it was read. Null where nobody has */
  readonly stands: Length | null;
  readonly effects: readonly StandingEffect[];
  /** numbers that may be slips */
  readonly queries: readonly NumberQuery[];
}

/** The bearings of a shaft from its input end, as it is built. */
export function bearingsOf(facts: JobFacts, shaft: ShaftState, shafts: readonly ShaftState[] = []): readonly BearingState[] {
  const { current } = shaft;
  const graph = graphOf(facts, shaft.shaft, { current });
  const filled = filledPlaces(facts, shaft.shaft, current);
  const stands = graph.contacts.filter(isBearing);
  const forms = formsOf(facts, shaft.shaft, current, { chosen: stands.map(({ id }) => id) });
  const packs = shaft.slots.flatMap(({ slot }) => (slot.kind === 'adjuster' ? [slot] : []));
  const twin = twinOf(facts, shaft, shafts);
  const there = twin ? filledPlaces(facts, twin.shaft, twin.current) : [];
  const bearings = stands.map((contact): Omit<BearingState, 'queries'> & { readonly at: number } => {
    const rings = filled.filter(({ place }) => place.faces.some((face) => face.id === contact.a || face.id === contact.b));
    const standId = facts.contacts.find(({ id }) => id === contact.id)?.standId ?? null;
    const feature = facts.features.find(({ id }) => id === standId);
    const effects = shaft.gaps.flatMap(({ station }): StandingEffect[] => {
      const found = contactsOf(station).map((id) => forms.gaps.get(id));
      const sum = (of: string): number => found.reduce((all, form) => all + (form?.coefficients[of] ?? 0), 0);
      const opens = sum(contact.id);
      const moved = packs.flatMap((slot) => (sum(slot.id) === 0 ? [] : [{ slot, by: -opens / sum(slot.id) }]));
      return opens === 0 ? [] : [{ station, opens, packs: moved }];
    });
    return {
      id: contact.id,
      name: nameOf(rings, contact.name ?? ''),
      parts: rings.flatMap(({ place, part }) => (part ? [{ placeId: place.id, name: place.name, part }] : [])),
      cupBack: cupSideOf(graph.parts, contact),
      stands: feature ? sizeOf(facts, feature).value : null,
      effects,
      at: Math.min(...rings.map(({ place }) => place.position)),
    };
  });
  const mates = bearings.flatMap(({ parts }) => parts);
  return bearings.toSorted((a, b) => a.at - b.at).map(({ at: _, ...bearing }) => ({ ...bearing, queries: queriesOf(bearing.parts, mates, there) }));
}

/** "Bearing, input end", of "Cup, input end" and "Cone, input end". */
function nameOf(rings: readonly Filled[], said: string): string {
  const ends = rings.map(({ place }) => /,\s*(?:outer ring|inner ring)?\s*(.*)$/.exec(place.name)?.[1] ?? '');
  const [end = ''] = ends;
  if (/bearing/i.test(end)) return end.replace(/^./, (c) => c.toUpperCase());
  return end !== '' && ends.every((each) => each === end) ? `Bearing, ${end}` : said === '' ? 'Bearing' : said.replace(/^./, (c) => c.toUpperCase());
}

/** Numbers one figure apart where they should be of one thing: the two rings, the two bearings of a shaft, the other side of a machine. */
function queriesOf(own: readonly BearingPart[], mates: readonly BearingPart[], there: readonly Filled[]): readonly NumberQuery[] {
  return own.flatMap((one) => {
    const after = mates.slice(mates.findIndex(({ placeId }) => placeId === one.placeId) + 1);
    const twin = there.find(({ place, part }) => place.name === one.name && part !== null)?.part;
    return [
      ...after
        // its own other ring, and the same ring of the other bearing: of those one is the mate
        .filter((other) => (own.includes(other) || other.part.kind === one.part.kind) && isToRead(one.part, other.part))
        .map((other): NumberQuery => ({
          words: `${one.part.number} on the ${lower(one.name)} and ${other.part.number} on the ${lower(other.name)} are one figure apart: read both again.`,
          parts: [one.part, other.part],
        })),
      ...(twin && isToRead(one.part, twin)
        ? [
            {
              words: `${one.part.number} on the ${lower(one.name)}, and ${twin.number} on the other side: one figure apart. Read both again.`,
              parts: [one.part, twin] as const,
            },
          ]
        : []),
    ];
  });
}

const isToRead = (a: PartFact, b: PartFact): boolean => isOneDigitApart(a.number, b.number) && !(a.isReadAgain && b.isReadAgain);

const lower = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
