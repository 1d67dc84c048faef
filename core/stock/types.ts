import type { Point, Ring } from '../geometry/index.ts';

export const TEXTURES = [
  'smooth',
  'hammered',
  'ripple',
  'seedy',
  'streaky',
  'reeded',
  'granite',
  'wispy',
  'ring-mottled',
  'corded',
  'drapery',
  'fracture-streamer',
] as const;
export type Texture = (typeof TEXTURES)[number];
/** Whether its two sides differ: it is scored on the smooth one. Of bubbles and streaks both sides are smooth. */
export const isRough = (texture: Texture): boolean => ROUGH.has(texture);
const ROUGH: ReadonlySet<Texture> = new Set(['hammered', 'ripple', 'reeded', 'granite', 'corded', 'drapery']);
/** Whether something runs through its body that may have a colour of its own. */
export const hasFigure = (texture: Texture): boolean => FIGURED.has(texture);
const FIGURED: ReadonlySet<Texture> = new Set(['streaky', 'wispy', 'ring-mottled', 'fracture-streamer']);

/** How much it hides of what is behind it. */
export const HIDINGS = ['clear', 'veiled', 'opal'] as const;
export type Hiding = (typeof HIDINGS)[number];
/** What lies on its face. */
export const COATS = ['none', 'iridescent', 'mirror'] as const;
export type Coat = (typeof COATS)[number];

/** What a glass is shown in until its colours are chosen. */
export const FIRST_COLOUR = '#8fbbdb';
export const FIRST_SECOND = '#4a7fb8';

export interface Glass {
  readonly id: string;
  /** The studio's own code, as written on the rack. */
  readonly code: string;
  readonly name: string;
  /** Colour by transmitted light, `#rrggbb`. */
  readonly colour: string;
  /** Of its streaks, wisps, rings or flakes, `#rrggbb`; null where it has none of its own. */
  readonly second: string | null;
  readonly texture: Texture;
  readonly thicknessMm: number;
  readonly hiding: Hiding;
  readonly coat: Coat;
  /** Streaks, cords or ripples run one way. */
  readonly flow: boolean;
  readonly priceCentsPerM2: number;
}

/** One straight break across one part of a sheet, from boundary to boundary. */
export interface StraightBreak {
  readonly from: Point;
  readonly to: Point;
}

/** A sheet or an offcut. Its id is the label on it, such as `B7` or `B7-3`. */
export interface StockItem {
  readonly id: string;
  readonly glassId: string;
  readonly kind: 'sheet' | 'offcut';
  /** Of the box round it. */
  readonly widthMm: number;
  readonly heightMm: number;
  /**
   * Its true outline, mm, x right and y down, the flow along y; an offcut lies where it lay on the sheet it came from.
   * Null as long as nothing but its measures is known.
   */
  readonly outline: Ring | null;
  /** Bubbles, scratches and cracks that no piece may lie on, in the same coordinates. */
  readonly flaws: readonly Ring[];
  /** The sheet that it was once part of: their pictures are one. */
  readonly rootId: string;
  /** The breaks that take out of it what is laid out on it, in their order; null where no layout is kept. */
  readonly breaks: readonly StraightBreak[] | null;
  /** What is left of it now, mm², a whole number. */
  readonly areaMm2: number;
  readonly place: string;
  readonly costCents: number;
  readonly parentId: string | null;
  /** The job that it is kept for; others neither plan with it nor cut from it. */
  readonly keptFor: string | null;
  readonly gone: 'used up' | 'written off' | null;
}

/** How the glass of a sheet really looks: a photo of it, seen straight on. Its id is the sheet that it once came as. */
export interface SheetPhoto {
  readonly id: string;
  /** Of the file, SHA-256, hex. */
  readonly hash: string;
  /** What of the sheet it shows, mm, in the sheet's own coordinates. */
  readonly x: number;
  readonly y: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

export const MOVE_KINDS = ['received', 'pieces', 'offcut', 'waste', 'put back'] as const;
export type MoveKind = (typeof MOVE_KINDS)[number];

/** One entry of the stock ledger: how the area of one item changed, and what it was after. */
export interface StockMove {
  readonly id: string;
  /** Log position of the act that made it. */
  readonly seq: number;
  readonly at: number;
  readonly stockId: string;
  readonly kind: MoveKind;
  readonly deltaMm2: number;
  readonly balanceMm2: number;
  readonly panelId: string | null;
  readonly numbers: readonly number[];
  readonly note: string;
}
