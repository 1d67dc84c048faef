import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface BenchState {
  /** Names this screen in the log: undo belongs to it. */
  readonly benchId: string;
  readonly personId: string | null;
  readonly theme: 'light' | 'dark';
  sitDown(personId: string | null): void;
  setTheme(theme: 'light' | 'dark'): void;
}

/** Who works at this screen. Kept in the browser, so a reload changes nothing. */
export const useBench = create<BenchState>()(
  persist(
    (set) => ({
      benchId: crypto.randomUUID(),
      personId: null,
      theme: 'light',
      sitDown: (personId) => set({ personId }),
      setTheme: (theme) => set({ theme }),
    }),
    { name: 'nelvik-bench', partialize: ({ benchId, personId, theme }) => ({ benchId, personId, theme }) },
  ),
);
