import type { JSX } from 'react';
import { Link } from 'react-router';
import { Menu, MenuButton, MenuItem, MenuItems } from '../kit/over.ts';

/** The shafts of a box, to go from one to another in the same view. */
export default function ShaftMenu({ buttonId, name, shafts }: ShaftMenuProps): JSX.Element {
  return (
    <Menu>
      <MenuButton id={buttonId} className="label min-h-12 font-semibold">
        {name} ▾
      </MenuButton>
      <MenuItems anchor="bottom start" className="z-20 border-2 border-ink bg-sheet">
        {shafts.map((shaft) => (
          <MenuItem key={shaft.to}>
            <Link to={shaft.to} className="label block min-h-12 px-4 py-3 text-[18px] no-underline data-focus:bg-band">
              {shaft.name}
            </Link>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}

interface ShaftMenuProps {
  readonly buttonId: string;
  readonly name: string;
  readonly shafts: readonly { readonly to: string; readonly name: string }[];
}
