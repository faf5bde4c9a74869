import { Dialog, DialogPanel, DialogTitle } from '../kit/over.ts';
import type { JSX } from 'react';
import { Secondary } from '../kit/controls.tsx';
import type { Stop } from './stop.ts';

/** The keys of this view. */
export default function KeysDialog({ open, onClose, stops }: { open: boolean; onClose: () => void; stops: readonly Stop[] }): JSX.Element {
  const rows: readonly (readonly [string, string])[] = [
    ...stops.map((s) => [`g ${s.key}`, s.name] as const),
    ['g h', 'back to the Shelf'],
    ['r or F2', 'to the reading'],
    ['b', 'Section ⇄ Dry builds'],
    ['o', 'leave something open, from anywhere in a job'],
    ['j and k', 'down and up the rows of the Wear book'],
    ['f or F8', 'the number across the screen, to be read from afar'],
    ['u', 'thou ⇄ mm, in what is shown'],
    ['w', 'British ⇄ American words'],
    ['/', 'the Reckoner, from an empty field too'],
    ['Enter', 'keep, or do what the blue button says'],
    ['Esc', 'clear the entry; again, leave it'],
    ['Ctrl+Z', 'undo the last thing'],
  ];
  return (
    <Dialog open={open} onClose={onClose} className="relative z-30">
      <div className="fixed inset-0 flex items-center justify-center bg-ink/40 p-4">
        <DialogPanel className="max-h-full w-full max-w-lg overflow-auto border-2 border-ink bg-sheet p-5">
          <DialogTitle className="label m-0 text-[22px] font-semibold">Keys</DialogTitle>
          <p className="mt-1 text-ink2">Letters work outside the fields.</p>
          <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {rows.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="num font-semibold">{key}</dt>
                <dd className="m-0">{does}</dd>
              </div>
            ))}
          </dl>
          <Secondary onClick={onClose} className="mt-5">
            Close
          </Secondary>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
