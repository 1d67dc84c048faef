import { keepPreviousData, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import type { CartoonAnswer, LiveMessage, PanelAnswer, StudioAnswer } from '#contract';
import { settingsOf, Studio, type Settings, type Tables } from '#core/bench';
import { api, ApiError } from './api.ts';
import { usePosition } from './position.ts';

export type PanelRow = Tables['panels'];
export type PieceRow = Tables['pieces'];
export type StockRow = Tables['stock'];

const retry = (count: number, error: Error) => !(error instanceof ApiError && error.code !== 'no-answer') && count < 5;

export function useStudio() {
  return useQuery({ queryKey: ['studio'], queryFn: api.studio, retry, placeholderData: keepPreviousData });
}

export function usePanel(id: string | undefined) {
  return useQuery({
    queryKey: ['panel', id],
    queryFn: () => api.panel(id as string),
    enabled: id !== undefined,
    retry,
  });
}

export function usePanels(ids: readonly string[]): (PanelAnswer | undefined)[] {
  return useQueries({
    queries: ids.map((id) => ({ queryKey: ['panel', id], queryFn: () => api.panel(id), retry })),
    combine: (all) => all.map((one) => one.data),
  });
}

const cartoonQuery = (id: string | null) => ({
  queryKey: ['cartoon', id],
  queryFn: () => api.cartoon(id as string),
  enabled: id !== null,
  staleTime: Infinity,
  retry,
});
/** The drawing of one panel; while a changed one is fetched, the one before it stays on the screen. */
export const useCartoon = (id: string | null, panelId: string | undefined) =>
  useQuery({
    ...cartoonQuery(id),
    queryKey: ['cartoon', id, panelId],
    placeholderData: (before: CartoonAnswer | undefined, query) =>
      query?.queryKey[2] === panelId && id !== null ? before : undefined,
  });
export function useCartoons(ids: readonly (string | null)[]): (CartoonAnswer | undefined)[] {
  return useQueries({ queries: ids.map(cartoonQuery), combine: (all) => all.map((one) => one.data) });
}

/** The studio's rows as the core reads them, so that the same rules run here for previews. */
export function useReader(studio: StudioAnswer | undefined, panelId?: string, panel?: PanelAnswer): Studio {
  return useMemo(() => {
    const reader = new Studio();
    if (!studio) return reader;
    if (studio.settings) reader.load('settings', 'studio', studio.settings);
    for (const table of ['people', 'glasses', 'stock', 'commissions', 'panels', 'hours', 'mishaps'] as const) {
      for (const row of studio[table]) reader.load(table, row.id, row as never);
    }
    if (panelId && panel) for (const piece of panel.pieces) reader.load('pieces', piece.id, piece);
    reader.seq = Math.max(studio.seq, panel?.seq ?? 0);
    return reader;
  }, [studio, panelId, panel]);
}

export function useSettings(): Settings {
  const { data } = useStudio();
  return useMemo(() => {
    const reader = new Studio();
    if (data?.settings) reader.load('settings', 'studio', data.settings);
    return settingsOf(reader);
  }, [data?.settings]);
}

/** Listens for what other screens do and fetches what changed. */
export function useLive(): void {
  const client = useQueryClient();
  useEffect(() => {
    const source = new EventSource('/api/live');
    source.onmessage = (event: MessageEvent<string>) => {
      const message = JSON.parse(event.data) as LiveMessage;
      const behind = message.seq > usePosition.getState().seq;
      usePosition.getState().reached(message.seq);
      const known = client.getQueryData<StudioAnswer>(['studio'])?.seq ?? 0;
      if (!behind && known >= message.seq) return;
      void client.invalidateQueries({ queryKey: ['studio'] });
      if (message.panels.length === 0) void client.invalidateQueries({ queryKey: ['panel'] });
      for (const id of message.panels) void client.invalidateQueries({ queryKey: ['panel', id] });
      void client.invalidateQueries({ queryKey: ['ledger'] });
    };
    return () => source.close();
  }, [client]);
}
