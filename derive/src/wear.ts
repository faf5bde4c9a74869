import type { Acceptance, Decision, Inspection, JobFacts, ReadingFact, Station } from '@elder-cog/contract';
import {
  estimate,
  featureSurvey,
  featureSurveySum,
  FEATURES,
  runningClearance,
  runningClearanceSum,
  thrustSurvey,
  thrustSurveySum,
  verdict,
  type FeatureKindName,
  type Length,
  type MarkKind,
  type RunningClearance,
  type Sum,
  type Survey,
  type SurveyStation,
  type Verdict,
} from '@elder-cog/core';
import { readingsOf, rowsOf } from './builds.ts';
import { limitInUse, markOf, type LimitState } from './gap.ts';
import { acceptanceOf, inspectionOf } from './inspections.ts';
import { asInstrument, readingValue } from './readingValue.ts';
import { remembered, rememberedOf } from './remember.ts';

/** One thing measured on a part: its readings by place, and what they come to. */
export interface FeatureState {
  readonly station: Station;
  readonly kind: FeatureKindName;
  /** half of a bush with its journal: with no limit of its own, it is judged by their clearance */
  readonly isPaired: boolean;
  readonly limits: LimitState | null;
  readonly places: readonly (SurveyStation & { readonly ids: readonly string[] })[];
  readonly survey: Survey | null;
  /** what is judged: the largest of a bore, the smallest of a journal, as its kind has it */
  readonly now: Length | null;
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  /** out on the worn side or the other, in the word of its kind */
  readonly word: string | null;
  readonly accepted: Acceptance | null;
  /** the last time it was looked at, and what was decided */
  readonly inspection: Inspection | null;
  readonly decision: Decision | null;
  readonly unit: 'thou' | 'mm' | 'in' | 'um';
  readonly sum: Sum;
}

/** A bush with its journal, rather than one thing by itself. */
export const isPair = (row: FeatureState | PairState): row is PairState => 'clearance' in row;

export interface PairState {
  readonly station: Station;
  readonly limits: LimitState | null;
  readonly bore: FeatureState | null;
  readonly journal: FeatureState | null;
  readonly clearance: RunningClearance | null;
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  readonly accepted: Acceptance | null;
  readonly sum: Sum;
}

function placesOf(kind: FeatureKindName, readings: readonly ReadingFact[]): (SurveyStation & { ids: string[] })[] {
  const places = new Map<string, { at: string; readings: Length[]; ids: string[] }>();
  const isSize = (size: Length): boolean => size > 0 || (size === 0 && FEATURES[kind].mayBeNothing);
  for (const r of readings) {
    const at = r.raw.at ?? '';
    const place = places.get(at) ?? { at, readings: [], ids: [] };
    const valued = readingValue(r.raw, { sense: 0, pack: 0 as Length });
    if ('ok' in valued) {
      const { values, reading } = valued.ok;
      // feelers either side of a float give its middle
      const found = values.length === 0 && reading.kind === 'estimate' ? [reading.value] : values;
      place.readings.push(...found.filter(isSize));
    }
    place.ids.push(r.id);
    places.set(at, place);
  }
  return [...places.values()].filter((p) => p.readings.length > 0);
}

/** Marked accepted where it is out, or was never measured, and somebody has said why that will do. */
export function markWith(mark: MarkKind, accepted: Acceptance | null): MarkKind {
  if (!accepted) return mark;
  const isOut = mark === 'tight' || mark === 'loose' || mark === 'cannotTell';
  return accepted.kind === 'unmeasured' ? (mark === 'unmeasured' ? 'accepted' : mark) : isOut ? 'accepted' : mark;
}

/** Rows that are half of a pair. */
const pairedIds = remembered(
  (facts) => [facts.stations],
  ({ stations }): ReadonlySet<string> => new Set(stations.filter((s) => !s.gone).flatMap((s) => [s.boreId, s.journalId].filter((id) => id !== null))),
);

const knownFeature = rememberedOf<Station, FeatureState>();

/** A row with all that is said of it. A page of two thousand works out again only those that something was said of. */
export function featureState(facts: JobFacts, station: Station, kind: FeatureKindName, gone: ReadonlySet<string>): FeatureState {
  const readings = readingsOf(facts, station.id, gone);
  const limit = rowsOf(facts, station.id).limits.findLast((l) => l.inUse);
  const accepted = rowsOf(facts, station.id).acceptances.filter((a) => !gone.has(a.id));
  const isPaired = pairedIds(facts).has(station.id);
  return knownFeature(station, [isPaired, limit, inspectionOf(facts, station), ...readings, null, ...accepted], () =>
    freshFeature(facts, station, kind, readings, isPaired),
  );
}

function freshFeature(facts: JobFacts, station: Station, kind: FeatureKindName, readings: readonly ReadingFact[], isPaired: boolean): FeatureState {
  const places = placesOf(kind, readings);
  const limits = limitInUse(facts, station.id);
  const last = readings[readings.length - 1]?.raw.instrument ?? station.instrument;
  const instrument = asInstrument(last);
  const options = {
    ...(station.newSize === null ? {} : { new: station.newSize }),
    u: Math.hypot(instrument.priorS, instrument.resolution / Math.sqrt(12), instrument.calibrationU),
  };
  const { judgedBy, worn, over } = FEATURES[kind];
  const survey = places.length === 0 ? null : surveyOf(kind, places, options);
  const now = survey ? (judgedBy === 'largest' ? survey.largest : survey.smallest) : null;
  // a big bore is loose; so is a small journal
  const judged =
    now !== null && survey && limits
      ? verdict(estimate(now, survey.u), limits.limits, { moreIs: judgedBy === 'largest' ? 'loose' : 'tight', rule: station.rule })
      : null;
  const accepted = acceptanceOf(facts, station.id, now, limits?.limits ?? null, 2 * (survey?.u ?? 0));
  const inspection = inspectionOf(facts, station);
  return {
    station,
    kind,
    isPaired,
    limits,
    places,
    survey,
    now,
    verdict: judged,
    mark: markWith(now === null ? 'unmeasured' : limits ? markOf(judged) : isPaired ? 'in' : 'cannotTell', accepted),
    word: judged?.place === 'loose' ? worn : judged?.place === 'tight' ? over : null,
    accepted,
    inspection,
    decision: inspection?.decision ?? null,
    unit: last?.unit ?? 'in',
    sum: places.length === 0 ? [] : sumOf(kind, places, options),
  };
}

const sumOf = (kind: FeatureKindName, places: readonly SurveyStation[], options: { new?: Length; u: number }): Sum =>
  kind === 'thickness'
    ? thrustSurveySum({ points: places.flatMap((p) => p.readings), ...(options.new === undefined ? {} : { new: options.new }) })
    : featureSurveySum(kind, places, options);

/** A washer's taper is its thickest less its thinnest, all round; another part's is along it. */
function surveyOf(kind: FeatureKindName, places: readonly SurveyStation[], options: { new?: Length; u: number }): Survey {
  const survey = featureSurvey(kind, places, options);
  return kind === 'thickness' ? { ...survey, taper: thrustSurvey({ points: places.flatMap((p) => p.readings) }).taper } : survey;
}

/** A journal in its bore. The greatest clearance must be under the maximum, and the least over the minimum. */
export function pairState(facts: JobFacts, station: Station, features: ReadonlyMap<string, FeatureState>): PairState {
  const find = (id: string | null): FeatureState | null => (id === null ? null : (features.get(id) ?? null));
  const bore = find(station.boreId);
  const journal = find(station.journalId);
  const limits = limitInUse(facts, station.id);
  const clearance = bore?.survey && journal?.survey ? runningClearance(bore.survey, journal.survey) : null;
  const greatest = clearance && limits ? verdict(estimate(clearance.greatest, clearance.u), limits.limits, { rule: station.rule }) : null;
  const least = clearance && limits ? verdict(estimate(clearance.least, clearance.u), limits.limits, { rule: station.rule }) : null;
  const judged = greatest?.place === 'in' && least?.place === 'tight' ? least : greatest;
  const accepted = acceptanceOf(facts, station.id, clearance?.greatest ?? null, limits?.limits ?? null, 2 * (clearance?.u ?? 0));
  return {
    station,
    limits,
    bore,
    journal,
    clearance,
    verdict: judged,
    mark: markWith(clearance === null ? 'unmeasured' : limits ? markOf(judged) : 'cannotTell', accepted),
    accepted,
    sum: bore?.survey && journal?.survey ? runningClearanceSum(bore.survey, journal.survey) : [],
  };
}
