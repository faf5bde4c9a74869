import { crushSleeveLog, forecastTurn, orNull, type CrushSleeveLog, type Ends, type Estimate } from '@elder-cog/core';
import { turnIn, type BuildNow } from '../builds.ts';
import type { DragRow } from './dragRows.ts';

/** One line of the log of a nut that is drawn up turn by turn. */
export interface LogStep {
  readonly build: BuildNow;
  /** turned on since the line before, and in all since the log began, degrees */
  readonly degrees: number;
  readonly inAll: number;
  /** N·m; null where nobody has read it yet */
  readonly drag: number | null;
  /** N on the cord, where it was read so */
  readonly pull: number | null;
  /** what it was to be, by the lines before it */
  readonly expected: Estimate<number> | null;
}

/** What a log came to: how far its nut was turned in all, the drag at the last that was read, and how it rose there. */
export interface DrawnUp {
  readonly degrees: number;
  /** N·m */
  readonly drag: number;
  /** N·m a degree, between the last two that were read */
  readonly perDegree: number;
}

/** A nut drawn up turn by turn, with the drag after each: a crush sleeve, a staked nut. */
export interface SleeveLog {
  readonly steps: readonly LogStep[];
  /** null where nothing can be said yet */
  readonly plan: CrushSleeveLog | null;
  /** logs before this one, each on a sleeve or a stand of its own: the last of them last */
  readonly before: readonly DrawnUp[];
  /** what is wanted before anything can be said */
  readonly wants: 'limits' | 'bothEnds' | null;
}

/**
 * The log of a drag: the builds since the last that did anything but turn the nut. Null where nut was never turned, and nothing says that it
 * is drawn up so.
 */
export function sleeveLog(
  rows: readonly DragRow[],
  { limits, division, isDrawnUp }: { readonly limits: Ends<number> | null; readonly division: number; readonly isDrawnUp: boolean },
): SleeveLog | null {
  const start = rows.findLastIndex(({ build }) => turnIn(build.build) === null);
  const of = rows.slice(Math.max(0, start));
  if (of.length === 0 || (of.length === 1 && !isDrawnUp)) return null;
  const lines = linesOf(of);
  const steps = lines.map((line, i): LogStep => {
    const before = lines.slice(0, i).map(({ degrees, drag }) => ({ degrees, drag }));
    const isKnown = i > 0 && line.degrees > 0 && before.every(({ drag }) => drag !== null);
    return { ...line, expected: isKnown ? orNull(() => forecastTurn({ steps: before, division, degrees: line.degrees })) : null };
  });
  const { min, max } = limits ?? {};
  const wants = limits === null ? 'limits' : min === undefined || max === undefined ? 'bothEnds' : null;
  const plan = min === undefined || max === undefined ? null : orNull(() => crushSleeveLog({ limits: { min, max }, steps: lines, division }));
  return { steps, plan, before: logsOf(rows.slice(0, Math.max(0, start))).flatMap((log) => drawnUp(linesOf(log)) ?? []), wants };
}

type Line = Omit<LogStep, 'expected'>;

function linesOf(rows: readonly DragRow[]): Line[] {
  let inAll = 0;
  return rows.map(({ build, value }, i) => {
    const degrees = i === 0 ? 0 : (turnIn(build.build) ?? 0);
    inAll += degrees;
    return { build, degrees, inAll, drag: value?.reading.value ?? null, pull: value?.pull ? mean(value.pull.newtons) : null };
  });
}

/** Builds as one log after another: each begins with one that did anything but turn the nut. */
const logsOf = (rows: readonly DragRow[]): DragRow[][] =>
  rows.reduce<DragRow[][]>((logs, row) => {
    const last = logs.at(-1);
    if (last === undefined || turnIn(row.build.build) === null) logs.push([row]);
    else last.push(row);
    return logs;
  }, []);

/** What a log came to; null where fewer than two turns of it were read. */
export function drawnUp(lines: readonly Pick<Line, 'inAll' | 'drag'>[]): DrawnUp | null {
  const read = lines.flatMap(({ inAll, drag }) => (drag === null ? [] : [{ inAll, drag }]));
  const [one, last] = read.slice(-2);
  if (!one || !last || last.inAll <= one.inAll) return null;
  return { degrees: last.inAll, drag: last.drag, perDegree: (last.drag - one.drag) / (last.inAll - one.inAll) };
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
