import { NO_WORDS, refuse, type Act } from '../../act.ts';

export interface HandTray {
  readonly panelId: string;
  /** Of the section whose pieces are in the tray. */
  readonly letter: string;
  /** Who has it now; null when it stands in its place again. */
  readonly personId: string | null;
}

export interface TrayHanded extends HandTray {
  readonly name: string;
}

/** The tray of a section goes to somebody's bench, or back to its place. */
export const handTray: Act<HandTray, TrayHanded> = {
  version: 1,
  formerly: [],
  undoIn: 'panel',
  reads: { trays: ['personId'] },
  decide: (state, ask) => {
    if (!state.get('panels', ask.panelId)) return refuse('unknown-panel');
    const person = ask.personId === null ? null : state.get('people', ask.personId);
    if (person === undefined) return refuse('unknown-person');
    const old = state.get('trays', trayId(ask));
    if ((old?.personId ?? null) === ask.personId) return refuse('nothing-changes');
    return { fact: { ...ask, name: person?.name ?? '' } };
  },
  apply: (draft, { panelId, letter, personId }, { at }) => {
    const id = trayId({ panelId, letter });
    if (personId === null) draft.remove('trays', id);
    else draft.put('trays', { id, panelId, letter, personId, at });
  },
  panelOf: (fact) => fact.panelId,
  told: ({ letter, personId, name }) =>
    personId === null ? `tray ${letter} back in its place` : `${name} has tray ${letter}`,
  effect: NO_WORDS,
  upcasts: {},
};

const trayId = ({ panelId, letter }: Pick<HandTray, 'panelId' | 'letter'>): string => `${panelId}/${letter}`;
