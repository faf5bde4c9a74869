import { packSolids } from './pack.ts';
import { bolt } from './bolt.ts';
import { box, part, type PartsDrawn, type PartsQuestion, type Ring } from './solid.ts';

/** A plain shaft with thrust washers. */
export function drawPlainThrust(question: PartsQuestion): PartsDrawn {
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
