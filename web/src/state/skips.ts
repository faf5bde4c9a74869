import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Skips {
  /** what was asked once and not wanted: limits of a gap that has none, leaves nobody has yet */
  readonly skipped: readonly string[];
  skip(what: string): void;
}

/** Questions that were passed over here: they are not asked at every visit, and what they ask can be said any time. */
export const useSkips = create<Skips>()(
  persist((set) => ({ skipped: [], skip: (what) => set((s) => ({ skipped: [...new Set([...s.skipped, what])].slice(-500) })) }), {
    name: 'elder-cog-skips',
  }),
);

export const limitsOf = (stationId: string): string => `limits ${stationId}`;
export const LEAVES = 'leaves';
