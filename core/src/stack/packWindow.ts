import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { closedFloat, nanometres, ZERO, type Length, type Limits } from '../quantity/index.ts';
import { coverageFactor, type Reading } from '../reading/index.ts';
import { checkFactor, reckonableGap, touching } from './requiredPack.ts';
import type { Sense } from './stackGap.ts';

/** Where in the limits to aim. `closesBy`: what is read now must be that much more, because tightening or heat will take it. */
export interface Aim {
  readonly at: 'tight' | 'middle' | 'loose' | 'value';
  readonly value?: Length;
  readonly closesBy?: Length;
}

export interface WindowQuestion {
  /** null where nobody knows what is in: the window is then of the change */
  readonly fittedPack: Length | null;
  readonly measured: Reading;
  readonly limits: Limits;
  readonly aim?: Aim;
  readonly sense: Sense;
  readonly factor?: number;
  /** the system its sentences are told in */
  readonly unit?: 'thou' | 'mm';
}

export interface PackWindow {
  readonly ideal: Length;
  /** the packs that land in the limits, by the value of the reading alone */
  readonly min: Length;
  readonly max: Length;
  /** those that land in them whatever the reading's doubt; null where none can be sure */
  readonly sure: { readonly min: Length; readonly max: Length } | null;
  readonly reachable: boolean;
  readonly because?: string;
}

/** The gap aimed at: least of the limits, their middle, the greatest, or a value; plus what is still to close. */
export function aimedGap(limits: Limits, aim: Aim = { at: 'middle' }): Length {
  const { min, max } = bothLimits(limits);
  const at = { tight: min, middle: (min + max) / 2, loose: max, value: aim.value };
  return nanometres((at[aim.at] ?? refuse('noAim', 'Say which value to aim at.')) + (aim.closesBy ?? 0));
}

function bothLimits(limits: Limits): { min: Length; max: Length } {
  const { min, max } = closedFloat(limits);
  return min === undefined || max === undefined
    ? refuse('oneLimit', 'A pack needs both limits, or it has no end: give the other one.')
    : { min, max };
}

/**
 * The window of packs to buy, lap or cut to: each limit carried back through the reading,
 * pack = fitted + sense·(limit − measured)/|factor|. `sure` has ±U taken off both ends: the window whatever the doubt. A pack is no less
 * than nothing; a change to a pack that nobody knows may be.
 *
 * @throws ReckoningError as requiredPack; `oneLimit`, `noAim`
 * @example packWindow({ fittedPack: thou(28), measured: estimate(thou(24), 0), limits: { min: thou(5), max: thou(8) }, sense: 1 }) // 9 to 12, ideal 10.5
 */
export function packWindow({ fittedPack, measured, limits, aim, sense, factor = 1, unit = 'thou' }: WindowQuestion): PackWindow {
  const size = checkFactor(factor);
  const direction = touching(sense);
  const gap = reckonableGap(measured, unit);
  const least = fittedPack === null ? -Infinity : 0;
  const closesBy = aim?.closesBy ?? ZERO;
  const { min, max } = bothLimits(limits);
  const packFor = (wanted: number): number => (fittedPack ?? 0) + (direction * (wanted - gap)) / size;
  const ends = [packFor(min + closesBy), packFor(max + closesBy)].sort((a, b) => a - b) as [number, number];
  const doubt = measured.kind === 'estimate' ? (coverageFactor(measured.dof) * measured.u) / size : 0;
  const sure = { min: Math.max(least, ends[0] + doubt), max: ends[1] - doubt };
  const window = {
    min: nanometres(Math.max(least, ends[0])),
    max: nanometres(Math.max(least, ends[1])),
    ideal: nanometres(Math.max(least, packFor(aimedGap(limits, aim)))),
  };
  if (ends[1] < least)
    return { ...window, sure: null, reachable: false, because: 'Even with nothing in, it would be outside: take metal off the spacer or the seat.' };
  if (sure.min > sure.max)
    return {
      ...window,
      sure: null,
      reachable: true,
      because: 'The reading’s doubt is wider than the limits: nobody can be sure here. Read it more times, or with something finer.',
    };
  return { ...window, sure: { min: nanometres(sure.min), max: nanometres(sure.max) }, reachable: true };
}

export function packWindowSum(question: WindowQuestion): Sum {
  const { fittedPack, measured, limits, aim, sense, factor = 1 } = question;
  const result = packWindow(question);
  const gap = reckonableGap(measured);
  const target = aimedGap(limits, aim);
  const change = nanometres((sense * (target - gap)) / checkFactor(factor));
  return [
    ...(fittedPack === null ? [] : [lengthLine('pack in now', '', fittedPack)]),
    lengthLine('aim', aim?.closesBy ? 'aim + what will close' : '', target),
    lengthLine('read', '', gap),
    lengthLine(sense > 0 ? 'thicker opens it: aim less read' : 'thicker closes it: read less aim', sense > 0 ? 'aim − read' : 'read − aim', change),
    lengthLine(fittedPack === null ? 'change of the pack, whatever is in' : 'new pack', fittedPack === null ? '' : 'pack + change', result.ideal),
    lengthLine('from', 'for the limits', result.min),
    lengthLine('to', 'for the limits', result.max),
  ];
}
