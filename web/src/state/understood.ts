import { ReckoningError } from '@elder-cog/core';
import type { GapState } from '@elder-cog/derive';

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
 * The unit of a bare number at a gap: that of the instrument it is read with, or of its limits. Never that of the display:
 * flipping thou and mm must not change how an entry is read.
 */
export function bareUnit(gap: Pick<GapState, 'station' | 'limits'>): 'thou' | 'mm' {
  const unit = gap.station.instrument?.unit ?? gap.limits?.fact.unit ?? 'thou';
  return unit === 'mm' || unit === 'um' ? 'mm' : 'thou';
}
