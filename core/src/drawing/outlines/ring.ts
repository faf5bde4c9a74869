import { box, type Outline, type Ring } from './solid.ts';
import { bandsOf, fillOf, type Placed, type World } from './world.ts';

type Point = readonly [number, number];

/** A washer, a bush, a spacer, a collar, a gasket, a circlip: a ring between its two ends, with a rib or a flange where it has more faces. */
export function ringOutline(ring: Placed, world: World): Outline {
  const { place } = ring;
  const faces = [...ring.faces].sort((p, q) => p.x - q.x);
  const [first, last] = [faces[0], faces.at(-1)];
  if (!first || !last) return { solids: [], details: [] };
  const solid = (rings: readonly Ring[]): Outline => ({
    solids: [{ id: place.id, part: place.id, kind: place.isSlot ? 'pack' : 'part', fill: fillOf(place), rings }],
    details: [],
  });
  const isStraight = faces.length === 2 && first.inner === last.inner && first.outer === last.outer;
  if (isStraight) return solid(bandsOf(ring, world).map(([r1, r2]) => box(first.x, r1, last.x, r2)));
  // a face within it is a step of its outside, as on a shaft
  const outside = faces.flatMap((face): Point[] => {
    if (face === first || face === last) return [[face.x, face.outer]];
    return face.side === 'in'
      ? [
          [face.x, face.inner],
          [face.x, face.outer],
        ]
      : [
          [face.x, face.outer],
          [face.x, face.inner],
        ];
  });
  const [back, front]: readonly [Point, Point] = [
    [last.x, last.inner],
    [first.x, first.inner],
  ];
  return solid([[...outside, back, front]]);
}

/** Leaves of a pack, one solid each, side by side along the axis. */
export function packOutline(pack: Placed, world: World): Outline {
  const { place } = pack;
  const bands = bandsOf(pack, world);
  const { leaves } = place;
  if (!leaves) {
    const rings = bands.map(([r1, r2]) => box(pack.from, r1, pack.to, r2));
    return { solids: [{ id: `unknown-${place.id}`, part: place.id, kind: 'pack', fill: 'sheet', rings }], details: [] };
  }
  let at = pack.from;
  return {
    solids: leaves.map((leaf, i) => {
      const start = at;
      at += world.layout.leafPx(leaf);
      return { id: `leaf-${i + 1}`, part: place.id, kind: 'pack', fill: 'brass', rings: bands.map(([r1, r2]) => box(start, r1, at, r2)) };
    }),
    details: [],
  };
}
