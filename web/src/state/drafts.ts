import { useCallback } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** As many half-typed entries as anybody leaves lying about. */
const MOST = 60;

interface Drafts {
  readonly texts: Readonly<Record<string, string>>;
  put(key: string, text: string): void;
}

/** What is half typed, by the field it is in: it is there again after leaving the view, and after a reload. */
export const useDrafts = create<Drafts>()(
  persist(
    (set) => ({
      texts: {},
      put: (key, text) =>
        set(({ texts: { [key]: _, ...others } }) => ({
          texts: text === '' ? others : Object.fromEntries([...Object.entries(others), [key, text]].slice(-MOST)),
        })),
    }),
    { name: 'elder-cog-drafts' },
  ),
);

/** One field's half-typed text; what it begins with where nothing is. Put back to nothing, it begins anew. */
export function useDraft(key: string, initial = ''): readonly [text: string, type: (text: string) => void] {
  const text = useDrafts((s) => s.texts[key]);
  const put = useDrafts((s) => s.put);
  return [text ?? initial, useCallback((next: string) => put(key, next), [key, put])];
}

/** Put back to nothing once what it held was kept; what has been typed since stays. */
export function clearDraft(key: string, kept: string): void {
  const { texts, put } = useDrafts.getState();
  if (texts[key] === kept) put(key, '');
}

export const draftOf = (key: string): string => useDrafts.getState().texts[key] ?? '';
