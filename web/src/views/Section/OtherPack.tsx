import type { FitLeaf } from '@elder-cog/contract';
import { leavesTotal } from '@elder-cog/core';
import type { JSX } from 'react';
import { Primary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { leavesFromSaid, oneByOne } from '../../state/gapActions.ts';
import { inBoth } from '../../state/understood.ts';

/** A pack that is typed in, for one place. */
export function OtherPack({
  onFit,
  available,
  bare,
}: {
  onFit: (leaves: readonly FitLeaf[]) => void;
  available: Parameters<typeof leavesFromSaid>[1];
  bare: 'thou' | 'mm';
}): JSX.Element {
  const entry = useEntry({ field: 'pack', bare }, { onKeep: ({ value }) => onFit(leavesFromSaid(oneByOne(value), available)) });
  return (
    <form className="col-span-full flex items-start gap-3" onSubmit={entry.keep}>
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
    </form>
  );
}
