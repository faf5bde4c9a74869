import type { HandEntry } from './reading/index.ts';

/** The code of what was refused, for tests; anything else that was thrown, in its own words; and nothing where nothing was. */
export function refusalOf(run: () => unknown): string {
  try {
    run();
    return 'no refusal';
  } catch (error) {
    return (error as { code?: string }).code ?? String(error);
  }
}

/** Where a hand went, clockwise, with no whole turn and not read coming back, unless it is said. */
export const hand = (from: number, to: number, more: Partial<HandEntry> = {}): HandEntry => ({
  how: 'hand',
  from,
  to,
  back: null,
  turns: 0,
  direction: 'clockwise',
  ...more,
});

/** Chances that are the same for the same seed: even ones from 0 to 1, and normal ones of mean 0 and deviation 1. */
export function chances(seed: number): { next: () => number; normal: () => number } {
  let state = Math.imul(seed, 2_654_435_761) >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  // Box and Muller
  return { next, normal: () => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()) };
}
