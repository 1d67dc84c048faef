import { nth, knownIn } from '../../units/index.ts';
import type { CartoonPiece } from '../types.ts';
import { rowOrder } from '../numbering.ts';

/** Rows from the top left, outwards from the middle, or section by section in rows. */
export type NumberingOrder = 'rows' | 'outwards' | 'sections';

/**
 * New numbers for pieces, old → new: those that are kept stay, the others take what is free from 1 up. Outwards
 * means ring by ring of neighbours around the piece nearest to the middle, each ring clockwise from the top.
 */
export function renumber(
  pieces: readonly CartoonPiece[],
  order: NumberingOrder,
  { kept, sectionOf }: { readonly kept: ReadonlySet<number>; readonly sectionOf: ReadonlyMap<number, string> },
): Map<number, number> {
  const sorted = order === 'outwards' ? outwards(pieces) : rowOrder(pieces).map((i) => nth(pieces, i));
  // No section comes last.
  if (order === 'sections')
    sorted.sort((a, b) => compare(sectionOf.get(a.number) ?? '\uffff', sectionOf.get(b.number) ?? '\uffff'));
  const next = new Map<number, number>();
  let free = 1;
  for (const { number } of sorted) {
    if (kept.has(number)) {
      next.set(number, number);
      continue;
    }
    while (kept.has(free)) free++;
    next.set(number, free++);
  }
  return next;
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Middles that lie so near are equally far, and ways out that differ by so little point the same way. */
const STEP_MM = 0.05;
const STEP_RAD = 0.001;
/** Steps begin beside round numbers, which drawings keep to. */
const JUST_OVER = 0.0004;

function outwards(pieces: readonly CartoonPiece[]): CartoonPiece[] {
  const byNumber = new Map(pieces.map((p) => [p.number, p]));
  const area = pieces.reduce((sum, p) => sum + p.areaMm2, 0);
  const mx = pieces.reduce((sum, p) => sum + p.centroid[0] * p.areaMm2, 0) / area;
  const my = pieces.reduce((sum, p) => sum + p.centroid[1] * p.areaMm2, 0) / area;
  // In whole steps, so that what is equally far does not depend on the last digit, nor so on the order of the file.
  const away = new Map<CartoonPiece, { readonly far: number; readonly turn: number }>();
  for (const p of pieces) {
    const [dx, dy] = [p.centroid[0] - mx, p.centroid[1] - my];
    const turn = (Math.atan2(dx, -dy) + 2 * Math.PI + JUST_OVER) % (2 * Math.PI);
    away.set(p, { far: Math.round(Math.hypot(dx, dy) / STEP_MM + JUST_OVER), turn: Math.round(turn / STEP_RAD) });
  }
  const far = (p: CartoonPiece) => knownIn(away, p).far;
  const clockwise = (a: CartoonPiece, b: CartoonPiece) =>
    knownIn(away, a).turn - knownIn(away, b).turn || far(a) - far(b);
  const nearer = (a: CartoonPiece, b: CartoonPiece) => far(a) - far(b) || clockwise(a, b);
  const left = new Set([...pieces].sort(nearer));
  const result: CartoonPiece[] = [];
  while (left.size > 0) {
    let ring = [...left].slice(0, 1);
    while (ring.length > 0) {
      for (const p of ring) left.delete(p);
      result.push(...ring);
      const beyond = new Set(ring.flatMap((p) => p.neighbours.map((n) => knownIn(byNumber, n))));
      ring = [...beyond].filter((p) => left.has(p)).sort(clockwise);
    }
  }
  return result;
}
