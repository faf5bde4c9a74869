import { clearanceAlong, clearanceShapes, smallUnit } from '@elder-cog/core';
import type { PairState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';

/** How high the bush cut along is drawn, px. */
const ALONG = 144;

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
  const along =
    width > 60 && pair.byPlace.length > 1 ? clearanceAlong({ places: pair.byPlace, unit: smallUnit(bore.unit), width, height: ALONG }) : null;
  return (
    <div ref={ref} className="mt-2 w-full border border-edge bg-sheet">
      {drawing && <Shapes shapes={drawing.shapes} width={width} height={190} says={drawing.says} />}
      {along && (
        <div className="border-t border-rule">
          <Shapes shapes={along.shapes} width={width} height={ALONG} says={along.says} />
        </div>
      )}
    </div>
  );
}
