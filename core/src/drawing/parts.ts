import type { Length } from '../quantity/index.ts';
import type { Place, TemplateName } from '../stack/index.ts';
import type { Fill } from './shapes.ts';

/** Points of the upper half: x along the axis and r out from it, px. */
export type Ring = readonly (readonly [number, number])[];

/** One piece of metal in section. Its rings never overlap those of another. */
export interface Solid {
  readonly id: string;
  readonly part: string;
  readonly kind: 'part' | 'pack' | 'fastener';
  readonly fill: Fill;
  readonly rings: readonly Ring[];
}

export interface Detail {
  readonly points: Ring;
  readonly closed?: boolean;
  readonly fill?: Fill;
  readonly width?: number;
  readonly dash?: string;
}

export interface PartsQuestion {
  readonly template: TemplateName;
  readonly place: Place;
  readonly gasket: boolean;
  /** px for a millimetre of the template's proportions: radii, bosses, stubs */
  readonly art: number;
  readonly x: (face: string) => number;
  /** the faces of a part, from its input end */
  readonly faces: (part: string) => readonly string[];
  readonly leaves: readonly { readonly thickness: Length; readonly metric: boolean; readonly px: number }[];
  readonly packUnknown: boolean;
  readonly turned: readonly string[];
}

export interface PartsDrawn {
  readonly solids: readonly Solid[];
  readonly details: readonly Detail[];
  /** how far out the gap is pointed at */
  readonly gapRadius: number;
  readonly gapBetween: readonly [{ name: string; fill: Fill }, { name: string; fill: Fill }];
  /** where the pack's label points, px along and out */
  readonly packAt: readonly [number, number] | null;
  /** where a "?" may stand on a part not measured */
  readonly unknownAt: readonly (readonly [string, readonly [number, number]])[];
}

/** The parts of a ready shaft as outlines in the upper half plane, in pixels. */
export function drawParts(question: PartsQuestion): PartsDrawn {
  const drawn = { taperPair: drawTaperPair, plainThrust: drawPlainThrust, gearOnBush: drawGearOnBush }[question.template](question);
  return { ...drawn, solids: drawn.solids.map((solid) => (question.turned.includes(solid.part) ? mirror(solid, question) : solid)) };
}

/** A part fitted the other way round is its own mirror image about the middle of its faces. */
function mirror(solid: Solid, { faces, x }: PartsQuestion): Solid {
  const ends = faces(solid.part).map(x);
  const xs = ends.length > 1 ? ends : solid.rings.flatMap((ring) => ring.map(([px]) => px));
  const sum = Math.min(...xs) + Math.max(...xs);
  return { ...solid, rings: solid.rings.map((ring) => ring.map(([px, r]) => [sum - px, r] as const)) };
}

const box = (x1: number, r1: number, x2: number, r2: number): Ring => [
  [x1, r1],
  [x1, r2],
  [x2, r2],
  [x2, r1],
];

/** Leaves of a pack, one solid each, side by side along the axis. */
function packSolids({ leaves, packUnknown }: PartsQuestion, from: number, bands: readonly (readonly [number, number])[]): Solid[] {
  let at = from;
  return leaves.map((leaf, i) => {
    const start = at;
    at += leaf.px;
    return {
      id: packUnknown ? 'pack-unknown' : `leaf-${i + 1}`,
      part: 'pack',
      kind: 'pack' as const,
      fill: 'brass' as const,
      rings: bands.map(([r1, r2]) => box(start, r1, at, r2)),
    };
  });
}

/** A bolt through a flange into the casing: shank, washer and head, filling exactly the hole left for it. */
function bolt(a: number, face: number, flangeOut: number, r: number): { solid: Solid; details: Detail[] } {
  const end = face - 13 * a;
  return {
    solid: {
      id: 'bolt',
      part: 'bolts',
      kind: 'fastener',
      fill: 'steel',
      rings: [
        [
          [end, r - 3.6 * a],
          [end, r + 3.6 * a],
          [flangeOut, r + 3.6 * a],
          [flangeOut, r + 7 * a],
          [flangeOut + 1.5 * a, r + 7 * a],
          [flangeOut + 1.5 * a, r + 6.2 * a],
          [flangeOut + 6.6 * a, r + 6.2 * a],
          [flangeOut + 7.4 * a, r + 5 * a],
          [flangeOut + 7.4 * a, r - 5 * a],
          [flangeOut + 6.6 * a, r - 6.2 * a],
          [flangeOut + 1.5 * a, r - 6.2 * a],
          [flangeOut + 1.5 * a, r - 7 * a],
          [flangeOut, r - 7 * a],
          [flangeOut, r - 3.6 * a],
        ],
      ],
    },
    details: [
      {
        points: [
          [end, r - 2.9 * a],
          [face - 1 * a, r - 2.9 * a],
        ],
      },
      {
        points: [
          [end, r + 2.9 * a],
          [face - 1 * a, r + 2.9 * a],
        ],
      },
      {
        points: [
          [flangeOut + 1.5 * a, r - 3 * a],
          [flangeOut + 7.2 * a, r - 3 * a],
        ],
      },
      {
        points: [
          [flangeOut + 1.5 * a, r + 3 * a],
          [flangeOut + 7.2 * a, r + 3 * a],
        ],
      },
      {
        points: [
          [end - 5 * a, r],
          [flangeOut + 13 * a, r],
        ],
        dash: '10 3 2 3',
      },
    ],
  };
}

/** A lip seal between a bore and a shaft, opening to `inward` (+1 or −1). */
function seal(a: number, x: number, bore: number, shaft: number, inward: 1 | -1): Detail[] {
  const at = (dx: number, r: number): readonly [number, number] => [x + inward * dx * a, r];
  return [
    { points: [at(5.4, bore - 0.7 * a), at(-0.4, bore - 0.7 * a), at(-0.4, shaft + (bore - shaft) * 0.36)], width: Math.max(1.4, 1.2 * a) },
    {
      points: [
        at(-0.6, shaft + (bore - shaft) * 0.46),
        at(-0.6, shaft + (bore - shaft) * 0.28),
        at(3.4, shaft + 0.2 * a),
        at(4.8, shaft + (bore - shaft) * 0.24),
        at(1.2, shaft + (bore - shaft) * 0.44),
      ],
      closed: true,
      fill: 'ink2',
    },
  ];
}

interface BearingArt {
  readonly cup: Ring;
  readonly cone: Ring;
  readonly roller: Ring;
  readonly details: Detail[];
}

/** Proportions of a taper roller bearing in section, mm of template, from the back of its cup to the back of its cone. */
function taperBearing(cupBack: number, coneBack: number, a: number, bore: number, outside: number): BearingArt {
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

const part = (id: string, fill: Fill, ...rings: Ring[]): Solid => ({ id, part: id, kind: 'part', fill, rings });

function drawTaperPair(question: PartsQuestion): PartsDrawn {
  const { art: a, x, leaves } = question;
  const seat = x('casing.seat');
  const face = x('casing.face');
  const flange = x('cover.flange');
  const spigot = x('cover.spigot');
  const cupIn = x('cupIn.back');
  const coneIn = x('coneIn.back');
  const coneOut = x('coneOut.back');
  const cupOut = x('cupOut.back');
  const sIn = x('shaft.shoulderIn');
  const sOut = x('shaft.shoulderOut');
  const boltR = 38.6 * a;
  const hole: readonly [number, number] = [boltR - 3.6 * a, boltR + 3.6 * a];
  const innerBoss = Math.min(cupOut - 24 * a, face - 20 * a);
  const casing: Ring = [
    [seat - 9 * a, 21 * a],
    [seat - 9 * a, 60 * a],
    [seat - 7 * a, 62 * a],
    [face - a, 62 * a],
    [face, 61 * a],
    [face, hole[1]],
    [face - 13 * a, hole[1]],
    [face - 13 * a, hole[0]],
    [face, hole[0]],
    [face, 31 * a],
    [innerBoss, 31 * a],
    [innerBoss, 38 * a],
    [innerBoss + 2 * a, 39.4 * a],
    [face - 19 * a, 43.4 * a],
    [face - 16 * a, 46 * a],
    [face - 16 * a, 52 * a],
    [face - 19 * a, 55 * a],
    [seat + 10 * a, 55 * a],
    [seat + 7 * a, 52 * a],
    [seat + 7 * a, 45 * a],
    [seat + 10 * a, 42 * a],
    [seat + 20 * a, 39.4 * a],
    [seat + 21 * a, 38 * a],
    [seat + 21 * a, 31 * a],
    [seat, 31 * a],
    [seat, 21 * a],
  ];
  const out = flange + 15 * a;
  const coverOuter: Ring = [
    [flange, hole[1]],
    [flange, 46 * a],
    [out - 1.5 * a, 46 * a],
    [out, 44.5 * a],
    [out, hole[1]],
  ];
  const boreEnd = Math.max(spigot + 13 * a, out - 2 * a);
  const coverInner: Ring = [
    [flange, hole[0]],
    [out, hole[0]],
    [out, 31 * a],
    [boreEnd + 10 * a, 28 * a],
    [boreEnd + 10 * a, 19.5 * a],
    [boreEnd, 19.5 * a],
    [boreEnd, 15.4 * a],
    [spigot + 13 * a, 15.4 * a],
    [spigot + 13 * a, 24.5 * a],
    [spigot, 24.5 * a],
    [spigot, 30.8 * a],
    [flange, 30.8 * a],
  ];
  const middle = (sIn + sOut) / 2;
  const gear = Math.min(24 * a, (sOut - sIn) * 0.2);
  const shaft: Ring = [
    [sIn - 54 * a, 0],
    [sIn - 54 * a, 11.3 * a],
    [sIn - 52.8 * a, 12.5 * a],
    [sIn - 18 * a, 12.5 * a],
    [sIn - 17.5 * a, 15 * a],
    [sIn, 15 * a],
    [sIn, 19 * a],
    [middle - gear - 8 * a, 19 * a],
    [middle - gear - 6 * a, 24 * a],
    [middle - gear + 4 * a, 24 * a],
    [middle - 9 * a, 31 * a],
    [middle - 9 * a, 39 * a],
    [middle - gear * 0.85, 41 * a],
    [middle - gear * 0.85, 49.5 * a],
    [middle + gear * 0.85, 49.5 * a],
    [middle + gear * 0.85, 41 * a],
    [middle + 9 * a, 39 * a],
    [middle + 9 * a, 31 * a],
    [middle + gear - 4 * a, 24 * a],
    [middle + gear, 20 * a],
    [sOut - 12 * a, 20 * a],
    [sOut - 12 * a, 19 * a],
    [sOut, 19 * a],
    [sOut, 15 * a],
    [sOut + 21.5 * a, 15 * a],
    [sOut + 22.5 * a, 12.5 * a],
    [sOut + 78 * a, 12.5 * a],
    [sOut + 79 * a, 11.5 * a],
    [sOut + 79 * a, 9 * a],
    [sOut + 96 * a, 9 * a],
    [sOut + 97 * a, 8 * a],
    [sOut + 97 * a, 0],
  ];
  const first = taperBearing(cupIn, coneIn, a, 15, 31);
  const second = taperBearing(cupOut, coneOut, a, 15, 31);
  const bolted = bolt(a, face, out, boltR);
  const packFrom = x('pack.in');
  const gasketSolid = question.gasket
    ? [part('gasket', 'hatchMake', box(x('gasket.in'), 31 * a, x('gasket.out'), hole[0]), box(x('gasket.in'), hole[1], x('gasket.out'), 46 * a))]
    : [];
  const bands: readonly (readonly [number, number])[] =
    question.place === 'underCover'
      ? [
          [31 * a, hole[0]],
          [hole[1], 46 * a],
        ]
      : question.place === 'behindCup'
        ? [[22.6 * a, 30.8 * a]]
        : [[15 * a, 18.6 * a]];
  const packR = bands[bands.length - 1]?.[1] ?? 0;
  return {
    solids: [
      part('casing', 'hatchCasing', casing),
      part('cover', 'hatchCover', coverOuter, coverInner),
      ...gasketSolid,
      ...packSolids(question, packFrom, bands),
      part('shaft', 'steel', shaft),
      part('cupIn', 'steel', first.cup),
      part('coneIn', 'steel', first.cone),
      { ...part('rollerIn', 'sheet', first.roller), part: 'coneIn' },
      part('cupOut', 'steel', second.cup),
      part('coneOut', 'steel', second.cone),
      { ...part('rollerOut', 'sheet', second.roller), part: 'coneOut' },
      bolted.solid,
    ],
    details: [
      ...first.details,
      ...second.details,
      ...bolted.details,
      ...seal(a, seat - 8 * a, 21 * a, 12.5 * a, 1),
      ...seal(a, boreEnd + 9 * a, 19.5 * a, 12.5 * a, -1),
      {
        points: [
          [sIn - 54 * a, 10.4 * a],
          [sIn - 33 * a, 10.4 * a],
          [sIn - 31 * a, 12.5 * a],
        ],
      },
      {
        points: [
          [sOut + 80 * a, 7.4 * a],
          [sOut + 96 * a, 7.4 * a],
        ],
      },
      {
        points: [
          [middle - gear * 0.85, 44.6 * a],
          [middle + gear * 0.85, 44.6 * a],
        ],
      },
      {
        points: [
          [middle - gear * 0.85 - 3 * a, 47.2 * a],
          [middle + gear * 0.85 + 3 * a, 47.2 * a],
        ],
        dash: '10 3 2 3',
      },
      ...[sIn, sOut].map((at) => ({
        points: [
          [at, 0],
          [at, 15 * a],
        ] as Ring,
        width: 0.6,
      })),
      ...[sOut + 79 * a].map((at) => ({
        points: [
          [at, 0],
          [at, 9 * a],
        ] as Ring,
        width: 0.6,
      })),
    ],
    gapRadius: 27.8 * a,
    gapBetween: [
      { name: 'CUP', fill: 'steel' },
      { name: 'COVER', fill: 'hatchCover' },
    ],
    packAt: leaves.length === 0 ? null : [packFrom + leaves.reduce((sum, leaf) => sum + leaf.px, 0) / 2, packR],
    unknownAt: [
      ['shaft', [(sIn + sOut) / 2 + gear + 22 * a, 6 * a]],
      ['casing', [seat - a, 49 * a]],
      ['cover', [out - 6 * a, 26 * a]],
    ],
  };
}

function drawPlainThrust(question: PartsQuestion): PartsDrawn {
  const { art: a, x, leaves } = question;
  const thrust = x('casing.thrust');
  const face = x('casing.face');
  const cIn = x('shaft.collarIn');
  const cOut = x('shaft.collarOut');
  const plate = x('cover.thrust');
  const flange = x('cover.flange');
  const washerIsPack = question.place === 'thrustWasher';
  const boltR = 41 * a;
  const hole: readonly [number, number] = [boltR - 3.6 * a, boltR + 3.6 * a];
  const out = flange + 12 * a;
  const casing: Ring = [
    [thrust - 24 * a, 16.5 * a],
    [thrust - 24 * a, 30 * a],
    [thrust - 8 * a, 34 * a],
    [thrust - 8 * a, 50 * a],
    [thrust - 6 * a, 52 * a],
    [face - a, 52 * a],
    [face, 51 * a],
    [face, hole[1]],
    [face - 13 * a, hole[1]],
    [face - 13 * a, hole[0]],
    [face, hole[0]],
    [face, 33 * a],
    [face - 18 * a, 33 * a],
    [face - 18 * a, 44 * a],
    [face - 22 * a, 46 * a],
    [thrust + 2 * a, 46 * a],
    [thrust, 44 * a],
    [thrust, 16.5 * a],
  ];
  const coverOuter: Ring = [
    [flange, hole[1]],
    [flange, 52 * a],
    [out - 1.5 * a, 52 * a],
    [out, 50.5 * a],
    [out, hole[1]],
  ];
  const coverInner: Ring = [
    [flange, hole[0]],
    [out, hole[0]],
    [out, 34 * a],
    [flange + 24 * a, 30 * a],
    [flange + 24 * a, 16.5 * a],
    [plate, 16.5 * a],
    [plate, 32.6 * a],
    [flange, 32.6 * a],
  ];
  const shaft: Ring = [
    [thrust - 46 * a, 0],
    [thrust - 46 * a, 12 * a],
    [thrust - 45 * a, 13 * a],
    [cIn, 13 * a],
    [cIn, 24 * a],
    [cIn + 20 * a, 24 * a],
    [cIn + 22 * a, 41 * a],
    [cIn + 52 * a, 41 * a],
    [cIn + 54 * a, 24 * a],
    [cOut, 24 * a],
    [cOut, 13 * a],
    [flange + 40 * a, 13 * a],
    [flange + 41 * a, 12 * a],
    [flange + 41 * a, 0],
  ];
  const bolted = bolt(a, face, out, boltR);
  const packFrom = x('pack.in');
  const packBands: readonly (readonly [number, number])[] = washerIsPack
    ? [[14 * a, 30 * a]]
    : [
        [33 * a, hole[0]],
        [hole[1], 52 * a],
      ];
  const washerOut = washerIsPack ? [] : [part('washerOut', 'hatchBronze', box(x('washerOut.front'), 14 * a, x('washerOut.back'), 30 * a))];
  return {
    solids: [
      part('casing', 'hatchCasing', casing),
      part('cover', 'hatchCover', coverOuter, coverInner),
      { ...part('bushIn', 'hatchBronze', box(thrust - 24 * a, 13 * a, thrust - 0.6 * a, 16.5 * a)), part: 'casing' },
      { ...part('bushOut', 'hatchBronze', box(plate + 0.6 * a, 13 * a, flange + 24 * a, 16.5 * a)), part: 'cover' },
      part('washerIn', 'hatchBronze', box(x('washerIn.back'), 14 * a, x('washerIn.front'), 30 * a)),
      ...washerOut,
      ...packSolids(question, packFrom, packBands),
      part('shaft', 'steel', shaft),
      bolted.solid,
    ],
    details: [
      ...bolted.details,
      {
        points: [
          [cIn + 22 * a, 36.5 * a],
          [cIn + 52 * a, 36.5 * a],
        ],
      },
      {
        points: [
          [cIn + 19 * a, 39 * a],
          [cIn + 55 * a, 39 * a],
        ],
        dash: '10 3 2 3',
      },
      {
        points: [
          [cIn, 0],
          [cIn, 13 * a],
        ],
        width: 0.6,
      },
      {
        points: [
          [cOut, 0],
          [cOut, 13 * a],
        ],
        width: 0.6,
      },
    ],
    gapRadius: 21 * a,
    gapBetween: [{ name: 'SHAFT', fill: 'steel' }, washerIsPack ? { name: 'WASHER', fill: 'brass' } : { name: 'WASHER', fill: 'hatchBronze' }],
    packAt: leaves.length === 0 ? null : [packFrom + leaves.reduce((sum, leaf) => sum + leaf.px, 0) / 2, packBands[packBands.length - 1]?.[1] ?? 0],
    unknownAt: [
      ['shaft', [cOut - 12 * a, 8 * a]],
      ['casing', [thrust - 14 * a, 24 * a]],
    ],
  };
}

function drawGearOnBush(question: PartsQuestion): PartsDrawn {
  const { art: a, x, leaves } = question;
  const shoulder = x('shaft.shoulder');
  const collarIn = x('collar.in');
  const collarOut = x('collar.out');
  const gIn = x('gear.in');
  const gOut = x('gear.out');
  const packFrom = x('pack.in');
  const bushIsPack = question.place === 'inLine';
  const shaft: Ring = [
    [shoulder - 46 * a, 0],
    [shoulder - 46 * a, 20 * a],
    [shoulder - 45 * a, 21 * a],
    [shoulder - 8 * a, 21 * a],
    [shoulder - 8 * a, 30 * a],
    [shoulder, 30 * a],
    [shoulder, 15 * a],
    [collarOut + 13 * a, 15 * a],
    [collarOut + 14 * a, 12 * a],
    [collarOut + 34 * a, 12 * a],
    [collarOut + 35 * a, 11 * a],
    [collarOut + 35 * a, 0],
  ];
  const g = (gOut - gIn) / 49;
  const gear: Ring = [
    [gIn, 19.2 * a],
    [gIn, 30 * a],
    [gIn + 13 * g, 31.5 * a],
    [gIn + 15 * g, 34 * a],
    [gIn + 15 * g, 39 * a],
    [gIn + 4 * g, 41 * a],
    [gIn + 3.5 * g, 50 * a],
    [gIn + 41 * g, 50 * a],
    [gIn + 41 * g, 41 * a],
    [gIn + 34 * g, 39 * a],
    [gIn + 34 * g, 34 * a],
    [gIn + 36 * g, 31.5 * a],
    [gOut, 30 * a],
    [gOut, 19.2 * a],
  ];
  const washers: Solid[] = [
    part('washerIn', 'hatchBronze', box(x('washerIn.back'), 19.2 * a, x('washerIn.front'), 30 * a)),
    ...(bushIsPack ? [part('washerOut', 'hatchBronze', box(x('washerOut.front'), 19.2 * a, x('washerOut.back'), 30 * a))] : []),
  ];
  const bush = bushIsPack ? [] : [part('bush', 'hatchBronze', box(x('bush.in'), 15 * a, x('bush.out'), 18.9 * a))];
  const bands: readonly (readonly [number, number])[] = bushIsPack ? [[15 * a, 18.9 * a]] : [[19.2 * a, 30 * a]];
  const nut: Ring = [
    [collarOut, 15 * a],
    [collarOut, 23 * a],
    [collarOut + 1 * a, 24 * a],
    [collarOut + 11 * a, 24 * a],
    [collarOut + 12 * a, 23 * a],
    [collarOut + 12 * a, 15 * a],
  ];
  return {
    solids: [
      part('shaft', 'steel', shaft),
      ...bush,
      ...washers,
      part('gear', 'steel', gear),
      ...packSolids(question, packFrom, bands),
      part('collar', 'steel', box(collarIn, 15 * a, collarOut, 30 * a)),
      { id: 'nut', part: 'bolts', kind: 'fastener', fill: 'steel', rings: [nut] },
    ],
    details: [
      {
        points: [
          [gIn + 3.5 * g, 44.6 * a],
          [gIn + 41 * g, 44.6 * a],
        ],
      },
      {
        points: [
          [gIn, 47.4 * a],
          [gIn + 44 * g, 47.4 * a],
        ],
        dash: '10 3 2 3',
      },
      {
        points: [
          [collarOut, 19 * a],
          [collarOut + 12 * a, 19 * a],
        ],
      },
      {
        points: [
          [shoulder, 0],
          [shoulder, 15 * a],
        ],
        width: 0.6,
      },
      {
        points: [
          [shoulder - 8 * a, 0],
          [shoulder - 8 * a, 21 * a],
        ],
        width: 0.6,
      },
    ],
    gapRadius: 25 * a,
    gapBetween: [{ name: 'GEAR', fill: 'steel' }, bushIsPack ? { name: 'WASHER', fill: 'hatchBronze' } : { name: 'WASHER', fill: 'brass' }],
    packAt: leaves.length === 0 ? null : [packFrom + leaves.reduce((sum, leaf) => sum + leaf.px, 0) / 2, (bands[0]?.[1] ?? 0) - 2 * a],
    unknownAt: [
      ['shaft', [shoulder - 26 * a, 8 * a]],
      ['gear', [gIn + 25 * g, 36 * a]],
      ['collar', [collarOut - 7 * a, 26 * a]],
    ],
  };
}
