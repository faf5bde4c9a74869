import { refuse } from '../errors.ts';
import { describeLength, nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { estimate, type Reading } from './reading.ts';

type Blades = Length | readonly Length[];

export interface FeelerTry {
  /** what goes in: a blade, or blades stacked */
  readonly goes?: Blades;
  /** what does not */
  readonly stops?: Blades;
  /** standard uncertainty of one blade, nm; blades of one set are wrong together, so it adds over a stack */
  readonly bladeU?: number;
  /** the system its sentences are told in */
  readonly unit?: 'thou' | 'mm';
}

const list = (blades: Blades): readonly Length[] => (typeof blades === 'number' ? [blades] : blades);
/** Blades put in together, as one thickness. */
export const bladesTotal = (blades: Blades): Length => nanometres(list(blades).reduce<number>((sum, b) => sum + b, 0));

/**
 * What feelers say of a gap. Both sides: the middle, with the standard uncertainty of anything between (width/√12,
 * a rectangular distribution, JCGM 100 4.3.7). One side only is a bound: "the 8 will not go" also fits no float at
 * all, and preload.
 *
 * @throws ReckoningError `nothingTried`, `feelersCrossed`
 * @example feelerBracket({ goes: thou(9), stops: thou(10) }) // estimate 9.5 thou, u 0.289 thou
 */
export function feelerBracket({ goes, stops, bladeU = 0, unit = 'thou' }: FeelerTry): Reading {
  if (goes === undefined && stops === undefined) refuse('nothingTried', 'Say which feeler goes, which stops, or both: goes 9 stops 10.');
  if (goes === undefined) return { kind: 'atMost', value: bladesTotal(stops ?? []) };
  if (stops === undefined) return { kind: 'atLeast', value: bladesTotal(goes) };
  const low = bladesTotal(goes);
  const high = bladesTotal(stops);
  if (low >= high)
    refuse(
      'feelersCrossed',
      `A feeler of ${describeLength(low, unit)} cannot go where ${describeLength(high, unit)} stops: look again which was which.`,
    );
  const blades = bladeU * Math.max(list(goes).length, list(stops).length);
  return estimate(nanometres((low + high) / 2), Math.hypot((high - low) / Math.sqrt(12), blades));
}

/** What to try next when only one side was found, in plain words; undefined when both were. */
export function nextFeeler({ goes, stops, unit = 'thou' }: FeelerTry): string | undefined {
  if (goes !== undefined && stops === undefined) return `${describeLength(bladesTotal(goes), unit)} or more: try a thicker one until it stops.`;
  if (stops !== undefined && goes === undefined)
    return `Under ${describeLength(bladesTotal(stops), unit)}, or no float at all: try a thinner one until it goes.`;
  return undefined;
}

export function feelerBracketSum(tried: FeelerTry): Sum {
  const { goes, stops } = tried;
  return [
    ...(goes === undefined ? [] : [lengthLine('goes', list(goes).length > 1 ? 'Σ' : '', bladesTotal(goes))]),
    ...(stops === undefined ? [] : [lengthLine('stops', list(stops).length > 1 ? 'Σ' : '', bladesTotal(stops))]),
    lengthLine('gap', goes === undefined ? 'at most' : stops === undefined ? 'at least' : '(goes + stops) ÷ 2', feelerBracket(tried).value),
  ];
}
