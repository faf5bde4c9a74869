import { type SpecSheet } from '@elder-cog/derive';
import { type JSX } from 'react';
import { Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { copyTo } from '../../state/specActions.ts';

/** One press for every line whose name fits one station that has no limit of it yet. */
export function PutOnStations({ sheet }: { sheet: SpecSheet }): JSX.Element | null {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const fitting = sheet.groups.flatMap((g) => (g.fits && g.entries[0]?.spec ? [{ spec: g.entries[0].spec, station: g.fits }] : []));
  if (fitting.length === 0) return null;
  return (
    <div className="no-print flex flex-wrap items-center gap-3 border-b border-rule px-4 py-2">
      <span>{fitting.length === 1 ? 'One line is' : `${fitting.length} lines are`} named as something measured here is.</span>
      <Secondary
        disabled={sending}
        onClick={() => void send(...fitting.map(({ spec, station }) => copyTo(spec, station, facts.limits))).catch(() => undefined)}
      >
        {fitting.length === 1 ? `Keep it for ${fitting[0]?.station.name ?? ''}` : 'Keep each for its own'}
      </Secondary>
    </div>
  );
}
