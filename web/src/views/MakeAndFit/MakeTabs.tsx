import type { JSX, ReactNode } from 'react';
import { LeafTabs } from '../../kit/LeafTabs.tsx';
import { useJob, whereIn } from '../../state/job.ts';

/** The leaves: what is made, what goes into what, and what it takes to turn a pair of bearings. */
export function MakeTabs({ on, children }: { on: 'make' | 'fit' | 'drag' | 'fasteners' | 'bearings'; children?: ReactNode }): JSX.Element {
  const open = useJob();
  const at = (view: string): string => `/jobs/${open.state.job.id}/${view}${whereIn(open)}`;
  return (
    <div className="no-print flex flex-wrap items-end gap-x-4 border-b-2 border-ink px-4 pt-2">
      <LeafTabs
        label="Make and fit"
        tabs={[
          { to: at('make'), name: 'Make', on: on === 'make' },
          { to: at('fit'), name: 'Fit', on: on === 'fit' },
          { to: at('drag'), name: 'Drag', on: on === 'drag' },
          { to: at('fasteners'), name: 'Fasteners', on: on === 'fasteners' },
          { to: at('bearings'), name: 'Bearings', on: on === 'bearings' },
        ]}
      />
      <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-2 max-sm:basis-full max-sm:border-t max-sm:border-rule">{children}</div>
    </div>
  );
}

/** One of several things by name, in a row over the sheet. */
export function PickOne({
  on,
  isOver = false,
  onPick,
  children,
}: {
  on: boolean;
  isOver?: boolean;
  onPick: () => void;
  children: ReactNode;
}): JSX.Element {
  return (
    <button
      type="button"
      aria-current={on ? 'page' : undefined}
      onClick={onPick}
      className={`flex min-h-12 max-w-full items-center gap-2 border-b-4 px-2 text-left text-[16px] ${on ? 'border-blue font-semibold' : 'border-transparent'} ${isOver ? 'text-ink2' : ''}`}
    >
      {children}
    </button>
  );
}
