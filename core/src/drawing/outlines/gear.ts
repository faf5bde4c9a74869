import { cavityOf } from './shaft.ts';
import { CHAIN, stroke, type Outline, type Ring } from './solid.ts';
import { fillOf, type Placed, type World } from './world.ts';

/** How far teeth stand out from a gear's hub, mm; no farther than its casing lets them. */
const TEETH = 20;

const rimOf = ({ outer }: Placed, { a, placed }: World, by = TEETH): number =>
  Math.min(outer + by * a, ...placed.filter((p) => p.place.kind === 'casing').map((p) => cavityOf(p, a) - 5 * a));

/** A gear: a hub, a web where there is room for one, and teeth with their pitch line. */
export function gearOutline(gear: Placed, world: World): Outline {
  const { a } = world;
  const { from, to, inner, outer } = gear;
  const wide = to - from;
  const rim = rimOf(gear, world);
  const g = wide / 49;
  const isWebbed = wide > 34 * a && rim > outer + 12 * a;
  const at = (along: number): number => from + along * g;
  const ring: Ring = isWebbed
    ? [
        [from, inner],
        [from, outer],
        [at(13), outer + 1.5 * a],
        [at(15), outer + 4 * a],
        [at(15), rim - 11 * a],
        [at(4), rim - 9 * a],
        [at(3.5), rim],
        [at(41), rim],
        [at(41), rim - 9 * a],
        [at(34), rim - 11 * a],
        [at(34), outer + 4 * a],
        [at(36), outer + 1.5 * a],
        [to, outer],
        [to, inner],
      ]
    : [
        [from, inner],
        [from, outer],
        [at(4), outer],
        [at(4), rim - a],
        [at(6), rim],
        [at(43), rim],
        [at(45), rim - a],
        [at(45), outer],
        [to, outer],
        [to, inner],
      ];
  const [start, end] = isWebbed ? [at(3.5), at(41)] : [at(4), at(45)];
  return {
    solids: [{ id: gear.place.id, part: gear.place.id, kind: 'part', fill: fillOf(gear.place), rings: [ring] }],
    details: [stroke(start, rim - 5.4 * a, end, rim - 5.4 * a), stroke(start - 3 * a, rim - 2.6 * a, end + 3 * a, rim - 2.6 * a, { dash: CHAIN })],
  };
}

/** Two gears of one piece, side by side. */
export function clusterOutline(cluster: Placed, world: World): Outline {
  const { a } = world;
  const { from, to, inner, outer } = cluster;
  const g = (to - from) / 60;
  const at = (along: number): number => from + along * g;
  const [big, small] = [rimOf(cluster, world, 27), rimOf(cluster, world, 13)];
  const ring: Ring = [
    [from, inner],
    [from, outer],
    [at(1.5), outer + 2 * a],
    [at(1.5), big - a],
    [at(2.5), big],
    [at(19), big],
    [at(20), big - a],
    [at(20), outer + 3 * a],
    [at(22.5), outer],
    [at(36), outer],
    [at(38), outer + 2 * a],
    [at(38), small - a],
    [at(39), small],
    [at(58), small],
    [at(59), small - a],
    [at(59), outer],
    [to, outer],
    [to, inner],
  ];
  const rollers: readonly [number, number][] = [
    [4, 21],
    [39, 56],
  ];
  return {
    solids: [{ id: cluster.place.id, part: cluster.place.id, kind: 'part', fill: fillOf(cluster.place), rings: [ring] }],
    details: [
      stroke(at(1.5), big - 5 * a, at(20), big - 5 * a),
      stroke(at(38), small - 4.6 * a, at(59), small - 4.6 * a),
      stroke(at(-1), big - 2.6 * a, at(22), big - 2.6 * a, { dash: CHAIN }),
      stroke(at(36), small - 2.4 * a, at(61), small - 2.4 * a, { dash: CHAIN }),
      // loose rollers it turns on
      ...rollers.map(([x1, x2]) => ({
        points: [
          [at(x1), inner - 0.3 * a],
          [at(x2), inner - 0.3 * a],
          [at(x2), inner - 3 * a],
          [at(x1), inner - 3 * a],
        ] as Ring,
        closed: true,
        fill: 'sheet' as const,
      })),
    ],
  };
}
