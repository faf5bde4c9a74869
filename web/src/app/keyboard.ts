import { useEffect, useRef } from 'react';
import { useSettings } from '../state/settings.ts';

/** Letters that work only outside fields. */
export type Keys = Readonly<Record<string, () => void>>;

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** In a field only F2 and F8 are ours; and where nothing is typed, Ctrl+Z, which would have nothing to take back, and /, which begins no entry. */
const passes = (name: string, target: EventTarget | null): boolean =>
  name === 'F2' || name === 'F8' || ((name === 'Ctrl+z' || name === '/') && target instanceof HTMLInputElement && target.value === '');

/** Runs a key's action; `g x` is two keys in a row. */
export function useKeys(keys: Keys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  }, [keys]);
  useEffect(() => {
    let waiting = '';
    const down = (event: KeyboardEvent): void => {
      // what has the focus took it: a number that answers a question is no feel
      if (event.defaultPrevented) return;
      const name = event.ctrlKey || event.metaKey ? `Ctrl+${event.key.toLowerCase()}` : event.key;
      if (typing(event.target) && !passes(name, event.target)) return;
      if (event.altKey) return;
      if (!useSettings.getState().letters && /^[a-z/?]$/i.test(name)) return;
      const full = waiting === '' ? name : `${waiting} ${name}`;
      waiting = full === 'g' ? 'g' : '';
      const act = latest.current[full];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, []);
}
