import { clearanceShapes } from '@elder-cog/core';
import type { PairState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';

/** The journal lying in its bore, its clearance drawn much larger than life, the factor stated. */
export function PairDrawing({ pair }: { pair: PairState }): JSX.Element | null {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { bore, journal, clearance } = pair;
  if (!bore?.survey || !journal?.survey || !clearance) return null;
  const drawing =
    width > 60
      ? clearanceShapes({
          bore: { least: bore.survey.smallest, most: bore.survey.largest },
          journal: { least: journal.survey.smallest, most: journal.survey.largest },
          width,
          height: 190,
        })
      : null;
  return (
    <div ref={ref} className="mt-2 w-full border border-edge bg-sheet">
      {drawing && <Shapes shapes={drawing.shapes} width={width} height={190} says={drawing.says} />}
    </div>
  );
}
