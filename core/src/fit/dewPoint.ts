import { refuse } from '../errors.ts';

/** Magnus, over water, −45 to 60 °C. From memory of the values the WMO gives. */
const [B, C] = [17.62, 243.12];

/**
 * The temperature below which a part sweats.
 *
 * @param air °C, −40 to 60
 * @param humidity %, more than 0 to 100
 * @throws ReckoningError `notAir`
 * Source: the Magnus formula, coefficients from memory.
 * @example dewPoint({ air: 20, humidity: 50 }) // 9.2552…
 */
export function dewPoint({ air, humidity }: { readonly air: number; readonly humidity: number }): number {
  if (!(air >= -40 && air <= 60 && humidity > 0 && humidity <= 100))
    refuse('notAir', 'Give the air between −40 and 60 °C, and its humidity up to 100 %.');
  const g = Math.log(humidity / 100) + (B * air) / (C + air);
  return (C * g) / (B - g);
}
