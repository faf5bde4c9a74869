import type { JSX, ReactNode } from 'react';
import { DialogTitle } from './over.ts';
import { Over } from './Over.tsx';

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
    <Over open={open} onClose={onClose} className={WIDTHS[width]}>
      <DialogTitle className="label m-0 mb-1 text-[22px] leading-7 font-semibold">{title}</DialogTitle>
      {children}
    </Over>
  );
}
