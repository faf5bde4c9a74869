import type { Layout } from '../section/layOut.ts';
import type { DrawnPlace, DrawnShaft } from '../section/question.ts';
import type { Fill } from '../shapes.ts';
import { turnedFace } from '../../stack/index.ts';

/** A face where it is drawn: px along and out. */
export interface PlacedFace {
  readonly id: string;
  readonly side: 'in' | 'out';
  readonly x: number;
  readonly inner: number;
  readonly outer: number;
}

/** A place as it is drawn, before it is turned round: its faces from the input end. */
export interface Placed {
  readonly place: DrawnPlace;
  readonly faces: readonly PlacedFace[];
  readonly from: number;
  readonly to: number;
  /** the least and the greatest radius of its faces */
  readonly inner: number;
  readonly outer: number;
}

/** A bearing: its races, where their backs are, and how far those stand apart when there is no gap in it. */
export interface Bearing {
  readonly outer: Placed;
  readonly race: Placed;
  readonly outerBack: number;
  readonly raceBack: number;
  readonly stand: number;
}

/** Everything of one drawing that an outline may ask of its neighbours. */
export interface World {
  /** px for a millimetre of proportion */
  readonly a: number;
  readonly placed: readonly Placed[];
  readonly bearings: readonly Bearing[];
  readonly bolt: { readonly r: number; readonly face: number; readonly out: number } | null;
  readonly layout: Layout;
}

/** Bands nobody has said, mm: a ring on a middling shaft. */
const BAND = { inner: 15, outer: 25 } as const;
/** Half of a bolt's hole, mm. */
export const HOLE = 3.6;
/** How thick a cover or a plate is at its flange, mm. */
export const FLANGE: Readonly<Record<string, number>> = { cover: 15, plate: 8 };

export function worldOf(shaft: DrawnShaft, layout: Layout): World {
  const a = layout.scale.art;
  const parts = shaft.places.map(({ id, name, kind, turned, faces }) => ({ id, name, kind, turned, faces: faces.map((f) => f.id) }));
  const placed = shaft.places
    .filter(({ faces }) => faces.length > 0)
    .map((place): Placed => {
      const faces = place.faces.flatMap(({ id, side, inner, outer }) => {
        const x = layout.x(place.turned ? turnedFace(parts, id) : id);
        return x === null ? [] : [{ id, side, x, inner: (inner ?? BAND.inner) * a, outer: (outer ?? BAND.outer) * a }];
      });
      const xs = faces.map((f) => f.x);
      return {
        place,
        faces,
        from: Math.min(...xs),
        to: Math.max(...xs),
        inner: Math.min(...faces.map((f) => f.inner)),
        outer: Math.max(...faces.map((f) => f.outer)),
      };
    });
  const byFace = new Map(placed.flatMap((p) => p.faces.map((f) => [f.id, { of: p, x: f.x }] as const)));
  const bearings = shaft.contacts.flatMap(({ a: from, b: to, stand }): Bearing[] => {
    const [one, other] = [byFace.get(from), byFace.get(to)];
    if (stand === undefined || !one || !other) return [];
    const [outer, race] = OUTER.has(one.of.place.kind) ? [one, other] : [other, one];
    return [{ outer: outer.of, race: race.of, outerBack: outer.x, raceBack: race.x, stand: layout.px.get(stand) ?? 0 }];
  });
  const reach = new Map(bearings.flatMap(reachOf));
  const whole = placed.filter(({ faces }) => faces.length > 0).map((p) => ({ ...p, ...reach.get(p.place.id) }));
  const by = new Map(whole.map((p) => [p.place.id, p]));
  return {
    a,
    placed: whole,
    bearings: bearings.map((b) => ({ ...b, outer: by.get(b.outer.place.id) ?? b.outer, race: by.get(b.race.place.id) ?? b.race })),
    layout,
    bolt: shaft.bolts ? boltOf(whole, a) : null,
  };
}

/** How far a race reaches from its back towards its front, as a share of the bearing's stand, where nobody measured its width. */
const WIDTH = { cup: 14 / 18.5, cone: 16.5 / 18.5 } as const;

/** Races of a taper bearing are as wide as their bearing where only their backs are known. */
function reachOf({ outer, race, outerBack, raceBack, stand }: Bearing): [string, { from: number; to: number }][] {
  if (outer.place.kind !== 'cup') return [];
  const toward = Math.sign(raceBack - outerBack) || 1;
  const span = (back: number, front: number): { from: number; to: number } => ({ from: Math.min(back, front), to: Math.max(back, front) });
  return [
    [outer.place.id, span(outerBack, outerBack + toward * stand * WIDTH.cup)],
    [race.place.id, race.faces.length > 1 ? { from: race.from, to: race.to } : span(raceBack, raceBack - toward * stand * WIDTH.cone)],
  ];
}

const OUTER: ReadonlySet<string> = new Set(['cup', 'outerRing']);

/** Bolts go through the widest flange, from what it is bolted to. */
function boltOf(placed: readonly Placed[], a: number): World['bolt'] {
  const lid = placed.find((p) => p.place.kind === 'cover' || p.place.kind === 'plate');
  const casing = placed.find((p) => p.place.kind === 'casing');
  const flange = lid && widest(lid);
  const face = casing && widest(casing);
  if (!lid || !flange || !face || flange.x < face.x - 1) return null;
  const [inner, outer] = [Math.max(flange.inner, face.inner), Math.min(flange.outer, face.outer)];
  return { r: (inner + outer) / 2, face: face.x, out: flange.x + flangeThickness(lid, a) };
}

export const flangeThickness = ({ place }: Placed, a: number): number => (FLANGE[place.kind] ?? 12) * a;

/** The face that reaches farthest out. */
export const widest = ({ faces }: Placed): PlacedFace | undefined => [...faces].sort((p, q) => q.outer - p.outer)[0];

/** Bands of a ring that bolts may go through: in two, either side of their holes. */
export function bandsOf({ inner, outer, from, to }: Placed, { bolt, a }: World): (readonly [number, number])[] {
  const isHeld = bolt !== null && inner < bolt.r && outer > bolt.r && from >= bolt.face - 0.5 && to <= bolt.out + 0.5;
  if (!isHeld) return [[inner, outer]];
  return [
    [inner, bolt.r - HOLE * a],
    [bolt.r + HOLE * a, outer],
  ];
}

const FILLS: Readonly<Record<string, Fill>> = { bronze: 'hatchBronze', brass: 'hatchBronze', paper: 'hatchMake', steel: 'steel' };

/** How a part is filled: hatching tells material. */
export function fillOf({ kind, material, isSlot, leaves }: DrawnPlace): Fill {
  if (isSlot === true || leaves !== undefined) return 'brass';
  if (kind === 'casing') return 'hatchCasing';
  if (kind === 'hub') return material === 'steel' ? 'steel' : 'hatchCasing';
  if (kind === 'cover' || (kind === 'plate' && material !== 'steel')) return 'hatchCover';
  return FILLS[material] ?? 'steel';
}

/** Whatever turns on the axis, or stands on it. */
export const isShaft = ({ place }: Placed): boolean => place.kind === 'shaft' || place.kind === 'pinion';

/** Rings that sit on a shaft of some radius within a stretch of it. */
export const sittingOn = ({ placed }: World, radius: number, from: number, to: number): Placed[] =>
  placed.filter(
    (p) =>
      !NOT_ON_SHAFT.has(p.place.kind) &&
      p.inner <= radius * 1.06 &&
      p.inner > radius * 0.3 &&
      p.to >= from - 0.5 &&
      p.from <= to + 0.5 &&
      p.to > p.from,
  );
const NOT_ON_SHAFT: ReadonlySet<string> = new Set(['shaft', 'pinion', 'casing', 'cover', 'hub', 'cup', 'outerRing', 'plate']);
