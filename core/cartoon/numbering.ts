import Flatbush from 'flatbush';
import { nth, numberAt, pointAt } from '../units/index.ts';
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

/**
 * Indices of pieces in rows from the top left. Where most pieces stand in rows, one beside the other, these are
 * followed, however they wave; else a row is a band as high as a piece of the middle size is wide.
 */
export function rowOrder(pieces: readonly Numberable[]): number[] {
  const areas = pieces.map((p) => p.areaMm2).sort((a, b) => a - b);
  const rowMm = Math.sqrt(areas[areas.length >> 1] ?? 1);
  return alongRows(pieces, rowMm) ?? inBands(pieces, rowMm);
}

function inBands(pieces: readonly Numberable[], rowMm: number): number[] {
  const top = Math.min(...pieces.map((p) => p.centroid[1]));
  const row = (i: number) => Math.round((nth(pieces, i).centroid[1] - top) / rowMm);
  const x = (i: number) => nth(pieces, i).centroid[0];
  const y = (i: number) => nth(pieces, i).centroid[1];
  return pieces.map((_, i) => i).sort((a, b) => row(a) - row(b) || x(a) - x(b) || y(a) - y(b));
}

/** The next piece of a row is not further off than so many pieces are wide, and not steeper up or down than this. */
const NEXT_WITHIN = 1.8;
const STEEPEST = 0.5;
/** Rows are followed where they are so long on the whole. */
const LONG_ROW = 6;

/** Rows whose every piece is the nearest one to the right of the piece before; null where there are no such rows. */
function alongRows(pieces: readonly Numberable[], rowMm: number): number[] | null {
  if (pieces.length < 2 * LONG_ROW) return null;
  const places = pieces.map((p) => p.centroid);
  const tree = new Flatbush(pieces.length);
  for (const [x, y] of places) tree.add(x, y, x, y);
  tree.finish();
  const reach = NEXT_WITHIN * rowMm;
  const beside = (i: number, side: 1 | -1): number | null => {
    const [x, y] = pointAt(places, i);
    let best: { k: number; far: number } | null = null;
    for (const k of tree.search(x - reach, y - reach, x + reach, y + reach)) {
      const [dx, dy] = [(pointAt(places, k)[0] - x) * side, Math.abs(pointAt(places, k)[1] - y)];
      const far = dx + dy / STEEPEST;
      if (k !== i && dx > 0 && dy <= STEEPEST * dx && (!best || far < best.far)) best = { k, far };
    }
    return best?.k ?? null;
  };
  const next = pieces.map((_, i) => {
    const k = beside(i, 1);
    return k !== null && beside(k, -1) === i ? k : null;
  });
  const followed = new Set(next);
  const rows = pieces.flatMap((_, i) => (followed.has(i) ? [] : [rowFrom(i, next)]));
  if (pieces.length < LONG_ROW * rows.length) return null;
  const height = (row: readonly number[]) => row.reduce((sum, i) => sum + pointAt(places, i)[1], 0) / row.length;
  return rows.sort((a, b) => height(a) - height(b)).flat();
}

function rowFrom(first: number, next: readonly (number | null)[]): number[] {
  const row = [first];
  for (let i = next[first]; i !== null && i !== undefined; i = next[i]) row.push(i);
  return row;
}
