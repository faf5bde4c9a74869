import { section, type DrawnShaft } from '@elder-cog/core';
import type { JSX } from 'react';
import { useSettings } from '../state/settings.ts';
import { Shapes } from './Shapes.tsx';
import { useWidth } from './useWidth.ts';

/** The live drawing, as wide as its place, with its twin in words for whoever cannot see it. */
export function SectionView({
  question,
  height,
  current,
  narrowHeight = 178,
  selected = null,
  onSelect,
}: {
  question: DrawnShaft;
  height: number;
  /** the letter of the gap in hand */
  current?: string;
  narrowHeight?: number;
  /** the part in hand, where parts are being changed */
  selected?: string | null;
  onSelect?: ((place: string) => void) | undefined;
}): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const unit = useSettings((s) => s.unit);
  const tall = width < 600 ? narrowHeight : height;
  const drawing = width > 100 ? section({ ...question, width, height: tall, unit, ...(current === undefined ? {} : { current }) }) : null;
  const isPlace = (id: string | undefined): id is string => question.places.some((place) => place.id === id);
  return (
    <div
      ref={ref}
      onClick={(event) => {
        const shape = (event.target as Element).closest<SVGElement>('[data-of]')?.dataset.of;
        if (onSelect && isPlace(shape)) onSelect(shape);
      }}
      className="relative w-full overflow-hidden bg-sheet will-change-transform [contain:content]"
      style={{ minHeight: tall }}
      data-section={drawing?.scaleWords}
    >
      {drawing && <Shapes shapes={drawing.shapes} width={width} height={tall} says={drawing.says} picked={selected} />}
      {drawing && (
        <p tabIndex={0} className="sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-2 focus:max-w-[80%] focus:bg-sheet focus:p-2">
          {drawing.says}
        </p>
      )}
    </div>
  );
}
