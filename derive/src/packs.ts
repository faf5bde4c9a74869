import { inRange, type FitLeaf, type Fitted, type JobFacts, type LeafForm, type Lot } from '@elder-cog/contract';
import {
  fabricateShim,
  fromLength,
  leafThatFillsMost,
  madeSize,
  nanometres,
  orNull,
  reachableTotals,
  searchPacks,
  thou,
  type DrawerLeaf,
  type Length,
  type MadeSize,
  type Pack,
  type PackWindow,
  type Reach,
  type ShimPlan,
} from '@elder-cog/core';
import { buildsOf } from './builds.ts';
import { readable } from './readable.ts';
import { slotsOf } from './slots.ts';

/** Leaves of every slot in the current builds of one open job. */
export function fittedIn(stored: JobFacts): Fitted[] {
  if (stored.job.archivedAt !== null) return [];
  const { facts } = readable(stored);
  return facts.assemblies.flatMap((assembly) => {
    const current = buildsOf(facts, assembly.id).at(-1);
    return [...(current?.fitted ?? [])].flatMap(([slotId, fitting]) =>
      (fitting.leaves ?? []).map((leaf) => ({
        lotId: leaf.lotId,
        thickness: leaf.thickness,
        written: leaf.written,
        unit: leaf.unit,
        count: leaf.count,
        jobId: facts.job.id,
        machine: facts.job.machine,
        slotId,
        slotName: slotsOf(facts).find((s) => s.id === slotId)?.name ?? '',
      })),
    );
  });
}

export interface OnHand {
  readonly lot: Lot;
  readonly onHand: number;
  readonly fitted: number;
  readonly where: readonly string[];
}

/** Owned, less what is fitted anywhere. */
export function onHand(lots: readonly Lot[], fitted: readonly Fitted[]): OnHand[] {
  return [...lots]
    .sort((a, b) => a.thickness - b.thickness)
    .map((lot) => {
      const out = fitted.filter((f) => f.lotId === lot.id);
      const count = out.reduce((sum, f) => sum + f.count, 0);
      return { lot, fitted: count, onHand: Math.max(0, lot.owned - count), where: [...new Set(out.map((f) => f.machine))] };
    });
}

/** Leaves of one kind to be had, and how many. */
export interface LeafOnHand {
  readonly lotId: string | null;
  readonly thickness: Length;
  readonly written: string;
  readonly unit: FitLeaf['unit'];
  readonly quantity: number;
}

/** What a slot may be filled from: the drawer, and the leaves that are in the slot itself. */
export interface Available extends LeafOnHand {
  /** what else it is, as far as it was measured */
  readonly form: LeafForm;
  /** it is in the place already */
  readonly isIn: boolean;
  /** it is a gasket, and as thick as it is bolted up. Left out where it is none */
  readonly isGasket?: true;
}

/** What a leaf counts as in a pack: a gasket is as thick as it is bolted up. */
const asCounted = ({ thickness, written, unit, crushed }: Lot): Pick<Available, 'thickness' | 'written' | 'isGasket'> =>
  crushed === undefined
    ? { thickness, written }
    : { thickness: crushed, written: String(Number(fromLength(crushed, unit).toFixed(4))), isGasket: true };

const formOf = ({ bore, outside, tang }: Lot): LeafForm => ({ bore, outside, tang });

export function availableFor(slotId: string, lots: readonly Lot[], fitted: readonly Fitted[]): Available[] {
  const elsewhere = fitted.filter((f) => f.slotId !== slotId);
  const inNow = new Set(fitted.flatMap((f) => (f.slotId === slotId && f.lotId !== null ? [f.lotId] : [])));
  const drawer = onHand(lots, elsewhere).map(({ lot, onHand: quantity }) => ({
    lotId: lot.id,
    ...asCounted(lot),
    unit: lot.unit,
    quantity,
    form: formOf(lot),
    isIn: inNow.has(lot.id),
  }));
  const owned = new Set(lots.map((l) => l.id));
  const strangers = fitted
    .filter((f) => f.slotId === slotId && (f.lotId === null || !owned.has(f.lotId)))
    .map((f) => ({ lotId: f.lotId, thickness: f.thickness, written: f.written, unit: f.unit, quantity: f.count, form: {}, isIn: true }));
  return [...drawer, ...strangers].filter((a) => a.quantity > 0 && inRange('leaf', a.thickness));
}

export interface PackChoice {
  readonly leaves: readonly FitLeaf[];
  readonly total: Length;
  /** said, where the window says how pack and gap go together */
  readonly gives: Length;
  readonly sure: boolean;
}

export interface PackChoices {
  readonly choices: readonly PackChoice[];
  readonly below: PackChoice | null;
  readonly above: PackChoice | null;
  /** the shim to make, as a window, and how from stock */
  readonly make: {
    /** as it is said in each system: inside its window either way */
    readonly in: Readonly<Record<'thou' | 'mm', MadeSize>>;
    readonly sure: boolean;
    readonly plan: ShimPlan | null;
    /** whether the stock of the plan is on hand */
    readonly owned: boolean;
  };
  readonly missing: { readonly thickness: Length; readonly with: readonly FitLeaf[] } | null;
}

/** Shim stock as it is commonly sold, for a plan when the drawer holds nothing thicker. Common practice, no source. */
const SHOP_STOCK: readonly Length[] = [5, 10, 15, 20, 31, 47, 62, 93, 125].map((t) => thou(t));

const toChoice = (pack: Pack, available: readonly LeafOnHand[], window: PackWindow, gapFor: (pack: Length) => Length): PackChoice => ({
  leaves: pack.leaves.flatMap(({ thickness, count }) => namedLeaves(thickness, count, available)),
  total: pack.total,
  gives: gapFor(pack.total),
  sure: window.sure !== null && pack.total >= window.sure.min && pack.total <= window.sure.max,
});

/** A thickness in the drawer may come from several lots: those in turn. */
export function namedLeaves(thickness: Length, count: number, available: readonly LeafOnHand[]): FitLeaf[] {
  let left = count;
  return available
    .filter((a) => a.thickness === thickness)
    .flatMap((a) => {
      const taken = Math.min(left, a.quantity);
      left -= taken;
      return taken > 0 ? [{ lotId: a.lotId, thickness, written: a.written, unit: a.unit, count: taken }] : [];
    });
}

/** Packs on hand for a window, and what to make where none lands. Runs in a worker. */
export function packChoices({
  window,
  available,
  fitted,
  reading,
  sense,
  keep = 3,
  most = 6,
}: {
  window: PackWindow;
  available: readonly LeafOnHand[];
  fitted: Length;
  reading: Length;
  sense: -1 | 0 | 1;
  keep?: number;
  /** leaves in one place at the most */
  most?: number;
}): PackChoices {
  const gapFor = (pack: Length): Length => nanometres(reading + sense * (pack - fitted));
  const drawer: DrawerLeaf[] = available.map(({ thickness, quantity }) => ({ thickness, quantity }));
  const ideal = nanometres(Math.max(0, window.ideal));
  const found = searchPacks(drawer, { min: window.min, max: window.max, target: ideal, sure: window.sure, maxLeaves: most, keep });
  const choice = (pack: Pack): PackChoice => toChoice(pack, available, window, gapFor);
  const { min, max } = window.sure ?? window;
  const span = { min, max };
  const stock = [...new Set([...available.map((a) => a.thickness), ...SHOP_STOCK])]
    .filter((thickness) => thickness >= span.min)
    .map((thickness) => ({ thickness, quantity: 1 }));
  const plan = found.packs.length > 0 ? null : planFor(span, ideal, stock);
  return {
    // what is in already is no change
    choices: found.packs.filter((pack) => pack.total !== fitted).map(choice),
    below: found.below ? choice(found.below) : null,
    above: found.above ? choice(found.above) : null,
    make: {
      in: { thou: madeSize({ ...span, ideal }, 'thou'), mm: madeSize({ ...span, ideal }, 'mm') },
      sure: window.sure !== null,
      plan,
      owned: plan !== null && 'from' in plan && available.some((a) => a.thickness === plan.from),
    },
    missing: found.missing
      ? { thickness: found.missing.thickness, with: found.missing.with.flatMap((l) => namedLeaves(l.thickness, l.count, available)) }
      : null,
  };
}

/** One thickness made from one piece of stock; combining leaves has been tried already. */
const planFor = (span: { min: Length; max: Length }, ideal: Length, stock: readonly { thickness: Length; quantity: number }[]): ShimPlan | null =>
  orNull(() => fabricateShim({ window: { min: span.min, max: span.max, ideal }, stock }));

export interface DrawerReach {
  readonly totals: readonly Reach[];
  readonly gaps: number;
  readonly best: { readonly thickness: Length; readonly fills: number; readonly of: number } | null;
}

/** What the leaves on hand can make, 1 to 20 thou within a quarter, three leaves at most; and the one leaf that fills most gaps. */
export function drawerReach(hands: readonly OnHand[]): DrawerReach {
  const range = { from: thou(1), to: thou(20), step: thou(1), tolerance: thou(0.25), maxLeaves: 3 };
  const drawer = hands.filter((h) => h.onHand > 0 && h.lot.crushed === undefined).map((h) => ({ thickness: h.lot.thickness, quantity: h.onHand }));
  const totals = reachableTotals(drawer, range);
  return { totals, gaps: totals.filter((t) => t.pack === null).length, best: leafThatFillsMost(drawer, range) };
}
