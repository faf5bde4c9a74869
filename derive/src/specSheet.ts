import type { JobFacts, Limit, Spec, Station } from '@elder-cog/contract';
import { conditionsIn, plainWords, readSpecLine, type QuantityLimits } from '@elder-cog/core';
import { rowsOf, withdrawnIds } from './builds.ts';

/** A limit of a station, or a line of a page that may become one. */
export interface SpecEntry {
  readonly spec: Spec | null;
  readonly limit: Limit | null;
  /** what it allows; null while it is not understood */
  readonly limits: QuantityLimits | null;
  readonly inUse: boolean;
  /** trusted as printed, told once, told by two who do not know of each other, or borne out by print */
  readonly trust: 'printed' | 'found' | 'reckoned' | 'told once' | 'told twice' | 'told, and printed';
}

/** One thing with all that is said of it. */
export interface SpecGroup {
  readonly key: string;
  readonly name: string;
  readonly station: Station | null;
  readonly state: 'understood' | 'ask' | 'notUnderstood' | 'words' | 'leftOut';
  readonly entries: readonly SpecEntry[];
  /** two sources that do not allow the same */
  readonly disagree: boolean;
  /** what a line could mean, where it has to be asked */
  readonly meanings: readonly QuantityLimits[];
  readonly because: string;
  /** what the page or a reading says of it, to choose by */
  readonly hint: string;
  /** the station this line's name fits, where it fits just one */
  readonly fits: Station | null;
}

export interface SpecSheet {
  readonly groups: readonly SpecGroup[];
  readonly understood: number;
  readonly lines: number;
  readonly toAsk: number;
  readonly conflicts: number;
  readonly inUse: number;
}

const PRINTED = new Set(['manual', 'drawing', 'standard']);
const FOUND = new Set(['as_found', 'other_side', 'sister']);

export const limitsOfSpec = ({ quantity, min, max, unit }: Spec): QuantityLimits | null =>
  quantity === null ? null : { kind: quantity, min, max, unit };
export const limitsOfLimit = ({ min, max, unit, torque }: Limit): QuantityLimits =>
  torque
    ? { kind: 'torque', min: torque.min ?? torque.nominal ?? null, max: torque.max ?? torque.nominal ?? null, unit: torque.unit }
    : { kind: 'length', min, max, unit };

/** Within what a page rounds to: 0.01 mm, or a twenty-fifth. A lone maximum on a float is from nothing. */
function sameLimits(a: QuantityLimits, b: QuantityLimits): boolean {
  if (a.kind !== b.kind) return false;
  const near = (x: number | null, y: number | null): boolean =>
    Math.abs((x ?? 0) - (y ?? 0)) <= (a.kind === 'length' ? 10_000 : Math.max(Math.abs(x ?? 0), Math.abs(y ?? 0)) / 25);
  return near(a.min, b.min) && near(a.max, b.max);
}

/** Whether two limits are for different things, and so do not disagree: one for new bearings, one for used. */
const areOtherwise = (a: Limit, b: Limit): boolean =>
  (['bearings', 'seal', 'wheel'] as const).some(
    (key) => a.conditions?.[key] !== undefined && b.conditions?.[key] !== undefined && a.conditions[key] !== b.conditions[key],
  );

/** Limits of a station that stand beside the one in use and do not allow the same. */
export function limitsThatDisagree(facts: JobFacts, stationId: string): Limit[] {
  const { limits } = rowsOf(facts, stationId);
  const inUse = limits.find((l) => l.inUse);
  // what was written before from the same place was a slip, and is mended
  const isMended = (l: Limit): boolean =>
    inUse !== undefined && l.source === inUse.source && l.pageOrWhom === inUse.pageOrWhom && l.specId === inUse.specId;
  return inUse
    ? limits.filter((l) => !l.inUse && !isMended(l) && !areOtherwise(l, inUse) && !sameLimits(limitsOfLimit(l), limitsOfLimit(inUse)))
    : [];
}

/** Hearsay is trusted more when a second person says the same, or print does. */
function trustOf(entry: { source: string; whom: string; limits: QuantityLimits | null }, others: readonly (typeof entry)[]): SpecEntry['trust'] {
  if (PRINTED.has(entry.source)) return 'printed';
  if (FOUND.has(entry.source)) return 'found';
  if (entry.source !== 'told') return 'reckoned';
  const { limits } = entry;
  const agreeing = limits === null ? [] : others.filter((o) => o.limits !== null && sameLimits(limits, o.limits));
  if (agreeing.some((o) => PRINTED.has(o.source))) return 'told, and printed';
  const whom = (w: string): string => plainWords(w);
  return agreeing.some((o) => o.source === 'told' && whom(o.whom) !== whom(entry.whom)) ? 'told twice' : 'told once';
}

/** Words of a name that say which thing it is. */
const telling = (name: string): ReadonlySet<string> =>
  new Set(
    plainWords(name)
      .split(' ')
      .filter((w) => w.length > 1 && !['the', 'of', 'on', 'in', 'end'].includes(w)),
  );

/** The one station whose name says the same as a line's; null where none does, or several. */
export function stationNamed(name: string, stations: readonly Station[]): Station | null {
  const words = telling(name);
  if (words.size < 2) return null;
  const fits = stations.filter((s) => {
    const theirs = telling(s.name);
    return theirs.size > 1 && [...theirs].every((w) => words.has(w)) && [...words].filter((w) => !theirs.has(w)).length <= 1;
  });
  return fits.length === 1 ? (fits[0] ?? null) : null;
}

/** Every limit of a job with where it comes from, side by side where there are several, and every line of its manual's pages. */
export function specSheet(facts: JobFacts): SpecSheet {
  const gone = withdrawnIds(facts);
  const measured = facts.stations.filter((s) => s.quantity !== 'yes_no' && !s.gone);
  const specs = [...facts.specs].sort((a, b) => a.position - b.position);
  const alike = alikeOf(specs);
  const taken = new Set<string>();
  const groups: SpecGroup[] = [];
  for (const spec of specs) {
    if (taken.has(spec.id)) continue;
    const station = measured.find((s) => s.id === spec.stationId) ?? null;
    const of = station ? specs.filter((s) => s.stationId === station.id) : (alike.get(spec.id) ?? [spec]);
    for (const each of of) taken.add(each.id);
    groups.push(groupOf(facts, station, of, measured));
  }
  for (const station of measured) {
    if (groups.some((g) => g.station?.id === station.id) || !facts.limits.some((l) => l.stationId === station.id)) continue;
    groups.push(groupOf(facts, station, [], measured));
  }
  const lines = groups.filter((g) => g.state !== 'words' && g.entries.some((e) => e.spec !== null));
  return {
    groups,
    lines: lines.length,
    understood: lines.filter((g) => g.state === 'understood').length,
    toAsk: lines.filter((g) => g.state === 'ask').length,
    conflicts: groups.filter((g) => g.disagree).length,
    inUse: facts.limits.filter((l) => l.inUse && !gone.has(l.id)).length,
  };
}

/**
 * Lines that no station has yet and that are of one thing by name, under one heading: two that do not allow the same are a conflict. By the id
 * of each; one that stands alone is left out.
 */
function alikeOf(specs: readonly Spec[]): ReadonlyMap<string, readonly Spec[]> {
  const open = specs.filter((s) => s.stationId === null && s.quantity !== null && !s.leftOut);
  const named = together(open, (s) => JSON.stringify([s.quantity, plainWords(s.name)]));
  const alike = named.flatMap((of) => together(of, (s) => JSON.stringify([s.remark, conditionsIn(s.text).conditions, headingOf(s, specs)])));
  return new Map(alike.flatMap((of) => of.map((s) => [s.id, of] as const)));
}

/** Those that say the same, where more than one does; in their order. */
function together(specs: readonly Spec[], said: (spec: Spec) => string): readonly (readonly Spec[])[] {
  const by = new Map<string, Spec[]>();
  for (const spec of specs) {
    const key = said(spec);
    const of = by.get(key);
    if (of) of.push(spec);
    else by.set(key, [spec]);
  }
  return [...by.values()].filter((of) => of.length > 1);
}

/** The heading a line stands under: the last line of words before it on the same page, which has a name and no figure. */
function headingOf({ position, source, pageOrWhom }: Spec, specs: readonly Spec[]): string {
  const isHeading = (s: Spec): boolean => s.quantity === null && s.name !== '' && s.written === '';
  return specs.findLast((s) => s.position < position && s.source === source && s.pageOrWhom === pageOrWhom && isHeading(s))?.name ?? '';
}

/** The unit of the lines next to it on the same page: a page is mostly of one mind. */
function hintFor(facts: JobFacts, spec: Spec): string {
  const near = facts.specs
    .filter((s) => s.quantity === 'length' && s.source === spec.source && Math.abs(s.position - spec.position) <= 4)
    .map((s) => (s.unit === 'mm' || s.unit === 'um' ? 'mm' : 'thou or inches'));
  const [unit] = near;
  return unit !== undefined && near.every((u) => u === unit) ? `The lines round it are in ${unit}.` : '';
}

/** The one station of its own quantity that a line is named as. */
const namedStation = ({ name, quantity }: Spec, stations: readonly Station[]): Station | null =>
  stationNamed(
    name,
    stations.filter((s) => s.quantity === quantity),
  );

function groupOf(facts: JobFacts, station: Station | null, specs: readonly Spec[], stations: readonly Station[]): SpecGroup {
  const limits = station ? facts.limits.filter((l) => l.stationId === station.id) : [];
  const rows: { spec: Spec | null; limit: Limit | null }[] = [
    ...specs.map((spec) => ({ spec, limit: limits.findLast((l) => l.specId === spec.id) ?? null })),
    ...limits.filter((l) => !specs.some((s) => s.id === l.specId)).map((limit) => ({ spec: null, limit })),
  ];
  const told = rows.map(({ spec, limit }) => ({
    source: (limit ?? spec)?.source ?? '',
    whom: (limit ?? spec)?.pageOrWhom ?? '',
    limits: limit ? limitsOfLimit(limit) : spec ? limitsOfSpec(spec) : null,
  }));
  const entries = rows.map(({ spec, limit }, i): SpecEntry => {
    const mine = told[i] as (typeof told)[number];
    return {
      spec,
      limit,
      limits: mine.limits,
      inUse: limit?.inUse ?? false,
      trust: trustOf(
        mine,
        told.filter((_, j) => j !== i),
      ),
    };
  });
  const known = entries.flatMap((e) => (e.limits === null || e.spec?.leftOut ? [] : [e.limits]));
  const [first] = specs;
  const line = first && first.quantity === null ? readSpecLine(first.text) : null;
  const name = station?.name ?? (first?.name || first?.text || '');
  return {
    key: station?.id ?? first?.id ?? '',
    name,
    station,
    state: first?.leftOut ? 'leftOut' : line ? (line.state === 'understood' ? 'ask' : line.state) : 'understood',
    entries,
    disagree: known.some((a, i) => known.slice(i + 1).some((b) => !sameLimits(a, b))),
    meanings: line?.state === 'ask' ? line.meanings : line?.state === 'understood' ? [line.limits] : [],
    because: line && 'because' in line ? line.because : '',
    hint: line?.state === 'ask' && first ? hintFor(facts, first) : '',
    fits: station === null && first && (first.quantity === 'length' || first.quantity === 'torque') ? namedStation(first, stations) : null,
  };
}
