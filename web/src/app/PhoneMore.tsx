import { Menu, MenuButton, MenuItem, MenuItems } from '../kit/over.ts';
import { Menu as MenuIcon } from 'lucide-react';
import type { JSX } from 'react';
import { Link } from 'react-router';
import { useLeaveOpen } from '../state/leaveOpen.ts';
import { useReckoner } from '../state/reckoner.ts';
import type { Stop } from './stop.ts';
import { ThemeItems } from './ThemeItems.tsx';

interface PhoneMoreProps {
  readonly buttonId: string;
  readonly stops: readonly Stop[];
  readonly onUndo: () => void;
  readonly onFar?: () => void;
}

/** What a phone's bar has no room for. */
export default function PhoneMore({ buttonId, stops, onUndo, onFar }: PhoneMoreProps): JSX.Element {
  return (
    <Menu>
      <MenuButton id={buttonId} className="label flex flex-1 items-center justify-center gap-1.5 text-[16px] text-ink2">
        <MenuIcon size={20} aria-hidden="true" /> More
      </MenuButton>
      <MenuItems anchor="top end" className="z-20 w-56 border-2 border-ink bg-sheet">
        {[
          ...stops.map((s) => ({ to: s.to, name: s.name })),
          { to: '/', name: 'Shelf' },
          { to: '/drawer', name: 'Drawer' },
          { to: '/workshop', name: 'Workshop' },
        ].map((item) => (
          <MenuItem key={item.name}>
            <Link to={item.to} className="label block min-h-12 px-4 py-3 text-[18px] no-underline data-focus:bg-band">
              {item.name}
            </Link>
          </MenuItem>
        ))}
        <MenuItem>
          <button
            type="button"
            onClick={useReckoner.getState().show}
            className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band"
          >
            Reckoner
          </button>
        </MenuItem>
        {onFar && (
          <MenuItem>
            <button
              type="button"
              onClick={useLeaveOpen.getState().show}
              className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band"
            >
              Leave something open
            </button>
          </MenuItem>
        )}
        {onFar && (
          <MenuItem>
            <button type="button" onClick={onFar} className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band">
              The number, from afar
            </button>
          </MenuItem>
        )}
        <MenuItem>
          <button type="button" onClick={onUndo} className="label block min-h-12 w-full px-4 py-3 text-left text-[18px] data-focus:bg-band">
            Undo the last thing
          </button>
        </MenuItem>
        <ThemeItems />
      </MenuItems>
    </Menu>
  );
}
