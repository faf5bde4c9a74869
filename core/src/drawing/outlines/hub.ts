import { seal } from './seal.ts';
import { box, CHAIN, stroke, type Outline, type Ring } from './solid.ts';
import { fillOf, type Placed, type World, isShaft } from './world.ts';

type Point = readonly [number, number];

/** A hub or a gear that carries both cups: bored for each, with a shoulder between them; outside it has a flange with studs, or teeth. */
export function hubOutline(hub: Placed, world: World): Outline {
  const { a } = world;
  const [first, last] = [...hub.faces].sort((p, q) => p.x - q.x);
  if (!first || !last) return { solids: [], details: [] };
  const isGear = hub.place.material === 'steel';
  // a hub reaches over its bearings to their seals; a gear, over its cups
  const cups = world.placed.filter((p) => p.place.kind === 'cup' || (p.place.kind === 'cone' && !isGear));
  const from = Math.min(first.x - 4 * a, ...cups.filter((c) => c.to <= first.x + 1).map((c) => c.from)) - (isGear ? 1 : 9) * a;
  const to = Math.max(last.x + 4 * a, ...cups.filter((c) => c.from >= last.x - 1).map((c) => c.to)) + (isGear ? 1 : 5) * a;
  const bore: Point[] = [
    [from, first.outer],
    [first.x, first.outer],
    [first.x, first.inner],
    ...(Math.abs(first.inner - last.inner) > 0.5 * a
      ? ([
          [first.x + (last.x - first.x) * 0.12, first.inner],
          [first.x + (last.x - first.x) * 0.2, last.inner],
        ] as Point[])
      : []),
    [last.x, last.inner],
    [last.x, last.outer],
    [to, last.outer],
  ];
  const outside = isGear ? teeth(from, to, Math.max(first.outer, last.outer), a) : flanged(hub.place.id, from, to, first.outer, last.outer, a);
  const ring: Ring = [...bore, ...outside.points];
  const shaft = world.placed.find((p) => isShaft(p));
  const lip = (shaft?.outer ?? 22 * a) + 0.2 * a;
  const hasSeal = !isGear && first.outer - lip > 4 * a;
  return {
    solids: [{ id: hub.place.id, part: hub.place.id, kind: 'part', fill: fillOf(hub.place), rings: [ring] }, ...outside.solids],
    details: [...outside.details, ...(hasSeal ? seal(a, from + 1.2 * a, first.outer, lip, 1) : [])],
  };
}

interface Outside extends Outline {
  readonly points: readonly Point[];
}

/** A wheel's flange with its studs. */
function flanged(id: string, from: number, to: number, inBore: number, outBore: number, a: number): Outside {
  const [big, small] = [inBore + 8.5 * a, outBore + 8.2 * a];
  const at = from + (to - from) * 0.42;
  const [r, head] = [big + 9.5 * a, at - 4.4 * a];
  const rim = big + 18 * a;
  const studs = box(at + 9 * a, r - 3.6 * a, at + 36 * a, r + 3.6 * a);
  return {
    points: [
      [to, small - 1.2 * a],
      [to - 1.2 * a, small],
      [at + 12 * a, big - 3 * a],
      [at + 9 * a, big],
      [at + 9 * a, r - 3.6 * a],
      [at, r - 3.6 * a],
      [at, big + 3 * a],
      [at - 4 * a, big],
      [from + 1.5 * a, big],
      [from, big - 1.5 * a],
    ],
    solids: [
      // what is outside the studs is of the same piece
      {
        id: 'hub-rim',
        part: id,
        kind: 'part',
        fill: 'hatchCasing',
        rings: [box(at, r + 3.6 * a, at + 9 * a, rim)],
      },
      {
        id: 'stud',
        part: 'bolts',
        kind: 'fastener',
        fill: 'steel',
        rings: [box(at, r - 3.6 * a, at + 9 * a, r + 3.6 * a), studs, box(head, r - 5.6 * a, at, r + 5.6 * a)],
      },
    ],
    details: [
      stroke(at + 20 * a, r - 2.7 * a, at + 36 * a, r - 2.7 * a),
      stroke(at + 20 * a, r + 2.7 * a, at + 36 * a, r + 2.7 * a),
      stroke(head - 4 * a, r, at + 41 * a, r, { width: 0.9, dash: CHAIN }),
    ],
  };
}

/** Teeth all along its outside. */
function teeth(from: number, to: number, bore: number, a: number): Outside {
  const rim = bore + 16 * a;
  const inset = Math.min(4 * a, (to - from) * 0.08);
  return {
    points: [
      [to, bore + 6 * a],
      [to - inset, bore + 7 * a],
      [to - inset, rim],
      [from + inset, rim],
      [from + inset, bore + 7 * a],
      [from, bore + 6 * a],
    ],
    solids: [],
    details: [
      stroke(from + inset, rim - 4.9 * a, to - inset, rim - 4.9 * a),
      stroke(from + inset - 3 * a, rim - 2.3 * a, to - inset + 3 * a, rim - 2.3 * a, { dash: CHAIN }),
    ],
  };
}
