import { CHAIN, stroke, type Detail, type Outline, type Ring } from './solid.ts';
import { sittingOn, type Placed, type PlacedFace, type World, isShaft } from './world.ts';

type Point = readonly [number, number];

/** Radius of a shaft either side of one of its shoulders. */
interface Shoulder {
  readonly x: number;
  readonly left: number;
  readonly right: number;
}

/** A shoulder that looks to the output end has its metal before it, and is as big there as it reaches out. */
const shoulderOf = ({ side, x, inner, outer }: PlacedFace): Shoulder =>
  side === 'out' ? { x, left: outer, right: inner } : { x, left: inner, right: outer };

/** How far a shaft goes on beyond the last thing on it, mm of proportion. */
const STUB = 30;
/** A shaft long enough between its shoulders is drawn with its own gear where nothing else is in the way, mm. */
const LONG_BODY = 58;

/** A shaft: its shoulders where its faces are, as thick as what sits on it, and a stub at either end. */
export function shaftOutline(shaft: Placed, world: World): Outline {
  const { a } = world;
  const shoulders = [...shaft.faces].sort((p, q) => p.x - q.x).map(shoulderOf);
  const [first, last] = [shoulders[0], shoulders.at(-1)];
  if (!first || !last) return { solids: [], details: [] };
  const head = shaft.place.kind === 'pinion' ? pinionHead(first.x, first.left, a) : null;
  const left = head ?? stub(world, first.x, first.left, -1);
  const right = stub(world, last.x, last.right, 1);
  const body: Point[] = [];
  const edges: number[] = [];
  const gears: Detail[] = [];
  for (const [i, { x, left: before, right: after }] of shoulders.entries()) {
    const earlier = shoulders[i - 1];
    if (earlier && Math.abs(earlier.right - before) > 0.05) {
      const step = stepBetween(earlier, { x, left: before, right: after }, world);
      body.push([step, earlier.right], [step, before]);
    }
    const gear = earlier && ownGear(earlier, { x, left: before, right: after }, world);
    if (gear) {
      body.push(...gear.points);
      gears.push(...gear.details);
    }
    body.push([x, before], [x, after]);
    edges.push(x);
  }
  const ring: Ring = [...[...left.points].reverse(), ...body, ...right.points];
  return {
    solids: [{ id: shaft.place.id, part: shaft.place.id, kind: 'part', fill: 'steel', rings: [ring] }],
    details: [
      ...[...left.steps, ...right.steps].map(([x, r]) => stroke(x, 0, x, r, { width: 0.6 })),
      ...shoulders.map(({ x, left: before, right: after }) => stroke(x, 0, x, Math.min(before, after), { width: 0.6 })),
      ...gears,
      ...[left, right].flatMap(({ thread }) => thread),
    ].filter(({ points }) => points.length > 0 && edges.length > 0 && a > 0),
  };
}

/** How far the head of a bevel pinion stands before its shoulder, clear of its housing, mm. */
const NECK = 9;

/** The head of a bevel pinion before its first shoulder. */
function pinionHead(shoulder: number, radius: number, a: number): Stub {
  const x = shoulder - NECK * a;
  return {
    points: [
      [x, radius],
      [x, radius + 2 * a],
      [x - 3 * a, radius + 13 * a],
      [x - 7 * a, radius + 14.5 * a],
      [x - 28 * a, radius - 3 * a],
      [x - 26 * a, radius - 9 * a],
      [x - 26 * a, 0],
    ],
    steps: [],
    thread: [
      stroke(x - 3.5 * a, radius + 6 * a, x - 25 * a, radius - 11 * a),
      stroke(x - 2 * a, radius + 13.4 * a, x - 30 * a, radius - 8.6 * a, { dash: CHAIN }),
    ],
  };
}

/** Where a shaft changes between two shoulders: at a groove, as wide as the ring in it; elsewhere half way. */
function stepBetween(earlier: Shoulder, next: Shoulder, { placed, a }: World): number {
  const inGroove = placed.find((p) => !isShaft(p) && p.to > p.from && Math.abs(p.to - next.x) < 1 && p.inner <= next.left + 0.5 * a);
  return next.left < earlier.right && inGroove ? inGroove.from - 0.4 * a : (earlier.x + next.x) / 2;
}

interface Stub {
  /** outwards from the shoulder */
  readonly points: readonly Point[];
  readonly steps: readonly Point[];
  readonly thread: readonly Detail[];
}

/** From the last shoulder out: down to each thing that sits there in turn, and on a little beyond them. */
function stub(world: World, x: number, radius: number, toward: 1 | -1): Stub {
  const { a } = world;
  const far = x + toward * 1e6;
  const sitting = sittingOn(world, radius, Math.min(x, far), Math.max(x, far))
    .filter((p) => (toward === 1 ? p.from >= x - 0.5 : p.to <= x + 0.5))
    .sort((p, q) => toward * ((toward === 1 ? p.from : q.to) - (toward === 1 ? q.from : p.to)));
  const nut = world.placed.find((p) => p.place.kind === 'nut' && toward * (p.from - x) > 0);
  const points: Point[] = [];
  const steps: Point[] = [];
  let here = radius;
  let end = x + toward * 4 * a;
  for (const p of sitting) {
    const start = toward === 1 ? p.from : p.to;
    if (p.inner < here - 0.05) {
      points.push([start, here], [start, p.inner]);
      steps.push([start, p.inner]);
      here = p.inner;
    }
    end = toward * Math.max(toward * end, toward * (toward === 1 ? p.to : p.from) + 3 * a);
  }
  if (nut) {
    const thread = nut.inner;
    const start = nut.from - toward * 0.6 * a;
    if (thread < here - 0.05) points.push([start, here], [start, thread]);
    const tip = nut.from + toward * 19.5 * a;
    points.push([tip - toward * 1.2 * a, thread], [tip, thread - 1.2 * a], [tip, 0]);
    return {
      points,
      steps: [...steps, [start, Math.min(thread, here)]],
      thread: [stroke(start + toward * 0.4 * a, thread - 1.4 * a, tip - toward * 1.2 * a, thread - 1.4 * a)],
    };
  }
  const thin = here * 0.84;
  const tip = end + toward * STUB * a;
  points.push([end, here], [end + toward * 0.5 * a, thin], [tip - toward * a, thin], [tip, thin - a], [tip, 0]);
  return { points, steps: [...steps, [end + toward * 0.5 * a, thin]], thread: [] };
}

/** A gear cut on the shaft between two shoulders that look away from each other, where there is room for one. */
function ownGear(before: Shoulder, after: Shoulder, world: World): { points: readonly Point[]; details: readonly Detail[] } | null {
  const { a, placed } = world;
  const long = after.x - before.x;
  const body = before.right;
  const isBody = before.left < body && after.right < after.left && long >= LONG_BODY * a;
  const housed = placed.some((p) => p.place.kind === 'casing' && p.from < before.x + long * 0.4 && p.to > after.x - long * 0.4);
  const inTheWay = placed.some(
    (p) => p.place.kind !== 'casing' && !isShaft(p) && p.from < after.x - 1 && p.to > before.x + 1 && p.inner >= body - 0.5,
  );
  if (!isBody || !housed || inTheWay) return null;
  const middle = (before.x + after.x) / 2;
  const half = Math.min(24 * a, long * 0.2);
  const rim = Math.min(...placed.filter((p) => p.place.kind === 'casing').map((p) => cavityOf(p, a))) - 5.5 * a;
  if (rim < body + 12 * a) return null;
  const [web, foot, root] = [rim - 18.5 * a, rim - 10.5 * a, rim - 8.5 * a];
  return {
    points: [
      [middle - half - 8 * a, body],
      [middle - half - 6 * a, Math.min(body + 5 * a, web)],
      [middle - half + 4 * a, Math.min(body + 5 * a, web)],
      [middle - half * 0.38, web],
      [middle - half * 0.38, foot],
      [middle - half * 0.85, root],
      [middle - half * 0.85, rim],
      [middle + half * 0.85, rim],
      [middle + half * 0.85, root],
      [middle + half * 0.38, foot],
      [middle + half * 0.38, web],
      [middle + half - 4 * a, Math.min(body + 5 * a, web)],
      [middle + half, Math.min(body + a, web)],
      [middle + half + 6 * a, body],
    ],
    details: [
      stroke(middle - half * 0.85, rim - 4.9 * a, middle + half * 0.85, rim - 4.9 * a),
      stroke(middle - half * 0.85 - 3 * a, rim - 2.3 * a, middle + half * 0.85 + 3 * a, rim - 2.3 * a, { dash: CHAIN }),
    ],
  };
}

/** How far out a casing's wall is, and how far its room reaches: as the bearing in it wants, or to its own flange. */
export const wallOf = (casing: Placed, a: number): number => {
  const bearing = Math.max(0, ...casing.faces.filter((f) => f.outer - f.inner < 12 * a).map((f) => f.outer));
  return Math.max(casing.outer, bearing > 0 ? bearing + 31 * a : 0);
};
export const cavityOf = (casing: Placed, a: number): number => wallOf(casing, a) - 7 * a;
