export {
  cutOutline,
  cutOutlines,
  DEFAULT_ALLOWANCE,
  innerOffset,
  outerLines,
  outlineOffset,
  type CutPiece,
  type LineAllowance,
  type OutlineMeaning,
  type Technique,
} from './cutOutline.ts';
