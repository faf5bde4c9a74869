import { refuse } from '../errors.ts';
import { describeLength, nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

/** How something is taken off. Honing opens a bore; the others make a part thinner, shorter or smaller. */
export const REMOVING = ['lap', 'face', 'turn', 'hone'] as const;
export type Removing = (typeof REMOVING)[number];

/** One pass: how much of it (strokes, seconds, cuts), and what was read after it; null where nobody has yet. */
export interface RemovalPass {
  readonly effort: number;
  readonly reading: Length | null;
}

export interface RemovalQuestion {
  /** as it was read before the first pass, nm */
  readonly from: Length;
  /** what lands, nm; the plan goes for `ideal`, or the middle where none is said */
  readonly window: { readonly min: Length; readonly max: Length; readonly ideal?: Length };
  /** what one unit of effort usually takes off, nm; null where nobody knows */
  readonly rate: number | null;
  /** one standard uncertainty of a reading, nm */
  readonly u: number;
  readonly process: Removing;
  readonly log: readonly RemovalPass[];
}

export interface RemovalPlan {
  /** `go`: make the pass; `measure`: the last pass has not been read; `done`; `past`: it is over the far side, and nothing puts it back */
  readonly state: 'go' | 'measure' | 'done' | 'past';
  /** the pass to make, and what it will leave if it takes what it has taken so far */
  readonly next?: { readonly effort: number; readonly leaves: Length };
  /** what one unit of effort has taken off, all passes together, nm; the usual one before the first; null where there is neither */
  readonly rate: number | null;
  /** what is still to come off, to the aim, nm */
  readonly toGo: Length;
}

/** Of what is left, a pass takes so much at the highest rate it can credibly have. */
const SHARE = 0.6;
/** The first pass is reckoned as though it cut so many times what is usual. */
const FIRST = 4;
/** A pass is never longer than so many of the last. */
const LONGER = 3;
/** One pass may cut so much more than all of them did, over the root of how many there were. */
const SCATTER = 0.6;
/** The first pass where nobody knows what one takes. Common practice: ten strokes, and measure. */
const TRIED = 10;

/**
 * Taking off to size, pass by pass, so that it cannot be overshot by following it: a pass takes six tenths of what is left at the highest
 * rate that is credible, which is learned from what came off so far. Done when it is surely inside.
 *
 * @param question lengths in nm; effort in strokes, seconds or cuts, all of one kind, more than nothing
 * @throws ReckoningError `badWindow`, `notAPass`, `notAnUncertainty`
 * Source: our own; what it keeps is simulated in the tests.
 * @example removalPlan({ from: thou(12), window: { min: thou(9), max: thou(12), ideal: thou(10.5) }, rate: 317.5, u: 1500, process: 'lap', log: [] }).next.effort // 18
 */
export function removalPlan(question: RemovalQuestion): RemovalPlan {
  const { window, u, log, process } = question;
  const ideal = aimOf(window);
  if (!(window.min <= ideal && ideal <= window.max && window.min > 0))
    refuse('badWindow', 'The size wanted lies between the ends of its window, and is more than nothing.');
  if (!(u >= 0)) refuse('notAnUncertainty', 'The doubt of a reading is not less than nothing.');
  if (log.some(({ effort }) => !(effort > 0))) refuse('notAPass', 'A pass is so many strokes, more than none.');
  // honing is lapping in a mirror: what is left is measured toward the aim either way
  const way = process === 'hone' ? -1 : 1;
  const far = process === 'hone' ? window.max : window.min;
  const near = process === 'hone' ? window.min : window.max;
  const last = log.at(-1);
  const read = [question.from, ...log.flatMap(({ reading }) => (reading === null ? [] : [reading]))];
  const reading = read.at(-1) ?? question.from;
  const left = way * (reading - ideal);
  const { pooled, credible } = ratesOf(question, way);
  const plan = { rate: pooled, toGo: nanometres(left) };
  if (last?.reading === null) return { ...plan, state: 'measure' };
  if (way * (reading - far) < 0) return { ...plan, state: 'past' };
  if (way * (near - reading) >= 2 * u) return { ...plan, state: 'done' };
  const effort = effortOf({ left, credible, last: last?.effort ?? null });
  return { ...plan, state: 'go', next: { effort, leaves: nanometres(reading - way * (pooled ?? 0) * effort) } };
}

const aimOf = ({ min, max, ideal }: RemovalQuestion['window']): Length => ideal ?? nanometres(Math.round((min + max) / 2));

/** What a unit of effort has taken, all passes together; and the most it may credibly take in the next. */
function ratesOf({ from, log, rate, u }: RemovalQuestion, way: 1 | -1): { pooled: number | null; credible: number | null } {
  const passes = log.filter((pass) => pass.reading !== null);
  const effort = passes.reduce((sum, pass) => sum + pass.effort, 0);
  const after = passes.at(-1)?.reading ?? null;
  if (after === null) return { pooled: rate, credible: rate === null ? null : FIRST * rate };
  const pooled = Math.max(0, (way * (from - after)) / effort);
  // two readings make a difference
  const doubt = (Math.SQRT2 * u) / effort;
  return { pooled, credible: (pooled + 3 * doubt) * (1 + SCATTER / Math.sqrt(passes.length)) };
}

function effortOf({ left, credible, last }: { left: number; credible: number | null; last: number | null }): number {
  const most = last === null ? Infinity : LONGER * last;
  if (credible === null) return TRIED;
  if (credible === 0) return Math.min(most, (last ?? TRIED) * LONGER);
  // whole strokes, and at least one: a part of a stroke is none
  return Math.max(1, Math.floor(Math.min(most, (SHARE * left) / credible)));
}

/** The Sum beside {@link removalPlan}. */
export function removalPlanSum(question: RemovalQuestion): Sum {
  const { next, rate, toGo } = removalPlan(question);
  const reading = question.log.reduce<Length>((at, pass) => pass.reading ?? at, question.from);
  return [
    lengthLine('read', '', reading),
    lengthLine('wanted', question.process === 'hone' ? '' : '−', aimOf(question.window)),
    lengthLine('to go', '', toGo),
    ...(rate === null ? [] : [lengthLine('one takes', 'all that came off ÷ all that was done', rate)]),
    ...(next ? [{ label: 'next pass', expression: `6/10 of what is left, at the most one may take`, value: next.effort, unit: '' as const }] : []),
    ...(next && rate !== null ? [lengthLine('leaves about', `${describeLength(reading, 'thou')} − passes`, next.leaves)] : []),
  ];
}
