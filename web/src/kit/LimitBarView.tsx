import { limitBar, type LimitBarQuestion } from '@elder-cog/core';
import type { JSX } from 'react';
import { Shapes } from './Shapes.tsx';
import { useWidth } from './useWidth.ts';

/** The limit bar at the width it is given. */
export function LimitBarView(question: Omit<LimitBarQuestion, 'width'> & { most?: number }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const inner = Math.min(width - 6, question.most ?? 560);
  const bar = inner > 60 ? limitBar({ ...question, width: inner }) : null;
  return (
    <div ref={ref} className="w-full min-w-0 overflow-hidden">
      {bar && (
        <svg role="img" aria-label={bar.says} width={inner + 6} height={bar.height} viewBox={`-3 0 ${inner + 6} ${bar.height}`} className="block">
          <Shapes shapes={bar.shapes} width={inner + 6} height={bar.height} says={bar.says} className="overflow-visible" />
        </svg>
      )}
    </div>
  );
}
