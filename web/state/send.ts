import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { Accepted, PanelAnswer, PanelEdit, StudioAnswer } from '#contract';
import type { Command } from '#core/bench';
import { api, ApiError } from './api.ts';
import { useBench } from './bench.ts';

const RETRY_MS = 1500;
const MOST_TRIES = 40;

/** What the screen knew when the user decided: the older of what it shows of studio and panel. */
function basisOf(client: QueryClient, panelId: string | null): number {
  const studio = client.getQueryData<StudioAnswer>(['studio'])?.seq ?? 0;
  const panel = panelId === null ? undefined : client.getQueryData<PanelAnswer>(['panel', panelId])?.seq;
  return panel === undefined ? studio : Math.min(studio, panel);
}

const panelOf = (command: Command): string | null =>
  'panelId' in command.ask ? (command.ask.panelId as string | null) : null;

/** Sends until there is an answer. The id stays the same, so a command that did arrive is not done twice. */
async function untilAnswered(post: () => Promise<Accepted>): Promise<Accepted> {
  for (let tries = 1; ; tries++) {
    try {
      return await post();
    } catch (error) {
      if (!(error instanceof ApiError) || error.code !== 'no-answer' || tries === MOST_TRIES) throw error;
      if (tries === 1) toast.warning(error.message, { id: 'no-answer', duration: 60_000 });
      await new Promise((done) => setTimeout(done, RETRY_MS));
    }
  }
}

export interface Send {
  /** @returns true when it was carried out; a refusal is told to the user and gives false */
  command(command: Command, said?: string): Promise<boolean>;
  putBack(direction: 'undo' | 'redo'): Promise<boolean>;
  cartoon(panelId: string, body: Record<string, unknown>): Promise<boolean>;
  /** A light change of the panel's drawing. */
  edit(panelId: string, edit: PanelEdit, said?: string): Promise<boolean>;
}

export function useSend(): Send {
  const client = useQueryClient();
  return useMemo(() => {
    const facts = () => {
      const { benchId, personId } = useBench.getState();
      return { commandId: crypto.randomUUID(), bench: benchId, personId };
    };
    const run = async (post: () => Promise<Accepted>, said?: string): Promise<boolean> => {
      try {
        await untilAnswered(post);
        toast.dismiss('no-answer');
        if (said) toast.success(said);
        return true;
      } catch (error) {
        toast.error(error instanceof Error ? error.message : 'Something went wrong; nothing was changed.', {
          duration: 9000,
        });
        return false;
      } finally {
        await Promise.all([
          client.invalidateQueries({ queryKey: ['studio'] }),
          client.invalidateQueries({ queryKey: ['panel'] }),
          client.invalidateQueries({ queryKey: ['ledger'] }),
        ]);
      }
    };
    return {
      command: (command, said) => {
        const body = { ...facts(), basis: basisOf(client, panelOf(command)), command };
        return run(() => api.submit(body), said);
      },
      putBack: (direction) => {
        const body = { ...facts(), direction };
        return run(() => api.putBack(body), direction === 'undo' ? 'Taken back.' : 'Done again.');
      },
      cartoon: (panelId, more) => {
        const body = { ...facts(), basis: basisOf(client, panelId), ...more };
        return run(() => api.takeCartoon(panelId, body));
      },
      edit: (panelId, edit, said) => {
        const body = { ...facts(), basis: basisOf(client, panelId), edit };
        return run(() => api.editDrawing(panelId, body), said);
      },
    };
  }, [client]);
}
