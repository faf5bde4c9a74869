import { useEffect } from 'react';

/** Letters that work only outside fields. */
export type Keys = Readonly<Record<string, () => void>>;

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Runs a key's action; `g x` is two keys in a row. F2 and Ctrl+Z work in fields too. */
export function useKeys(keys: Keys): void {
  useEffect(() => {
    let waiting = '';
    const down = (event: KeyboardEvent): void => {
      const name = event.ctrlKey || event.metaKey ? `Ctrl+${event.key.toLowerCase()}` : event.key;
      const inField = typing(event.target);
      if (inField && name !== 'F2') return;
      if (event.altKey) return;
      const full = waiting === '' ? name : `${waiting} ${name}`;
      waiting = full === 'g' ? 'g' : '';
      const act = keys[full];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [keys]);
}
