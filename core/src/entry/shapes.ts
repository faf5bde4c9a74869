import { refuse } from '../errors.ts';
import {
  formatLength,
  formatLimits,
  fromLength,
  loneEnd,
  nanometres,
  NM_PER,
  otherUnit,
  unitWord,
  type Length,
  type LengthUnit,
} from '../quantity/index.ts';
import { INCH, type Figure, type Measure, type Token } from './tokens.ts';
import type { PlainRange } from './plainRange.ts';
import { inBoth, type LeafLine, type LimitsEntry } from './meaning.ts';

/** An entry by its grammar, before its unit is known: its figures in order, and what they make. */
export interface Shape<Value> {
  readonly figures: readonly Figure[];
  make(lengths: readonly Length[], measures: readonly Measure[]): Value;
  /** the lengths of it that must be what such a thing can be: a tolerance need not */
  sizes(value: Value): readonly number[];
  say(value: Value, unit: LengthUnit): string;
  /** how many of its figures, from the first, are one thing read again */
  readonly repeats?: number;
  /** the only measures it can be heard in, where the grammar says so */
  readonly as?: readonly Measure[];
  /** what else it may have been that no factor tells, where it is outside what is expected */
  suspected?(within: PlainRange): readonly { readonly value: Value; readonly why: string }[];
}

export const isFigure = (token: Token | undefined): token is Figure => token?.is === 'figure';
export const isMark = (token: Token | undefined, ...texts: string[]): boolean => token?.is === 'mark' && texts.includes(token.text);
export const words = (found: readonly Token[]): string => found.map((token) => token.text).join(' ');
/** An entry by its grammar alone: every figure a #, and a # that was typed is none. */
export const pattern = (found: readonly Token[]): string =>
  found.map((token) => (token.is === 'figure' ? '#' : token.text.replaceAll('#', 'hash'))).join(' ');
export const negative = (length: Length): Length => nanometres(-length);

const TORQUE = new Set(['nm', 'n', 'lb', 'lbs', 'lbf', 'ft', 'ftlb', 'kgm', 'kgfm', 'kg', 'kgf']);
export function noTorque(found: readonly Token[]): void {
  if (found.some((token) => token.is === 'mark' && TORQUE.has(token.text)))
    refuse('torque', 'That is a torque; a length is wanted here. Keep it for the bolts?');
}

/** Whether a comma in it may be a decimal one, or part two figures. */
export const hasComma = (token: Token): boolean => isFigure(token) && token.comma;

/** "12,13" taken for two figures, where it could be one and a bit. */
export const parted = (found: readonly Token[]): readonly Token[] =>
  found.flatMap((token): readonly Token[] => {
    if (!isFigure(token) || !token.comma) return [token];
    const [one = '', other = ''] = token.text.split('.');
    const whole = (text: string): Figure => ({ ...token, text, value: Number(text), written: 'whole', decimals: 0, comma: false });
    return [whole(one), { is: 'mark', text: ';' }, whole(other)];
  });

/** One size: a figure; a face that stands proud is less than nothing, one that is down is more. */
export function readSize(found: readonly Token[]): Shape<Length>[] {
  noTorque(found);
  const isBelow = isMark(found[0], '-', 'proud');
  const rest = isMark(found[0], '-', 'down', 'proud') ? found.slice(1) : found;
  const [figure, ...more] = rest;
  if (!isFigure(figure) || more.length > 0)
    return refuse('notASize', `“${words(found).slice(0, 24)}” is not a size: type one such as 0.25 mm, 10 thou or 3/16".`);
  return [
    { figures: [figure], sizes: (length) => [length], make: ([length]) => (isBelow ? negative(length as Length) : (length as Length)), say: inBoth },
  ];
}

const limitSizes = ({ min, max, single, aim }: LimitsEntry): number[] => [min, max, single, aim].filter((each) => each !== undefined);

const NOTHING = /^(?:none|nil|nothing|not known|nobody knows|\?)$/;
const NIL = new Set(['zero', 'nought', 'nothing']);
const NEGATIVE = new Set(['preload', 'crush', 'nip', 'interference', 'negative']);
const FILLER = new Set(['end', 'float', 'play', 'clearance', 'backlash', 'of', 'is', 'about']);

/** A gap in a sentence, nm: "9", "preload 2". */
export const sayGap = (gap: number, unit: LengthUnit): string =>
  `${gap < 0 ? 'preload ' : ''}${formatLength(nanometres(Math.abs(gap)), unit).replace(/\.0$/, '')}`;

/** Limits in both systems, as they are said beside the field. */
export const sayLimits = ({ single, aim, ...limits }: LimitsEntry, unit: LengthUnit): string => {
  if (single !== undefined) return `${inBoth(single, unit)}, one figure alone`;
  if (limits.min === undefined && limits.max === undefined) return 'no limits';
  // a float written in inches is said in thou, and a size in inches
  const isSize = Math.max(Math.abs(limits.min ?? 0), Math.abs(limits.max ?? 0)) > 6_000_000;
  const shown = unit === 'in' && !isSize ? 'thou' : unit;
  const aimed = (u: LengthUnit): string => (aim === undefined ? '' : `${sayGap(aim, u)} within `);
  const each = (u: LengthUnit): string => `${aimed(u)}${formatLimits(limits, u)} ${unitWord(u)}`;
  return `${each(shown)} · ${each(shown === 'mm' && isSize ? 'in' : otherUnit(shown))}`;
};

/** Whether the figures that name their unit name more than one. */
export const mixesUnits = (found: readonly Token[]): boolean =>
  new Set(found.flatMap((token) => (isFigure(token) && token.settled ? [token.settled[0]?.name] : []))).size > 1;

/** Limits, in any of the ways a manual or a person says them; and where in them it is to come: `9 within 2 to 14`, `2-14 aim 9`. */
export function readLimitsEntry(found: readonly Token[]): Shape<LimitsEntry>[] {
  noTorque(found);
  const aimed = aimIn(found);
  if (!aimed) return readBareLimits(found);
  return readBareLimits(aimed.limits).map((shape) => ({
    ...shape,
    figures: [...shape.figures, aimed.figure],
    make: (lengths, measures) => withAim(shape.make(lengths.slice(0, -1), measures.slice(0, -1)), lengths.at(-1) as Length),
  }));
}

/** The figure to aim at, and the rest; a unit written after either stands for both. */
function aimIn(found: readonly Token[]): { readonly figure: Figure; readonly limits: readonly Token[] } | null {
  const [first] = found;
  const at = found.findIndex((token) => isMark(token, 'aim'));
  const [figure, rest] = isMark(found[1], 'within') ? [first, found.slice(2)] : [found.slice(at + 1).find(isFigure), found.slice(0, Math.max(at, 0))];
  if (!isFigure(figure) || rest.length === 0) return null;
  const limits = isMark(rest.at(-1), ';') ? rest.slice(0, -1) : rest;
  const settled = limits.find((token) => isFigure(token) && token.settled) as Figure | undefined;
  const unit = figure.settled ?? settled?.settled ?? null;
  return {
    figure: { ...figure, settled: unit },
    limits: limits.map((token) => (isFigure(token) ? { ...token, settled: token.settled ?? unit } : token)),
  };
}

function withAim(limits: LimitsEntry, figure: Length): LimitsEntry {
  const { min, max } = limits;
  if (min === undefined && max === undefined) return refuse('noAim', 'Something is aimed at within limits: type them too, as in 9 within 2 to 14.');
  // of preload, both are said as so much of it
  const aim = max !== undefined && max <= 0 ? negative(figure) : figure;
  if (aim < (min ?? aim) || aim > (max ?? aim)) return refuse('aimOutside', 'What is aimed at lies outside those limits: check the three figures.');
  return { ...limits, aim };
}

function readBareLimits(found: readonly Token[]): Shape<LimitsEntry>[] {
  if (mixesUnits(found)) return refuse('twoUnits', 'Two units in one entry: write both limits in the same one.');
  if (NOTHING.test(words(found))) return [{ figures: [], sizes: limitSizes, make: () => ({}), say: sayLimits }];
  const isNegative = found.some((token) => token.is === 'mark' && NEGATIVE.has(token.text));
  const both = found.findIndex((token) => isMark(token, 'preload', 'nip', 'crush', 'interference'));
  const joint = found.findIndex((token, i) => i > 0 && isMark(token, 'to', '-') && isFigure(found[i + 1]));
  // "3 preload to 2 float": its first figure alone is the other side of nought
  const isFirstOnly = both > 0 && joint === both + 1 && isFigure(found[joint + 1]);
  const kept = found
    .filter((token) => token.is === 'figure' || !(NEGATIVE.has(token.text) || FILLER.has(token.text)))
    .map((token) => (token.is === 'mark' && NIL.has(token.text) ? { ...token, text: 'nil' } : token));
  const shape = (figures: readonly Figure[], make: (lengths: readonly Length[]) => LimitsEntry): Shape<LimitsEntry> => ({
    figures,
    sizes: limitSizes,
    make: (lengths) => ordered(isNegative && !isFirstOnly ? mirrored(make(lengths)) : make(lengths)),
    say: sayLimits,
  });
  const figures = kept.filter(isFigure);
  const said = pattern(kept);
  if (/^nil (?:to|-) #$/.test(said)) return [shape(figures, ([max]) => ({ min: 0 as Length, max: max as Length }))];
  const end = loneEnd(said);
  if (end?.figure === '#') return [shape(figures, ([length]) => ({ [end.isMost ? 'max' : 'min']: length as Length }))];
  if (/^# (?:±|\+ ?\/ ?-|\+ -) #$/.test(said))
    return [
      shape(figures, ([mid, by]) => ({ min: nanometres((mid as Length) - (by as Length)), max: nanometres((mid as Length) + (by as Length)) })),
    ];
  if (/^# \+ # - #$/.test(said))
    return [
      shape(figures, ([size, over, under]) => ({
        min: nanometres((size as Length) - (under as Length)),
        max: nanometres((size as Length) + (over as Length)),
      })),
    ];
  const range = /^(- )?# (?:to|-|;|and) (- )?#$/.exec(said);
  if (range) {
    const [, below, alsoBelow] = range;
    return [
      shape(figures, ([a, b]) => ({
        min: below !== undefined || isFirstOnly ? negative(a as Length) : (a as Length),
        max: alsoBelow === undefined ? (b as Length) : negative(b as Length),
      })),
    ];
  }
  if (/^(?:- )?#$/.test(said)) return lone(shape, figures[0] as Figure, said.startsWith('-'));
  return refuse('notLimits', `“${words(found).slice(0, 24)}” is not limits: type them as in 5-8 thou, 0.05 to 0.10 mm, or max 9 thou.`);
}

/** One figure alone; a bare fraction may as well be two figures with a stroke between. */
function lone(
  shape: (figures: readonly Figure[], make: (lengths: readonly Length[]) => LimitsEntry) => Shape<LimitsEntry>,
  figure: Figure,
  isBelow: boolean,
): Shape<LimitsEntry>[] {
  const single = shape([figure], ([length]) => ({ single: isBelow ? negative(length as Length) : (length as Length) }));
  const [, top, bottom] = /^(\d+) ?\/ ?(\d+)$/.exec(figure.text) ?? [];
  if (top === undefined || bottom === undefined || figure.settled || Number(top) >= Number(bottom)) return [single];
  const each = (text: string): Figure => ({ ...figure, text, value: Number(text), written: 'whole' });
  const range = shape([each(top), each(bottom)], ([min, max]) => ({ min: min as Length, max: max as Length }));
  return [range, { ...single, as: [INCH] }];
}

const mirrored = ({ min, max, single }: LimitsEntry): LimitsEntry => ({
  ...(max === undefined ? {} : { min: negative(max) }),
  ...(min === undefined ? {} : { max: negative(min) }),
  ...(single === undefined ? {} : { single: negative(single) }),
});

function ordered(limits: LimitsEntry): LimitsEntry {
  if (limits.min !== undefined && limits.max !== undefined && limits.min > limits.max)
    refuse('reversedLimits', 'Those limits are the wrong way round: give the smaller first, as in 5-8 thou.');
  return limits;
}

const leafSizes = (lines: readonly LeafLine[]): number[] => lines.map(({ thickness }) => thickness);

const LEAF_WORDS = new Set(['leaf', 'leaves', 'shim', 'shims', 'off', 'and', 'pack', 'thick']);
const MOST_OF_ONE = 200;

const sayLeaves = (lines: readonly LeafLine[]): string =>
  lines.length === 0 ? 'none' : lines.map((line) => `${line.count > 1 ? `${line.count} of ` : ''}${inBoth(line.thickness, line.unit)}`).join(', ');

/** Leaves, each with how many: `20 + 8`, `.010×3`, `3 x .010`, `5 5 8 thou`, `none`. */
export function readLeaves(
  found: readonly Token[],
  { bare, field }: { readonly bare: 'thou' | 'mm'; readonly field: 'pack' | 'leaves' },
): Shape<readonly LeafLine[]>[] {
  noTorque(found);
  if (NOTHING.test(words(found)) || (found.length === 1 && isFigure(found[0]) && found[0].value === 0))
    return [{ figures: [], sizes: leafSizes, make: () => [], say: sayLeaves }];
  if (isMark(found[0], '-')) return refuse('negativePack', 'A pack cannot be less than nothing: type what is in, or none.');
  const comma = found.find(hasComma);
  const [onlyFigure] = found;
  if (found.length === 2 && isFigure(onlyFigure) && onlyFigure.written === 'whole' && isMark(found[1], 'leaves', 'shims'))
    return refuse('countOnly', 'That is how many: say how thick each is as well, as in 4 × 10 thou.');
  const plain = found.filter((token) => token.is === 'figure' || !LEAF_WORDS.has(token.text));
  const lines = leafLines(plain);
  const asDecimal = leafShape(lines);
  const [first, times, second, ...more] = plain;
  // "4 × 10 thou" said of a pack: four of 10 thou, or ten of 4
  const isTwoWholes = isFigure(first) && isMark(times, 'x') && isFigure(second) && more.length === 0 && canCount(first) && canCount(second);
  if (field === 'pack' && isTwoWholes && first.settled && second.settled)
    return [leafShape([{ figure: second, count: first.value }]), leafShape([{ figure: first, count: second.value }])];
  if (comma === undefined || bare === 'mm') return [asDecimal];
  return [leafShape(leafLines(parted(plain))), asDecimal];
}

interface Line {
  readonly figure: Figure;
  readonly count: number;
}

const leafShape = (lines: readonly Line[]): Shape<readonly LeafLine[]> => ({
  figures: lines.map(({ figure }) => figure),
  sizes: leafSizes,
  make: (lengths, measures) =>
    lines.map(({ figure, count }, i) => {
      const thickness = lengths[i] as Length;
      const unit = measures[i]?.unit ?? 'mm';
      // a gauge, a tenth or a hundredth is written as what it comes to; so is a figure that was mended
      const isAsWritten = measures[i]?.nm === NM_PER[unit] && nanometres(figure.value * NM_PER[unit]) === thickness;
      return {
        thickness,
        count,
        written: isAsWritten ? figure.text.replace('-', ' ') : String(Number(fromLength(thickness, unit).toFixed(4))),
        unit,
      };
    }),
  say: sayLeaves,
});

function leafLines(found: readonly Token[]): Line[] {
  const lines: Line[] = [];
  for (let i = 0; i < found.length;) {
    const [token, times, other] = found.slice(i, i + 3);
    if (isMark(token, '+', ';')) i += 1;
    else if (isFigure(token) && isMark(times, 'x', 'of', '@') && isFigure(other)) {
      lines.push(counted(token, other, isMark(times, 'of', '@')));
      i += 3;
    } else if (isFigure(token)) {
      if (token.value === 0) refuse('badLeaf', 'A leaf has a thickness: it cannot be nothing.');
      lines.push({ figure: token, count: 1 });
      i += 1;
    } else refuse('notLeaves', `“${words(found).slice(0, 24)}” is not a pack: type each thickness, as in 20+8 thou or 0.50×2 mm.`);
  }
  if (lines.length === 0) refuse('notLeaves', 'There is no thickness there: type each, as in 20+8 thou or 0.50×2 mm.');
  return lines;
}

const canCount = ({ written, value, decimals }: Figure): boolean => written === 'whole' && decimals === 0 && value >= 1;

/** The whole number beside a decimal is the count; of two whole numbers the first is the thickness. */
function counted(first: Figure, second: Figure, countFirst: boolean): Line {
  if (first.value === 0 || second.value === 0) refuse('notACount', 'How many is a whole number from 1, and a leaf has a thickness: as in .010 × 3.');
  const [count, figure] = countFirst || !canCount(second) ? [first, second] : [second, first];
  if (!canCount(count)) refuse('notACount', 'How many is a whole number from 1: as in .010 × 3.');
  if (count.value > MOST_OF_ONE) refuse('tooMany', `${count.value} of one leaf? Say how thick first, then how many.`);
  return { figure, count: count.value };
}
