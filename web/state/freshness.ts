import type { QueryClient, QueryKey } from '@tanstack/react-query';
import { withTold, type PanelAnswer, type Told, type Touched } from '#contract';

type Keys = (parents: readonly string[]) => readonly QueryKey[];

const each =
  (name: string): Keys =>
  (parents) =>
    parents.map((id) => [name, id]);
const all =
  (...names: readonly string[]): Keys =>
  () =>
    names.map((name) => [name]);
const both =
  (...parts: readonly Keys[]): Keys =>
  (parents) =>
    parts.flatMap((part) => part(parents));

const undoAt =
  (place: string): Keys =>
  () => [['undo', place]];

const LISTS = all('today', 'jobs', 'commission');
/** What was archived or deleted is taken back in setting up. */
const SET_UP = both(all('away'), undoAt('setup'));

/** Which questions have another answer once rows of a table have changed, by whom the rows belong to. */
const ASKED_AGAIN: Readonly<Record<string, Keys>> = {
  settings: both(all('studio'), undoAt('setup')),
  people: both(all('studio'), SET_UP),
  glasses: both(all('studio', 'paper', 'in-work'), SET_UP),
  routes: all('studio'),
  routeSteps: all('studio'),
  commissions: both(LISTS, all('panel', 'studio'), SET_UP),
  panels: both(LISTS, all('beside', 'in-work'), each('paper'), each('panel'), each('history'), each('undo'), SET_UP),
  sections: both(each('panel'), each('undo')),
  steps: both(LISTS, all('in-work'), each('panel'), each('history'), each('undo')),
  joints: both(LISTS, all('in-work'), each('panel'), each('history'), each('undo')),
  pieces: both(LISTS, each('paper'), each('panel'), each('history'), each('undo'), all('piece', 'beside', 'in-work')),
  photos: both(all('rack', 'panel'), undoAt('rack')),
  notes: both(all('notes', 'piece'), each('history'), each('undo')),
  choices: both(each('panel'), each('history'), each('undo')),
  mishaps: both(each('panel-hours'), all('reckoning', 'commission')),
  hours: both(
    all('day'),
    each('panel-hours'),
    each('history'),
    each('undo'),
    all('studio', 'reckoning', 'commission', 'jobs'),
  ),
  stock: both(all('rack', 'today', 'away', 'paper'), undoAt('rack')),
  moves: both(all('rack'), each('ledger')),
  supplies: both(all('supplies', 'away', 'paper', 'today', 'in-work'), undoAt('rack'), undoAt('setup')),
  supplyMoves: both(all('supplies', 'plans', 'in-work'), undoAt('rack')),
  finishes: both(all('plans'), each('paper'), each('history'), each('undo')),
  trays: both(each('plans'), each('history'), each('undo')),
  waits: both(each('plans'), each('history'), each('undo'), all('waits')),
  repairs: both(each('plans'), each('history'), each('undo'), all('today')),
  leadMarks: both(each('plans'), each('paper'), each('history'), each('undo')),
  daySheets: all('day'),
};

/** The questions to ask again after a change. */
export function askedAgain(touched: Touched): QueryKey[] {
  const keys = new Map<string, QueryKey>();
  for (const [table, parents] of Object.entries(touched))
    for (const key of ASKED_AGAIN[table]?.(parents) ?? []) keys.set(JSON.stringify(key), key);
  return [...keys.values()];
}

/**
 * Fetches what a change touched. The first answer to a question may have been on its way when the change came: the new
 * asking then waits for that very answer, which does not know of the change, so it is asked once more.
 */
async function fetchedSince(client: QueryClient, queryKey: QueryKey, seq: number): Promise<void> {
  await client.invalidateQueries({ queryKey });
  const isOld = client
    .getQueriesData<{ readonly seq?: number }>({ queryKey })
    .some(([, data]) => (data?.seq ?? seq) < seq);
  if (isOld) await client.invalidateQueries({ queryKey });
}

/**
 * What is left to ask of a question once rows were told: nothing of their panel, and the history of no other piece;
 * notes are not told.
 */
function notTold(key: QueryKey, touched: Touched, { panelId, rows }: Told): readonly QueryKey[] {
  const [name, id] = key;
  if (name === 'panel' && id === panelId) return [];
  if (name === 'piece' && touched.notes === undefined) return rows.pieces?.map((piece) => [name, piece.id]) ?? [];
  return [key];
}

/** So many of the last changes are remembered, so that one heard of twice is fetched once. */
const REMEMBERED = 500;

/** What this screen has heard of, and from which database. */
export class Heard {
  /** By log position: the fetching that it began. */
  #seen = new Map<number, Promise<unknown>>();
  #database: string | null = null;
  /** The last log position heard of. */
  last = 0;

  /**
   * Takes in what a change told and fetches what else it touched, once, whether it is heard from the server's stream or
   * as the answer to a command.
   */
  change(client: QueryClient, seq: number, touched: Touched, told?: Told): Promise<unknown> {
    this.last = Math.max(this.last, seq);
    const known = this.#seen.get(seq);
    if (known) return known;
    const keys = askedAgain(touched);
    const isWhole = keys.every(([name, id]) => name !== 'panel' || id !== undefined);
    const taken = told !== undefined && isWhole && this.#takeIn(client, seq, told);
    const wanted = taken ? keys.flatMap((key) => notTold(key, touched, told)) : keys;
    const fetching = Promise.all(wanted.map((queryKey) => fetchedSince(client, queryKey, seq)));
    this.#seen.set(seq, fetching);
    if (this.#seen.size > REMEMBERED) this.#seen = new Map([...this.#seen].slice(REMEMBERED / 2));
    return fetching;
  }

  /** Puts rows into the answer that a screen has, where nothing between that answer and them was missed. */
  #takeIn(client: QueryClient, seq: number, told: Told): boolean {
    const key = ['panel', told.panelId];
    const state = client.getQueryState<PanelAnswer>(key);
    if (!state?.data || state.isInvalidated || state.fetchStatus !== 'idle') return false;
    for (let between = state.data.seq + 1; between < seq; between++) if (!this.#seen.has(between)) return false;
    if (state.data.seq < seq) client.setQueryData(key, withTold(state.data, told, seq));
    return true;
  }

  /** The stream begins, or begins again: whatever was missed is fetched. */
  begin(client: QueryClient, seq: number, database: string): void {
    const isOther = this.#database !== null && this.#database !== database;
    const hasMissed = seq > this.last && this.last > 0;
    const isFirst = this.last === 0;
    this.#database = database;
    if (isOther) this.#seen = new Map();
    this.last = isOther ? seq : Math.max(this.last, seq);
    if (isOther || hasMissed) void client.invalidateQueries();
    // What was shown so far may be from before the page was loaded, kept by the browser while there was no network.
    else if (isFirst) void client.invalidateQueries({ predicate: ({ state }) => isOlder(state.data, seq) });
  }
}

const isOlder = (data: unknown, seq: number): boolean =>
  typeof data === 'object' && data !== null && 'seq' in data && data.seq !== seq;

export const heard = new Heard();
