import { create } from 'zustand';

interface ReckonerState {
  readonly open: boolean;
  /** what was reckoned before, to be had again */
  readonly last: string;
  show(): void;
  hide(text: string): void;
}

/** Whether the Reckoner lies over the page, and what it was last asked. */
export const useReckoner = create<ReckonerState>((set) => ({
  open: false,
  last: '',
  show: () => set({ open: true }),
  hide: (text) => set((s) => ({ open: false, last: text.trim() === '' ? s.last : text })),
}));
