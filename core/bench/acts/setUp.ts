import type { Glass } from '../../stock/index.ts';
import { refuse, type Act } from '../act.ts';
import { settingsOf, type Commission, type Panel, type Person, type Settings } from '../tables.ts';

export type SetSettings = Partial<Settings>;
export const setSettings: Act<SetSettings> = {
  undoable: false,
  decide: (_, payload) => ({ payload }),
  apply: (draft, payload) => draft.put('settings', { id: 'studio', ...settingsOf(draft), ...payload }),
};

export type SavePerson = Person & { readonly id: string };
export const savePerson: Act<SavePerson> = {
  undoable: false,
  decide: (_, payload) => ({ payload }),
  apply: (draft, payload) => draft.put('people', payload),
};

export type SaveGlass = Glass;
export const saveGlass: Act<SaveGlass> = {
  undoable: false,
  decide: (state, payload) => {
    for (const other of state.all('glasses')) {
      if (other.id !== payload.id && other.code.toLowerCase() === payload.code.toLowerCase())
        return refuse('code-taken', { name: payload.code });
    }
    return { payload };
  },
  apply: (draft, payload) => draft.put('glasses', payload),
};

export type SaveCommission = Commission & { readonly id: string };
export const saveCommission: Act<SaveCommission> = {
  undoable: false,
  decide: (_, payload) => ({ payload }),
  apply: (draft, payload) => draft.put('commissions', payload),
};

export type SavePanel = Pick<
  Panel,
  'commissionId' | 'name' | 'technique' | 'widthMm' | 'heightMm' | 'allowance' | 'opening'
> & {
  readonly id: string;
};
export const savePanel: Act<SavePanel> = {
  undoable: false,
  decide: (state, payload) => {
    if (!state.get('commissions', payload.commissionId)) return refuse('unknown-commission');
    const old = state.get('panels', payload.id);
    if (old && old.technique !== payload.technique) {
      const begun = [...state.piecesOf(payload.id)].filter((p) => p.stage !== 'to-cut');
      if (begun.length > 0) return refuse('has-work', { numbers: begun.map((p) => p.number), name: old.name });
    }
    return { payload };
  },
  apply: (draft, payload) => {
    const old = draft.get('panels', payload.id);
    const fresh = {
      cartoonId: null,
      sourceName: null,
      pieceCount: 0,
      jointCount: 0,
      soldered: { front: [], back: [] },
      steps: {},
    };
    draft.put('panels', { ...fresh, ...old, ...payload });
  },
};
