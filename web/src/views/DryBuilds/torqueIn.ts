import { readTorque } from '@elder-cog/core';
import { understood } from '../../state/understood.ts';

/** A torque as it was typed, or why it is none; null where nothing was. */
export const torqueIn = (text: string): number | null | string => (text.trim() === '' ? null : understood(() => readTorque(text)));
