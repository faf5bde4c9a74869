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
}: {
  question: DrawnShaft;
  height: number;
  /** the letter of the gap in hand */
  current?: string;
  narrowHeight?: number;
}): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const unit = useSettings((s) => s.unit);
  const tall = width < 600 ? narrowHeight : height;
  const drawing = width > 100 ? section({ ...question, width, height: tall, unit, ...(current === undefined ? {} : { current }) }) : null;
  return (
    <div
      ref={ref}
      className="relative w-full overflow-hidden bg-sheet will-change-transform [contain:content]"
      style={{ minHeight: tall }}
      data-section={drawing?.scaleWords}
    >
      {drawing && <Shapes shapes={drawing.shapes} width={width} height={tall} says={drawing.says} />}
      {drawing && (
        <p tabIndex={0} className="sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-2 focus:max-w-[80%] focus:bg-sheet focus:p-2">
          {drawing.says}
        </p>
      )}
    </div>
  );
}
