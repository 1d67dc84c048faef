import { signedArea, type Ring } from '../geometry/index.ts';
import { numberAt } from '../units/index.ts';
import { areaOf, cornerOf, hullOf, leastWidth, moved, type Flat, type HalfPlane } from './convex.ts';
import type { LayoutPiece } from './types.ts';

/** A hull with more sides costs time and gains nothing that a break could follow. */
const MOST_SIDES = 9;
/** What a corner that is left out may add to a hull, as a share of it. */
const ADDED_SHARE = 0.006;

/** A break inside a shape of several pieces, in its own frame: n·p = c. */
export type InnerBreak = HalfPlane;

/** What a shape is made of: one piece where it lies in the shape's frame, or two shapes with a break between them. */
export type Makeup =
  | { readonly kind: 'piece'; readonly piece: number; readonly turn: number; readonly dx: number; readonly dy: number }
  | { readonly kind: 'pair'; readonly cut: InnerBreak; readonly low: Makeup; readonly high: Makeup };

/**
 * What is laid onto glass: the convex hull of a piece (or of pieces that lie together), for on a convex sheet straight
 * breaks leave convex parts, so that a hollow in a piece is lost whatever is done. Immutable.
 */
export interface Shape {
  /** In its own frame, about the middle of its box. */
  readonly hull: Flat;
  /** Direction of each side, rad. */
  readonly angles: readonly number[];
  /** Glass of the pieces in it, mm². */
  readonly areaMm2: number;
  readonly hullMm2: number;
  readonly leastMm: number;
  /** Its flow in its own frame, modulo π; null where any way will do. */
  readonly flowRad: number | null;
  readonly toleranceRad: number;
  readonly makeup: Makeup;
  readonly count: number;
}

const sideAngles = (hull: Flat): number[] => {
  const angles: number[] = [];
  for (let i = 0; i < hull.length; i += 2) {
    const j = (i + 2) % hull.length;
    angles.push(Math.atan2(numberAt(hull, j + 1) - numberAt(hull, i + 1), numberAt(hull, j) - numberAt(hull, i)));
  }
  return angles;
};

/** The hull with short sides left out and their neighbours drawn on until they meet: it never shrinks. */
export function thinHull(hull: Flat, most = MOST_SIDES, share = ADDED_SHARE): Flat {
  let left = [...hull];
  const area = areaOf(hull);
  for (;;) {
    const sides = left.length / 2;
    if (sides <= 4) return left;
    let best = -1;
    let bestAdded = Infinity;
    let bestAt: readonly [number, number] = [0, 0];
    for (let k = 0; k < sides; k++) {
      // Side k runs from b to c; a–b and c–d are its neighbours.
      const [ax, ay] = cornerOf(left, k - 1);
      const [bx, by] = cornerOf(left, k);
      const [cx, cy] = cornerOf(left, k + 1);
      const [dx, dy] = cornerOf(left, k + 2);
      const [px, py, qx, qy] = [bx - ax, by - ay, cx - dx, cy - dy];
      const cross = px * qy - py * qx;
      // The neighbours have to meet outside, ahead of both.
      if (Math.abs(cross) < 1e-9) continue;
      const t = ((cx - bx) * qy - (cy - by) * qx) / cross;
      const u = ((cx - bx) * py - (cy - by) * px) / cross;
      if (t < 0 || u > 0) continue;
      const [mx, my] = [bx + t * px, by + t * py];
      const added = Math.abs((bx - mx) * (cy - my) - (by - my) * (cx - mx)) / 2;
      if (added < bestAdded) [best, bestAdded, bestAt] = [k, added, [mx, my]];
    }
    if (best < 0 || bestAdded > area * share * (sides > most ? 4 : 0.25)) return left;
    const next = (best + 1) % sides;
    left[2 * best] = bestAt[0];
    left[2 * best + 1] = bestAt[1];
    left = left.filter((_, i) => i !== 2 * next && i !== 2 * next + 1);
  }
}

/** A shape from its hull; the hull is moved to the middle of its box, and the makeup with it. */
export function shapeOf(
  hull: Flat,
  rest: Pick<Shape, 'areaMm2' | 'flowRad' | 'toleranceRad' | 'makeup' | 'count'>,
): Shape {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < hull.length; i += 2) {
    minX = Math.min(minX, numberAt(hull, i));
    maxX = Math.max(maxX, numberAt(hull, i));
    minY = Math.min(minY, numberAt(hull, i + 1));
    maxY = Math.max(maxY, numberAt(hull, i + 1));
  }
  const [dx, dy] = [-(minX + maxX) / 2, -(minY + maxY) / 2];
  const own = moved(hull, 1, 0, dx, dy);
  return {
    ...rest,
    hull: own,
    angles: sideAngles(own),
    hullMm2: areaOf(own),
    leastMm: leastWidth(own),
    makeup: movedMakeup(rest.makeup, 0, dx, dy),
  };
}

/** The pieces of a shape. */
export function piecesIn(makeup: Makeup): number[] {
  return makeup.kind === 'piece' ? [makeup.piece] : [...piecesIn(makeup.low), ...piecesIn(makeup.high)];
}

/** A makeup turned about the origin, then moved. */
export function movedMakeup(makeup: Makeup, turn: number, dx: number, dy: number): Makeup {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  if (makeup.kind === 'piece') {
    return {
      ...makeup,
      turn: makeup.turn + turn,
      dx: makeup.dx * cos - makeup.dy * sin + dx,
      dy: makeup.dx * sin + makeup.dy * cos + dy,
    };
  }
  const { nx: x, ny: y, c } = makeup.cut;
  const [nx, ny] = [x * cos - y * sin, x * sin + y * cos];
  return {
    kind: 'pair',
    cut: { nx, ny, c: c + nx * dx + ny * dy },
    low: movedMakeup(makeup.low, turn, dx, dy),
    high: movedMakeup(makeup.high, turn, dx, dy),
  };
}

/** The outline of a piece as it is traced: mirrored where the glass is scored on its other side. */
export const tracedOutline = (piece: LayoutPiece): Ring =>
  piece.turnOver ? piece.outline.map(([x, y]) => [-x, y] as const) : piece.outline;

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** The shape of one piece by itself. @param isExact leaves every corner of its hull, for pieces that fit each other */
export function shapeOfPiece(piece: LayoutPiece, index: number, isExact: boolean): Shape {
  const outline = tracedOutline(piece);
  const isFree = piece.flowDeg === null || piece.flowToleranceDeg >= 90;
  const hull = hullOf(outline);
  return shapeOf(isExact ? hull : thinHull(hull), {
    areaMm2: Math.abs(signedArea(outline)),
    flowRad: isFree ? null : rad(piece.turnOver ? 180 - (piece.flowDeg ?? 0) : (piece.flowDeg ?? 0)),
    toleranceRad: rad(Math.min(90, piece.flowToleranceDeg)),
    makeup: { kind: 'piece', piece: index, turn: 0, dx: 0, dy: 0 },
    count: 1,
  });
}

/**
 * The turn nearest to a wanted one at which a shape's flow lies along the sheet's.
 * @param flowRad of the sheet; null where any turn will do
 */
export function allowedTurn(shape: Shape, flowRad: number | null, wanted: number): number {
  if (flowRad === null || shape.flowRad === null) return wanted;
  const off = halfTurn(wanted + shape.flowRad - flowRad);
  return wanted - off + Math.max(-shape.toleranceRad, Math.min(shape.toleranceRad, off));
}

/** An angle between two lines, −π/2 to π/2. */
export const halfTurn = (angle: number): number => angle - Math.PI * Math.round(angle / Math.PI);
