import { refuse } from '../errors.ts';
import { studentCdf } from '../reading/index.ts';
import type { Length } from '../quantity/index.ts';
import { thicknessesOf, type SupplierRange } from '../shim/index.ts';
import { asLength, isBetter, targetsOf, worstMargin, type Target, type Worth } from './solver/measure.ts';
import { optionsOf, type Option } from './solver/options.ts';
import type { SolverGap, SolverSlot } from './solver/question.ts';
import { search, type Found } from './solver/search.ts';

export type { SolverGap, SolverSlot } from './solver/question.ts';

export interface SolverQuestion {
  readonly gaps: readonly SolverGap[];
  readonly slots: readonly SolverSlot[];
  /** how many there are of each choice, those in these slots among them */
  readonly stock: Readonly<Record<string, number>>;
  /** thicknesses that can be had; where it is left out, any */
  readonly supply?: SupplierRange;
  /** how many answers */
  readonly keep?: number;
}

interface SetOfParts {
  /** by slot: ids of what goes in */
  readonly picks: Readonly<Record<string, readonly string[]>>;
  /** by slot: what comes off, of those that are lapped */
  readonly laps: Readonly<Record<string, Length>>;
  readonly gaps: Readonly<Record<string, Length>>;
}
export interface ShaftSolution extends SetOfParts {
  /** the least distance of any gap from its nearer limit */
  readonly margin: Length;
  /** that every gap is in, where their doubt is known */
  readonly chance?: number;
}
export interface ShaftSolved {
  readonly solutions: readonly ShaftSolution[];
  /** how many sets were looked at */
  readonly explored: number;
  /** where nothing on hand will do: the set with its worst gap least far out */
  readonly nearest?: SetOfParts & { readonly outside: Length };
  /** where nothing fits without lapping: the one thickness to make or buy, and where it goes */
  readonly buy?: SetOfParts & { readonly slot: string; readonly thickness: Length };
  /** it was stopped before the end: better may have been missed */
  readonly stopped?: true;
}

const KEEP = 3;
/** The one part that is not on hand yet. */
const NEW_PART = 'new';

/**
 * The sets of parts that bring every gap of a shaft within its limits at once, exactly. Those that need no lapping come first, by margin (the
 * least distance of any gap from its nearer limit) or, where aims are given, by least Σ|gap − aim|; then those that do, by the same measure,
 * fewest new parts, least lapping. Where none will do: the nearest, and the one thickness to make or buy.
 *
 * @param question lengths in nm; coefficients whole numbers read off the shaft; limits as `closedFloat` has them, a lone maximum from nothing
 * @param stop asked now and then: true stops it, and what was found till then stands
 * @returns answers best first
 * @throws ReckoningError `nothingToSolve` with no gap or no slot; `noLimits` where no gap has any
 * @example solveShaft({ gaps: [{ id: 'float', constant: mm(4.05), coefficients: { p: -1 }, limits: { min: mm(0.05), max: mm(0.15) } }], slots: [{ id: 'p', choices: [{ id: 'a', thickness: mm(3.9) }, { id: 'b', thickness: mm(3.95) }] }], stock: { a: 1, b: 1 } }).solutions[0]?.picks // { p: ['b'] }
 */
export function solveShaft(question: SolverQuestion, stop?: () => boolean): ShaftSolved {
  const { gaps, slots, stock, keep = KEEP } = question;
  if (gaps.length === 0 || slots.length === 0) refuse('nothingToSolve', 'There is no gap, or no place to choose anything for.');
  const targets = targetsOf(gaps, slots);
  if (targets.every(({ min, max }) => min === -Infinity && max === Infinity)) refuse('noLimits', 'Give at least one of the gaps its limits.');
  const options = slots.map((slot) => optionsOf(slot, stock));
  const caps = slots.map((slot) => slot.lap ?? 0);
  const canLap = caps.some((cap) => cap > 0);
  const asked = { targets, options, stock, caps, keep };
  let isStopped = false;
  const stopping = (): boolean => (isStopped ||= stop?.() ?? false);

  const plain = search({ ...asked, lapping: false }, stopping);
  const more = keep - plain.found.length;
  const lapped = canLap && more > 0 ? search({ ...asked, keep: more, lapping: true }, stopping) : { found: [], explored: 0 };
  const said = (found: Found): ShaftSolution => solutionOf(found, question, targets);
  const solutions = [...plain.found, ...lapped.found].map(said);
  const explored = plain.explored + lapped.explored;
  const base = { solutions, explored, ...(isStopped ? { stopped: true as const } : {}) };
  if (plain.found.length > 0) return base;
  const buy = oneToBuy(question, { targets, options, caps }, stopping);
  const [near] = solutions.length > 0 ? [] : search({ ...asked, keep: 1, lapping: canLap, anything: true }, stopping).found;
  const nearest = near && { ...setOf(near, question), outside: asLength(-worstMargin(near.values, targets)) };
  return { ...base, ...(nearest ? { nearest } : {}), ...(buy ? { buy } : {}) };
}

const byId = <Of>(of: readonly { readonly id: string }[], values: readonly Of[]): Record<string, Of> =>
  Object.fromEntries(of.flatMap(({ id }, i) => (values[i] === undefined ? [] : [[id, values[i]]])));

function setOf({ options, laps, values }: Found, { slots, gaps }: SolverQuestion): SetOfParts {
  return {
    picks: byId(
      slots,
      options.map((option) => option.ids),
    ),
    laps: Object.fromEntries(slots.flatMap(({ id }, i) => ((laps[i] ?? 0) > 0 ? [[id, asLength(laps[i] ?? 0)]] : []))),
    gaps: byId(gaps, values.map(asLength)),
  };
}

function solutionOf(found: Found, question: SolverQuestion, targets: readonly Target[]): ShaftSolution {
  const margin = worstMargin(found.values, targets);
  const isDoubted = question.gaps.every((g) => g.u !== undefined);
  return {
    ...setOf(found, question),
    margin: asLength(margin),
    ...(isDoubted ? { chance: chanceOf(found.values, targets, question.gaps) } : {}),
  };
}

/** That all are in, each gap's doubt taken by itself and as normal. */
const chanceOf = (values: readonly number[], targets: readonly Target[], gaps: readonly SolverGap[]): number =>
  values.reduce((chance, value, i) => {
    const { min, max } = targets[i] as Target;
    const u = gaps[i]?.u ?? 0;
    if (u === 0) return chance * Number(value >= min && value <= max);
    return chance * (studentCdf((max - value) / u, Infinity) - studentCdf((min - value) / u, Infinity));
  }, 1);

interface Prepared {
  readonly targets: readonly Target[];
  readonly options: readonly (readonly Option[])[];
  readonly caps: readonly number[];
}

/** For each slot in turn, one part of the best thickness that can be had; unlapped where that will do. */
function oneToBuy(question: SolverQuestion, { targets, options, caps }: Prepared, stop: () => boolean): ShaftSolved['buy'] {
  const { slots, stock, supply } = question;
  let best: (Worth & { readonly said: ShaftSolved['buy'] }) | null = null;
  for (const lapping of [false, true]) {
    if (best || (lapping && caps.every((cap) => cap === 0))) break;
    for (const [i, slot] of slots.entries()) {
      // what cannot be chosen is the part itself, and is not bought
      if (slot.isFixed === true || (slot.choices.length < 2 && (slot.lap ?? 0) > 0)) continue;
      for (const thickness of thicknesses(question, { targets, options, caps }, i, slot.supply ?? supply)) {
        const made: Option = { ids: [NEW_PART], total: thickness, fresh: 1 };
        const tried = options.map((all, j) => (j === i ? [made] : all));
        const asked = { targets, options: tried, stock: { ...stock, [NEW_PART]: 1 }, caps, keep: 1, lapping };
        const [found] = search(asked, stop).found;
        if (!found || (best && !isBetter(found, best))) continue;
        best = {
          measure: found.measure,
          fresh: found.fresh,
          lapped: found.lapped,
          said: { ...setOf(found, question), slot: slot.id, thickness: asLength(thickness) },
        };
      }
    }
  }
  return best?.said;
}

/** No more than so many thicknesses of a supplier's range are tried one by one. */
const MOST_TRIED = 400;

/**
 * Thicknesses worth trying in a slot: a supplier's, or, where any can be made, those that set a gap in the middle of its limits or at its aim, and
 * two gaps alike, with some set of the others.
 */
function thicknesses(question: SolverQuestion, { targets, options, caps }: Prepared, at: number, supply: SolverQuestion['supply']): number[] {
  if (supply) return thicknessesOf(supply).slice(0, MOST_TRIED);
  const [made] = freelyMade(question, { targets, options, caps }, at);
  return made === undefined ? [] : [made];
}

/** The thickness of greatest margin when any can be made: the slot stands as one that is lapped from the thickest that can help. */
function freelyMade({ slots, stock }: SolverQuestion, { targets, options }: Prepared, at: number): number[] {
  const spans = targets.flatMap(({ constant, by, min, max }) => {
    const c = by[at] ?? 0;
    if (c === 0) return [];
    const others = slots.map((_, j) => {
      const all = options[j] ?? [];
      const ends = [(all[0]?.total ?? 0) * (by[j] ?? 0), (all.at(-1)?.total ?? 0) * (by[j] ?? 0)];
      return j === at ? [0, 0] : [Math.min(...ends), Math.max(...ends)];
    });
    const low = constant + others.reduce((sum, [a = 0]) => sum + a, 0);
    const high = constant + others.reduce((sum, [, b = 0]) => sum + b, 0);
    return [(min - high) / c, (min - low) / c, (max - high) / c, (max - low) / c].filter(Number.isFinite);
  });
  if (spans.length === 0) return [];
  const thickest = Math.max(0, Math.ceil(Math.max(...spans)));
  const made: Option = { ids: [NEW_PART], total: thickest, fresh: 1 };
  const tried = options.map((all, j) => (j === at ? [made] : all));
  const caps = slots.map((_, j) => (j === at ? thickest : 0));
  const [found] = search({ targets, options: tried, stock: { ...stock, [NEW_PART]: 1 }, caps, keep: 1, lapping: true }).found;
  return found ? [thickest - (found.laps[at] ?? 0)] : [];
}
