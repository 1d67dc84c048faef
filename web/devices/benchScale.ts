import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { z } from 'zod';

/** What a scale on the bench has to do. */
export interface BenchScale {
  readonly name: string;
  /** What lies on it, g. */
  read(): Promise<number>;
}

interface OnScale {
  /** What lies on it less its tare, g. */
  readonly grams: number;
  lay(grams: number): void;
}

const kept = z.object({ grams: z.number().min(0).max(100_000) });

/** What lies on the simulated scale, kept by this browser. */
export const useOnScale = create<OnScale>()(
  persist((set) => ({ grams: 412, lay: (grams) => set({ grams }) }), {
    name: 'nelvik-bench-scale',
    merge: (stored, now) => {
      const read = kept.safeParse(stored);
      return read.success ? { ...now, ...read.data } : now;
    },
  }),
);

/** Stands in for a scale on the bench: what it shows is set in its drawer in Setup. */
export const simulatedScale: BenchScale = {
  name: 'Bench scale (simulated)',
  read: () => Promise.resolve(useOnScale.getState().grams),
};
