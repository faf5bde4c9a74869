import { buildName } from '@elder-cog/derive';
import { formatLength, formatLimits, MARK_WORDS, otherUnit, unitWord } from '@elder-cog/core';
import { Over } from '../kit/Over.tsx';
import { DialogTitle } from '../kit/over.ts';
import type { JSX } from 'react';
import { Mark, MARK_TEXT } from '../kit/Mark.tsx';
import { useSettings } from '../state/settings.ts';
import type { OpenJob } from '../state/job.ts';

/** The current number across the whole screen, to be read from two metres: the gap in hand, its verdict, its limits. */
export default function Distance({ open, onClose, job }: { open: boolean; onClose: () => void; job: OpenJob }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const { gap } = job;
  const value = gap?.now.reading?.value ?? null;
  const isRead = gap?.now.kind === 'read';
  return (
    <Over open={open} onClose={onClose} place="screen" className="flex flex-col justify-between p-[3vmin]" onClick={onClose}>
      <DialogTitle className="label m-0 text-[max(20px,5vmin)] leading-tight font-semibold text-blue">
        {gap ? `${gap.letter} ${gap.station.name}` : 'Nothing to be read yet'}
        <span className="block text-[max(16px,3.4vmin)] font-medium text-ink2">
          {job.shaft?.current ? `build ${buildName(job.shaft.current)}, ${job.shaft.stage}` : ''}
        </span>
      </DialogTitle>
      {gap && (
        <>
          <p className="m-0 text-center">
            {!isRead && value !== null && (
              <span className="label block text-[max(18px,4vmin)] text-ink2">{gap.now.kind === 'forecast' ? 'forecast, not read' : 'stale'}</span>
            )}
            {gap.now.reading?.kind === 'atMost' && <span className="label block text-[max(18px,4vmin)] text-ink2">at most</span>}
            {gap.now.reading?.kind === 'atLeast' && <span className="label block text-[max(18px,4vmin)] text-ink2">at least</span>}
            <span className={`num text-[min(38vh,24vw)] leading-none font-semibold ${isRead ? '' : 'text-ink2'}`} data-testid="far-number">
              {value === null ? '?' : formatLength(value, unit)}
            </span>
            <span className="font-label text-[max(20px,7vmin)] text-ink2"> {unitWord(unit)}</span>
            {value !== null && (
              <span className="num block text-[max(20px,6vmin)] text-ink2">
                {formatLength(value, otherUnit(unit))} {unitWord(otherUnit(unit))}
              </span>
            )}
          </p>
          <p className="m-0 flex flex-wrap items-center justify-between gap-4">
            <span className={`label flex items-center gap-4 text-[max(24px,9vmin)] leading-none font-semibold ${MARK_TEXT[gap.mark]}`}>
              <Mark kind={gap.mark} size={64} named={false} />
              {MARK_WORDS[gap.mark]}
            </span>
            <span className="num text-[max(20px,6vmin)]">{gap.limits ? `want ${formatLimits(gap.limits.limits, unit)}` : 'no limits yet'}</span>
          </p>
        </>
      )}
      <button type="button" onClick={onClose} className="no-print absolute top-3 right-3 min-h-12 px-4 text-ink2">
        Back <span className="num text-[14px]">Esc</span>
      </button>
    </Over>
  );
}
