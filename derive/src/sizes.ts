import type { Feature, JobFacts, ReadingFact } from '@elder-cog/contract';
import type { Length } from '@elder-cog/core';
import { readingsOf, withdrawnIds } from './builds.ts';
import { asInstrument, poolEntries, readingComesTo } from './readingValue.ts';
import { remembered } from './remember.ts';

/** What a size of a part was read to be. */
export interface FeatureSize {
  /** null where nobody has read it */
  readonly value: Length | null;
  /** one standard uncertainty, nm; null where nobody said what it was read with */
  readonly u: number | null;
  /** those that count, in the order they were kept */
  readonly readings: readonly ReadingFact[];
  /** the station it is read at, where there is one */
  readonly stationId: string | null;
}

const NOT_READ: FeatureSize = { value: null, u: null, readings: [], stationId: null };

/** By feature, of those that have a station. */
const sizesRead = remembered(
  (facts) => [facts.stations, facts.readings, facts.withdrawals],
  (facts): ReadonlyMap<string, FeatureSize> => {
    const gone = withdrawnIds(facts);
    const stations = new Map<string, string[]>();
    for (const { id, reads, gone: isOut } of facts.stations)
      if (reads?.what === 'feature' && !isOut) stations.set(reads.feature, [...(stations.get(reads.feature) ?? []), id]);
    return new Map(
      [...stations].map(([feature, ids]) => [
        feature,
        sizeFrom(
          ids.flatMap((id) => readingsOf(facts, id, gone)),
          ids[0] ?? null,
        ),
      ]),
    );
  },
);

/** What was read since it was last measured afresh. */
const counted = (readings: readonly ReadingFact[]): readonly ReadingFact[] =>
  readings.slice(
    Math.max(
      readings.findLastIndex((r) => r.raw.newSet !== undefined),
      0,
    ),
  );

function sizeFrom(readings: readonly ReadingFact[], stationId: string | null): FeatureSize {
  const mine = counted(readings);
  const entries = mine.flatMap(({ raw }) => {
    const value = readingComesTo(raw);
    return value ? [{ value, instrument: asInstrument(raw.instrument), method: raw.method }] : [];
  });
  const reading = poolEntries(entries)?.reading;
  const isKnownBy = mine.every(({ raw }) => raw.instrument !== null);
  if (reading?.kind !== 'estimate') return { ...NOT_READ, readings: mine, stationId };
  return { value: reading.value, u: isKnownBy ? reading.u : null, readings: mine, stationId };
}

/** What a size was read to be; nothing where nobody has read it. */
export const sizeOf = (facts: JobFacts, feature: Feature): FeatureSize => sizesRead(facts).get(feature.id) ?? NOT_READ;
