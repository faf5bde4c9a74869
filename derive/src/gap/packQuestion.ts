import type { Station } from '@elder-cog/contract';
import type { Slot } from '../slots.ts';
import {
  type Aim,
  type Length,
  lengthLine,
  nanometres,
  packWindow,
  type PackWindow,
  packWindowSum,
  ReckoningError,
  type Sense,
  type Sum,
  ZERO,
} from '@elder-cog/core';
import type { GapNow } from './gapNow.ts';
import type { LimitState } from './limitsInUse.ts';
import type { Proof } from './proof.ts';

/** A pack between so thick and so thick brings in every gap that it moves. */
export interface Together {
  readonly min: Length;
  readonly max: Length;
}

export interface PackQuestionState {
  readonly slot: Slot;
  readonly sense: Sense;
  /** how far the gap moves for each of it, where it counts more than once. Left out where that is once */
  readonly factor?: number;
  /** what is in, in all; where nobody knows, the window is of the change */
  readonly fitted: Length;
  readonly known: boolean;
  readonly proved: Proof | null;
  readonly window: PackWindow | null;
  /** of a slot that moves other gaps too: what suits all of them; null where nothing does */
  readonly together?: Together | null;
  readonly refusal: { readonly code: string; readonly message: string } | null;
  readonly sum: Sum;
}

/** Where in the limits a gap is to come, held against limits that are moved by what is still to close already. */
export const cleanAim = ({ at, value, closesBy = ZERO }: Station['aim']): Aim =>
  value === undefined ? { at } : { at, value: nanometres(value + closesBy) };

/** Where in limits that are moved by what is still to come a gap is to come. */
export const aimWith = (aim: Station['aim'], limits: LimitState | null): Aim =>
  cleanAim({ ...aim, closesBy: nanometres((aim.closesBy ?? 0) - (limits?.still?.value ?? 0)) });

/** What torque is still to close, which the aim and the limits are moved by; nothing where nothing is. */
const stillLine = ({ still }: LimitState): Sum =>
  still
    ? [
        lengthLine(
          'in the aim: torque still closes',
          still.borrowed === undefined ? '' : `borrowed from the ${still.borrowed.toLowerCase()}`,
          nanometres(-still.value),
          [],
        ),
      ]
    : [];

/** What pack is wanted in a place, from what speaks for the gap now. */
export function packQuestion({
  slot,
  sense,
  factor = 1,
  fitted,
  known,
  proved,
  now,
  limits,
  aim,
  unit,
}: {
  slot: Slot;
  sense: Sense;
  factor?: number | undefined;
  fitted: Length;
  known: boolean;
  proved: Proof | null;
  now: Omit<GapNow, 'struck'>;
  limits: LimitState | null;
  aim: Aim;
  unit: 'thou' | 'mm';
}): PackQuestionState {
  const base = { slot, sense, ...(factor === 1 ? {} : { factor }), fitted, known, proved };
  // one of the two is wrong, and anything reckoned from either would be
  if (proved?.contradiction) return { ...base, window: null, refusal: { code: 'contradiction', message: proved.contradiction }, sum: [] };
  if (!limits || !now.reading || now.kind === 'stale' || now.disagree) return { ...base, window: null, refusal: null, sum: [] };
  const question = { fittedPack: known ? fitted : null, measured: now.reading, limits: limits.limits, aim, sense, factor, unit };
  try {
    return { ...base, window: packWindow(question), refusal: null, sum: [...packWindowSum(question), ...stillLine(limits)] };
  } catch (error) {
    if (!(error instanceof ReckoningError)) throw error;
    return { ...base, window: null, refusal: { code: error.code, message: error.message }, sum: [] };
  }
}
