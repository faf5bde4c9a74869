import { refuse } from '../errors.ts';
import type { Estimate } from '../reading/index.ts';

interface Geared {
  readonly pinionTeeth: number;
  readonly wheelTeeth: number;
}

export interface TotalDragQuestion extends Geared {
  /** drag of the pinion alone, N·m */
  readonly pinion: Estimate<number>;
  /** drag of the crown wheel's own bearings, turned at the wheel, N·m */
  readonly carrier: Estimate<number>;
}

function ratioOf({ pinionTeeth, wheelTeeth }: Geared): number {
  if (!Number.isInteger(pinionTeeth) || !Number.isInteger(wheelTeeth) || !(pinionTeeth > 0 && wheelTeeth > 0))
    refuse('notTeeth', 'Teeth are counted: whole numbers, more than none.');
  return pinionTeeth / wheelTeeth;
}

const fewest = (...readings: readonly Estimate<number>[]): { dof?: number } => {
  const known = readings.flatMap(({ dof }) => (dof === undefined ? [] : [dof]));
  return known.length > 0 ? { dof: Math.min(...known) } : {};
};

/**
 * What turning the pinion takes with the crown wheel in: its own drag, and the wheel's brought down by the teeth.
 *
 * @returns N·m at the pinion, with the degrees of freedom of the lesser known of the two
 * @throws ReckoningError `notTeeth`
 * Source: the work of both sides is the same (any text on gears); what the teeth themselves take is left out.
 * @example totalDrag({ pinion: { kind: 'estimate', value: 1.25, u: 0 }, carrier: { kind: 'estimate', value: 2.5, u: 0 }, pinionTeeth: 11, wheelTeeth: 43 }).value // 1.8895…
 */
export function totalDrag({ pinion, carrier, ...teeth }: TotalDragQuestion): Estimate<number> {
  const down = ratioOf(teeth);
  return { kind: 'estimate', value: pinion.value + carrier.value * down, u: Math.hypot(pinion.u, carrier.u * down), ...fewest(pinion, carrier) };
}

/**
 * What the crown wheel's own bearings take, from the drag of the pinion alone and of both together: the inverse of {@link totalDrag}.
 *
 * @param question `total` at the pinion with the wheel in, `pinion` without it, N·m
 * @returns N·m at the wheel
 * @throws ReckoningError `notTeeth`, `lessThanAlone` where both together take less than the pinion alone
 * @example carrierDrag({ total: { kind: 'estimate', value: 1.89, u: 0 }, pinion: { kind: 'estimate', value: 1.25, u: 0 }, pinionTeeth: 11, wheelTeeth: 43 }).value // 2.5018…
 */
export function carrierDrag({
  total,
  pinion,
  ...teeth
}: Geared & { readonly total: Estimate<number>; readonly pinion: Estimate<number> }): Estimate<number> {
  if (total.value < pinion.value) refuse('lessThanAlone', 'Both together cannot take less than the pinion alone: read the two again.');
  const up = 1 / ratioOf(teeth);
  return { kind: 'estimate', value: (total.value - pinion.value) * up, u: Math.hypot(total.u, pinion.u) * up, ...fewest(total, pinion) };
}
