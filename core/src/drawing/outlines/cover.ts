import { seal } from './seal.ts';
import { box, type Outline, type Ring, type Solid } from './solid.ts';
import { flangeThickness, HOLE, widest, type Placed, type World, isShaft } from './world.ts';

/** How far a boss reaches beyond its flange, mm. */
const BOSS = 10;

/**
 * A cover: a flange that is bolted on, and a spigot or a thrust face inside it. Where a shaft runs through with room for a seal it has one;
 * where it runs through close, a bush.
 */
export function coverOutline(cover: Placed, world: World): Outline {
  const { a, bolt } = world;
  const flange = widest(cover);
  if (!flange) return { solids: [], details: [] };
  const inner = cover.faces.find((f) => f !== flange) ?? flange;
  const thick = flangeThickness(cover, a);
  const out = flange.x + thick;
  const shaft = world.placed.find((p) => isShaft(p));
  const shaftRadius = shaft?.inner ?? 15 * a;
  const isBushed = inner.inner - shaftRadius < 6 * a && inner !== flange;
  const hole: readonly [number, number] = bolt ? [bolt.r - HOLE * a, bolt.r + HOLE * a] : [flange.outer, flange.outer];
  const rim: Ring = [
    [flange.x, hole[1]],
    [flange.x, flange.outer],
    [out - 1.5 * a, flange.outer],
    [out, flange.outer - 1.5 * a],
    [out, hole[1]],
  ];
  const ring: Ring = isBushed ? bushed(flange, inner, out, hole[0], world) : sealed(flange, inner, out, hole[0], shaftRadius, world);
  const bush: Solid[] = isBushed
    ? [
        {
          id: 'bush-cover',
          part: cover.place.id,
          kind: 'part',
          fill: 'hatchBronze',
          rings: [box(inner.x + 0.6 * a, shaftRadius, flange.x + 24 * a, inner.inner)],
        },
      ]
    : [];
  const nose = Math.max(inner.x + 13 * a, out - 2 * a);
  return {
    solids: [{ id: cover.place.id, part: cover.place.id, kind: 'part', fill: 'hatchCover', rings: bolt ? [rim, ring] : [ring] }, ...bush],
    details: isBushed ? [] : seal(a, nose + 9 * a, inner.inner - 5 * a, shaftRadius * 0.84, -1),
  };
}

type Face = Placed['faces'][number];

function bushed(flange: Face, thrust: Face, out: number, to: number, { a }: World): Ring {
  return [
    [flange.x, to],
    [out, to],
    [out, flange.inner + a],
    [flange.x + 24 * a, thrust.inner + 13.5 * a],
    [flange.x + 24 * a, thrust.inner],
    [thrust.x, thrust.inner],
    [thrust.x, thrust.outer],
    [flange.x, thrust.outer],
  ];
}

/** Bored to pass the shaft and hold its seal beyond it. */
function sealed(flange: Face, spigot: Face, out: number, to: number, shaftRadius: number, { a }: World): Ring {
  const nose = Math.max(spigot.x + 13 * a, out - 2 * a);
  const seat = Math.max(spigot.inner - 5 * a, shaftRadius + 4.5 * a);
  return [
    [flange.x, to],
    [out, to],
    [out, flange.inner],
    [nose + BOSS * a, Math.max(flange.inner - 3 * a, seat + 4 * a)],
    [nose + BOSS * a, seat],
    [nose, seat],
    [nose, shaftRadius + 0.4 * a],
    [spigot.x + 13 * a, shaftRadius + 0.4 * a],
    [spigot.x + 13 * a, spigot.inner],
    [spigot.x, spigot.inner],
    [spigot.x, spigot.outer],
    [flange.x, spigot.outer],
  ];
}
