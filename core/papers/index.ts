export {
  isHex,
  type CodeMark,
  type GroupMark,
  type HouseInk,
  type Ink,
  type Mark,
  type Page,
  type PathMark,
  type TextMark,
} from './page.ts';
export { MARGIN_MM, PAPER_NAMES, PAPER_SIZES, type PaperName, type PaperSize } from './sizes.ts';
export { CHECK_BAR_MM } from './heading.ts';
export { OVERLAP_MM } from './tiled.ts';
export { PAPER_KINDS, PAPER_TITLES, paperPages, type PaperKind, type PaperOptions } from './papers.ts';
export type { NeedLine, PaperGlass, PaperPanel, PaperPiece, PaperSheet } from './types.ts';
export {
  CAME_KERF_MM,
  camesOf,
  leadFaces,
  leadOf,
  materialsWish,
  RINGS,
  SPREAD_DEG,
  type LeadAsked,
} from './wishes.ts';
export { outlineLayers, type OutlineLayer, type OutlineOptions } from './outlines.ts';
export { paperTable, TABLED, type PaperTable, type TabledKind } from './table.ts';
