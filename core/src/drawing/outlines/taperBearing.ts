import type { Outline, Ring } from './solid.ts';
import type { Bearing, Placed } from './world.ts';

/** From the back of a cup to the back of its cone, and from bore to outside, in the proportions the outline was drawn at, mm. */
const DRAWN = { stand: 18.5, bore: 15, outside: 31 } as const;
const SLOPE = Math.tan((12 * Math.PI) / 180);
/** Where the roller begins and ends along the bearing. */
const [START, END] = [2.7, 13.6];
// raceways through the roller's middle (8.1, 22.9), the roller 11.2 long and growing towards the cone's back
const cupRace = (t: number): number => 26.45 + (t - 8.1) * (SLOPE + 0.075);
const coneRace = (t: number): number => 19.35 + (t - 8.1) * (SLOPE - 0.075);

/**
 * A taper roller bearing in section. Its races stand as their backs do, which tells which way it takes thrust; a gap in the bearing itself is
 * drawn as what the cup stands off its rollers.
 */
export function taperBearing({ outer: cup, race: cone, outerBack: cupBack, raceBack: coneBack, stand }: Bearing): Outline {
  const toward = Math.sign(coneBack - cupBack) || 1;
  const bore = cone.inner;
  const tall = (cup.outer - bore) / (DRAWN.outside - DRAWN.bore);
  const wide = stand / DRAWN.stand;
  const radius = (r: number): number => bore + (r - DRAWN.bore) * tall;
  const ofCone = (t: number, r: number): readonly [number, number] => [coneBack - toward * (DRAWN.stand - t) * wide, radius(r)];
  const ofCup = (t: number, r: number): readonly [number, number] => [cupBack + toward * t * wide, radius(r)];
  const width = 14;
  const front = coneFront(cone, wide);
  // the rollers never stand out of a narrow cone
  const start = Math.max(START, front + 0.4);
  const solid = (id: string, part: string, fill: 'steel' | 'sheet', ring: Ring): Outline['solids'][number] => ({
    id,
    part,
    kind: 'part',
    fill,
    rings: [ring],
  });
  return {
    solids: [
      solid(cup.place.id, cup.place.id, 'steel', [ofCup(0, 31), ofCup(width, 31), ofCup(width, cupRace(width)), ofCup(0, cupRace(0))]),
      solid(cone.place.id, cone.place.id, 'steel', [
        ofCone(front, 15),
        ...(front < start - 0.25
          ? [ofCone(front, coneRace(front) + 1), ofCone(start - 0.25, coneRace(start) + 1.1), ofCone(start - 0.25, coneRace(start))]
          : [ofCone(front, coneRace(front))]),
        ofCone(END + 0.25, coneRace(END)),
        ofCone(END + 0.25, coneRace(END) + 2.4),
        ofCone(DRAWN.stand, coneRace(DRAWN.stand) + 1.6),
        ofCone(DRAWN.stand, 15),
      ]),
      solid(`roller-${cone.place.id}`, cone.place.id, 'sheet', [
        ofCone(start, coneRace(start)),
        ofCone(start, cupRace(start)),
        ofCone(END, cupRace(END)),
        ofCone(END, coneRace(END)),
      ]),
    ],
    details: [
      {
        points: [
          ofCone(START - 1.6, (cupRace(START) + coneRace(START)) / 2 - 0.8),
          ofCone(START - 1.6, (cupRace(START) + coneRace(START)) / 2 + 0.6),
          ofCone(END + 1.6, (cupRace(END) + coneRace(END)) / 2 + 0.6),
        ],
        width: Math.max(1.2, 0.9 * tall),
      },
      {
        points: [ofCone(START - 2.6, (cupRace(START) + coneRace(START)) / 2 - 0.3), ofCone(END + 2.8, (cupRace(END) + coneRace(END)) / 2 + 0.3)],
        dash: '7 2.5 1.5 2.5',
      },
    ],
  };
}

/** Where the front of a cone is, along the bearing: as far from its back as it is wide. */
const coneFront = (cone: Placed, wide: number): number => Math.min(DRAWN.stand - Math.abs(cone.to - cone.from) / wide, END - 1);
