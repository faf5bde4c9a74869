import type { Detail, Ring } from './solid.ts';

export interface BearingArt {
  readonly cup: Ring;
  readonly cone: Ring;
  readonly roller: Ring;
  readonly details: Detail[];
}

/** Proportions of a taper roller bearing in section, mm of template, from the back of its cup to the back of its cone. */
export function taperBearing(cupBack: number, coneBack: number, a: number, bore: number, outside: number): BearingArt {
  const toward = Math.sign(coneBack - cupBack) || 1;
  const wide = Math.abs(coneBack - cupBack) / (18.5 * a);
  const tall = (outside - bore) / 16;
  const at = (t: number, r: number): readonly [number, number] => [cupBack + toward * t * a * wide, (bore + (r - 15) * tall) * a];
  const slope = Math.tan((12 * Math.PI) / 180);
  // raceways through the roller's middle (8.1, 22.9), the roller 11.2 long and growing towards the cone's back
  const cupRace = (t: number): number => 26.45 + (t - 8.1) * (slope + 0.075);
  const coneRace = (t: number): number => 19.35 + (t - 8.1) * (slope - 0.075);
  const start = 2.7;
  const end = 13.6;
  return {
    cup: [at(0, 31), at(14, 31), at(14, cupRace(14)), at(0, cupRace(0))],
    cone: [
      at(2, 15),
      at(2, coneRace(2) + 1),
      at(start - 0.25, coneRace(start) + 1.1),
      at(start - 0.25, coneRace(start)),
      at(end + 0.25, coneRace(end)),
      at(end + 0.25, coneRace(end) + 2.4),
      at(18.5, coneRace(18.5) + 1.6),
      at(18.5, 15),
    ],
    roller: [at(start, coneRace(start)), at(start, cupRace(start)), at(end, cupRace(end)), at(end, coneRace(end))],
    details: [
      {
        points: [
          at(start - 1.6, (cupRace(start) + coneRace(start)) / 2 - 0.8),
          at(start - 1.6, (cupRace(start) + coneRace(start)) / 2 + 0.6),
          at(end + 1.6, (cupRace(end) + coneRace(end)) / 2 + 0.6),
        ],
        width: Math.max(1.2, 0.9 * a),
      },
      {
        points: [at(start - 2.6, (cupRace(start) + coneRace(start)) / 2 - 0.3), at(end + 2.8, (cupRace(end) + coneRace(end)) / 2 + 0.3)],
        dash: '7 2.5 1.5 2.5',
      },
    ],
  };
}
