import type { Dialect } from '@elder-cog/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { v4 } from 'uuid';

/** How this one browser shows things. None of it changes how an entry is read. */
interface Settings {
  readonly unit: 'thou' | 'mm';
  /** what a bare number is in this workshop, as the page was told by its server */
  readonly bare: 'thou' | 'mm';
  readonly theme: 'light' | 'dark' | 'system';
  /** which vocabulary of the trade the page speaks */
  readonly words: Dialect;
  /** letters act as keys outside fields */
  readonly letters: boolean;
  /** a kept reading is heard */
  readonly tick: boolean;
  readonly who: string;
  readonly clientId: string;
  flipUnit(): void;
  setTheme(theme: Settings['theme']): void;
  setWords(words: Dialect): void;
  setLetters(letters: boolean): void;
  setTick(tick: boolean): void;
  setWho(who: string): void;
}

/** A random id; over plain http too, where the browser has no maker of its own. */
export const newId = (): string => v4();

const toldBare = (): 'thou' | 'mm' => (typeof document !== 'undefined' && document.documentElement.dataset.bare === 'mm' ? 'mm' : 'thou');

export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      unit: toldBare(),
      bare: toldBare(),
      theme: 'system',
      words: 'british',
      letters: true,
      tick: true,
      who: '',
      clientId: newId(),
      flipUnit: () => set((s) => ({ unit: s.unit === 'thou' ? 'mm' : 'thou' })),
      setTheme: (theme) => set({ theme }),
      setWords: (words) => set({ words }),
      setLetters: (letters) => set({ letters }),
      setTick: (tick) => set({ tick }),
      setWho: (who) => set({ who }),
    }),
    {
      name: 'elder-cog-settings',
      partialize: ({ bare: _, ...kept }) => kept,
    },
  ),
);

// the id this browser is known by is kept from the first, so that what it did before a reload is still its own
useSettings.setState({});
