import { closingOf, type GapState } from '@elder-cog/derive';
import { formatLength, type Length, type LengthUnit } from '@elder-cog/core';
import { format } from 'date-fns';
import type { JSX } from 'react';
import { Quiet, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { closeStation } from '../../state/buildActions.ts';
import { withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';

interface DoneHereProps {
  readonly stationId: string;
  /** its last reading, which speaks for it as it is now; null where none does */
  readonly last: { readonly id: string | null; readonly value: Length } | null;
  /** what it is told in, where that is not the unit shown first */
  readonly unit?: LengthUnit;
}

/** The last reading of a gap, where it speaks for it as it is built now. */
export const lastOf = ({ station, now }: GapState): DoneHereProps => ({
  stationId: station.id,
  last: now.kind === 'read' && now.reading ? { id: now.kept.at(-1)?.id ?? null, value: now.reading.value } : null,
});

/** Says that a station is done with its last reading, and locks it; or opens it again. */
export function DoneHere({ stationId, last, unit: own }: DoneHereProps): JSX.Element | null {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const shown = useSettings((s) => s.unit);
  const unit = own ?? shown;
  const closing = closingOf(facts, stationId);
  if (closing)
    return (
      <div role="note" className="mt-1 border-l-4 border-good pl-3">
        <p className="m-0 text-[17px]">
          Done, {format(new Date(closing.at), 'd MMM yyyy')}
          {closing.who === '' ? '' : `, ${closing.who}`}
          {last ? (
            <>
              : last reading <span className="num font-semibold">{formatLength(last.value, unit)}</span>
            </>
          ) : (
            ': something was changed since, and its last reading is stale'
          )}
        </p>
        <Quiet disabled={sending} onClick={() => void send(withdraw('closing', closing.id, 'opened again')).catch(() => undefined)}>
          Open it again
        </Quiet>
      </div>
    );
  if (!last) return null;
  return (
    <Secondary className="mt-1" disabled={sending} onClick={() => void send(closeStation(stationId, last.id)).catch(() => undefined)}>
      This was its last reading: done
    </Secondary>
  );
}
