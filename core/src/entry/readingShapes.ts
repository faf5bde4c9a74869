import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { bladesTotal, BOUND, readingExample, readingOf, suspectHand, type Instrument, type ReadingEntry } from '../reading/index.ts';
import { inBoth } from './meaning.ts';
import { isFigure, isMark, mixesUnits, negative, noTorque, pattern, words, type Shape } from './shapes.ts';
import type { Token } from './tokens.ts';

/** A reading as it is written at the vice: where a hand went, blades that go and stop, or sizes, less a parallel where there is one. */
export function readReading(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry>[] {
  noTorque(found);
  if (found.some((token) => isMark(token, '>', '<'))) return [readHand(found, instrument)];
  if (found.some((token) => isMark(token, 'goes', 'stops'))) return [readBlades(found, instrument)];
  const pair = fromTo(found, instrument);
  if (pair) return pair;
  return [readSizes(found, instrument)];
}

/** "88-12", "88 to 12": no sum of whole figures. A hand went from one to the other, either way round; or what goes in and what does not. */
function fromTo(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry>[] | null {
  const joint = found.findIndex((token) => isMark(token, '-', 'to'));
  const isPair =
    /^# (?:-|to) #$/.test(pattern(found)) && found.filter(isFigure).every(({ decimals, written }) => decimals === 0 && written !== 'fraction');
  if (!isPair) return null;
  const joined = (text: string): Token[] => found.map((token, i) => (i === joint ? { is: 'mark', text } : token));
  if (instrument.divisions !== undefined) return [readHand(joined('>'), instrument), readHand(joined('<'), instrument)];
  return instrument.kind === 'feelers' ? [readBlades([{ is: 'mark', text: 'goes' }, ...joined('stops')], instrument)] : null;
}

/** The lengths in an entry that must be what such a thing can be; where a hand went is looked at by itself. */
const lengthsOf = (entry: ReadingEntry): readonly Length[] =>
  entry.how === 'sizes' ? entry.values : entry.how === 'blades' ? [entry.goes, entry.stops].filter((each) => each !== null).map(bladesTotal) : [];

/** `88>12`, the other way `88<12`, `+1` a whole turn more, `88>12>87` back again. */
function readHand(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry> {
  const { divisions } = instrument;
  if (divisions === undefined) return refuse('noDial', `${instrument.name} has no hand to read: type the size it shows.`);
  const parts = /^(- )?# ([<>]) (- )?#( [<>] (?:- )?#)?( \+ #(?: turns?)?)?$/.exec(pattern(found));
  if (!parts) return refuse('notAReading', 'A dial is written from > to, such as 88>12, with < where the hand ran backwards.');
  const [, fromBelow, arrow, toBelow, cameBack, more] = parts;
  const [first, second, ...rest] = found.filter(isFigure).map(({ value }) => value);
  const from = (fromBelow === undefined ? 1 : -1) * (first ?? 0);
  const to = (toBelow === undefined ? 1 : -1) * (second ?? 0);
  const back = cameBack === undefined ? null : (cameBack.includes('-') ? -1 : 1) * (rest[0] ?? 0);
  const turns = more === undefined ? 0 : (rest.at(-1) ?? 0);
  const direction = arrow === '>' ? 'clockwise' : 'anticlockwise';
  const entry = { how: 'hand', from, to, back, turns, direction } as const;
  readingOf(entry, instrument);
  return {
    figures: [],
    make: () => entry,
    sizes: lengthsOf,
    say: (each) => sayAt(each, instrument),
    suspected: (within) => suspectHand(entry, instrument, within).map(({ entry: value, why }) => ({ value, why })),
  };
}

/** What an entry comes to at its instrument, in words. */
function sayAt(entry: ReadingEntry, instrument: Instrument): string {
  const { reading, drifted } = readingOf(entry, instrument);
  return `${BOUND[reading.kind]}${inBoth(reading.value, instrument.unit)}${drifted ? ', the stand moved' : ''}`;
}

/** `goes 9 stops 10`, in either order, one side alone, blades put in together with a plus. */
function readBlades(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry> {
  const stack = String.raw`:? #(?: [+;] #)*`;
  if (!new RegExp(`^(?:goes${stack}(?: stops${stack})?|stops${stack}(?: goes${stack})?)$`).test(pattern(found)))
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
  return {
    figures: found.filter(isFigure),
    make: (lengths) => {
      const split = (isGoesFirst ? goes : stops) ?? lengths.length;
      const [one, two] = [lengths.slice(0, split), lengths.slice(split)];
      const tried = {
        how: 'blades' as const,
        goes: goes === null ? null : isGoesFirst ? one : two,
        stops: stops === null ? null : isGoesFirst ? two : one,
      };
      readingOf(tried, instrument);
      return tried;
    },
    sizes: lengthsOf,
    say: (entry) => sayAt(entry, instrument),
  };
}

/** `24 24 23`, `.512 .511 .512 less .250`, `proud .020`. */
function readSizes(found: readonly Token[], instrument: Instrument): Shape<ReadingEntry> {
  if (instrument.divisions !== undefined && isMark(found[0], '-'))
    return refuse('negativeTravel', 'A dial shows how far it moved, which is never less than nothing: preload is read with a known spacer in.');
  const isProud = isMark(found[0], 'proud', '-');
  const rest = isMark(found[0], 'proud', 'down', '-') ? found.slice(1) : found;
  const less = rest.findIndex((token, i) => i > 0 && isMark(token, 'less', '-'));
  const [read, off] = less < 0 ? [rest, []] : [rest.slice(0, less), rest.slice(less + 1)];
  const plain = read.filter((token) => !isMark(token, ';', 'and'));
  const isSound = plain.length > 0 && plain.every(isFigure) && (less < 0 || (off.length === 1 && isFigure(off[0])));
  if (!isSound) return refuse('notAReading', `“${words(found).slice(0, 24)}” is not a reading: ${readingExample(instrument)}.`);
  if (mixesUnits(plain)) return refuse('twoUnits', 'Two units in one entry: give the readings in one, or one at a time.');
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
