import { Boxed } from '../kit/Boxed.tsx';
import { format } from 'date-fns';
import type { JSX } from 'react';
import { Primary, Secondary } from '../kit/controls.tsx';
import type { UndoEntry } from '../state/api.ts';

/** What undo would take back, where that is out of sight. */
export default function AskUndo({
  entry,
  onTake,
  onClose,
}: {
  entry: UndoEntry;
  onTake: (entry: UndoEntry) => void;
  onClose: () => void;
}): JSX.Element {
  return (
    <Boxed open onClose={onClose} title="Undo this?">
      <p>Your last entry is not on this sheet:</p>
      <div className="mb-4 border-l-4 border-blue bg-band px-3 py-2">
        <p className="m-0 text-[17px] font-medium [overflow-wrap:anywhere]">{entry.words}</p>
        <p className="m-0 text-ink2">
          {[entry.shaft, entry.machine ?? (entry.jobId === null ? 'the Drawer' : null), format(new Date(entry.at), 'd MMM, HH:mm')]
            .filter((part) => part !== null)
            .join(' · ')}
        </p>
      </div>
      <div className="flex flex-wrap gap-3">
        <Primary enter onClick={() => onTake(entry)}>
          Undo it
        </Primary>
        <Secondary className="min-h-14" onClick={onClose}>
          Leave it
        </Secondary>
      </div>
    </Boxed>
  );
}
