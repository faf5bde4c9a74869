import type { JSX } from 'react';
import { Link } from 'react-router';

export interface LeafTab {
  readonly to: string;
  readonly name: string;
  readonly on: boolean;
}

/** The leaves of one book, as tabs cut at a corner. */
export function LeafTabs({ label, tabs }: { label: string; tabs: readonly LeafTab[] }): JSX.Element {
  return (
    <nav aria-label={label} className="flex gap-2">
      {tabs.map(({ to, name, on }) => (
        <Link
          key={name}
          to={to}
          aria-current={on ? 'page' : undefined}
          className={`label -mb-0.5 flex min-h-12 items-center border-2 px-4 text-[17px] no-underline [clip-path:polygon(0_0,calc(100%-10px)_0,100%_10px,100%_100%,0_100%)] ${on ? 'border-ink border-b-sheet bg-sheet font-semibold' : 'border-edge border-b-ink bg-paper text-ink2'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
