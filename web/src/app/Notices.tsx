import { OBSERVATIONS } from '@elder-cog/contract';
import { counted } from '@elder-cog/core';
import { lazy, Suspense, useEffect, useState, type JSX } from 'react';
import { Quiet, Secondary } from '../kit/controls.tsx';
import { useCommand, useNews, useSaveState } from '../state/api.ts';
import { withdraw } from '../state/gapActions.ts';
import type { OpenJob } from '../state/job.ts';
import { useOutbox } from '../state/outbox.ts';
import { useUndone } from './Undo.tsx';

const ConflictDialog = lazy(() => import('./ConflictDialog.tsx'));

const LINE = 'no-print m-0 flex flex-wrap items-center gap-x-3 border-b border-ink bg-band px-4 py-1';

/** What the server would not take, with what was in it; what waits, and why; what met another; what others did to the job in hand. */
export function Notices({ job }: { job: OpenJob | null }): JSX.Element {
  const { state, message } = useSaveState();
  const { parked, read, again, conflicts } = useOutbox();
  const { news, read: readNews } = useNews();
  const said = useUndone((s) => s.said);
  const [choosing, setChoosing] = useState(true);
  // a new conflict opens by itself; one that was put off waits here
  useEffect(() => setChoosing(true), [conflicts.length]);
  return (
    <>
      {(state === 'waiting' || state === 'not saved') && (
        <p role="alert" className="no-print m-0 border-b border-ink bg-band px-4 py-2">
          {message}
        </p>
      )}
      {parked.map((each) => (
        <p key={each.key} role="alert" className={LINE}>
          <span className="min-w-0 [overflow-wrap:anywhere]">
            Not kept: <span className="num font-semibold">{each.entered}</span>. {each.message}
          </span>
          {each.again && <Quiet onClick={() => again(each.key)}>Send it again</Quiet>}
          <Quiet onClick={() => read(each.key)}>I have read it</Quiet>
        </p>
      ))}
      {conflicts.length > 0 && (
        <p role="alert" className={LINE}>
          {counted(conflicts.length, 'One of your entries met another’s.', 'of your entries met others.')}
          <Secondary onClick={() => setChoosing(true)}>Look at both and choose</Secondary>
        </p>
      )}
      {news
        .filter((each) => each.jobId === job?.state.job.id)
        .map((each) => (
          <p key={each.key} role="status" className={LINE}>
            <span className="min-w-0 [overflow-wrap:anywhere]">
              {each.who === '' ? 'From another tablet or window' : each.who}: <span className="font-medium">{each.words}</span>
            </span>
            <Quiet onClick={() => readNews(each.key)}>I have read it</Quiet>
          </p>
        ))}
      {job && <Damaged job={job} />}
      {said && (
        <p role="status" className="no-print m-0 border-b border-ink bg-band px-4 py-2 [overflow-wrap:anywhere]">
          {said}
        </p>
      )}
      {conflicts.length > 0 && (
        <Suspense fallback={null}>
          <ConflictDialog open={choosing} onClose={() => setChoosing(false)} />
        </Suspense>
      )}
    </>
  );
}

/** Anything observed, but for a taking back. */
type Withdrawable = Exclude<Parameters<typeof withdraw>[0], 'withdrawal'>;
const canWithdraw = (table: string): table is Withdrawable => table !== 'withdrawal' && (OBSERVATIONS as readonly string[]).includes(table);

/** Rows that cannot be reckoned with, each with what is wrong with it; they are left out of every answer, and kept. */
function Damaged({ job: { state, stored } }: { job: OpenJob }): JSX.Element | null {
  const { send, sending } = useCommand();
  const [all, setAll] = useState(false);
  const { damage } = state;
  const withdrawn = new Set(stored.withdrawals.map((w) => w.ofId));
  const open = damage.filter((each) => !withdrawn.has(each.id));
  if (open.length === 0) return null;
  const shown = all ? open : open.slice(0, 2);
  return (
    <div role="alert" className="no-print border-b border-ink bg-band px-4 py-1">
      <p className="m-0 py-1 font-medium">
        {counted(
          open.length,
          'One entry is damaged, and left out of every answer. It is kept: it stands in the file and in the Record.',
          'entries are damaged, and left out of every answer. They are kept: they stand in the file and in the Record.',
        )}
      </p>
      <ul className="m-0 list-none p-0">
        {shown.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center gap-x-3">
            <span className="min-w-0 [overflow-wrap:anywhere]">
              {each.what}: found <span className="num font-semibold">{each.found}</span>; there should be {each.wanted}.
            </span>
            {canWithdraw(each.table) && (
              <Quiet
                disabled={sending}
                onClick={() => void send(withdraw(each.table as Withdrawable, each.id, 'it was damaged')).catch(() => undefined)}
              >
                Take it back
              </Quiet>
            )}
          </li>
        ))}
      </ul>
      {open.length > 2 && <Quiet onClick={() => setAll((a) => !a)}>{all ? 'Fewer' : `All ${open.length}`} ▸</Quiet>}
    </div>
  );
}
