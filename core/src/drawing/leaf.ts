import { NM_PER, type Length } from '../quantity/index.ts';

/** A leaf in side view: a sheared strip with opposite corners cut; one k (px a thou) for a whole pack. */
export interface LeafShape {
  readonly d: string;
  readonly y: number;
  readonly height: number;
  /** drawn at the floor, not to the pack's scale */
  readonly floored: boolean;
  readonly hole: { readonly x: number; readonly y: number; readonly r: number } | null;
  /** thicker than is drawn: broken by a line across it, and its figure says how thick; null where it is drawn whole */
  readonly broken: string | null;
}

const FLOOR = 3;
const BETWEEN = 3;
const TALLEST_PACK = 96;
/** A distance piece takes no more room than a shim. */
const TALLEST_LEAF = 60;

/** Pixels a thou so that the tallest pack is at most 96 px, and never more than 2.6. */
export const leafScale = (tallest: Length): number => Math.min(2.6, TALLEST_PACK / Math.max(1, tallest / NM_PER.thou));

/** The usual break line, from edge to edge. */
const breakLine = (width: number, y: number): string =>
  `M-1,${y + 5}L${width * 0.4},${y - 1}l${width * 0.06},-7l${width * 0.08},16l${width * 0.06},-9L${width + 1},${y - 5}`;

/** A pack as leaves one above another, `width` wide. Metric leaves carry one round hole, imperial none. */
export function leafShapes(
  leaves: readonly { readonly thickness: Length; readonly metric: boolean }[],
  { width, k }: { width: number; k: number },
): { leaves: readonly LeafShape[]; height: number } {
  let y = 0;
  const shapes = leaves.map(({ thickness, metric }) => {
    const true_ = (thickness / NM_PER.thou) * k;
    const height = Math.min(TALLEST_LEAF, Math.max(FLOOR, true_));
    const cut = Math.min(7, height * 0.62);
    const top = y;
    y += height + BETWEEN;
    return {
      d: `M0,${top.toFixed(2)}H${(width - cut).toFixed(2)}L${width},${(top + cut).toFixed(2)}V${(top + height).toFixed(2)}H${cut.toFixed(2)}L0,${(top + height - cut).toFixed(2)}Z`,
      y: top,
      height,
      floored: true_ < FLOOR,
      broken: true_ > TALLEST_LEAF ? breakLine(width, top + height / 2) : null,
      hole: metric ? { x: width - 20, y: top + height / 2, r: Math.min(4, height * 0.28) } : null,
    };
  });
  return { leaves: shapes, height: Math.max(0, y - BETWEEN) };
}
