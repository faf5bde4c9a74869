import type { JobFacts, LimitSource } from '@elder-cog/contract';
import { describeLength, FEATURES, isFeatureKind, nanometres, smallUnit, type Length, type LengthUnit, type Limits } from '@elder-cog/core';
import { plainName } from './plainName.ts';
import { boxOf, otherSidesOf, sideless } from './twins.ts';
import type { RowHolder } from './jobState.ts';
import { stripLog } from './stripLog.ts';
import { isPair, type FeatureState, type PairState } from './wear.ts';

/** A limit there is for a station where no manual gives one: taken at a tap. */
export interface LimitOffer {
  readonly source: LimitSource;
  readonly from: string;
  readonly limits: Limits;
  readonly written: string;
  readonly unit: LengthUnit;
  /** what such a limit does not say: a part is offered its own size, worn as it is */
  readonly warns?: string;
}

/** A row of a job, with the job's facts and whatever in it has rows. */
export interface LimitQuestion {
  readonly facts: JobFacts;
  readonly holders: readonly RowHolder[];
  readonly row: FeatureState | PairState;
}

/** The same thing on the other side, by its name: its limit where it has one, and what it measures. */
function otherSide({ facts, holders, row }: LimitQuestion): LimitOffer[] {
  const boxes = otherSidesOf(facts, boxOf(facts, row.station) ?? '');
  return holders
    .filter((s) => boxes.some((box) => box.id === s.assembly.id))
    .flatMap(({ assembly: { name: from }, features, pairs }) =>
      [...features, ...pairs]
        .filter(({ station }) => station.subject === row.station.subject && sideless(station.name) === sideless(row.station.name))
        .flatMap((twin): LimitOffer[] => {
          const value = measured(twin);
          const { limits, fact } = twin.limits ?? {};
          return [
            ...(limits && fact ? [{ source: 'other_side' as const, from, limits, written: fact.written, unit: fact.unit }] : []),
            ...(value === null ? [] : [noWorseThan(row, value, 'other_side', `${from}, as it measures`)]),
          ];
        }),
    );
}

/** What a row measures now, as it is judged: the worst of it. */
const measured = (row: FeatureState | PairState): Length | null => (isPair(row) ? (row.clearance?.greatest ?? null) : row.now);

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
    warns: asWorn(row, value, unit),
  };
}

/** A size that something worn has is no worse than it was, and may have been past its limit already. */
function asWorn({ station: { newSize } }: FeatureState | PairState, value: Length, unit: LengthUnit): string {
  const gone = newSize === null ? 0 : Math.abs(value - newSize);
  const off = gone === 0 ? '' : ` It is ${describeLength(nanometres(gone), smallUnit(unit))} from new.`;
  return `Worn as it is: it may have been past its limit already.${off}`;
}

/** As it was found: no worse than it came out. */
function asFound({ facts, row }: LimitQuestion): LimitOffer[] {
  const name = plainName(row.station.name);
  const line = stripLog(facts, boxOf(facts, row.station) ?? '').find(
    ({ entry }) => entry.size !== null && (name.includes(plainName(entry.part)) || plainName(entry.part).includes(name)),
  );
  const value = line?.entry.size ?? measured(row);
  return value === null ? [] : [noWorseThan(row, value, 'as_found', line ? `strip log, ${line.number}` : 'as measured', line?.entry.unit)];
}

/** Limits to be had for a row without asking anybody: the other side's, and as it was found. */
export const limitOffers = (question: LimitQuestion): LimitOffer[] => [...otherSide(question), ...asFound(question)];
