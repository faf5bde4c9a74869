import { packSolids } from './pack.ts';
import { box, part, type PartsDrawn, type PartsQuestion, type Ring, type Solid } from './solid.ts';

/** A gear on a bush between washers. */
export function drawGearOnBush(question: PartsQuestion): PartsDrawn {
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
