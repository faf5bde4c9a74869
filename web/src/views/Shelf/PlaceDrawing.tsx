import { nanometres, section, type Place } from '@elder-cog/core';
import type { JSX } from 'react';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';

export interface Spot {
  readonly place: Place;
  readonly words: readonly [string, string];
}

/** Where a shim may be, of a shaft closed by a cover. */
export const SPOTS: readonly Spot[] = [
  { place: 'behindCup', words: ['behind', 'the cup'] },
  { place: 'thrustWasher', words: ['thrust', 'washer'] },
  { place: 'betweenCones', words: ['between', 'the cones'] },
  { place: 'underCover', words: ['under', 'the cover'] },
];
/** Where it may be, of cones drawn together by a nut. */
export const NUTTED: readonly Spot[] = [
  { place: 'behindCup', words: ['behind', 'a cup'] },
  { place: 'behindCone', words: ['behind the', 'head cone'] },
  { place: 'betweenCones', words: ['between', 'the cones'] },
  { place: 'betweenCups', words: ['between', 'the cups'] },
];
export const SAYS: Partial<Record<Place, string>> = {
  behindCup: 'behind the cup',
  thrustWasher: 'in the washer',
  betweenCones: 'between the cones',
  underCover: 'under the cover',
  behindCone: 'behind the head cone',
  betweenCups: 'between the cups',
};

/** Where the shim is, on a small half section: the chosen place in brass. */
export function PlaceDrawing({ place }: { place: Place }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const template = place === 'thrustWasher' ? 'plainThrust' : 'taperPair';
  const drawn: Place = place === 'thrustWasher' ? 'thrustWasher' : place === 'underCover' || place === 'behindCup' ? place : 'behindCone';
  const drawing = section({
    template,
    place: drawn,
    gasket: false,
    sizes: {},
    leaves: [{ thickness: nanometres(template === 'plainThrust' ? 4_000_000 : 900_000), metric: false }],
    packWords: '',
    gap: nanometres(500_000),
    turned: [],
    letter: 'A',
    width: 816,
    height: 388,
    unit: 'thou',
  });
  const shapes = drawing.shapes
    .filter(
      (s) =>
        (s.kind === 'path' || s.kind === 'rect') &&
        s.stroke !== 'blue' &&
        s.stroke !== 'brassText' &&
        !s.id?.startsWith('lens') &&
        s.fill !== 'ink' &&
        s.stroke !== 'ink',
    )
    .map((s) => (s.kind === 'path' ? { ...s, dash: '' } : s));
  const height = Math.min(150, width * 0.32);
  return (
    <div ref={ref} className="border border-edge bg-sheet" style={{ height: Math.max(height, 100) }}>
      {width > 50 && (
        <svg
          width="100%"
          height="100%"
          viewBox="92 52 640 160"
          preserveAspectRatio="xMidYMid meet"
          role="img"
          aria-label={`The shim ${SAYS[place] ?? ''}`}
        >
          <Shapes shapes={shapes} width={816} height={388} says="" />
        </svg>
      )}
    </div>
  );
}
