import type { Act } from '../act.ts';
import { acceptCartoon } from './acceptCartoon.ts';
import { breakPieces } from './breakPieces.ts';
import { cutPieces } from './cutPieces.ts';
import { enterHours, removeHours, startClock, stopClock } from './hours.ts';
import { finishStep, solderJoints } from './panelSteps.ts';
import { advancePieces, giveGlass, stepBack } from './pieceMoves.ts';
import { markPieces } from './markPieces.ts';
import { putBack } from './putBack.ts';
import { saveCommission, saveGlass, savePanel, savePerson, setSettings } from './setUp.ts';
import { moveStock, receiveStock, writeOffStock } from './stockMoves.ts';

/** Every kind of act, by the name it has in the log. A name is never given a second meaning. */
export const ACTS = {
  settings: setSettings,
  person: savePerson,
  glass: saveGlass,
  commission: saveCommission,
  panel: savePanel,
  cartoon: acceptCartoon,
  'give-glass': giveGlass,
  mark: markPieces,
  cut: cutPieces,
  advance: advancePieces,
  'step-back': stepBack,
  break: breakPieces,
  joints: solderJoints,
  step: finishStep,
  receive: receiveStock,
  'move-stock': moveStock,
  'write-off': writeOffStock,
  'clock-start': startClock,
  'clock-stop': stopClock,
  hours: enterHours,
  'hours-remove': removeHours,
  'put-back': putBack,
} as const;

export type ActKind = keyof typeof ACTS;
type CommandOf<A> = A extends Act<infer C, infer _P> ? C : never;
type PayloadOf<A> = A extends Act<infer _C, infer P> ? P : never;

/** What a user asks, by kind. */
export type Command = { [K in ActKind]: { readonly kind: K; readonly ask: CommandOf<(typeof ACTS)[K]> } }[ActKind];
/** What then happened, by kind. */
export type Happening = {
  [K in ActKind]: { readonly kind: K; readonly payload: PayloadOf<(typeof ACTS)[K]> };
}[ActKind];

export const isActKind = (kind: string): kind is ActKind => kind in ACTS;
export const actOf = (kind: ActKind): Act => ACTS[kind] as unknown as Act;
