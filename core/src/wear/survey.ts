import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { meanLength, nanometres, type Length } from '../quantity/index.ts';
import { FEATURES, type FeatureKindName } from './featureKinds.ts';

export interface SurveyStation {
  /** distance along the part, or a name */
  readonly at?: Length | string;
  /** readings in two or more directions */
  readonly readings: readonly Length[];
}

export interface Survey {
  readonly mean: Length;
  /** the largest difference of directions at one station */
  readonly ovality: Length;
  /** last station's mean − the first's */
  readonly taper: Length;
  readonly smallest: Length;
  readonly largest: Length;
  /** positive for metal gone; only where the new size is known */
  readonly wear?: Length;
  /** one standard uncertainty of a reading, nm */
  readonly u: number;
}

export interface SurveyOptions {
  readonly new?: Length;
  readonly u?: number;
}

function survey(stations: readonly SurveyStation[], u: number, mayBeNothing = false): Survey {
  const read = stations.filter((s) => s.readings.length > 0);
  const all = read.flatMap((s) => s.readings);
  if (all.length === 0) refuse('noReadings', 'Nothing has been measured here yet: take a reading.');
  if (all.some((reading) => reading < 0 || (reading === 0 && !mayBeNothing)))
    refuse('notASize', 'A diameter is more than nothing: check the reading.');
  const means = read.map((s) => meanLength(s.readings));
  return {
    mean: meanLength(all),
    ovality: nanometres(Math.max(...read.map((s) => Math.max(...s.readings) - Math.min(...s.readings)))),
    taper: nanometres((means[means.length - 1] ?? 0) - (means[0] ?? 0)),
    smallest: nanometres(Math.min(...all)),
    largest: nanometres(Math.max(...all)),
    u,
  };
}

/**
 * A journal measured at several places and directions. Wear is what is gone from the new size at its smallest.
 *
 * @throws ReckoningError `noReadings`, `notASize`
 * @example journalSurvey([{ readings: [mm(24.98), mm(24.97)] }], { new: mm(25) }).wear // 0.03 mm
 */
export function journalSurvey(stations: readonly SurveyStation[], { new: fresh, u = 0 }: SurveyOptions = {}): Survey {
  const result = survey(stations, u);
  return fresh === undefined ? result : { ...result, wear: nanometres(fresh - result.smallest) };
}

/**
 * A bore measured at several places and directions. Wear is how far its largest has opened from new.
 *
 * @throws ReckoningError `noReadings`, `notASize`
 * @example boreSurvey([{ readings: [mm(25.05), mm(25.03)] }], { new: mm(25) }).wear // 0.05 mm
 */
export function boreSurvey(stations: readonly SurveyStation[], { new: fresh, u = 0 }: SurveyOptions = {}): Survey {
  const result = survey(stations, u);
  return fresh === undefined ? result : { ...result, wear: nanometres(result.largest - fresh) };
}

/**
 * Anything measured on a part, judged by the largest of its readings or by the smallest, as its kind has it.
 *
 * @throws ReckoningError `noReadings`, `notASize`
 * @example featureSurvey('freeLength', [{ readings: [mm(37.4)] }], { new: mm(38) }).wear // 0.6 mm
 */
export function featureSurvey(kind: FeatureKindName, stations: readonly SurveyStation[], { new: fresh, u = 0 }: SurveyOptions = {}): Survey {
  const { judgedBy, mayBeNothing } = FEATURES[kind];
  const result = survey(stations, u, mayBeNothing);
  if (fresh === undefined) return result;
  return { ...result, wear: nanometres(judgedBy === 'largest' ? result.largest - fresh : fresh - result.smallest) };
}

export const featureSurveySum = (kind: FeatureKindName, stations: readonly SurveyStation[], options?: SurveyOptions): Sum =>
  surveySum(featureSurvey(kind, stations, options), FEATURES[kind].judgedBy === 'largest' ? 'largest − new' : 'new − smallest', FEATURES[kind]);

/** What is no diameter has a range and no ovality; what is read at one place, no taper. */
const surveySum = (result: Survey, worn: string, { isRound, places }: { isRound: boolean; places: readonly string[] } = FEATURES.journal): Sum => [
  lengthLine('mean', 'Σ ÷ n', result.mean),
  lengthLine('smallest', '', result.smallest),
  lengthLine('largest', '', result.largest),
  lengthLine(isRound ? 'ovality' : 'range', 'most − least at one place', result.ovality),
  ...(places.length > 1 ? [lengthLine('taper', 'last mean − first', result.taper)] : []),
  ...(result.wear === undefined ? [] : [lengthLine('wear', worn, result.wear)]),
];

export const journalSurveySum = (stations: readonly SurveyStation[], options?: SurveyOptions): Sum =>
  surveySum(journalSurvey(stations, options), 'new − smallest');
export const boreSurveySum = (stations: readonly SurveyStation[], options?: SurveyOptions): Sum =>
  surveySum(boreSurvey(stations, options), 'largest − new');
