import { closedFloat, formatLength, NM_PER, type Length, type Limits } from '../quantity/index.ts';
import { BOUND, type Placed } from '../reading/index.ts';
import { tickStep } from './axisTicks.ts';
import { line, path, rect, text, textWidth, type Colour, type Shape } from './shapes.ts';

export type BarState = Placed | 'cannotTell' | 'stale';

export interface LimitBarQuestion {
  readonly width: number;
  /** 18 in lists, 32 otherwise */
  readonly rail?: number;
  readonly limits: Limits | null;
  readonly reading?: { readonly value: Length; readonly U?: number; readonly state: BarState; readonly bound?: 'atLeast' | 'atMost' } | null;
  readonly forecast?: Length | null;
  readonly aim?: Length | null;
  readonly earlier?: readonly { readonly build: number; readonly value: Length }[];
  /** in lists: no figures */
  readonly mini?: boolean;
  /** a clearance has no preload side to name */
  readonly quantity?: 'float' | 'clearance';
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
const THOU = NM_PER.thou;
const MM = NM_PER.mm;

/** Ends of the rail, nm: everything worth seeing plus a fifth each side, with zero where a limit is within a window of it. */
export function barDomain({ limits, reading, forecast, aim, earlier = [] }: LimitBarQuestion): readonly [number, number] {
  const closed = limits ? closedFloat(limits) : {};
  const ends = [closed.min, closed.max].filter((l): l is Length => l !== undefined);
  const window = ends.length === 2 ? Math.max(1, (ends[1] ?? 0) - (ends[0] ?? 0)) : Math.max(THOU, Math.abs(ends[0] ?? reading?.value ?? 5 * THOU));
  const far = (value: number): number => Math.min(Math.max(value, (ends[0] ?? value) - 8 * window), (ends[ends.length - 1] ?? value) + 8 * window);
  const seen = [
    ...ends,
    ...[reading?.value, forecast, aim].filter((v): v is Length => v !== undefined && v !== null).map(far),
    ...earlier.map((e) => far(e.value)),
  ];
  if (seen.length === 0) seen.push(0 as Length, (10 * THOU) as Length);
  const nearZero = ends.some((end) => Math.abs(end) <= window) || ends.some((end, _, all) => end > 0 && (all[0] ?? 0) <= 2 * window);
  const low = Math.min(...seen, ...(nearZero ? [0] : []));
  const high = Math.max(...seen, ...(nearZero ? [0] : []));
  const margin = Math.max(high - low, window / 2) / 5;
  return [low - margin, high + margin];
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
  const closed = limits ? closedFloat(limits) : {};
  const shapes: Shape[] = [rect(0, top, width, rail, { fill: 'sheet' })];
  if (low < 0 && quantity === 'float') shapes.push(rect(0, top, Math.min(width, x(0)), rail, { fill: 'hatchPreload' }));
  if (limits) {
    const from = Math.max(0, x(closed.min ?? low));
    shapes.push(rect(from, top, Math.min(width, x(closed.max ?? high)) - from, rail, { fill: 'band', id: 'band' }));
  }
  shapes.push(rect(0, top, width, rail, { fill: 'none', stroke: 'edge', width: 1.2 }));
  if (!mini) shapes.push(...scale(low, high, width, x, top, rail, limits ? closed : {}));
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
  if (reading) shapes.push(...readingNeedle(reading, x, width, top, rail, mini));
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
  x: (v: number) => number,
  width: number,
  top: number,
  rail: number,
  mini: boolean,
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
      text(edge + s * 16, top + rail / 2 + 7, formatLength(reading.value, 'thou').replace(/\.0$/, ''), 'number', mini ? 16 : 20, colour, {
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

/** Ticks and figures of both systems, nothing closer than it can be read. */
function scale(low: number, high: number, width: number, x: (v: number) => number, top: number, rail: number, limits: Limits): Shape[] {
  const shapes: Shape[] = [];
  const taken: [number, number][] = [[width - 24, width + 4]];
  const free = (at: number, wide: number): boolean => at - wide / 2 > -8 && taken.every(([a, b]) => at + wide / 2 + 6 < a || at - wide / 2 - 6 > b);
  const put = (at: number, wide: number): void => {
    taken.push([at - wide / 2, at + wide / 2]);
  };
  const upper = top - 13;
  for (const end of [limits.min, limits.max]) {
    if (end === undefined) continue;
    const words = tidyNumber(Math.round((end / THOU) * 10) / 10);
    const wide = textWidth(words, 'number', 15);
    if (!free(x(end), wide - 8)) continue;
    put(x(end), wide);
    shapes.push(text(x(end), upper, words, 'number', 15, 'blue', { bold: true, anchor: 'middle' }));
  }
  const perThou = (width / (high - low)) * THOU;
  const minor = tickStep(perThou, 9.2);
  const major = tickStep(perThou, 56);
  for (let i = Math.ceil(low / THOU / minor); i * minor * THOU <= high; i++) {
    const value = i * minor;
    const numbered = Math.abs(value / major - Math.round(value / major)) < 1e-6;
    shapes.push(line(x(value * THOU), top - (numbered ? 8 : 4), x(value * THOU), top, 'ink2'));
  }
  const figures = Array.from(
    { length: Math.max(0, Math.floor(high / THOU / major) - Math.ceil(low / THOU / major) + 1) },
    (_, i) => (Math.ceil(low / THOU / major) + i) * major,
  );
  for (const value of figures.sort((a, b) => Math.abs(a) - Math.abs(b))) {
    const words = tidyNumber(value);
    const wide = textWidth(words, 'number', 14);
    if (!free(x(value * THOU), wide)) continue;
    put(x(value * THOU), wide);
    shapes.push(text(x(value * THOU), upper, words, 'number', 14, 'ink2', { anchor: 'middle' }));
  }
  shapes.push(text(width, upper, 'thou', 'label', 15, 'ink2', { anchor: 'end' }));
  const perMm = (width / (high - low)) * MM;
  const step = tickStep(perMm, 56);
  for (let i = Math.ceil(low / MM / (step / 5)); i * (step / 5) * MM <= high; i++) {
    const at = x(i * (step / 5) * MM);
    shapes.push(line(at, top + rail, at, top + rail + (i % 5 === 0 ? 8 : 4), 'ink2'));
    const words = i === 0 ? '0' : tidyNumber((i * step) / 5);
    const wide = textWidth(words, 'number', 14);
    if (i % 5 === 0 && at - wide / 2 > -6 && at + wide / 2 < width - 26)
      shapes.push(text(at, top + rail + 22, words, 'number', 14, 'ink2', { anchor: 'middle' }));
  }
  shapes.push(text(width, top + rail + 22, 'mm', 'label', 15, 'ink2', { anchor: 'end' }));
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

function inWords({ limits, reading, forecast, earlier = [] }: LimitBarQuestion): string {
  const both = (value: number): string => `${formatLength(value as Length, 'thou')} thou, ${formatLength(value as Length, 'mm')} mm`;
  const closed = limits ? closedFloat(limits) : {};
  const parts = [
    closed.min !== undefined && closed.max !== undefined
      ? `limits ${formatLength(closed.min, 'thou')} to ${formatLength(closed.max, 'thou')} thou`
      : limits
        ? 'one limit'
        : 'no limits yet',
    reading ? `${BOUND[reading.bound ?? 'estimate']}${both(reading.value)}, ${STATE_WORDS[reading.state]}` : 'no reading',
    ...(forecast === undefined || forecast === null ? [] : [`forecast ${both(forecast)}`]),
    ...earlier.map(({ build, value }) => `build ${build} read ${both(value)}`),
  ];
  return parts.join('; ');
}
