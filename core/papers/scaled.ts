import type { Box } from '../geometry/index.ts';
import { placed, type Mark } from './page.ts';

/** Lines of a drawing that is made smaller stay as fine as a print shows. */
const LEAST_LINE_MM = 0.12;

/** Marks made as large as a place allows, in its middle. */
export function fitted(
  marks: readonly Mark[],
  reaches: Box,
  place: Box,
): { readonly marks: Mark[]; readonly scale: number } {
  const [w, h] = [reaches.maxX - reaches.minX, reaches.maxY - reaches.minY];
  const scale = Math.min((place.maxX - place.minX) / Math.max(w, 1e-6), (place.maxY - place.minY) / Math.max(h, 1e-6));
  const by = [
    (place.minX + place.maxX - (reaches.minX + reaches.maxX) * scale) / 2,
    (place.minY + place.maxY - (reaches.minY + reaches.maxY) * scale) / 2,
  ] as const;
  const thin = (mark: Mark): Mark =>
    mark.kind === 'path' ? { ...mark, widthMm: Math.max(LEAST_LINE_MM, mark.widthMm * scale) } : mark;
  return { marks: marks.map((mark) => thin(placed(mark, [by[0], by[1]], scale))), scale };
}
