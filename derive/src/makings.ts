import type { JobFacts, Making, Pass, Stock } from '@elder-cog/contract';
import {
  fabricateShim,
  INSTRUMENTS,
  isMetric,
  leavesTotal,
  madeSize,
  MATERIALS,
  nanometres,
  orNull,
  removalPlan,
  repeats,
  verdict,
  type Instrument,
  type Length,
  type LengthUnit,
  type MadeSize,
  type Material,
  type PackWindow,
  type RemovalPlan,
  type RemovalQuestion,
  type Repeats,
  type Verdict,
} from '@elder-cog/core';
import { withdrawnIds } from './builds.ts';
import { formAt, formsOf } from './graph.ts';
import type { GapState } from './gap/index.ts';
import type { ShaftState } from './jobState.ts';
import { featureAt } from './slots.ts';

/** What lands, of the one piece that is made. */
export type MadeWindow = Omit<NonNullable<Making['window']>, 'from'>;

export interface PassState {
  readonly pass: Pass;
  /** null where it was not read yet */
  readonly read: Repeats | null;
  /** to go to the aim; null likewise */
  readonly toGo: Length | null;
}

/** What becomes of the gap that something is made for. */
export interface GapThen {
  readonly value: Length;
  readonly verdict: Verdict | null;
}

export interface MakingState {
  readonly making: Making;
  /** the system it is told in */
  readonly unit: 'thou' | 'mm';
  readonly gap: GapState | null;
  readonly shaft: ShaftState | null;
  readonly passes: readonly PassState[];
  /** as it was before the first pass, and as it was read last; null where nobody has measured it */
  readonly from: Repeats | null;
  readonly now: Repeats | null;
  readonly plan: RemovalPlan | null;
  /** the size to make it to, as it is said, and how far either side of it still lands */
  readonly size: Readonly<Record<'thou' | 'mm', MadeSize>> | null;
  /** what its window would be as things stand, where that is another; `null` in it where there is none any more */
  readonly moved: { readonly window: MadeWindow | null; readonly because: string } | null;
  /** the gap with it as it was read last */
  readonly then: GapThen | null;
  /** what else it moves: other gaps, clearances */
  readonly opens: readonly string[];
}

const besideTotal = ({ beside }: Pick<Making, 'beside'>): Length => leavesTotal(beside);

/** What lands of one piece, for a place whose pack has a window: inside what is sure, less what goes in beside it; null where nothing can be made for it. */
export function madeWindow(window: PackWindow, beside: Making['beside'] = []): MadeWindow | null {
  const { min, max } = window.sure ?? window;
  const less = besideTotal({ beside });
  const [least, most] = [Math.max(1, min - less), max - less];
  if (!window.reachable || most < least) return null;
  const ideal = Math.min(most, Math.max(least, window.ideal - less));
  return { min: nanometres(least), max: nanometres(most), ideal: nanometres(ideal) };
}

/** The gap with a pack of another thickness in its place; null where nothing speaks for it. */
export function gapWith(gap: GapState, pack: Length): GapThen | null {
  const { reading } = gap.now;
  if (!gap.pack?.known || reading?.kind !== 'estimate' || (gap.now.kind !== 'read' && gap.now.kind !== 'forecast')) return null;
  const value = nanometres(reading.value + gap.pack.sense * (gap.pack.factor ?? 1) * (pack - gap.pack.fitted));
  const { limits, station, unit } = gap;
  return { value, verdict: limits && verdict({ ...reading, value }, limits.limits, { rule: station.rule, moreIs: station.moreIs, unit }) };
}

const readWith = (unit: 'thou' | 'mm'): Instrument => (unit === 'mm' ? INSTRUMENTS.micMm : INSTRUMENTS.micInch);

function readOf({ readings, instrument }: Pass, unit: 'thou' | 'mm'): Repeats | null {
  const { resolution, calibrationU, priorS, zeroError = 0 } = instrument ?? readWith(unit);
  if (readings.length === 0) return null;
  return repeats(
    readings.map((each) => nanometres(each - zeroError)),
    { resolution, calibrationU, priorS },
  );
}

/** Standing passes of something, in the order they were made. */
const passesOf = (facts: JobFacts, makingId: string, gone: ReadonlySet<string>): Pass[] =>
  facts.passes.filter((pass) => pass.makingId === makingId && !gone.has(pass.id));

/**
 * What one stroke usually takes off, in this job: of everything else of the same stuff, in the same way, all passes together; null where there
 * was none.
 */
function usualRate(facts: JobFacts, { id, process, material }: Making, gone: ReadonlySet<string>): number | null {
  let [off, effort] = [0, 0];
  for (const other of facts.makings) {
    if (other.id === id || other.process !== process || other.material !== material || other.gone === true) continue;
    const read = passesOf(facts, other.id, gone).filter(({ readings }) => readings.length > 0);
    const mean = ({ readings }: Pass): number => readings.reduce((sum, each) => sum + each, 0) / readings.length;
    read.slice(1).forEach((pass, i) => {
      const before = read[i];
      if (!before) return;
      off += Math.abs(mean(before) - mean(pass));
      effort += pass.effort;
    });
  }
  return effort > 0 && off > 0 ? off / effort : null;
}

/** The passes since it was as cut, as the plan takes them: those that were not read are in with the next that was. */
function logOf(passes: readonly PassState[]): RemovalQuestion['log'] {
  const log: { effort: number; reading: Length | null }[] = [];
  for (const { pass, read } of passes.slice(passes.findIndex(({ read: r }) => r !== null) + 1)) {
    const last = log.at(-1);
    if (last?.reading === null) log.pop();
    const effort = pass.effort + (last?.reading === null ? last.effort : 0);
    if (effort === 0) {
      // measured again, with nothing taken off
      const before = log.pop();
      if (before) log.push({ ...before, reading: read?.value ?? before.reading });
      continue;
    }
    log.push({ effort, reading: read?.value ?? null });
  }
  return log;
}

function planOf(making: Making, { from, passes, rate }: { from: Repeats; passes: readonly PassState[]; rate: number | null }): RemovalPlan | null {
  if (!making.window) return null;
  const last = passes.findLast(({ read }) => read !== null)?.read ?? from;
  // read again before anything was taken off, it is as it was read last
  const log = logOf(passes);
  const first = log.length === 0 ? last : from;
  const { window, process } = making;
  return orNull(() => removalPlan({ from: first.value, window, rate, u: last.u, process, log }));
}

/** The shaft and the gap that something is made for. */
function madeFor(shafts: readonly ShaftState[], { gapId, placeId }: Making): { shaft: ShaftState | null; gap: GapState | null } {
  const shaft = shafts.find(({ gaps, slots }) => gaps.some((g) => g.station.id === gapId) || slots.some((s) => s.slot.id === placeId)) ?? null;
  return { shaft, gap: shaft?.gaps.find((g) => g.station.id === gapId) ?? null };
}

/**
 * What else is moved, by name: other gaps that its place moves, or that a size stands in which is taken off, and clearances of that size.
 */
function movedBesides(facts: JobFacts, shafts: readonly ShaftState[], { placeId, gapId, sizeId }: Making): string[] {
  const feature = sizeId === null ? null : featureAt(facts.stations, sizeId);
  return shafts.flatMap((shaft) => {
    const forms = formsOf(facts, shaft.shaft, shaft.current);
    const gaps = shaft.gaps.filter(({ station }) => {
      const form = formAt(forms, station);
      const byPlace = placeId !== null && station.id !== gapId && (form?.coefficients[placeId] ?? 0) !== 0;
      return byPlace || (feature !== null && (form?.terms ?? []).some(({ id, coefficient }) => id === feature && coefficient !== 0));
    });
    const pairs = shaft.pairs.filter(({ station }) => sizeId !== null && [station.boreId, station.journalId].includes(sizeId));
    return [...gaps, ...pairs].map(({ station }) => station.name);
  });
}

function movedWindow(making: Making, gap: GapState | null): MakingState['moved'] {
  if (making.state !== 'open' || making.window === null || !gap || making.placeId === null) return null;
  const { pack } = gap;
  if (pack?.slot.id !== making.placeId) return null;
  if (!pack.window || !pack.known)
    return { window: null, because: gap.now.because ?? pack.refusal?.message ?? 'the reading it was reckoned from no longer speaks' };
  const window = madeWindow(pack.window, making.beside);
  const { min, max, ideal } = making.window;
  if (window?.min === min && window.max === max && window.ideal === ideal) return null;
  return { window, because: 'what was read or fitted since moved it' };
}

/** Everything shown of one thing that is made. */
export function makingState(facts: JobFacts, shafts: readonly ShaftState[], making: Making): MakingState {
  const gone = withdrawnIds(facts);
  const { shaft, gap } = madeFor(shafts, making);
  const unit = gap?.unit ?? (making.blank && isMetric(making.blank.unit) ? 'mm' : 'thou');
  const rows = passesOf(facts, making.id, gone).map((pass) => ({ pass, read: readOf(pass, unit) }));
  const way = making.process === 'hone' ? -1 : 1;
  const passes = rows.map(({ pass, read }) => ({
    pass,
    read,
    toGo: read && making.window ? nanometres(way * (read.value - making.window.ideal)) : null,
  }));
  const from = passes.find(({ read }) => read !== null)?.read ?? null;
  const now = passes.findLast(({ read }) => read !== null)?.read ?? null;
  return {
    making,
    unit,
    gap,
    shaft,
    passes,
    from,
    now,
    plan: from ? planOf(making, { from, passes, rate: usualRate(facts, making, gone) }) : null,
    size: making.window && { thou: madeSize(making.window, 'thou'), mm: madeSize(making.window, 'mm') },
    moved: movedWindow(making, gap),
    then: gap && now && making.placeId !== null ? gapWith(gap, nanometres(now.value + besideTotal(making))) : null,
    opens: movedBesides(facts, shafts, making),
  };
}

export const makingsOf = (facts: JobFacts, shafts: readonly ShaftState[]): MakingState[] =>
  facts.makings.filter(({ gone }) => gone !== true).map((making) => makingState(facts, shafts, making));

/** The material that something of the shop is of, as far as it is in the list: "brass 12 thou shim" is brass. */
export const materialNamed = (name: string): Material | null => {
  const plain = name.trim().toLowerCase();
  return (
    MATERIALS.find((m) => m.name === plain) ??
    (/brass/.test(plain) ? MATERIALS.find((m) => m.name === 'brass') : undefined) ??
    (/bronze|gunmetal/.test(plain) ? MATERIALS.find((m) => m.name === 'phosphor bronze') : undefined) ??
    (/steel/.test(plain) ? MATERIALS.find((m) => m.name === 'mild steel') : undefined) ??
    (/alumin/.test(plain) ? MATERIALS.find((m) => m.name === 'wrought aluminium') : undefined) ??
    (/iron/.test(plain) ? MATERIALS.find((m) => m.name === 'grey cast iron') : undefined) ??
    null
  );
};

/** Something it can be made from: sheet, or a thicker leaf. */
export interface StockOffered {
  readonly id: string;
  readonly thickness: Length;
  readonly written: string;
  readonly unit: LengthUnit;
  readonly material: string;
  /** the workshop has it; else it is to be bought */
  readonly isOwned: boolean;
  readonly keptIn: string;
}

/** A size as it was written, with its unit where that is not in it: "12 thou", "20 swg". */
export const writtenSize = ({ written, unit }: { readonly written: string; readonly unit: LengthUnit }): string =>
  /[a-z"″]/i.test(written) ? written : `${written} ${unit}`;

export interface StockChoice {
  readonly stock: StockOffered;
  /** as it is; to be lapped by so much; or too thin, and nothing makes it thicker */
  readonly does: 'asItIs' | 'lap' | 'tooThin';
  /** so many of it one on another, where that lands as it is */
  readonly leaves: number;
  readonly takeOff: Length;
  /** the gap with it as it is cut */
  readonly asCut: GapThen | null;
}

/** Sheet and shim of the stock that has a thickness. */
export const sheetOf = (stock: readonly Stock[]): StockOffered[] =>
  stock.flatMap(({ id, form, thickness, written, unit, material, owned, canBuy, keptIn }) =>
    (form === 'shim' || form === 'sheet') && thickness !== null && (owned > 0 || canBuy)
      ? [{ id, thickness, written, unit, material, isOwned: owned > 0, keptIn }]
      : [],
  );

/** More than this of it is not lapped off by hand. Common practice, no source. */
const MOST_LAPPED = 500_000;

/**
 * What a piece could be made from: what lands as it is, then what takes the least lapping, then what is too thin; what the workshop has before
 * what is to be bought.
 */
export function stockChoices(
  { window, gap, beside }: { readonly window: MadeWindow; readonly gap: GapState | null; readonly beside: Making['beside'] },
  stock: readonly StockOffered[],
): StockChoice[] {
  const less = besideTotal({ beside });
  const rank = { asItIs: 0, lap: 1, tooThin: 2 } as const;
  return stock
    .flatMap((each): StockChoice[] => {
      const count = leavesThatLand(window, each.thickness);
      const total = nanometres(each.thickness * Math.max(1, count));
      const does = count > 0 ? 'asItIs' : each.thickness > window.max ? 'lap' : 'tooThin';
      const takeOff = does === 'lap' ? nanometres(each.thickness - window.ideal) : nanometres(0);
      if (takeOff > MOST_LAPPED) return [];
      return [{ stock: each, does, leaves: Math.max(1, count), takeOff, asCut: gap && gapWith(gap, nanometres(total + less)) }];
    })
    .sort(
      (a, b) =>
        rank[a.does] - rank[b.does] ||
        Number(b.stock.isOwned) - Number(a.stock.isOwned) ||
        a.leaves - b.leaves ||
        a.takeOff - b.takeOff ||
        (a.does === 'tooThin'
          ? b.stock.thickness - a.stock.thickness
          : Math.abs(a.stock.thickness - window.ideal) - Math.abs(b.stock.thickness - window.ideal)),
    );
}

/** How many of one thickness lie in a window, one on another; none where no whole number does. */
function leavesThatLand(window: MadeWindow, thickness: Length): number {
  const plan = orNull(() => fabricateShim({ window, stock: [{ thickness, quantity: 3 }] }));
  return plan && 'leaves' in plan ? plan.leaves.reduce((sum, { count }) => sum + count, 0) : 0;
}
