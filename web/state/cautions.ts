import type { QueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { z } from 'zod';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { StudioAnswer } from '#contract';
import { workCaution, WORK_STAGES, type Command, type WorkStage } from '#core/bench';

/** Which caution was said to whom on which day, so that each is said once. Kept by this browser. */
const useSaid = create<{ readonly days: Readonly<Record<string, string>>; say(key: string, day: string): void }>()(
  persist((set) => ({ days: {}, say: (key, day) => set(({ days }) => ({ days: { ...days, [key]: day } })) }), {
    name: 'nelvik-cautions-said',
    merge: (stored, now) => {
      const read = z.object({ days: z.record(z.string(), z.string()) }).safeParse(stored);
      return read.success ? { ...now, ...read.data } : now;
    },
  }),
);

/** The kind of work that a command tells of, where it is one. */
export function workOf(command: Command, studio: Pick<StudioAnswer, 'routeSteps'> | undefined): WorkStage | null {
  switch (command.kind) {
    case 'start-clock':
      return command.ask.stage;
    case 'cut':
    case 'cut-back':
      return 'cutting';
    case 'solder-joints':
      return 'soldering';
    case 'advance':
    case 'finish-step': {
      const code = command.kind === 'advance' ? command.ask.to : command.ask.step;
      const work = studio?.routeSteps.find((step) => step.code === code)?.work;
      return WORK_STAGES.find((stage) => stage === work) ?? null;
    }
    default:
      return null;
  }
}

/** Says what to take care of at the work that was just done: once a day to each person. */
export function sayCaution(client: QueryClient, command: Command, personId: string | null, now: Date): void {
  const work = workOf(command, client.getQueryData<StudioAnswer>(['studio']));
  const words = work === null ? null : workCaution(work);
  if (work === null || words === null) return;
  const key = `${personId ?? ''}|${work}`;
  const day = `${now.getFullYear()}-${now.getMonth() + 1}-${now.getDate()}`;
  if (useSaid.getState().days[key] === day) return;
  useSaid.getState().say(key, day);
  toast(words, { id: 'caution', duration: 9000 });
}
