import type { UndoableReply } from '@elder-cog/contract';
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { create } from 'zustand';
import { Primary, Secondary } from '../kit/controls.tsx';
import { askUndoable, useCommand } from '../state/api.ts';
import type { OpenJob } from '../state/job.ts';

type Entry = NonNullable<UndoableReply['entry']>;

const SAID_MS = 8_000;

/** What undo last said, wherever it was asked for. */
export const useUndone = create<{ readonly said: string | null }>(() => ({ said: null }));
let silence: ReturnType<typeof setTimeout> | undefined;
const say = (said: string): void => {
  clearTimeout(silence);
  useUndone.setState({ said });
  silence = setTimeout(() => useUndone.setState({ said: null }), SAID_MS);
};

/** Whether what would be taken back is on the sheet in front of whoever asks. */
export const isInSight = (entry: Entry, job: OpenJob | null): boolean => {
  if (entry.jobId === null) return job !== null || window.location.pathname === '/drawer';
  if (entry.jobId !== job?.state.job.id) return false;
  return entry.shaftId === null || entry.shaftId === job.shaft?.shaft.id;
};

/** Takes back the last thing this browser did, again and again to the first; what is out of sight is said before it is done. */
export function useUndo(job: OpenJob | null): { undo(): void; readonly asking: JSX.Element } {
  const { send } = useCommand();
  const [asking, setAsking] = useState<Entry | null>(null);
  const take = (entry: Entry): void => {
    setAsking(null);
    send({ kind: 'undo', seq: entry.seq }).then(
      (reply) => say(`Undone: ${reply.undid ?? 'the last thing'}. ${entry.words}.`),
      (error: Error) => say(error.message),
    );
  };
  const undo = (): void => {
    askUndoable().then(
      ({ entry }) => {
        if (!entry) say('There is nothing of yours left to undo.');
        else if (isInSight(entry, job)) take(entry);
        else setAsking(entry);
      },
      (error: Error) => say(error.message),
    );
  };
  return { undo, asking: <AskUndo entry={asking} onTake={take} onClose={() => setAsking(null)} /> };
}

function AskUndo({ entry, onTake, onClose }: { entry: Entry | null; onTake: (entry: Entry) => void; onClose: () => void }): JSX.Element {
  return (
    <Dialog open={entry !== null} onClose={onClose} className="relative z-30">
      <div className="fixed inset-0 flex items-center justify-center bg-ink/40 p-4">
        <DialogPanel className="w-full max-w-lg border-2 border-ink bg-sheet p-5">
          <DialogTitle className="label m-0 text-[22px] font-semibold">Undo this?</DialogTitle>
          <p>Your last entry is not on this sheet:</p>
          {entry && (
            <div className="mb-4 border-l-4 border-blue bg-band px-3 py-2">
              <p className="m-0 text-[17px] font-medium [overflow-wrap:anywhere]">{entry.words}</p>
              <p className="m-0 text-ink2">
                {[entry.shaft, entry.machine ?? (entry.jobId === null ? 'the Drawer' : null), format(new Date(entry.at), 'd MMM, HH:mm')]
                  .filter((part) => part !== null)
                  .join(' · ')}
              </p>
            </div>
          )}
          <div className="flex flex-wrap gap-3">
            <Primary enter onClick={() => entry && onTake(entry)}>
              Undo it
            </Primary>
            <Secondary className="min-h-14" onClick={onClose}>
              Leave it
            </Secondary>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
