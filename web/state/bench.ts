import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { newId } from './ids.ts';

interface BenchState {
  /** Names this screen in the log; undo belongs to it as long as nobody says who works. */
  readonly benchId: string;
  readonly personId: string | null;
  readonly theme: 'light' | 'dark';
  /** Nobody here wants to be led through a first panel. */
  readonly knowsWay: boolean;
  knowWay(): void;
  sitDown(personId: string | null): void;
  setTheme(theme: 'light' | 'dark'): void;
}

const KEPT_AS = 'nelvik-bench';

/** Who works at this screen. Kept in the browser, so a reload changes nothing. */
export const useBench = create<BenchState>()(
  persist(
    (set) => ({
      benchId: newId(),
      personId: null,
      theme: 'light',
      knowsWay: false,
      knowWay: () => set({ knowsWay: true }),
      sitDown: (personId) => set({ personId }),
      setTheme: (theme) => set({ theme }),
    }),
    { name: KEPT_AS, partialize: ({ benchId, personId, theme, knowsWay }) => ({ benchId, personId, theme, knowsWay }) },
  ),
);

// The name of a new screen is kept from its first moment on, not only once somebody sits down.
useBench.setState({});

// All tabs of a browser are one screen: each keeps the whole, so none may write over what was said in another.
if (typeof window !== 'undefined')
  window.addEventListener('storage', ({ key }) => {
    if (key === KEPT_AS) void useBench.persist.rehydrate();
  });
