import type { AwayAnswer, HangsAnswer } from '#contract';
import { happeningWords, type Happening, type PutAwayTable } from '#core/bench';
import type { Desk } from '../desk.ts';
import { labourOf } from './labour.ts';

/** So long what was deleted is shown under Setup. */
const SHOWN_MS = 30 * 24 * 3600 * 1000;

/** What was deleted lately, and glasses and people that are archived: all that Setup can bring back. */
export function awayAnswer(desk: Desk, now: number): AwayAnswer {
  const { state } = desk;
  const since = now - SHOWN_MS;
  const lately = "away = 'deleted' and away_at >= ? order by away_at desc";
  const jobs = state.where('commissions', lately, since);
  const panels = state.where('panels', lately, since).flatMap((panel) => {
    const job = state.get('commissions', panel.commissionId);
    // One that went with its job comes back with it.
    return job && job.away === null ? [{ panel, job }] : [];
  });
  const few = "away = 'archived' or (away = 'deleted' and away_at >= ?) order by away_at desc";
  const items: AwayAnswer['items'] = [
    ...jobs.map((job) => ({ ...gone(job), table: 'commissions' as const, name: job.title, more: job.client })),
    ...panels.map(({ panel, job }) => ({
      ...gone(panel),
      table: 'panels' as const,
      name: panel.name,
      more: job.title,
    })),
    ...state
      .where('glasses', few, since)
      .map((glass) => ({ ...gone(glass), table: 'glasses' as const, name: glass.code, more: glass.name })),
    ...state
      .where('supplies', few, since)
      .map((supply) => ({ ...gone(supply), table: 'supplies' as const, name: supply.name, more: supply.code })),
    ...state
      .where('people', few, since)
      .map((person) => ({ ...gone(person), table: 'people' as const, name: person.name, more: '' })),
  ];
  return {
    seq: desk.seq,
    items: items.sort((a, b) => b.at - a.at),
    sheets: desk.store.book
      .offTheRackSince(since)
      .filter(({ happening }) => isStillOff(desk, happening))
      .map((entry) => ({ entry: entry.seq, at: entry.at, words: happeningWords(entry.happening, state) })),
  };
}

function isStillOff({ state }: Desk, { kind, fact }: Happening): boolean {
  if (kind === 'withdraw-stock') return state.get('stock', fact.stockId) === undefined;
  return kind === 'write-off' && state.get('stock', fact.stockId)?.gone === 'written off';
}

const gone = ({ id, away, awayAt }: { id: string; away: 'archived' | 'deleted' | null; awayAt: number | null }) => ({
  id,
  as: away ?? 'deleted',
  at: awayAt ?? 0,
});

/** What hangs on something that is to be deleted; null where it is not there. */
export function hangsAnswer(desk: Desk, table: PutAwayTable, id: string, now: number): HangsAnswer | null {
  const { state, seq } = desk;
  if (!state.get(table, id)) return null;
  const panels =
    table === 'commissions'
      ? state.where('panels', "commission_id = ? and away is not 'deleted'", id)
      : table === 'panels'
        ? state.where('panels', 'id = ?', id)
        : [];
  const waiting =
    table === 'glasses'
      ? [
          "glass_id = ? and stage = 'to-cut' and drawn = 1",
          'back_glass_id = ? and back_from_stock is null and drawn = 1',
        ]
          .map((which) => state.fieldsWhere('pieces', ['id'], which, id).length)
          .reduce((sum, count) => sum + count, 0)
      : 0;
  const toCut = panels.reduce((sum, p) => sum + (p.counts.stages['to-cut'] ?? 0), 0);
  const pieces = panels.reduce((sum, p) => sum + p.pieceCount, 0);
  const { minutes } = labourOf(
    desk,
    panels.map((p) => p.id),
    now,
  );
  return { seq, panels: panels.length, pieces, cut: pieces - toCut, minutes, waiting };
}
