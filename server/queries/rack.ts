import type { LabelsAnswer, LedgerAnswer, RackAnswer } from '#contract';
import { glassLabel, isLabelTaken, routeOf } from '#core/bench';
import { labelsFrom } from '#core/stock';
import type { Desk } from '../desk.ts';
import { glassNeeds } from './glassNeed.ts';
import { photosOf } from './photos.ts';

const MOVES_A_PAGE = 100;
const LATEST = 8;

/** What stands on the rack, and the sums of the ledger by kind. */
export function rackAnswer(desk: Desk): RackAnswer {
  const totals = desk.store.sqlite
    .prepare<[], { kind: string; mm2: number }>('select kind, sum_mm2 as mm2 from ledger_totals')
    .all();
  const stock = desk.state.where('stock', 'gone is null order by rowid');
  return {
    seq: desk.seq,
    stock,
    photos: photosOf(
      desk,
      stock.map((item) => item.rootId),
    ),
    laid: laidOut(desk),
    ...needed(desk),
    totals: Object.fromEntries(totals.map(({ kind, mm2 }) => [kind, mm2])),
  } as RackAnswer;
}

/** Labels that are free after one: glass that is used up keeps its own, for the ledger speaks of it. */
export function labelsAnswer({ state }: Desk, first: string, howMany: number): LabelsAnswer {
  const isTaken = (label: string) => isLabelTaken(state, label);
  return { first, isTaken: isTaken(first), next: labelsFrom(first, howMany + 1, isTaken).slice(1) };
}

/** What is laid out and not cut yet, by the labels of the glass. */
function laidOut({ state }: Desk): RackAnswer['laid'] {
  const own = state.fieldsWhere(
    'pieces',
    ['number', 'panelId', 'asks', 'spot'],
    "spot ->> '$.stockId' is not null and stage = 'to-cut' and drawn = 1 order by number",
  );
  const behind = state.fieldsWhere(
    'pieces',
    ['number', 'panelId', 'asks', 'backSpot'],
    'back_spot is not null and back_from_stock is null and drawn = 1 order by number',
  );
  const waiting = [
    ...own.map(({ spot, ...piece }) => ({ spot, piece })),
    ...behind.map(({ backSpot, ...piece }) => ({ spot: backSpot, piece, of: 'back' as const })),
  ];
  const panels = new Map(
    [...new Set(waiting.map(({ piece }) => piece.panelId))].flatMap((id) => {
      const panel = state.get('panels', id);
      return panel ? [[id, { name: panel.name, route: routeOf(state, panel) }] as const] : [];
    }),
  );
  const laid = new Map<string, RackAnswer['laid'][number]>();
  for (const { spot, ...one } of waiting) {
    const { panelId } = one.piece;
    const panel = panels.get(panelId);
    if (spot === null || !panel) continue;
    const { stockId } = spot;
    const key = `${stockId}|${panelId}`;
    const names = [...(laid.get(key)?.names ?? []), glassLabel(panel.route, one)];
    laid.set(key, { stockId, panelId, panelName: panel.name, names });
  }
  return [...laid.values()];
}

/** What is still to be cut for panels in hand, and how the glass for it is sold. */
function needed(desk: Desk): Pick<RackAnswer, 'needs' | 'soldAs'> {
  const needs = glassNeeds(desk);
  const latest = desk.store.sqlite.prepare<[string], RackAnswer['soldAs'][number]>(
    // A sheet that was cut from is smaller than it came: of the latest few the largest tells.
    `select glass_id as glassId, width_mm as widthMm, height_mm as heightMm from
       (select * from stock where glass_id = ? and kind = 'sheet' order by rowid desc limit ${LATEST})
     order by width_mm * height_mm desc limit 1`,
  );
  const glasses = desk.store.sqlite.prepare<[], { id: string }>('select id from glasses where away is null').all();
  return { needs, soldAs: glasses.flatMap(({ id }) => latest.get(id) ?? []) };
}

/** A page of the ledger of one sheet or offcut, the latest first. */
export function ledgerAnswer(desk: Desk, stockId: string, before: number | null): LedgerAnswer {
  const moves = desk.state.where(
    'moves',
    'stock_id = ? and seq < ? order by seq desc, rowid desc limit ?',
    stockId,
    before ?? Number.MAX_SAFE_INTEGER,
    MOVES_A_PAGE,
  );
  // What one act has entered is not torn apart: it begins the next page.
  const last = moves.length === MOVES_A_PAGE ? (moves.at(-1)?.seq ?? null) : null;
  const page = last === null ? moves : moves.filter((m) => m.seq > last);
  return { seq: desk.seq, moves: page as LedgerAnswer['moves'], next: last === null ? null : last + 1 };
}
