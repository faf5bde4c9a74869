import {
  newLink,
  notMeasured,
  type Build,
  type Change,
  type Feature,
  type FitLeaf,
  type JobFacts,
  type LimitSource,
  type RawReading,
  type Station,
  type Withdrawal,
} from '@elder-cog/contract';
import {
  withUnit,
  type Instrument,
  type LeafLine,
  type Length,
  type LengthUnit,
  type Limits,
  type Meaning,
  type ReadingEntry,
} from '@elder-cog/core';
import { floatBefore, type FeatureSize, type ShaftState } from '@elder-cog/derive';
import { newId, useSettings } from './settings.ts';

/** The commands behind the buttons, made from what is shown. */

const signed = (): string => useSettings.getState().who;
const now = (): string => new Date().toISOString();

export const keepReading = (station: Station, buildId: string | null, raw: RawReading, value: Length | null, words: string): Change => ({
  kind: 'reading.keep',
  reading: {
    id: newId(),
    stationId: station.id,
    buildId,
    raw,
    who: signed(),
    takenAt: now(),
    supersedes: null,
    keptAs: { value, words },
  },
  saw: buildId,
});

/** What was understood of an entry, as a reading keeps it. */
export const asUnderstood = ({ value, unit }: Meaning<ReadingEntry>): RawReading['understood'] => ({ ...value, unit }) as RawReading['understood'];

/** A size that was read of a part, as it was understood. */
export const sizeRead = ({
  text,
  meaning,
  instrument,
  at = '',
  newSet,
}: {
  readonly text: string;
  readonly meaning: Meaning<ReadingEntry>;
  readonly instrument: Instrument;
  readonly at?: string;
  readonly newSet?: string | undefined;
}): RawReading => ({
  method: 'size',
  text,
  understood: asUnderstood(meaning),
  instrument,
  ...(at === '' ? {} : { at }),
  ...(newSet === undefined ? {} : { newSet }),
  restsOn: [],
});

/** How a size of a part was read: with what, and whether it is one more reading or another instead of those before. */
export interface SizeRead {
  readonly text: string;
  readonly meaning: Meaning<Length>;
  readonly instrument: Instrument | null;
  readonly isMore: boolean;
}

/** A size of a part: the first makes the station it is read at. */
export function keepSize(
  shaftId: string,
  feature: Feature,
  { readings, stationId }: FeatureSize,
  { text, meaning, instrument, isMore }: SizeRead,
): Change {
  const { value, unit } = meaning;
  const again = readings.length > 0 && !isMore ? { newSet: 'measured again' } : {};
  const raw: RawReading = { method: 'size', text, understood: { how: 'sizes', values: [value], unit }, instrument, ...again, restsOn: [] };
  const link = newLink(shaftId, feature, newId);
  const reading = {
    id: newId(),
    stationId: stationId ?? link.id,
    buildId: null,
    raw,
    who: signed(),
    takenAt: now(),
    supersedes: null,
    keptAs: { value, words: text.slice(0, 120) },
  };
  return stationId === null ? { kind: 'rows.add', stations: [link], limits: [], readings: [reading] } : { kind: 'reading.keep', reading };
}

/** A lone maximum is from nothing up to it; below nothing there is no such floor. */
export const bounds = (min: Length | null, max: Length | null): { min: Length | null; max: Length | null } => ({
  min: min ?? (max !== null && max >= 0 ? (0 as Length) : null),
  max,
});

/** Where a limit comes from, and whether it is judged by from now on. */
export interface LimitOrigin {
  readonly source?: LimitSource;
  readonly pageOrWhom?: string;
  readonly saidAt?: string;
  readonly working?: string;
  readonly inUse?: boolean;
}

type LimitsMeant = { readonly value: Limits & { readonly single?: Length; readonly aim?: Length }; readonly unit: LengthUnit };

export const limitRow = (
  stationId: string,
  written: string,
  { value: { single, aim: _, ...limits }, unit }: LimitsMeant,
  { source = 'manual', pageOrWhom = '', saidAt = '', working = '', inUse = true }: LimitOrigin = {},
): Extract<Change, { kind: 'limit.set' }>['limit'] => ({
  id: newId(),
  stationId,
  ...(single === undefined ? bounds(limits.min ?? null, limits.max ?? null) : { min: null, max: null, nominal: single }),
  written: written.trim(),
  unit,
  source,
  pageOrWhom,
  saidAt,
  working,
  specId: null,
  inUse,
});

export const setLimits = (station: Station, written: string, meant: LimitsMeant, origin: LimitOrigin = {}): Change => ({
  kind: 'limit.set',
  limit: limitRow(station.id, written, meant, origin),
});

/** Where a float is to come, where its limits said so. */
export const aimSaid = ({ value: { aim } }: LimitsMeant): Station['aim'] | null => (aim === undefined ? null : { at: 'value', value: aim });

/** Limits of a station, and where in them it is to come: what was said with them, or what it was before where that still lies in them. */
export function limitsAndAim(station: Station, written: string, meant: LimitsMeant, origin: LimitOrigin = {}): Change[] {
  const { min, max } = bounds(meant.value.min ?? null, meant.value.max ?? null);
  const { at, value, ...rest } = station.aim;
  const isOutside = at === 'value' && value !== undefined && (value < (min ?? value) || value > (max ?? value));
  const said: Station['aim'] | null = aimSaid(meant) ?? (isOutside ? { at: 'middle' } : null);
  const aim = said && { ...rest, ...said };
  const isNew = aim !== null && (aim.at !== at || aim.value !== value);
  return [setLimits(station, written, meant, origin), ...(isNew ? [stationChange(station, { aim })] : [])];
}

export const stationChange = (
  station: Station,
  patch: Partial<Pick<Station, 'name' | 'rule' | 'aim' | 'newSize' | 'method' | 'instrument'>>,
): Change => ({
  kind: 'station.change',
  id: station.id,
  revision: station.revision,
  name: station.name,
  rule: station.rule,
  aim: station.aim,
  newSize: station.newSize,
  method: station.method,
  instrument: station.instrument,
  ...patch,
});

export const setMethod = (station: Station, method: RawReading['method'], instrument: Instrument): Change =>
  stationChange(station, { method, instrument });

export const buildOf = (
  shaft: ShaftState,
  stage: Build['stage'],
  fits: Build['fits'],
  { id = newId(), after = shaft.current?.build.id ?? null }: { readonly id?: string; readonly after?: string | null } = {},
): Change => ({
  kind: 'build.add',
  build: {
    id,
    assemblyId: shaft.assembly.id,
    parentId: after,
    stage,
    at: now(),
    who: signed(),
    label: '',
    feel: [],
    note: '',
    fits,
  },
  saw: after,
});

/** Whether anybody has said what is in a slot, or that it is not known. */
export const isSaid = ({ builds }: Pick<ShaftState, 'builds'>, slotId: string): boolean => builds.some((b) => b.fitted.has(slotId));
/** What is said first of a slot is as it was found; what is said after that was fitted. */
const stageOf = (shaft: ShaftState, slotId: string): 'as_found' | 'dry' => (isSaid(shaft, slotId) ? 'dry' : 'as_found');

/** The pack in now, as build 0; or a pack fitted, as the next build with only its slot changed. */
export const fitPack = (shaft: ShaftState, slotId: string, leaves: readonly FitLeaf[]): Change =>
  buildOf(shaft, shaft.current === null ? 'as_found' : stageOf(shaft, slotId), [{ id: newId(), placeId: slotId, leaves: [...leaves], state: null }]);

/** As it was found, with a pack nobody has measured: it can be read all the same. */
export const packNotKnown = (shaft: ShaftState, slotId: string, count: number | null = null): Change =>
  buildOf(shaft, 'as_found', [{ id: newId(), placeId: slotId, leaves: [], state: notMeasured(count) }]);

/** A set of parts for several slots at once, as one build; what is to be lapped stays open till it is done and measured. */
export function takeSet(
  shaft: ShaftState,
  changes: readonly { readonly slotId: string; readonly leaves: readonly FitLeaf[] }[],
  toLap: readonly string[],
): Change[] {
  const fits = changes.map(({ slotId, leaves }) => ({ id: newId(), placeId: slotId, leaves: [...leaves], state: null }));
  const raised = toLap.map((text): Change => ({
    kind: 'openItem.raise',
    openItem: {
      id: newId(),
      jobId: shaft.assembly.jobId,
      text,
      where: shaft.shaft.name,
      state: 'open',
      reason: '',
      who: signed(),
      raisedAt: now(),
      endedAt: null,
    },
  }));
  return [...(fits.length > 0 ? [buildOf(shaft, 'dry', fits)] : []), ...raised];
}

/**
 * What is read of a shaft is of a build: where nothing was ever said to be in it, as it was found. Where the strip log says what float it had
 * then, it has been apart since, and is read as it was put together again.
 */
export function onBuild(shaft: ShaftState, facts: JobFacts, read: (buildId: string) => Change): Change[] {
  if (shaft.current) return [read(shaft.current.build.id)];
  const [found, again] = [newId(), newId()];
  const asFound = foundAs(shaft, buildOf(shaft, 'as_found', [], { id: found }), facts);
  if (asFound.length === 1) return [...asFound, read(found)];
  return [...asFound, buildOf(shaft, 'loose', [], { id: again, after: found }), read(again)];
}

/** A float the strip log says, as the reading of a build: nobody said what it was read with. */
export function readAsSaid(station: Station, buildId: string | null, { size, written, unit, words }: FloatSaid): Change {
  const understood = { how: 'sizes' as const, values: [size], unit };
  return keepReading(station, buildId, { method: 'dial', text: withUnit(written, unit), understood, instrument: null, restsOn: [] }, size, words);
}

export interface FloatSaid {
  readonly size: Length;
  readonly written: string;
  readonly unit: LengthUnit;
  readonly words: string;
}

/** The build a shaft was found as, and with it the float that the strip log says it had then. */
export function foundAs(shaft: ShaftState, build: Change, facts: JobFacts): Change[] {
  const [gap] = shaft.gaps;
  const float = floatBefore(facts, shaft.shaft);
  if (!gap || !float || build.kind !== 'build.add' || shaft.current) return [build];
  return [build, readAsSaid(gap.station, build.build.id, { size: float.size, written: float.written, unit: float.unit, words: float.text })];
}

type Said = Build['fits'][number];

/**
 * A change made without fitting: bolts torqued, another gasket or none, how thick it is bolted up, sealant. A child build with what is said of
 * that place; what is left out is as it was.
 */
export const changeJoint = (
  shaft: ShaftState,
  slotId: string,
  { state = null, ...said }: Pick<Said, 'crushed' | 'film'> & { readonly state?: Said['state'] },
): Change =>
  buildOf(shaft, shaft.current?.build.stage === 'as_found' ? 'loose' : (shaft.current?.build.stage ?? 'loose'), [
    { id: newId(), placeId: slotId, leaves: [], state, ...said },
  ]);

export const changeState = (shaft: ShaftState, slotId: string, state: string): Change => changeJoint(shaft, slotId, { state });

/** Every leaf of a pack by itself. */
export const oneByOne = (pack: readonly LeafLine[]): SaidLeaf[] =>
  pack.flatMap(({ thickness, written, unit, count }) => Array.from({ length: count }, () => ({ thickness, written, unit })));

/** One leaf as it was said. */
type SaidLeaf = Omit<LeafLine, 'count'>;

/** A pack as it was said, matched to lots on hand where there are such leaves; the rest are made, or were in the machine. */
export function leavesFromSaid(
  said: readonly SaidLeaf[],
  available: readonly { lotId: string | null; thickness: Length; quantity: number }[],
): FitLeaf[] {
  const left = new Map(available.map((a) => [a, a.quantity]));
  return said.map((leaf) => {
    const lot = available.find((a) => a.thickness === leaf.thickness && (left.get(a) ?? 0) > 0);
    if (lot) left.set(lot, (left.get(lot) ?? 0) - 1);
    return { lotId: lot?.lotId ?? null, thickness: leaf.thickness, written: leaf.written, unit: leaf.unit, count: 1 };
  });
}

export const withdraw = (ofKind: Withdrawal['ofKind'], ofId: string, why: string): Change => ({
  kind: 'withdraw',
  withdrawal: { id: newId(), ofKind, ofId, who: signed(), at: now(), why },
});
