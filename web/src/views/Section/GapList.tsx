import { formatLength, MARK_WORDS } from '@elder-cog/core';
import { triedMark, type GapState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Link } from 'react-router';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { useSettings } from '../../state/settings.ts';
import { barState } from './barState.ts';

interface GapListProps {
  readonly gaps: readonly GapState[];
  readonly current: string;
  /** they are as they would be with what is tried, which is not fitted */
  readonly isTried?: boolean;
}

/** Every gap of the shaft in a line: letter, name, small bar, number, mark and word. */
export function GapList({ gaps, current, isTried = false }: GapListProps): JSX.Element {
  const unit = useSettings((s) => s.unit);
  return (
    <ul aria-label="Gaps" className="m-0 list-none p-0">
      {gaps.map((gap) => {
        const value = gap.now.reading ? formatLength(gap.now.reading.value, unit).replace(/\.0$/, '') : '?';
        const isMoved = isTried && gap.now.kind === 'forecast';
        const mark = isMoved ? triedMark(gap) : gap.mark;
        return (
          <li
            key={gap.station.id}
            className={`relative grid ${gaps.length > 1 ? 'min-h-11' : 'max-sm:hidden'} grid-cols-[20px_minmax(120px,200px)_1fr_84px_30px_130px] items-center gap-3 border-t border-rule px-4 py-1 max-sm:grid-cols-[20px_minmax(0,1fr)_64px_26px] ${gap.station.id === current ? 'border-l-4 border-l-blue bg-sheet pl-3' : ''}`}
          >
            <span className="label text-[19px] font-semibold text-blue">{gap.letter}</span>
            {gaps.length > 1 ? (
              <Link
                to={`?shaft=${gap.station.shaftId ?? ''}&gap=${gap.station.id}`}
                replace
                aria-current={gap.station.id === current || undefined}
                className="min-w-0 text-[17px] leading-5 text-ink no-underline [overflow-wrap:anywhere] after:absolute after:inset-0"
              >
                {gap.station.name}
              </Link>
            ) : (
              <span className="min-w-0 text-[17px] leading-5 [overflow-wrap:anywhere]">{gap.station.name}</span>
            )}
            <div className="max-sm:hidden">
              <LimitBarView {...barState(gap)} mini most={420} />
            </div>
            <span className="num text-right text-[20px] font-semibold">
              {gap.now.kind === 'read' || gap.now.kind === 'none' ? value : `(${value})`}
            </span>
            <Mark kind={mark} size={26} named={false} ground={gap.station.id === current ? 'var(--sheet)' : 'var(--paper)'} />
            <span className={`label text-[18px] font-semibold whitespace-nowrap max-sm:sr-only ${MARK_TEXT[mark]}`}>
              {gap.now.kind === 'forecast' && !isTried ? 'Forecast' : isMoved ? `${MARK_WORDS[mark]}?` : MARK_WORDS[mark]}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
