import { ReckoningError } from '../errors.ts';
import { describeLength, formatLength, nanometres, NM_PER, suspectSlip, type Length, type LengthUnit } from '../quantity/index.ts';
import { INSTRUMENTS, type Instrument } from '../reading/index.ts';
import { leavesTotal } from '../shim/index.ts';
import { ALL, heard, heardAt, mostTelling } from './heard.ts';
import { ONE_APART, type EntryField, type Meaning, type Understood, type Values } from './meaning.ts';
import { isPlain, MOST_IN_A_PACK, plainRange, type PlainQuantity, type PlainRange } from './plainRange.ts';
import { readReading } from './readingShapes.ts';
import { hasComma, parted, readLeaves, readLimitsEntry, readSize, type Shape } from './shapes.ts';
import { inMeasure, MM, THOU, tokens, type Figure, type Measure, type Token } from './tokens.ts';

export interface EntryQuestion<Field extends EntryField> {
  readonly field: Field;
  /** what the workshop thinks in: never the display's */
  readonly bare: 'thou' | 'mm';
  readonly quantity?: PlainQuantity;
  /** what it is read with; a reading has one */
  readonly instrument?: Instrument;
  /** narrower than what is plain, where something is known of what is typed */
  readonly expected?: { readonly min: Length; readonly max: Length };
}

const USUAL: Readonly<Record<EntryField, PlainQuantity>> = { size: 'diameter', limits: 'float', pack: 'leaf', leaves: 'leaf', reading: 'float' };

/**
 * What was typed into a field that takes a length.
 *
 * @returns lengths in whole nm; a bare number's unit by how it is written, in this workshop, and by what such a thing can be
 */
export function understandLength<Field extends EntryField>(text: string, question: EntryQuestion<Field>): Understood<Values[Field]> {
  try {
    const { field, bare, quantity = USUAL[field] } = question;
    // a plus before a size says that it is over, and not that something is added to it
    const said = field === 'size' ? text.replace(/^\s*\+\s*(?=[\d.,½¼¾])/, '') : text;
    const shapes = shapesOf(tokens(said, bare), question);
    return decide(shapes, { ...question, quantity });
  } catch (error) {
    if (error instanceof ReckoningError) return { kind: 'refused', code: error.code, message: error.message };
    throw error;
  }
}

function shapesOf<Field extends EntryField>(
  found: readonly Token[],
  { field, bare, instrument }: EntryQuestion<Field>,
): readonly Shape<Values[Field]>[] {
  const { dialThou, dialMm } = INSTRUMENTS;
  const grammar: { readonly [F in EntryField]: () => readonly Shape<Values[F]>[] } = {
    size: () => readSize(found),
    limits: () => eitherComma(found, bare, readLimitsEntry),
    pack: () => readLeaves(found, { bare, field: 'pack' }),
    leaves: () => readLeaves(found, { bare, field: 'leaves' }),
    reading: () => eitherComma(found, bare, (each) => readReading(each, instrument ?? (bare === 'mm' ? dialMm : dialThou))),
  };
  return grammar[field]();
}

/** In a workshop that thinks in thou a comma may part two figures, or be a decimal one: both are heard, where both make sense. */
function eitherComma<Value>(
  found: readonly Token[],
  bare: 'thou' | 'mm',
  read: (found: readonly Token[]) => readonly Shape<Value>[],
): readonly Shape<Value>[] {
  if (bare === 'mm' || !found.some(hasComma)) return read(found);
  const ways = [parted(found), found].flatMap((each) => soundly(() => read(each)) ?? []);
  return ways.length > 0 ? ways : read(found);
}

/** What makes sense; null where it is refused. */
function soundly<Result>(make: () => Result): Result | null {
  try {
    return make();
  } catch (error) {
    if (error instanceof ReckoningError) return null;
    throw error;
  }
}

const NOT_AS_IT_STANDS = 'As it stands it is not what such a thing can be: which was meant?';
/** So many slips are asked about, and what was typed. */
const MOST_SLIPS = 3;

type Decided<Field extends EntryField> = EntryQuestion<Field> & { readonly quantity: PlainQuantity };

/** One way of hearing the whole entry: every figure in a measure. */
interface Heard<Value> {
  readonly meaning: Meaning<Value>;
  readonly lengths: readonly number[];
  readonly measures: readonly Measure[];
  readonly shape: Shape<Value>;
}

function decide<Field extends EntryField>(shapes: readonly Shape<Values[Field]>[], question: Decided<Field>): Understood<Values[Field]> {
  const range = plainRange(question.quantity);
  const inAny = (measures: (shape: Shape<Values[Field]>) => readonly Measure[]): Heard<Values[Field]>[] =>
    shapes.flatMap((shape) => measures(shape).flatMap((measure) => soundly(() => wayIn(shape, measure)) ?? []));
  const elsewise = (): Heard<Values[Field]>[] => distinct(inAny(() => ALL).filter((way) => isPlausible(way, range, question)));
  const ways = inAny((shape) => measuresFor(shape, question));
  if (ways.length === 0) {
    // it cannot be at all in the unit it would be heard in: 801 at an inch micrometer
    const others = elsewise();
    if (others.length > 0) return ask(others, NOT_AS_IT_STANDS);
    for (const shape of shapes) for (const measure of measuresFor(shape, question)) wayIn(shape, measure);
  }
  const sound = ways.filter(({ lengths }) => lengths.every(Number.isFinite));
  if (sound.length === 0) return { kind: 'refused', code: 'notAGauge', message: 'Wire gauge numbers here run from 0 to 36, whole numbers only.' };
  const settled = shapes.length === 1 && isSettled(shapes[0]?.figures ?? []);
  // what the grammar alone could be either way is asked, however plausible one of them is
  const plain = sound.filter((way) => way.shape.as !== undefined || isPlausible(way, range, question));
  const told = settled ? sound : plain;
  const one = distinct(told);
  const [first] = one;
  if (first && one.length === 1) return guarded(first, question, range);
  if (first) return expectedOne(one, question) ?? ask(one, 'It could be either: which?');
  // as it stands it is nothing such a thing can be, and something is known of it
  const known = question.expected && sound[0] ? guarded(sound[0], question, range) : null;
  if (known?.kind === 'ask') return known;
  // one figure among several that is off by a factor, and all of it is out for that
  const [apart] = sound.map((way) => amongNeighbours(way)).filter((meanings) => meanings.length > 0);
  if (apart && sound[0]) return { kind: 'ask', meanings: [...apart, asTyped(sound[0].meaning)], why: ONE_APART };
  const others = elsewise();
  const [typed] = sound;
  if (others.length > 0 && typed) return ask([...others.slice(0, MOST_SLIPS), { ...typed, meaning: asTyped(typed.meaning) }], NOT_AS_IT_STANDS);
  return ask(
    distinct(sound).map((way) => ({ ...way, meaning: asTyped(way.meaning) })),
    'That is not what such a thing can be: mend it, or keep it as typed.',
  );
}

const asTyped = <Value>(meaning: Meaning<Value>): Meaning<Value> => ({ ...meaning, asTyped: true });

const isSettled = (figures: readonly Figure[]): boolean => figures.every((figure) => figure.settled?.length === 1 || figure.value === 0);

/** The measures an entry may be heard in as a whole: what its grammar says, what a doubtful unit may mean, or how its most telling figure is written. */
function measuresFor<Field extends EntryField>(
  { figures, as }: Shape<Values[Field]>,
  { bare, quantity, instrument }: Decided<Field>,
): readonly Measure[] {
  const doubtful = figures.find((figure) => (figure.settled?.length ?? 0) > 1)?.settled;
  const known = as ?? doubtful;
  if (known) return known;
  const telling = mostTelling(figures.filter((figure) => figure.settled === null));
  if (!telling) return [bare === 'thou' ? THOU : MM];
  return instrument ? heardAt(telling, instrument, quantity) : heard(telling, { bare, quantity });
}

/** The entry heard in one measure; figures whose unit was written keep theirs. */
function wayIn<Value>(shape: Shape<Value>, measure: Measure): Heard<Value> {
  const heardAs = shape.figures.map((figure) => (figure.settled?.length === 1 ? (figure.settled[0] ?? measure) : measure));
  const lengths = shape.figures.map((figure, i) => inMeasure(figure, heardAs[i] ?? measure));
  const { unit } = heardAs.at(-1) ?? measure;
  return { meaning: meaningOf(shape, lengths, unit, heardAs), lengths, measures: heardAs, shape };
}

function meaningOf<Value>(shape: Shape<Value>, lengths: readonly number[], unit: LengthUnit, measures: readonly Measure[]): Meaning<Value> {
  if (!lengths.every(Number.isFinite)) return { value: null as Value, unit, said: '' };
  const value = shape.make(
    lengths.map((nm) => nanometres(nm)),
    measures,
  );
  return { value, unit, said: shape.say(value, unit) };
}

function isPlausible<Field extends EntryField>({ meaning, shape }: Heard<Values[Field]>, range: PlainRange, { field }: Decided<Field>): boolean {
  const sizes = shape.sizes(meaning.value);
  return sizes.every((nm) => isPlain(nm, range)) && (field !== 'pack' || leavesTotal(meaning.value as Values['pack']) <= MOST_IN_A_PACK);
}

/** Two ways of hearing that come to the same lengths are one. */
function distinct<Value>(ways: readonly Heard<Value>[]): Heard<Value>[] {
  const seen = new Set<string>();
  return ways.filter(({ meaning }) => {
    const key = JSON.stringify(meaning.value);
    return !seen.has(key) && Boolean(seen.add(key));
  });
}

/** Where something is known, and one meaning lies in it while every other is off it by four times or more, it is that one. */
function expectedOne<Field extends EntryField>(ways: readonly Heard<Values[Field]>[], question: Decided<Field>): Understood<Values[Field]> | null {
  const { expected } = question;
  if (!expected) return null;
  const sizesOf = ({ meaning, shape }: Heard<Values[Field]>): readonly number[] => shape.sizes(meaning.value);
  const inside = (way: Heard<Values[Field]>): boolean => sizesOf(way).every((nm) => nm >= expected.min && nm <= expected.max);
  const farOff = (way: Heard<Values[Field]>): boolean => sizesOf(way).some((nm) => nm >= expected.max * 4 || nm <= expected.min / 4);
  const [one, ...more] = ways.filter(inside);
  return one && more.length === 0 && ways.every((way) => way === one || farOff(way)) ? { kind: 'understood', ...one.meaning } : null;
}

/** Asks where another factor would put the entry in what is expected, or plain, and as typed it is outside. */
function guarded<Field extends EntryField>(way: Heard<Values[Field]>, question: Decided<Field>, range: PlainRange): Understood<Values[Field]> {
  const { meaning, lengths, measures, shape } = way;
  const within = question.field === 'size' || question.field === 'reading' ? (question.expected ?? range) : range;
  // where something is known, the one that is nearest to it first
  const middle = ({ value }: Meaning<Values[Field]>): number => Math.max(...shape.sizes(value).map((nm) => farFrom(question.expected, nm)));
  const apart = amongNeighbours(way).sort((a, b) => middle(a) - middle(b));
  if (apart.length > 0) return { kind: 'ask', meanings: [...apart, asTyped(meaning)], why: ONE_APART };
  const [other, ...others] = question.expected ? (shape.suspected?.(question.expected) ?? []) : [];
  if (other) {
    const meant = [other, ...others].map(({ value }) => ({ value, unit: meaning.unit, said: shape.say(value, meaning.unit) }));
    return { kind: 'ask', meanings: [...meant, asTyped(meaning)], why: `${askedWhy(null, meaning.unit, question.expected)}${sentence(other.why)}` };
  }
  const odd = shape.sizes(meaning.value).find((nm) => !isPlain(nm, within));
  if (odd === undefined) return { kind: 'understood', ...meaning };
  const meant = suspectSlip(nanometres(Math.abs(odd)), within)
    .sort((a, b) => farFrom(question.expected, a.meant) - farFrom(question.expected, b.meant))
    .flatMap(({ factor, why }) => {
      const all = lengths.map((nm) => nm / factor);
      const alone = lengths.map((nm) => (nm === odd ? nm / factor : nm));
      const sound = [all, alone]
        .flatMap((each) => soundly(() => meaningOf(shape, each, meaning.unit, measures)) ?? [])
        .find(({ value }) => shape.sizes(value).every((nm) => isPlain(nm, within)));
      return sound ? [{ sound, why, isSame: isSameFigure(factor, meaning.unit) }] : [];
    });
  const [first] = meant;
  if (!first) return { kind: 'understood', ...meaning };
  return {
    kind: 'ask',
    meanings: [...likeliest(meant).map(({ sound }) => sound), asTyped(meaning)],
    why: `${askedWhy(odd, meaning.unit, question.expected)}${sentence(first.why)}`,
  };
}

/** The first few; the same figure in another unit, the commonest slip of all, is always among them. */
function likeliest<Slip extends { readonly isSame: boolean }>(slips: readonly Slip[]): readonly Slip[] {
  const first = slips.slice(0, MOST_SLIPS);
  const same = slips.find((slip) => slip.isSame);
  return same === undefined || first.includes(same) ? first : [...first.slice(0, -1), same];
}

/** Whether what was meant is the figure that was typed, in another unit: 24 mm for 24 thou. `factor` is entered ÷ meant. */
const isSameFigure = (factor: number, typed: LengthUnit): boolean =>
  (['mm', 'in', 'thou'] as const).some((unit) => unit !== typed && Math.abs(NM_PER[typed] / NM_PER[unit] / factor - 1) < 1e-9);

/** How many times over or under the middle of what is expected a length is; where nothing is, all are as near. */
function farFrom(expected: EntryQuestion<'reading'>['expected'], length: number): number {
  if (!expected || expected.min <= 0 || length <= 0) return 0;
  return Math.abs(Math.log(length / Math.sqrt(expected.min * expected.max)));
}

/** "That is 120.0 thou, and 3.0 to 48.0 was expected. " */
function askedWhy(typed: number | null, unit: LengthUnit, expected: EntryQuestion<'reading'>['expected']): string {
  if (!expected) return '';
  const shown = unit === 'in' && expected.max < 6_000_000 ? 'thou' : unit;
  const range = `${formatLength(expected.min, shown)} to ${describeLength(expected.max, shown)}`;
  return typed === null ? `About ${range} was expected. ` : `That is ${describeLength(nanometres(typed), shown)}, and ${range} was expected. `;
}

const sentence = (why: string): string => `${why.charAt(0).toUpperCase()}${why.slice(1)}?`;

/** In a list of repeats every figure is looked at against its neighbours. */
function amongNeighbours<Value>({ meaning, lengths, measures, shape }: Heard<Value>): Meaning<Value>[] {
  const read = lengths.slice(0, shape.repeats ?? 0);
  if (read.length < 2) return [];
  return read
    .flatMap((nm, i) => {
      const others = read.filter((_, j) => j !== i);
      const among = { min: nanometres(Math.min(...others)), max: nanometres(Math.max(...others)) };
      const factor = suspectSlip(nanometres(nm), among)[0]?.factor ?? changedPlaces(shape.figures[i], nm, among);
      if (factor === undefined) return [];
      const mended = lengths.map((each, j) => (j === i ? each / factor : each));
      return [meaningOf(shape, mended, meaning.unit, measures)];
    })
    .slice(0, MOST_SLIPS);
}

/** A size is read to thousandths: farther than this from the others, and one with two figures the other way about is near them. */
const FAR = 50_800;
const NEARER = 5;

/** Two figures that changed places: what the entry is to be divided by to be near the others; none where that is not so. */
function changedPlaces(figure: Figure | undefined, nm: number, { min, max }: PlainRange): number | undefined {
  const off = (each: number): number => Math.max(min - each, each - max, 0);
  if (!figure || figure.decimals < 2 || off(nm) <= FAR || Math.abs(nm) < 1_000_000) return undefined;
  const { text, value } = figure;
  for (let i = 0; i + 1 < text.length; i++) {
    const [a = '', b = ''] = [text[i], text[i + 1]];
    if (!/^\d\d$/.test(a + b) || a === b) continue;
    const meant = Number(text.slice(0, i) + b + a + text.slice(i + 2));
    if (meant > 0 && off((nm * meant) / value) <= off(nm) / NEARER) return value / meant;
  }
  return undefined;
}

function ask<Value>(ways: readonly Heard<Value>[], why: string): Understood<Value> {
  return { kind: 'ask', meanings: ways.slice(0, 4).map(({ meaning }) => meaning), why };
}
