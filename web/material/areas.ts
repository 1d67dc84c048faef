import type { Area, Outline } from './scene.ts';

/** An area and so much round it. */
export const grown = ({ x, y, width, height }: Area, by: number): Area => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
});

export const meets = (a: Area, b: Area): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;

export const covers = (a: Area, b: Area): boolean =>
  a.x <= b.x && a.y <= b.y && a.x + a.width >= b.x + b.width && a.y + a.height >= b.y + b.height;

export function boxOf(outline: Outline): Area {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const ring of outline)
    for (let i = 0; i + 1 < ring.length; i += 2) {
      const [x = 0, y = 0] = [ring[i], ring[i + 1]];
      minX = Math.min(minX, x);
      maxX = Math.max(maxX, x);
      minY = Math.min(minY, y);
      maxY = Math.max(maxY, y);
    }
  return { x: minX, y: minY, width: maxX - minX, height: maxY - minY };
}
