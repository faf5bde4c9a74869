import {
  newDrag,
  newRise,
  newTogether,
  type Change,
  type JudgedBy,
  type Limit,
  type RawReading,
  type Station,
  type Wrench,
} from '@elder-cog/contract';
import { isMetricUnit, type DragEntry, type DragLimits, type Meaning, type TorqueUnit } from '@elder-cog/core';
import { SLEEVE_CRUSHED, type DragState, type ShaftState } from '@elder-cog/derive';
import { buildOf, stationChange, type LimitOrigin } from './gapActions.ts';
import { newId, useSettings } from './settings.ts';

/** The commands of what it takes to turn a pair of bearings. */

/** A drag beside the float of a pair: either of the two will do, both must be right, or it stands by itself. */
export function addDrag(shaft: ShaftState, float: Station, name: string, by: JudgedBy | 'itself'): Extract<Change, { kind: 'stations.add' }> {
  const drag = newDrag(float, name, newId);
  const together = newTogether(
    { assemblyId: shaft.assembly.id, name: `${shaft.shaft.name}, set`, by: by === 'itself' ? 'either' : by },
    [drag.id, float.id],
    newId,
  );
  return { kind: 'stations.add', stations: [drag], ...(by === 'itself' ? {} : { settings: [together] }) };
}

/** How much a drag rises, judged with the drag itself as a ceiling that must not be passed. */
export function addRise(shaft: ShaftState, drag: Station, name: string): Extract<Change, { kind: 'stations.add' }> {
  const rise = newRise(drag, name, newId);
  const together = newTogether({ assemblyId: shaft.assembly.id, name: `${name}, under its ceiling`, by: 'ceiling' }, [rise.id, drag.id], newId);
  return { kind: 'stations.add', stations: [rise], settings: [together] };
}

/** A drag as it was read: what was typed, where the cord pulls, and what it rests on. */
export const dragRead = (
  text: string,
  { value, unit }: Meaning<DragEntry, string>,
  of: Pick<RawReading, 'restsOn'> & { readonly wrench?: Wrench | undefined; readonly seal?: number | undefined; readonly isBefore: boolean },
): RawReading => ({
  method: 'torques' in value ? 'wrench' : 'cord',
  text,
  understood: ('torques' in value
    ? { how: 'torques', values: [...value.torques], unit }
    : { how: 'pulls', values: [...value.pulls], unit, radius: value.radius }) as RawReading['understood'],
  instrument: null,
  ...(of.wrench && isOfUnit(of.wrench, unit) ? { wrench: of.wrench } : {}),
  ...(of.seal ? { seal: of.seal } : {}),
  ...(of.isBefore ? { isBefore: true as const } : {}),
  restsOn: of.restsOn,
});

/** What it is read with says how fine only what it is figured in. */
const isOfUnit = (wrench: Wrench, unit: string): boolean => wrench.kind === 'click' || wrench.unit === unit;

export const keepDrag = (station: Station, buildId: string | null, raw: RawReading, newtonMetres: number | null, words: string): Change => ({
  kind: 'reading.keep',
  reading: {
    id: newId(),
    stationId: station.id,
    buildId,
    raw,
    who: useSettings.getState().who,
    takenAt: new Date().toISOString(),
    supersedes: null,
    keptAs: { value: null, ...(newtonMetres === null ? {} : { si: newtonMetres }), words: words.slice(0, 120) },
  },
  saw: buildId,
});

/** The nut turned on, or back: a build of its own, with what its sleeve gave. */
export const turnNut = (shaft: ShaftState, { nutId, sleeveId }: Pick<DragState, 'nutId' | 'sleeveId'>, degrees: number): Change =>
  buildOf(shaft, shaft.current?.build.stage === 'final' ? 'final' : 'dry', [
    ...(nutId === null ? [] : [{ id: newId(), placeId: nutId, leaves: [], state: null, turn: degrees }]),
    ...(sleeveId === null
      ? []
      : [{ id: newId(), placeId: sleeveId, leaves: [], state: SLEEVE_CRUSHED, ...(nutId === null ? { turn: degrees } : {}) }]),
  ]);

export const setDragLimits = (station: Station, written: string, meaning: Meaning<DragLimits, string>, origin: LimitOrigin): Change => ({
  kind: 'limit.set',
  limit: dragLimit(station, written, meaning, origin),
});

/** A torque as a limit of a station, in use. */
export function dragLimit(
  station: Station,
  written: string,
  { value, unit }: Pick<Meaning<DragLimits, string>, 'value' | 'unit'>,
  { source = 'manual', pageOrWhom = '', saidAt = '', working = '' }: LimitOrigin,
): Omit<Limit, 'revision'> {
  const { min, max, single, conditions } = value;
  const torque = { min: min ?? null, max: max ?? null, ...(single === undefined ? {} : { nominal: single }), unit: unit as TorqueUnit };
  return {
    id: newId(),
    stationId: station.id,
    min: null,
    max: null,
    torque,
    ...(Object.keys(conditions).length === 0 ? {} : { conditions }),
    written: written.trim(),
    unit: isMetricUnit(unit) ? 'mm' : 'thou',
    source,
    pageOrWhom,
    saidAt,
    working,
    specId: null,
    inUse: true,
  };
}

/** What it is read with from now on, and what its seal takes by itself. */
export function readWith(station: Station, { wrench, seal }: { readonly wrench?: Wrench | undefined; readonly seal?: number | undefined }): Change {
  const change = stationChange(station, {}) as Extract<Change, { kind: 'station.change' }>;
  return { ...change, ...(wrench ? { wrench } : {}), ...(seal === undefined ? {} : { seal }) };
}
