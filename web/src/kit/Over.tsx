import type { JSX, ReactNode } from 'react';
import { Dialog, DialogPanel } from './over.ts';
import { useBackCloses } from './useBackCloses.ts';

const PLACES = {
  /** in the middle of the page */
  box: { veil: 'flex items-center justify-center bg-veil p-4', panel: 'max-h-full w-full overflow-auto border-2 border-ink bg-sheet p-5' },
  /** from the top down, the whole of a phone */
  sheet: { veil: 'flex items-start justify-center overflow-auto bg-veil p-4 max-sm:p-0', panel: 'w-full border-2 border-ink max-sm:min-h-dvh' },
  /** the whole screen */
  screen: { veil: '', panel: 'fixed inset-0 bg-paper' },
} as const;

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly place?: keyof typeof PLACES;
  readonly className?: string;
  readonly onClick?: () => void;
  readonly children: ReactNode;
}

/** The one frame of whatever lies over a view: Esc, a touch beside it and Back close it. */
export function Over({ open, onClose, place = 'box', className = '', onClick, children }: Props): JSX.Element {
  useBackCloses(open, onClose);
  const { veil, panel } = PLACES[place];
  return (
    <Dialog open={open} onClose={onClose} className={`relative ${place === 'screen' ? 'z-40' : 'z-30'}`}>
      <div className={`fixed inset-0 ${veil}`}>
        <DialogPanel className={`${panel} ${className}`} {...(onClick && { onClick })}>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
