import { FEATURES, surveyShapes, type Length } from '@elder-cog/core';
import type { FeatureState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';
import { sizeUnit } from './PartRows.tsx';

/** A round thing has its ovality to see, and what is read at several places its taper; a float, a spring or a tooth has neither. */
export const hasSurveyDrawing = ({ kind, survey }: FeatureState): boolean =>
  survey !== null && (FEATURES[kind].isRound || (!FEATURES[kind].mayBeNothing && FEATURES[kind].places.length > 1));

/** What was read of one part, its ovality and taper drawn larger than life. */
export function SurveyPicture({ feature, width, height }: { feature: FeatureState; width: number; height: number }): JSX.Element {
  const places = feature.places.map((p) => ({
    at: String(p.at ?? ''),
    least: Math.min(...p.readings) as Length,
    most: Math.max(...p.readings) as Length,
  }));
  const { shapes, says } = surveyShapes({
    places,
    isHole: feature.kind === 'bore',
    isRound: FEATURES[feature.kind].isRound,
    unit: sizeUnit(feature),
    width,
    height,
  });
  return <Shapes shapes={shapes} width={width} height={height} says={says} />;
}

/** The same, as wide as it is given. */
export function SurveyDrawing({ feature }: { feature: FeatureState }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  return (
    <div ref={ref} className="mt-2 w-full border border-edge bg-sheet">
      {width > 60 && <SurveyPicture feature={feature} width={width} height={190} />}
    </div>
  );
}
