/** A body that is as warm all through: what it takes to warm it, and what it gives to the air. */
export interface WarmBody {
  /** J/K */
  readonly capacity: number;
  /** to the air, W/K */
  readonly hA: number;
  /** °C */
  readonly temperature: number;
}

/**
 * Two bodies that give heat to the air and to each other, after a time: the exact answer for conductances that stay as they are.
 *
 * @param conductance between them, W/K; nothing where they do not touch
 * @param seconds 0 or more
 * @returns their temperatures, °C
 * Source: Newton's law of cooling, two coupled linear equations, in closed form.
 * @example exchangeHeat({ capacity: 900, hA: 1.1, temperature: 120 }, { capacity: 1, hA: 0, temperature: 18 }, { conductance: 0, ambient: 18, seconds: 120 })[0] // 106.0853…
 */
export function exchangeHeat(
  one: WarmBody,
  other: WarmBody,
  { conductance, ambient, seconds }: { readonly conductance: number; readonly ambient: number; readonly seconds: number },
): readonly [number, number] {
  // x' = A·x about the air; exp(A·t) = e^{mt}·(cosh st·I + sinh st ÷ s·(A − m·I)), both powers of e less than nothing
  const [a, b] = [-(one.hA + conductance) / one.capacity, conductance / one.capacity];
  const [c, d] = [conductance / other.capacity, -(other.hA + conductance) / other.capacity];
  const mean = (a + d) / 2;
  const spread = Math.sqrt(((a - d) / 2) ** 2 + b * c);
  const [slow, fast] = [Math.exp((mean + spread) * seconds), Math.exp((mean - spread) * seconds)];
  const even = (slow + fast) / 2;
  // where both rates are one, sinh st ÷ s is t
  const odd = spread * seconds < 1e-9 ? seconds * slow : (slow - fast) / (2 * spread);
  const [x, y] = [one.temperature - ambient, other.temperature - ambient];
  return [ambient + even * x + odd * ((a - mean) * x + b * y), ambient + even * y + odd * (c * x + (d - mean) * y)];
}
