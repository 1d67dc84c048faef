import { create } from 'zustand';

interface Selection {
  readonly panelId: string | null;
  readonly numbers: ReadonlySet<number>;
  /** The piece the keyboard stands on. */
  readonly at: number | null;
  /** Each tap and each lasso adds to what is picked, until this is put away. */
  readonly isAdding: boolean;
  setAdding(isAdding: boolean): void;
  choose(panelId: string, numbers: Iterable<number>, at?: number | null): void;
  toggle(panelId: string, number: number): void;
  clear(): void;
}

/** Which pieces are picked on this screen; it ends with the panel it belongs to. */
export const useSelection = create<Selection>((set) => ({
  panelId: null,
  numbers: new Set(),
  at: null,
  isAdding: false,
  setAdding: (isAdding) => set({ isAdding }),
  choose: (panelId, numbers, at) =>
    set(() => {
      const picked = new Set(numbers);
      return { panelId, numbers: picked, at: at === undefined ? ([...picked].at(-1) ?? null) : at };
    }),
  toggle: (panelId, number) =>
    set((now) => {
      const next = new Set(now.panelId === panelId ? now.numbers : []);
      if (!next.delete(number)) next.add(number);
      return { panelId, numbers: next, at: number };
    }),
  clear: () => set({ numbers: new Set(), at: null }),
}));
