import { describeQuantity, type Length } from '../quantity/index.ts';

/** A drag as it was entered: a torque, or a pull at a radius, nm. */
export type EnteredDrag = { readonly torque: number } | { readonly pull: number; readonly radius: Length };

export interface SuspectedDragSlip {
  /** entered ÷ meant */
  readonly factor: number;
  /** N·m */
  readonly meant: number;
  /** what was likely slipped: "lbf·in and N·m mixed" */
  readonly why: string;
  readonly message: string;
}

/**
 * The slips of a drag. The other scale of a wrench, 1.356, is left out on purpose: a third more or less is what drags are. Arithmetic from the
 * definitions of the units; which are commonest is common practice, no source.
 */
const SLIPS: readonly (readonly [number, string])[] = [
  [8.850745791, 'lbf·in and N·m mixed'],
  [9.80665, 'kilograms and newtons mixed'],
  [10, 'the point one place out'],
  [12, 'lbf·in and lbf·ft mixed'],
  [16, 'ounces and pounds mixed'],
  [100, 'the point two places out'],
];

/**
 * Says whether the drag of a bearing looks like a slip: most of all a torque in kgf·m taken for a pull in kilograms or grams, which is what
 * it would be at a radius of one metre. It only asks.
 *
 * @param question N·m, or N and nm; `limits` in N·m: what is expected of it
 * @returns likely meanings, best first; empty where it is inside, or simply a surprise
 * @example suspectDragSlip({ pull: 0.902, radius: mm(18), limits: { min: 0.7, max: 1.1 } })[0].meant // 0.902
 */
export function suspectDragSlip({
  limits,
  ...entered
}: EnteredDrag & { readonly limits: { readonly min: number; readonly max: number } }): SuspectedDragSlip[] {
  const { min, max } = limits;
  const drag = 'torque' in entered ? entered.torque : entered.pull * entered.radius * 1e-9;
  if (!(drag > 0) || (drag >= min && drag <= max)) return [];
  const [low, high] = min <= 0 ? [max / 2, max] : [min * 0.85, max * 1.15];
  const off = (meant: number): number => Math.max(0, min - meant, meant - max);
  const metre = 'pull' in entered ? [{ factor: drag / entered.pull, why: 'a torque in kgf·m taken for a pull', meant: entered.pull }] : [];
  const others = SLIPS.flatMap(([factor, why]) => [
    { factor, why, meant: drag / factor },
    { factor: 1 / factor, why, meant: drag * factor },
  ]).sort((a, b) => off(a.meant) - off(b.meant));
  return [...metre, ...others]
    .filter(({ meant }) => meant >= low && meant <= high)
    .map((slip) => ({
      ...slip,
      message: `That is ${inBoth(drag)}: ${slip.why}? Then ${inBoth(slip.meant)} was meant.`,
    }));
}

const inBoth = (drag: number): string => `${describeQuantity(drag, 'lbf·in', 3)} (${describeQuantity(drag, 'N·m', 3)})`;
