import { refuse } from '../errors.ts';
import { nanometres, type Length, type LengthUnit } from './length.ts';
import { readLength, tidy, UNIT_PATTERN } from './readLength.ts';

/** One figure of a sum: how often it is taken, with its sign, and what one of it is. */
export interface SumTerm {
  readonly times: number;
  readonly value: Length;
  readonly unit: LengthUnit;
}

export interface LengthSum {
  readonly value: Length;
  /** the first figure's */
  readonly unit: LengthUnit;
  readonly terms: readonly SumTerm[];
}

const SIGN = / ?(\+) ?| (-|less|and) /gi;
const WORDS = /\b(?:less|and|x)\b|(?<=\d) *x *(?=\d)/gi;
const OFTEN_FIRST = /^(\d+) ?[x×*] ?(.+)$/i;
const OFTEN_LAST = /^(.+?) ?[x×*] ?(\d+)$/i;
const UNIT_AT_END = new RegExp(`(${UNIT_PATTERN.source})(?: ?[x×*] ?\\d+)?$`, 'i');

/** Whether there is more than one figure to add, take off or multiply: `3 thou + 0.2 mm`, `1.103 less .375`, `5 x 3 thou`. */
export const isSum = (text: string): boolean => figures(text).length > 1 || OFTEN_FIRST.test(tidy(text)) || OFTEN_LAST.test(tidy(text));

/**
 * Adds what is written, each figure in the unit that stands after it: one without takes the next unit written, or the last.
 *
 * @throws ReckoningError `noUnit` where no unit is written anywhere, `notALength` where one is of something else; else as {@link readLength}
 * @example sumLengths('3 thou + 0.2 mm').value // 276200
 * @example sumLengths('1.103 less .375 in').value // 18491200
 */
export function sumLengths(text: string): LengthSum {
  if (/[a-z°]/i.test(tidy(text).replace(UNIT_PATTERN, '').replace(WORDS, '')))
    refuse('notALength', 'Only lengths are added up here: anything else is reckoned one figure at a time.');
  const parts = figures(text);
  const units = parts.map(({ figure }) => UNIT_AT_END.exec(figure)?.[1]);
  const last = units.findLast((unit) => unit !== undefined);
  if (last === undefined) refuse('noUnit', `${tidy(text)}: in what? Put the unit after it, such as thou or mm.`);
  const terms = parts.map(({ sign, figure }, i): SumTerm => {
    const unit = units[i] === undefined ? (units.slice(i).find((next) => next !== undefined) ?? last) : '';
    const [, often, each] = OFTEN_FIRST.exec(figure) ?? swapped(OFTEN_LAST.exec(figure)) ?? [];
    const read = readLength(`${each ?? figure} ${unit}`, 'thou');
    return { times: sign * Number(often ?? 1), value: read.value, unit: read.unit };
  });
  return { value: nanometres(terms.reduce((sum, { times, value }) => sum + times * value, 0)), unit: terms[0]?.unit ?? 'thou', terms };
}

const swapped = (found: RegExpExecArray | null): readonly (string | undefined)[] | undefined => (found ? [found[0], found[2], found[1]] : undefined);

/** The figures of a sum with their signs, as they are written. */
function figures(text: string): readonly { sign: 1 | -1; figure: string }[] {
  const pieces = tidy(text).split(SIGN);
  // a split with two groups gives figure, plus, other, figure, plus, other, …
  return pieces.flatMap((figure, i) => {
    if (i % 3 !== 0) return [];
    const sign = /^(?:-|less)$/i.test(pieces[i - 1] ?? '') ? -1 : 1;
    return [{ sign, figure: figure.trim() }];
  });
}
