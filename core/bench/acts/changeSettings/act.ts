import { NO_WORDS, type Act } from '../../act.ts';
import { settingsOf, type Settings } from '../../tables.ts';

export type ChangeSettings = Partial<Settings>;

/** Changes what is the same for the whole studio; what is not given stays. */
export const changeSettings: Act<ChangeSettings, Settings> = {
  version: 2,
  formerly: ['settings'],
  undoIn: 'setup',
  reads: {},
  decide: (state, ask) => ({ fact: plain({ ...settingsOf(state), ...ask }) }),
  apply: (draft, fact) => draft.put('settings', { id: 'studio', ...fact }),
  panelOf: () => null,
  told: () => 'studio settings changed',
  effect: NO_WORDS,
  upcasts: { 1: (old: ChangeSettings, { state }): Settings => plain({ ...settingsOf(state), ...old }) },
};

/** The settings alone, without what a row has beside them. */
const plain = ({ studio, unit, currency, locale, longClockMin, limits }: Settings): Settings => ({
  studio,
  unit,
  currency,
  locale,
  longClockMin,
  limits,
});
