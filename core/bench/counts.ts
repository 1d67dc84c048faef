import type { StepCode } from './routes/definition.ts';
import type { Draft } from './studio.ts';
import type { PanelCounts, Piece, Reader, Tables } from './tables.ts';

export const NO_COUNTS: PanelCounts = { stages: {}, broken: 0 };

/** Brings what lists show up to what a draft has changed: counts of pieces, and whether a commission is in hand. */
export function keepCounts(draft: Draft): void {
  countPieces(draft);
  settleCommissions(draft);
}

function settleCommissions(draft: Draft): void {
  const touched = new Set<string>();
  for (const { before, after } of draft.changesOf('panels'))
    if (
      before?.deliveredAt !== after?.deliveredAt ||
      before?.commissionId !== after?.commissionId ||
      before?.away !== after?.away
    )
      for (const id of [before?.commissionId, after?.commissionId]) if (id !== undefined) touched.add(id);
  for (const id of touched) {
    const commission = draft.get('commissions', id);
    const inHand = isInHandStill(draft.ask('panelsOfCommission', id));
    if (commission && commission.inHand !== inHand) draft.patch('commissions', id, { inHand });
  }
}

/** A job without a panel has just begun; what is archived or deleted does not count. */
function isInHandStill(panels: Iterable<Tables['panels']>): boolean {
  const all = [...panels].filter((p) => p.away === null);
  return all.length === 0 || all.some((p) => p.deliveredAt === null);
}

function countPieces(draft: Draft): void {
  const shifts = new Map<string, { stages: Map<StepCode, number>; broken: number }>();
  const enter = (piece: Piece | null, by: 1 | -1) => {
    if (piece === null || !piece.drawn) return;
    let shift = shifts.get(piece.panelId);
    if (!shift) shifts.set(piece.panelId, (shift = { stages: new Map(), broken: 0 }));
    shift.stages.set(piece.stage, (shift.stages.get(piece.stage) ?? 0) + by);
    if (piece.broken !== null) shift.broken += by;
  };
  for (const { before, after } of draft.changesOf('pieces')) {
    enter(before, -1);
    enter(after, 1);
  }
  for (const [panelId, { stages, broken }] of shifts) {
    const panel = draft.get('panels', panelId);
    if (!panel || (broken === 0 && [...stages.values()].every((n) => n === 0))) continue;
    const next = { ...panel.counts.stages };
    for (const [stage, by] of stages) {
      const n = (next[stage] ?? 0) + by;
      if (n === 0) delete next[stage];
      else next[stage] = n;
    }
    draft.patch('panels', panelId, { counts: { stages: next, broken: panel.counts.broken + broken } });
  }
}

/** The same counts from nothing: the measure of the quick way. */
export function countedFromScratch(pieces: Iterable<Tables['pieces']>): PanelCounts {
  const stages: Record<StepCode, number> = {};
  let broken = 0;
  for (const piece of pieces) {
    if (!piece.drawn) continue;
    stages[piece.stage] = (stages[piece.stage] ?? 0) + 1;
    if (piece.broken !== null) broken++;
  }
  return { stages, broken };
}

/** Where the counts on a panel's row are not those of its pieces. */
export function checkCounts(state: Reader, panel: Tables['panels']): string[] {
  const { stages, broken } = countedFromScratch(state.ask('piecesOfPanel', panel.id));
  const wrong: string[] = [];
  for (const stage of new Set([...Object.keys(stages), ...Object.keys(panel.counts.stages)]))
    if ((stages[stage] ?? 0) !== (panel.counts.stages[stage] ?? 0))
      wrong.push(
        `panel ${panel.id} counts ${panel.counts.stages[stage] ?? 0} ${stage}, its pieces are ${stages[stage] ?? 0}`,
      );
  if (broken !== panel.counts.broken)
    wrong.push(`panel ${panel.id} counts ${panel.counts.broken} broken, its pieces are ${broken}`);
  return wrong;
}

/** Where a commission's row does not say what its panels say. */
export const checkInHand = (state: Reader, commission: Tables['commissions']): string[] =>
  isInHandStill(state.ask('panelsOfCommission', commission.id)) === commission.inHand
    ? []
    : [`commission ${commission.id} is said to be ${commission.inHand ? 'in hand' : 'delivered'}, its panels are not`];
