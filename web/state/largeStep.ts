import { create } from 'zustand';

/** A step so large that whoever takes it back is asked first. */
export interface LargeStep {
  readonly seq: number;
  readonly words: string;
}

interface Asking {
  readonly step: LargeStep | null;
  ask(step: LargeStep): void;
  done(): void;
}

export const useLargeStep = create<Asking>((set) => ({
  step: null,
  ask: (step) => set({ step }),
  done: () => set({ step: null }),
}));
