import type { JSX, ReactNode } from 'react';
import { Dialog, DialogPanel, DialogTitle } from './over.ts';

const WIDTHS = { narrow: 'max-w-md', usual: 'max-w-lg', wide: 'max-w-xl', widest: 'max-w-2xl' } as const;

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: ReactNode;
  readonly width?: keyof typeof WIDTHS;
  readonly children: ReactNode;
}

/** What is asked or said over a view, in a box in the middle of it. */
export function Boxed({ open, onClose, title, width = 'usual', children }: Props): JSX.Element {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-30">
      <div className="fixed inset-0 flex items-center justify-center bg-veil p-4">
        <DialogPanel className={`max-h-full w-full overflow-auto border-2 border-ink bg-sheet p-5 ${WIDTHS[width]}`}>
          <DialogTitle className="label m-0 mb-1 text-[22px] leading-7 font-semibold">{title}</DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
