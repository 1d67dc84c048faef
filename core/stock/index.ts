export { checkLedger, ledgerTotals } from './ledger.ts';
export { divide, offcutLabel, type Division, type Left, type TakeRefusal } from './take.ts';
export {
  COATS,
  FIRST_COLOUR,
  FIRST_SECOND,
  hasFigure,
  HIDINGS,
  MOVE_KINDS,
  TEXTURES,
  type Coat,
  type Glass,
  type Hiding,
  type MoveKind,
  type StockItem,
  type StockMove,
  type Texture,
} from './types.ts';
export { bySize, fitsOn, takersOf, takingOf, wantedFlow, type Taking, type Wanted } from './takers.ts';
export { labelsFrom } from './labels.ts';
