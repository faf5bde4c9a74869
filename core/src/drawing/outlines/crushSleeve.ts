import { ringOutline } from './ring.ts';
import type { Outline, Ring } from './solid.ts';
import { fillOf, type Placed, type World } from './world.ts';

/** How thick its wall is, mm. */
const WALL = 2.2;
/** Where its wall swells and where its crest begins, from either end: shares of its length. */
const SWELLS = 0.3;
const CREST = 0.44;

/** A crush sleeve: a thin tube, narrower at one end where its shaft is, with a crest in its middle that gives as it is drawn up. */
export function crushSleeve(sleeve: Placed, world: World): Outline {
  const { place, from, to, faces } = sleeve;
  const [first, last] = [faces[0], faces.at(-1)];
  if (!first || !last) return { solids: [], details: [] };
  const wall = WALL * world.a;
  const bore = (share: number): number => first.inner + share * (last.inner - first.inner);
  // as high as its faces reach, which its neighbours leave room for
  const crest = Math.max(first.outer, last.outer);
  if (crest - bore(0.5) < 1.6 * wall) return ringOutline(sleeve, world);
  const at = (share: number, r: number, on = 0): readonly [number, number] => [from + share * (to - from) + on * wall * 0.2, r];
  const ring: Ring = [
    at(0, bore(0) + wall),
    at(SWELLS, bore(SWELLS) + wall),
    at(CREST, crest),
    at(1 - CREST, crest),
    at(1 - SWELLS, bore(1 - SWELLS) + wall),
    at(1, bore(1) + wall),
    at(1, bore(1)),
    at(1 - SWELLS, bore(1 - SWELLS), -1),
    at(1 - CREST, crest - wall, -1),
    at(CREST, crest - wall, 1),
    at(SWELLS, bore(SWELLS), 1),
    at(0, bore(0)),
  ];
  return { solids: [{ id: place.id, part: place.id, kind: 'part', fill: fillOf(place), rings: [ring] }], details: [] };
}
