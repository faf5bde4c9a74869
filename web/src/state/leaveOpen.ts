import { create } from 'zustand';

/** Whether something is just being left open. */
interface LeaveOpenState {
  readonly open: boolean;
  show(): void;
  close(): void;
}
export const useLeaveOpen = create<LeaveOpenState>((set) => ({ open: false, show: () => set({ open: true }), close: () => set({ open: false }) }));
