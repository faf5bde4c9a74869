import { refuse } from '../errors.ts';
import { UNITS } from './units.ts';

export type TorqueUnit = 'N·m' | 'lbf·ft' | 'lbf·in' | 'kgf·m' | 'kgf·cm' | 'ozf·in';

/** Newton metres in one of each unit. */
export const NEWTON_METRES_PER: Readonly<Record<TorqueUnit, number>> = Object.fromEntries(
  UNITS.filter((unit) => unit.kind === 'torque').map((unit) => [unit.name, unit.per]),
) as Record<TorqueUnit, number>;

/**
 * A torque in another unit.
 *
 * @throws ReckoningError `notANumber`
 * @example convertTorque(90, 'lbf·ft', 'N·m') // 122.0236…
 */
export function convertTorque(value: number, from: TorqueUnit, to: TorqueUnit): number {
  if (!Number.isFinite(value)) refuse('notANumber', 'That is not a torque: a number was expected.');
  return (value * NEWTON_METRES_PER[from]) / NEWTON_METRES_PER[to];
}
