import type { IsoFit } from '../fit/index.ts';
import { formatLength, fromLength, NM_PER, type Length } from '../quantity/index.ts';
import { tickStep } from './axisTicks.ts';
import { line, path, rect, text, type Shape } from './shapes.ts';

export interface FitBands {
  readonly shapes: readonly Shape[];
  readonly width: number;
  readonly height: number;
  readonly says: string;
}

export interface FitBandsQuestion {
  readonly fit: IsoFit;
  readonly names: { readonly hole: string; readonly shaft: string };
  /** what was measured of either, against the nominal size; null where it was not */
  readonly measured: { readonly hole: Length | null; readonly shaft: Length | null };
  readonly width: number;
}

const LEFT = 84;
const RIGHT = 76;
const TOP = 34;
const TALL = 190;
const BAND = 74;

const signed = (nm: number, unit: 'um' | 'thou'): string => `${nm > 0 ? '+' : nm < 0 ? '−' : ''}${formatLength(Math.abs(nm) as Length, unit)}`;

/**
 * A hole and a shaft of one fit as two bands over the nominal size, micrometres up the left and thou up the right, with what was measured
 * of each. Where the shaft's band stands over the hole's it is tight.
 *
 * @param width px, 300 or more
 */
export function fitBands({ fit: { hole, shaft, least, greatest }, names, measured, width }: FitBandsQuestion): FitBands {
  const ends = [hole.upper, hole.lower, shaft.upper, shaft.lower, measured.hole, measured.shaft].flatMap((each) => (each === null ? [] : [each]));
  const room = Math.max(4000, Math.max(...ends, 0) - Math.min(...ends, 0)) * 0.14;
  const [low, high] = [Math.min(...ends, 0) - room, Math.max(...ends, 0) + room];
  const y = (nm: number): number => TOP + ((high - nm) / (high - low)) * TALL;
  const inner = width - LEFT - RIGHT;
  const [xHole, xShaft] = [LEFT + inner * 0.27, LEFT + inner * 0.73];
  const band = (x: number, upper: Length, lower: Length, isHole: boolean): Shape[] => [
    rect(x - BAND / 2, y(upper), BAND, Math.max(2, y(lower) - y(upper)), {
      fill: isHole ? 'hatchCasing' : 'steel',
      stroke: 'part',
      width: 1.5,
      id: isHole ? 'hole' : 'shaft',
    }),
    text(x + BAND / 2 + 6, y(upper) + 5, signed(upper, 'um'), 'number', 14, 'ink'),
    text(x + BAND / 2 + 6, Math.max(y(lower) + 5, y(upper) + 21), signed(lower, 'um'), 'number', 14, 'ink'),
  ];
  const mark = (x: number, at: Length | null): Shape[] =>
    at === null
      ? []
      : [
          line(x - BAND / 2 - 16, y(at), x + BAND / 2, y(at), 'ink', 2.4),
          path(`M${(x - BAND / 2 - 16).toFixed(1)},${(y(at) - 6).toFixed(1)}l10,6l-10,6Z`, { fill: 'ink', id: 'measured' }),
        ];
  const shapes: Shape[] = [
    ...scale(low, high, y, 'um', LEFT - 8, -1),
    ...scale(low, high, y, 'thou', width - RIGHT + 8, 1),
    line(LEFT - 8, y(0), width - RIGHT + 8, y(0), 'ink', 1.6),
    ...band(xHole, hole.upper, hole.lower, true),
    ...band(xShaft, shaft.upper, shaft.lower, false),
    ...mark(xHole, measured.hole),
    ...mark(xShaft, measured.shaft),
    text(xHole, TOP + TALL + 24, `hole ${names.hole}`, 'text', 16, 'ink', { anchor: 'middle' }),
    text(xShaft, TOP + TALL + 24, `shaft ${names.shaft}`, 'text', 16, 'ink', { anchor: 'middle' }),
    text(LEFT - 12, 18, 'µm', 'label', 14, 'ink2', { anchor: 'end' }),
    text(width - RIGHT + 12, 18, 'thou', 'label', 14, 'ink2'),
  ];
  const words = (nm: Length): string => (nm < 0 ? `${formatLength(-nm as Length, 'um')} µm tight` : `${formatLength(nm, 'um')} µm loose`);
  return { shapes, width, height: TOP + TALL + 36, says: `Hole ${names.hole}, shaft ${names.shaft}: from ${words(least)} to ${words(greatest)}` };
}

function scale(low: number, high: number, y: (nm: number) => number, unit: 'um' | 'thou', x: number, side: 1 | -1): Shape[] {
  const nm = NM_PER[unit];
  const step = tickStep(Math.abs(y(0) - y(nm)), 34);
  const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
  const [first, last] = [Math.ceil(fromLength(low as Length, unit) / step), Math.floor(fromLength(high as Length, unit) / step)];
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step).flatMap((value): Shape[] => [
    line(x, y(value * nm), x + side * 6, y(value * nm), 'edge', 1.1),
    text(x + side * 9, y(value * nm) + 5, `${value < 0 ? '−' : ''}${Math.abs(value).toFixed(decimals)}`, 'number', 14, 'ink2', {
      anchor: side === 1 ? 'start' : 'end',
    }),
  ]);
}
