import type { SheetPhoto } from '../../../stock/index.ts';
import { NO_WORDS, refuse, type Act } from '../../act.ts';
import { onRack } from '../onRack.ts';

export interface PhotoSheet {
  readonly stockId: string;
  /** The file is kept already. Null takes the photo away: the glass is drawn from its description again. */
  readonly photo: Omit<SheetPhoto, 'id'> | null;
}

export interface SheetPhotographed extends PhotoSheet {
  readonly rootId: string;
}

/** From now on a sheet, and all that came from it, looks as its photo shows. */
export const photoSheet: Act<PhotoSheet, SheetPhotographed> = {
  version: 1,
  formerly: [],
  undoIn: 'rack',
  reads: { photos: ['hash'] },
  decide: (state, ask) => {
    const found = onRack(state, ask.stockId);
    if ('refusal' in found) return found;
    const { rootId } = found.item;
    if (ask.photo === null && state.get('photos', rootId) === undefined)
      return refuse('no-photo', { name: ask.stockId });
    return { fact: { ...ask, rootId } };
  },
  apply: (draft, { rootId, photo }) => {
    if (photo === null) draft.remove('photos', rootId);
    else draft.put('photos', { id: rootId, ...photo });
  },
  panelOf: () => null,
  told: ({ stockId, photo }) => (photo === null ? `photo of ${stockId} taken away` : `photo of ${stockId} kept`),
  effect: NO_WORDS,
  upcasts: {},
};
