import { pieceRings, type Cartoon, type CartoonPiece } from '../cartoon/index.ts';
import { areaOfRings, cutAway, insetRegion, perimeter, type MapLine, type Ring } from '../geometry/index.ts';

export type Technique = 'foil' | 'lead';
/** What the drawing's outer line stands for. */
export type OutlineMeaning = 'glass-edge' | 'came-outside';

/** What a line takes up between two pieces. All millimetres. */
export interface LineAllowance {
  readonly technique: Technique;
  /** Foil: the whole gap between two pieces. */
  readonly gapMm: number;
  /** Lead: the heart of the came, and its face. */
  readonly heartMm: number;
  readonly faceMm: number;
  /** Lead: play between glass and heart on each side. */
  readonly clearanceMm: number;
  readonly outline: OutlineMeaning;
}

/** Gap, hearts and clearance are from memory; a studio sets its own. */
export const DEFAULT_ALLOWANCE: Readonly<Record<Technique, LineAllowance>> = {
  foil: { technique: 'foil', gapMm: 0.8, heartMm: 0, faceMm: 5, clearanceMm: 0, outline: 'glass-edge' },
  lead: { technique: 'lead', gapMm: 0, heartMm: 1.6, faceMm: 6, clearanceMm: 0.25, outline: 'glass-edge' },
};

/** How far a piece's edge lies from an inner line's middle. */
export function innerOffset(a: LineAllowance): number {
  return a.technique === 'foil' ? a.gapMm / 2 : a.heartMm / 2 + a.clearanceMm;
}

/** How far it lies from the outline: nothing for a glass edge, (face + heart)/2 within a border came's outside. */
export function outlineOffset(a: LineAllowance): number {
  if (a.outline === 'glass-edge') return 0;
  return a.technique === 'foil' ? a.gapMm / 2 : (a.faceMm + a.heartMm) / 2 + a.clearanceMm;
}

export interface CutPiece {
  readonly number: number;
  /** Outer ring first; more than one outer ring when the offset splits the piece. Empty when it eats it. */
  readonly rings: readonly Ring[];
  readonly areaMm2: number;
  readonly perimeterMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Lines that have a piece on one side only. */
export function outerLines(cartoon: Pick<Cartoon, 'pieces' | 'map'>): ReadonlySet<number> {
  const uses = new Map<number, number>();
  for (const piece of cartoon.pieces)
    for (const ref of piece.rings.flat()) uses.set(ref < 0 ? ~ref : ref, (uses.get(ref < 0 ? ~ref : ref) ?? 0) + 1);
  return new Set([...uses].filter(([, n]) => n === 1).map(([line]) => line));
}

/** The region of one piece moved in at every line by what that line takes up. */
export function cutOutline(
  cartoon: Cartoon,
  piece: CartoonPiece,
  allowance: LineAllowance,
  outer: ReadonlySet<number> = outerLines(cartoon),
): CutPiece {
  const region = pieceRings(cartoon, piece);
  const inner = innerOffset(allowance);
  const rim = outlineOffset(allowance);
  const refs = piece.rings.flat().map((ref) => (ref < 0 ? ~ref : ref));
  const uniform = inner === rim || refs.every((line) => !outer.has(line));
  const rings = uniform
    ? insetRegion(region, inner)
    : cutAway(
        region,
        refs.map((line) => ({
          points: (cartoon.map.lines[line] as MapLine).points,
          halfMm: outer.has(line) ? rim : inner,
        })),
      );
  const xs = rings.flat().map((p) => p[0]);
  const ys = rings.flat().map((p) => p[1]);
  const span = (values: readonly number[]) =>
    values.length ? values.reduce((a, b) => Math.max(a, b)) - values.reduce((a, b) => Math.min(a, b)) : 0;
  return {
    number: piece.number,
    rings,
    areaMm2: areaOfRings(rings),
    perimeterMm: rings.reduce((sum, ring) => sum + perimeter(ring), 0),
    widthMm: span(xs),
    heightMm: span(ys),
  };
}

export function cutOutlines(cartoon: Cartoon, allowance: LineAllowance): CutPiece[] {
  const outer = outerLines(cartoon);
  return cartoon.pieces.map((piece) => cutOutline(cartoon, piece, allowance, outer));
}
