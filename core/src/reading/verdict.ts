import { closedFloat, describeLength, nanometres, type Length, type Limits } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';
import type { Reading } from './reading.ts';
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
export function verdict(reading: Reading, limits: Limits, { rule = 'plain', moreIs = 'loose', range, unit = 'thou' }: VerdictOptions = {}): Verdict {
  const { min = -Infinity, max = Infinity } = moreIs === 'loose' ? closedFloat(limits) : limits;
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
    return judged('unmeasured', 'cannotTell', null, oneSided(reading.kind, reading.value, unit));
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
  if (2 * expanded >= window) return judged(place, 'cannotTell', chance, tooCoarse(expanded, window, unit));
  return judged(place, 'near', chance, 'It lies within its doubt of a limit: read it again to be surer.');
}

type Unit = NonNullable<VerdictOptions['unit']>;

const tooCoarse = (expanded: number, window: number, unit: Unit): string =>
  `±${describeLength(nanometres(expanded), unit)} is too coarse for limits ${describeLength(nanometres(window), unit)} apart: read it more times, or with something finer.`;

const oneSided = (kind: 'atLeast' | 'atMost', value: Length, unit: Unit): string =>
  kind === 'atLeast'
    ? `At least ${describeLength(value, unit)}: find the feeler that stops.`
    : value === 0
      ? 'No movement is zero float or any preload: put in a known pack that gives float, and read again.'
      : `Under ${describeLength(value, unit)}, or none at all: find the feeler that goes.`;

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
