import type { FitLeaf } from '@elder-cog/contract';
import { leavesTotal } from '@elder-cog/core';
import { useEffect, useLayoutEffect, useRef, type JSX, type ReactNode } from 'react';
import { Primary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { leavesFromSaid, oneByOne } from '../../state/gapActions.ts';
import { inBoth } from '../../state/understood.ts';

interface OtherPackProps {
  readonly onFit: (leaves: readonly FitLeaf[]) => void;
  /** told as it is typed: what it would come to is shown before anything is fitted; null when it is no pack, or is put away */
  readonly onTry: (leaves: readonly FitLeaf[] | null) => void;
  readonly available: Parameters<typeof leavesFromSaid>[1];
  readonly bare: 'thou' | 'mm';
  /** what it would come to */
  readonly would?: ReactNode;
}

/** A pack that is typed in, for one place. */
export function OtherPack({ onFit, onTry, available, bare, would }: OtherPackProps): JSX.Element {
  const entry = useEntry({ field: 'pack', bare }, { onKeep: ({ value }) => onFit(leavesFromSaid(oneByOne(value), available)) });
  const pack = entry.text.trim() === '' ? null : (entry.meaning?.value ?? null);
  const told = useRef({ onTry, available });
  told.current = { onTry, available };
  const said = JSON.stringify(pack);
  // in the same frame as the key
  useLayoutEffect(() => {
    const read = JSON.parse(said) as typeof pack;
    told.current.onTry(read && leavesFromSaid(oneByOne(read), told.current.available));
  }, [said]);
  useEffect(() => () => told.current.onTry(null), []);
  return (
    <form className="col-span-full flex flex-wrap items-start gap-x-3" onSubmit={entry.keep}>
      <EntryField
        entry={entry}
        label="Fit another pack"
        placeholder="like 6+4, 10½ or none"
        says={(pack) => inBoth(leavesTotal(pack), bare)}
        className="flex-1"
        autoFocus
      />
      <Primary type="submit" className="mt-7">
        Fit it
      </Primary>
      {would}
    </form>
  );
}
