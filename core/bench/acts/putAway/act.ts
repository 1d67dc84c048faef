import { NO_WORDS, refuse, type Act } from '../../act.ts';
import type { Refusal } from '../../refusals.ts';
import type { Away, Reader } from '../../tables.ts';
import { lift, lyingOf } from '../laid.ts';

/** What can be put away. A sheet is written off or taken out instead: it is glass, and the ledger tells of it. */
export const PUT_AWAY = ['commissions', 'panels', 'glasses', 'supplies', 'people'] as const;
export type PutAwayTable = (typeof PUT_AWAY)[number];

export interface PutAway {
  readonly table: PutAwayTable;
  readonly id: string;
  /** Null brings it back. */
  readonly as: Away | null;
}

export interface WasPutAway extends PutAway {
  readonly name: string;
  /** The panels that go with their job, or come back with it. */
  readonly panelIds: readonly string[];
}

/**
 * Archives or deletes a job, a panel, a glass or a person, or brings it back. Nothing is lost by it: what was cut from
 * sheets stays cut, hours stay in the book, and names stay beside what was done.
 */
export const putAway: Act<PutAway, WasPutAway> = {
  version: 1,
  formerly: [],
  undoIn: 'setup',
  reads: { commissions: ['away'], panels: ['away'], glasses: ['away'], supplies: ['away'], people: ['away'] },
  decide: (state, ask) => {
    const row = state.get(ask.table, ask.id);
    if (!row) return refuse(UNKNOWN[ask.table]);
    if (row.away === ask.as) return refuse('nothing-changes');
    const name = nameOf(state, ask);
    const refusal = ask.as === null ? cannotComeBack(state, ask) : stillNeeded(state, ask, name);
    return refusal ?? { fact: { ...ask, name, panelIds: panelsGoing(state, ask) } };
  },
  apply: (draft, { table, id, as, panelIds }, { at }) => {
    const away = { away: as, awayAt: as === null ? null : at };
    draft.patch(table, id, away);
    for (const panelId of panelIds) draft.patch('panels', panelId, away);
    if (as === null) return;
    // Sheets are not kept for what is not worked on.
    for (const panelId of table === 'panels' ? [id] : panelIds) {
      lift(draft, [...draft.ask('piecesOfPanel', panelId)].flatMap(lyingOf));
    }
  },
  panelOf: () => null,
  told: ({ table, name, as }) => `${CALLED[table]} “${name}” ${as ?? 'brought back'}`,
  effect: NO_WORDS,
  upcasts: {},
};

const UNKNOWN = {
  commissions: 'unknown-commission',
  panels: 'unknown-panel',
  glasses: 'unknown-glass',
  supplies: 'unknown-supply',
  people: 'unknown-person',
} as const;

const CALLED: Readonly<Record<PutAwayTable, string>> = {
  commissions: 'job',
  panels: 'panel',
  glasses: 'glass',
  supplies: 'supply',
  people: 'person',
};

function nameOf(state: Reader, { table, id }: PutAway): string {
  if (table === 'commissions') return state.get(table, id)?.title ?? id;
  if (table === 'glasses') return state.get(table, id)?.code ?? id;
  return state.get(table, id)?.name ?? id;
}

/** A job takes its panels along, and brings back those that went with it. */
function panelsGoing(state: Reader, { table, id }: PutAway): string[] {
  if (table !== 'commissions') return [];
  const job = state.get('commissions', id);
  return [...state.ask('panelsOfCommission', id)]
    .filter((p) => p.away === (job?.away ?? null) && p.awayAt === (job?.awayAt ?? null))
    .map((p) => p.id)
    .sort();
}

/** A panel does not come back into a job that is away. */
function cannotComeBack(state: Reader, { table, id }: PutAway): { refusal: Refusal } | null {
  const panel = table === 'panels' ? state.get('panels', id) : undefined;
  const job = panel && state.get('commissions', panel.commissionId);
  return job && job.away !== null ? refuse(job.away, { name: job.title }) : null;
}

/** A clock that runs, or glass on the rack, is settled first. */
function stillNeeded(state: Reader, { table, id, as }: PutAway, name: string): { refusal: Refusal } | null {
  const panels =
    table === 'panels'
      ? [id]
      : table === 'commissions'
        ? [...state.ask('panelsOfCommission', id)].map((p) => p.id)
        : [];
  const isClocked =
    panels.some((panelId) => [...state.ask('runningClocksOn', panelId)].length > 0) ||
    (table === 'people' && [...state.ask('runningClocksOf', id)].length > 0);
  if (isClocked) return refuse('clock-runs', { name });
  if (table !== 'glasses' || as !== 'deleted') return null;
  const sheets = [...state.ask('stockOfGlass', id)].map((s) => s.id).sort();
  return sheets.length === 0 ? null : refuse('glass-on-rack', { name, more: sheets.join(', ') });
}
