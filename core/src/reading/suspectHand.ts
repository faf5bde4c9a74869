import { nanometres, tidy, type Length } from '../quantity/index.ts';
import type { Instrument } from './instrument.ts';

/** A dial entry that would be as expected if the hand had run the other way, or a whole turn more. */
export interface SuspectedHand {
  readonly why: string;
  /** the entry as it would then be written */
  readonly entry: string;
  readonly meant: Length;
}

const HANDS = /^([^<>]+?) ?([<>]) ?([^<>+]+?)((?: ?[<>] ?[^<>+]+)?)(?: ?\+ ?(\d+).*)?$/;

/**
 * Swapping push for pull reverses the hand, and a whole turn goes by unseen: from 88 to 12 is 24 one way and 76 the other. Asks where
 * the reading as entered is outside what is expected and one of those is inside; changes nothing by itself. Common practice, no source.
 *
 * @param entry as typed, such as `98>86`
 * @param value what it was understood as
 * @example suspectHand('98>86', thou(88), dial, { min: thou(10), max: thou(14) })[0].entry // '98<86'
 */
export function suspectHand(
  entry: string,
  value: Length,
  instrument: Instrument,
  expected: { readonly min: Length; readonly max: Length },
): SuspectedHand[] {
  const [, from = '', arrow, to = '', back = '', turns = '0'] = HANDS.exec(tidy(entry)) ?? [];
  const { divisions, resolution } = instrument;
  if (arrow === undefined || divisions === undefined || (value >= expected.min && value <= expected.max)) return [];
  const turn = divisions * resolution;
  const scale = instrument.radius ? instrument.radius.wanted / instrument.radius.read : 1;
  const inside = (length: number): boolean => length >= expected.min * 0.85 && length <= expected.max * 1.15;
  const other = arrow === '>' ? '<' : '>';
  const found: SuspectedHand[] = [];
  const backwards = nanometres((2 * Number(turns) + 1) * turn * scale - value);
  if (inside(backwards))
    found.push({
      why: 'the hand run the other way',
      entry: `${from}${other}${to}${back.replace(/[<>]/, other)}${turns === '0' ? '' : ` +${turns}`}`,
      meant: backwards,
    });
  const more = nanometres(value + turn * scale);
  if (inside(more)) found.push({ why: 'a whole turn more', entry: `${from}${arrow}${to}${back} +${Number(turns) + 1}`, meant: more });
  return found;
}
