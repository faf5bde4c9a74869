import type { JobFacts, Method, Repeatability } from '@elder-cog/contract';
import { instrumentRepeatability, type Instrument, type Length } from '@elder-cog/core';
import { withdrawnIds } from './builds.ts';
import { asInstrument, readingComesTo } from './readingValue.ts';
import { notCounted } from './spoilt.ts';

/** What was read more than once with one instrument, by one method: the readings of one thing each. */
export interface RepeatedReadings {
  readonly name: string;
  readonly method: Method;
  readonly resolution: Length;
  readonly groups: readonly (readonly Length[])[];
}

const keyOf = (name: string, method: string): string => `${method}|${name.trim().toLowerCase()}`;

/**
 * Everything of a job that was read more than once with the same instrument by the same method, with nothing changed between: one gap on one
 * build, or one place along a part since it was last measured afresh.
 */
export function repeatedIn(facts: JobFacts): RepeatedReadings[] {
  const gone = withdrawnIds(facts);
  const found = new Map<
    string,
    { readonly name: string; readonly method: Method; readonly resolution: Length; readonly of: Map<string, Length[]> }
  >();
  const sets = new Map<string, number>();
  for (const { id, stationId, buildId, raw } of facts.readings) {
    if (gone.has(id) || raw.instrument === null || raw.method === 'look') continue;
    if (raw.newSet !== undefined) sets.set(stationId, (sets.get(stationId) ?? 0) + 1);
    const value = readingComesTo(raw);
    if (!value || value.reading.kind !== 'estimate' || value.values.length === 0 || notCounted(raw, value) !== null) continue;
    const { name, resolution } = asInstrument(raw.instrument);
    const key = keyOf(name, raw.method);
    const of = found.get(key) ?? { name, method: raw.method, resolution, of: new Map<string, Length[]>() };
    const thing = [stationId, buildId ?? '', raw.at ?? '', sets.get(stationId) ?? 0].join('|');
    const group = of.of.get(thing);
    if (group) group.push(...value.values);
    else of.of.set(thing, [...value.values]);
    found.set(key, of);
  }
  return [...found.values()].map(({ of, ...instrument }) => ({ ...instrument, groups: [...of.values()].filter((group) => group.length > 1) }));
}

/** How well each instrument repeats, by all that was read with it in every job; only those that were read with often enough. */
export function repeatabilities(jobs: readonly (readonly RepeatedReadings[])[]): Repeatability[] {
  const all = new Map<string, RepeatedReadings & { readonly groups: (readonly Length[])[] }>();
  for (const each of jobs.flat()) {
    const key = keyOf(each.name, each.method);
    const of = all.get(key);
    if (of) of.groups.push(...each.groups);
    else all.set(key, { ...each, groups: [...each.groups] });
  }
  return [...all.values()].flatMap(({ name, method, resolution, groups }) => {
    const found = instrumentRepeatability(groups, { resolution });
    return found ? [{ name, method, ...found }] : [];
  });
}

/** An instrument as it is known here: with its own repeatability, where that was found, in place of what is usual for its kind. */
export function asLearned(instrument: Instrument, method: Method, learned: readonly Repeatability[]): Instrument {
  const found = learned.find((each) => keyOf(each.name, each.method) === keyOf(instrument.name, method));
  return found ? { ...instrument, priorS: found.s, priorDof: found.dof, learned: found.readings } : instrument;
}
