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

/** Digits after the point that a torque is said with: as fine as a wrench for it is read. */
const DECIMALS: Readonly<Record<TorqueUnit, number>> = { 'N·m': 2, 'lbf·ft': 1, 'lbf·in': 1, 'kgf·m': 2, 'kgf·cm': 1, 'ozf·in': 0 };

/**
 * A torque as it is said, without its unit: as many digits after the point as a wrench for it is read to, whatever its size.
 *
 * @param newtonMetres over 100 N·m or so one digit fewer says as much, and is what is said
 * @example formatTorque(1.6382799, 'lbf·in') // '14.5'
 */
export function formatTorque(newtonMetres: number, unit: TorqueUnit): string {
  const value = newtonMetres / NEWTON_METRES_PER[unit];
  const decimals = Math.abs(value) >= 100 ? Math.max(0, DECIMALS[unit] - 1) : DECIMALS[unit];
  const size = Math.abs(value).toFixed(decimals);
  return (value < 0 && Number(size) !== 0 ? '−' : '') + size;
}

const SMALL = 5; // N·m

/** What a torque in metric units is said in beside them: a drag in pound inches, what nuts are pulled to in pound feet. Common practice, no source. */
export const imperialTorque = (newtonMetres: number): 'lbf·in' | 'lbf·ft' => (Math.abs(newtonMetres) < SMALL ? 'lbf·in' : 'lbf·ft');

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
