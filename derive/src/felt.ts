import type { JobFacts, PlaceFact, Shaft } from '@elder-cog/contract';
import { shaftModel, ZERO, type FaceDepth, type FaceGraph } from '@elder-cog/core';
import { rememberedOf } from './remember.ts';
import type { Slot } from './slots.ts';

/**
 * By gap (its contact) or depth (its station): 1 for a place whose change it feels, and 0 for one that is not on its way; of a size that something
 * was taken off, how it counts.
 */
export type Felt = ReadonlyMap<string, Readonly<Record<string, number>>>;

interface FeltQuestion {
  /** the shaft as it is drawn: how it hangs together, whatever is in it */
  readonly graph: () => FaceGraph;
  readonly depths: readonly FaceDepth[];
  readonly slots: readonly Slot[];
}

const feltBefore = rememberedOf<Shaft, Felt>();

/**
 * Which gaps and depths feel what is said of a shaft besides its packs: nut or bolts where a face they hold is on the way, bearings where one of
 * theirs is, a gasket, or any part that is changed for another or turned. Of what nothing is known here everything is taken to be felt.
 */
export function feltBy(facts: JobFacts, shaft: Shaft, asked: FeltQuestion): Felt {
  const { places, contacts, features, parts } = facts;
  const stated = asked.slots.filter(({ kind }) => kind !== 'adjuster').map(({ id }) => id);
  const of = [places, contacts, features, parts, ...[places, contacts, features, parts].map((rows) => rows.length)];
  return feltBefore(shaft, [...of, stated.join(), asked.depths.map(({ id }) => id).join()], () => felt(facts, shaft, asked));
}

function felt({ places, contacts, features }: JobFacts, shaft: Shaft, { graph, depths, slots }: FeltQuestion): Felt {
  const mine = contacts.filter((c) => c.shaftId === shaft.id);
  const sizes = (place: PlaceFact | undefined): string[] => {
    const faces = new Set(place?.faces.map(({ id }) => id));
    return features
      .filter(({ fromFace, toFace }) => faces.has(fromFace) || faces.has(toFace))
      .flatMap(({ id, kind }) => (kind === 'length' ? [id] : mine.filter((c) => c.standId === id).map((c) => c.id)));
  };
  const lengthsOf = ({ id, kind }: Slot): readonly string[] => {
    if (kind === 'fastening') return mine.filter((c) => c.fastenerId === id).map((c) => c.id);
    if (kind === 'lapped') return [id, ...mine.filter((c) => c.standId === id).map((c) => c.id)];
    if (kind === 'bearing') return mine.filter((c) => c.standId !== null).map((c) => c.id);
    return kind === 'gasket' || kind === 'part' ? sizes(places.find((place) => place.id === id)) : [];
  };
  const asked = slots.map((slot) => ({ id: slot.id, kind: slot.kind, lengths: lengthsOf(slot) })).filter(({ lengths }) => lengths.length > 0);
  if (asked.length === 0) return new Map();
  // what holds two faces together stands between them, as thick as nothing
  const drawn = graph();
  const held: FaceGraph = {
    ...drawn,
    contacts: drawn.contacts.map((c) => (c.kind === 'clamped' && c.stand === undefined ? { ...c, stand: ZERO } : c)),
  };
  const each = [...new Set(asked.flatMap(({ lengths }) => lengths))].map((id) => ({ id, length: id }));
  const model = shaftModel(held, each, { depths });
  const marks = (coefficients: Readonly<Record<string, number>>): Readonly<Record<string, number>> =>
    Object.fromEntries(
      asked.map(({ id, kind, lengths }) => {
        // of a size it is known how it counts, and so what taking something off it does
        if (kind === 'lapped') return [id, lengths.map((length) => coefficients[length] ?? 0).find((each) => each !== 0) ?? 0];
        return [id, lengths.some((length) => (coefficients[length] ?? 1) !== 0) ? 1 : 0];
      }),
    );
  return new Map([
    ...model.gaps.map(({ contact, coefficients }) => [contact, marks(coefficients)] as const),
    ...model.depths.map(({ id, coefficients }) => [id, marks(coefficients)] as const),
  ]);
}
