import type { JSX } from 'react';
import { Link, useLocation } from 'react-router';
import { Frame } from './Frame.tsx';
import type { Stop } from './stop.ts';
import { DrawerIcon, ShelfIcon, WorkshopIcon } from './roadIcons.tsx';

export const OUTER: readonly Stop[] = [
  { to: '/', name: 'Shelf', key: 's', sign: () => <ShelfIcon /> },
  { to: '/drawer', name: 'Drawer', key: 'd', sign: () => <DrawerIcon /> },
  { to: '/workshop', name: 'Workshop', key: 'w', sign: () => <WorkshopIcon /> },
];

/** Outside any job: the Shelf, the Drawer and the Workshop. */
export function OuterShell(): JSX.Element {
  const { pathname } = useLocation();
  const name = { '/drawer': 'Drawer', '/new': 'New machine', '/workshop': 'Workshop' }[pathname] ?? 'Shelf';
  return <Frame stops={OUTER} title={<OuterTitle name={name} />} />;
}

export function OuterTitle({ name }: { name: string }): JSX.Element {
  return (
    <>
      <Link to="/" className="label flex h-full items-center px-4 text-[22px] font-semibold no-underline max-sm:px-3 max-sm:text-[19px]">
        Elder Cog
      </Link>
      <span className="label flex h-full items-center border-x border-rule px-4 text-[18px] font-semibold">{name}</span>
    </>
  );
}
