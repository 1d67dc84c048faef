import { TOLERANCE } from '../../limits/index.ts';
import { nth } from '../../units/index.ts';
import Flatbush from 'flatbush';
import { areaOfRings, boxOf, centroid, intersection, signedArea, type Point, type Ring } from '../../geometry/index.ts';
import { pieceRings } from '../describe.ts';
import type { Cartoon } from '../types.ts';

/** A piece is still the one it was when more than half of the smaller of the two lies in the other. */
const LEAST_SHARE = 0.5;
/** … and it is no small part of the larger one: a leaf that lies in a new sky is not that sky. */
const LEAST_OF_LARGER = 0.25;

export interface Shape {
  readonly rings: readonly Ring[];
  readonly areaMm2: number;
}

/** What became of each new shape: the old number it continues, and whether its outline is still the same. */
export interface Continued {
  readonly was: number | null;
  readonly same: boolean;
}

/**
 * Which of the new shapes continue which old pieces: alike ones first, then by the area they share. A number is
 * continued once: of a piece cut in two the larger part keeps it.
 * @param shift what has to be added to a new point to lay it over the old drawing, mm
 */
export function matchShapes(old: Cartoon, shapes: readonly Shape[], shift: Point = [0, 0]): Continued[] {
  const before = old.pieces.map((piece) => ({ piece, rings: pieceRings(old, piece) }));
  const result: Continued[] = shapes.map(() => ({ was: null, same: false }));
  if (before.length === 0) return result;
  const tree = new Flatbush(before.length);
  for (const { rings } of before) {
    const { minX, minY, maxX, maxY } = boxOf(nth(rings, 0));
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  const pairs: { shape: number; old: number; share: number; sharedMm2: number; same: boolean }[] = [];
  shapes.forEach(({ rings, areaMm2 }, shape) => {
    const laid = rings.map((ring) => ring.map(([x, y]): Point => [x + shift[0], y + shift[1]]));
    const { minX, minY, maxX, maxY } = boxOf(nth(laid, 0));
    for (const k of tree.search(minX, minY, maxX, maxY)) {
      const { piece, rings: there } = nth(before, k);
      const sharedMm2 = isSameRing(laid, there, areaMm2, piece.areaMm2)
        ? areaMm2
        : areaOfRings(intersection(oriented(laid), oriented(there)));
      const share = sharedMm2 / Math.min(areaMm2, piece.areaMm2);
      if (share <= LEAST_SHARE || sharedMm2 < LEAST_OF_LARGER * Math.max(areaMm2, piece.areaMm2)) continue;
      const apartMm2 = areaMm2 + piece.areaMm2 - 2 * sharedMm2;
      pairs.push({ shape, old: k, share, sharedMm2, same: apartMm2 < TOLERANCE.sameShapeMm * piece.perimeterMm });
    }
  });
  pairs.sort((a, b) => Number(b.same) - Number(a.same) || b.sharedMm2 - a.sharedMm2);
  const taken = new Set<number>();
  for (const { shape, old: k, same } of pairs) {
    if (taken.has(k) || nth(result, shape).was !== null) continue;
    taken.add(k);
    result[shape] = { was: nth(before, k).piece.number, same };
  }
  return result;
}

/** Quick yes for an outline that nobody touched: the same area and the same middle. */
function isSameRing(a: readonly Ring[], b: readonly Ring[], areaA: number, areaB: number): boolean {
  if (a.length !== b.length || Math.abs(areaA - areaB) > 1e-3) return false;
  const [ax, ay] = centroid(a);
  const [bx, by] = centroid(b);
  return Math.hypot(ax - bx, ay - by) < 1e-3;
}

const oriented = (rings: readonly Ring[]): Ring[] =>
  rings.map((ring, i) => (signedArea(ring) > 0 === (i === 0) ? ring : [...ring].reverse()));

/**
 * How a new drawing lies over an old one: as it is, or corner to corner where an editor has moved it on its page.
 * @returns what to add to a point of the new drawing, mm
 */
export function shiftOnto(old: Cartoon, next: Pick<Cartoon, 'pieces' | 'box'>): Point {
  const corner: Point = [old.box.minX - next.box.minX, old.box.minY - next.box.minY];
  const far: Point = [old.box.maxX - next.box.maxX, old.box.maxY - next.box.maxY];
  const key = (x: number, y: number) => `${Math.round(x * 2)},${Math.round(y * 2)}`;
  const known = new Set(old.pieces.map((p) => key(...p.centroid)));
  const hits = ([dx, dy]: Point) => next.pieces.filter(({ centroid: [x, y] }) => known.has(key(x + dx, y + dy))).length;
  const asItIs: Point = [0, 0];
  return [asItIs, corner, far].reduce((best, shift) => (hits(shift) > hits(best) ? shift : best));
}
