import { ReckoningError, refuse } from '../errors.ts';
import type { Dressing } from '../fastener/index.ts';
import {
  describeQuantity,
  formatQuantity,
  imperialTorque,
  isMetricUnit,
  loneEnd,
  readQuantityLimits,
  tidy,
  type Length,
  type QuantityLimits,
} from '../quantity/index.ts';
import type { Meaning, Understood } from './meaning.ts';
import { withOunces } from './ounces.ts';
import { PLAIN } from './quantities.ts';
import { withoutRadius } from './radius.ts';

/** What a drag was printed for, as far as that was said; and how a thread is dressed, where it is what a nut is pulled to. */
export interface DragConditions {
  readonly bearings?: 'new' | 'used';
  readonly seal?: 'in' | 'out';
  readonly wheel?: 'in' | 'out';
  readonly dressing?: Dressing;
}

/** Limits of a drag, N·m; one figure alone judges nothing till a tolerance is given. */
export interface DragLimits {
  readonly min?: number;
  readonly max?: number;
  readonly single?: number;
  readonly conditions: DragConditions;
}

export interface DragLimitsQuestion {
  readonly bare: 'thou' | 'mm';
  /** the scale of a bare figure, where one is used */
  readonly scale?: string;
  /** where a cord pulls, where that was said once; nm */
  readonly radius?: Length;
  /** what they are limits of, by which it is known what they can be: a drag, or what a nut is pulled to */
  readonly of?: 'drag' | 'torque';
}

const WORDS: readonly (readonly [RegExp, DragConditions])[] = [
  [/[,(;]?\s*\b(?:for |with )?(?:new)(?: bearings?)?\b\)?/i, { bearings: 'new' }],
  [/[,(;]?\s*\b(?:for |with )?(?:used|old|run[- ]in)(?: bearings?)?\b\)?/i, { bearings: 'used' }],
  [/[,(;]?\s*\b(?:without (?:the |a )?(?:oil )?seal|seals? out|no seals?|less seals?)\b\)?/i, { seal: 'out' }],
  [/[,(;]?\s*\b(?:with (?:the |a )?(?:oil )?seal|seals? (?:in|fitted))\b\)?/i, { seal: 'in' }],
  [/[,(;]?\s*\b(?:without (?:the )?(?:crown )?wheel|wheel out|pinion alone)\b\)?/i, { wheel: 'out' }],
  [/[,(;]?\s*\b(?:with (?:the )?(?:crown )?wheel|wheel in)\b\)?/i, { wheel: 'in' }],
  [/[,(;]?\s*\b(?:clean and )?(?:dry|unlubricated|not oiled)(?: threads?)?\b\)?/i, { dressing: 'dry' }],
  [/[,(;]?\s*\b(?:lightly )?(?:oiled|lubricated)(?: threads?)?\b\)?/i, { dressing: 'oiled' }],
  [/[,(;]?\s*\bplated(?: threads?)?\b\)?/i, { dressing: 'plated' }],
  [/[,(;]?\s*\b(?:with )?(?:anti-? ?seize|copper grease)\b\)?/i, { dressing: 'anti-seize' }],
  [/[,(;]?\s*\b(?:with )?thread-? ?lock(?:er|ing compound)?\b\)?/i, { dressing: 'thread lock' }],
  [/[,(;]?\s*\b(?:with )?(?:sealer|sealant)\b\)?/i, { dressing: 'sealer' }],
];

/** What is said of when a figure holds, taken out of a text: "new bearings", "seal out", "wheel in", "oiled". */
export function conditionsIn(text: string): { readonly body: string; readonly conditions: DragConditions } {
  return WORDS.reduce<{ body: string; conditions: DragConditions }>(
    ({ body, conditions }, [words, said]) =>
      words.test(body)
        ? { body: body.replace(words, ' ').replace(/\s+/g, ' ').trim(), conditions: { ...conditions, ...said } }
        : { body, conditions },
    { body: text, conditions: {} },
  );
}

/**
 * Limits of a drag as a manual prints them: `18-24 lb in`, `0.9 N·m`, `max 30 lbf in, seal in`, `5-7 kg on a 54 mm drum, new bearings`. A pull
 * is brought to a torque by the radius it acts at, and refused without one.
 *
 * @returns N·m
 * @example understandDragLimits('18-24 lb in, new bearings', { bare: 'thou' }).said // '18.0 to 24.0 lbf·in · 2.03 to 2.71 N·m, new bearings'
 */
export function understandDragLimits(text: string, question: DragLimitsQuestion): Understood<DragLimits, string> {
  try {
    return read(text, question);
  } catch (error) {
    if (error instanceof ReckoningError) return { kind: 'refused', code: error.code, message: error.message };
    throw error;
  }
}

function read(text: string, { bare, scale, radius, of = 'drag' }: DragLimitsQuestion): Understood<DragLimits, string> {
  const { body: told, conditions } = conditionsIn(withOunces(tidy(text)).replace(/^(?:nil|nothing|nought)(?= to\b| ?-)/i, '0'));
  if (told === '') refuse('empty', 'Nothing was typed: give limits such as 18-24 lb in or 0.9 N·m.');
  const { body, radius: said } = withoutRadius(told, bare);
  if (!/\d/.test(body)) refuse('notLimits', `“${body.slice(0, 24)}” gives no figure: ${EXAMPLES}.`);
  const isBare = !/[a-z°]/i.test((loneEnd(body)?.figure ?? body).replace(/\bto\b/gi, ''));
  const units = !isBare ? [''] : scale === undefined ? (bare === 'mm' ? ['N·m', 'kgf·cm'] : ['lbf·in', 'N·m']) : [scale];
  const meanings = units.flatMap((unit) => limitsIn(body, unit).map((each) => meaningOf(each, conditions, said ?? radius ?? null, bare)));
  const [only] = meanings;
  if (only && meanings.length === 1) return guarded(only, PLAIN[of]) ?? single(only);
  return { kind: 'ask', meanings, why: 'On which scale? It could be either.' };
}

const EXAMPLES = 'limits of a drag are such as 14-18 lb in, 0.9 N·m or max 30 lbf in';

/** What else is wrong with them than their order is said of a drag, and not of sizes. */
function limitsIn(body: string, unit: string): readonly QuantityLimits[] {
  const lone = loneEnd(body);
  const text = lone ? `${lone.isMost ? 'max' : 'min'} ${lone.figure}` : body;
  try {
    return readQuantityLimits(`${text} ${unit}`.trim()).meanings;
  } catch (error) {
    if (error instanceof ReckoningError && error.code !== 'reversedLimits' && error.code !== 'twoUnits')
      refuse(error.code, `“${body.slice(0, 24)}” is not understood: ${EXAMPLES}.`);
    throw error;
  }
}

function meaningOf(limits: QuantityLimits, conditions: DragConditions, radius: Length | null, bare: 'thou' | 'mm'): Meaning<DragLimits, string> {
  const { kind, min, max } = limits;
  if (kind !== 'torque' && kind !== 'force') return refuse('wrongKind', `That is a ${kind}: a drag is in lbf in, N·m, kgf cm, or a pull on a cord.`);
  if (kind === 'force' && radius === null)
    return refuse('noRadius', 'A mass has no torque without a radius: say where the cord pulls, as in 5-7 kg at 27 mm, or on a 54 mm drum.');
  const times = kind === 'force' && radius !== null ? radius * 1e-9 : 1;
  const unit = kind === 'torque' ? limits.unit : bare === 'mm' ? 'N·m' : 'lbf·in';
  const one = min !== null && min === max;
  const value: DragLimits = {
    ...(one ? { single: min * times } : { ...(min === null ? {} : { min: min * times }), ...(max === null ? {} : { max: max * times }) }),
    conditions,
  };
  return { value, unit, said: sayDragLimits(value, unit) };
}

/** Where the point is out: what such a thing cannot be, and a tenth or ten times of it can. */
function guarded({ value, unit, said }: Meaning<DragLimits, string>, [least, most]: (typeof PLAIN)['drag']): Understood<DragLimits, string> | null {
  const { min, max, single: one, conditions } = value;
  const isPlain = (figure: number | undefined): boolean => figure === undefined || figure === 0 || (figure >= least && figure <= most);
  const times = (by: number): DragLimits => ({
    ...(min === undefined ? {} : { min: min * by }),
    ...(max === undefined ? {} : { max: max * by }),
    ...(one === undefined ? {} : { single: one * by }),
    conditions,
  });
  const isSound = (limits: DragLimits): boolean => isPlain(limits.min) && isPlain(limits.max) && isPlain(limits.single);
  if (isSound(value)) return null;
  const meant = [0.1, 10, 0.01, 100].map(times).filter(isSound).slice(0, 2);
  const typed = { value, unit, said, asTyped: true as const };
  return {
    kind: 'ask',
    meanings: [...meant.map((each) => ({ value: each, unit, said: sayDragLimits(each, unit) })), typed],
    why:
      meant.length > 0
        ? 'As it stands it is not what such a thing can be: the point out?'
        : 'As it stands it is not what such a thing can be: mend it, or keep it as typed.',
  };
}

/** One figure alone: a middle with a tolerance, or the most, or kept as it is. */
function single(meaning: Meaning<DragLimits, string>): Understood<DragLimits, string> {
  const { value, unit } = meaning;
  if (value.single === undefined) return { kind: 'understood', ...meaning };
  const { single: middle, conditions } = value;
  const ways: readonly DragLimits[] = [{ min: middle * 0.9, max: middle * 1.1, conditions }, { max: middle, conditions }, value];
  return {
    kind: 'ask',
    meanings: ways.map((way) => ({ value: way, unit, said: sayDragLimits(way, unit) })),
    why: 'One figure alone has no verdict: is it the middle, a tenth either way, or the most? Or kept as it is, till a tolerance is known?',
  };
}

const CONDITION_WORDS = {
  bearings: { new: 'new bearings', used: 'used bearings' },
  seal: { in: 'seal in', out: 'seal out' },
  wheel: { in: 'wheel in', out: 'wheel out' },
} as const;

/** "new bearings, seal out"; nothing where nothing is said. */
export const sayConditions = ({ bearings, seal, wheel, dressing }: DragConditions): string =>
  [bearings && CONDITION_WORDS.bearings[bearings], seal && CONDITION_WORDS.seal[seal], wheel && CONDITION_WORDS.wheel[wheel], dressing]
    .filter(Boolean)
    .join(', ');

/** "18 to 24 lbf·in · 2.03 to 2.71 N·m, new bearings" */
export function sayDragLimits({ min, max, single: one, conditions }: DragLimits, unit: string): string {
  const inUnit = (of: string): string => {
    const figure = (newtonMetres: number): string => formatQuantity(newtonMetres, of, 3);
    if (one !== undefined) return `${describeQuantity(one, of, 3)} and no tolerance`;
    if (min === undefined) return max === undefined ? 'none' : `at most ${describeQuantity(max, of, 3)}`;
    return max === undefined ? `at least ${describeQuantity(min, of, 3)}` : `${figure(min)} to ${describeQuantity(max, of, 3)}`;
  };
  const when = sayConditions(conditions);
  const greatest = Math.max(one ?? 0, min ?? 0, max ?? 0);
  const otherUnit = isMetricUnit(unit) ? imperialTorque(greatest) : 'N·m';
  return `${inUnit(unit)} · ${inUnit(otherUnit)}${when === '' ? '' : `, ${when}`}`;
}
