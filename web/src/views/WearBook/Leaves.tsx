import type { JSX, ReactNode } from 'react';
import { Link } from 'react-router';
import { useJob, whereIn } from '../../state/job.ts';

const LEAVES = [
  { path: 'strip', name: 'As it came apart' },
  { path: 'wear', name: 'By part' },
  { path: 'limits', name: 'Limits' },
] as const;

/** The leaves of one book, as tabs cut at a corner. */
export function Leaves({ on, says, more }: { on: (typeof LEAVES)[number]['path']; says?: ReactNode; more?: ReactNode }): JSX.Element {
  const open = useJob();
  return (
    <div className="no-print flex flex-wrap items-end justify-between gap-x-4 border-b-2 border-ink px-4 pt-2">
      <nav aria-label="Leaves of the Wear book" className="flex gap-2">
        {LEAVES.map(({ path, name }) => (
          <Link
            key={path}
            to={`/jobs/${open.state.job.id}/${path}${whereIn(open)}`}
            aria-current={path === on ? 'page' : undefined}
            className={`label -mb-0.5 flex min-h-12 items-center border-2 px-4 text-[17px] no-underline [clip-path:polygon(0_0,calc(100%-10px)_0,100%_10px,100%_100%,0_100%)] ${path === on ? 'border-ink border-b-sheet bg-sheet font-semibold' : 'border-edge border-b-ink bg-paper text-ink2'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      {says && (
        <div className="flex flex-wrap items-center justify-end gap-x-4 max-sm:justify-start">
          <p className="m-0 py-1 text-[16px]">{says}</p>
          {more}
        </div>
      )}
    </div>
  );
}
