import type { JobFacts, LimitSource } from '@elder-cog/contract';
import { describeLength, FEATURES, isFeatureKind, type LengthUnit, type Limits } from '@elder-cog/core';
import { plainName } from './plainName.ts';
import { limitInUse } from './gap.ts';
import { stripLog } from './stripLog.ts';
import { isPair, type FeatureState, type PairState } from './wear.ts';

/** A limit there is for a station where no manual gives one: taken at a tap. */
export interface LimitOffer {
  readonly source: LimitSource;
  readonly from: string;
  readonly limits: Limits;
  readonly written: string;
  readonly unit: LengthUnit;
}

/** The same place on the other side: a station of equal role on a box that mirrors this one, or is mirrored by it. */
function otherSide(facts: JobFacts, row: FeatureState | PairState): LimitOffer[] {
  const shaft = facts.shafts.find((s) => s.id === row.station.shaftId);
  const box = facts.assemblies.find((a) => a.id === shaft?.assemblyId);
  if (!shaft || !box) return [];
  const twins = new Set(facts.assemblies.filter((a) => a.mirrorOf === box.id || a.id === box.mirrorOf).map((a) => a.id));
  return facts.stations
    .filter((s) => !s.gone && s.id !== row.station.id && s.subject === row.station.subject && s.role === row.station.role)
    .flatMap((twin) => {
      const of = facts.shafts.find((s) => s.id === twin.shaftId);
      const limit = limitInUse(facts, twin.id);
      if (!of || !twins.has(of.assemblyId) || !limit) return [];
      const where = facts.assemblies.find((a) => a.id === of.assemblyId)?.name ?? '';
      return [{ source: 'other_side' as const, from: where, limits: limit.limits, written: limit.fact.written, unit: limit.fact.unit }];
    });
}

/** As it was found: no worse than it came out. */
function asFound(facts: JobFacts, row: FeatureState | PairState): LimitOffer[] {
  const shaft = facts.shafts.find((s) => s.id === row.station.shaftId);
  const name = plainName(row.station.name);
  const line = stripLog(facts, shaft?.assemblyId ?? '').find(
    ({ entry }) => entry.size !== null && (name.includes(plainName(entry.part)) || plainName(entry.part).includes(name)),
  );
  const value = line?.entry.size ?? (isPair(row) ? row.clearance?.greatest : row.now) ?? null;
  if (value === null) return [];
  const { subject } = row.station;
  const isLeast = isFeatureKind(subject) && FEATURES[subject].judgedBy === 'smallest';
  const unit = line?.entry.unit ?? (isPair(row) ? (row.bore?.unit === 'mm' ? 'mm' : 'thou') : row.unit);
  return [
    {
      source: 'as_found',
      from: line ? `strip log, ${line.number}` : 'as measured',
      limits: isLeast ? { min: value } : { max: value },
      written: `${isLeast ? 'min' : 'max'} ${describeLength(value, unit)}`,
      unit,
    },
  ];
}

/** Limits to be had for a row without asking anybody: the other side's, and as it was found. */
export const limitOffers = (facts: JobFacts, row: FeatureState | PairState): LimitOffer[] => [...otherSide(facts, row), ...asFound(facts, row)];
