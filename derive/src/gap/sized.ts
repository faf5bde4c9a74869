import { formatLength, nanometres } from '@elder-cog/core';

/** A size without its sign, as it is said in a sentence. */
export const sized = (length: number, unit: 'thou' | 'mm'): string => formatLength(nanometres(Math.abs(length)), unit);
