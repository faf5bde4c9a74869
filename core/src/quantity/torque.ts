import { refuse } from '../errors.ts';

export type TorqueUnit = 'N·m' | 'lbf·ft' | 'lbf·in' | 'kgf·m' | 'kgf·cm' | 'ozf·in';

const POUND_FORCE = 4.4482216152605; // N, exact: 0.45359237 kg × 9.80665 m/s²
const KILOGRAM_FORCE = 9.80665; // N, exact: standard gravity, CGPM 1901

/** Newton metres in one of each unit: force × arm, each exact by definition (foot 0.3048 m). */
export const NEWTON_METRES_PER: Readonly<Record<TorqueUnit, number>> = {
  'N·m': 1,
  'lbf·ft': POUND_FORCE * 0.3048,
  'lbf·in': POUND_FORCE * 0.0254,
  'kgf·m': KILOGRAM_FORCE,
  'kgf·cm': KILOGRAM_FORCE / 100,
  'ozf·in': (POUND_FORCE / 16) * 0.0254,
};

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
