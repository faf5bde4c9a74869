import { formatTorque, MARK_WORDS } from '@elder-cog/core';
import { dragMark, type DragState, type ShaftState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Link } from 'react-router';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { useTorqueShown } from '../../kit/Torque.tsx';
import { useJob } from '../../state/job.ts';
import { dragBar } from '../MakeAndFit/dragBar.ts';

/** The drags of a shaft in a line each, under its gaps: they are read on their own leaf. */
export function DragList({ shaft }: { shaft: ShaftState }): JSX.Element | null {
  if (!shaft.drags) return null;
  return (
    <ul aria-label="Drags" className="m-0 list-none p-0">
      {shaft.drags.map((drag) => (
        <DragLine key={drag.station.id} shaft={shaft} drag={drag} />
      ))}
    </ul>
  );
}

function DragLine({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element {
  const { state } = useJob();
  const { unit } = useTorqueShown(drag.unit);
  const { station, now, letter } = drag;
  const mark = dragMark(drag);
  const value = now.reading ? formatTorque(now.reading.value, unit) : '?';
  return (
    <li className="relative grid min-h-11 grid-cols-[20px_minmax(120px,200px)_1fr_84px_30px_130px] items-center gap-3 border-t border-rule px-4 py-1 max-sm:grid-cols-[20px_minmax(0,1fr)_64px_26px]">
      <span className="label text-[17px] font-semibold text-blue">{letter}</span>
      <Link
        to={`/jobs/${state.job.id}/drag?shaft=${shaft.shaft.id}&drag=${station.id}`}
        className="min-w-0 text-[17px] leading-5 text-ink no-underline [overflow-wrap:anywhere] after:absolute after:inset-0"
      >
        {station.name} <span className="text-[15px] text-ink2">{unit}</span>
      </Link>
      <div className="max-sm:hidden">
        <LimitBarView {...dragBar(drag)} mini most={420} />
      </div>
      <span className="num text-right text-[20px] font-semibold">{now.kind === 'stale' ? `(${value})` : value}</span>
      <Mark kind={mark} size={26} named={false} />
      <span className={`label text-[18px] font-semibold whitespace-nowrap max-sm:sr-only ${MARK_TEXT[mark]}`}>{MARK_WORDS[mark]}</span>
    </li>
  );
}
