import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { describeLength, nanometres, type Length } from '../quantity/index.ts';
import { searchPacks, type Pack } from './searchPacks.ts';

export interface ShimQuestion {
  readonly window: { readonly min: Length; readonly max: Length; readonly ideal: Length };
  /** sheet or spacers to start from; as many as six of each where no quantity is given */
  readonly stock: readonly { readonly thickness: Length; readonly quantity?: number }[];
}

export type ShimPlan =
  { readonly leaves: Pack['leaves']; readonly total: Length } | { readonly from: Length; readonly takeOff: Length; readonly tolerance: Length };

/**
 * How to make a shim for a window: leaves of stock that land in it as they are, or else the next stock up and what to take
 * off it, with how far either way still lands.
 *
 * @throws ReckoningError `badWindow`, `noStock`
 * @example fabricateShim({ window: { min: inch(0.024), max: inch(0.027), ideal: inch(0.0255) }, stock: [{ thickness: inch(0.031) }] }) // take off 5½ thou ± 1½
 */
export function fabricateShim({ window, stock }: ShimQuestion): ShimPlan {
  const { min, max, ideal } = window;
  if (!(min <= ideal && ideal <= max) || max <= 0)
    refuse('badWindow', 'The thickness wanted should lie between the ends of its window, and be more than nothing.');
  const { packs } = searchPacks(
    stock.map(({ thickness, quantity = 6 }) => ({ thickness, quantity })),
    { min, max, target: ideal, maxLeaves: 3, keep: 1 },
  );
  const [pack] = packs;
  if (pack && pack.leaves.length > 0) return { leaves: pack.leaves, total: pack.total };
  const above = stock.map((s) => s.thickness).filter((t) => t > max);
  if (above.length === 0) {
    const thickest = stock.reduce<number>((most, s) => Math.max(most, s.thickness), 0);
    refuse(
      'noStock',
      `Nothing in stock is as thick as ${describeLength(ideal, 'thou')}${thickest > 0 ? ` (the thickest is ${describeLength(nanometres(thickest), 'thou')})` : ''}: buy thicker, or combine it with a leaf.`,
    );
  }
  const from = nanometres(Math.min(...above));
  return { from, takeOff: nanometres(from - ideal), tolerance: nanometres(Math.min(max - ideal, ideal - min)) };
}

export function fabricateShimSum(question: ShimQuestion): Sum {
  const plan = fabricateShim(question);
  if ('leaves' in plan)
    return [...plan.leaves.map((leaf) => lengthLine('leaf', `${leaf.count} ×`, leaf.thickness)), lengthLine('together', 'Σ', plan.total)];
  return [
    lengthLine('stock', '', plan.from),
    lengthLine('wanted', '−', question.window.ideal),
    lengthLine('take off', 'stock − wanted', plan.takeOff),
    lengthLine('either way', '±', plan.tolerance),
  ];
}
