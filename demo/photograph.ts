import { encode } from 'jpeg-js';
import { developed, glassTile, LIGHTS, TILE_MM, type GlassLook } from '#core/glass';

const DOTS_PER_MM = 2;
const QUALITY = 88;

/**
 * A photo of a sheet over a light table, as a camera would have made it: made by what draws glass, so that the demo ships
 * no picture of anybody's.
 * @param look of the very sheet, which may differ from its glass as sheets do
 * @returns a JPEG, its flow along the height as sheets stand on the rack
 */
export function photographOf(look: GlassLook, widthMm: number, heightMm: number): Uint8Array {
  const side = TILE_MM * DOTS_PER_MM;
  const tile = developed(glassTile(look, side), LIGHTS.table);
  const [width, height] = [Math.round(widthMm * DOTS_PER_MM), Math.round(heightMm * DOTS_PER_MM)];
  const data = new Uint8Array(4 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      // A tile's flow runs from left to right.
      const at = 4 * ((x % side) * side + (y % side));
      data.set(tile.subarray(at, at + 4), 4 * (y * width + x));
    }
  return encode({ width, height, data }, QUALITY).data;
}
