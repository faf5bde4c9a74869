import { closedFloat, formatLength, NEWTON_METRES_PER, NM_PER, type Ends, type Length } from '../quantity/index.ts';
import { BOUND, type Placed } from '../reading/index.ts';
import { tickStep } from './axisTicks.ts';
import { line, path, rect, text, textWidth, type Colour, type Shape } from './shapes.ts';

export type BarState = Placed | 'cannotTell' | 'stale';

/** Values in nm; in N·m of a drag or of a nut. */
export interface LimitBarQuestion {
  readonly width: number;
  /** 18 in lists, 32 otherwise */
  readonly rail?: number;
  readonly limits: Ends<number> | null;
  readonly reading?: { readonly value: number; readonly U?: number; readonly state: BarState; readonly bound?: 'atLeast' | 'atMost' } | null;
  readonly forecast?: number | null;
  readonly aim?: number | null;
  readonly earlier?: readonly { readonly build: number; readonly value: number }[];
  /** in lists: no figures */
  readonly mini?: boolean;
  /** a clearance has no preload side to name; a drag and the torque of a nut are in N·m, and never under nothing */
  readonly quantity?: BarQuantity;
}

export interface LimitBar {
  readonly shapes: readonly Shape[];
  readonly height: number;
  /** what it shows, in words */
  readonly says: string;
  /** pixels of a value, for tests */
  readonly x: (value: number) => number;
}

export const STATE_COLOUR: Readonly<Record<BarState, Colour>> = {
  in: 'right',
  tight: 'tight',
  loose: 'loose',
  unmeasured: 'ink2',
  cannotTell: 'ink2',
  stale: 'ink2',
};
export type BarQuantity = 'float' | 'clearance' | 'drag' | 'torque';

interface Ruled {
  /** of the base unit in one of it */
  readonly per: number;
  readonly word: string;
  readonly say: (value: number) => string;
}

/** The two rows of figures: one system above, the other below. */
interface Scales {
  readonly upper: Ruled;
  readonly lower: Ruled;
}

const ofLength = (unit: 'thou' | 'mm'): Ruled => ({ per: NM_PER[unit], word: unit, say: (value) => formatLength(value as Length, unit) });
const ofTorque = (unit: 'lbf·in' | 'lbf·ft' | 'N·m'): Ruled => ({
  per: NEWTON_METRES_PER[unit],
  word: unit,
  say: (value) => String(Number((value / NEWTON_METRES_PER[unit]).toPrecision(3))),
});
const LENGTHS: Scales = { upper: ofLength('thou'), lower: ofLength('mm') };
const SCALES: Readonly<Record<BarQuantity, Scales>> = {
  float: LENGTHS,
  clearance: LENGTHS,
  drag: { upper: ofTorque('lbf·in'), lower: ofTorque('N·m') },
  torque: { upper: ofTorque('lbf·ft'), lower: ofTorque('N·m') },
};
const isLength = (quantity: BarQuantity): boolean => quantity === 'float' || quantity === 'clearance';

/** A lone maximum of a float is from nothing up to it, and so is that of a drag. */
const closedOf = (limits: Ends<number> | null): Ends<number> => (limits === null ? {} : closedFloat(limits));

/** Ends of the rail, in the unit of what is shown: everything worth seeing plus a fifth each side, with zero where a limit is within a window of it. */
export function barDomain({ limits, reading, forecast, aim, earlier = [], quantity = 'float' }: LimitBarQuestion): readonly [number, number] {
  const least = SCALES[quantity].upper.per;
  const closed = closedOf(limits);
  const ends = [closed.min, closed.max].filter((l) => l !== undefined);
  const window =
    ends.length === 2 ? Math.max(least * 1e-5, (ends[1] ?? 0) - (ends[0] ?? 0)) : Math.max(least, Math.abs(ends[0] ?? reading?.value ?? 5 * least));
  const far = (value: number): number => Math.min(Math.max(value, (ends[0] ?? value) - 8 * window), (ends[ends.length - 1] ?? value) + 8 * window);
  const seen = [
    ...ends,
    ...[reading?.value, forecast, aim].filter((v) => v !== undefined && v !== null).map(far),
    ...earlier.map((e) => far(e.value)),
  ];
  if (seen.length === 0) seen.push(0, 10 * least);
  const nearZero = ends.some((end) => Math.abs(end) <= window) || ends.some((end, _, all) => end > 0 && (all[0] ?? 0) <= 2 * window);
  const low = Math.min(...seen, ...(nearZero ? [0] : []));
  const high = Math.max(...seen, ...(nearZero ? [0] : []));
  const margin = Math.max(high - low, window / 2) / 5;
  // a torque's units are long words, at the end of the rail
  return isLength(quantity) ? [low - margin, high + margin] : [Math.max(0, low - margin), high + 1.7 * margin];
}

const tidyNumber = (value: number): string => (value < 0 ? '−' : '') + String(Math.round(Math.abs(value) * 1000) / 1000);

/**
 * The limit bar as shapes: rail, allowed band, ticks in both systems, reading with its doubt, forecast, aim and earlier builds.
 * A pure function of its data; never a verdict of its own.
 */
export function limitBar(question: LimitBarQuestion): LimitBar {
  const { width, limits, reading, forecast, aim, earlier = [], mini = false, quantity = 'float' } = question;
  const rail = question.rail ?? (mini ? 18 : 32);
  const [low, high] = barDomain(question);
  const top = mini ? 5 : 32;
  const perNm = width / (high - low);
  const x = (value: number): number => (value - low) * perNm;
  const closed = closedOf(limits);
  const scales = SCALES[quantity];
  const shapes: Shape[] = [rect(0, top, width, rail, { fill: 'sheet' })];
  if (low < 0 && quantity === 'float') shapes.push(rect(0, top, Math.min(width, x(0)), rail, { fill: 'hatchPreload' }));
  if (limits) {
    const from = Math.max(0, x(closed.min ?? low));
    shapes.push(rect(from, top, Math.min(width, x(closed.max ?? high)) - from, rail, { fill: 'band', id: 'band' }));
  }
  shapes.push(rect(0, top, width, rail, { fill: 'none', stroke: 'edge', width: 1.2 }));
  if (!mini) shapes.push(...scale({ low, high, width, x, top, rail, limits: closed, scales }));
  const post = mini ? 3 : 4;
  for (const end of [closed.min, closed.max]) if (end !== undefined) shapes.push(line(x(end), top - post, x(end), top + rail + post, 'blue', 2));
  if (low <= 0 && high >= 0) {
    shapes.push(line(x(0), top - (mini ? 4 : 9), x(0), top + rail + (mini ? 4 : 9), 'ink', 2));
    if (!mini && quantity === 'float') {
      if (x(0) > 52) shapes.push(text(x(0) - 8, top + rail + 42, 'PRELOAD', 'label', 14, 'ink2', { anchor: 'end' }));
      if (x(0) < width - 44) shapes.push(text(x(0) + 8, top + rail + 42, 'FLOAT', 'label', 14, 'ink2'));
    }
  }
  if (aim !== undefined && aim !== null) shapes.push(path(`M${(x(aim) - 6).toFixed(2)},${top + rail}h12l-6,-9.5z`, { fill: 'ink', id: 'aim' }));
  if (forecast !== undefined && forecast !== null) shapes.push(...forecastNeedle(clampTo(x(forecast), width), top, rail, mini));
  if (reading) shapes.push(...readingNeedle(reading, { x, width, top, rail, mini, scales }));
  if (!mini)
    for (const { build, value } of earlier) {
      const at = x(value);
      if (at > 4 && at < width - 4)
        shapes.push({ kind: 'circle', x: at, y: top + 6, r: 3.5, fill: 'sheet', stroke: 'ink2', width: 1.4, id: `build ${build}` });
    }
  return { shapes, height: mini ? 28 : top + rail + 48, says: inWords(question), x };
}

const clampTo = (at: number, width: number): number => Math.min(Math.max(at, 0), width);

function forecastNeedle(at: number, top: number, rail: number, mini: boolean): Shape[] {
  const half = mini ? 7 : 8;
  const drop = mini ? 9 : 12;
  return [
    line(at, top + drop, at, top + rail, 'ink', mini ? 1.8 : 2, '3 2.4'),
    path(`M${(at - half).toFixed(2)},${top}h${half * 2}l${-half},${drop}z`, {
      fill: 'sheet',
      stroke: 'ink',
      width: 1.6,
      dash: '3 1.6',
      id: 'forecast',
    }),
  ];
}

function readingNeedle(
  reading: NonNullable<LimitBarQuestion['reading']>,
  { x, width, top, rail, mini, scales }: Rail & { readonly mini: boolean },
): Shape[] {
  const colour = STATE_COLOUR[reading.state];
  const at = x(reading.value);
  const stale = reading.state === 'stale';
  if (reading.bound) return boundBracket(reading.bound, clampTo(at, width), width, top, rail);
  if (at < -0.5 || at > width + 0.5) {
    const right = at > width;
    const edge = right ? width - 8 : 8;
    const s = right ? -1 : 1;
    return [
      path(`M${edge},${top + rail / 2}l${s * 9},-8M${edge},${top + rail / 2}l${s * 9},8`, { fill: 'none', stroke: colour, width: 3, id: 'clipped' }),
      text(edge + s * 16, top + rail / 2 + 7, scales.upper.say(reading.value).replace(/\.0$/, ''), 'number', mini ? 16 : 20, colour, {
        bold: true,
        anchor: right ? 'end' : 'start',
      }),
    ];
  }
  const half = mini ? 7.5 : 8.5;
  const drop = mini ? 10 : 13;
  const shapes: Shape[] = [
    line(at, top + drop - 3, at, top + rail, colour, 3, stale ? '3 3' : undefined),
    path(
      `M${(at - half).toFixed(2)},${top}h${half * 2}l${-half},${drop}z`,
      stale ? { fill: 'sheet', stroke: colour, width: 1.6, id: 'reading' } : { fill: colour, id: 'reading' },
    ),
  ];
  if (!mini && reading.U !== undefined && reading.U > 0) {
    const y = top + rail - 9;
    const [a, b] = [clampTo(x(reading.value - reading.U), width), clampTo(x(reading.value + reading.U), width)];
    shapes.push(
      path(`M${a.toFixed(2)},${y}H${b.toFixed(2)}M${a.toFixed(2)},${y - 5}v10M${b.toFixed(2)},${y - 5}v10`, {
        fill: 'none',
        stroke: colour,
        width: 2,
        id: 'doubt',
      }),
    );
  }
  return shapes;
}

function boundBracket(bound: 'atLeast' | 'atMost', at: number, width: number, top: number, rail: number): Shape[] {
  const s = bound === 'atLeast' ? 1 : -1;
  const end = bound === 'atLeast' ? width - 5 : 5;
  const middle = top + rail / 2;
  return [
    path(`M${at + s * 6},${top + 4}H${at}V${top + rail - 4}h${s * 6}`, { fill: 'none', stroke: 'ink2', width: 2.4, id: 'bound' }),
    line(at + s * 4, middle, end, middle, 'ink2', 2, '5 4'),
    path(`M${end},${middle}l${-s * 8},-5v10z`, { fill: 'ink2' }),
  ];
}

/** The rail as it lies: where a value is along it, and what it is figured in. */
interface Rail {
  readonly x: (value: number) => number;
  readonly width: number;
  readonly top: number;
  readonly rail: number;
  readonly scales: Scales;
}

/** Ticks and figures of both systems, nothing closer than it can be read. */
function scale({
  low,
  high,
  width,
  x,
  top,
  rail,
  limits,
  scales: { upper: above, lower: below },
}: Rail & { readonly low: number; readonly high: number; readonly limits: Ends<number> }): Shape[] {
  const shapes: Shape[] = [];
  const room = (word: string): number => Math.max(24, textWidth(word, 'label', 15));
  const taken: [number, number][] = [[width - room(above.word), width + 4]];

  const free = (at: number, wide: number): boolean => at - wide / 2 > -8 && taken.every(([a, b]) => at + wide / 2 + 6 < a || at - wide / 2 - 6 > b);
  const put = (at: number, wide: number): void => {
    taken.push([at - wide / 2, at + wide / 2]);
  };
  const upper = top - 13;
  for (const end of [limits.min, limits.max]) {
    if (end === undefined) continue;
    const words = tidyNumber(Math.round((end / above.per) * 10) / 10);
    const wide = textWidth(words, 'number', 15);
    if (!free(x(end), wide - 8)) continue;
    put(x(end), wide);
    shapes.push(text(x(end), upper, words, 'number', 15, 'blue', { bold: true, anchor: 'middle' }));
  }
  const perUpper = (width / (high - low)) * above.per;
  const minor = tickStep(perUpper, 9.2);
  const major = tickStep(perUpper, 56);
  for (let i = Math.ceil(low / above.per / minor); i * minor * above.per <= high; i++) {
    const value = i * minor;
    const numbered = Math.abs(value / major - Math.round(value / major)) < 1e-6;
    shapes.push(line(x(value * above.per), top - (numbered ? 8 : 4), x(value * above.per), top, 'ink2'));
  }
  const figures = Array.from(
    { length: Math.max(0, Math.floor(high / above.per / major) - Math.ceil(low / above.per / major) + 1) },
    (_, i) => (Math.ceil(low / above.per / major) + i) * major,
  );
  for (const value of figures.sort((a, b) => Math.abs(a) - Math.abs(b))) {
    const words = tidyNumber(value);
    const wide = textWidth(words, 'number', 14);
    if (!free(x(value * above.per), wide)) continue;
    put(x(value * above.per), wide);
    shapes.push(text(x(value * above.per), upper, words, 'number', 14, 'ink2', { anchor: 'middle' }));
  }
  shapes.push(text(width, upper, above.word, 'label', 15, 'ink2', { anchor: 'end' }));
  const perLower = (width / (high - low)) * below.per;
  const step = tickStep(perLower, 56);
  for (let i = Math.ceil(low / below.per / (step / 5)); i * (step / 5) * below.per <= high; i++) {
    const at = x(i * (step / 5) * below.per);
    shapes.push(line(at, top + rail, at, top + rail + (i % 5 === 0 ? 8 : 4), 'ink2'));
    const words = i === 0 ? '0' : tidyNumber((i * step) / 5);
    const wide = textWidth(words, 'number', 14);
    if (i % 5 === 0 && at - wide / 2 > -6 && at + wide / 2 < width - room(below.word) - 2)
      shapes.push(text(at, top + rail + 22, words, 'number', 14, 'ink2', { anchor: 'middle' }));
  }
  shapes.push(text(width, top + rail + 22, below.word, 'label', 15, 'ink2', { anchor: 'end' }));
  return shapes;
}

const STATE_WORDS: Readonly<Record<BarState, string>> = {
  in: 'right',
  tight: 'tight',
  loose: 'loose',
  unmeasured: 'not measured',
  cannotTell: 'cannot tell',
  stale: 'stale',
};

function inWords({ limits, reading, forecast, earlier = [], quantity = 'float' }: LimitBarQuestion): string {
  const { upper, lower } = SCALES[quantity];
  const both = (value: number): string => `${upper.say(value)} ${upper.word}, ${lower.say(value)} ${lower.word}`;
  const closed = closedOf(limits);
  const parts = [
    closed.min !== undefined && closed.max !== undefined
      ? `limits ${upper.say(closed.min)} to ${upper.say(closed.max)} ${upper.word}`
      : limits
        ? 'one limit'
        : 'no limits yet',
    reading ? `${BOUND[reading.bound ?? 'estimate']}${both(reading.value)}, ${STATE_WORDS[reading.state]}` : 'no reading',
    ...(forecast === undefined || forecast === null ? [] : [`forecast ${both(forecast)}`]),
    ...earlier.map(({ build, value }) => `build ${build} read ${both(value)}`),
  ];
  return parts.join('; ');
}
