import { refuse } from '../errors.ts';
import { solveLinear } from '../linear.ts';
import { repeatsOf, studentCdf, type Estimate } from '../reading/index.ts';
import type { Sum } from '../sum.ts';

/** One step: how far the nut was turned since the step before, and the drag after it, N·m; null where nobody has read it yet. */
export interface SleeveStep {
  readonly degrees: number;
  readonly drag: number | null;
}

export interface CrushSleeveQuestion {
  /** N·m: both ends of the window */
  readonly limits: { readonly min: number; readonly max: number };
  /** the first is the drag with the float just gone, at no turn */
  readonly steps: readonly SleeveStep[];
  /** the least that can be told apart on what the drag is read with, N·m */
  readonly division: number;
}

export interface CrushSleeveLog {
  /** `read`: the last turn has not been read; `go`: the next turn; `done`: stop here; `past`: it is over the most, and nothing puts it back */
  readonly state: 'read' | 'go' | 'done' | 'past';
  /** the turn to make, what the drag will then be, and the chance that it is over the most */
  readonly next?: { readonly degrees: number; readonly forecast: Estimate<number>; readonly chanceOver: number };
  /** the drag at which to stop, N·m: the most, less what a reading may be wrong by */
  readonly stop: number;
  /** what the drag is now by all of its readings, N·m; null where none is there */
  readonly now: Estimate<number> | null;
  /** how much a degree adds here, N·m; null before the second reading */
  readonly perDegree: number | null;
}

/** The first turn: a quarter of a flat. No turn is longer than half a flat, nor than half as long again as the last. Common practice. */
const FIRST = 15;
const LONGEST = 30;
const LONGER = 1.5;
/** A nut is turned on so far as it is meant to be within so much of it. */
const TURN_SCATTER = 0.05;
/** The last few readings say how the drag rises; older ones, what the sleeve was like before it gave. */
const LOOKED_AT = 4;
/** How much the rise may bend over those readings, in shares of it; and that it rather steepens than not. */
const BEND = 1;
const STEEPENS = 0.2;
/** A turn is made so short that this many deviations of doubt still end under the stop. */
const CAREFUL = 3;
/** Surely in by so many deviations at the near end. */
const SURELY_IN = 1.3;

/**
 * Drawing up a crush sleeve, or a staked nut, turn by turn, so that following it does not pass the most: from what the last few turns did,
 * how far to turn next, what the drag will be, and when to stop.
 *
 * @param question drags in N·m, not less than nothing; turns in degrees, onward, whole or not
 * @throws ReckoningError `noWindow`, `notADivision`, `notATurn`
 * Source: our own (least squares on a bent line, with a little known beforehand of how it bends); what it keeps is simulated in the tests.
 * @example crushSleeveLog({ limits: { min: 2, max: 2.7 }, steps: [{ degrees: 0, drag: 0.1 }], division: 0.05 }).next.degrees // 15
 */
export function crushSleeveLog({ limits, steps, division }: CrushSleeveQuestion): CrushSleeveLog {
  const { min, max } = limits;
  if (!(min >= 0 && max > min)) refuse('noWindow', 'A sleeve is drawn up to a window: give its least and its greatest drag.');
  if (!(division > 0)) refuse('notADivision', 'Give the least that can be told apart on what the drag is read with.');
  if (steps.some(({ degrees, drag }) => !(degrees >= 0) || (drag !== null && !(drag >= 0))))
    refuse('notATurn', 'A sleeve is only drawn on: turns are onward, and a drag is not less than nothing.');
  const { u } = repeatsOf([0], { resolution: division, calibrationU: 0 });
  const stop = max - 2 * u;
  const curve = curveOf(steps, u);
  const told = { stop, now: curve?.now ?? null, perDegree: curve?.perDegree ?? null };
  const last = steps.at(-1);
  if (last === undefined || last.drag === null || curve === null) return { ...told, state: 'read' };
  if (last.drag > max) return { ...told, state: 'past' };
  const { now } = curve;
  if (now.value - SURELY_IN * now.u >= min || now.value >= stop) return { ...told, state: 'done' };
  const most = Math.min(LONGEST, last.degrees > 0 ? Math.max(1, LONGER * last.degrees) : FIRST);
  const degrees = turnFor(curve, { most, aim: (min + max) / 2, stop: max - u / 2 });
  // where even one degree might be too much, what is there is taken
  if (degrees === 0 && now.value >= min) return { ...told, state: 'done' };
  const turn = Math.max(1, degrees);
  const forecast = curve.after(turn);
  return { ...told, state: 'go', next: { degrees: turn, forecast, chanceOver: chanceOver(forecast, max) } };
}

/**
 * What the drag was to be after a turn that was made, by the steps before it; null where they do not say yet how it rises.
 *
 * @param question its steps up to that turn, all of them read; `degrees` onward
 * @example forecastTurn({ steps: [{ degrees: 0, drag: 0.1 }, { degrees: 15, drag: 0.4 }], division: 0.01, degrees: 15 }).value // 0.8200…
 */
export function forecastTurn({
  steps,
  division,
  degrees,
}: Pick<CrushSleeveQuestion, 'steps' | 'division'> & { readonly degrees: number }): Estimate<number> | null {
  const curve = curveOf(steps, repeatsOf([0], { resolution: division, calibrationU: 0 }).u);
  return curve === null || curve.perDegree === null ? null : curve.after(degrees);
}

const chanceOver = ({ value, u, dof = Infinity }: Estimate<number>, max: number): number =>
  Math.round(studentCdf((value - max) / u, dof) * 1e6) / 1e6;

/** How the drag rises with the turn, by the last few readings. */
interface Curve {
  readonly now: Estimate<number>;
  readonly perDegree: number | null;
  /** what it will be so many degrees on */
  readonly after: (degrees: number) => Estimate<number>;
}

/** The longest turn, in whole degrees, that ends no farther than the aim and surely under the stop. */
function turnFor(curve: Curve, { most, aim, stop }: { readonly most: number; readonly aim: number; readonly stop: number }): number {
  if (curve.perDegree === null) return Math.floor(most);
  let degrees = 0;
  while (degrees + 1 <= most) {
    const { value, u } = curve.after(degrees + 1);
    if (value > aim || value + CAREFUL * u > stop) break;
    degrees += 1;
  }
  return degrees;
}

function curveOf(steps: readonly SleeveStep[], u: number): Curve | null {
  let turned = 0;
  const read = steps.flatMap(({ degrees, drag }) => {
    turned += degrees;
    return drag === null ? [] : [{ at: turned, drag }];
  });
  const last = read.at(-1);
  if (!last) return null;
  const used = read.slice(-LOOKED_AT);
  const [first] = used;
  const span = last.at - (first?.at ?? last.at);
  if (span === 0) {
    const now = { kind: 'estimate', value: last.drag, u } as const;
    return { now, perDegree: null, after: () => ({ ...now, u: Infinity }) };
  }
  const rise = Math.max(2 * u, Math.abs(last.drag - (first?.drag ?? 0)));
  return bent(
    used.map(({ at, drag }) => ({ z: (at - last.at) / span, drag })),
    { u, span, rise },
  );
}

/** A bent line a + b·z + c·z² through drags at turns z, with its doubt; z = 0 is now and −1 the first that is looked at. */
function bent(
  points: readonly { readonly z: number; readonly drag: number }[],
  { u, span, rise }: { readonly u: number; readonly span: number; readonly rise: number },
): Curve {
  const weight = 1 / u ** 2;
  const beforehand = 1 / (BEND * rise) ** 2;
  const powers = (z: number): readonly [number, number, number] => [1, z, z * z];
  const normal = [0, 1, 2].map((row) => {
    const sums = [0, 1, 2].map((column) => points.reduce((sum, { z }) => sum + weight * (powers(z)[row] ?? 0) * (powers(z)[column] ?? 0), 0));
    const right = points.reduce((sum, { z, drag }) => sum + weight * (powers(z)[row] ?? 0) * drag, 0);
    return {
      sums: row === 2 ? [...sums.slice(0, 2), (sums[2] ?? 0) + beforehand] : sums,
      right: row === 2 ? right + beforehand * STEEPENS * rise : right,
    };
  });
  const identity = [0, 1, 2].map((row) => [0, 1, 2].map((column) => (row === column ? 1 : 0)));
  const solved = solveLinear(normal.map(({ sums, right }, row) => [...sums, right, ...(identity[row] ?? [])]));
  const [a = 0, b = 0, c = 0] = solved.map(([value = 0]) => value);
  const spread = solved.map((row) => row.slice(1));
  const at = (degrees: number): Estimate<number> => {
    const z = degrees / span;
    const p = powers(z);
    const variance = p.reduce((sum, pi, i) => sum + p.reduce((inner, pj, j) => inner + pi * pj * (spread[i]?.[j] ?? 0), 0), 0);
    const slope = Math.max(0, (b + 2 * c * z) / span);
    return { kind: 'estimate', value: Math.max(0, a + b * z + c * z * z), u: Math.hypot(Math.sqrt(variance), TURN_SCATTER * degrees * slope) };
  };
  return { now: at(0), perDegree: b / span, after: at };
}

/** The Sum beside {@link crushSleeveLog}: where it stands, the turn, and where that will end. */
export function crushSleeveLogSum(question: CrushSleeveQuestion): Sum {
  const { next, now, perDegree, stop } = crushSleeveLog(question);
  const turned = question.steps.reduce((sum, { degrees }) => sum + degrees, 0);
  return [
    ...(now ? [{ label: `now, at ${turned}°`, expression: 'by its last readings', value: now.value, unit: 'N·m' as const }] : []),
    ...(perDegree === null ? [] : [{ label: 'a degree adds', expression: 'from the log', value: perDegree, unit: 'N·m' as const }]),
    ...(next
      ? [
          { label: 'turn', expression: '', value: next.degrees, unit: '°' as const },
          ...(Number.isFinite(next.forecast.u)
            ? [{ label: 'expect', expression: 'along the bent line', value: next.forecast.value, unit: 'N·m' as const }]
            : []),
        ]
      : []),
    { label: 'stop at', expression: 'the most, less twice the doubt of a reading', value: stop, unit: 'N·m' },
  ];
}
