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

function outwards(pieces: readonly CartoonPiece[]): CartoonPiece[] {
  const byNumber = new Map(pieces.map((p) => [p.number, p]));
  const area = pieces.reduce((sum, p) => sum + p.areaMm2, 0);
  const mx = pieces.reduce((sum, p) => sum + p.centroid[0] * p.areaMm2, 0) / area;
  const my = pieces.reduce((sum, p) => sum + p.centroid[1] * p.areaMm2, 0) / area;
  const from = (p: CartoonPiece) => Math.hypot(p.labelAt[0] - mx, p.labelAt[1] - my);
  const clockwise = (p: CartoonPiece) =>
    (Math.atan2(p.labelAt[0] - mx, my - p.labelAt[1]) + 2 * Math.PI) % (2 * Math.PI);
  const left = new Set(pieces);
  const result: CartoonPiece[] = [];
  while (left.size > 0) {
    let ring = [[...left].reduce((a, b) => (from(b) < from(a) ? b : a))];
    while (ring.length > 0) {
      for (const p of ring) left.delete(p);
      result.push(...ring);
      const beyond = new Set(ring.flatMap((p) => p.neighbours.map((n) => knownIn(byNumber, n))));
      ring = [...beyond].filter((p) => left.has(p)).sort((a, b) => clockwise(a) - clockwise(b));
    }
  }
  return result;
}
