import { refuse } from '../errors.ts';

/** A hole on the outline it is on; any unit. */
export interface HoleAt {
  readonly id: string;
  readonly x: number;
  readonly y: number;
}

/**
 * The order in which bolts are tightened: the nearest to the middle, then the one that lies over against it, and so on outwards; those as near
 * as each other by the angle they lie at, clockwise from the top.
 *
 * @param holes where each is on the real outline; `y` downward, as it is drawn
 * @returns their ids
 * @throws ReckoningError `noHoles`
 * Source: common practice, no source: from the middle outwards and across, so that a flange is not bowed.
 * @example tighteningOrder([{ id: 'a', x: 0, y: -1 }, { id: 'b', x: 1, y: 0 }, { id: 'c', x: 0, y: 1 }, { id: 'd', x: -1, y: 0 }]).join(' ') // 'a c b d'
 */
export function tighteningOrder(holes: readonly HoleAt[]): string[] {
  if (holes.length === 0) refuse('noHoles', 'Say where the holes are first.');
  const middle = { x: mean(holes.map(({ x }) => x)), y: mean(holes.map(({ y }) => y)) };
  const all = holes.map((hole) => {
    const [dx, dy] = [hole.x - middle.x, hole.y - middle.y];
    return { id: hole.id, dx, dy, far: Math.hypot(dx, dy), angle: clockwise(dx, dy) };
  });
  const size = Math.max(...all.map(({ far }) => far), 1e-12);
  // a thousandth of the outline is no nearer
  const near = (a: number, b: number): number => (Math.abs(a - b) <= size / 1000 ? 0 : a - b);
  const left = new Set(all);
  const order: string[] = [];
  const take = (measure: (hole: (typeof all)[number]) => number): (typeof all)[number] | undefined => {
    const [first] = [...left].sort((a, b) => near(measure(a), measure(b)) || a.angle - b.angle);
    if (!first) return undefined;
    left.delete(first);
    order.push(first.id);
    return first;
  };
  while (left.size > 0) {
    const one = take(({ far }) => far);
    if (one) take(({ dx, dy }) => Math.hypot(dx + one.dx, dy + one.dy));
  }
  return order;
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** From the top, clockwise, 0 to 2π; a hair short of a whole turn is none. */
function clockwise(dx: number, dy: number): number {
  const angle = (Math.atan2(dx, -dy) + 2 * Math.PI) % (2 * Math.PI);
  return angle > 2 * Math.PI - 1e-9 ? 0 : angle;
}
