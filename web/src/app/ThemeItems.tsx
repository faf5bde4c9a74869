import { MenuItem } from '../kit/over.ts';
import type { JSX } from 'react';
import { useSettings } from '../state/settings.ts';

/** Light, dark, or as the machine is set, in a menu. */
export function ThemeItems(): JSX.Element {
  const { theme, setTheme } = useSettings();
  const says = { light: 'Light sheet', dark: 'Dark sheet', system: 'Light or dark as the machine' } as const;
  return (
    <>
      {(['light', 'dark', 'system'] as const).map((each) => (
        <MenuItem key={each}>
          <button
            type="button"
            aria-pressed={theme === each}
            onClick={() => setTheme(each)}
            className="block min-h-12 w-full px-4 py-2 text-left text-[16px] data-focus:bg-band"
          >
            {says[each]}
            {theme === each ? ' ✓' : ''}
          </button>
        </MenuItem>
      ))}
    </>
  );
}
