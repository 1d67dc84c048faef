import { centroid, type Ring } from '../geometry/index.ts';
import type { Makeup, Shape } from './shape.ts';

/** Over so many mm of a joined shape, its pieces are pushed together by one rounding each. */
const MM_PER_ROUNDING = 60;

/**
 * A joined shape pushed together by what the rounding of its outlines made it too large: each piece keeps its outline and
 * moves towards the middle, so that neighbours share what is too much.
 */
export function squeezed(shape: Shape, roundingMm: number, outlineOf: (piece: number) => Ring): Shape {
  const factor = 1 - roundingMm / MM_PER_ROUNDING;
  const scaled = (makeup: Makeup): Makeup => {
    if (makeup.kind === 'pair') {
      const { nx, ny, c } = makeup.cut;
      return { kind: 'pair', cut: { nx, ny, c: c * factor }, low: scaled(makeup.low), high: scaled(makeup.high) };
    }
    const [x, y] = centroid([outlineOf(makeup.piece)]);
    const [cos, sin] = [Math.cos(makeup.turn), Math.sin(makeup.turn)];
    const [cx, cy] = [x * cos - y * sin + makeup.dx, x * sin + y * cos + makeup.dy];
    return { ...makeup, dx: makeup.dx + cx * (factor - 1), dy: makeup.dy + cy * (factor - 1) };
  };
  return {
    ...shape,
    hull: shape.hull.map((v) => v * factor),
    hullMm2: shape.hullMm2 * factor * factor,
    leastMm: shape.leastMm * factor,
    makeup: scaled(shape.makeup),
  };
}
