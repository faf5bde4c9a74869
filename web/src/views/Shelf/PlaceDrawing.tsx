import { TEMPLATES, type Place, type TemplateName } from '@elder-cog/core';
import { looseTemplates } from '@elder-cog/derive';
import type { JSX } from 'react';
import { ShaftFigure } from '../../kit/ShaftFigure.tsx';

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

export interface Ready {
  readonly template: TemplateName;
  readonly place: Place;
}

/** The ready shaft that a shim in some place is drawn on, and kept to a job as. */
export function readyFor(place: Place, nutted: boolean): Ready {
  if (nutted) {
    if (place === 'behindCone') return { template: 'pinionByNut', place };
    // a shim behind a cup, or in a spacer between them, holds the cups apart alike
    return { template: 'hubByNut', place: place === 'betweenCones' ? place : 'behindCup' };
  }
  if (place === 'thrustWasher') return { template: 'plainThrust', place };
  return { template: 'taperPair', place: place === 'underCover' || place === 'behindCup' ? place : 'behindCone' };
}

/** Other arrangements than two tapers, with their own places. */
export const OTHERS: readonly TemplateName[] = looseTemplates().filter((template) => !['taperPair', 'hubByNut', 'pinionByNut'].includes(template));

/** Where a shim may be in one of the others: as it is said of a new machine. */
export const spotsOf = (template: TemplateName): readonly Spot[] =>
  TEMPLATES[template].places.map(({ place, says }) => ({ place, words: [says, ''] }));

/** Where the shim is, on a small section: the chosen place in brass. */
export function PlaceDrawing({ ready, says }: { ready: Ready; says: string }): JSX.Element {
  return (
    <div className="border border-edge bg-sheet p-1">
      <ShaftFigure origin={ready.template} place={ready.place} width="100%" height={116} says={`The shim ${says}`} />
    </div>
  );
}
