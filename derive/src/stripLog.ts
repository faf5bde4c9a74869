import type { JobFacts, LookAlike, Photo, Shaft, StripEntry } from '@elder-cog/contract';
import { plainName } from './plainName.ts';
import { withdrawnIds } from './builds.ts';

/** One line of the strip log, numbered in the order things came off. */
export interface StripLine {
  readonly number: number;
  readonly entry: StripEntry;
  /** look-alikes this part is one of */
  readonly alike: readonly LookAlike[];
}

/** Photos of one thing that stand. */
export const photosOf = (facts: JobFacts, ofId: string): Photo[] => facts.photos.filter((p) => p.ofId === ofId && !withdrawnIds(facts).has(p.id));

/** Look-alikes a part is one of, by its name. */
export const lookAlikesWith = (facts: JobFacts, part: string): LookAlike[] =>
  facts.lookAlikes.filter((l) => !l.gone && (plainName(l.a.name) === plainName(part) || plainName(l.b.name) === plainName(part)));

/** As it came apart: entries that stand, in order; one written again takes the place of what it mends. */
export function stripLog(facts: JobFacts, assemblyId: string): StripLine[] {
  const gone = withdrawnIds(facts);
  const standing = facts.strip.filter((e) => e.assemblyId === assemblyId && !gone.has(e.id));
  const mended = new Map(standing.filter((e) => e.supersedes !== null).map((e) => [e.supersedes, e]));
  const latest = (entry: StripEntry): StripEntry => {
    const next = mended.get(entry.id);
    return next ? latest(next) : entry;
  };
  const ids = new Set(standing.map((e) => e.id));
  return standing
    .filter((e) => e.supersedes === null || !ids.has(e.supersedes))
    .map(latest)
    .map((entry, i) => ({ number: i + 1, entry, alike: lookAlikesWith(facts, entry.part) }));
}

/** A line of the log as it stands, by what it was first written as; null where it was taken back. */
export function stripEntryNow(facts: JobFacts, id: string): StripEntry | null {
  const gone = withdrawnIds(facts);
  const again = facts.strip.find(({ supersedes, id: by }) => supersedes === id && !gone.has(by));
  if (again) return stripEntryNow(facts, again.id);
  return facts.strip.find((entry) => entry.id === id && !gone.has(id)) ?? null;
}

/** The float a shaft had before anything was taken apart, as the log says it: of that shaft, or of the box where it has no other. */
export function floatBefore(
  facts: JobFacts,
  shaft: Pick<Shaft, 'id' | 'assemblyId'>,
): (StripEntry & { readonly size: NonNullable<StripEntry['size']> }) | null {
  const isAlone = facts.shafts.filter((s) => s.assemblyId === shaft.assemblyId).length === 1;
  for (const { entry } of stripLog(facts, shaft.assemblyId).toReversed())
    if (entry.kind === 'float' && entry.size !== null && (entry.shaftId === shaft.id || (entry.shaftId === null && isAlone)))
      return { ...entry, size: entry.size };
  return null;
}

/** Holes of a bolt map whose bolt is not as most are, by hole. */
export function oddBolts(holes: NonNullable<StripEntry['bolts']>['holes']): ReadonlySet<number> {
  const kindOf = (h: (typeof holes)[number]): string => [h.length, h.thread, h.hand, h.washer, h.dressing, h.sealant].join('|');
  const counts = new Map<string, number>();
  for (const hole of holes) counts.set(kindOf(hole), (counts.get(kindOf(hole)) ?? 0) + 1);
  const most = Math.max(...counts.values());
  return counts.size < 2 ? new Set() : new Set(holes.filter((h) => (counts.get(kindOf(h)) ?? 0) < most).map((h) => h.hole));
}
