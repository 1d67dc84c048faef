import type { Look } from '#core/bench';
import type { Matrix } from '#core/geometry';
import type { GlassLook, LightKind } from '#core/glass';

/** A part of a drawing, mm; y down. */
export interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Closed rings, the first point not repeated: x and y in turns, mm. */
export type Outline = readonly Float32Array[];

/** A piece as it is drawn, whatever has been done to it. */
export interface DrawnPiece {
  readonly number: number;
  /** Between the centre-lines, and the glass as cut. */
  readonly region: Outline;
  readonly glass: Outline;
  readonly labelAt: readonly [number, number];
  readonly labelRadiusMm: number;
}

/** What of a picture stays the same as long as its drawing does. */
export interface Drawn {
  /** Another drawing has another one. */
  readonly id: string;
  readonly box: Area;
  readonly pieces: readonly DrawnPiece[];
}

/** What a piece is now. */
export interface Standing {
  readonly number: number;
  /** Paper that waits for its glass. */
  readonly isPaper: boolean;
  readonly look: Look;
  /** Which of the glasses; −1 where none is chosen. */
  readonly glass: number;
  readonly broken: boolean;
  readonly tooSmall: boolean;
  /** How its glass is turned against the flow of the sheet, degrees clockwise. */
  readonly turn: number;
  /** Where its glass lies on its sheet, where that is known: from the square of its picture to the panel. */
  readonly onSheet: Matrix | null;
}

export interface Band {
  readonly d: string;
  readonly faceMm: number;
  readonly isBorder: boolean;
}

/** Solder at a joint: a tack, a finished one, one on lead, or one that is still open. */
export interface Dot {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly is: 'tin' | 'open';
  readonly edged: boolean;
}

/** The metal over the glass. */
export interface Metal {
  readonly bands: readonly Band[];
  readonly cemented: boolean;
  /** Soldered seams of foil, null where there are none yet. */
  readonly seams: { readonly d: string; readonly dark: boolean } | null;
  readonly dots: readonly Dot[];
}

export interface Lighting {
  readonly kind: LightKind;
  /** Whether the room on this side is lit too. */
  readonly roomLit: boolean;
}

/** A panel as it is to be seen now. */
export interface Scene {
  readonly glasses: readonly GlassLook[];
  readonly pieces: readonly Standing[];
  readonly metal: Metal;
  /** Light from behind: null on the bench. */
  readonly lighting: Lighting | null;
  /** Glass that is chosen shows, though it is not cut yet. */
  readonly chosen: boolean;
  /** Paper shows the glass that it waits for as a dot: in a picture without numbers. */
  readonly dots: boolean;
  readonly mirrored: boolean;
}

/** The colours that the material is drawn in, by name. */
export type Palette = Readonly<Record<PaletteName, string>>;
export const PALETTE_NAMES = [
  'paper',
  'paper-line',
  'hatch',
  'no-colour',
  'score',
  'frost',
  'frost-edge',
  'foil',
  'foil-light',
  'crack',
  'chip-edge',
  'solder',
  'solder-mid',
  'solder-shine',
  'patina',
  'patina-mid',
  'patina-shine',
  'came',
  'came-shine',
  'came-glint',
  'cement',
  'tin',
  'tin-dark',
  'tin-edge',
  'bright',
  'copper',
  'dark-board',
  'dark-seam',
  'room-dark',
  'room-lit',
  'light-table',
] as const;
export type PaletteName = (typeof PALETTE_NAMES)[number];

/** A picture that is asked for: a part of the drawing, so many dots a millimetre. */
export interface Window {
  readonly area: Area;
  readonly pxPerMm: number;
}

/** All of a panel as it lies on a board, and what is in view where a hand has come closer. */
export type LayerName = 'whole' | 'part';

/** What a page asks of the one that paints. */
export type ToPainter =
  | { readonly kind: 'palette'; readonly palette: Palette }
  | { readonly kind: 'drawn'; readonly drawn: Drawn }
  | { readonly kind: 'scene'; readonly view: string; readonly drawnId: string; readonly scene: Scene }
  /** `layer` of a view is kept up to date from now on; null gives it up. */
  | { readonly kind: 'window'; readonly view: string; readonly layer: LayerName; readonly window: Window | null }
  | { readonly kind: 'gone'; readonly view: string }
  | { readonly kind: 'forget'; readonly drawnId: string }
  | { readonly kind: 'tile'; readonly key: string; readonly look: GlassLook; readonly light: LightKind }
  /** A picture to take along, once, with the room round it. */
  | { readonly kind: 'file'; readonly key: string; readonly view: string; readonly window: Window };

/** What it answers. */
export type FromPainter =
  | {
      readonly kind: 'picture';
      readonly view: string;
      readonly layer: LayerName;
      readonly window: Window;
      readonly bitmap: ImageBitmap;
      /** False where its glass is still to be worked out finer. */
      readonly sharp: boolean;
    }
  | { readonly kind: 'tile'; readonly key: string; readonly blob: Blob }
  // Null where it could not be painted.
  | { readonly kind: 'file'; readonly key: string; readonly blob: Blob | null };
