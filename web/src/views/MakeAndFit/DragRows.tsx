import { formatTorque, MARK_WORDS, type LimitBarQuestion, type MarkKind } from '@elder-cog/core';
import { buildName, type DragState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { useTorqueShown } from '../../kit/Torque.tsx';

/** What each build dragged: the newest first, those that no longer speak with why; each on its bar where there is room. */
export function DragRows({ drag, withBars = false }: { drag: DragState; withBars?: boolean }): JSX.Element {
  const { unit } = useTorqueShown(drag.unit);
  const read = drag.ladder.filter(({ readings }) => readings.length > 0).toReversed();
  if (read.length === 0) return <p className="m-0 px-4 py-3 text-ink2">Nothing has been read yet. The first reading goes in the strip.</p>;
  return (
    <ul aria-label="What each build dragged" className="m-0 list-none p-0">
      {read.map(({ build, stage, value, mark, staleBecause }) => (
        <li key={build.build.id} className="flex min-h-14 flex-wrap items-center gap-x-3 border-b border-rule px-4 py-1">
          <span className="min-w-0 flex-1">
            <span className="block text-[17px]">Build {buildName(build)}</span>
            <span className="block text-[15px] leading-5 text-ink2">{staleBecause === null ? stage : `stale: ${staleBecause}`}</span>
          </span>
          {withBars && (
            <span className="w-[300px] max-lg:hidden">
              <LimitBarView
                quantity="drag"
                limits={drag.limits?.limits ?? null}
                reading={value ? { value: value.reading.value, state: stateOf(mark) } : null}
                mini
                most={290}
              />
            </span>
          )}
          <span className="num text-[20px] font-semibold">{value ? formatTorque(value.reading.value, unit) : '?'}</span>
          <span className="unit text-[15px]">{unit}</span>
          <Mark kind={mark} size={26} named={false} />
          <span className={`label w-24 text-[16px] font-semibold ${MARK_TEXT[mark]}`}>{MARK_WORDS[mark]}</span>
        </li>
      ))}
    </ul>
  );
}

const stateOf = (mark: MarkKind): NonNullable<LimitBarQuestion['reading']>['state'] => (mark === 'accepted' ? 'in' : mark);
