import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { z } from 'zod';

/** What an iron says of itself. */
export interface IronReading {
  readonly isOn: boolean;
  readonly setC: number;
  readonly tipC: number;
  /** It was not taken from its stand for so long, minutes. */
  readonly idleMin: number;
  /** How long this tip has been hot, minutes. */
  readonly tipMin: number;
}

/** What a soldering station has to do. */
export interface IronStation {
  readonly name: string;
  read(now: number): IronReading;
}

/** A tip warms to within a third of the way in so long, s; an iron in its stand rests after so long, min. From memory. */
const WARMS_S = 25;
const RESTS_MIN = 10;
const REST_C = 180;
const ROOM_C = 20;

interface Iron {
  readonly setC: number;
  /** Since when it is on; null while it is off. */
  readonly since: number | null;
  /** When it was last taken from its stand. */
  readonly takenAt: number;
  /** What this tip was hot before it was last switched on, minutes. */
  readonly tipMin: number;
  turn(on: boolean, now: number): void;
  set(celsius: number): void;
  take(now: number): void;
  newTip(now: number): void;
}

const kept = z.object({
  setC: z.number().min(150).max(480),
  since: z.number().nullable(),
  takenAt: z.number(),
  tipMin: z.number().min(0),
});

/** The simulated iron, kept by this browser. */
export const useIron = create<Iron>()(
  persist(
    (set) => ({
      setC: 365,
      since: null,
      takenAt: 0,
      tipMin: 0,
      turn: (on, now) =>
        set((iron) =>
          on
            ? { since: iron.since ?? now, takenAt: now }
            : { since: null, tipMin: iron.tipMin + (iron.since === null ? 0 : (now - iron.since) / 60_000) },
        ),
      set: (setC) => set({ setC }),
      take: (now) => set({ takenAt: now }),
      newTip: (now) => set((iron) => ({ tipMin: 0, since: iron.since === null ? null : now })),
    }),
    {
      name: 'nelvik-iron',
      merge: (stored, now) => {
        const read = kept.safeParse(stored);
        return read.success ? { ...now, ...read.data } : now;
      },
    },
  ),
);

/** What an iron says, worked out from when it was switched on and last taken. */
export function ironReading(
  { setC, since, takenAt, tipMin }: Omit<Iron, 'turn' | 'set' | 'take' | 'newTip'>,
  now: number,
): IronReading {
  if (since === null) return { isOn: false, setC, tipC: ROOM_C, idleMin: 0, tipMin };
  const onS = Math.max(0, now - since) / 1000;
  const idleMin = Math.max(0, now - Math.max(takenAt, since)) / 60_000;
  const goal = idleMin > RESTS_MIN ? REST_C : setC;
  const tipC = Math.round(goal + (ROOM_C - goal) * Math.exp(-onS / WARMS_S));
  return { isOn: true, setC, tipC, idleMin, tipMin: tipMin + onS / 60 };
}

/** Stands in for a soldering station: it warms, rests in its stand, and counts the hours of its tip. */
export const simulatedIron: IronStation = {
  name: 'Iron station (simulated)',
  read: (now) => ironReading(useIron.getState(), now),
};
