import type { Area } from './scene.ts';

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

/** The box of path data that has straight lines alone. */
export function boxOfPath(d: string): Area {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  let isX = true;
  for (const [word] of d.matchAll(/-?\d+(?:\.\d+)?/g)) {
    const value = Number(word);
    if (isX) {
      minX = Math.min(minX, value);
      maxX = Math.max(maxX, value);
    } else {
      minY = Math.min(minY, value);
      maxY = Math.max(maxY, value);
    }
    isX = !isX;
  }
  return { x: minX, y: minY, width: maxX - minX, height: maxY - minY };
}
