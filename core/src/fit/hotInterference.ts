import { refuse } from '../errors.ts';
import { meanExpansion } from '../material/index.ts';
import { nanometres, ZERO, type Length } from '../quantity/index.ts';
import { effectiveInterference, type PressFitQuestion } from './pressFit.ts';

interface Warm {
  /** µm/m·K */
  readonly expansion: number;
  /** °C */
  readonly temperature: number;
}

export interface HotInterferenceQuestion {
  readonly diameter: Length;
  /** on the diameter, at the temperature of the air, nm */
  readonly interference: Length;
  readonly roughness?: PressFitQuestion['roughness'];
  /** °C */
  readonly ambient: number;
  readonly outer: Warm;
  readonly inner: Warm;
}

export interface HotInterference {
  /** that grips when it is hot, nm; less than nothing is loose by so much */
  readonly interference: Length;
  /** where both are as warm as each other: above it, °C, nothing grips; null where heat loosens it never */
  readonly looseAbove: number | null;
}

/**
 * What is left of a press fit at working heat: δ + d·(α_in·ΔT_in − α_out·ΔT_out).
 *
 * @throws ReckoningError `notASize`
 * Source: linear expansion; peaks pressed flat as in {@link pressFit}.
 * @example hotInterference({ diameter: mm(62), interference: mm(0.03), ambient: 20, outer: { expansion: 23, temperature: 80 }, inner: { expansion: 11.5, temperature: 80 } }).interference // −0.01278 mm
 */
export function hotInterference({ diameter, interference, roughness, ambient, outer, inner }: HotInterferenceQuestion): HotInterference {
  if (!(diameter > 0)) refuse('notASize', 'Give the diameter of the fit.');
  const effective = effectiveInterference(interference, roughness);
  if (effective <= 0) return { interference: ZERO, looseAbove: ambient };
  const grown = ({ expansion, temperature }: Warm): number => diameter * 1e-6 * meanExpansion(expansion, temperature) * (temperature - ambient);
  const apart = outer.expansion - inner.expansion;
  return {
    interference: nanometres(Math.round(effective + grown(inner) - grown(outer))),
    looseAbove: apart > 0 ? ambient + effective / (diameter * 1e-6 * apart) : null,
  };
}
