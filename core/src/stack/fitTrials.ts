import { refuse } from '../errors.ts';
import { solveLinear } from '../linear.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { estimate, type Bound, type Estimate, type Reading } from '../reading/index.ts';
import { agreeWithForecast } from './agreeWithForecast.ts';
import { normalQuantile } from './simulateStack.ts';

/** A state a shaft is built in: how far its bolts are torqued, which bearing or gasket is in. */
type State = string;

/** How far a gap moves from one state to the next: less than nothing where it closes. */
export interface ClosureStep {
  readonly from: State;
  readonly to: State;
  readonly value: Length;
  /** one standard uncertainty, nm; of one borrowed from a twin, doubled */
  readonly u: number;
}

export interface BuiltTrial {
  readonly state: State;
  /** how much further the pack in would open the gap than that which the prior speaks for, over its coefficient */
  readonly packChange: Length;
  readonly reading: Reading;
}

export interface TrialsQuestion {
  /** the gap by the sum of its parts, in no state yet; null where nobody measured them */
  readonly prior: Estimate | null;
  /** how far a state is from the sum of the parts, and from the state before it, as a rule: one standard deviation, nm */
  readonly closureSpread: number;
  /** how far the gap moves for one of pack, with its sign: held, not fitted */
  readonly coefficient: number;
  /** the states as they come after one another; as the trials have them where it is not said */
  readonly order?: readonly State[];
  /** steps that are known already */
  readonly steps?: readonly ClosureStep[];
}

interface Known {
  readonly value: Length;
  readonly u: number;
}

export interface FittedTrials extends Known {
  /** by state: how far it is from the sum of the parts */
  readonly closures: Readonly<Record<State, Known>>;
  readonly steps: readonly ClosureStep[];
  /** of each trial, what was read less what all of them together say: 0 for a bound that is kept to */
  readonly residuals: readonly Length[];
  /** trials that do not fit the others, and are not averaged away: left out, or both where two differ and none can say which */
  readonly questioned: readonly number[];
  readonly consistent: boolean;
  /** what the packs themselves say the coefficient is; null under two packs */
  readonly coefficient: { readonly value: number; readonly u: number } | null;
}

/** One thing that is known of the unknowns: what `of` them come to, and how well. */
interface Row {
  readonly of: readonly number[];
  readonly value: number;
  readonly u: number;
}

interface Posterior {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
}

/** A doubt of nothing would weigh more than all else. */
const LEAST = 1;
/** A trial is questioned where chance alone would do it once in twenty sets of trials. */
const ONE_IN = 20;
/** Two that differ as much from all else cannot be told apart. */
const TIE = 0.95;
const ROUNDS = 60;

/**
 * What several builds say together: each a gap, in some state of torque, bearing and gasket, with some pack in. What is built is the sum of
 * the parts and a closure that nobody knows beforehand, so that builds outweigh sums; closures are steps from state to state. Weighted least
 * squares with what is known beforehand (Bayes' rule for normal errors, any text on estimation); one-sided readings cut off what the rest
 * say, one at a time until none moves (moment matching).
 *
 * @returns `value` and `u` (nm): the gap as built in the state of the last trial, with the pack that the prior speaks for
 * @throws ReckoningError `noTrials`, `unknownState`; `onlyBounds` where nothing but bounds was read and nothing is known beforehand
 * @example fitTrials({ prior: estimate(thou(3), thou(1)), closureSpread: thou(1.5), coefficient: 1 }, [{ state: 'torqued', packChange: thou(0), reading: estimate(thou(1), thou(0.5)) }]).value // 29029
 */
export function fitTrials(question: TrialsQuestion, trials: readonly BuiltTrial[]): FittedTrials {
  const last = trials.at(-1) ?? refuse('noTrials', 'Nothing was built and read yet.');
  const states = question.order ?? [...new Set(trials.map(({ state }) => state))];
  const at = (state: State): number =>
    states.includes(state) ? states.indexOf(state) : refuse('unknownState', `Nobody said where “${state}” comes among the others.`);
  const unknowns = 1 + states.length;
  /** The gap in a state: the sum of the parts, and every step up to there. */
  const gapIn = (state: State): number[] => Array.from({ length: unknowns }, (_, i) => (i <= 1 + at(state) ? 1 : 0));
  const closureIn = (state: State): number[] => gapIn(state).map((one, i) => (i === 0 ? 0 : one));
  const moved = (trial: BuiltTrial): number => trial.reading.value - question.coefficient * trial.packChange;
  const before = beforehand(question, states);
  const rowOf = (trial: BuiltTrial): Row | null =>
    trial.reading.kind === 'estimate' ? { of: gapIn(trial.state), value: moved(trial), u: Math.max(LEAST, trial.reading.u) } : null;
  const rows = trials.map(rowOf);
  if (question.prior === null && rows.every((row) => row === null))
    refuse('onlyBounds', 'One-sided readings alone say how far a gap goes, and not where it is: read one that has a size.');

  const { questioned, ignored } = asked(before, rows);
  const kept = rows.map((row, i) => (ignored.has(i) ? null : row));
  const cuts = trials.flatMap((trial, index): Cut[] => {
    const { reading, state } = trial;
    return reading.kind === 'estimate' ? [] : [{ index, state, of: gapIn(state), bound: { ...reading, value: nanometres(moved(trial)) } }];
  });
  const { posterior, refused } = cutOff([...before, ...kept.filter((row) => row !== null)], tightest(cuts));
  const known = (of: readonly number[]): Known => ({ value: nanometres(meanOf(posterior, of)), u: sdOf(posterior, of) });
  const residual = (trial: BuiltTrial): Length => {
    const off = moved(trial) - meanOf(posterior, gapIn(trial.state));
    if (trial.reading.kind === 'estimate') return nanometres(off);
    return nanometres(trial.reading.kind === 'atMost' ? Math.min(0, off) : Math.max(0, off));
  };
  const all = [...questioned, ...refused].sort((a, b) => a - b);
  return {
    ...known(gapIn(last.state)),
    closures: Object.fromEntries(states.map((state) => [state, known(closureIn(state))])),
    steps: states.slice(1).map((to, i) => ({ from: states[i] ?? '', to, ...known(unknown(unknowns, 2 + i)) })),
    residuals: trials.map(residual),
    questioned: all,
    consistent: all.length === 0,
    coefficient: coefficientOf(before, trials, kept),
  };
}

const unknown = (many: number, which: number): number[] => Array.from({ length: many }, (_, i) => (i === which ? 1 : 0));

/** What is known before anything is built: the sum of the parts, the first closure, and each step. */
function beforehand({ prior, closureSpread, steps = [] }: TrialsQuestion, states: readonly State[]): Row[] {
  const many = 1 + states.length;
  const spread = Math.max(LEAST, closureSpread);
  const stepTo = (to: State, i: number): Row => {
    const from = i === 0 ? null : states[i - 1];
    const step = steps.find((each) => each.from === from && each.to === to);
    return { of: unknown(many, 1 + i), value: step?.value ?? 0, u: step ? Math.max(LEAST, step.u) : spread };
  };
  return [...(prior ? [{ of: unknown(many, 0), value: prior.value, u: Math.max(LEAST, prior.u) }] : []), ...states.map(stepTo)];
}

/** Least squares, each row by the square of its doubt: the unknowns, and how they vary together. */
function leastSquares(rows: readonly Row[]): Posterior {
  const many = rows[0]?.of.length ?? 0;
  const each = Array.from({ length: many }, (_, i) => i);
  const normal = each.map((i) => [
    ...each.map((j) => rows.reduce((sum, { of, u }) => sum + ((of[i] ?? 0) * (of[j] ?? 0)) / u ** 2, 0)),
    ...unknown(many, i),
    rows.reduce((sum, { of, value, u }) => sum + ((of[i] ?? 0) * value) / u ** 2, 0),
  ]);
  const solved = solveLinear(normal);
  return { mean: solved.map((row) => row[many] ?? 0), covariance: solved.map((row) => row.slice(0, many)) };
}

const meanOf = ({ mean }: Posterior, of: readonly number[]): number => of.reduce((sum, a, i) => sum + a * (mean[i] ?? 0), 0);
const varianceOf = ({ covariance }: Posterior, of: readonly number[]): number =>
  of.reduce((sum, a, i) => sum + a * of.reduce((inner, b, j) => inner + b * (covariance[i]?.[j] ?? 0), 0), 0);
const sdOf = (posterior: Posterior, of: readonly number[]): number => Math.sqrt(Math.max(0, varianceOf(posterior, of)));

/** How far a row lies from what everything else says, in its own doubt and theirs. */
function strangeness(posterior: Posterior, row: Row): number {
  const [mean, variance] = [meanOf(posterior, row.of), varianceOf(posterior, row.of)];
  // with the row taken out of it again
  const rest = 1 / variance - 1 / row.u ** 2;
  if (rest <= 1e-9 / row.u ** 2) return 0;
  const others = (mean / variance - row.value / row.u ** 2) / rest;
  return Math.abs(row.value - others) / Math.sqrt(row.u ** 2 + 1 / rest);
}

/** The trials that do not fit the others: the worst is left out, and the rest looked at again; two that differ alike both stay. */
function asked(before: readonly Row[], rows: readonly (Row | null)[]): { questioned: readonly number[]; ignored: ReadonlySet<number> } {
  const ignored = new Set<number>();
  for (;;) {
    const left = rows.flatMap((row, i) => (row && !ignored.has(i) ? [{ row, i }] : []));
    const limit = normalQuantile(1 - 1 / (2 * ONE_IN * Math.max(1, left.length)));
    const posterior = leastSquares([...before, ...left.map(({ row }) => row)]);
    const strange = left.map(({ row, i }) => ({ i, by: strangeness(posterior, row) })).sort((a, b) => b.by - a.by);
    const [worst, next] = strange;
    if (!worst || worst.by <= limit) return { questioned: [...ignored], ignored };
    const alike = strange.filter(({ by }) => by > limit && by >= worst.by * TIE);
    if (next && alike.length > 1) return { questioned: [...ignored, ...alike.map(({ i }) => i)], ignored };
    ignored.add(worst.i);
  }
}

interface Cut {
  readonly index: number;
  readonly state: State;
  readonly of: readonly number[];
  readonly bound: Bound;
}

/** A bound that another of the same state lies within says nothing more: said twice, it is no value. */
const tightest = (cuts: readonly Cut[]): Cut[] =>
  cuts.filter(
    ({ state, bound }, i) =>
      !cuts.some((other, j) => {
        if (other.state !== state || other.bound.kind !== bound.kind) return false;
        const within = bound.kind === 'atMost' ? bound.value - other.bound.value : other.bound.value - bound.value;
        return within > 0 || (within === 0 && j < i);
      }),
  );

/** What is known, cut off at each bound in turn until none moves it; bounds that everything else lies beyond are refused. */
function cutOff(rows: readonly Row[], cuts: readonly Cut[]): { posterior: Posterior; refused: readonly number[] } {
  const sites = new Map<Cut, { precision: number; pull: number }>();
  const refused = new Set<number>();
  const asRows = (): Row[] =>
    [...sites].flatMap(([{ of }, { precision, pull }]) => (precision > 0 ? [{ of, value: pull / precision, u: 1 / Math.sqrt(precision) }] : []));
  let posterior = leastSquares(rows);
  for (let round = 0; round < ROUNDS; round++) {
    let moved = 0;
    for (const cut of cuts) {
      if (refused.has(cut.index)) continue;
      const site = sites.get(cut) ?? { precision: 0, pull: 0 };
      const variance = varianceOf(posterior, cut.of);
      const precision = 1 / variance - site.precision;
      const mean = (meanOf(posterior, cut.of) / variance - site.pull) / precision;
      const agreed = agreeWithForecast(estimate(nanometres(mean), Math.sqrt(1 / precision)), cut.bound);
      if (!agreed.agree) {
        refused.add(cut.index);
        sites.delete(cut);
      } else {
        const next = { value: agreed.reading.value, precision: 1 / Math.max(LEAST, agreed.reading.u) ** 2 };
        moved = Math.max(moved, Math.abs(next.value - meanOf(posterior, cut.of)));
        sites.set(cut, { precision: Math.max(0, next.precision - precision), pull: next.value * next.precision - mean * precision });
      }
      posterior = leastSquares([...rows, ...asRows()]);
    }
    if (moved < 1) break;
  }
  return { posterior, refused: [...refused] };
}

/** The coefficient as the packs themselves show it: one unknown more. */
function coefficientOf(before: readonly Row[], trials: readonly BuiltTrial[], kept: readonly (Row | null)[]): FittedTrials['coefficient'] {
  const read = trials.flatMap((trial, i) => {
    const row = kept[i];
    return row ? [{ trial, row }] : [];
  });
  if (new Set(read.map(({ trial }) => trial.packChange)).size < 2) return null;
  // in thousandths of a millimetre of pack, so that the unknowns are of a size
  const scale = 1_000;
  const rows = [
    ...before.map((row) => ({ ...row, of: [...row.of, 0] })),
    ...read.map(({ trial, row }) => ({ ...row, value: trial.reading.value, of: [...row.of, trial.packChange / scale] })),
  ];
  const posterior = leastSquares(rows);
  const last = unknown(rows[0]?.of.length ?? 0, (rows[0]?.of.length ?? 1) - 1);
  const variance = varianceOf(posterior, last);
  return Number.isFinite(variance) && variance > 0 ? { value: meanOf(posterior, last) / scale, u: Math.sqrt(variance) / scale } : null;
}
