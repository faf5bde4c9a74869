import type { Outline, Ring } from './solid.ts';
import { fillOf, flangeThickness, HOLE, type Placed, type World } from './world.ts';

/** A flat plate with one face: bolted over a collar, or the side of a casing that something stands against. */
export function plateOutline(plate: Placed, world: World): Outline {
  const [face] = plate.faces;
  if (!face) return { solids: [], details: [] };
  const { a, bolt } = world;
  const far = face.x + (face.side === 'in' ? 1 : -1) * flangeThickness(plate, a);
  const [from, to] = [Math.min(face.x, far), Math.max(face.x, far)];
  const isBolted = bolt !== null && bolt.r > face.inner && bolt.r < face.outer && face.side === 'in';
  const wall = isBolted ? face.outer : face.outer + 16 * a;
  const rings: Ring[] = (
    isBolted
      ? [
          [face.inner, bolt.r - HOLE * a],
          [bolt.r + HOLE * a, wall],
        ]
      : [[face.inner, wall]]
  ).map(([r1 = 0, r2 = 0]): Ring => [
    [from, r1],
    [from, r2],
    [to, r2],
    [to, r1],
  ]);
  return { solids: [{ id: plate.place.id, part: plate.place.id, kind: 'part', fill: fillOf(plate.place), rings }], details: [] };
}
