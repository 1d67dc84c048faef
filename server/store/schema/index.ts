import type { TableName, Tables } from '#core/bench';
import {
  panels,
  sections,
  steps,
  joints,
  pieces,
  choices,
  photos,
  notes,
  moves,
  supplyMoves,
  finishes,
  trays,
  waits,
  repairs,
  leadMarks,
  mishaps,
  hours,
  daySheets,
} from './panels.ts';
import { settings, people, glasses, stock, supplies, routes, routeSteps, commissions } from './studio.ts';

export { fileUses, files, drawings, reckonings, studies } from './files.ts';
export { log, logOriginals, meta, OFF_THE_RACK, pieceLog } from './log.ts';
export {
  ledgerTotals,
  panels,
  sections,
  steps,
  joints,
  pieces,
  choices,
  photos,
  notes,
  moves,
  supplyMoves,
  finishes,
  trays,
  waits,
  repairs,
  leadMarks,
  mishaps,
  hours,
  daySheets,
} from './panels.ts';
export { settings, people, glasses, stock, supplies, routes, routeSteps, commissions } from './studio.ts';

/** The tables whose rows the core reads and writes, by its names. */
export const ROW_TABLES = {
  settings,
  people,
  glasses,
  stock,
  routes,
  routeSteps,
  commissions,
  panels,
  sections,
  steps,
  joints,
  pieces,
  choices,
  photos,
  notes,
  moves,
  supplies,
  supplyMoves,
  finishes,
  trays,
  waits,
  repairs,
  leadMarks,
  mishaps,
  hours,
  daySheets,
} as const;

// Columns and the core's rows say the same: else this does not compile.
type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false;
type Told = { [T in TableName]: Same<(typeof ROW_TABLES)[T]['$inferSelect'], Plain<Tables[T]>> };
type Plain<T> = { [K in keyof T]: T[K] };
const TOLD: { readonly [T in TableName]: true } = {} as Told;
void TOLD;
