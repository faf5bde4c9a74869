import type { JobFacts, Limit, Station } from '@elder-cog/contract';
import { type Length, type Limits, smallUnit } from '@elder-cog/core';
import { rowsOf } from '../builds.ts';

export interface LimitState {
  readonly limits: Limits;
  readonly fact: Limit;
}

export interface NominalState {
  readonly value: Length;
  readonly fact: Limit;
}

const factInUse = (facts: JobFacts, stationId: string): Limit | undefined => rowsOf(facts, stationId).limits.findLast((l) => l.inUse);

/** What a station is judged by; a single figure with no tolerance judges nothing. */
export function limitInUse(facts: JobFacts, stationId: string): LimitState | null {
  const fact = factInUse(facts, stationId);
  if (!fact || (fact.min === null && fact.max === null)) return null;
  return { fact, limits: { ...(fact.min === null ? {} : { min: fact.min }), ...(fact.max === null ? {} : { max: fact.max }) } };
}

/** A single figure that a station is held against, with no tolerance to judge by. */
export function nominalInUse(facts: JobFacts, stationId: string): NominalState | null {
  const fact = factInUse(facts, stationId);
  return fact?.nominal === undefined || fact.min !== null || fact.max !== null ? null : { fact, value: fact.nominal };
}

/** The system a gap is told in. */
export function unitOf(station: Pick<Station, 'instrument'>, limits: LimitState | null): 'thou' | 'mm' {
  return smallUnit(limits?.fact.unit ?? station.instrument?.unit ?? 'thou');
}
