import type { Change } from '@elder-cog/contract';
import { useRef } from 'react';
import { useCommand } from './api.ts';

interface Row {
  readonly id: string;
  readonly revision: number;
}

/**
 * Changes of one row as fast as they are typed: each is made from the row as the one before it leaves it, and not from what the page has been
 * told so far, so that nobody is in his own way. They are sent one at a time, in order, also when the server is away.
 */
export function useRowPatches<Of extends Row>(row: Of, changeOf: (now: Of, patch: Partial<Of>) => Change): (patch: (now: Of) => Partial<Of>) => void {
  const { send } = useCommand();
  const told = useRef(row);
  const ahead = useRef(row);
  told.current = row;
  if (row.id !== ahead.current.id || row.revision >= ahead.current.revision) ahead.current = row;
  return (patch) => {
    const now = ahead.current;
    const wanted = patch(now);
    ahead.current = { ...now, ...wanted, revision: now.revision + 1 };
    void send(changeOf(now, wanted)).catch(() => {
      ahead.current = told.current;
    });
  };
}
