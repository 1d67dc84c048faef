import type { LineAllowance, Opening, Technique } from '../../../sizing/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { NO_COUNTS } from '../../counts.ts';
import type { Refusal } from '../../refusals.ts';
import { currentRoute } from '../../routes/route.ts';
import type { Draft } from '../../studio.ts';
import { HERE, type Reader } from '../../tables.ts';
import { inHand } from '../picked.ts';

export interface SavePanel {
  readonly id: string;
  readonly commissionId: string;
  readonly name: string;
  readonly technique: Technique;
  /** The route it goes, by its key; the technique's own where none is named. */
  readonly route?: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly allowance: LineAllowance;
  readonly opening?: Opening | null;
}

export interface PanelSaved extends Omit<SavePanel, 'route' | 'opening'> {
  readonly opening: Opening | null;
  /** The version of the route; a panel under way keeps the one it has. */
  readonly routeId: string;
}

/** Enters a panel of a commission, or changes its name, opening and what its lines take up. */
export const savePanel: Act<SavePanel, PanelSaved> = {
  version: 2,
  formerly: ['panel'],
  undoIn: null,
  reads: { panels: ['name', 'technique', 'routeId', 'opening', 'allowance', 'cartoonId'] },
  decide: (state, ask) => {
    const fact = panelSaved(state, ask);
    return 'refusal' in fact ? fact : { fact };
  },
  apply: (draft, fact) => writePanel(draft, fact),
  panelOf: (fact) => fact.id,
  told: ({ name }) => `panel “${name}” entered`,
  effect: NO_WORDS,
  upcasts: {
    1: ({ opening, ...old }: SavePanel, { state }): PanelSaved => ({
      ...old,
      // An event of that time which says nothing of the opening left it as it was.
      opening: opening === undefined ? (state.get('panels', old.id)?.opening ?? null) : opening,
      routeId: currentRoute(state, old.technique)?.id ?? '',
    }),
  },
};

/** What a panel is to be, or why it cannot. Once it has a drawing, its size is that of the drawing. */
export function panelSaved(state: Reader, ask: SavePanel): PanelSaved | { refusal: Refusal } {
  const job = state.get('commissions', ask.commissionId);
  if (!job) return refuse('unknown-commission');
  if (job.away !== null) return refuse(job.away, { name: job.title });
  const old = state.get('panels', ask.id);
  const isNewWay = !old || old.technique !== ask.technique || ask.route !== undefined;
  const key = ask.route ?? ask.technique;
  const route = isNewWay ? currentRoute(state, key) : state.get('routes', old.routeId);
  if (!route || route.technique !== ask.technique) return refuse('unknown-route', { name: key });
  if (old && route.id !== old.routeId) {
    const begun = inHand(state.ask('piecesOfPanel', ask.id));
    if (begun.length > 0) return refuse('has-work', { numbers: begun, name: old.name });
  }
  const { route: _, opening, ...rest } = ask;
  const isDrawn = old !== undefined && old.cartoonId !== null;
  return {
    ...rest,
    ...(isDrawn ? { widthMm: old.widthMm, heightMm: old.heightMm } : {}),
    opening: opening === undefined ? (old?.opening ?? null) : opening,
    routeId: route.id,
  };
}

export function writePanel(draft: Draft, fact: PanelSaved): void {
  const fresh = {
    cartoonId: null,
    sourceName: null,
    freeId: 1,
    pieceCount: 0,
    jointCount: 0,
    counts: NO_COUNTS,
    deliveredAt: null,
    ...HERE,
  };
  draft.put('panels', { ...fresh, ...draft.get('panels', fact.id), ...fact });
}
