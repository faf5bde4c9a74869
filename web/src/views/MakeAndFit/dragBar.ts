import type { LimitBarQuestion } from '@elder-cog/core';
import type { DragState } from '@elder-cog/derive';

/** A drag's state as the limit bar wants it. */
export function dragBar({ now, limits, verdict, log }: DragState): Omit<LimitBarQuestion, 'width'> {
  const state =
    now.kind === 'stale' ? 'stale' : !verdict ? 'unmeasured' : verdict.sure === 'cannotTell' && verdict.place === 'in' ? 'cannotTell' : verdict.place;
  const { min, max } = limits?.limits ?? {};
  const expected = log?.steps.at(-1)?.drag === null ? log.steps.at(-1)?.expected : null;
  return {
    quantity: 'drag',
    limits: limits?.limits ?? null,
    reading: now.reading && now.kind !== 'none' ? { value: now.reading.value, state, ...(now.U === null ? {} : { U: now.U }) } : null,
    forecast: expected?.value ?? null,
    aim: min === undefined || max === undefined ? null : (min + max) / 2,
  };
}
