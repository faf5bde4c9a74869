import { cavityOf, wallOf } from './shaft.ts';
import { seal } from './seal.ts';
import { box, type Outline, type Ring, type Solid } from './solid.ts';
import { HOLE, type Placed, type PlacedFace, type World, isShaft } from './world.ts';

type Point = readonly [number, number];

/** Metal beyond a seat that looks inwards: a lip where a bearing sits, a boss with a bush where a plain shaft runs, mm. */
const LIP = { bearing: 9, plain: 24 } as const;
/** How far a bolt goes in, mm. */
const BOLT_DEPTH = 13;

/** One end of a casing, worked out from the input end; the other is its mirror image. */
interface End {
  /** inner boundary, from the outermost edge inwards to where the room begins */
  readonly inner: readonly Point[];
  /** the outer edge, out to the wall */
  readonly edge: readonly Point[];
  /** bearing land, or the room's own end: the boss inside goes round it */
  readonly boss: readonly Point[];
  readonly lips: { readonly x: number; readonly r: number; readonly isPlain: boolean } | null;
}

/**
 * A casing: a bore at each end for what sits there, a wall, and room for gears between. It ends at a face that looks outwards, and goes on
 * beyond one that looks inwards.
 */
export function casingOutline(casing: Placed, world: World): Outline {
  const { a } = world;
  const faces = [...casing.faces].sort((p, q) => p.x - q.x);
  const [first, last] = [faces[0], faces.at(-1)];
  if (!first || !last || first === last) return { solids: [], details: [] };
  if (isSleeve(first, last)) return sleeve(casing, first, last, world);
  if (first.side === last.side && last.x - first.x < 30 * a) return recess(casing, first, last, world);
  const wall = wallOf(casing, a);
  const room = cavityOf(casing, a);
  const left = endOf(first, 1, world, { wall, room });
  const right = endOf(last, -1, world, { wall, room });
  const gap = (right.boss[0]?.[0] ?? 0) - (left.boss[0]?.[0] ?? 0);
  // from the inside of the left end, over the wall to the right one, and back along the room
  const shelves: Point[] = gap > 14 * a ? [...right.boss, ...[...left.boss].reverse()] : [];
  const ring: Ring = [...[...left.inner].reverse(), ...left.edge, ...[...right.edge].reverse(), ...right.inner, ...shelves];
  const bushes: Solid[] = [left, right].flatMap(({ lips }, i) => (lips?.isPlain ? plainBush(casing, lips, i === 0 ? -1 : 1, world) : []));
  return {
    solids: [{ id: casing.place.id, part: casing.place.id, kind: 'part', fill: 'hatchCasing', rings: [ring] }, ...bushes],
    details: [left, right].flatMap(({ lips }, i) => (lips && !lips.isPlain ? sealIn(lips, i === 0 ? 1 : -1, world) : [])),
  };
}

/** Both of its faces look into one recess, or away from one collar: a ring of metal with no room in it. */
const isSleeve = (first: PlacedFace, last: PlacedFace): boolean =>
  (first.side === 'in' &&
    last.side === 'out' &&
    first.outer <= last.outer * 1.4 &&
    first.inner > last.inner - 1 &&
    last.outer - last.inner < (last.inner || 1) * 0.35) ||
  (first.side === 'out' && last.side === 'in' && last.outer - last.inner < (last.inner || 1) * 0.2);

/** A casing that is only a bore: a shoulder between two seats, or a recess with a groove. */
function sleeve(casing: Placed, first: PlacedFace, last: PlacedFace, world: World): Outline {
  const { a } = world;
  const inside = world.placed.filter((p) => p !== casing && p.outer <= casing.outer * 1.03 && p.outer > casing.inner * 0.75 && !isShaft(p));
  const from = Math.min(first.x, ...inside.map((p) => p.from)) - 7 * a;
  const to = Math.max(last.x, ...inside.map((p) => p.to)) + 7 * a;
  const wall = casing.outer + 13 * a;
  const looksOut = first.side === 'out';
  // a recess is as wide as what lies in it, and its groove goes deeper at the far end
  const bore: Point[] = looksOut
    ? [
        [from, first.inner],
        [first.x, first.inner],
        [first.x, last.inner],
        [grooveStart(last, world, first), last.inner],
        [grooveStart(last, world, first), last.outer],
        [last.x, last.outer],
        [last.x, last.inner],
        [to, last.inner],
      ]
    : [
        [from, first.outer],
        [first.x, first.outer],
        [first.x, Math.min(first.inner, last.inner)],
        [last.x, Math.min(first.inner, last.inner)],
        [last.x, last.outer],
        [to, last.outer],
      ];
  const flange = from + (to - from) * 0.36;
  const outer: Point[] = [
    [to, wall - 2 * a],
    [to - 2 * a, wall],
    [flange + 12 * a, wall],
    [flange + 10 * a, wall + 3 * a],
    [flange + 10 * a, wall + 17 * a],
    [flange, wall + 17 * a],
    [flange, wall + 3 * a],
    [flange - 2 * a, wall],
    [from + 2 * a, wall],
    [from, wall - 2 * a],
  ];
  return {
    solids: [{ id: casing.place.id, part: casing.place.id, kind: 'part', fill: 'hatchCasing', rings: [[...bore, ...outer]] }],
    details: [],
  };
}

/** A casing's outside with a shallow recess in it, for a collar that runs there. */
function recess(casing: Placed, first: PlacedFace, last: PlacedFace, world: World): Outline {
  const { a, bolt } = world;
  const [from, wall] = [first.x - (LIP.plain + 4) * a, last.outer + 4 * a];
  const hole: Point[] = bolt
    ? [
        [last.x, bolt.r + HOLE * a],
        [last.x - BOLT_DEPTH * a, bolt.r + HOLE * a],
        [last.x - BOLT_DEPTH * a, bolt.r - HOLE * a],
        [last.x, bolt.r - HOLE * a],
      ]
    : [];
  const ring: Ring = [
    [from, first.inner],
    [first.x, first.inner],
    [first.x, first.outer],
    [last.x, first.outer],
    ...[...hole].reverse(),
    [last.x, wall + 8 * a],
    [last.x - 12 * a, wall + 8 * a],
    [last.x - 14 * a, wall + 6 * a],
    [last.x - 16 * a, first.inner + 19 * a],
    [from, first.inner + 15 * a],
  ];
  return {
    solids: [
      { id: casing.place.id, part: casing.place.id, kind: 'part', fill: 'hatchCasing', rings: [ring] },
      ...plainBush(casing, { x: from, r: first.inner }, -1, world, first.x),
    ],
    details: [],
  };
}

/** A groove is as wide as what lies in it, or a little. */
function grooveStart(groove: PlacedFace, { placed, a }: World, before: PlacedFace): number {
  const ring = placed.find(
    (p) => p.to <= groove.x + 9 * a && p.from > before.x && p.outer > groove.inner + 0.5 && p.to > p.from && p.place.kind !== 'casing',
  );
  return ring ? ring.from - 0.4 * a : groove.x - 3 * a;
}

function endOf(face: PlacedFace, toward: 1 | -1, world: World, { wall, room }: { wall: number; room: number }): End {
  const { a, bolt } = world;
  const at = (along: number): number => face.x + toward * along;
  // towards the middle is positive from here on
  const looksInwards = (face.side === 'out') === (toward === 1);
  if (looksInwards) {
    const seated = boredOver(world, face, toward);
    const isPlain = seated === null;
    const lip = isPlain ? LIP.plain : LIP.bearing;
    const land = seated ? Math.abs(seated - face.x) + 2.5 * a : 0;
    const edge = -lip * a;
    const top = isPlain ? [at(edge), face.inner + 13.5 * a] : [at(edge), wall - 2 * a];
    return {
      inner: isPlain
        ? [
            [at(edge), face.inner],
            [at(0), face.inner],
            [at(0), Math.min(face.outer, room - 2 * a)],
            [at(2 * a), room],
          ]
        : [
            [at(edge), face.inner],
            [at(0), face.inner],
            [at(0), face.outer],
            [at(land), face.outer],
          ],
      edge: isPlain
        ? [top as unknown as Point, [at(-8 * a), face.inner + 17.5 * a], [at(-8 * a), wall - 2 * a], [at(-6 * a), wall]]
        : [
            [at(edge), wall - 2 * a],
            [at(edge + 2 * a), wall],
          ],
      boss: isPlain
        ? [[at(2 * a), room]]
        : [
            [at(land), face.outer + 7 * a],
            [at(land - a), face.outer + 8.4 * a],
            [at(10 * a), face.outer + 11 * a],
            [at(7 * a), face.outer + 14 * a],
            [at(7 * a), room - 3 * a],
            [at(10 * a), room],
          ],
      lips: { x: at(edge), r: face.inner, isPlain },
    };
  }
  const bore = face.inner;
  const seated = boreUsed(world, face, toward, bore);
  const depth = Math.max(seated === null ? 0 : Math.abs(seated - face.x) + 2.5 * a, (seated === null ? 18 : 20) * a);
  const bolted = bolt && Math.abs(bolt.face - face.x) < 1 && bolt.r < wall - 4 * a;
  const hole: Point[] = bolted
    ? [
        [at(0), bolt.r + HOLE * a],
        [at(BOLT_DEPTH * a), bolt.r + HOLE * a],
        [at(BOLT_DEPTH * a), bolt.r - HOLE * a],
        [at(0), bolt.r - HOLE * a],
      ]
    : [];
  const shelf = Math.min(bore + 15 * a, room - 4 * a);
  return {
    inner: [...hole, [at(0), bore], [at(depth), bore]],
    edge: [
      [at(0), wall - a],
      [at(a), wall],
    ],
    boss:
      seated === null
        ? [
            [at(depth), Math.max(room - 2 * a, bore)],
            [at(depth + 4 * a), room],
          ]
        : [
            [at(depth), bore + 7 * a],
            [at(depth - 2 * a), bore + 8.4 * a],
            [at(19 * a), bore + 12.4 * a],
            [at(16 * a), shelf],
            [at(16 * a), room - 3 * a],
            [at(19 * a), room],
          ],
    lips: null,
  };
}

/** How far in the race goes that sits in a bore against a seat; null where none does. */
function boredOver({ placed, a }: World, seat: PlacedFace, toward: 1 | -1): number | null {
  const ends = placed
    .filter((p) => (p.place.kind === 'cup' || p.place.kind === 'cone') && p.outer <= seat.outer + 0.5)
    .filter((p) => toward * ((toward === 1 ? p.from : p.to) - seat.x) < 45 * a && toward * (p.from - seat.x) > -1)
    .map((p) => (toward === 1 ? p.to : p.from));
  return ends.length === 0 ? null : toward * Math.max(...ends.map((x) => toward * x));
}

/** The same of a bore that is open to the outside: as far in as its bearing reaches. */
function boreUsed({ placed, a }: World, face: PlacedFace, toward: 1 | -1, bore: number): number | null {
  const ends = placed
    .filter((p) => (p.place.kind === 'cup' || p.place.kind === 'cone') && p.outer <= bore + a)
    .map((p) => (toward === 1 ? p.to : p.from))
    .filter((x) => toward * (x - face.x) < 60 * a && toward * (x - face.x) > 0);
  return ends.length === 0 ? null : toward * Math.max(...ends.map((x) => toward * x)) + toward * 3 * a;
}

/** The radius of the shaft where it runs through. */
const runsThrough = ({ placed, a }: World): number => {
  const shaft = placed.find((p) => isShaft(p));
  return (shaft?.inner ?? 15 * a) * 0.84;
};

const sealIn = ({ x, r }: { readonly x: number; readonly r: number }, inward: 1 | -1, world: World): Outline['details'] =>
  r - runsThrough(world) < 4 * world.a ? [] : seal(world.a, x + inward * world.a, r, runsThrough(world), inward);

function plainBush(casing: Placed, { x, r }: { readonly x: number; readonly r: number }, out: 1 | -1, world: World, thrust?: number): Solid[] {
  const shaft = world.placed.find((p) => isShaft(p));
  const bore = shaft?.inner ?? 0;
  if (!shaft || r - bore < world.a || r - bore > 8 * world.a) return [];
  const face = thrust ?? x - out * LIP.plain * world.a;
  const [from, to] = out === 1 ? [face + 0.6 * world.a, x] : [x, face - 0.6 * world.a];
  return [{ id: `bush-${out === 1 ? 'out' : 'in'}`, part: casing.place.id, kind: 'part', fill: 'hatchBronze', rings: [box(from, bore, to, r)] }];
}
