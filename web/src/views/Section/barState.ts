import type { BarState, LimitBarQuestion, Length } from '@elder-cog/core';
import { aimedGap } from '@elder-cog/core';
import { aimWith, type GapState } from '@elder-cog/derive';

/** A gap's state as the limit bar wants it. */
export function barState(gap: GapState): Omit<LimitBarQuestion, 'width'> {
  const { now, limits, verdict } = gap;
  const reading = now.reading;
  const state: BarState =
    now.kind === 'stale' ? 'stale' : !verdict ? 'unmeasured' : verdict.sure === 'cannotTell' && verdict.place === 'in' ? 'cannotTell' : verdict.place;
  const shown =
    reading && (now.kind === 'read' || now.kind === 'stale')
      ? { value: reading.value, state, ...(now.U === null ? {} : { U: now.U }), ...(reading.kind === 'estimate' ? {} : { bound: reading.kind }) }
      : null;
  const both = limits?.limits.min !== undefined && limits.limits.max !== undefined;
  return {
    limits: limits?.limits ?? null,
    reading: shown,
    forecast: now.kind === 'forecast' && reading ? reading.value : null,
    aim: both && limits ? aimedGap(limits.limits, aimWith(gap.station.aim, limits)) : null,
    earlier: gap.ladder
      .filter((row) => !row.isNow && row.reading?.kind === 'estimate')
      .slice(-3)
      .map((row) => ({ build: row.build.number, value: row.reading?.value ?? (0 as Length) })),
  };
}
