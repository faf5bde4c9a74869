import type { JSX, ReactNode } from 'react';
import { LeafTabs } from '../../kit/LeafTabs.tsx';
import { useJob, whereIn } from '../../state/job.ts';

const LEAVES = [
  { path: 'strip', name: 'As it came apart' },
  { path: 'wear', name: 'By part' },
  { path: 'limits', name: 'Limits' },
] as const;

/** The leaves of the Wear book, and what the one in hand says. */
export function Leaves({ on, says, more }: { on: (typeof LEAVES)[number]['path']; says?: ReactNode; more?: ReactNode }): JSX.Element {
  const open = useJob();
  return (
    <div className="no-print flex flex-wrap items-end justify-between gap-x-4 border-b-2 border-ink px-4 pt-2">
      <LeafTabs
        label="Leaves of the Wear book"
        tabs={LEAVES.map(({ path, name }) => ({ to: `/jobs/${open.state.job.id}/${path}${whereIn(open)}`, name, on: path === on }))}
      />
      {says && (
        <div className="flex flex-wrap items-center justify-end gap-x-4 max-sm:justify-start">
          <p className="m-0 py-1 text-[16px]">{says}</p>
          {more}
        </div>
      )}
    </div>
  );
}
