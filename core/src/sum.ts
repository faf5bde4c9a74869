/**
 * One line of a Sum: the working beside an answer, as data. `value` is in `unit`; lengths are in nanometres
 * (`nm`) so that the page can show them in either system.
 */
export interface SumLine {
  readonly label: string;
  /** the working in symbols or figures, '' for a figure that was given */
  readonly expression: string;
  readonly value: number;
  readonly unit: 'nm' | 'N·m' | 'N' | '°' | '‰' | '';
  /** ids of the facts this line rests on */
  readonly from?: readonly string[];
}

export type Sum = readonly SumLine[];

/** A line for a length. */
export const lengthLine = (label: string, expression: string, value: number, from?: readonly string[]): SumLine => ({
  label,
  expression,
  value,
  unit: 'nm',
  ...(from ? { from } : {}),
});
