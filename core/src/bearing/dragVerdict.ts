import { describeQuantity, type Ends } from '../quantity/index.ts';
import { judge, type Judging, type Reading, type Verdict } from '../reading/index.ts';

/** Two torques are the same to so much of the greater: a unit's factor is no whole number. */
const SAME = 1e-9;

/**
 * Judges a drag by its limits, as `verdict` does a float: too little drag is loose, too much is tight.
 *
 * @param reading N·m
 * @param limits N·m; a lone maximum is a ceiling, and a lone minimum a floor
 * @param options `unit`: what its sentences are told in
 * @example dragVerdict({ kind: 'estimate', value: 1.64, u: 0.02 }, { min: 2.03, max: 2.71 }).place // 'loose'
 */
export function dragVerdict(
  reading: Reading<number>,
  { min, max }: Ends<number>,
  { rule = 'plain', unit = 'N·m', range }: Partial<Pick<Judging, 'rule' | 'range'>> & { readonly unit?: string } = {},
): Verdict {
  const say = (drag: number): string => describeQuantity(drag, unit, 3);
  const within = { ...(min === undefined ? {} : { min: min * (1 - SAME) }), ...(max === undefined ? {} : { max: max * (1 + SAME) }) };
  return judge(reading, within, {
    moreIs: 'tight',
    rule,
    say,
    oneSided: ({ kind, value }) => `${kind === 'atLeast' ? 'At least' : 'At most'} ${say(value)}: read it where it turns steadily.`,
    ...(range === undefined ? {} : { range }),
  });
}
