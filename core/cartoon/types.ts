import type { PlanarMap, Point } from '../geometry/index.ts';
import type { JointId, LineId, PieceId } from '../units/index.ts';
import type { Repair } from './repair.ts';
import type { ShortEnd } from './tails.ts';
import type { DrawingFinding, RawDrawing } from './read/types.ts';

export interface CartoonPiece {
  /** Its name for good; the number is a label. */
  readonly id: PieceId;
  readonly number: number;
  /** A code or word written inside the region, where there is one. */
  readonly label: string | null;
  /** Signed line references; the outer ring first, then holes. */
  readonly rings: readonly (readonly number[])[];
  readonly areaMm2: number;
  readonly perimeterMm: number;
  readonly centroid: Point;
  /** Where a number is best written, and the radius in mm of the circle free around it. */
  readonly labelAt: Point;
  readonly labelRadiusMm: number;
  /** Numbers of the pieces that share a line with this one. */
  readonly neighbours: readonly number[];
}

export type JointKind = 'L' | 'T' | 'X' | 'many';

export interface Joint {
  readonly id: JointId;
  /** Running number in rows from the top left: a label. */
  readonly number: number;
  readonly at: Point;
  readonly kind: JointKind;
  readonly lines: readonly number[];
  readonly pieces: readonly number[];
}

/** A drawing understood: lines held once, pieces that refer to them. Millimetres, page coordinates. */
export interface Cartoon {
  readonly version: 2;
  readonly map: PlanarMap;
  /** Names of the map's lines, in its order. */
  readonly lineIds: readonly LineId[];
  readonly pieces: readonly CartoonPiece[];
  readonly joints: readonly Joint[];
  /** Outer boundaries as signed line references. */
  readonly outlines: readonly (readonly number[])[];
  readonly box: { readonly minX: number; readonly minY: number; readonly maxX: number; readonly maxY: number };
  /** Ids below this one are taken, by this drawing or by one before it. */
  readonly freeId: number;
  /** What single lines take up, by line, where it differs from the panel's own: a code of sizing's profiles. */
  readonly profiles?: readonly (string | null)[];
}

/** A drawn line that bounds no piece and was left out. */
export interface LeftLine {
  /** The end that hangs free. */
  readonly at: Point;
  /** Roughly, to be shown; with those lines that bounded nothing once it was gone. */
  readonly lines: readonly (readonly Point[])[];
  /** The piece in which it ends. */
  readonly pieces: readonly number[];
}

export type CartoonFinding =
  | DrawingFinding
  | ({ readonly kind: 'loose-line'; readonly lengthMm: number } & LeftLine)
  /** The end of a line that runs past its joint by more than the tolerance. */
  | ({ readonly kind: 'overrun'; readonly lengthMm: number } & LeftLine)
  /** It was meant to meet another line, but stops short by more than the tolerance. */
  | ({ readonly kind: 'short-of-joint'; readonly gapMm: number; readonly ends: readonly ShortEnd[] } & LeftLine)
  | { readonly kind: 'hole'; readonly at: Point; readonly pieces: readonly number[] }
  | { readonly kind: 'many-lines'; readonly at: Point; readonly pieces: readonly number[] }
  /** Both sides of inked lines, or the borders of pieces drawn one by one, were taken as one line in their middle. */
  | { readonly kind: 'inked' | 'one-by-one'; readonly widthMm: number; readonly count: number }
  | { readonly kind: 'shaky'; readonly count: number; readonly toleranceMm: number };

export interface CartoonReading {
  readonly cartoon: Cartoon;
  readonly findings: readonly CartoonFinding[];
  readonly repairs: readonly Repair[];
  readonly layers: RawDrawing['layers'];
  /** Millimetres on the glass for each millimetre the file states. */
  readonly scale: number;
  readonly physical: boolean;
  /** How far ends were moved at most, in mm. */
  readonly toleranceMm: number;
}
