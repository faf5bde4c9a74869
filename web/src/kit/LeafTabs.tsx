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
    <nav aria-label={label} className="flex gap-2 max-sm:w-full max-sm:gap-1">
      {tabs.map(({ to, name, on }) => (
        <Link
          key={name}
          to={to}
          aria-current={on ? 'page' : undefined}
          className={`label -mb-0.5 flex min-h-12 items-center justify-center border-2 px-4 text-[17px] whitespace-nowrap no-underline max-sm:min-w-0 max-sm:flex-auto max-sm:px-1.5 max-sm:text-[15px] [clip-path:polygon(0_0,calc(100%-10px)_0,100%_10px,100%_100%,0_100%)] ${on ? 'border-ink border-b-sheet bg-sheet font-semibold' : 'border-edge border-b-ink bg-paper text-ink2'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
