import type { FeltDrag, JobFacts } from '@elder-cog/contract';
import { bearingNamed, type Length } from '@elder-cog/core';
import { buildsOf, withdrawnIds } from '../builds.ts';
import { filledPlaces } from '../graph.ts';
import { readable } from '../readable.ts';
import { dragNotCounted } from './dragRows.ts';
import { dragValue } from './dragValue.ts';

/** What was felt of a build beside the drag that was read of it: so that "a little drag" comes to mean something. */
export function feltDrags(stored: JobFacts): FeltDrag[] {
  const { facts } = readable(stored);
  const gone = withdrawnIds(facts);
  const feels = facts.feels.filter(({ id }) => !gone.has(id));
  if (feels.length === 0) return [];
  const drags = facts.stations.filter(({ subject, gone: isGone }) => subject === 'drag' && !isGone);
  return drags.flatMap((station) => {
    const shaft = facts.shafts.find(({ id }) => id === station.shaftId);
    if (!shaft) return [];
    return facts.readings
      .filter((reading) => reading.stationId === station.id && !gone.has(reading.id) && dragNotCounted(reading.raw) === null)
      .flatMap((reading) => {
        const valued = dragValue(reading.raw);
        if (!('ok' in valued)) return [];
        const build = buildsOf(facts, shaft.assemblyId).find((each) => each.build.id === reading.buildId) ?? null;
        const bore = boreOf(filledPlaces(facts, shaft, build).flatMap(({ part }) => (part ? [part.number] : [])));
        return feels
          .filter(({ buildId }) => buildId === reading.buildId)
          .map(({ word, who }) => ({ who, word, drag: valued.ok.reading.value, bore }));
      });
  });
}

/** The greatest bore of the bearings whose numbers are known; null where none is. */
function boreOf(numbers: readonly string[]): Length | null {
  const bores = numbers.flatMap((number) => (number.trim() === '' ? [] : [bearingNamed(number)?.bore ?? null])).filter((bore) => bore !== null);
  return bores.length === 0 ? null : (Math.max(...bores) as Length);
}

/** One word, as far as it was felt: how often, and from what drag to what. */
export interface Hand {
  readonly word: string;
  readonly times: number;
  readonly least: number;
  readonly most: number;
}

/** Bearings as big as so much of each other feel alike. Common practice, no source. */
const ALIKE = 0.25;

/** What a person's words mean, N·m, for bearings about so big; of any size where that is not known. Weakest first. */
export function handsOf(felt: readonly FeltDrag[], { who, bore }: Pick<FeltDrag, 'who' | 'bore'>): Hand[] {
  const mine = felt.filter((each) => each.who === who && (bore === null || each.bore === null || Math.abs(each.bore / bore - 1) <= ALIKE));
  const words = new Map<string, number[]>();
  for (const { word, drag } of mine) words.set(word, [...(words.get(word) ?? []), drag]);
  return [...words]
    .map(([word, drags]) => ({ word, times: drags.length, least: Math.min(...drags), most: Math.max(...drags) }))
    .sort((a, b) => a.least + a.most - b.least - b.most);
}

/** The bore of the bearings of a shaft as it is built, where their numbers are known. */
export const boreOfShaft = (facts: JobFacts, shaftId: string): Length | null => {
  const shaft = facts.shafts.find(({ id }) => id === shaftId);
  if (!shaft) return null;
  const current = buildsOf(facts, shaft.assemblyId).at(-1) ?? null;
  return boreOf(filledPlaces(facts, shaft, current).flatMap(({ part }) => (part ? [part.number] : [])));
};
