import type { Cartoon } from '../cartoon/index.ts';
import type { Point } from '../geometry/index.ts';
import { GLASS_G_PER_CM3 } from '../stock/index.ts';
import { pointAt } from '../units/index.ts';

export interface Gravity {
  /** Centre of gravity, mm on the drawing. */
  readonly at: Point;
  readonly totalG: number;
}

/**
 * Where a panel balances: each piece of glass at its own middle, and its metal spread evenly over its lines.
 * @param thicknessOf of the glass of a piece by its number, mm
 * @param metalG came, foil and solder together
 */
export function gravityOf(
  { pieces, map }: Pick<Cartoon, 'pieces' | 'map'>,
  thicknessOf: (number: number) => number,
  metalG: number,
): Gravity {
  const sum = new Moments();
  for (const { number, centroid, areaMm2 } of pieces)
    sum.add(centroid, (areaMm2 * thicknessOf(number) * GLASS_G_PER_CM3) / 1000);
  const metal = new Moments();
  for (const { points } of map.lines)
    for (let i = 1; i < points.length; i++) {
      const [ax, ay] = pointAt(points, i - 1);
      const [bx, by] = pointAt(points, i);
      metal.add([(ax + bx) / 2, (ay + by) / 2], Math.hypot(bx - ax, by - ay));
    }
  if (metal.weight > 0) sum.add(metal.middle(), metalG);
  return { at: sum.middle(), totalG: sum.weight };
}

class Moments {
  weight = 0;
  #x = 0;
  #y = 0;
  add([x, y]: Point, weight: number): void {
    this.weight += weight;
    this.#x += x * weight;
    this.#y += y * weight;
  }
  middle(): Point {
    return this.weight === 0 ? [0, 0] : [this.#x / this.weight, this.#y / this.weight];
  }
}
