import { suspectDragSlip } from '../bearing/index.ts';
import { orNull, ReckoningError, refuse } from '../errors.ts';
import {
  describeQuantity,
  describeLength,
  fromBase,
  imperialTorque,
  isMetricUnit,
  readNumber,
  suspectTorqueSlip,
  tidy,
  toBase,
  UNITS,
  unitOfSizes,
  unitTyped,
  type Length,
  type QuantityKind,
} from '../quantity/index.ts';
import { ONE_APART, type Meaning, type Understood } from './meaning.ts';
import { withOunces } from './ounces.ts';
import { withoutRadius } from './radius.ts';

/** A drag as it is read: torques off a wrench, N·m; or pulls on a cord, N, with the radius they act at where it was said. */
export type DragEntry = { readonly torques: readonly number[] } | { readonly pulls: readonly number[]; readonly radius: Length | null };

/** What fields of other quantities than length make of an entry: N·m, N, degrees, °C. */
export interface QuantityValues {
  readonly torque: readonly number[];
  readonly force: readonly number[];
  readonly turn: number;
  readonly temperature: number;
  readonly drag: DragEntry;
}
export type QuantityField = keyof QuantityValues;

export interface QuantityQuestion<Field extends QuantityField> {
  readonly field: Field;
  /** what the workshop thinks in */
  readonly bare: 'thou' | 'mm';
  /** the scale that was read last: what a bare figure is taken to be on */
  readonly scale?: string;
  /** in the base unit, where something is known of it: N·m of a drag or a torque, degrees of a turn either way */
  readonly expected?: { readonly min: number; readonly max: number };
  /** of a drag: its limits, N·m, by which a torque taken for a pull is known */
  readonly limits?: { readonly min: number; readonly max: number };
  /** of a drag: where the cord pulls, where it was said once; nm */
  readonly radius?: Length;
}

export type UnderstoodQuantity<Field extends QuantityField> = Understood<QuantityValues[Field], string>;

const KINDS: Readonly<Record<QuantityField, readonly QuantityKind[]>> = {
  torque: ['torque'],
  force: ['force'],
  turn: ['angle'],
  temperature: ['temperature'],
  drag: ['torque', 'force'],
};

/** What such a thing plausibly is, base unit. Common practice, no source. */
export const PLAIN: Readonly<Record<QuantityField, readonly [least: number, most: number]>> = {
  torque: [0.5, 2000],
  force: [0.05, 400],
  turn: [0, 1080],
  temperature: [-200, 400],
  drag: [0.02, 30],
};
/** N: what a balance on a cord plausibly shows. */
const PLAIN_PULL = PLAIN.force;

/** What a bare figure may be on, where nobody said which scale was read. */
const HEARD: Readonly<Record<QuantityField, Readonly<Record<'thou' | 'mm', readonly string[]>>>> = {
  torque: { thou: ['lbf·ft', 'lbf·in', 'N·m'], mm: ['N·m', 'kgf·m', 'lbf·ft'] },
  force: { thou: ['lbf', 'kgf', 'N'], mm: ['kgf', 'N', 'lbf'] },
  turn: { thou: ['°'], mm: ['°'] },
  temperature: { thou: ['°C', '°F'], mm: ['°C'] },
  drag: { thou: ['lbf·in', 'N·m', 'lbf'], mm: ['N·m', 'kgf·cm', 'kgf'] },
};

interface Figure {
  readonly text: string;
  readonly value: number;
  /** null where none was written after it, or after one that follows */
  readonly unit: string | null;
}

const NUMBER = String.raw`\d+[ -]\d+ ?\/ ?\d+|\d+ ?\/ ?\d+|\d*[.,]\d+|\d+`;
const LIST = new RegExp(String.raw`(-?)(${NUMBER})\s*([^\d;,]*)`, 'g');

/**
 * What was typed into a field that takes a torque, a force, a turn, a temperature or a drag: understood, asked about, or refused, as
 * `understand` does it for lengths. A bare figure is on the scale that was read last; where nobody said which, it is asked.
 *
 * @example understand('14.5 lb in', { field: 'torque', bare: 'thou' }).said // '14.5 lbf·in · 1.64 N·m'
 */
export function understandQuantity<Field extends QuantityField>(text: string, question: QuantityQuestion<Field>): UnderstoodQuantity<Field> {
  try {
    return read(text, question) as UnderstoodQuantity<Field>;
  } catch (error) {
    if (error instanceof ReckoningError) return { kind: 'refused', code: error.code, message: error.message };
    throw error;
  }
}

type AnyQuestion = QuantityQuestion<QuantityField>;
type AnyUnderstood = UnderstoodQuantity<QuantityField>;

function read(text: string, question: AnyQuestion): AnyUnderstood {
  const clean = withOunces(tidy(text));
  if (clean === '') refuse('empty', 'Nothing was typed.');
  if (question.field === 'turn') {
    const turn = withFigures(clean);
    const fraction = FRACTION.exec(turn)?.[0];
    if (fraction !== undefined) return eitherTurn(turn, fraction);
    const said = turnInWords(turn, question.scale);
    if (said !== null) return turned(said, question);
  } else if (question.field !== 'temperature' && question.bare === 'thou' && COMMA.test(clean)) return eitherComma(clean, question);
  const { body, radius } = question.field === 'drag' ? withoutRadius(clean, question.bare) : { body: clean, radius: null };
  const figures = figuresOf(body, KINDS[question.field], question.field);
  const asked = radius === null ? question : { ...question, radius };
  const written = new Set(figures.flatMap(({ unit }) => (unit === null ? [] : [unit])));
  if (written.size > 1) refuse('twoUnits', 'Two units in one entry: write all of it in the same one.');
  const [unit] = written;
  if (radius !== null && UNITS.find(({ name }) => name === (unit ?? question.scale))?.kind === 'torque')
    return torqueOrPull(figures, unit ?? question.scale ?? '', asked);
  // nought tells nothing, and is nought in any unit
  const nought = figures.every(({ value }) => value === 0) ? HEARD[question.field][question.bare][0] : undefined;
  const scale = unit ?? question.scale ?? nought;
  if (scale !== undefined) return onScale(figures, scale, asked);
  const heard = HEARD[question.field][question.bare];
  const meanings = heard.map((each) => meaningIn(figures, each, asked));
  const plain = meanings.filter((meaning) => isPlain(meaning, asked));
  const inside = plain.filter((meaning) => isExpected(meaning, asked));
  const [only] = inside.length === 1 ? inside : plain;
  if (only && (inside.length === 1 || plain.length === 1)) return guarded(only, asked);
  return {
    kind: 'ask',
    meanings: (plain.length > 0 ? plain : meanings.map((meaning) => ({ ...meaning, asTyped: true as const }))).slice(0, 4),
    why: 'On which scale? It could be any of these.',
  };
}

type AnyMeaning = Meaning<QuantityValues[QuantityField], string>;

/** Between figures, with no space after it, of no nought and no thousands: a decimal comma, or it parts two readings. */
const COMMA = /(?<=[1-9]\d*),(?=\d)(?!\d{3}(?!\d))/;

/** In a workshop that thinks in thou a comma may be either: both are heard, where the two figures could be read of one thing. */
function eitherComma(clean: string, question: AnyQuestion): AnyUnderstood {
  const all = new RegExp(COMMA, 'g');
  const decimal = understandQuantity(clean.replace(all, '.'), question);
  const listed = meaningsOf(understandQuantity(clean.replace(all, ', '), question)).filter((meaning) => {
    const { figures } = figuresIn(meaning);
    return meaning.asTyped === undefined && isPlain(meaning, question) && Math.max(...figures) <= AGREE * Math.min(...figures);
  });
  if (listed.length === 0) return decimal;
  const meanings = [...meaningsOf(decimal).slice(0, 2), ...listed.slice(0, 2)];
  return { kind: 'ask', meanings, why: 'A decimal comma, or two readings?' };
}

const meaningsOf = (understood: AnyUnderstood): readonly AnyMeaning[] =>
  understood.kind === 'ask' ? understood.meanings : understood.kind === 'understood' ? [understood] : [];

/** A torque has no radius: it is one all the same, or it was a pull that acts there. */
function torqueOrPull(figures: readonly Figure[], unit: string, question: AnyQuestion): AnyUnderstood {
  const force = unit.startsWith('N') ? 'N' : unit.slice(0, unit.indexOf('·'));
  const { radius: _, ...alone } = question;
  return {
    kind: 'ask',
    meanings: [meaningIn(figures, unit, alone), meaningIn(figures, force, question)],
    why: 'A torque acts at no radius: was it read as a torque, or is it a pull there?',
  };
}

/** Every figure of an entry; a unit settles those before it, back to the last unit. */
function figuresOf(body: string, kinds: readonly QuantityKind[], field: QuantityField): Figure[] {
  const found: Figure[] = [];
  let open = 0;
  let rest = body;
  for (const [whole, minus = '', number = '', after = ''] of body.matchAll(LIST)) {
    rest = rest.replace(whole, '');
    const value = (minus === '-' ? -1 : 1) * readNumber(number);
    found.push({ text: `${minus === '-' ? '−' : ''}${number}`, value, unit: null });
    const word = after.replace(/\b(?:and|to)\b|-\s*$/gi, '').trim();
    if (word === '') continue;
    const unit = unitTyped(word);
    if (!unit) return refuse('unknownUnit', `“${word.slice(0, 24)}” is not a unit known here: ${EXAMPLES[field]}.`);
    if (!kinds.includes(unit.kind)) return refuse('wrongKind', `That is a ${unit.kind}: ${EXAMPLES[field]}.`);
    for (let i = open; i < found.length; i++) found[i] = { ...(found[i] as Figure), unit: unit.name };
    open = found.length;
  }
  if (found.length === 0 || /[^\s;,]/.test(rest)) refuse('notANumber', `“${body.slice(0, 24)}” is no figure: ${EXAMPLES[field]}.`);
  if (field !== 'turn' && field !== 'temperature' && found.some(({ value }) => value < 0)) refuse('negative', 'That is not less than nothing.');
  if ((field === 'turn' || field === 'temperature') && found.length > 1) refuse('tooMany', 'One figure is wanted here.');
  return found;
}

const EXAMPLES: Readonly<Record<QuantityField, string>> = {
  torque: 'a torque is typed as 15 lbf in, 18 lb ft or 24 N·m',
  force: 'a pull is typed as 3.2 kg, 7 lb or 30 N',
  turn: 'a turn is typed as 15°, a quarter flat or 1/6 turn',
  temperature: 'a temperature is typed as 80 °C or 176 °F',
  drag: 'a drag is typed as 14 lbf in or 1.6 N·m, or as a pull: 3.2 kg on the cord',
};

function meaningIn(figures: readonly Figure[], unit: string, { field, bare, radius }: AnyQuestion): AnyMeaning {
  const base = figures.map(({ value }) => toBase(value, unit));
  const said = figures.map(({ text }) => text).join(', ');
  const isForce = UNITS.find(({ name }) => name === unit)?.kind === 'force';
  const tail = `${said} ${unit}${other(base, unit, bare)}`;
  if (field === 'turn' || field === 'temperature') return { value: base[0] ?? 0, unit, said: tail };
  if (field !== 'drag') return { value: base, unit, said: tail };
  if (!isForce) return { value: { torques: base }, unit, said: tail };
  const at = radius ?? null;
  const drag =
    at === null
      ? ''
      : ` at ${describeLength(at, unitOfSizes(bare))}: ${base.map((pull) => describeQuantity(pull * at * 1e-9, bare === 'mm' ? 'N·m' : 'lbf·in', 3)).join(', ')}`;
  return { value: { pulls: base, radius: at }, unit, said: `${tail}${drag}` };
}

/** " · 1.64 N·m": the same in the other system. */
function other(base: readonly number[], unit: string, bare: 'thou' | 'mm'): string {
  const kind = UNITS.find(({ name }) => name === unit)?.kind;
  if (kind === 'angle') return '';
  const inOther =
    kind === 'temperature'
      ? unit === '°C'
        ? '°F'
        : '°C'
      : kind === 'force'
        ? unit === 'N'
          ? bare === 'mm'
            ? 'kgf'
            : 'lbf'
          : 'N'
        : isMetricUnit(unit)
          ? imperialTorque(Math.max(...base))
          : 'N·m';
  return ` · ${base.map((value) => describeQuantity(value, inOther, 3)).join(', ')}`;
}

/** What is held against a range: N·m of a drag that has a radius, N of one that has none, the figures of anything else. */
function figuresIn({ value }: AnyMeaning): { readonly of: 'drag' | 'pull' | 'itself'; readonly figures: readonly number[] } {
  if (typeof value === 'number') return { of: 'itself', figures: [value] };
  if (!('torques' in value) && !('pulls' in value)) return { of: 'itself', figures: value };
  if ('torques' in value) return { of: 'drag', figures: value.torques };
  const { pulls, radius } = value;
  return radius === null ? { of: 'pull', figures: pulls } : { of: 'drag', figures: pulls.map((pull) => pull * radius * 1e-9) };
}

function isPlain(meaning: AnyMeaning, { field }: AnyQuestion): boolean {
  const { of, figures } = figuresIn(meaning);
  const [least, most] = of === 'pull' ? PLAIN_PULL : PLAIN[field];
  return figures.every((figure) => figure === 0 || (figure >= least && figure <= most));
}

function isExpected(meaning: AnyMeaning, { expected }: AnyQuestion): boolean {
  const { of, figures } = figuresIn(meaning);
  return expected !== undefined && of !== 'pull' && figures.every((figure) => figure >= expected.min && figure <= expected.max);
}

/** On the scale that was said, or read last: one that stands far from the others is asked about, and what is not expected. */
function onScale(figures: readonly Figure[], scale: string, question: AnyQuestion): AnyUnderstood {
  const meaning = meaningIn(figures, scale, question);
  const apart = amongNeighbours(figures, scale, question);
  return apart.length > 0 ? { kind: 'ask', meanings: [...apart, { ...meaning, asTyped: true }], why: ONE_APART } : guarded(meaning, question);
}

/** Asks where another unit or the point would put it where it is expected, and as typed it is not. */
function guarded(meaning: AnyMeaning, question: AnyQuestion): AnyUnderstood {
  const slips = slipsOf(meaning, question);
  const typed = { ...meaning, asTyped: true as const };
  if (slips.length > 0) return { kind: 'ask', meanings: [...slips.slice(0, 3).map(({ meaning: meant }) => meant), typed], why: slips[0]?.why ?? '' };
  if (!isPlain(meaning, question) && !isExpected(meaning, question))
    return { kind: 'ask', meanings: [typed], why: 'That is not what such a thing can be: mend it, or keep it as typed.' };
  return { kind: 'understood', ...meaning };
}

/** In a list of repeats every figure is looked at against its neighbours: where the point of one is out. */
function amongNeighbours(figures: readonly Figure[], unit: string, question: AnyQuestion): readonly AnyMeaning[] {
  return figures
    .flatMap(({ value }, i) => {
      const others = figures.flatMap((figure, j) => (j === i ? [] : [figure.value]));
      const [least, most] = [Math.min(...others), Math.max(...others)];
      const factor = POINT.find((by) => value / by >= least * 0.85 && value / by <= most * 1.15);
      if (others.length === 0 || least <= 0 || most > AGREE * least || factor === undefined || (value >= least && value <= most)) return [];
      const meant = Number((value / factor).toPrecision(6));
      const mended = figures.map((figure, j) => (j === i ? { ...figure, value: meant, text: String(meant) } : figure));
      return [meaningIn(mended, unit, question)];
    })
    .slice(0, 3);
}
/** Others that are farther apart than this say nothing of the one. */
const AGREE = 4;
const POINT = [10, 1 / 10, 100, 1 / 100];

interface Slip {
  readonly meaning: AnyMeaning;
  readonly why: string;
}

/** The likeliest first: the same figure in another unit, before the point. */
function slipsOf(meaning: AnyMeaning, { field, expected, limits, bare, radius }: AnyQuestion): readonly Slip[] {
  const { of, figures } = figuresIn(meaning);
  const isOff = (figure: number): boolean => expected !== undefined && (figure < expected.min || figure > expected.max);
  const first = figures.find(isOff) ?? figures[0] ?? 0;
  const isTorque = field === 'torque' || (field === 'drag' && of === 'drag');
  if (!isTorque) return [];
  const isPull = typeof meaning.value === 'object' && 'pulls' in meaning.value;
  const at = isPull ? (radius ?? null) : null;
  const slipped = (of: { readonly min: number; readonly max: number } | undefined): readonly { factor: number; message: string }[] => {
    if (!of) return [];
    if (field === 'torque') return suspectTorqueSlip(first, of);
    return suspectDragSlip({ ...(at === null ? { torque: first } : { pull: first / (at * 1e-9), radius: at }), limits: of });
  };
  // a pull that would be right at a metre is a torque; anything else is only held against what is expected
  const isMetre = ({ factor }: { factor: number }): boolean => at !== null && isSame(factor, at * 1e-9);
  const suspected = [...slipped(limits).filter(isMetre), ...slipped(expected).filter((slip) => !isMetre(slip) || !limits)];
  return suspected
    .map(({ factor, message }) => {
      const torques = figures.map((figure) => figure / factor);
      const sameIn = isPull ? undefined : TORQUES.find((unit) => isSame(toBase(fromBase(first, meaning.unit), unit), first / factor));
      const shown = sameIn ?? (isPull ? (bare === 'mm' ? 'N·m' : 'lbf·in') : meaning.unit);
      const said = `${torques.map((torque) => describeQuantity(torque, shown, 3)).join(', ')}${other(torques, shown, bare)}`;
      return {
        meaning: { value: field === 'drag' ? { torques } : torques, unit: shown, said },
        why: message,
        rank: sameIn !== undefined || isMetre({ factor }) ? 0 : isPoint(factor) ? 1 : 2,
      };
    })
    .sort((a, b) => a.rank - b.rank);
}

const isPoint = (factor: number): boolean => POINT.some((by) => isSame(by, factor));

const TORQUES = UNITS.flatMap(({ kind, name }) => (kind === 'torque' ? [name] : []));
const isSame = (one: number, another: number): boolean => Math.abs(one / another - 1) < 1e-6;

const WORDS: Readonly<Record<string, number>> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  half: 1 / 2,
  third: 1 / 3,
  quarter: 1 / 4,
  sixth: 1 / 6,
  eighth: 1 / 8,
};
/** Degrees in each: a flat is one of six. */
const TURNS: Readonly<Record<string, number>> = { flat: 60, flats: 60, turn: 360, turns: 360 };

/** "a quarter of a flat", "half a turn", "1/6 turn", "back 10", "15 back"; null where it is a plain figure. */
function turnInWords(clean: string, scale = '°'): { readonly degrees: number; readonly words: string } | null {
  const isBack = /\bback\b|^-/i.test(clean);
  const plain = clean
    .replace(/\b(?:back|on|onward|further|more|of)\b|^-/gi, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase();
  const [, count = '', what = ''] = /^(.*?) ?(flats?|turns?)$/.exec(plain) ?? [];
  const per = TURNS[what];
  const amount = per === undefined ? orNull(() => toBase(readNumber(plain.replace(/ ?(?:°|deg(?:ree)?s?)$/, '')), scale)) : countOf(count) * per;
  if (amount === null || !Number.isFinite(amount)) return null;
  const degrees = isBack ? -amount : amount + 0;
  if (Math.abs(degrees) > PLAIN.turn[1]) refuse('notAnAngle', 'That is more than three turns: say it again, in degrees or turns.');
  const flats = Number((Math.abs(degrees) / 60).toFixed(2));
  return {
    degrees,
    words: `${Number(Math.abs(degrees).toFixed(1))}° ${isBack ? 'back' : 'on'}, ${flats < 1 ? `${flats} of a flat` : flats === 1 ? 'a flat' : `${flats} flats`}`,
  };
}

/** What is ten times off what was to be turned is asked about. */
function turned({ degrees, words }: { readonly degrees: number; readonly words: string }, { expected, bare }: AnyQuestion): AnyUnderstood {
  const typed = { value: degrees, unit: '°', said: words };
  const isInside = (angle: number): boolean => expected !== undefined && Math.abs(angle) >= expected.min && Math.abs(angle) <= expected.max;
  const meant = isInside(degrees) ? undefined : [degrees / 10, degrees * 10].find(isInside);
  if (meant === undefined) return { kind: 'understood', ...typed };
  const found = understandQuantity(`${Number(meant.toPrecision(6))}°`, { field: 'turn', bare });
  return { kind: 'ask', meanings: [...meaningsOf(found), { ...typed, asTyped: true }], why: `${words}: the point one place out?` };
}

/** Halves and quarters that are said beside whole ones, or by themselves, as figures: "1.5 flats" of "a flat and a half", "1/4" of "a quarter". */
const withFigures = (clean: string): string =>
  clean
    .replace(/\b(?:a|an|one) (flat|turn) and a (half|quarter)\b/i, (_, of: string, part: string) => `${1 + (WORDS[part.toLowerCase()] ?? 0)} ${of}s`)
    .replace(/\b(one|two|three) and a (half|quarter)\b/i, (_, whole: string, part: string) =>
      String((WORDS[whole.toLowerCase()] ?? 0) + (WORDS[part.toLowerCase()] ?? 0)),
    )
    .replace(
      /^((?:back )?)(?:a )?(half|third|quarter|sixth|eighth)(?=$| back$| on$)/i,
      (_, back: string, part: string) => `${back}1/${Math.round(1 / (WORDS[part.toLowerCase()] ?? 1))}`,
    );

/** A fraction alone, as far as the nut goes on or back. */
const FRACTION = /(?<=^(?:-|back )?)(?:\d+ )?\d+ ?\/ ?\d+(?=(?: back| on)?$)/i;

/** A fraction of nothing: of a flat, or of a whole turn. */
function eitherTurn(clean: string, fraction: string): AnyUnderstood {
  const meanings = ['flat', 'turn'].flatMap((of) => {
    const said = turnInWords(clean.replace(fraction, `${fraction} ${of}`));
    return said === null ? [] : [{ value: said.degrees, unit: '°', said: said.words }];
  });
  return { kind: 'ask', meanings, why: `${fraction} of a flat, or of a whole turn?` };
}

function countOf(count: string): number {
  if (count === '') return 1;
  const number = orNull(() => readNumber(count));
  if (number !== null) return number;
  return count.split(' ').reduce((product, word) => product * (WORDS[word] ?? Number.NaN), 1);
}
