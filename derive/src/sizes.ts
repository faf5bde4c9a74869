import type { Feature, JobFacts, ReadingFact } from '@elder-cog/contract';
import { INSTRUMENTS, repeats, type Instrument, type Length } from '@elder-cog/core';
import { readingsOf, withdrawnIds } from './builds.ts';
import { asInstrument, poolEntries, readingComesTo, type Pooled } from './readingValue.ts';
import { remembered } from './remember.ts';
import { workedOn } from './removals.ts';

/** What a size of a part was read to be. */
export interface FeatureSize {
  /** null where nobody has read it */
  readonly value: Length | null;
  /** one standard uncertainty, nm; null where nobody said what it was read with */
  readonly u: number | null;
  /** those that count, in the order they were kept */
  readonly readings: readonly ReadingFact[];
  /** two instruments do not agree: the last speaks, and so far they differ; null where they do */
  readonly disagree: Pooled['disagree'];
  /** the station it is read at, where there is one */
  readonly stationId: string | null;
  /** what was taken off it since it was read: what it is now nobody knows. Left out where nothing was */
  readonly worked?: string;
}

const NOT_READ: FeatureSize = { value: null, u: null, readings: [], disagree: null, stationId: null };

/** How well a size would be known. */
export interface SizeAgain {
  /** read once more with what it was read with, nm */
  readonly same: number;
  /** read once with a micrometer instead of a caliper, nm; null where it was no caliper */
  readonly finer: number | null;
}

const MICROMETERS: readonly Instrument[] = [INSTRUMENTS.micInch, INSTRUMENTS.micMm];

/** What one more reading would make of the doubt of a size; null where nobody said what it is read with. */
export function sizeAgain({ readings, u }: FeatureSize): SizeAgain | null {
  const entries = u === null ? [] : entriesOf(readings);
  const last = entries.at(-1);
  if (!last) return null;
  const same = poolEntries([...entries, last])?.reading;
  const finer = last.instrument.kind === 'caliper' ? MICROMETERS.find(({ unit }) => unit === last.instrument.unit) : undefined;
  const once = finer && poolEntries([{ ...last, value: { ...last.value, reading: repeats(last.value.values, finer) }, instrument: finer }])?.reading;
  if (same?.kind !== 'estimate') return null;
  return { same: same.u, finer: once?.kind === 'estimate' ? once.u : null };
}

/** By feature, of those that have a station. */
const sizesRead = remembered(
  (facts) => [facts.stations, facts.readings, facts.removals, facts.withdrawals],
  (facts): ReadonlyMap<string, FeatureSize> => {
    const gone = withdrawnIds(facts);
    const stations = new Map<string, string[]>();
    for (const { id, reads, gone: isOut } of facts.stations)
      if (reads?.what === 'feature' && !isOut) stations.set(reads.feature, [...(stations.get(reads.feature) ?? []), id]);
    return new Map(
      [...stations].map(([feature, ids]) => [
        feature,
        workedSize(
          facts,
          ids,
          ids.flatMap((id) => readingsOf(facts, id, gone)),
        ),
      ]),
    );
  },
);

/** What was read since it was last measured afresh, or worked on. */
const counted = (readings: readonly ReadingFact[], begins: ReadonlySet<string>): readonly ReadingFact[] =>
  readings.slice(
    Math.max(
      readings.findLastIndex((r) => r.raw.newSet !== undefined || begins.has(r.id)),
      0,
    ),
  );

/** A size as it was read since something was last taken off it; and as nobody knows, where it was not. */
function workedSize(facts: JobFacts, ids: readonly string[], readings: readonly ReadingFact[]): FeatureSize {
  const worked = ids.map((id) => workedOn(facts, id));
  const since = worked.find((each) => each.since !== null)?.since ?? null;
  const size = sizeFrom(counted(readings, new Set(worked.flatMap(({ begins }) => [...begins]))), ids[0] ?? null);
  return since === null ? size : { ...size, value: null, u: null, worked: since };
}

const entriesOf = (readings: readonly ReadingFact[]): Parameters<typeof poolEntries>[0] =>
  readings.flatMap(({ raw }) => {
    const value = readingComesTo(raw);
    return value ? [{ value, instrument: asInstrument(raw.instrument), method: raw.method }] : [];
  });

function sizeFrom(mine: readonly ReadingFact[], stationId: string | null): FeatureSize {
  const pooled = poolEntries(entriesOf(mine));
  const reading = pooled?.reading;
  const isKnownBy = mine.every(({ raw }) => raw.instrument !== null);
  if (reading?.kind !== 'estimate') return { ...NOT_READ, readings: mine, stationId };
  const known = isKnownBy ? { u: reading.u, disagree: pooled?.disagree ?? null } : { u: null, disagree: null };
  return { value: reading.value, ...known, readings: mine, stationId };
}

/** What a size was read to be; nothing where nobody has read it. */
export const sizeOf = (facts: JobFacts, feature: Feature): FeatureSize => sizesRead(facts).get(feature.id) ?? NOT_READ;
