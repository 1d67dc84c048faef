import { z } from 'zod';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** A sticker: the words on it, and the text of the code that a scanner or a camera reads. */
export interface Sticker {
  readonly title: string;
  readonly lines: readonly string[];
  readonly code: string;
}

/** What a device that prints stickers has to do. */
export interface LabelPrinter {
  readonly name: string;
  print(stickers: readonly Sticker[]): Promise<void>;
}

const MOST_IN_TRAY = 60;

interface Tray {
  /** What came out of it, the latest first. */
  readonly stickers: readonly (Sticker & { readonly at: number })[];
  take(stickers: readonly Sticker[]): void;
  empty(): void;
}

const kept = z.object({
  stickers: z.array(z.object({ title: z.string(), lines: z.array(z.string()), code: z.string(), at: z.number() })),
});

/** The tray of the simulated printer, kept by this browser. */
export const useTray = create<Tray>()(
  persist(
    (set) => ({
      stickers: [],
      take: (stickers) =>
        set((now) => ({
          stickers: [...stickers.map((one) => ({ ...one, at: Date.now() })), ...now.stickers].slice(0, MOST_IN_TRAY),
        })),
      empty: () => set({ stickers: [] }),
    }),
    {
      name: 'nelvik-label-tray',
      merge: (stored, now) => {
        const read = kept.safeParse(stored);
        return read.success ? { ...now, ...read.data } : now;
      },
    },
  ),
);

/** Stands in for a printer of stickers: what is printed lies in a tray that can be opened. */
export const simulatedLabelPrinter: LabelPrinter = {
  name: 'Label printer (simulated)',
  print: (stickers) => {
    useTray.getState().take(stickers);
    return Promise.resolve();
  },
};
