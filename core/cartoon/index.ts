export { makeCartoon, type CartoonOptions } from './cartoon.ts';
export { describeCartoon, outlineArea, pieceRings, piecesAlong, type NameFaces } from './describe.ts';
export { catcher, lineSearch, nearestNode, type Catch } from './lineSearch.ts';
export { movedFindings, renewedFindings } from './findings.ts';
export type { Cartoon, CartoonFinding, CartoonPiece, CartoonReading, Joint, JointKind } from './types.ts';
export { readCartoon, readDrawingText, type ReadOptions } from './readCartoon.ts';
export { readSvg } from './read/readSvg.ts';
export { looksLikeDxf, readDxf } from './read/readDxf.ts';
export type { DrawingFinding, DrawingRefusal, DrawingRefusalCode, DrawnLine, RawDrawing } from './read/types.ts';
export type { Repair, RepairKind } from './repair.ts';
export type { ShortEnd } from './tails.ts';
export { sketchOf, type Sketch } from './sketch.ts';
export { neighbourTowards, type Direction } from './neighbour.ts';
export { numberPlaces, type Numbered, type NumberPlace } from './numberPlaces.ts';
export {
  continueCartoon,
  editCartoon,
  unchanged,
  type Edit,
  type Edited,
  type EditRefusal,
  type EditSurroundings,
} from './edit/edit.ts';
export { begun, carryOver, type Carried, type CarryOver } from './edit/carryOver.ts';
export type { Continued } from './edit/match.ts';
export type { NumberingOrder } from './edit/renumber.ts';
