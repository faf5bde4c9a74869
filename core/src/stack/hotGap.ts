import { refuse } from '../errors.ts';
import { grownBy } from '../material/index.ts';
import { nanometres, ZERO, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';
import type { StackLink } from './stackGap.ts';

/** A link that warms: by its own rise, or by that of all. */
export interface HotLink extends StackLink {
  /** kelvin over the temperature it was measured at */
  readonly rise?: number;
}

export interface HotStack {
  readonly links: readonly HotLink[];
}

const growth = ({ length, sense, expansion, rise }: HotLink, all: number): number =>
  expansion === undefined || sense === 0 ? 0 : sense * grownBy(length, { rise: rise ?? all, expansion });

/**
 * A gap after its parts have warmed: Σ sᵢ·Lᵢ·(1 + αᵢ·ΔTᵢ). Whether a preload goes or rises with heat follows from the arrangement: the case
 * is on the opening side of the sum where a pair lies face to face, and on the closing side back to back.
 *
 * @param rise kelvin, of every link that has none of its own; minus for cooling
 * @throws ReckoningError `noLinks`, `notAnExpansion`
 * Source: linear expansion, ΔL = α·L·ΔT.
 * @example hotGap({ links: [{ length: mm(150), sense: 1, expansion: 23 }, { length: mm(150), sense: -1, expansion: 11.5 }] }, { rise: 60 }) // 0.1035 mm
 */
export function hotGap({ links }: HotStack, { rise }: { readonly rise: number }): Length {
  if (links.length === 0) refuse('noLinks', 'A gap needs at least one part on its path.');
  return nanometres(links.reduce((sum, link) => sum + link.sense * link.length + growth(link, rise), 0));
}

export const hotGapSum = ({ links }: HotStack, { rise }: { readonly rise: number }): Sum => [
  lengthLine('cold', 'Σ s·L', nanometres(links.reduce((sum, { sense, length }) => sum + sense * length, 0))),
  ...links
    .filter((link) => growth(link, rise) !== 0)
    .map((link) => lengthLine(`${link.label ?? 'part'}, ${link.rise ?? rise} K warmer`, 's · α · L · ΔT', growth(link, rise))),
  lengthLine('hot', '', hotGap({ links }, { rise })),
];

export interface CupGrip {
  /** interference of the cup in its housing, cold, nm; less than nothing is a clearance, which grips nothing */
  readonly interference: Length;
  /** of the cup, nm */
  readonly outside: Length;
  /** mean diameter of its raceway, nm */
  readonly raceway: Length;
  /** of the cup raceway to the axis, degrees, more than 0 and less than 45 */
  readonly angle: number;
  readonly housing: { readonly expansion: number; readonly rise: number };
  readonly cup: { readonly expansion: number; readonly rise: number };
}

/**
 * How far one cup opens a gap when its housing, growing more, lets go of it: pressed in, the raceway was smaller; eased, the cone sinks
 * deeper. ½·(δ_cold − max(0, δ_hot))·cot α·d_raceway ÷ D, the same sign in both arrangements.
 *
 * @returns opened by, nm; less than nothing where the grip grows
 * @throws ReckoningError `notAnAngle`, `notAnExpansion`, `notASize`
 * Source: from memory.
 * @example cupGrip({ interference: mm(0.03), outside: mm(62), raceway: mm(52), angle: 14, housing: { expansion: 23, rise: 60 }, cup: { expansion: 12, rise: 60 } }) // 0.050458 mm
 */
export function cupGrip({ interference, outside, raceway, angle, housing, cup }: CupGrip): Length {
  if (!(angle > 0 && angle < 45)) refuse('notAnAngle', 'The angle of a cup raceway lies between 0 and 45°: 10 to 30 is usual.');
  if (!(outside > 0 && raceway > 0 && raceway < outside))
    refuse('notASize', 'The raceway lies inside the cup: give both diameters, the larger outside.');
  const cold = Math.max(0, interference);
  const apart = grownBy(outside, housing) - grownBy(outside, cup);
  const hot = Math.max(0, interference - apart);
  const eased = cold - hot;
  return eased === 0 ? ZERO : nanometres(Math.round((0.5 * eased * raceway) / outside / Math.tan((angle * Math.PI) / 180)));
}
