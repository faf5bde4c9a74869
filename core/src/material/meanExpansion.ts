import { refuse } from '../errors.ts';

/** What a mean expansion from room temperature comes to in the cold, as a share of the one from 20 to 100 °C. From memory. */
const IN_THE_COLD = [
  { celsius: 20, share: 1 },
  { celsius: -78, share: 0.9 },
  { celsius: -196, share: 0.78 },
] as const;

/** The coldest that is reckoned with: boiling nitrogen, °C. */
export const COLDEST = -196;

/**
 * The mean expansion between room temperature and a temperature: metals shrink less by the degree the colder they are, and above room
 * temperature the tabled figure holds.
 *
 * @param expansion µm/m·K, 20 to 100 °C
 * @param celsius −196 to 300 °C
 * @throws ReckoningError `notATemperature`
 * Source: from memory (0.9 to −78 °C, 0.78 to −196 °C; straight between).
 * @example meanExpansion(12, -78) // 10.8
 */
export function meanExpansion(expansion: number, celsius: number): number {
  if (!(celsius >= COLDEST && celsius <= 300)) refuse('notATemperature', 'Give a temperature between −196 and 300 °C.');
  const after = IN_THE_COLD.findIndex((each) => celsius >= each.celsius);
  const [warm, cold] = [IN_THE_COLD[after - 1], IN_THE_COLD[after]];
  if (!warm || !cold) return expansion;
  return expansion * (warm.share + ((cold.share - warm.share) * (warm.celsius - celsius)) / (warm.celsius - cold.celsius));
}
