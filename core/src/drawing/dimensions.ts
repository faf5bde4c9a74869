import { formatLength, unitWord, unitOfSizes, type Length } from '../quantity/index.ts';
import { line, path, text, textWidth, type Shape } from './shapes.ts';

/** How a size is written on a drawing: in the job's own system large, in the other beside it. */
export interface SizeWords {
  readonly first: string;
  readonly second: string;
}

/** A diameter or length in both systems, the job's first: Ø92.00, 3.6220 in. Inches to the ten-thousandth, millimetres to the hundredth, or finer where it is. */
export function sizeWords(size: Length, unit: 'thou' | 'mm', sign = ''): SizeWords {
  const inWords = (of: 'in' | 'mm'): string => formatLength(size, of, of === 'in' ? 4 : size % 10_000 === 0 ? 2 : 3);
  const first = unitOfSizes(unit);
  const second = first === 'mm' ? 'in' : 'mm';
  const withUnit = (of: 'in' | 'mm'): string => (of === 'in' ? `${inWords('in')}″` : `${inWords('mm')} ${unitWord('mm')}`);
  return { first: `${sign}${withUnit(first)}`, second: withUnit(second) };
}

const FIRST = 18;
const SECOND = 14;
const HEAD = 9;

/** An arrow head at a point, pointing along an angle. */
export function arrowHead(x: number, y: number, angle: number): Shape {
  const at = (along: number, side: number): string =>
    `${(x - along * Math.cos(angle) - side * Math.sin(angle)).toFixed(2)},${(y - along * Math.sin(angle) + side * Math.cos(angle)).toFixed(2)}`;
  return path(`M${at(0, 0)}L${at(HEAD, 3.2)}L${at(HEAD, -3.2)}Z`, { fill: 'ink' });
}

/** How much room a size takes when it is written on one line. */
const wordsWidth = ({ first, second }: SizeWords): number => textWidth(first, 'number', FIRST) + 10 + textWidth(second, 'number', SECOND);

/** A size on one line about a middle, the second system after the first. */
function sizeOn(middle: number, y: number, words: SizeWords): Shape[] {
  const left = middle - wordsWidth(words) / 2;
  return [
    text(left, y, words.first, 'number', FIRST, 'ink', { bold: true }),
    text(left + textWidth(words.first, 'number', FIRST) + 10, y, words.second, 'number', SECOND, 'ink2'),
  ];
}

/** A size between two uprights, its line at y, with lines drawn down to it from where it is measured; the words stand beside it where they do not go between, on the side that is said. */
export function acrossAt({
  from,
  to,
  y,
  lines,
  words,
  beside = 'right',
}: {
  from: number;
  to: number;
  y: number;
  lines: readonly [number, number];
  words: SizeWords;
  beside?: 'left' | 'right';
}): Shape[] {
  const room = to - from - 2 * HEAD - 8;
  const need = wordsWidth(words);
  const isBetween = need <= room;
  const middle = (from + to) / 2;
  const out = 22;
  const outside = beside === 'right' ? to + out + 8 + need / 2 : from - out - 8 - need / 2;
  return [
    line(from, lines[0], from, y + 6, 'ink', 0.8),
    line(to, lines[1], to, y + 6, 'ink', 0.8),
    ...(isBetween
      ? [
          line(from, y, middle - need / 2 - 6, y, 'ink', 1),
          line(middle + need / 2 + 6, y, to, y, 'ink', 1),
          arrowHead(from, y, Math.PI),
          arrowHead(to, y, 0),
        ]
      : [
          line(from - out, y, from, y, 'ink', 1),
          line(to, y, to + out, y, 'ink', 1),
          line(from, y, to, y, 'ink', 1),
          arrowHead(from, y, 0),
          arrowHead(to, y, Math.PI),
        ]),
    ...(isBetween ? sizeOn(middle, y + 6, words) : sizeOn(outside, y + 6, words)),
  ];
}

/** A size between two levels, its line at x, the words beside it on two lines: on the side that is said. */
export function upAt({
  top,
  bottom,
  x,
  lines,
  words,
  side,
}: {
  top: number;
  bottom: number;
  x: number;
  lines: readonly [number, number];
  words: SizeWords;
  side: 'left' | 'right';
}): Shape[] {
  const away = side === 'left' ? -1 : 1;
  const isRoomy = bottom - top > 2 * HEAD + 4;
  const out = isRoomy ? 0 : 20;
  const anchor = side === 'left' ? 'end' : 'start';
  const middle = (top + bottom) / 2;
  return [
    line(lines[0], top, x + away * 6, top, 'ink', 0.8),
    line(lines[1], bottom, x + away * 6, bottom, 'ink', 0.8),
    line(x, top - out, x, bottom + out, 'ink', 1),
    arrowHead(x, top, isRoomy ? -Math.PI / 2 : Math.PI / 2),
    arrowHead(x, bottom, isRoomy ? Math.PI / 2 : -Math.PI / 2),
    text(x + away * 10, middle, words.first, 'number', FIRST, 'ink', { bold: true, anchor }),
    text(x + away * 10, middle + 18, words.second, 'number', SECOND, 'ink2', { anchor }),
  ];
}
