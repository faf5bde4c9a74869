import { lazy, Suspense, useState, type JSX } from 'react';
import { create } from 'zustand';
import { askUndoable, useCommand, type UndoEntry } from '../state/api.ts';
import type { OpenJob } from '../state/job.ts';

const AskUndo = lazy(() => import('./AskUndo.tsx'));

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
export const isInSight = (entry: UndoEntry, job: OpenJob | null): boolean => {
  if (entry.jobId === null) return job !== null || window.location.pathname === '/drawer';
  if (entry.jobId !== job?.state.job.id) return false;
  return entry.shaftId === null || entry.shaftId === job.shaft?.shaft.id;
};

/** Takes back the last thing this browser did, again and again to the first; what is out of sight is said before it is done. */
export function useUndo(job: OpenJob | null): { undo(): void; readonly sending: boolean; readonly asking: JSX.Element | null } {
  const { send, sending } = useCommand();
  const [asking, setAsking] = useState<UndoEntry | null>(null);
  const take = (entry: UndoEntry): void => {
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
  const dialog = asking && (
    <Suspense fallback={null}>
      <AskUndo entry={asking} onTake={take} onClose={() => setAsking(null)} />
    </Suspense>
  );
  return { undo, sending, asking: dialog };
}
