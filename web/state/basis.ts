import type { QueryClient, QueryKey } from '@tanstack/react-query';
import type { Command } from '#core/bench';
import { heard } from './freshness.ts';

/** What is decided by what stands on the rack. */
const OF_THE_RACK: ReadonlySet<Command['kind']> = new Set([
  'lay-out',
  'cut',
  'cut-back',
  'break',
  'move-stock',
  'move-many',
  'keep-for',
  'photo-sheet',
  'split-stock',
  'join-stock',
  'write-off',
  'correct-stock',
  'shape-stock',
  'count-stock',
  'withdraw-stock',
]);

/** The questions whose answers somebody looked at to give a command. */
function lookedAt({ kind, ask }: Pick<Command, 'kind' | 'ask'>): QueryKey[] {
  const panelId = 'panelId' in ask ? ask.panelId : kind === 'save-panel' && 'id' in ask ? ask.id : null;
  const keys: QueryKey[] = typeof panelId === 'string' ? [['panel', panelId]] : [];
  if (OF_THE_RACK.has(kind)) keys.push(['rack']);
  return keys.length > 0 ? keys : [['studio']];
}

/**
 * The log position that a command was decided on: up to here the screen knows everything that its answers would tell. An
 * answer that is being asked for again is as old as it says; any other one holds up to the last change heard of.
 */
export function basisOf(client: QueryClient, command: Pick<Command, 'kind' | 'ask'>): number {
  return knownUpTo(client, lookedAt(command));
}

export function knownUpTo(client: QueryClient, keys: readonly QueryKey[]): number {
  if (heard.last === 0) return seenUpTo(client, keys);
  let basis = heard.last;
  for (const key of keys) {
    const state = client.getQueryState<{ readonly seq: number }>(key);
    if (!state?.data) continue;
    const isOld = state.isInvalidated || state.fetchStatus === 'fetching';
    if (isOld) basis = Math.min(basis, state.data.seq);
    else if (keys.length === 1) basis = Math.max(basis, state.data.seq);
  }
  return basis;
}

/** Before anything is heard, as in a page that was opened without a network: what the answers themselves say. */
function seenUpTo(client: QueryClient, keys: readonly QueryKey[]): number {
  const seen = keys.flatMap((key) => client.getQueryState<{ readonly seq: number }>(key)?.data?.seq ?? []);
  return seen.length === 0 ? 0 : Math.min(...seen);
}
