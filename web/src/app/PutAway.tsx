import type { JSX } from 'react';
import { Secondary } from '../kit/controls.tsx';
import { useCommand } from '../state/api.ts';
import type { OpenJob } from '../state/job.ts';

/** A machine put away is read and not written to. */
export function PutAway({ job }: { job: OpenJob['state']['job'] }): JSX.Element {
  const { send, sending } = useCommand();
  const { id, revision, machine, year, note } = job;
  const takeOut = (): void => {
    send({ kind: 'job.change', id, revision, machine, year, note, archivedAt: null }).catch(() => undefined);
  };
  return (
    <p role="status" className="no-print m-0 flex flex-wrap items-center gap-x-4 border-b border-ink bg-band px-4 py-1">
      This machine is put away: everything can be read, and nothing is changed.
      <Secondary onClick={takeOut} disabled={sending}>
        Take it out again
      </Secondary>
    </p>
  );
}
