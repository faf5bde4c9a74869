import type { Acceptance, Decision, Inspection, JobFacts, ReadingFact, Station } from '@elder-cog/contract';
import {
  estimate,
  featureSurvey,
  featureSurveySum,
  FEATURES,
  nanometres,
  runningClearance,
  runningClearanceSum,
  thrustSurvey,
  thrustSurveySum,
  verdict,
  type Bound,
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
import { limitInUse, markOf, nominalInUse, type LimitState, type NominalState } from './gap/index.ts';
import { acceptanceOf, inspectionOf } from './inspections.ts';
import { removedWords } from './journalWords.ts';
import { asInstrument, readingComesTo } from './readingValue.ts';
import { remembered, rememberedOf } from './remember.ts';
import { workedOn, type WorkedOn } from './removals.ts';

export type PlaceRead = SurveyStation & { readonly ids: readonly string[] };

/** What was read of a row until it was measured afresh: before a repair, say. It speaks for what was then. */
export interface EarlierSet {
  readonly places: readonly PlaceRead[];
  readonly now: Length | null;
  /** when the next set was begun, and why */
  readonly until: string;
  readonly why: string;
}

/** One thing measured on a part: its readings by place, and what they come to. */
export interface FeatureState {
  readonly station: Station;
  readonly kind: FeatureKindName;
  /** what was taken off it since it was read: "reamed 2 thou". Left out where nothing was */
  readonly worked?: string;
  /** half of a bush with its journal: with no limit of its own, it is judged by their clearance */
  readonly isPaired: boolean;
  readonly limits: LimitState | null;
  readonly nominal: NominalState | null;
  readonly places: readonly PlaceRead[];
  readonly survey: Survey | null;
  /** what one side alone told, where nothing better was read since */
  readonly bound: Bound | null;
  /** what it measured before it was measured afresh, oldest first */
  readonly earlier: readonly EarlierSet[];
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
  readonly nominal: NominalState | null;
  readonly bore: FeatureState | null;
  readonly journal: FeatureState | null;
  readonly clearance: RunningClearance | null;
  /** at each place both were read at, direction by direction in the order they were read */
  readonly byPlace: readonly { readonly at: string; readonly clearances: readonly Length[] }[];
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  readonly accepted: Acceptance | null;
  readonly sum: Sum;
}

interface SetRead {
  readonly places: readonly PlaceRead[];
  readonly bound: Bound | null;
}

/** The readings of one set, place by place; and what one side alone tells, where it is the last word. */
function setOf(kind: FeatureKindName, readings: readonly ReadingFact[]): SetRead {
  const places = new Map<string, { at: string; readings: Length[]; ids: string[] }>();
  const isSize = (size: Length): boolean => size > 0 || (size === 0 && FEATURES[kind].mayBeNothing);
  let bound: Bound | null = null;
  for (const r of readings) {
    const at = r.raw.at ?? '';
    const place = places.get(at) ?? { at, readings: [], ids: [] };
    const read = readingComesTo(r.raw);
    if (read && !read.drifted) {
      const { values, reading } = read;
      // feelers either side of a float give its middle; one side alone, a bound
      bound = reading.kind === 'estimate' ? null : reading;
      place.readings.push(...(reading.kind === 'estimate' ? values : []).filter(isSize));
    }
    place.ids.push(r.id);
    places.set(at, place);
  }
  return { places: [...places.values()].filter((p) => p.readings.length > 0), bound };
}

/** The readings of a row, each set by itself: a reading that begins a new one stands first in it, and one that is the first since it was worked on. */
function setsOf(readings: readonly ReadingFact[], begins: ReadonlySet<string>): ReadingFact[][] {
  const sets: ReadingFact[][] = [[]];
  for (const reading of readings) {
    const isNew = reading.raw.newSet !== undefined || begins.has(reading.id);
    if (isNew && sets.at(-1)?.length !== 0) sets.push([]);
    sets.at(-1)?.push(reading);
  }
  return sets;
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
  const worked = workedOn(facts, station.id);
  return knownFeature(station, [isPaired, limit, inspectionOf(facts, station), ...readings, null, ...accepted, null, ...worked.removals], () =>
    freshFeature(facts, station, kind, { all: readings, isPaired, worked }),
  );
}

interface RowRead {
  readonly all: readonly ReadingFact[];
  readonly isPaired: boolean;
  readonly worked: WorkedOn;
}

function freshFeature(facts: JobFacts, station: Station, kind: FeatureKindName, { all, isPaired, worked }: RowRead): FeatureState {
  const sets = setsOf(all, worked.begins);
  const readings = sets.at(-1) ?? [];
  const { places, bound } = setOf(kind, readings);
  const limits = sizeLimits(kind, limitInUse(facts, station.id));
  const last = readings.at(-1)?.raw.instrument ?? station.instrument;
  const instrument = asInstrument(last);
  const options = {
    ...(station.newSize === null ? {} : { new: station.newSize }),
    u: Math.hypot(instrument.priorS, instrument.resolution / Math.sqrt(12), instrument.calibrationU),
  };
  const { worn, over } = FEATURES[kind];
  const survey = places.length === 0 ? null : surveyOf(kind, places, options);
  const now = judgedSize(kind, survey);
  const judged = limits ? judgeFeature(station, kind, { survey, bound, limits }) : null;
  const accepted = acceptanceOf(facts, station.id, now, limits?.limits ?? null, 2 * (survey?.u ?? 0));
  const inspection = inspectionOf(facts, station);
  const isRead = now !== null || bound !== null;
  const isStale = isRead && worked.since !== null;
  const mark = !isRead ? 'unmeasured' : limits ? markOf(judged) : isPaired ? 'in' : 'cannotTell';
  return {
    station,
    kind,
    ...(isStale ? { worked: worked.since } : {}),
    isPaired,
    limits,
    nominal: nominalInUse(facts, station.id),
    places,
    survey,
    bound,
    earlier: sets.slice(0, -1).map((set, i) => earlierSet(kind, set, { next: sets[i + 1]?.[0], worked })),
    now,
    verdict: isStale ? null : judged,
    mark: isStale ? 'stale' : markWith(mark, accepted),
    word: isStale ? null : judged?.place === 'loose' ? worn : judged?.place === 'tight' ? over : null,
    accepted,
    inspection,
    decision: inspection?.decision ?? null,
    unit: last?.unit ?? 'in',
    sum: places.length === 0 ? [] : sumOf(kind, places, options),
  };
}

const judgedSize = (kind: FeatureKindName, survey: Survey | null): Length | null =>
  survey && (FEATURES[kind].judgedBy === 'largest' ? survey.largest : survey.smallest);

function earlierSet(
  kind: FeatureKindName,
  readings: readonly ReadingFact[],
  { next, worked }: { readonly next: ReadingFact | undefined; readonly worked: WorkedOn },
): EarlierSet {
  const { places } = setOf(kind, readings);
  const survey = places.length === 0 ? null : featureSurvey(kind, places);
  return { places, now: judgedSize(kind, survey), until: next?.takenAt ?? '', why: next?.raw.newSet ?? worked.removals.map(removedWords).join(', ') };
}

/** A lone maximum is kept as from nothing up; nothing is no end of a size. */
function sizeLimits(kind: FeatureKindName, inUse: LimitState | null): LimitState | null {
  const max = inUse?.limits.max;
  return inUse?.limits.min === 0 && max !== undefined && !FEATURES[kind].mayBeNothing ? { ...inUse, limits: { max } } : inUse;
}

/** Both ends of what was measured, by both ends of the limits: a big bore is loose and a small one tight; a small journal is loose. */
function judgeFeature(
  station: Station,
  kind: FeatureKindName,
  { survey, bound, limits }: { readonly survey: Survey | null; readonly bound: Bound | null; readonly limits: LimitState },
): Verdict | null {
  const options = { moreIs: FEATURES[kind].judgedBy === 'largest' ? ('loose' as const) : ('tight' as const), rule: station.rule };
  if (bound) return verdict(bound, limits.limits, options);
  if (!survey) return null;
  const of = (size: Length): Verdict => verdict(estimate(size, survey.u), limits.limits, options);
  const [largest, smallest] = [of(survey.largest), of(survey.smallest)];
  return FEATURES[kind].judgedBy === 'largest' ? bothEnds(largest, smallest) : bothEnds(smallest, largest);
}

const SURETY: readonly Verdict['sure'][] = ['cannotTell', 'near', 'sure'];

/** One verdict of two ends: whichever is out, the worn end first; where both are in, the less sure of the two, and the lesser chance. */
function bothEnds(worn: Verdict, other: Verdict): Verdict {
  if (worn.place !== 'in') return worn;
  if (other.place !== 'in') return other;
  const less = SURETY.indexOf(other.sure) < SURETY.indexOf(worn.sure) ? other : worn;
  const chances = [worn.probabilityIn, other.probabilityIn].filter((chance) => chance !== null);
  return { ...less, probabilityIn: chances.length === 2 ? Math.min(...chances) : null };
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
  const judged = greatest && least ? bothEnds(greatest, least) : null;
  const isStale = clearance !== null && (bore?.worked !== undefined || journal?.worked !== undefined);
  const accepted = acceptanceOf(facts, station.id, clearance?.greatest ?? null, limits?.limits ?? null, 2 * (clearance?.u ?? 0));
  return {
    station,
    limits,
    nominal: nominalInUse(facts, station.id),
    bore,
    journal,
    clearance,
    byPlace: clearanceByPlace(bore, journal),
    verdict: isStale ? null : judged,
    mark: isStale ? 'stale' : markWith(clearance === null ? 'unmeasured' : limits ? markOf(judged) : 'cannotTell', accepted),
    accepted,
    sum: bore?.survey && journal?.survey ? runningClearanceSum(bore.survey, journal.survey) : [],
  };
}

/** Bore less journal at each place, each direction with its own: the first across with the first across. */
function clearanceByPlace(bore: FeatureState | null, journal: FeatureState | null): PairState['byPlace'] {
  return (bore?.places ?? []).flatMap((place) => {
    const mate = journal?.places.find((each) => each.at === place.at);
    if (!mate) return [];
    const directions = Math.min(place.readings.length, mate.readings.length);
    const clearances = Array.from({ length: directions }, (_, i) => nanometres((place.readings[i] ?? 0) - (mate.readings[i] ?? 0)));
    return [{ at: String(place.at ?? ''), clearances }];
  });
}
