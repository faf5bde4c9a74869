import { describeLength, formatLength, insideOf, type Length, nanometres, otherUnit, ReckoningError, smallUnit, unitOfSizes } from '@elder-cog/core';
import type { Limit } from '@elder-cog/contract';
import { SOURCE_WORDS, type GapState } from '@elder-cog/derive';
import { useSettings } from './settings.ts';

/** What an entry was understood as, or the one sentence that says why not. */
export function understood<Value>(read: () => Value): Value | string {
  try {
    return read();
  } catch (error) {
    if (error instanceof ReckoningError) return error.message;
    throw error;
  }
}

/**
 * The unit of a bare number at a gap: that of the instrument it is read with, or of its limits, or the workshop's. Never that of the display:
 * flipping thou and mm must not change how an entry is read.
 */
export function bareUnit(gap: Pick<GapState, 'station' | 'limits'>): 'thou' | 'mm' {
  return smallUnit(gap.station.instrument?.unit ?? gap.limits?.fact.unit ?? useSettings.getState().bare);
}

/** A gap or thickness in both systems, the one that is thought in first: "24.0 thou · 0.610 mm". */
export const inBoth = (nm: number, first: 'thou' | 'mm' = 'thou'): string =>
  [first, otherUnit(first)].map((unit) => describeLength(nanometres(nm), unit)).join(' · ');

/** A size in both systems, the one that is thought in first: "0.7807 in · 19.829 mm". */
export const sizeInBoth = (nm: number, first: 'thou' | 'mm' = 'thou'): string =>
  [unitOfSizes(first), unitOfSizes(first === 'mm' ? 'thou' : 'mm')].map((unit) => describeLength(nanometres(nm), unit)).join(' · ');

/** A size as it would be typed, in the system its field thinks in; nothing where nobody has measured it. */
export function asTyped(size: Length | null | undefined, bare: 'thou' | 'mm'): string {
  const unit = unitOfSizes(bare);
  return size === null || size === undefined ? '' : `${formatLength(size, unit)} ${unit}`;
}

/** "9.0 to 12.0", rounded inward: what is said to land lands. */
export function rangeWords(range: { readonly min: Length; readonly max: Length }, unit: 'thou' | 'mm'): string {
  const { min, max } = insideOf(range, unit);
  return `${formatLength(min, unit)} to ${formatLength(max, unit)}`;
}

/** Where a limit comes from: "Manual, p. 54", "Told by an old fitter, 1998". */
export function originWords(from: Pick<Limit, 'source' | 'pageOrWhom' | 'saidAt'> | null): string {
  if (!from) return '';
  const words = SOURCE_WORDS[from.source] ?? '';
  const said =
    from.source === 'told' && from.pageOrWhom !== ''
      ? `Told by ${from.pageOrWhom}`
      : [words.charAt(0).toUpperCase() + words.slice(1), from.pageOrWhom].filter((w) => w !== '').join(', ');
  return from.saidAt === '' ? said : `${said}, ${from.saidAt}`;
}
