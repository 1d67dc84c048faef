import {
  queryOptions,
  skipToken,
  keepPreviousData,
  useInfiniteQuery,
  useQueries,
  useQuery,
  useQueryClient,
  type QueryClient,
  type QueryKey,
  type UseQueryResult,
} from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import type {
  CartoonAnswer,
  CommissionAnswer,
  JobsAnswer,
  PanelAnswer,
  RackAnswer,
  StudioAnswer,
  TodayAnswer,
  UndoAnswer,
} from '#contract';
import type { Sketch } from '#core/cartoon';
import {
  DEFAULT_SETTINGS,
  RETIRED_ROUTES,
  Studio,
  type NoteAbout,
  type PutAwayTable,
  type Settings,
  type TableName,
  type Tables,
  type UndoPlace,
} from '#core/bench';
import { api, ApiError } from './api.ts';
import { useBench } from './bench.ts';
import { heard } from './freshness.ts';
import { useInStep } from './inStep.ts';
import { listen } from './live.ts';
import { atRest } from './offline.ts';
import { outbox } from './outboxHere.ts';

export type { PanelRow, PieceRow, StockRow } from '#core/bench';

const retry = (count: number, error: Error) => !(error instanceof ApiError && error.code !== 'no-answer') && count < 5;
/** Answers hold until a change is heard of; so long they are not asked for again without one. */
const HOLDS_MS = 60_000;
const asked = { retry, staleTime: HOLDS_MS, placeholderData: keepPreviousData } as const;

export const useStudio = () => useQuery({ queryKey: ['studio'], queryFn: api.studio, ...asked });
export const useToday = () => useQuery({ queryKey: ['today'], queryFn: api.today, ...asked });
/** Copies of the studio; they are made by themselves too, so each look asks anew. */
export const useCopies = () => useQuery({ queryKey: ['copies'], queryFn: api.copies, retry });
/** How it is opened to other devices, and who has come in. */
export const useOpening = () => useQuery({ queryKey: ['opening'], queryFn: api.opening, retry });
const rackAsked = { queryKey: ['rack'], queryFn: api.rack, ...asked } as const;
export const useRack = () => useQuery(rackAsked);

/** Labels that are free after one, over all glass that the studio ever had. */
export const labelsAsked = (first: string, many: number) =>
  ({
    queryKey: ['labels', first, many],
    queryFn: () => api.labels(first, many),
    enabled: first !== '',
    networkMode: 'always',
    retry: false,
  }) as const;

/** The photo of a sheet that stands on the rack, or that its offcuts came from. */
export function useSheetPhoto(rootId: string | undefined): Tables['photos'] | undefined {
  const { data } = useQuery({
    queryKey: ['rack'],
    queryFn: api.rack,
    ...asked,
    enabled: rootId !== undefined,
    select: ({ photos }) => photos.find((photo) => photo.id === rootId),
  });
  return data;
}

/** Jobs in hand, and delivered ones page by page. */
export const useJobs = () =>
  useInfiniteQuery({
    queryKey: ['jobs', 'all'],
    queryFn: ({ pageParam }) => api.jobs(pageParam),
    initialPageParam: null as string | null,
    getNextPageParam: (last) => last.next,
    retry,
    staleTime: HOLDS_MS,
  });

/** Archived jobs page by page, once they are wanted. */
export const useArchivedJobs = (isWanted: boolean) =>
  useInfiniteQuery({
    queryKey: ['jobs', 'archived'],
    queryFn: isWanted ? ({ pageParam }: { pageParam: string | null }) => api.archivedJobs(pageParam) : skipToken,
    initialPageParam: null as string | null,
    getNextPageParam: (last: JobsAnswer) => last.next,
    retry,
    staleTime: HOLDS_MS,
  });

/** What Setup can bring back. */
export const useAway = () => useQuery({ queryKey: ['away'], queryFn: api.away, ...asked });
/** What hangs on something that may be deleted; asked anew each time. */
export const useHangs = (table: PutAwayTable, id: string | null) =>
  useQuery({ queryKey: ['hangs', table, id], queryFn: id === null ? skipToken : () => api.hangs(table, id), retry });

export const useCommission = (id: string | undefined) =>
  useQuery({
    queryKey: ['commission', id],
    queryFn: id === undefined ? skipToken : () => api.commission(id),
    retry,
    staleTime: HOLDS_MS,
  });
export const panelAsked = (id: string | undefined) =>
  ({
    queryKey: ['panel', id],
    queryFn: id === undefined ? skipToken : () => api.panel(id),
    retry,
    staleTime: HOLDS_MS,
  }) as const;
export const usePanel = (id: string | undefined) => useQuery(panelAsked(id));
/** Several panels, once they are wanted; those that are there. */
export const usePanels = (ids: readonly string[]): PanelAnswer[] =>
  useQueries({
    queries: ids.map((id) => ({ queryKey: ['panel', id], queryFn: () => api.panel(id), retry, staleTime: HOLDS_MS })),
    combine: (all) => all.flatMap((one) => one.data ?? []),
  });
export const usePanelHistory = (id: string) =>
  useQuery({ queryKey: ['history', id], queryFn: () => api.panelHistory(id), retry, staleTime: HOLDS_MS });
/** What undo and redo would do next at a place, for whoever works here. */
export const useUndoWords = (place: UndoPlace): UndoAnswer | undefined => useQuery(undoAsked(place, useBench())).data;
const undoAsked = (place: UndoPlace, { personId, benchId }: ReturnType<typeof useBench.getState>) =>
  queryOptions({
    queryKey: ['undo', typeof place === 'object' ? place.panelId : place, personId ?? benchId],
    queryFn: () => api.undo(place, personId, benchId),
    retry,
    staleTime: HOLDS_MS,
  });
/** What is waited for. Asked for everywhere, so it is an answer of its own, which no mark on a piece changes. */
export const useWaits = () => useQuery({ queryKey: ['waits'], queryFn: api.waits, ...asked });
/** What the studio uses up beside glass. */
export const useSupplies = (isWanted = true) =>
  useQuery({ queryKey: ['supplies'], queryFn: isWanted ? api.supplies : skipToken, ...asked });
/** What went into the work on panels in hand and is not booked yet. Each mark changes it, so it is an answer of its own. */
export const useInWork = () => useQuery({ queryKey: ['in-work'], queryFn: api.inWork, ...asked });
/** What is decided on a panel beside its pieces. */
export const usePlans = (panelId: string) => useQuery(plansAsked(panelId));
const plansAsked = (panelId: string) =>
  queryOptions({ queryKey: ['plans', panelId], queryFn: () => api.plans(panelId), retry, staleTime: HOLDS_MS });
/**
 * The hours of some days, and which of them are signed. Those of other days are never shown meanwhile: they would be signed
 * for these.
 */
export const useDays = (from: number, to: number, days: readonly [string, string]) =>
  useQuery({ queryKey: ['day', from, to], queryFn: () => api.day(from, to, days), retry, staleTime: HOLDS_MS });
/** Notes and photos of one thing, the latest first. */
export const useNotes = (about: NoteAbout, id: string) =>
  useQuery({ queryKey: ['notes', about, id], queryFn: () => api.notes(about, id), retry, staleTime: HOLDS_MS });
/** Panels that may be laid out together with one, and those that are. */
export const useBeside = (id: string) =>
  useQuery({ queryKey: ['beside', id], queryFn: () => api.beside(id), retry, staleTime: HOLDS_MS });
export const usePanelHours = (id: string) =>
  useQuery({ queryKey: ['panel-hours', id], queryFn: () => api.panelHours(id), retry, staleTime: HOLDS_MS });
/** What happened to a piece, and how many notes are about it: one asking for each piece that is looked at. */
export const usePieceStory = (rowId: string) =>
  useQuery({ queryKey: ['piece', rowId], queryFn: () => api.piece(rowId), retry, staleTime: HOLDS_MS });
export const useLedger = (stockId: string) =>
  useQuery({ queryKey: ['ledger', stockId], queryFn: () => api.ledger(stockId), retry, staleTime: HOLDS_MS });
export const useReckoning = (from: number, to: number) =>
  useQuery({ queryKey: ['reckoning', from, to], queryFn: () => api.reckoning(from, to), ...asked });

const ofCartoon = (id: string | null, panelId: string | undefined, limits: Settings['limits']) =>
  queryOptions({
    // What is hard about a piece follows from the studio's own limits.
    queryKey: ['cartoon', id, panelId, limits],
    queryFn: id === null ? skipToken : () => api.cartoon(id),
    staleTime: Infinity,
    retry,
  });
/** The drawings of several panels, in their order; undefined as long as one is being fetched. */
export const useCartoons = (
  panels: readonly { readonly id: string; readonly cartoonId: string | null }[],
  limits: Settings['limits'],
): (CartoonAnswer | undefined)[] =>
  useQueries({
    queries: panels.map(({ id, cartoonId }) => ofCartoon(cartoonId, id, limits)),
    combine: (all) => all.map(({ data }) => data),
  });
/** The drawing of one panel; while a changed one is fetched, the one before it stays on the screen. */
export const useCartoon = (
  id: string | null,
  panelId: string | undefined,
  limits: Settings['limits'],
): UseQueryResult<CartoonAnswer> =>
  useQuery({
    ...ofCartoon(id, panelId, limits),
    placeholderData: (before: CartoonAnswer | undefined, query) =>
      query?.queryKey[2] === panelId && id !== null ? before : undefined,
  });

/** The drawing of a panel as a list tells it that was seen before; null where none was. */
export function knownDrawing(client: QueryClient, panelId: string | undefined): string | null {
  const today = client.getQueryData<TodayAnswer>(['today'])?.jobs ?? [];
  const jobs = client.getQueryData<{ pages: readonly JobsAnswer[] }>(['jobs', 'all'])?.pages ?? [];
  const opened = client.getQueriesData<CommissionAnswer>({ queryKey: ['commission'] });
  for (const { panels } of [
    ...today,
    ...jobs.flatMap((page) => [...page.inHand, ...page.past]),
    ...opened.flatMap(([, answer]) => answer ?? []),
  ]) {
    const found = panels.find(({ panel }) => panel.id === panelId);
    if (found) return found.panel.cartoonId;
  }
  return null;
}

/** So many panels are fetched before anybody has come near them. */
const MOST_AHEAD = 12;

/**
 * Fetches panels that are shown in small, the first ones, with all that their pictures are made from, each while there is
 * nothing else to do.
 * They are kept up to date by what is told of them, as those that are open.
 */
export function usePanelsAtRest(panels: readonly { readonly id: string; readonly cartoonId: string | null }[]): void {
  const client = useQueryClient();
  const { limits } = useSettings();
  const drawn = panels.flatMap(({ id, cartoonId }) => (cartoonId === null ? [] : { id, cartoonId }));
  const wanted = JSON.stringify(drawn.slice(0, MOST_AHEAD));
  useEffect(() => {
    let takeBack = () => {};
    let isOver = false;
    const fetch = async ({ id, cartoonId }: (typeof drawn)[number]) => {
      await client.prefetchQuery(ofCartoon(cartoonId, id, limits));
      await client.prefetchQuery({ ...panelAsked(id), staleTime: Infinity });
      await client.prefetchQuery({ ...rackAsked, staleTime: Infinity });
    };
    const next = ([one, ...others]: typeof drawn) => {
      if (one && !isOver) takeBack = atRest(() => void fetch(one).then(() => next(others)));
    };
    next(JSON.parse(wanted) as typeof drawn);
    return () => {
      isOver = true;
      takeBack();
    };
  }, [client, limits, wanted]);
}

/**
 * Asks for all that is seen of a panel which is about to be opened; its drawing where a list has told which one it is.
 * The answer comes once there is something of all that its picture is made from.
 */
export async function askAhead(client: QueryClient, panelId: string): Promise<void> {
  const { limits } = client.getQueryData<StudioAnswer>(['studio'])?.settings ?? DEFAULT_SETTINGS;
  const drawing = knownDrawing(client, panelId);
  const panel = panelAsked(panelId);
  const cartoon = ofCartoon(drawing, panelId, limits);
  const here = (key: QueryKey, asked: Promise<void>) => client.getQueryData(key) === undefined && asked;
  const picture = Promise.all([
    here(panel.queryKey, client.prefetchQuery(panel)),
    drawing !== null && here(cartoon.queryKey, client.prefetchQuery(cartoon)),
    here(rackAsked.queryKey, client.prefetchQuery(rackAsked)),
  ]);
  void client.prefetchQuery(plansAsked(panelId));
  void client.prefetchQuery(undoAsked({ panelId }, useBench.getState()));
  await picture;
}

/** Drawings as small pictures need them. */
export const useSketches = (ids: readonly (string | null)[]): (Sketch | undefined)[] =>
  useQueries({
    queries: ids.map((id) => ({
      queryKey: ['sketch', id],
      queryFn: id === null ? skipToken : () => api.sketch(id),
      staleTime: Infinity,
      retry,
    })),
    combine: (all) => all.map((one) => one.data),
  });

/** The rows that a screen knows, as the core reads them, so that the same rules run here for previews. */
export function useReader(studio: StudioAnswer | undefined, rack?: RackAnswer, panel?: PanelAnswer): Studio {
  return useMemo(() => {
    const reader = new Studio();
    if (studio) loadStudio(reader, studio);
    if (rack) load(reader, 'stock', rack.stock);
    if (panel) loadPanel(reader, panel);
    reader.seq = Math.max(studio?.seq ?? 0, rack?.seq ?? 0, panel?.seq ?? 0);
    return reader;
  }, [studio, rack, panel]);
}

function load<T extends TableName>(reader: Studio, table: T, rows: readonly { readonly id: string }[]): void {
  // Answers are checked against the rows' own types in the contract.
  for (const row of rows) reader.load(table, row.id, row as Tables[T]);
}

function loadStudio(reader: Studio, { settings, people, glasses, routes, routeSteps, clocks }: StudioAnswer): void {
  if (settings) load(reader, 'settings', [settings]);
  load(reader, 'people', people);
  load(reader, 'glasses', glasses);
  load(reader, 'routes', routes);
  load(reader, 'routeSteps', routeSteps);
  load(reader, 'hours', clocks);
}

function loadPanel(reader: Studio, { panel, commission, sections, steps, joints, pieces }: PanelAnswer): void {
  load(reader, 'commissions', [commission]);
  load(reader, 'panels', [panel]);
  load(reader, 'sections', sections);
  load(reader, 'steps', steps);
  load(reader, 'joints', joints);
  load(reader, 'pieces', pieces);
}

/** The newest version of each route, by name. */
export function newestRoutes({ routes }: Pick<StudioAnswer, 'routes'>): StudioAnswer['routes'] {
  const newest = new Map<string, StudioAnswer['routes'][number]>();
  for (const route of routes) if (route.version > (newest.get(route.key)?.version ?? 0)) newest.set(route.key, route);
  return [...newest.values()].filter(({ id }) => !RETIRED_ROUTES.has(id)).sort((a, b) => a.name.localeCompare(b.name));
}

export function useSettings(): Settings {
  const { data } = useStudio();
  return data?.settings ?? DEFAULT_SETTINGS;
}

/** Listens for what other screens do and fetches what changed. */
export function useLive(): void {
  const client = useQueryClient();
  useEffect(
    () =>
      listen((news) => {
        if (news.kind === 'lost') return useInStep.getState().lost();
        useInStep.getState().back();
        const { seq, databaseId, touched, told } = news.message;
        if (news.kind === 'change') return void heard.change(client, seq, touched, told);
        heard.begin(client, seq, databaseId);
        outbox.again();
      }),
    [client],
  );
}
