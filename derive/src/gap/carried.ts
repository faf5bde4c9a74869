import { forecastGap, type ForecastQuestion, type LinearGap, type Reading } from '@elder-cog/core';
import type { SlotChange } from '../builds.ts';

/** How each slot moves a gap, by the slot's id; nothing is known of one that is not there. */
export type Coefficients = LinearGap['coefficients'];

/** The changes that a gap can feel: all but those of slots that are known not to touch it. */
export const touching = (changes: readonly SlotChange[], coefficients: Coefficients): readonly SlotChange[] =>
  changes.filter(({ slot }) => coefficients[slot.id] !== 0);

/** Whether a gap can be reckoned over some changes: each a pack of known thickness, in a slot that is known to move it. */
export const isReckonable = (changes: readonly SlotChange[], coefficients: Coefficients): boolean =>
  changes.every(({ slot, thicker }) => thicker !== null && coefficients[slot.id] !== undefined);

/** What else opens a gap, besides what is in its slots: a closure step. */
type Term = NonNullable<ForecastQuestion['terms']>[number];

/** A reading carried over changes that are reckonable, and a step that is known. */
export const carried = (reading: Reading, changes: readonly SlotChange[], coefficients: Coefficients, step: Term | null = null): Reading =>
  forecastGap({
    reading,
    coefficients,
    changes: Object.fromEntries(changes.flatMap(({ slot, thicker }) => (thicker === null ? [] : [[slot.id, { by: thicker }]]))),
    ...(step ? { terms: [step] } : {}),
  });
