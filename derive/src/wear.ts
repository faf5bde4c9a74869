import type { JobFacts, ReadingFact, Station } from '@elder-cog/contract';
import {
  boreSurvey,
  boreSurveySum,
  estimate,
  journalSurvey,
  journalSurveySum,
  runningClearance,
  runningClearanceSum,
  verdict,
  type Length,
  type MarkKind,
  type RunningClearance,
  type Sum,
  type Survey,
  type SurveyStation,
  type Verdict,
} from '@elder-cog/core';
import { readingsOf } from './builds.ts';
import { limitInUse, markOf, type LimitState } from './gap.ts';
import { asInstrument, readingValue } from './readingValue.ts';

/** One bore or journal: its readings by place, and what they come to. */
export interface FeatureState {
  readonly station: Station;
  readonly limits: LimitState | null;
  readonly places: readonly (SurveyStation & { readonly ids: readonly string[] })[];
  readonly survey: Survey | null;
  /** what is judged: a bore's largest, a journal's smallest */
  readonly now: Length | null;
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  readonly unit: 'thou' | 'mm' | 'in' | 'um';
  readonly sum: Sum;
}

export interface PairState {
  readonly station: Station;
  readonly limits: LimitState | null;
  readonly bore: FeatureState | null;
  readonly journal: FeatureState | null;
  readonly clearance: RunningClearance | null;
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  readonly sum: Sum;
}

function placesOf(readings: readonly ReadingFact[]): (SurveyStation & { ids: string[] })[] {
  const places = new Map<string, { at: string; readings: Length[]; ids: string[] }>();
  for (const r of readings) {
    const at = r.raw.at ?? '';
    const place = places.get(at) ?? { at, readings: [], ids: [] };
    const valued = readingValue(r.raw, { sense: 0, pack: 0 as Length });
    if ('ok' in valued) place.readings.push(...valued.ok.values);
    place.ids.push(r.id);
    places.set(at, place);
  }
  return [...places.values()].filter((p) => p.readings.length > 0);
}

export function featureState(facts: JobFacts, station: Station, gone: ReadonlySet<string>): FeatureState {
  const readings = readingsOf(facts, station.id, gone);
  const places = placesOf(readings);
  const limits = limitInUse(facts, station.id);
  const last = readings[readings.length - 1]?.raw.instrument ?? station.instrument;
  const instrument = asInstrument(last);
  const options = {
    ...(station.newSize === null ? {} : { new: station.newSize }),
    u: Math.hypot(instrument.priorS, instrument.resolution / Math.sqrt(12), instrument.calibrationU),
  };
  const isBore = station.subject === 'bore';
  const survey = places.length === 0 ? null : isBore ? boreSurvey(places, options) : journalSurvey(places, options);
  const now = survey ? (isBore ? survey.largest : survey.smallest) : null;
  // a big bore is loose; so is a small journal
  const judged =
    now !== null && survey && limits
      ? verdict(estimate(now, survey.u), limits.limits, { moreIs: isBore ? 'loose' : 'tight', rule: station.rule })
      : null;
  return {
    station,
    limits,
    places,
    survey,
    now,
    verdict: judged,
    mark: now === null ? 'unmeasured' : limits ? markOf(judged) : 'in',
    unit: last?.unit ?? 'in',
    sum: places.length === 0 ? [] : isBore ? boreSurveySum(places, options) : journalSurveySum(places, options),
  };
}

/** A journal in its bore. The greatest clearance must be under the maximum, and the least over the minimum. */
export function pairState(facts: JobFacts, station: Station, features: readonly FeatureState[]): PairState {
  const find = (id: string | null): FeatureState | null => features.find((f) => f.station.id === id) ?? null;
  const bore = find(station.boreId);
  const journal = find(station.journalId);
  const limits = limitInUse(facts, station.id);
  const clearance = bore?.survey && journal?.survey ? runningClearance(bore.survey, journal.survey) : null;
  const greatest = clearance && limits ? verdict(estimate(clearance.greatest, clearance.u), limits.limits, { rule: station.rule }) : null;
  const least = clearance && limits ? verdict(estimate(clearance.least, clearance.u), limits.limits, { rule: station.rule }) : null;
  const judged = greatest?.place === 'in' && least?.place === 'tight' ? least : greatest;
  return {
    station,
    limits,
    bore,
    journal,
    clearance,
    verdict: judged,
    mark: clearance === null ? 'unmeasured' : limits ? markOf(judged) : 'cannotTell',
    sum: bore?.survey && journal?.survey ? runningClearanceSum(bore.survey, journal.survey) : [],
  };
}
