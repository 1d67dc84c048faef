export {
  DEFAULT_SNAP_MM,
  makeCartoon,
  outlineArea,
  pieceRings,
  type Cartoon,
  type CartoonFinding,
  type CartoonOptions,
  type CartoonPiece,
  type CartoonReading,
  type Joint,
  type JointKind,
} from './cartoon.ts';
export { readCartoon, type ReadOptions } from './readCartoon.ts';
export { readSvg, MOST_SOURCE_CHARS } from './read/readSvg.ts';
export type { DrawingFinding, DrawingRefusal, DrawingRefusalCode, RawDrawing } from './read/types.ts';
export type { Repair, RepairKind } from './heal.ts';
export { neighbourTowards, type Direction } from './neighbour.ts';
