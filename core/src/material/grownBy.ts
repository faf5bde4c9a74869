import { nanometres, type Length } from '../quantity/index.ts';
import { refuse } from '../errors.ts';

/**
 * What a size grows by when it warms.
 *
 * @param rise kelvin; minus for cooling
 * @param expansion µm/m·K, more than nothing
 * @throws ReckoningError `notAnExpansion`
 * Source: linear expansion, ΔL = α·L·ΔT.
 * @example grownBy(mm(100), { rise: 60, expansion: 23 }) // 0.138 mm
 */
export function grownBy(length: Length, { rise, expansion }: { rise: number; expansion: number }): Length {
  if (!(expansion > 0) || !Number.isFinite(rise))
    refuse('notAnExpansion', 'Give the expansion in µm/m·K, more than nothing, and the rise in degrees.');
  return nanometres(Math.round(length * expansion * 1e-6 * rise));
}
