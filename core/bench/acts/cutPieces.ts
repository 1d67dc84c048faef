import { divide, offcutLabel, type Left, type StockItem } from '../../stock/index.ts';
import { refuse, type Act, type Circumstance, type Refusal } from '../act.ts';
import type { Draft } from '../studio.ts';
import { pieceId, type Piece, type Reader } from '../tables.ts';
import { pickPieces } from './pieceMoves.ts';

/** From which sheet or offcut some of the pieces are cut, and what is left of it then. */
export interface Source {
  readonly stockId: string;
  readonly numbers: readonly number[];
  readonly left: Left;
}

export interface CutPieces {
  readonly panelId: string;
  readonly sources: readonly Source[];
}

/** One sheet's part of a cut, with every mm² of it spoken for. */
export interface Taking {
  readonly stockId: string;
  readonly numbers: readonly number[];
  readonly piecesMm2: number;
  readonly wasteMm2: number;
  readonly staysMm2: number;
  /** New measures of what stays on the sheet, where they were told. */
  readonly stays: { readonly widthMm: number; readonly heightMm: number } | null;
  readonly offcuts: readonly {
    readonly label: string;
    readonly widthMm: number;
    readonly heightMm: number;
    readonly areaMm2: number;
  }[];
}

export interface PiecesCut {
  readonly panelId: string;
  readonly takings: readonly Taking[];
}

/** Marks pieces cut and takes their glass. A broken piece that is cut again goes the same way. */
export const cutPieces: Act<CutPieces, PiecesCut> = {
  undoable: true,
  decide: (state, command) => {
    const numbers = command.sources.flatMap((s) => s.numbers);
    const picked = pickPieces(state, command.panelId, numbers);
    if ('refusal' in picked) return picked;
    const inHand = picked.pieces.filter((p) => p.stage !== 'to-cut');
    if (inHand.length > 0) return refuse('already-in-hand', { numbers: inHand.map((p) => p.number) });
    if (new Set(numbers).size !== numbers.length) return refuse('nothing-to-do', { numbers });
    const takings: Taking[] = [];
    const labels = new Set<string>();
    for (const source of command.sources) {
      const taking = takeFrom(state, command.panelId, source, labels);
      if ('refusal' in taking) return taking;
      takings.push(taking);
    }
    if (new Set(takings.map((t) => t.stockId)).size !== takings.length) return refuse('nothing-to-do', { numbers });
    return { payload: { panelId: command.panelId, takings } };
  },
  apply: (draft, payload, now) => {
    for (const taking of payload.takings) {
      applyTaking(draft, payload.panelId, taking, now);
      for (const n of taking.numbers) {
        draft.patch('pieces', pieceId(payload.panelId, n), { stage: 'cut', broken: null, from: taking.stockId });
      }
    }
  },
};

/** Divides one source among its pieces, or says why that cannot be. `labels` gathers the new offcuts' names. */
export function takeFrom(
  state: Reader,
  panelId: string,
  source: Source,
  labels: Set<string>,
): Taking | { refusal: Refusal } {
  const item = state.get('stock', source.stockId);
  if (!item) return refuse('unknown-stock', { name: source.stockId });
  if (item.gone !== null) return refuse('stock-gone', { name: item.id });
  const pieces = source.numbers.map((n) => state.get('pieces', pieceId(panelId, n)) as Piece);
  const bare = pieces.filter((p) => p.glassId === null);
  if (bare.length > 0) return refuse('no-glass', { numbers: bare.map((p) => p.number) });
  const other = pieces.filter((p) => p.glassId !== item.glassId);
  if (other.length > 0) return refuse('wrong-glass', { numbers: other.map((p) => p.number), name: item.id });
  const division = divide(
    item,
    pieces.reduce((sum, p) => sum + p.areaMm2, 0),
    source.left,
  );
  if ('code' in division)
    return refuse(division.code, { name: item.id, haveMm2: division.haveMm2, wantMm2: division.wantMm2 });
  const told = source.left.kind === 'offcuts' ? source.left.offcuts : [];
  const offcuts: Taking['offcuts'][number][] = [];
  for (const [i, { widthMm, heightMm, label: wish }] of told.entries()) {
    const isTaken = (label: string) => state.get('stock', label) !== undefined || labels.has(label);
    if (wish !== undefined && isTaken(wish)) return refuse('label-taken', { name: wish });
    const label = wish ?? offcutLabel(item.id, isTaken);
    labels.add(label);
    offcuts.push({ label, widthMm, heightMm, areaMm2: division.offcutsMm2[i] as number });
  }
  const { left } = source;
  const stays =
    left.kind === 'stays' && left.widthMm !== undefined && left.heightMm !== undefined
      ? { widthMm: left.widthMm, heightMm: left.heightMm }
      : null;
  return {
    stockId: item.id,
    numbers: source.numbers,
    piecesMm2: division.piecesMm2,
    wasteMm2: division.wasteMm2,
    staysMm2: division.staysMm2,
    stays,
    offcuts,
  };
}

/** Enters one taking into the ledger: pieces, offcuts and waste leave the sheet, offcuts come onto the rack. */
export function applyTaking(draft: Draft, panelId: string, taking: Taking, now: Circumstance): void {
  const item = draft.get('stock', taking.stockId) as StockItem;
  let balance = item.areaMm2;
  const enter = (
    stockId: string,
    kind: 'pieces' | 'offcut' | 'waste',
    deltaMm2: number,
    after: number,
    note: string,
  ) => {
    if (deltaMm2 === 0) return;
    const id = `${now.seq}.${taking.stockId}.${kind}.${stockId}`;
    const numbers = kind === 'pieces' ? taking.numbers : [];
    draft.put('moves', { id, at: now.at, stockId, kind, deltaMm2, balanceMm2: after, panelId, numbers, note });
  };
  balance -= taking.piecesMm2;
  enter(item.id, 'pieces', -taking.piecesMm2, balance, '');
  // Where two offcuts leave one sheet, its own entry is one sum: entries of a sheet are told apart by kind.
  const off = taking.offcuts.reduce((sum, o) => sum + o.areaMm2, 0);
  balance -= off;
  enter(item.id, 'offcut', -off, balance, taking.offcuts.map((o) => o.label).join(', '));
  balance -= taking.wasteMm2;
  enter(item.id, 'waste', -taking.wasteMm2, balance, '');
  const share = item.areaMm2 > 0 ? item.costCents / item.areaMm2 : 0;
  for (const { label, widthMm, heightMm, areaMm2 } of taking.offcuts) {
    draft.put('stock', {
      id: label,
      glassId: item.glassId,
      kind: 'offcut',
      widthMm,
      heightMm,
      areaMm2,
      place: item.place,
      costCents: Math.round(share * areaMm2),
      parentId: item.id,
      gone: null,
    });
    enter(label, 'offcut', areaMm2, areaMm2, `from ${item.id}`);
  }
  draft.patch('stock', item.id, {
    areaMm2: balance,
    costCents: Math.round(share * balance),
    gone: balance === 0 ? 'used up' : null,
    ...(taking.stays ?? {}),
  });
}
