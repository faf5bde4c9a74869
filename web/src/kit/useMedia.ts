import { useSyncExternalStore } from 'react';

/** Whether a media query holds, as it changes. */
export function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
  );
}

/** Room for the panel at the right of the sheet. */
export const useWide = (): boolean => useMedia('(min-width: 1024px)');
/** A phone: the strip sits on its keypad at the foot. */
export const usePhone = (): boolean => useMedia('(max-width: 639px)');
/** A tablet held upright, or a phone: typed on the keys at the foot of the page. */
export const useNarrow = (): boolean => useMedia('(max-width: 1023px)');
