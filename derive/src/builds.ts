import {
  isNotMeasured,
  type Acceptance,
  type Build,
  type Closing,
  type FitLeaf,
  type JobFacts,
  type Limit,
  type ReadingFact,
  type Removal,
  type Tightening,
} from '@elder-cog/contract';
import { formatLength, isMetric, leavesTotal, type Length, nanometres, preloadFromNut } from '@elder-cog/core';

import { UNKNOWN_LEAVES } from './readable.ts';
import { remembered } from './remember.ts';
import { featureAt, slotsOf, slotsOfShaft, type Slot } from './slots.ts';

/** What is in one place: its leaves, and its state where it has one (bolts hand tight, gasket crushed). */
export interface Fitting {
  readonly leaves: readonly FitLeaf[] | null;
  readonly state: string | null;
  /** the part a build put in it, null for none; left out where it is as drawn */
  readonly partId?: string | null;
  readonly turned?: boolean;
  /** how thick the gasket in it is bolted up; null where that was said once, and is not known of the one that is in now */
  readonly crushed?: Length | null;
  /** sealant in the joint; null for none */
  readonly film?: Length | null;
  /** of a crush sleeve: the build that last drew it up, or put in another. It is as long as that left it, and nobody has measured that */
  readonly drawnUp?: string;
  /** of nut or bolts: what was tightened, and how far; left out where nobody said more than that they are torqued */
  readonly tightened?: readonly Tightening[];
  /** of nut or bolts that were let go: how far they were tightened till then, and are taken to be again where nobody says otherwise */
  readonly tightenedBefore?: readonly Tightening[];
  /** of a nut: how far it has been turned on in all, degrees, since it was last said */
  readonly onward?: number;
  /** the build in which another one of the same last went in */
  readonly another?: string;
  /** of a size: what was taken off it, one pass after another */
  readonly lapped?: readonly Lapped[];
}

/** One pass of lapping, facing or reaming. */
export interface Lapped {
  readonly build: string;
  /** null where nobody measured it */
  readonly amount: Length | null;
  readonly words: string;
}

export interface BuildNow {
  readonly build: Build;
  /** counted from 0 among those that stand; builds that differ in nothing but how far they are torqued share one */
  readonly number: number;
  /** how far it is torqued, where it shares its number with the build before: "95 N·m". Left out where it does not */
  readonly torqued?: string;
  /** by place, everything said up to and including this build */
  readonly fitted: ReadonlyMap<string, Fitting>;
}

/** Ids taken back: a withdrawal that was itself withdrawn no longer counts, unless that was taken back in its turn. */
export const withdrawnIds = remembered(
  (facts) => [facts.withdrawals],
  ({ withdrawals }): ReadonlySet<string> => {
    const undone = new Set<string>();
    // a withdrawal stands after what it takes back, so that from the last one back each is known before it is asked for
    for (const w of withdrawals.toReversed()) if (w.ofKind === 'withdrawal' && !undone.has(w.id)) undone.add(w.ofId);
    return new Set(withdrawals.filter((w) => w.ofKind !== 'withdrawal' && !undone.has(w.id)).map((w) => w.ofId));
  },
);

const EMPTY: Fitting = { leaves: null, state: null };

/** What the readings of each build said they rested on (bolts, gasket), where the build itself did not say. By build id. */
const saidByReadings = remembered(
  (facts) => [facts.shafts, facts.stations, facts.places, facts.readings, facts.withdrawals],
  (facts): ReadonlyMap<string, readonly { slotId: string; answer: string }[]> => {
    const gone = withdrawnIds(facts);
    const ofShaft = new Map(facts.shafts.map((s) => [s.id, new Map<string, string>()]));
    for (const slot of slotsOf(facts)) ofShaft.get(slot.shaftId)?.set(slot.role, slot.id);
    const slotsAt = new Map(facts.stations.map((s) => [s.id, ofShaft.get(s.shaftId ?? '')]));
    const said = new Map<string, { slotId: string; answer: string }[]>();
    for (const reading of facts.readings) {
      if (reading.buildId === null || reading.raw.restsOn.length === 0 || gone.has(reading.id)) continue;
      const slots = slotsAt.get(reading.stationId);
      for (const { item, answer } of reading.raw.restsOn) {
        const slotId = slots?.get(item);
        if (slotId === undefined) continue;
        // what was said first stands: another answer later is another build, or a slip, and rewrites neither
        const of = said.get(reading.buildId) ?? [];
        if (!of.some((each) => each.slotId === slotId)) said.set(reading.buildId, [...of, { slotId, answer }]);
      }
    }
    return said;
  },
);

/** "lapped 3 thou"; "lapped" alone where nobody measured how much. */
export const takenWords = ({ process, amount, written }: Pick<Removal, 'process' | 'amount' | 'written'>): string =>
  amount === null ? process : `${process} ${written}`;

/** What was taken off sizes of parts, by the build that was made with them as they are since. */
const lappedWith = remembered(
  (facts) => [facts.removals, facts.stations, facts.withdrawals],
  (facts): ReadonlyMap<string, readonly (Omit<Lapped, 'build'> & { readonly featureId: string })[]> => {
    const gone = withdrawnIds(facts);
    const by = new Map<string, (Omit<Lapped, 'build'> & { readonly featureId: string })[]>();
    for (const { id, stationId, amount, process, written, buildId } of facts.removals) {
      const featureId = featureAt(facts.stations, stationId);
      if (buildId === null || featureId === null || gone.has(id)) continue;
      by.set(buildId, [...(by.get(buildId) ?? []), { featureId, amount, words: takenWords({ process, amount, written }) }]);
    }
    return by;
  },
);

/** What is read of a shaft as it is built, and so of a build: the sizes of its parts are not. */
const OF_A_BUILD: ReadonlySet<string> = new Set(['gap', 'depth', 'check', 'drag']);

/** The builds that each shaft was read or looked at on, by shaft id: found once for all shafts. */
const buildsRead = remembered(
  (facts) => [facts.stations, facts.readings],
  (facts): ReadonlyMap<string, ReadonlySet<string>> => {
    const shaftOf = new Map(facts.stations.flatMap((s) => (OF_A_BUILD.has(s.subject) ? [[s.id, s.shaftId] as const] : [])));
    const read = new Map<string, Set<string>>();
    for (const { stationId, buildId } of facts.readings) {
      const shaftId = shaftOf.get(stationId);
      if (!shaftId || buildId === null) continue;
      const of = read.get(shaftId);
      if (of) of.add(buildId);
      else read.set(shaftId, new Set([buildId]));
    }
    return read;
  },
);

/** ISO times in order: they sort as plain text, and a language's own order is many times slower. */
export const byTime = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The builds of an assembly that stand, in the order the server took them, each with all that is in it. A build says only what changed. */
export const buildsOf = (facts: JobFacts, assemblyId: string): readonly BuildNow[] => buildsByAssembly(facts)(assemblyId);

/** Each assembly's are put together once for all of its shafts. */
const buildsByAssembly = remembered(
  (facts) => [facts.builds, facts.places, facts.stations, facts.readings, facts.removals, facts.withdrawals],
  (facts) => {
    const known = new Map<string, BuildNow[]>();
    return (assemblyId: string): readonly BuildNow[] => {
      const before = known.get(assemblyId) ?? putTogether(facts, assemblyId);
      known.set(assemblyId, before);
      return before;
    };
  },
);

function putTogether(facts: JobFacts, assemblyId: string): BuildNow[] {
  const gone = withdrawnIds(facts);
  const standing = facts.builds.filter((b) => b.assemblyId === assemblyId && !gone.has(b.id));
  const said = saidByReadings(facts);
  const read = buildsRead(facts);
  const lapped = lappedWith(facts);
  const slotById = new Map(slotsOf(facts).map((s) => [s.id, s]));
  const sleeves = slotsOf(facts).filter(({ kind }) => kind === 'sleeve');
  const packsOf = new Map(sleeves.map(({ shaftId }) => [shaftId, packIds(facts, shaftId)]));
  const known = new Map<string, BuildNow>();
  let last: BuildNow | undefined;
  for (const [number, build] of standing.entries()) {
    const parent = (build.parentId === null ? undefined : known.get(build.parentId)) ?? last;
    const fitted = new Map(parent?.fitted ?? []);
    for (const { slotId, answer } of said.get(build.id) ?? []) fitted.set(slotId, { ...(fitted.get(slotId) ?? EMPTY), state: answer });
    for (const fit of build.fits) {
      const slot = slotById.get(fit.placeId);
      const before = fitted.get(fit.placeId) ?? EMPTY;
      fitted.set(fit.placeId, {
        ...before,
        ...(fit.partId === undefined ? {} : { partId: fit.partId }),
        ...(fit.turned === undefined ? {} : { turned: fit.turned }),
        ...(fit.film === undefined ? {} : { film: fit.film }),
        ...crushedNow(before, fit),
        ...(fit.another ? { another: build.id } : {}),
        ...tightenedNow(before, fit),
        ...(fit.turn === undefined ? {} : { onward: (before.onward ?? 0) + fit.turn }),
        leaves: slot?.kind === 'adjuster' ? leavesNow(slot, before, fit) : before.leaves,
        state: fit.state ?? before.state,
      });
    }
    for (const { featureId, amount, words } of lapped.get(build.id) ?? []) {
      const earlier = fitted.get(featureId) ?? EMPTY;
      fitted.set(featureId, { ...earlier, lapped: [...(earlier.lapped ?? []), { build: build.id, amount, words }] });
    }
    for (const { id, shaftId } of sleeves) {
      const drawn = drawnUp(build, id, packsOf.get(shaftId));
      if (drawn) fitted.set(id, { ...(fitted.get(id) ?? EMPTY), ...drawn });
    }
    last = { build, number, fitted };
    for (const fit of build.fits) {
      if (typeof fit.crushed === 'number') knownSince(fit.placeId, last, parent, known);
      if (fit.tightened && fit.state === null) torqueSince(fit.placeId, last, parent, known);
      if (build.stage === 'as_found') foundIn(fit.placeId, { now: last, parent, known, read: read.get(slotById.get(fit.placeId)?.shaftId ?? '') });
    }
    known.set(build.id, last);
  }
  return [...known.values()];
}

/** A gasket that is measured while it is in was as thick from the build on that it went in with. */
function knownSince(placeId: string, now: BuildNow, parent: BuildNow | undefined, known: ReadonlyMap<string, BuildNow>): void {
  const is = now.fitted.get(placeId);
  for (let build = parent; build !== undefined; build = known.get(build.build.parentId ?? '')) {
    const was = build.fitted.get(placeId);
    if (!is || !was || was.state !== is.state || typeof was.crushed === 'number') return;
    (build.fitted as Map<string, Fitting>).set(placeId, {
      ...was,
      crushed: is.crushed ?? null,
      leaves: was.leaves ?? is.leaves,
    });
  }
}

/** How far nut or bolts are torqued, said of them as they are, was so from the build on that they were torqued in. */
function torqueSince(placeId: string, now: BuildNow, parent: BuildNow | undefined, known: ReadonlyMap<string, BuildNow>): void {
  const is = now.fitted.get(placeId);
  for (let build = parent; build !== undefined; build = known.get(build.build.parentId ?? '')) {
    const was = build.fitted.get(placeId);
    if (!is?.tightened || !was || was.state !== is.state || tightness(was.tightened) !== '') return;
    (build.fitted as Map<string, Fitting>).set(placeId, { ...was, tightened: is.tightened });
  }
}

/** What is said of a crush sleeve. */
export const SLEEVE_CRUSHED = 'crushed further';
export const NEW_SLEEVE = 'new sleeve';
/** A pack of its shaft was changed: nut and sleeve were off for that. */
const SLEEVE_UNDONE = 'undone with its nut';

const packIds = (facts: JobFacts, shaftId: string): ReadonlySet<string> =>
  new Set(slotsOf(facts).flatMap((slot) => (slot.shaftId === shaftId && slot.kind === 'adjuster' ? [slot.id] : [])));

/** What is tightened now: as it was said, till nut or bolts are let go; torqued again, as far as they were. */
function tightenedNow(before: Fitting, { tightened, state }: Build['fits'][number]): Pick<Fitting, 'tightened' | 'tightenedBefore'> {
  if (tightened) return { tightened };
  if (state === null || state === before.state) return {};
  if (state === 'torqued' && before.tightenedBefore) return { tightened: before.tightenedBefore };
  return before.tightened && before.tightened.length > 0 ? { tightened: [], tightenedBefore: before.tightened } : {};
}

/** How far nut or bolts are tightened, as it is compared: which of them, and how far; whether they stay makes no odds to a gap. */
const tightness = (lines: readonly Tightening[] | undefined): string =>
  (lines ?? [])
    .filter(({ torque, degrees }) => torque !== null || degrees !== null)
    .map(({ torque, degrees }) => `${String(torque)}/${String(degrees)}`)
    .toSorted()
    .join(' ');

/** "25 N·m", "25 N·m and 90°": how far, where all were tightened alike or the most of them; nothing where nobody said. */
export function torqueWords(lines: readonly Tightening[] | undefined): string {
  const said = (lines ?? []).filter(({ torque, degrees }) => torque !== null || degrees !== null);
  const most = said.toSorted((a, b) => (b.torque ?? 0) - (a.torque ?? 0))[0];
  if (!most) return '';
  return [most.torque === null ? '' : most.written, most.degrees === null ? '' : `${most.degrees}° on`].filter((word) => word !== '').join(' and ');
}

/** Whether a state stands on the way to being torqued, and says itself how far: "8 of 16 lb ft". */
export const isOnTheWay = (state: string): boolean => /, once round to go$| of \S/.test(state);

/** The state of a place, and where nut or bolts are torqued, how far. */
export const stateNow = ({ state, tightened }: Fitting): string | null => {
  const far = torqueWords(tightened);
  return far === '' || state === null || isOnTheWay(state) ? state : `${state} to ${far}`;
};

/** What a build did to a crush sleeve: drew it up, put in another, or undid it for a pack of its shaft; null where it left it alone. */
function drawnUp({ id, stage, fits }: Build, sleeveId: string, packs: ReadonlySet<string> = new Set()): Partial<Fitting> | null {
  if (stage === 'as_found') return null;
  if (fits.some((f) => f.placeId === sleeveId)) return { drawnUp: id };
  return fits.some((f) => packs.has(f.placeId)) ? { state: SLEEVE_UNDONE, drawnUp: id } : null;
}

interface FoundIn {
  readonly now: BuildNow;
  readonly parent: BuildNow | undefined;
  readonly known: ReadonlyMap<string, BuildNow>;
  /** the builds that the shaft of the place was read on */
  readonly read: ReadonlySet<string> | undefined;
}

/** What is said of a place for the first time, as it was found, was in already when its shaft was read before that. */
function foundIn(placeId: string, { now, parent, known, read }: FoundIn): void {
  const is = now.fitted.get(placeId);
  for (let build = parent; is && build && !build.fitted.has(placeId); build = known.get(build.build.parentId ?? ''))
    if (read?.has(build.build.id)) (build.fitted as Map<string, Fitting>).set(placeId, is);
}

/** What pack a build put in; null where that is not known. A gasket that was said, and not chosen, in its day is as thick as it was said to be. */
function leavesNow({ isGasket }: Slot, before: Fitting, { leaves, state, crushed }: Build['fits'][number]): readonly FitLeaf[] | null {
  if (leaves === UNKNOWN_LEAVES || isNotMeasured(state)) return null;
  const isSaid = isGasket === true && leaves.length === 0 && (state !== null || crushed !== undefined);
  if (!isSaid) return leaves;
  if (crushed) return [{ lotId: null, thickness: crushed, written: formatLength(crushed, 'mm'), unit: 'mm', count: 1 }];
  return crushed === 0 ? [] : crushed === undefined && state === before.state ? before.leaves : null;
}

/** Another gasket is not as thick as the one before it until that is said. */
const crushedNow = ({ crushed, state }: Fitting, fit: Build['fits'][number]): Pick<Fitting, 'crushed'> => {
  if (fit.crushed !== undefined) return { crushed: fit.crushed };
  return crushed !== undefined && fit.state !== null && fit.state !== state ? { crushed: null } : {};
};

/** The builds that touched one shaft: something of it fitted, changed or read. Numbered from its own first. */
export function buildsOfShaft(facts: JobFacts, shaftId: string, assemblyId: string): BuildNow[] {
  const slots = new Set(facts.places.filter((p) => p.shaftId === shaftId).map((p) => p.id));
  const sizes = new Set(slotsOfShaft(facts, shaftId).flatMap(({ id, kind }) => (kind === 'lapped' ? [id] : [])));
  const lapped = lappedWith(facts);
  const read = buildsRead(facts).get(shaftId) ?? new Set();
  const isOfIt = ({ build }: BuildNow): boolean =>
    read.has(build.id) || build.fits.some((f) => slots.has(f.placeId)) || (lapped.get(build.id) ?? []).some(({ featureId }) => sizes.has(featureId));
  return numbered(buildsOf(facts, assemblyId).filter(isOfIt));
}

/** A nut was turned on, or back, and nothing else: what its sleeve gave goes with it. */
export const turnIn = ({ fits }: Build): number | null => {
  const turned = fits.flatMap(({ turn }) => (turn === undefined ? [] : [turn]));
  return turned.length === 1 && fits.every(({ turn, state }) => turn !== undefined || state === SLEEVE_CRUSHED) ? (turned[0] ?? null) : null;
};

/** "15° on", "10° back" */
export const turnWords = (degrees: number): string => `${Number(Math.abs(degrees).toFixed(1))}° ${degrees < 0 ? 'back' : 'on'}`;

/** A build is another stage of the one before where nut or bolts were tightened, or said how far they are, and nothing else was done. */
const stageOf = (build: Build): string => {
  const turn = turnIn(build);
  if (turn !== null) return turnWords(turn);
  const isStage = build.fits.length > 0 && build.fits.every((fit) => (fit.tightened?.length ?? 0) > 0 && fit.film === undefined);
  return isStage ? torqueWords(build.fits[0]?.tightened) : '';
};

function numbered(builds: readonly BuildNow[]): BuildNow[] {
  let number = -1;
  return builds.map((each) => {
    const far = number >= 0 ? stageOf(each.build) : '';
    if (far !== '') return { ...each, number, torqued: far };
    number += 1;
    return { ...each, number };
  });
}

/** "3", or "2 · 95 N·m": what a build is called. */
export const buildName = ({ number, torqued }: Pick<BuildNow, 'number' | 'torqued'>): string =>
  torqued === undefined ? String(number) : `${number} · ${torqued}`;

export const packTotal = (leaves: readonly FitLeaf[] | null | undefined): Length => leavesTotal(leaves ?? []);

/** "20 + 8", "0.50 + 0.30 mm", "0.20 mm + 4", "none": a pack as it is said. Millimetres are never said without their unit. */
export const packWords = (leaves: readonly FitLeaf[] | null | undefined): string => {
  if (!leaves) return '?';
  const each = leaves.flatMap((leaf) => Array.from({ length: leaf.count }, () => ({ said: leaf.written, isMm: isMetric(leaf.unit) })));
  if (each.length === 0) return 'none';
  if (each.every(({ isMm }) => isMm)) return `${each.map(({ said }) => said).join(' + ')} mm`;
  return each.map(({ said, isMm }) => (isMm ? `${said} mm` : said)).join(' + ');
};

/** "bolts torqued", "new gasket": a slot's state as it is said. */
export function stateWords(slot: Slot, state: string | null): string {
  const thing = slot.name.toLowerCase().split(' ').at(-1) ?? '';
  if (state === null) return `${thing} changed`;
  return state.includes(thing) ? state : `${thing} ${state}`;
}

export interface SlotChange {
  readonly slot: Slot;
  /** how much thicker, where both packs are known */
  readonly thicker: Length | null;
  readonly words: string;
}

/** What differs between two builds, in the slots that matter. */
export function changesBetween(then: BuildNow, now: BuildNow, slots: readonly Slot[]): SlotChange[] {
  return slots.flatMap((slot) => {
    const before = then.fitted.get(slot.id) ?? EMPTY;
    const after = now.fitted.get(slot.id) ?? EMPTY;
    if (slot.kind === 'adjuster') {
      const thicker = nanometres(packTotal(after.leaves) - packTotal(before.leaves));
      if (before.leaves !== null && after.leaves !== null && thicker === 0) return [];
      if (before.leaves === null && after.leaves === null) return [];
      return [{ slot, thicker: before.leaves === null || after.leaves === null ? null : thicker, words: 'pack changed' }];
    }
    return jointChange(slot, before, after) ?? [];
  });
}

/** What changed, in a few words: that a sleeve gave is said by how far its nut was turned. */
export function changeWords(changes: readonly SlotChange[]): string {
  const isTurned = changes.some(({ words }) => words.startsWith('nut turned'));
  return changes.flatMap(({ slot, words }) => (isTurned && slot.kind === 'sleeve' && words.includes(SLEEVE_CRUSHED) ? [] : [words])).join(', ');
}

/** Another part in a place, or the same the other way round; what no build said is as it is drawn. */
function partChange(slot: Slot, before: Fitting, after: Fitting): SlotChange | null {
  const name = slot.name.toLowerCase();
  const then = { ...slot.asDrawn, ...before };
  const now = { ...slot.asDrawn, ...after };
  if (then.partId !== now.partId) return { slot, thicker: null, words: now.partId === null ? `${name} left out` : `another ${name}` };
  return then.turned === now.turned ? null : { slot, thicker: null, words: `${name} turned round` };
}

/** What changed of a place that is said and not chosen: its state; a gasket that is thicker bolted up than the one before, sealant. */
function jointChange(slot: Slot, before: Fitting, after: Fitting): SlotChange | null {
  if (slot.kind === 'sleeve') return before.drawnUp === after.drawnUp ? null : { slot, thicker: null, words: stateWords(slot, after.state) };
  if (slot.kind === 'part') return partChange(slot, before, after);
  if (slot.kind === 'lapped') return lappedChange(slot, before, after);
  const turned = (after.onward ?? 0) - (before.onward ?? 0);
  if (turned !== 0 && before.state === after.state) {
    const along = slot.nutPitch === undefined ? null : preloadFromNut({ threadPitch: slot.nutPitch, degrees: turned });
    return { slot, thicker: along, words: `nut turned ${turnWords(turned)}` };
  }
  const isFurther = before.state === after.state && tightness(before.tightened) !== tightness(after.tightened);
  if (isFurther) return { slot, thicker: null, words: stateWords(slot, stateNow(after)) };
  const isOther = before.state !== after.state;
  const film = (after.film ?? 0) - (before.film ?? 0);
  const isGasket = before.crushed !== after.crushed || before.another !== after.another;
  if (!isOther && !isGasket) return film === 0 ? null : { slot, thicker: nanometres(film), words: 'sealant in the joint' };
  const isKnown = typeof before.crushed === 'number' && typeof after.crushed === 'number';
  const thicker = isKnown ? nanometres((after.crushed ?? 0) - (before.crushed ?? 0) + film) : null;
  return { slot, thicker, words: isOther ? stateWords(slot, stateNow(after)) : 'another gasket' };
}

/** What was taken off a size from one build to another, or put back as it were, where the later is compared with the earlier. */
function lappedChange(slot: Slot, { lapped: then = [] }: Fitting, { lapped: now = [] }: Fitting): SlotChange | null {
  if (then.length === now.length) return null;
  const between = now.length > then.length ? now.slice(then.length) : then.slice(now.length);
  const sign = now.length > then.length ? -1 : 1;
  const isKnown = between.every(({ amount }) => amount !== null);
  const off = between.reduce((sum, { amount }) => sum + (amount ?? 0), 0);
  return {
    slot,
    thicker: isKnown ? nanometres(sign * off) : null,
    words: `${slot.name.toLowerCase()} ${between.map(({ words }) => words).join(', ')}`,
  };
}

export const readingsOf = (facts: JobFacts, stationId: string, gone: ReadonlySet<string>): ReadingFact[] =>
  rowsOf(facts, stationId).readings.filter((r) => !gone.has(r.id));

interface StationRows {
  readonly readings: ReadingFact[];
  readonly limits: Limit[];
  readonly acceptances: Acceptance[];
  readonly removals: Removal[];
  readonly closings: Closing[];
}
const NO_ROWS: StationRows = { readings: [], limits: [], acceptances: [], removals: [], closings: [] };
const byStation = remembered(
  (facts) => [facts.stations, facts.readings, facts.limits, facts.acceptances, facts.removals, facts.closings],
  (facts) => {
    const rows = new Map<string, StationRows>(
      facts.stations.map((s) => [s.id, { readings: [], limits: [], acceptances: [], removals: [], closings: [] }]),
    );
    for (const r of facts.readings) rows.get(r.stationId)?.readings.push(r);
    for (const l of facts.limits) rows.get(l.stationId)?.limits.push(l);
    for (const a of facts.acceptances) rows.get(a.stationId)?.acceptances.push(a);
    for (const r of facts.removals) rows.get(r.stationId)?.removals.push(r);
    for (const c of facts.closings) rows.get(c.stationId)?.closings.push(c);
    return rows;
  },
);

/** What belongs to one station, found once for all of a job's: a Wear book of two thousand rows is looked through no more than once. */
export const rowsOf = (facts: JobFacts, stationId: string): StationRows => byStation(facts).get(stationId) ?? NO_ROWS;
