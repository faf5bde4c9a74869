import { NM_PER } from '../quantity/index.ts';

/**
 * The step of a scale, by ones, twos and fives, whose figures stand far enough apart to be read.
 *
 * @param perUnit pixels of one unit
 * @param apart least pixels between two figures
 * @example tickStep(12, 56) // 5
 */
export function tickStep(perUnit: number, apart: number): number {
  const power = 10 ** Math.floor(Math.log10(apart / perUnit));
  const step = [1, 2, 5, 10].find((each) => each * power * perUnit >= apart * (1 - 1e-9)) ?? 10;
  return Number((step * power).toPrecision(12));
}

export interface Tick {
  /** nm */
  readonly at: number;
  readonly words: string;
}

/**
 * The figures of a scale in one unit, every one a whole number of steps, from nought both ways.
 *
 * @param low, high ends of the scale, nm
 * @param apart least pixels between two figures, over `wide` pixels
 * @example axisTicks({ low: 0, high: 254_000, wide: 300, apart: 56, unit: 'thou' }).map((tick) => tick.words).join(' ') // '0 2 4 6 8 10'
 */
export function axisTicks({
  low,
  high,
  wide,
  apart,
  unit,
}: {
  readonly low: number;
  readonly high: number;
  readonly wide: number;
  readonly apart: number;
  readonly unit: 'thou' | 'mm';
}): Tick[] {
  const nm = NM_PER[unit];
  const step = tickStep((wide / (high - low)) * nm, apart);
  const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
  const first = Math.ceil(low / nm / step - 1e-9);
  const count = Math.max(0, Math.floor(high / nm / step + 1e-9) - first + 1);
  return Array.from({ length: count }, (_, i) => {
    const n = first + i;
    const size = Math.abs(n * step).toFixed(n === 0 ? 0 : decimals);
    return { at: n * step * nm, words: n < 0 ? `−${size}` : size };
  });
}
