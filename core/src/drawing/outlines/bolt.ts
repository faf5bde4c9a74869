import type { Detail, Solid } from './solid.ts';

/** A bolt through a flange into the casing: shank, washer and head, filling exactly the hole left for it. */
export function bolt(a: number, face: number, flangeOut: number, r: number): { solid: Solid; details: Detail[] } {
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
