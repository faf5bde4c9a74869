import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { dialReturn, dialTravel, type Instrument } from '../reading/index.ts';
import { inBoth, type ReadingEntry } from './meaning.ts';
import { isFigure, isMark, negative, noTorque, words, type Shape } from './shapes.ts';
import type { Figure, Token } from './tokens.ts';

/** A reading as it is written at the vice: where a hand went, blades that go and stop, or sizes, less a parallel where there is one. */
export function readReading(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry>[] {
  noTorque(found);
  if (found.some((token) => isMark(token, '>', '<'))) return [readHand(found, instrument)];
  if (found.some((token) => isMark(token, 'goes', 'stops'))) return [readBlades(found, instrument)];
  return [readSizes(found, instrument)];
}

const lengthsOf = (entry: ReadingEntry): readonly Length[] =>
  entry.how === 'sizes' ? entry.values : entry.how === 'blades' ? [entry.goes, entry.stops].filter((each) => each !== null) : [entry.travel];

/** `88>12`, the other way `88<12`, `+1` a whole turn more, `88>12>87` back again. */
function readHand(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry> {
  const { divisions, resolution, balanced = false, stemAngle = 0, faceAngle = 0, radius } = instrument;
  if (divisions === undefined) return refuse('noDial', `${instrument.name} has no hand to read: type the size it shows.`);
  const said = found.map((token) => (token.is === 'figure' ? '#' : token.text)).join(' ');
  const parts = /^(- )?# ([<>]) (- )?#( [<>] (?:- )?#)?( \+ #(?: turns?)?)?$/.exec(said);
  if (!parts) return refuse('notAReading', 'A dial is written from > to, such as 88>12, with < where the hand ran backwards.');
  const [, fromBelow, arrow, toBelow, cameBack, more] = parts;
  const [first, second, ...rest] = found.filter(isFigure).map(({ value }) => value);
  const from = (fromBelow === undefined ? 1 : -1) * (first ?? 0);
  const to = (toBelow === undefined ? 1 : -1) * (second ?? 0);
  const back = cameBack === undefined ? null : (cameBack.includes('-') ? -1 : 1) * (rest[0] ?? 0);
  const turns = more === undefined ? 0 : (rest.at(-1) ?? 0);
  for (const hand of [from, to, back ?? 0]) checkHand(hand, divisions, balanced);
  const direction = arrow === '>' ? 'clockwise' : 'anticlockwise';
  const indicated = dialTravel({ from, to, revolutions: turns, direction, divisions, division: resolution, stemAngle, faceAngle });
  const travel = radius ? nanometres((indicated * radius.wanted) / radius.read) : indicated;
  const held = back === null || dialReturn({ from, back, divisions, division: resolution }).held;
  return {
    figures: [],
    make: () => ({ how: 'hand', from, to, back, turns, direction, travel, held }),
    sizes: lengthsOf,
    say: () => `${inBoth(travel, instrument.unit)}${held ? '' : ', the stand moved'}`,
  };
}

/** On a dial marked both ways from nought a hand stands at −50 to 50; on one marked round, at 0 to 100. */
function checkHand(hand: number, divisions: number, balanced: boolean): void {
  const half = divisions / 2;
  if (balanced && Math.abs(hand) > half)
    refuse('offTheDial', `${hand} is not on this dial: it is marked ${half} either side of nought, the left written with a minus.`);
  if (!balanced && (hand < 0 || hand > divisions))
    refuse('offTheDial', `${hand} is not on this dial: it is marked 0 to ${divisions}. Choose the 0–${half}–0 dial if it is that.`);
}

/** `goes 9 stops 10`, in either order, one side alone, blades put in together with a plus. */
function readBlades(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry> {
  const said = found.map((token) => (token.is === 'figure' ? '#' : token.text)).join(' ');
  const stack = String.raw`:? #(?: \+ #)*`;
  if (!new RegExp(`^(?:goes${stack}(?: stops${stack})?|stops${stack}(?: goes${stack})?)$`).test(said))
    return refuse('notAReading', 'Feelers are written goes 9 stops 10, with + between blades put in together.');
  const sides = found.flatMap((token, i) =>
    token.is === 'mark' && (token.text === 'goes' || token.text === 'stops') ? [{ side: token.text, at: i }] : [],
  );
  const count = (side: string): number | null => {
    const at = sides.findIndex((each) => each.side === side);
    const here = sides[at];
    return here ? found.slice(here.at, sides[at + 1]?.at).filter(isFigure).length : null;
  };
  const [goes, stops] = [count('goes'), count('stops')];
  const isGoesFirst = sides[0]?.side === 'goes';
  const sum = (lengths: readonly Length[]): Length => nanometres(lengths.reduce<number>((total, each) => total + each, 0));
  return {
    figures: found.filter(isFigure),
    make: (lengths) => {
      const split = (isGoesFirst ? goes : stops) ?? lengths.length;
      const [one, two] = [lengths.slice(0, split), lengths.slice(split)];
      const went = goes === null ? null : sum(isGoesFirst ? one : two);
      const stopped = stops === null ? null : sum(isGoesFirst ? two : one);
      if (went !== null && stopped !== null && went >= stopped)
        refuse('feelersCrossed', 'A feeler cannot go where a thinner one stops: look again which was which.');
      return { how: 'blades', goes: went, stops: stopped };
    },
    sizes: lengthsOf,
    say: (entry) =>
      entry.how !== 'blades'
        ? ''
        : entry.goes !== null && entry.stops !== null
          ? inBoth(nanometres((entry.goes + entry.stops) / 2), instrument.unit)
          : entry.goes !== null
            ? `at least ${inBoth(entry.goes, instrument.unit)}`
            : `at most ${inBoth(entry.stops ?? nanometres(0), instrument.unit)}`,
  };
}

/** `24 24 23`, `.512 .511 .512 less .250`, `proud .020`. */
function readSizes(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry> {
  const isProud = isMark(found[0], 'proud', '-');
  const rest = isMark(found[0], 'proud', 'down', '-') ? found.slice(1) : found;
  const less = rest.findIndex((token, i) => i > 0 && isMark(token, 'less', '-'));
  const [read, off] = less < 0 ? [rest, []] : [rest.slice(0, less), rest.slice(less + 1)];
  const plain = read.filter((token) => !isMark(token, ';', 'and'));
  const isSound = plain.length > 0 && plain.every(isFigure) && (less < 0 || (off.length === 1 && isFigure(off[0])));
  if (!isSound) return refuse('notAReading', `“${words(found).slice(0, 24)}” is not a reading: ${exampleFor(instrument)}.`);
  const figures = [...plain, ...off].filter(isFigure);
  return {
    figures,
    repeats: plain.length,
    make: (lengths) => {
      const parallel = less < 0 ? 0 : (lengths.at(-1) ?? 0);
      const values = (less < 0 ? lengths : lengths.slice(0, -1)).map((each) => nanometres(each - parallel));
      return { how: 'sizes', values: values.map((each) => (isProud ? negative(each) : each)) };
    },
    sizes: lengthsOf,
    say: (entry, unit) => {
      const values = lengthsOf(entry);
      const mean = nanometres(values.reduce<number>((total, each) => total + each, 0) / values.length);
      return `${values.length > 1 ? `mean of ${values.length}: ` : ''}${inBoth(mean, unit)}`;
    },
  };
}

const exampleFor = ({ kind }: Instrument): string =>
  kind === 'dial'
    ? 'type where the hand went, such as 88>12'
    : kind === 'feelers'
      ? 'type what went in, such as goes 9 stops 10'
      : 'type the size, such as 12.70 mm or .5004"';

/** Figures as an instrument is engraved: how many digits after the point one step of it has. */
export function finest({ resolution }: Instrument, nmPerUnit: number): number {
  return Math.max(0, Math.ceil(-Math.log10(resolution / nmPerUnit) - 1e-9));
}

/** As fine as it is engraved, or one finer. */
export const isAsEngraved = ({ decimals }: Figure, digits: number): boolean => decimals === digits || decimals === digits + 1;
