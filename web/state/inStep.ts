import { create } from 'zustand';

interface InStep {
  /** Since when nothing has been heard from the server; null while the line is open. */
  readonly lostSince: number | null;
  lost(): void;
  back(): void;
}

/** Whether this screen hears what happens in the studio. */
export const useInStep = create<InStep>((set) => ({
  lostSince: null,
  lost: () => set((s) => ({ lostSince: s.lostSince ?? Date.now() })),
  back: () => set({ lostSince: null }),
}));
