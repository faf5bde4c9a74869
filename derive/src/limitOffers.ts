import type { Assembly, JobFacts, LimitSource, Station } from '@elder-cog/contract';
import { describeLength, FEATURES, isFeatureKind, type Length, type LengthUnit, type Limits } from '@elder-cog/core';
import { plainName } from './plainName.ts';
import { withdrawnIds } from './builds.ts';
import { limitInUse } from './gap.ts';
import { stripLog } from './stripLog.ts';
import { featureState, isPair, pairState, type FeatureState, type PairState } from './wear.ts';

/** A limit there is for a station where no manual gives one: taken at a tap. */
export interface LimitOffer {
  readonly source: LimitSource;
  readonly from: string;
  readonly limits: Limits;
  readonly written: string;
  readonly unit: LengthUnit;
}

/** Boxes that are the other side of this one: said of either. */
export const otherSidesOf = (facts: JobFacts, boxId: string): Assembly[] => {
  const mirrorOf = facts.assemblies.find((a) => a.id === boxId)?.mirrorOf ?? null;
  return facts.assemblies.filter((a) => a.id !== boxId && (a.mirrorOf === boxId || a.id === mirrorOf));
};

/** A name with nothing left of which side it is on: "Left hub bush" and "hub bush, right". */
const sideless = (name: string): string =>
  plainName(name)
    .replace(/\b(?:left|right|near ?side|off ?side|near|off|other|side)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** The same thing on the other side, by its name: its limit where it has one, and what it measures. */
function otherSide(facts: JobFacts, row: FeatureState | PairState): LimitOffer[] {
  const shaft = facts.shafts.find((s) => s.id === row.station.shaftId);
  const boxes = new Map(otherSidesOf(facts, shaft?.assemblyId ?? '').map((box) => [box.id, box]));
  if (boxes.size === 0) return [];
  const shafts = new Map(facts.shafts.filter((s) => boxes.has(s.assemblyId)).map((s) => [s.id, boxes.get(s.assemblyId)?.name ?? '']));
  return facts.stations
    .filter((s) => !s.gone && shafts.has(s.shaftId) && s.subject === row.station.subject && sideless(s.name) === sideless(row.station.name))
    .flatMap((twin): LimitOffer[] => {
      const from = shafts.get(twin.shaftId) ?? '';
      const limit = limitInUse(facts, twin.id);
      const asPrinted = limit
        ? [{ source: 'other_side' as const, from, limits: limit.limits, written: limit.fact.written, unit: limit.fact.unit }]
        : [];
      const measured = measuredAt(facts, twin);
      return [...asPrinted, ...(measured === null ? [] : [noWorseThan(row, measured, 'other_side', `${from}, as it measures`)])];
    });
}

/** What a row measures now, as it is judged: the worst of it. */
function measuredAt(facts: JobFacts, station: Station): Length | null {
  const gone = withdrawnIds(facts);
  const featureOf = (id: string | null): FeatureState | null => {
    const found = facts.stations.find((s) => s.id === id);
    return found && isFeatureKind(found.subject) ? featureState(facts, found, found.subject, gone) : null;
  };
  if (station.subject !== 'pair') return featureOf(station.id)?.now ?? null;
  const halves = [featureOf(station.boreId), featureOf(station.journalId)].flatMap((f) => (f ? [[f.station.id, f] as const] : []));
  return pairState(facts, station, new Map(halves)).clearance?.greatest ?? null;
}

const unitOf = (row: FeatureState | PairState): LengthUnit => (isPair(row) ? (row.bore?.unit === 'mm' ? 'mm' : 'thou') : row.unit);

/** A limit at a size something else has, on the side that is judged. */
function noWorseThan(row: FeatureState | PairState, value: Length, source: LimitSource, from: string, unit = unitOf(row)): LimitOffer {
  const { subject } = row.station;
  const isLeast = isFeatureKind(subject) && FEATURES[subject].judgedBy === 'smallest';
  return {
    source,
    from,
    limits: isLeast ? { min: value } : { max: value },
    written: `${isLeast ? 'min' : 'max'} ${describeLength(value, unit)}`,
    unit,
  };
}

/** As it was found: no worse than it came out. */
function asFound(facts: JobFacts, row: FeatureState | PairState): LimitOffer[] {
  const shaft = facts.shafts.find((s) => s.id === row.station.shaftId);
  const name = plainName(row.station.name);
  const line = stripLog(facts, shaft?.assemblyId ?? '').find(
    ({ entry }) => entry.size !== null && (name.includes(plainName(entry.part)) || plainName(entry.part).includes(name)),
  );
  const value = line?.entry.size ?? (isPair(row) ? row.clearance?.greatest : row.now) ?? null;
  return value === null ? [] : [noWorseThan(row, value, 'as_found', line ? `strip log, ${line.number}` : 'as measured', line?.entry.unit)];
}

/** Limits to be had for a row without asking anybody: the other side's, and as it was found. */
export const limitOffers = (facts: JobFacts, row: FeatureState | PairState): LimitOffer[] => [...otherSide(facts, row), ...asFound(facts, row)];
