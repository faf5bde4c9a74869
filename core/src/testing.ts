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
