import { keysOf, type DisplayUnit } from '../../units/index.ts';
import type { Act } from '../act.ts';
import type { Reader } from '../tables.ts';
import { acceptDrawing } from './acceptDrawing/act.ts';
import { advancePieces } from './advancePieces/act.ts';
import { askSteps } from './askSteps/act.ts';
import { bookUsed } from './bookUsed/act.ts';
import { breakPieces } from './breakPieces/act.ts';
import { changeSettings } from './changeSettings/act.ts';
import { chooseBack } from './chooseBack/act.ts';
import { chooseGlass } from './chooseGlass/act.ts';
import { countStock } from './countStock/act.ts';
import { cutBack } from './cutBack/act.ts';
import { cutPieces } from './cutPieces/act.ts';
import { dropChoice } from './dropChoice/act.ts';
import { enterHours } from './enterHours/act.ts';
import { followRoute } from './followRoute/act.ts';
import { finishStep } from './finishStep/act.ts';
import { markPieces } from './markPieces/act.ts';
import { keepChoice } from './keepChoice/act.ts';
import { layOut } from './layOut/act.ts';
import { liftOff } from './liftOff/act.ts';
import { joinStock } from './joinStock/act.ts';
import { keepFor } from './keepFor/act.ts';
import { moveMany } from './moveMany/act.ts';
import { moveStock } from './moveStock/act.ts';
import { photoSheet } from './photoSheet/act.ts';
import { putAway } from './putAway/act.ts';
import { putBack } from './putBack/act.ts';
import { receiveMany } from './receiveMany/act.ts';
import { receiveStock } from './receiveStock/act.ts';
import { removeHours } from './removeHours/act.ts';
import { saveCommission } from './saveCommission/act.ts';
import { saveGlass } from './saveGlass/act.ts';
import { savePanel } from './savePanel/act.ts';
import { savePerson } from './savePerson/act.ts';
import { saveRoute } from './saveRoute/act.ts';
import { saveSupply } from './saveSupply/act.ts';
import { listSupplies } from './listSupplies/act.ts';
import { moveSupply } from './moveSupply/act.ts';
import { planFinish } from './planFinish/act.ts';
import { handTray } from './handTray/act.ts';
import { signDay } from './signDay/act.ts';
import { openRepair } from './openRepair/act.ts';
import { goOnRepair } from './goOnRepair/act.ts';
import { beginWait } from './beginWait/act.ts';
import { endWait } from './endWait/act.ts';
import { markLead } from './markLead/act.ts';
import { sendBack } from './sendBack/act.ts';
import { shapeStock } from './shapeStock/act.ts';
import { solderJoints } from './solderJoints/act.ts';
import { splitStock } from './splitStock/act.ts';
import { startClock } from './startClock/act.ts';
import { stopClock } from './stopClock/act.ts';
import { takeIn } from './takeIn/act.ts';
import { takeChoice } from './takeChoice/act.ts';
import { correctStock } from './correctStock/act.ts';
import { withdrawStock } from './withdrawStock/act.ts';
import { dropNote } from './dropNote/act.ts';
import { writeNote } from './writeNote/act.ts';
import { writeOffStock } from './writeOffStock/act.ts';

/** Every kind of act, by the verb it has in the log. A name is never given a second meaning. */
export const ACTS = {
  'change-settings': changeSettings,
  'save-person': savePerson,
  'save-glass': saveGlass,
  'save-commission': saveCommission,
  'save-panel': savePanel,
  'put-away': putAway,
  'save-route': saveRoute,
  'follow-route': followRoute,
  'accept-drawing': acceptDrawing,
  'choose-glass': chooseGlass,
  'choose-back': chooseBack,
  'keep-choice': keepChoice,
  'take-choice': takeChoice,
  'drop-choice': dropChoice,
  mark: markPieces,
  'ask-steps': askSteps,
  'take-in': takeIn,
  'write-note': writeNote,
  'drop-note': dropNote,
  'lay-out': layOut,
  'lift-off': liftOff,
  cut: cutPieces,
  'cut-back': cutBack,
  advance: advancePieces,
  'send-back': sendBack,
  break: breakPieces,
  'solder-joints': solderJoints,
  'finish-step': finishStep,
  'plan-finish': planFinish,
  'mark-lead': markLead,
  'begin-wait': beginWait,
  'end-wait': endWait,
  'hand-tray': handTray,
  'open-repair': openRepair,
  'go-on-repair': goOnRepair,
  receive: receiveStock,
  'receive-many': receiveMany,
  'move-stock': moveStock,
  'move-many': moveMany,
  'keep-for': keepFor,
  'photo-sheet': photoSheet,
  'split-stock': splitStock,
  'join-stock': joinStock,
  'correct-stock': correctStock,
  'shape-stock': shapeStock,
  'count-stock': countStock,
  'withdraw-stock': withdrawStock,
  'write-off': writeOffStock,
  'save-supply': saveSupply,
  'list-supplies': listSupplies,
  'move-supply': moveSupply,
  'book-used': bookUsed,
  'start-clock': startClock,
  'stop-clock': stopClock,
  'enter-hours': enterHours,
  'remove-hours': removeHours,
  'sign-day': signDay,
  'put-back': putBack,
} as const;

export type ActKind = keyof typeof ACTS;
export const ACT_KINDS = keysOf(ACTS);
export type AskOf<K extends ActKind> = (typeof ACTS)[K] extends Act<infer Ask, infer _F> ? Ask : never;
export type FactOf<K extends ActKind> = (typeof ACTS)[K] extends Act<infer _A, infer Fact> ? Fact : never;

/** What a user asks, by kind. */
export type Command = { [K in ActKind]: { readonly kind: K; readonly ask: AskOf<K> } }[ActKind];
/** What then happened, by kind, said in the way of its version. */
export type Happening = {
  [K in ActKind]: { readonly kind: K; readonly version: number; readonly fact: FactOf<K> };
}[ActKind];

export const isActKind = (kind: string): kind is ActKind => Object.hasOwn(ACTS, kind);
/** The act of a kind, for whoever has a command or an event of that very kind. */
export const actOf = (kind: ActKind): Act => ACTS[kind] as unknown as Act;
/** What happened, from a fact of that very kind; said in today's way unless another version is named. */
export const happeningOf = (kind: ActKind, fact: unknown, version = actOf(kind).version): Happening =>
  ({ kind, version, fact }) as Happening;

/** What happened, as a line of the log: `12–18 cut from B7`. */
export const happeningWords = ({ kind, fact }: Pick<Happening, 'kind' | 'fact'>, state: Reader): string =>
  actOf(kind).told(fact, state);

/** What a command would do, stated before it is done. */
export const effectWords = ({ kind, ask }: Command, state: Reader, unit: DisplayUnit): string =>
  actOf(kind).effect(ask, state, unit);
