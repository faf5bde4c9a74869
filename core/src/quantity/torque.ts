import { refuse } from '../errors.ts';
import { readQuantity } from './quantity.ts';
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

/** More than any nut of a gearbox or an axle takes, N·m. Common practice, no source. */
const MOST = 5000;

/**
 * How far a nut or bolts are torqued, as it is read off a wrench: `31 N·m`, `23 lb ft`, `8 kgf·m`. A wrench has several scales, so that a bare
 * figure is refused.
 *
 * @returns newton metres
 * @throws ReckoningError `noUnit`, `notATorque`, `torqueOutOfRange` and those of readQuantity
 * @example readTorque('31 Nm') // 31
 */
export function readTorque(text: string): number {
  if (/^\s*[\d.,½¼¾]+\s*$/.test(text)) refuse('noUnit', `${text.trim()} on which scale? Put it after: ${text.trim()} N·m, lbf·ft or lbf·in.`);
  const { kind, value } = readQuantity(text);
  if (kind !== 'torque') refuse('notATorque', 'That is no torque: how far they are torqued is in N·m, lbf·ft, lbf·in or kgf·m.');
  if (!(value > 0) || value > MOST) refuse('torqueOutOfRange', `A torque is something, and no more than ${MOST} N·m: look at the scale again.`);
  return value;
}
