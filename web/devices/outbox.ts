import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { z } from 'zod';

export interface Letter {
  readonly to: string;
  readonly about: string;
  readonly words: string;
}

/** What sends letters to clients has to do. */
export interface Post {
  readonly name: string;
  send(letter: Letter): Promise<void>;
}

const MOST_KEPT = 60;

interface Sent {
  /** The latest first. */
  readonly letters: readonly (Letter & { readonly at: number })[];
  take(letter: Letter): void;
  empty(): void;
}

const kept = z.object({
  letters: z.array(z.object({ to: z.string(), about: z.string(), words: z.string(), at: z.number() })),
});

/** The simulated outbox, kept by this browser; it goes nowhere. */
export const useSent = create<Sent>()(
  persist(
    (set) => ({
      letters: [],
      take: (letter) =>
        set((now) => ({ letters: [{ ...letter, at: Date.now() }, ...now.letters].slice(0, MOST_KEPT) })),
      empty: () => set({ letters: [] }),
    }),
    {
      name: 'nelvik-outbox-of-letters',
      merge: (stored, now) => {
        const read = kept.safeParse(stored);
        return read.success ? { ...now, ...read.data } : now;
      },
    },
  ),
);

/** Stands in for mail: what is sent lies in a drawer that can be opened, and goes nowhere. */
export const simulatedPost: Post = {
  name: 'Outbox (simulated: nothing leaves this browser)',
  send: (letter) => {
    useSent.getState().take(letter);
    return Promise.resolve();
  },
};
