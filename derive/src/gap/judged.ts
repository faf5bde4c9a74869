import type { Station } from '@elder-cog/contract';
import { coverageFactor, type Length, type Limits, type MarkKind, type Placed, type Reading, verdict, type Verdict } from '@elder-cog/core';

export const expandedU = (reading: Reading<number> | null): number | null =>
  reading?.kind === 'estimate' ? coverageFactor(reading.dof) * reading.u : null;

export function markOf(v: Verdict | null): MarkKind {
  if (!v) return 'unmeasured';
  if (v.place === 'unmeasured' || v.sure === 'cannotTell') return 'cannotTell';
  return v.place;
}

/** In, or taken as it is on purpose. */
export const isRight = (mark: MarkKind): boolean => mark === 'in' || mark === 'accepted';

/** Where a figure lies that nobody has read: forecast, tried or reckoned, with no doubt of its own. */
export const placeOf = (value: Length, limits: Limits, { moreIs }: Pick<Station, 'moreIs'>): Placed =>
  verdict({ kind: 'estimate', value, u: 0 }, limits, { moreIs }).place;

/** Out of its limits, as far as anybody can tell. */
export const isOut = (v: Verdict | null): boolean => v !== null && v.sure !== 'cannotTell' && (v.place === 'tight' || v.place === 'loose');

/** A verdict that rests on what somebody was not sure of is no surer than near. */
export const nearAtMost = (judged: Verdict, near: string | null): Verdict =>
  near === null || judged.sure !== 'sure' ? judged : { ...judged, sure: 'near', because: near };
