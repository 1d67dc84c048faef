import type { Ring } from '../geometry/index.ts';
import type { StraightBreak } from '../stock/index.ts';

/** A sheet or offcut that pieces may be cut from. */
export interface LayoutSheet {
  readonly id: string;
  /** Either way round, mm; may be concave and lie off the origin. */
  readonly outline: Ring;
  /** Clockwise from x as seen; null where the glass has none. */
  readonly flowDeg: number | null;
  /** A piece of a sheet that was opened before: it is used up before a whole one is opened. */
  readonly offcut: boolean;
  /** Places that no piece may lie on; a break may run through them. */
  readonly flaws: readonly Ring[];
}

export interface LayoutPiece {
  readonly id: string;
  /** Cut outline as seen from the front of the panel, mm. */
  readonly outline: Ring;
  readonly flowDeg: number | null;
  /** How far its flow may lie off that of the sheet; 90 or more: any way. */
  readonly flowToleranceDeg: number;
  /** Traced mirrored, for a glass that is scored on its other side. */
  readonly turnOver: boolean;
}

export interface LayoutJob {
  /** Between two pieces. */
  readonly marginMm: number;
  /** Strip along the sheet's edge that no piece lies in. */
  readonly edgeMm: number;
  /** A part that holds a square of this side goes back onto the rack. */
  readonly keepMm: number;
  readonly sheets: readonly LayoutSheet[];
  readonly pieces: readonly LayoutPiece[];
}

export interface Placement {
  readonly pieceId: string;
  readonly sheetId: string;
  /** Of the outline after mirroring, clockwise as seen, 0 to 360. */
  readonly rotationDeg: number;
  readonly turnedOver: boolean;
  /** The piece's own outline where it lies: same points, same order. */
  readonly outline: Ring;
}

export const UNPLACED_CODES = ['too-large', 'no-glass'] as const;
export type UnplacedCode = (typeof UNPLACED_CODES)[number];

/** A break, and of which sheet. */
export interface Break extends StraightBreak {
  readonly sheetId: string;
}

export interface Rectangle {
  readonly width: number;
  readonly height: number;
  /** Of the side called width, clockwise from x as seen, 0 to 90. */
  readonly angleDeg: number;
}

export interface LayoutOffcut {
  readonly sheetId: string;
  readonly outline: Ring;
  readonly largestRectangle: Rectangle;
}

export interface Layout {
  readonly placements: readonly Placement[];
  readonly unplaced: readonly { readonly pieceId: string; readonly code: UnplacedCode }[];
  /** In the order in which they are made. */
  readonly breaks: readonly Break[];
  readonly offcuts: readonly LayoutOffcut[];
  /** Area of the placed pieces ÷ glass consumed; 0 when nothing is placed. */
  readonly use: number;
  /** Used sheets less their offcuts. */
  readonly glassConsumedMm2: number;
}
