import type { FitLeaf, Fitted, JobFacts, Lot } from '@elder-cog/contract';
import { leafFits, nanometres, NM_PER, type Length, type ShaftSolution, type SolverGap, type SolverQuestion, type SolverSlot } from '@elder-cog/core';
import { packTotal } from './builds.ts';
import type { ShaftState } from './jobState.ts';
import type { SlotState } from './slotState.ts';
import type { Slot } from './slots.ts';
import { slotLetter } from './drawn.ts';
import { aimWith } from './gap/index.ts';
import { filledPlaces, formAt, formsOf, setsDepth } from './graph.ts';
import { availableFor, type Available } from './packs.ts';

/** How far one thing that can be changed moves each gap of a shaft. */
export interface Mover {
  /** the place of a slot, or the size that may be lapped */
  readonly id: string;
  /** something is chosen for it; else it is a part that may be lapped */
  readonly isSlot: boolean;
  /** P, Q … where there are several slots */
  readonly letter: string | null;
  readonly name: string;
  /** by gap, in their order: how far it opens for each unit thicker, or lapped off */
  readonly by: readonly number[];
}

/** Kinds of part whose ends can be lapped. */
const LAPPED: ReadonlySet<string> = new Set(['bush', 'spacer', 'gear', 'washer', 'collar', 'cluster']);

/** What moves what: every slot that moves a gap, and every size that could be lapped. */
export function moversOf(facts: JobFacts, shaft: ShaftState): Mover[] {
  const slots = shaft.slots.filter(({ slot }) => slot.kind === 'adjuster');
  const features = filledPlaces(facts, shaft.shaft, shaft.current)
    .filter(({ place }) => LAPPED.has(place.kind))
    .flatMap((filled) => filled.features.filter((f) => f.kind === 'length'));
  const forms = formsOf(facts, shaft.shaft, shaft.current, { chosen: features.map((f) => f.id) });
  // nought is nought whichever way it is counted
  const by = (id: string, sign: 1 | -1): number[] => shaft.gaps.map(({ station }) => sign * (formAt(forms, station)?.coefficients[id] ?? 0) || 0);
  return [
    ...slots.map(({ slot }, n): Mover => ({
      id: slot.id,
      isSlot: true,
      letter: slots.length > 1 ? slotLetter(n) : null,
      name: slot.name,
      by: by(slot.id, 1),
    })),
    ...features.map((f): Mover => ({ id: f.id, isSlot: false, letter: null, name: f.name, by: by(f.id, -1) })),
  ].filter((mover) => mover.by.some((moves) => moves !== 0));
}

export interface SolveAsked {
  readonly question: SolverQuestion;
  /** by choice, the leaf that it is */
  readonly leaves: ReadonlyMap<string, Available>;
  /** gaps that nothing is known of, and why they are left out */
  readonly leftOut: readonly { readonly name: string; readonly why: string }[];
}

/** What of the leaves on hand goes into a slot. */
export interface ForSlot {
  readonly fits: readonly Available[];
  /** nobody has measured what matters of these */
  readonly toMeasure: readonly Available[];
}

/** Sorts leaves by whether they go into a slot: what is in it does; what is of another thickness altogether, or another bore, is for somewhere else. */
export function forSlot(state: SlotState, leaves: readonly Available[]): ForSlot {
  const isAbout = aboutAsThick(state);
  const near = leaves.filter((leaf) => leaf.isIn || isAbout(leaf));
  const goes = (leaf: Available): ReturnType<typeof leafFits> =>
    leaf.isIn ? 'fits' : goesThere(state.slot, leaf) ? leafFits(state.slot.wants ?? {}, leaf.form) : 'not';
  return { fits: near.filter((leaf) => goes(leaf) === 'fits'), toMeasure: near.filter((leaf) => goes(leaf) === 'measure') };
}

/** A gasket lies under something that is bolted down. Common practice, no source. */
const BOLTED_DOWN: ReadonlySet<Slot['place']> = new Set(['underCover', 'underCupFlange', 'underCarrierFlange', 'underThrustPlate']);
const goesThere = ({ isGasket, place }: Slot, leaf: Available): boolean => (leaf.isGasket ? isGasket || BOLTED_DOWN.has(place) : !isGasket);

/** Whether a part is about as thick as the one it would take the place of; a leaf of a pack may be any. */
function aboutAsThick({ slot, fitting }: SlotState): (leaf: Pick<Available, 'thickness'>) => boolean {
  if (!slot.isOne || !fitting.leaves) return () => true;
  const now = packTotal(fitting.leaves);
  return ({ thickness }) => Math.abs(thickness - now) <= ABOUT * Math.max(now, 1);
}

/** A washer that takes the place of another is about as thick: what is a quarter off is for somewhere else. Common practice, no source. */
const ABOUT = 0.25;
/** A shim is no thicker; more than so many are not put in one place, mm. */
const SHIM_MM = 2;
const MOST_LEAVES = 4;

/**
 * All the slots of a shaft at once, from what is on hand and what is in them: so that every gap that is read, or whose sizes are all known,
 * comes in together. What is read outweighs what the sizes come to.
 *
 * @param laps by size, how much may be lapped off it
 */
export function solveQuestion(
  facts: JobFacts,
  shaft: ShaftState,
  { lots, fitted, laps }: { readonly lots: readonly Lot[]; readonly fitted: readonly Fitted[]; readonly laps: ReadonlyMap<string, Length> },
): SolveAsked | null {
  const movers = new Map(moversOf(facts, shaft).map((mover) => [mover.id, mover]));
  const slots = shaft.slots.filter(({ slot, fitting }) => movers.has(slot.id) && slot.kind === 'adjuster' && fitting.leaves !== null);
  if (slots.length === 0) return null;
  const mine = new Set(slots.map(({ slot }) => slot.id));
  const elsewhere = fitted.filter((f) => !mine.has(f.slotId));
  const here = slots.flatMap(({ fitting }) => (fitting.leaves ?? []).map((leaf) => ({ ...leaf, quantity: leaf.count })));
  const drawer = availableFor('', lots, elsewhere);
  const owned = new Set(drawer.map((a) => a.lotId));
  const strangers = here.filter((leaf) => leaf.lotId === null || !owned.has(leaf.lotId));
  const all: Available[] = [...drawer, ...strangers.map((leaf) => ({ ...leaf, form: {}, isIn: false }))];
  const leaves = new Map<string, Available>();
  const stock: Record<string, number> = {};
  for (const each of all) {
    const key = choiceId(each);
    leaves.set(key, each);
    stock[key] = (stock[key] ?? 0) + each.quantity;
  }
  const forms = formsOf(facts, shaft.shaft, shaft.current);
  const solverSlots: SolverSlot[] = slots.map((state): SolverSlot => {
    const { isOne, wants } = state.slot;
    const inNow = (state.fitting.leaves ?? []).flatMap((leaf) => Array.from({ length: leaf.count }, () => choiceId(leaf)));
    // what sets a depth stays as it is, whatever the gaps want
    if (setsDepth(forms, state.slot.id)) {
      const stays = [...new Set(inNow)].flatMap((id) => {
        const leaf = leaves.get(id);
        return leaf ? [{ id, thickness: leaf.thickness }] : [];
      });
      return { id: state.slot.id, choices: stays, fitted: inNow, least: inNow.length, most: inNow.length, isFixed: true };
    }
    return {
      id: state.slot.id,
      choices: forSlot(
        state,
        [...leaves].map(([id, a]) => ({ ...a, isIn: inNow.includes(id) })),
      )
        .fits.filter((a) => isOne || a.isIn || a.thickness <= SHIM_MM * NM_PER.mm)
        .map((a) => ({ id: choiceId(a), thickness: a.thickness })),
      fitted: inNow,
      least: isOne ? 1 : 0,
      most: isOne ? Math.max(1, inNow.length) : Math.max(MOST_LEAVES, inNow.length),
      ...(wants?.supply ? { supply: wants.supply } : {}),
    };
  });
  for (const [id, lap] of laps) {
    if (!movers.has(id) || lap <= 0) continue;
    // the part is there, and counts by what comes off it
    stock[id] = 1;
    solverSlots.push({ id, choices: [{ id, thickness: nanometres(0) }], fitted: [id], lap });
  }
  const leftOut: { name: string; why: string }[] = [];
  const gaps = shaft.gaps.flatMap((gap, g): SolverGap[] => {
    const { station, limits, now, fromSizes } = gap;
    const read = now.reading?.kind === 'estimate' && now.kind !== 'stale' ? now.reading : null;
    const value = read?.value ?? (fromSizes && 'value' in fromSizes ? fromSizes.value : null);
    if (!limits || value === null) {
      leftOut.push({ name: station.name, why: limits ? 'it is not read' : 'it has no limits' });
      return [];
    }
    const by = (id: string): number => movers.get(id)?.by[g] ?? 0;
    const constant = slots.reduce((sum, { slot, fitting }) => sum - by(slot.id) * packTotal(fitting.leaves), value as number);
    return [
      {
        id: station.id,
        constant: nanometres(constant),
        // a lap opens a gap by what it takes off: less of the length, the other way
        coefficients: Object.fromEntries(solverSlots.map((s) => [s.id, laps.has(s.id) ? -by(s.id) : by(s.id)])),
        limits: limits.limits,
        ...(station.aim.at === 'middle' ? {} : { aim: aimWith(station.aim, limits) }),
        ...(read && read.u > 0 ? { u: read.u } : {}),
      },
    ];
  });
  return gaps.length === 0 ? null : { question: { gaps, slots: solverSlots, stock }, leaves, leftOut };
}

const choiceId = ({ lotId, thickness }: Pick<FitLeaf, 'lotId' | 'thickness'>): string => `${lotId ?? 'here'} ${thickness}`;

/** What a set puts in each slot it changes, as leaves to be fitted. */
export function fitsOf(
  { picks }: Pick<ShaftSolution, 'picks'>,
  { question, leaves }: SolveAsked,
): { readonly slotId: string; readonly leaves: readonly FitLeaf[] }[] {
  return question.slots.flatMap(({ id, fitted = [] }) => {
    const pick = picks[id];
    const isSame = pick === undefined || [...pick].sort().join() === [...fitted].sort().join();
    if (isSame) return [];
    return [
      {
        slotId: id,
        leaves: pick.flatMap((choice) => {
          const leaf = leaves.get(choice);
          return leaf ? [{ lotId: leaf.lotId, thickness: leaf.thickness, written: leaf.written, unit: leaf.unit, count: 1 }] : [];
        }),
      },
    ];
  });
}
