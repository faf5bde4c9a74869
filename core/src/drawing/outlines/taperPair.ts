import { seal } from './seal.ts';
import { packSolids } from './pack.ts';
import { bolt } from './bolt.ts';
import { box, part, type PartsDrawn, type PartsQuestion, type Ring } from './solid.ts';
import { taperBearing } from './taperBearing.ts';

/** Two taper bearings and a cover. */
export function drawTaperPair(question: PartsQuestion): PartsDrawn {
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
