import { create } from 'zustand';

interface Position {
  /** The last log position this screen has heard of. */
  readonly seq: number;
  reached(seq: number): void;
}

export const usePosition = create<Position>((set) => ({
  seq: 0,
  reached: (seq) => set((now) => (seq > now.seq ? { seq } : now)),
}));
