import { Menu, MenuButton, MenuItem, MenuItems } from '../kit/over.ts';
import { Keyboard, Menu as MenuIcon, PenLine } from 'lucide-react';
import type { JSX } from 'react';
import { ThemeItems } from './ThemeItems.tsx';

/** The sheet's theme, whose hand it is, and the keys. */
export default function MoreMenu({ buttonId, onKeys, onSign }: { buttonId: string; onKeys: () => void; onSign: () => void }): JSX.Element {
  return (
    <Menu>
      <MenuButton id={buttonId} className="flex min-h-[62px] w-[86px] flex-col items-start justify-center gap-1 px-2.5 text-ink2">
        <MenuIcon size={22} aria-hidden="true" />
        <span className="label text-[16px]">More</span>
      </MenuButton>
      <MenuItems anchor="right end" className="z-20 border-2 border-ink bg-sheet">
        <ThemeItems />
        <MenuItem>
          <button
            type="button"
            onClick={onSign}
            className="flex min-h-12 w-full items-center gap-2 border-t border-rule px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            <PenLine size={18} aria-hidden="true" /> Sign entries
          </button>
        </MenuItem>
        <MenuItem>
          <button
            type="button"
            onClick={onKeys}
            className="flex min-h-12 w-full items-center gap-2 border-t border-rule px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            <Keyboard size={18} aria-hidden="true" /> Keys
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
}
