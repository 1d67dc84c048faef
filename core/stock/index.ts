export { checkLedger, ledgerTotals } from './ledger.ts';
export { divide, offcutLabel, type Division, type Left, type LeftAsMeasured, type TakeRefusal } from './take.ts';
export {
  COATS,
  FIRST_COLOUR,
  FIRST_SECOND,
  hasFigure,
  HIDINGS,
  MOVE_KINDS,
  isRough,
  TEXTURES,
  type Coat,
  type Glass,
  type Hiding,
  type SheetPhoto,
  type MoveKind,
  type StockItem,
  type StockMove,
  type StraightBreak,
  type Texture,
} from './types.ts';
export { shapeFault, shapeLeft, upright, type ItemShape, type ShapeFault } from './shape.ts';
export { choiceSum, type ChoiceSum } from './choiceSum.ts';
export { areaByWeight, GLASS_G_PER_CM3, weightOfGlass } from './weigh.ts';
export { outlineWhereItLies, type Spot } from './spot.ts';
export { bySize, fitsOn, takingOf, wantedFlow, type Taking, type Wanted } from './takers.ts';
export { readReceipts, type Column as ReceiptColumn, type Receipt, type ReceiptFault } from './receipts.ts';
export { spreadOver, type GlassSpread, type Spread, type SpreadPanel, type Swap } from './spread.ts';
export { shoppingList, USUAL_USE, type ToBuy } from './shopping.ts';
export { labelsFrom } from './labels.ts';
export { bySupply, lessInWork, notBooked, type InWork } from './inWork.ts';
export {
  costOf,
  ownShare,
  servesFor,
  SORTED_KINDS,
  SUPPLY_KINDS,
  SUPPLY_MEASURES,
  SUPPLY_MOVES,
  supplyNeeds,
  tidyAmount,
  type Learnt,
  type Supply,
  type SupplyKind,
  type SupplyMeasure,
  type SupplyMove,
  type SupplyMoveKind,
  type SupplyNeed,
  type SupplyWork,
} from './supply.ts';
export {
  amountWords,
  readAmount,
  readSupplies,
  SUPPLY_COLUMNS,
  SUPPLY_WORDS,
  writtenAmount,
  writtenUnit,
  type ListedSupply,
  type SupplyListFault,
} from './supplyList.ts';
