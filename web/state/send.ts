import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { Accepted, PanelEdit } from '#contract';
import type { Command, SavePanel } from '#core/bench';
import { api } from './api.ts';
import { basisOf, knownUpTo } from './basis.ts';
import { useBench } from './bench.ts';
import { heard } from './freshness.ts';
import { untilAnswered } from './untilAnswered.ts';

/** What an edit makes of the panel with it: its name, opening, what its lines take up. */
export type PanelWish = Omit<SavePanel, 'id'>;

export interface Send {
  /** @returns true when it was carried out; a refusal is told to the user and gives false */
  command(command: Command, said?: string): Promise<boolean>;
  putBack(direction: 'undo' | 'redo'): Promise<boolean>;
  cartoon(panelId: string, body: Record<string, unknown>): Promise<boolean>;
  /** A light change of the panel's drawing; with a wish the panel is made, or changed, in the same act. */
  edit(panelId: string, edit: PanelEdit, said?: string, panel?: PanelWish): Promise<boolean>;
}

export function useSend(): Send {
  const client = useQueryClient();
  return useMemo(() => {
    const facts = () => {
      const { benchId, personId } = useBench.getState();
      return { commandId: crypto.randomUUID(), bench: benchId, personId };
    };
    const ofPanel = (panelId: string) => knownUpTo(client, [['panel', panelId]]);
    return {
      command: (command, said) => {
        const body = { ...facts(), basis: basisOf(client, command), command };
        return run(client, () => api.submit(body), said);
      },
      putBack: (direction) => {
        const body = { ...facts(), direction };
        return run(client, () => api.putBack(body), direction === 'undo' ? 'Taken back.' : 'Done again.');
      },
      cartoon: (panelId, more) => {
        const body = { ...facts(), basis: ofPanel(panelId), ...more };
        return run(client, () => api.takeCartoon(panelId, body));
      },
      edit: (panelId, edit, said, panel) => {
        const body = { ...facts(), basis: ofPanel(panelId), edit, ...(panel ? { panel } : {}) };
        return run(client, () => api.editDrawing(panelId, body), said);
      },
    };
  }, [client]);
}

/** Sends, says how it went, and comes back when the screen shows what stands now. */
async function run(client: QueryClient, post: () => Promise<Accepted>, said?: string): Promise<boolean> {
  try {
    const { seq, touched, again } = await untilAnswered(post, (words) =>
      toast.warning(words, { id: 'no-answer', duration: 60_000 }),
    );
    toast.dismiss('no-answer');
    if (said) toast.success(said);
    // Carried out before, but its answer was lost: whatever it changed may have been missed.
    if (again) await client.invalidateQueries();
    else await heard.change(client, seq, touched);
    return true;
  } catch (error) {
    toast.error(error instanceof Error ? error.message : 'Something went wrong; nothing was changed.', {
      duration: 9000,
    });
    // Whatever the refusal was decided on, the screen is to show it.
    await client.invalidateQueries();
    return false;
  }
}
