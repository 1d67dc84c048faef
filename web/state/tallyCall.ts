import { create } from 'zustand';

/** Somebody wants to write on the tally line; the bench answers as soon as it is there. */
export const useTallyCall = create<{ readonly isCalled: boolean; call(): void; answer(): void }>((set) => ({
  isCalled: false,
  call: () => set({ isCalled: true }),
  answer: () => set({ isCalled: false }),
}));
