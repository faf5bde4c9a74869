import { ballBearing } from './ballBearing.ts';
import { bolt } from './bolt.ts';
import { casingOutline } from './casing.ts';
import { coverOutline } from './cover.ts';
import { crushSleeve } from './crushSleeve.ts';
import { clusterOutline, gearOutline } from './gear.ts';
import { hubOutline } from './hub.ts';
import { nutOutline } from './nut.ts';
import { plateOutline } from './plate.ts';
import { packOutline, ringOutline } from './ring.ts';
import { shaftOutline } from './shaft.ts';
import type { Outline, Solid } from './solid.ts';
import { taperBearing } from './taperBearing.ts';
import type { Placed, World } from './world.ts';

/** One outline for each kind of part; any other is a ring between its faces. */
const OUTLINES: Readonly<Record<string, (placed: Placed, world: World) => Outline>> = {
  casing: casingOutline,
  cover: coverOutline,
  plate: plateOutline,
  hub: hubOutline,
  shaft: shaftOutline,
  pinion: shaftOutline,
  gear: gearOutline,
  cluster: clusterOutline,
  nut: nutOutline,
  pack: packOutline,
  crushSleeve,
};

const NOTHING: Outline = { solids: [], details: [] };

/** Everything of one drawing, part by part, in the upper half plane, px. */
export function outlinesOf(world: World): Outline {
  const races = new Set(world.bearings.flatMap(({ outer, race }) => [outer.place.id, race.place.id]));
  const parts = world.placed.map((placed) => {
    if (races.has(placed.place.id)) return NOTHING;
    const draw = placed.place.leaves === undefined ? (OUTLINES[placed.place.kind] ?? ringOutline) : packOutline;
    const drawn = draw(placed, world);
    return placed.place.turned ? mirrored(drawn, placed) : drawn;
  });
  const bearings = world.bearings.map((bearing) =>
    bearing.outer.place.kind === 'outerRing' ? ballBearing(bearing.outer, bearing.race, world) : taperBearing(bearing),
  );
  const bolted = world.bolt ? bolt(world.a, world.bolt.face, world.bolt.out, world.bolt.r) : null;
  const all = [...parts, ...bearings, ...(bolted ? [{ solids: [bolted.solid], details: bolted.details }] : [])];
  // leaves are counted through the drawing, wherever they are
  let leaf = 0;
  const counted = (solid: Solid): Solid => (solid.id.startsWith('leaf-') ? { ...solid, id: `leaf-${++leaf}` } : solid);
  return { solids: all.flatMap(({ solids }) => solids.map(counted)), details: all.flatMap(({ details }) => details) };
}

/** A part fitted the other way round is its own mirror image about the middle of its faces. */
function mirrored({ solids, details }: Outline, { from, to }: Placed): Outline {
  const flip = <Of extends readonly (readonly [number, number])[]>(points: Of): (readonly [number, number])[] =>
    points.map(([x, r]) => [from + to - x, r]);
  return {
    solids: solids.map((solid) => ({ ...solid, rings: solid.rings.map(flip) })),
    details: details.map((detail) => ({ ...detail, points: flip(detail.points) })),
  };
}
