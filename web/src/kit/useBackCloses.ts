import { useEffect, useRef } from 'react';

/** The one that lies on top: each gets its own number, so that Back closes them one at a time. */
const mark = (): number | undefined => (window.history.state as { over?: number } | null)?.over;

/**
 * The browser's Back, and a phone's, closes what lies over the page and leaves the page as it is. Opening it adds a step to the
 * history with the same address; closing it any other way takes that step back, unless the page has gone on meanwhile.
 */
export function useBackCloses(open: boolean, onClose: () => void): void {
  const latest = useRef(onClose);
  useEffect(() => {
    latest.current = onClose;
  }, [onClose]);
  useEffect(() => {
    if (!open) return undefined;
    const over = (mark() ?? 0) + 1;
    window.history.pushState({ ...(window.history.state as object | null), over }, '');
    const back = (): void => {
      if ((mark() ?? 0) < over) latest.current();
    };
    window.addEventListener('popstate', back);
    return () => {
      window.removeEventListener('popstate', back);
      if (mark() === over) window.history.back();
    };
  }, [open]);
}
