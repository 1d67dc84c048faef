import { pieceRings, type Cartoon, type CartoonPiece } from '../cartoon/index.ts';
import {
  areaOfRings,
  boxOf,
  cutAway,
  insetRegion,
  perimeter,
  thinLine,
  type MapLine,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import type { LineAllowance } from './allowance.ts';
import { innerKeeps, rimKeeps, type Keeps } from './profiles.ts';

/** How far a piece's edge lies from an inner line's middle. */
export const innerOffset = (a: LineAllowance): number => innerKeeps(a).cutMm;

/** How far it lies from the outline; see {@link rimKeeps}. */
export const outlineOffset = (a: LineAllowance): number => rimKeeps(a).cutMm;

/** Daylight is only measured, never cut: fewer points will do. */
const DAYLIGHT_WITHIN_MM = 0.05;

export interface CutPiece {
  readonly number: number;
  /** Outer ring first; more than one outer ring when the offset splits the piece. Empty when it eats it. */
  readonly rings: readonly Ring[];
  readonly areaMm2: number;
  readonly perimeterMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** What the lines leave clear to look through, mm². */
  readonly daylightMm2: number;
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
  const rings = movedIn(cartoon, piece, (keeps) => keeps.cutMm, allowance, outer);
  const light = (keeps: Keeps) => Math.max(keeps.cutMm, keeps.daylightMm);
  const daylight = movedIn(cartoon, piece, light, allowance, outer, DAYLIGHT_WITHIN_MM);
  const { minX, minY, maxX, maxY } = rings.length > 0 ? boxOf(rings.flat()) : { minX: 0, minY: 0, maxX: 0, maxY: 0 };
  return {
    number: piece.number,
    rings,
    areaMm2: areaOfRings(rings),
    perimeterMm: rings.reduce((sum, ring) => sum + perimeter(ring), 0),
    widthMm: maxX - minX,
    heightMm: maxY - minY,
    daylightMm2: areaOfRings(daylight),
  };
}

function movedIn(
  cartoon: Cartoon,
  piece: CartoonPiece,
  measure: (keeps: Keeps) => number,
  allowance: LineAllowance,
  outer: ReadonlySet<number>,
  withinMm = 0,
): Ring[] {
  const thinned = (points: Ring): Ring => (withinMm > 0 ? thinLine(points, withinMm) : points);
  const region = pieceRings(cartoon, piece).map((ring) =>
    withinMm > 0 ? thinLine([...ring, ring[0] as Point], withinMm).slice(0, -1) : ring,
  );
  const strips = piece.rings.flat().map((ref) => {
    const line = ref < 0 ? ~ref : ref;
    const code = cartoon.profiles?.[line] ?? null;
    const keeps = outer.has(line) ? rimKeeps(allowance, code) : innerKeeps(allowance, code);
    return { points: thinned((cartoon.map.lines[line] as MapLine).points), halfMm: measure(keeps) };
  });
  const first = strips[0]?.halfMm ?? 0;
  return strips.every(({ halfMm }) => halfMm === first) ? insetRegion(region, first) : cutAway(region, strips);
}

export function cutOutlines(cartoon: Cartoon, allowance: LineAllowance): CutPiece[] {
  const outer = outerLines(cartoon);
  return cartoon.pieces.map((piece) => cutOutline(cartoon, piece, allowance, outer));
}
