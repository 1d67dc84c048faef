import { NO_WORDS, type Act } from '../../act.ts';
import { settingsOf, type Settings } from '../../tables.ts';

export type ChangeSettings = Partial<Settings>;

/** Changes what is the same for the whole studio; what is not given stays. */
export const changeSettings: Act<ChangeSettings, Settings> = {
  version: 3,
  formerly: ['settings'],
  undoIn: 'setup',
  reads: {},
  decide: (state, ask) => ({ fact: plain({ ...settingsOf(state), ...ask }) }),
  apply: (draft, fact) => draft.put('settings', { id: 'studio', ...fact }),
  panelOf: () => null,
  told: () => 'studio settings changed',
  effect: NO_WORDS,
  upcasts: {
    1: (old: ChangeSettings, { state }): SettingsV2 => plain({ ...settingsOf(state), ...old }),
    2: (old: SettingsV2, { state }): Settings => ({ ...old, ownReasons: settingsOf(state).ownReasons }),
  },
};

/** Before a studio could have reasons of its own. */
type SettingsV2 = Omit<Settings, 'ownReasons'>;

/** The settings alone, without what a row has beside them. */
const plain = ({ studio, unit, currency, locale, longClockMin, limits, ownReasons }: Settings): Settings => ({
  studio,
  unit,
  currency,
  locale,
  longClockMin,
  limits,
  ownReasons,
});
