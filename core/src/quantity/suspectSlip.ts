import { describeLength, nanometres, type Length } from './length.ts';

export interface SuspectedSlip {
  /** entered ÷ meant */
  readonly factor: number;
  readonly meant: Length;
  /** what was likely slipped: "the point one place out" */
  readonly why: string;
  readonly message: string;
}

const INCH = 25.4;
/**
 * The slips of a shop with two systems, commonest first: thou typed as mm (1000/25.4), inches as mm, the point
 * a place or more out, and both at once. 2.54 and 3.937 are left out on purpose: a reading two to four times
 * off is ordinary wear or a wrong pack. Common practice, no source.
 */
const SLIPS = [1000 / INCH, 10, INCH, 100, 1000, 10 * INCH, 10_000 / INCH, 100 * INCH] as const;
const FACTORS = SLIPS.flatMap((factor) => [factor, 1 / factor]);

/**
 * Says whether an entry looks like a slip of unit or decimal point against what was expected. It only asks:
 * it never changes the entry.
 *
 * @param entered the length as understood
 * @param expected what this method in this build should read
 * @returns likely meanings, best first; empty when the entry is inside or simply a surprise
 * @example suspectSlip(thou(60), { min: thou(5), max: thou(8) })[0].meant // 6 thou
 */
export function suspectSlip(entered: Length, expected: { readonly min: Length; readonly max: Length }): SuspectedSlip[] {
  if (expected.max <= 0 && expected.min < 0) {
    const mirrored = suspectSlip(nanometres(-entered), { min: nanometres(-expected.max), max: nanometres(-expected.min) });
    return mirrored.map((slip) => ({ ...slip, meant: nanometres(-slip.meant) }));
  }
  const { min, max } = expected;
  if (entered === 0 || (entered >= min && entered <= max)) return [];
  const [low, high] = min <= 0 ? [max / 2, max] : [min * 0.85, max * 1.15];
  return FACTORS.map((factor) => ({ factor, meant: entered / factor }))
    .filter(({ meant }) => meant >= low && meant <= high)
    .map((slip) => ({ ...slip, meant: nanometres(slip.meant) }))
    .sort((a, b) => outside(a.meant, min, max) - outside(b.meant, min, max))
    .map(({ factor, meant }) => ({ factor, meant, why: whyOf(factor), message: messageFor(entered, meant, factor) }));
}

const outside = (value: number, min: number, max: number): number => (value >= min && value <= max ? 0 : 1);

const WORDS = new Map<number, string>([
  [1000 / INCH, 'thou taken for millimetres'],
  [10, 'the point one place out'],
  [INCH, 'inches and millimetres mixed'],
  [100, 'the point two places out'],
  [1000, 'the point three places out'],
]);

const whyOf = (factor: number): string => WORDS.get(factor) ?? WORDS.get(1 / factor) ?? 'unit and decimal point both out';

function messageFor(entered: Length, meant: Length, factor: number): string {
  return `That is ${describeLength(entered, 'thou')} (${describeLength(entered, 'mm')}): ${whyOf(factor)}? Then ${describeLength(meant, 'thou')} (${describeLength(meant, 'mm')}) was meant.`;
}
