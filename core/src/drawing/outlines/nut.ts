import { box, stroke, type Outline } from './solid.ts';
import type { Placed, World } from './world.ts';

/** A castle nut, its face against what it holds. */
export function nutOutline(nut: Placed, { a }: World): Outline {
  const [face] = nut.faces;
  if (!face) return { solids: [], details: [] };
  const toward = face.side === 'in' ? 1 : -1;
  const at = (along: number): number => face.x + toward * along * a;
  const { inner, outer } = face;
  return {
    solids: [
      {
        id: nut.place.id,
        part: nut.place.id,
        kind: 'fastener',
        fill: 'steel',
        rings: [
          [
            [at(0), inner],
            [at(0), outer - 0.8 * a],
            [at(1), outer],
            [at(10), outer],
            [at(10), outer - 3 * a],
            [at(11.9), outer - 3 * a],
            [at(11.9), inner],
          ],
          box(at(14.5), inner, at(16), outer - 3 * a),
        ],
      },
    ],
    details: [stroke(at(0.6), outer - 2.6 * a, at(10), outer - 2.6 * a), stroke(at(11.9), inner, at(14.5), inner)],
  };
}
