import { nth, numberAt } from '../units/index.ts';
import type { Point } from '../geometry/index.ts';

interface Numberable {
  readonly areaMm2: number;
  readonly centroid: Point;
}

/**
 * Numbers for pieces: a whole number written in one region only is its number; the rest take the numbers
 * left free, in rows from the top left. A row is as high as a piece of the middle size is wide.
 * @param words for each piece the texts inside it
 */
export function numberPieces(
  pieces: readonly Numberable[],
  words: readonly (readonly string[])[],
): { numbers: number[]; labels: (string | null)[] } {
  const written = words.map((texts) => {
    const whole = texts.filter((text) => /^\d{1,5}$/.test(text) && Number(text) > 0).map(Number);
    return whole.length === 1 ? numberAt(whole, 0) : null;
  });
  const uses = new Map<number, number>();
  for (const n of written) if (n !== null) uses.set(n, (uses.get(n) ?? 0) + 1);
  const own = written.map((n) => (n !== null && uses.get(n) === 1 ? n : null));
  const taken = new Set(own);
  const numbers = own.map((n) => n ?? 0);
  const order = rowOrder(pieces).filter((i) => own[i] === null);
  let next = 1;
  for (const i of order) {
    while (taken.has(next)) next++;
    numbers[i] = next++;
  }
  const labels = words.map((texts) => texts.find((text) => !/^\d+$/.test(text)) ?? null);
  return { numbers, labels };
}

/** Indices of pieces in rows from the top left; a row is as high as a piece of the middle size is wide. */
export function rowOrder(pieces: readonly Numberable[]): number[] {
  const areas = pieces.map((p) => p.areaMm2).sort((a, b) => a - b);
  const rowMm = Math.sqrt(areas[areas.length >> 1] ?? 1);
  const top = Math.min(...pieces.map((p) => p.centroid[1]));
  const row = (i: number) => Math.round((nth(pieces, i).centroid[1] - top) / rowMm);
  const x = (i: number) => nth(pieces, i).centroid[0];
  const y = (i: number) => nth(pieces, i).centroid[1];
  return pieces.map((_, i) => i).sort((a, b) => row(a) - row(b) || x(a) - x(b) || y(a) - y(b));
}
