import { Boxed } from '../kit/Boxed.tsx';
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
    ['↑ ↓ in the parts', 'from part to part; with Alt, the part moves; t turns it, Delete takes it out, i puts one in'],
    ['f or F8', 'the number across the screen, to be read from afar'],
    ['u', 'thou ⇄ mm, in what is shown'],
    ['w', 'British ⇄ American words'],
    ['/', 'the Reckoner, from an empty field too'],
    ['Enter', 'keep, or do what the blue button says'],
    ['Esc', 'clear the entry; again, leave it'],
    ['Ctrl+Z', 'undo the last thing'],
  ];
  return (
    <Boxed open={open} onClose={onClose} title="Keys">
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
    </Boxed>
  );
}
