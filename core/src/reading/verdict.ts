import { closedFloat, describeLength, nanometres, type Ends, type Length, type Limits } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';
import type { Bound, Reading } from './reading.ts';
import { coverageFactor, studentCdf } from './student.ts';

export type Placed = 'in' | 'tight' | 'loose' | 'unmeasured';
export type Surety = 'sure' | 'near' | 'cannotTell';
export type MoreIs = 'loose' | 'tight';

export interface Verdict {
  readonly place: Placed;
  readonly sure: Surety;
  /** chance that the true value is inside the limits, to a millionth; null where the reading is only a bound */
  readonly probabilityIn: number | null;
  readonly accepted: boolean;
  /** one plain sentence where it is not simply sure */
  readonly because?: string;
}

export interface VerdictOptions {
  /** *plain*: accepted when in; *guarded*: accepted when in and sure (JCGM 106) */
  readonly rule?: 'plain' | 'guarded';
  /** which way is loose: a high float, clearance or backlash (the default), or a low torque or drag */
  readonly moreIs?: MoreIs;
  /** range of the readings the estimate was made of, nm */
  readonly range?: Length;
  /** the system its sentences are told in */
  readonly unit?: 'thou' | 'mm';
}

/**
 * Judges a reading by its limits: where it is, and how sure that is. A value on a limit is in. The expanded interval
 * is ±U, U = k(dof)·u (JCGM 106: decision rules). `cannotTell` only where a limit is reached: by a reading, and they spread as wide as
 * the window; by ±U, and that is as wide; or by a one-sided reading that spans it. A lone maximum on a float means 0 to that.
 *
 * @example verdict(estimate(thou(24), 6000), { min: thou(5), max: thou(8) }).place // 'loose'
 */
export function verdict(reading: Reading, limits: Limits, { moreIs = 'loose', range, unit = 'thou', rule = 'plain' }: VerdictOptions = {}): Verdict {
  const say = (length: number): string => describeLength(nanometres(length), unit);
  const oneSided = (bound: Bound<number>): string => boundWords(bound, say);
  return judge(reading, moreIs === 'loose' ? closedFloat(limits) : limits, {
    moreIs,
    rule,
    say,
    oneSided,
    ...(range === undefined ? {} : { range }),
  });
}

/** How any reading is judged: what is over its limits, what is accepted, and how its figures are said. */
export interface Judging {
  readonly moreIs: MoreIs;
  readonly rule: 'plain' | 'guarded';
  /** a figure with its unit */
  readonly say: (value: number) => string;
  /** what to do where one side alone tells nothing */
  readonly oneSided: (bound: Bound<number>) => string;
  /** of the readings the estimate was made of */
  readonly range?: number;
}

/**
 * As {@link verdict}, of anything in the unit of its limits, which are taken as they stand: a lone maximum has no minimum.
 *
 * @example judge({ kind: 'estimate', value: 1.6, u: 0.01 }, { min: 2, max: 2.7 }, { moreIs: 'tight', rule: 'plain', say: String, oneSided: String }).place // 'loose'
 */
export function judge(
  reading: Reading<number>,
  { min = -Infinity, max = Infinity }: Ends<number>,
  { moreIs, rule, say, oneSided, range }: Judging,
): Verdict {
  const over = moreIs === 'loose' ? 'loose' : 'tight';
  const under = moreIs === 'loose' ? 'tight' : 'loose';
  const accept = (place: Placed, sure: Surety): boolean => place === 'in' && (rule === 'plain' || sure === 'sure');
  const judged = (place: Placed, sure: Surety, probabilityIn: number | null, because?: string): Verdict => ({
    place,
    sure,
    probabilityIn: probabilityIn === null ? null : Math.round(probabilityIn * 1e6) / 1e6,
    accepted: accept(place, sure),
    ...(because === undefined ? {} : { because }),
  });

  if (reading.kind !== 'estimate') {
    const [low, high] = reading.kind === 'atLeast' ? [reading.value, Infinity] : [-Infinity, reading.value];
    if (low > max) return judged(over, 'sure', 0);
    if (high < min) return judged(under, 'sure', 0);
    if (low >= min && high <= max) return judged('in', 'sure', 1);
    return judged('unmeasured', 'cannotTell', null, oneSided(reading));
  }

  const { value, u, dof } = reading;
  const place: Placed = value > max ? over : value < min ? under : 'in';
  const expanded = coverageFactor(dof) * u;
  const chance = u > 0 ? studentCdf((max - value) / u, dof ?? Infinity) - studentCdf((min - value) / u, dof ?? Infinity) : place === 'in' ? 1 : 0;
  const window = max - min;
  const reaches = (limit: number, far: number): boolean => value - far < limit && value + far > limit;
  const crosses = (limit: number): boolean => reaches(limit, expanded);
  // no reading lies farther from the mean than the range of them all
  const isSpread = range !== undefined && window > 0 && range >= window && (reaches(min, range) || reaches(max, range));
  if (isSpread) return judged(place, 'cannotTell', chance, 'The readings spread as wide as the limits: measure again.');
  if (!crosses(min) && !crosses(max)) return judged(place, 'sure', chance);
  if (2 * expanded >= window) return judged(place, 'cannotTell', chance, tooCoarse(say(expanded), say(window)));
  return judged(place, 'near', chance, 'It lies within its doubt of a limit: read it again to be surer.');
}

const tooCoarse = (either: string, window: string): string =>
  `±${either} is too coarse for limits ${window} apart: read it more times, or with something finer.`;

const boundWords = ({ kind, value }: Bound<number>, say: Judging['say']): string =>
  kind === 'atLeast'
    ? `At least ${say(value)}: find the feeler that stops.`
    : value === 0
      ? 'No movement is zero float or any preload: put in a known pack that gives float, and read again.'
      : `Under ${say(value)}, or none at all: find the feeler that goes.`;

/** What a verdict weighed: the limits, the value, and how far either side of it the truth may lie. */
export function verdictSum(reading: Reading, limits: Limits): Sum {
  const { min, max } = closedFloat(limits);
  return [
    ...(min === undefined ? [] : [lengthLine('least allowed', '', min)]),
    ...(max === undefined ? [] : [lengthLine('greatest allowed', '', max)]),
    lengthLine({ estimate: 'read', atLeast: 'read, at least', atMost: 'read, at most' }[reading.kind], '', reading.value),
    ...(reading.kind === 'estimate' ? [lengthLine('either side', 'k · u', nanometres(coverageFactor(reading.dof) * reading.u))] : []),
  ];
}
