import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length, type Limits } from '../quantity/index.ts';

/** How a gap moves when a part gets thicker: opens it, closes it, or does not touch it. */
export type Sense = -1 | 0 | 1;

export interface StackLink {
  readonly label?: string;
  readonly length: Length;
  /** one standard uncertainty, nm */
  readonly u?: number;
  readonly sense: Sense;
  readonly limits?: Limits;
  /** expansion, µm/m·K */
  readonly expansion?: number;
}

/**
 * A gap from the links of its path: gap = Σ sᵢ·Lᵢ, with root-sum-square uncertainty and the worst that limits (or ±√3·u,
 * the ends of a rectangular distribution) allow. Linear tolerance stacking.
 *
 * @throws ReckoningError `noLinks`
 * @example stackGap({ links: [{ length: mm(30), sense: 1 }, { length: mm(29.9), sense: -1 }] }).value // 0.1 mm
 */
export function stackGap({ links }: { links: readonly StackLink[] }): { value: Length; u: number; worst: { min: Length; max: Length } } {
  if (links.length === 0) refuse('noLinks', 'A gap needs at least one part on its path.');
  const reach = (link: StackLink, end: 'min' | 'max'): number => {
    const spread = Math.sqrt(3) * (link.u ?? 0);
    return link.limits?.[end] ?? (end === 'min' ? link.length - spread : link.length + spread);
  };
  const worst = (end: 'min' | 'max'): Length =>
    nanometres(links.reduce((sum, link) => sum + link.sense * reach(link, link.sense >= 0 === (end === 'max') ? 'max' : 'min'), 0));
  return {
    value: nanometres(links.reduce((sum, link) => sum + link.sense * link.length, 0)),
    u: Math.hypot(...links.map((link) => link.sense * (link.u ?? 0))),
    worst: { min: worst('min'), max: worst('max') },
  };
}

export const stackGapSum = ({ links }: { links: readonly StackLink[] }): Sum => [
  ...links.map((link) => lengthLine(link.label ?? 'part', link.sense < 0 ? '−' : link.sense > 0 ? '+' : '0 ×', link.length)),
  lengthLine('gap', 'Σ', stackGap({ links }).value),
];
