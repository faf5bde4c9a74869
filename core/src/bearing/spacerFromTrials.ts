import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

/** A solid spacer that was in, how long, and what was read with it: a drag, N·m, or a float, nm. */
export type SpacerTrial = { readonly length: Length } & ({ readonly drag: number } | { readonly gap: Length });

export interface SpacerQuestion {
  /** in the order they were made, the last is what is in */
  readonly trials: readonly SpacerTrial[];
  /** of the float, nm, where floats alone were read; else of the drag, N·m */
  readonly limits: { readonly min: number; readonly max: number };
}

export interface SpacerFromTrials {
  /** to add to the one that is in, nm; less than nothing to take off */
  readonly change: Length;
  /** how long it may be, nm */
  readonly window: { readonly min: Length; readonly max: Length; readonly ideal: Length };
  /** nm a N·m where it was found from drags; null from a float */
  readonly perDrag: number | null;
  readonly cautions: readonly { readonly code: 'beyondTrials' | 'fromFloat'; readonly message: string }[];
}

/**
 * A solid spacer between cones that a nut draws together: how much to take off it or add, from two drags with two lengths of it, from a drag
 * and a float, or from a float alone. Longer is more float, and less drag.
 *
 * @throws ReckoningError `noWindow`, `tooFewTrials`, `wrongWay` where a longer spacer is said to have dragged more
 * Source: a straight line through two trials; longer gives more float, by the stack of cones that are drawn together.
 * @example spacerFromTrials({ trials: [{ length: mm(60), drag: 0.6 }, { length: mm(59.95), drag: 1.6 }], limits: { min: 1.4, max: 2 } }).change // -0.005 mm
 */
export function spacerFromTrials({ trials, limits }: SpacerQuestion): SpacerFromTrials {
  const { min, max } = limits;
  if (!(max >= min)) refuse('noWindow', 'Give the least and the greatest that is wanted.');
  const last = trials.at(-1);
  if (!last) return refuse('tooFewTrials', 'Read it with one spacer in first.');
  if (trials.every((trial) => 'gap' in trial)) return byFloat(last.length, 'gap' in last ? last.gap : last.length, limits);
  const points = trials.map(asDrag);
  const [one, other] = twoOf(points);
  const perDrag = (other.length - one.length) / (other.drag - one.drag);
  if (!(perDrag < 0)) return refuse('wrongWay', 'A longer spacer drags less: look at which trial was which, and read them again.');
  const at = (drag: number): number => one.length + (drag - one.drag) * perDrag;
  const ideal = at((min + max) / 2);
  const [low, high] = [Math.min(one.drag, other.drag), Math.max(one.drag, other.drag)];
  const isBeyond = (min + max) / 2 > high + (high - low) || (min + max) / 2 < low - (high - low);
  return {
    change: nanometres(ideal - last.length),
    window: { min: nanometres(at(max)), max: nanometres(at(min)), ideal: nanometres(ideal) },
    perDrag,
    cautions: [
      ...(isBeyond
        ? [{ code: 'beyondTrials' as const, message: 'That lies well beyond what was tried: go half of the way, and read it again.' }]
        : []),
      ...(points.some(({ isFloat }) => isFloat)
        ? [{ code: 'fromFloat' as const, message: 'Where float ends the drag is taken to begin, from nothing: read it again before the last cut.' }]
        : []),
    ],
  };
}

function byFloat(length: Length, gap: Length, { min, max }: SpacerQuestion['limits']): SpacerFromTrials {
  const at = (wanted: number): Length => nanometres(length + wanted - gap);
  const ideal = at((min + max) / 2);
  return { change: nanometres(ideal - length), window: { min: at(min), max: at(max), ideal }, perDrag: null, cautions: [] };
}

interface DragAt {
  readonly length: number;
  readonly drag: number;
  readonly isFloat: boolean;
}

/** A float says where there is none left: shorter by so much, and the drag begins. */
const asDrag = (trial: SpacerTrial): DragAt =>
  'drag' in trial ? { length: trial.length, drag: trial.drag, isFloat: false } : { length: trial.length - trial.gap, drag: 0, isFloat: true };

/** The last trial, and the last before it of another length. */
function twoOf(points: readonly DragAt[]): readonly [DragAt, DragAt] {
  const last = points.at(-1);
  const before = points.findLast(({ length, drag }) => length !== last?.length && drag !== last?.drag);
  if (!last || !before)
    return refuse('tooFewTrials', 'One drag alone does not say what a shorter spacer does: read it with another length, or read a float.');
  return [before, last];
}

/** The Sum beside {@link spacerFromTrials}. */
export function spacerFromTrialsSum(question: SpacerQuestion): Sum {
  const { change, window } = spacerFromTrials(question);
  return [
    ...question.trials.flatMap((trial) => [
      lengthLine('spacer', '', trial.length),
      'gap' in trial
        ? lengthLine('float with it', '', trial.gap)
        : { label: 'drag with it', expression: '', value: trial.drag, unit: 'N·m' as const },
    ]),
    lengthLine('wanted', 'on the line through them', window.ideal),
    lengthLine(change < 0 ? 'take off' : 'add', '', nanometres(Math.abs(change))),
  ];
}
