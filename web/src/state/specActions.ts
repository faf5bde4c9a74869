import type { Change, Limit, LimitSource, Spec, Station } from '@elder-cog/contract';
import { conditionsIn, readSpecLine, type DragLimits, type Length, type LengthUnit, type QuantityLimits } from '@elder-cog/core';
import { dragLimit } from './dragActions.ts';
import { bounds } from './gapActions.ts';
import { addJoint } from './jointActions.ts';
import { newId, useSettings } from './settings.ts';

/** Where lines come from, said once for all of them. */
export interface SpecOrigin {
  readonly source: LimitSource;
  readonly pageOrWhom: string;
  readonly saidAt: string;
}

const now = (): string => new Date().toISOString();

/** What a line says of itself, understood or not. */
function understoodAs(text: string): Pick<Spec, 'name' | 'quantity' | 'min' | 'max' | 'unit' | 'written' | 'remark'> {
  const line = readSpecLine(text);
  const none = { quantity: null, min: null, max: null, unit: '', written: '', remark: '' };
  if (line.state === 'words') return { ...none, name: text.trim().slice(0, 160) };
  if (line.state === 'notUnderstood') return { ...none, name: '' };
  if (line.state === 'ask') return { ...none, name: line.name.slice(0, 160), written: line.written, remark: line.remark };
  return { name: line.name.slice(0, 160), written: line.written, remark: line.remark, ...figures(line.limits) };
}

const figures = ({ kind, min, max, unit }: QuantityLimits): Pick<Spec, 'quantity' | 'min' | 'max' | 'unit'> => ({ quantity: kind, min, max, unit });

/** A page's lines as rows of the spec sheet, empty ones left out. */
export function addSpecs(jobId: string, lines: readonly string[], origin: SpecOrigin, position: number): Extract<Change, { kind: 'specs.add' }> {
  const { who } = useSettings.getState();
  const at = now();
  return {
    kind: 'specs.add',
    specs: lines
      .map((line) => line.trim().slice(0, 300))
      .filter((line) => line !== '')
      .map((text, i) => ({
        id: newId(),
        jobId,
        position: position + i,
        text,
        ...understoodAs(text),
        ...origin,
        stationId: null,
        leftOut: false,
        who,
        at,
      })),
  };
}

/** One of two meanings is the one. */
export const meantBy = (spec: Spec, limits: QuantityLimits): Change => ({ kind: 'spec.change', spec: { ...spec, ...figures(limits) } });

export const leaveOut = (spec: Spec, leftOut: boolean): Change => ({ kind: 'spec.change', spec: { ...spec, leftOut } });

/** The line typed again. */
export const retype = (spec: Spec, text: string): Change => ({ kind: 'spec.change', spec: { ...spec, text: text.trim(), ...understoodAs(text) } });

/** A line becomes a limit of a station: in use where that has none yet, beside the others where it has. */
export function copyTo(spec: Spec, station: Station, limits: readonly Limit[]): Change {
  const inUse = !limits.some((l) => l.stationId === station.id && l.inUse);
  const limit = spec.quantity === 'torque' ? torqueOf(spec, station) : lengthOf(spec, station);
  return { kind: 'spec.copy', spec: { ...spec, stationId: station.id }, limit: { ...limit, specId: spec.id, inUse } };
}

const lengthOf = (spec: Spec, station: Station): Omit<Limit, 'revision'> => ({
  id: newId(),
  stationId: station.id,
  ...bounds(spec.min as Length | null, spec.max as Length | null),
  written: spec.written.slice(0, 120),
  unit: spec.unit as LengthUnit,
  source: spec.source,
  pageOrWhom: spec.pageOrWhom,
  saidAt: spec.saidAt,
  working: '',
  specId: null,
  inUse: true,
});

/** With what it was printed for: new or used bearings, seal and wheel in or out. One figure alone stays one figure. */
function torqueOf(spec: Spec, station: Station): Omit<Limit, 'revision'> {
  const { min, max, unit } = spec;
  const { dressing: _, ...others } = conditionsIn(spec.text).conditions;
  // how threads are dressed stands behind the figure: before it is the name, and a dry sump has no dry bolts
  const { dressing } = conditionsIn(spec.text.slice(Math.max(0, spec.text.search(/\d/)))).conditions;
  const conditions = { ...others, ...(dressing === undefined ? {} : { dressing }) };
  const ends = { ...(min === null ? {} : { min }), ...(max === null ? {} : { max }) };
  const value: DragLimits = { ...(min !== null && min === max ? { single: min } : ends), conditions };
  return dragLimit(station, spec.written.slice(0, 120), { value, unit }, spec);
}

/** A torque becomes that of a joint of its own, begun with it. */
export function copyToJoint(spec: Spec, assemblyId: string): readonly Change[] {
  const begun = addJoint(assemblyId, { of: 'name', name: spec.name });
  const [station] = begun.stations;
  return station ? [begun, copyTo(spec, { ...station, revision: 1, gone: false } as Station, [])] : [begun];
}
