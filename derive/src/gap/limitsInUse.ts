import type { JobFacts, Limit, Station } from '@elder-cog/contract';
import { closedFloat, type Length, type Limits, nanometres, smallUnit, ZERO } from '@elder-cog/core';
import { rowsOf } from '../builds.ts';
import type { StillToCome } from './steps.ts';

export interface LimitState {
  /** what a reading is held against: what was given, moved by what is still to close */
  readonly limits: Limits;
  readonly fact: Limit;
  /** how much more than the limits it must read now, because heat or tightening will take that, where something will */
  readonly closesBy?: Length;
  /** nut or bolts are let go, and this is known to be still to come when they are torqued. Left out where nothing is */
  readonly still?: StillToCome;
}

export interface NominalState {
  readonly value: Length;
  readonly fact: Limit;
}

const factInUse = (facts: JobFacts, stationId: string): Limit | undefined => rowsOf(facts, stationId).limits.findLast((l) => l.inUse);

/** Limits as they were given. */
export const givenLimits = ({ min, max }: Pick<Limit, 'min' | 'max'>): Limits => ({
  ...(min === null ? {} : { min }),
  ...(max === null ? {} : { max }),
});

/** Limits with so much more added to either; a lone maximum of a float is from nothing up to it before it is. */
export function movedLimits(limits: Limits, by: number): Limits {
  const { min, max } = closedFloat(limits);
  return { ...(min === undefined ? {} : { min: nanometres(min + by) }), ...(max === undefined ? {} : { max: nanometres(max + by) }) };
}

/**
 * What a station is judged by; a single figure with no tolerance judges nothing.
 *
 * @param closesBy nm, see {@link LimitState}
 * @param still what torque is still to close of it
 */
export function limitInUse(facts: JobFacts, stationId: string, closesBy: Length = ZERO, still: StillToCome | null = null): LimitState | null {
  const fact = factInUse(facts, stationId);
  if (!fact || (fact.min === null && fact.max === null)) return null;
  const given = givenLimits(fact);
  const by = closesBy - (still?.value ?? 0);
  const moved = by === 0 ? given : movedLimits(given, by);
  return { fact, ...(closesBy === 0 ? {} : { closesBy }), ...(still ? { still } : {}), limits: moved };
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
