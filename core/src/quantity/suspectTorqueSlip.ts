import { describeQuantity } from './quantity.ts';

export interface SuspectedTorqueSlip {
  /** entered ÷ meant */
  readonly factor: number;
  readonly meant: number;
  readonly message: string;
}

/**
 * The slips of a torque: lbf·in for lbf·ft, a scale in pounds and one in newtons, kilograms for newtons, the point out. The lesser
 * factor of N·m for lbf·ft, 1.356, is asked only where the other scale of the wrench was used last. Arithmetic from the definitions
 * of the units; which are commonest is common practice, no source.
 */
const SLIPS: readonly (readonly [number, string])[] = [
  [12, 'lbf·in taken for lbf·ft'],
  [10, 'the point one place out'],
  [9.80665, 'kgf·m and N·m mixed'],
  [8.850745791, 'lbf·in and N·m mixed'],
  [7.233013851, 'kgf·m and lbf·ft mixed'],
  [100, 'the point two places out'],
];

/**
 * Says whether the torque of a fastener looks like a slip of unit or point. Never for the drag of a bearing, which may be anything.
 *
 * @param newtonMetres as entered
 * @param otherScaleLast the wrench's other scale was read last time
 * @returns likely meanings, best first; empty when inside or simply a surprise
 * @example suspectTorqueSlip(276 * 1.3558, { min: 24, max: 30 }) // 12 times: lbf·in for lbf·ft
 */
export function suspectTorqueSlip(newtonMetres: number, expected: { min: number; max: number }, otherScaleLast = false): SuspectedTorqueSlip[] {
  const { min, max } = expected;
  if (!(newtonMetres > 0) || (newtonMetres >= min && newtonMetres <= max)) return [];
  const [low, high] = min <= 0 ? [max / 2, max] : [min * 0.85, max * 1.15];
  const slips = otherScaleLast ? [...SLIPS, [1.3558179483314, 'the wrench’s other scale'] as const] : SLIPS;
  const off = (meant: number): number => Math.max(0, min - meant, meant - max);
  return slips
    .flatMap(([factor, why]) => [
      { factor, why, meant: newtonMetres / factor },
      { factor: 1 / factor, why, meant: newtonMetres * factor },
    ])
    .filter(({ meant }) => meant >= low && meant <= high)
    .sort((a, b) => off(a.meant) - off(b.meant))
    .map(({ factor, meant, why }) => ({
      factor,
      meant,
      message: `That is ${describeQuantity(newtonMetres, 'lbf·ft', 3)} (${describeQuantity(newtonMetres, 'N·m', 3)}): ${why}? Then ${describeQuantity(meant, 'lbf·ft', 3)} (${describeQuantity(meant, 'N·m', 3)}) was meant.`,
    }));
}
