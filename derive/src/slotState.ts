import type { Length } from '@elder-cog/core';
import type { Fitting } from './builds.ts';
import type { Slot } from './slots.ts';

/** A slot with what is in it now. */
export interface SlotState {
  readonly slot: Slot;
  readonly fitting: Fitting;
  readonly total: Length;
  readonly words: string;
}
