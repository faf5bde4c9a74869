import { ReckoningError, sleeveCrush, type Aim, type Sense, type SleeveCrush, type Verdict } from '@elder-cog/core';
import type { Slot } from '../slots.ts';
import type { GapNow } from './gapNow.ts';
import type { LimitState } from './limitsInUse.ts';

/** A crush sleeve that a gap is set by: how much shorter it is to become. */
export interface SleeveState {
  readonly slot: Slot;
  /** whether a longer one opens the gap */
  readonly sense: Sense;
  /** null where nothing can be said of it yet */
  readonly crush: SleeveCrush | null;
  /** why nothing can be said, where a reckoning refused it */
  readonly refusal: string | null;
}

interface SleeveQuestion {
  readonly slot: Slot;
  readonly sense: Sense;
  readonly now: Omit<GapNow, 'struck'>;
  readonly limits: LimitState | null;
  readonly aim: Aim;
  readonly unit: 'thou' | 'mm';
}

/** How far a sleeve is to be crushed, from what was read on it as it is now: what was read before it was drawn up says nothing of it. */
export function sleeveState({ slot, sense, now, limits, aim, unit }: SleeveQuestion): SleeveState {
  const none = { slot, sense, crush: null, refusal: null };
  if (!limits || !now.reading || now.kind !== 'read' || now.disagree) return none;
  try {
    return { ...none, crush: sleeveCrush({ measured: now.reading, limits: limits.limits, aim, sense, unit }) };
  } catch (error) {
    if (!(error instanceof ReckoningError)) throw error;
    return { ...none, refusal: error.message };
  }
}

/** Whether a sleeve is crushed too far, and that is sure: it does not come back, and a new one is needed. */
export const isScrap = ({ sleeve, verdict }: { readonly sleeve?: SleeveState; readonly verdict: Verdict | null }): boolean =>
  typeof sleeve?.crush?.over === 'number' && verdict?.sure === 'sure';
