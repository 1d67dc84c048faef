import {
  developed,
  glassTile,
  LIGHTS,
  lookName,
  TILE_MM,
  type GlassLook,
  type GlassTile,
  type LightKind,
} from '#core/glass';

/** Dots a side: for a small picture, for a whole panel, for what is looked at closely. */
export const SMALL = 96;
export const WHOLE = 256;
export const CLOSE = 512;
/** From so many dots a millimetre on, the closer tile shows more than the other. */
const CLOSE_FROM = 1.3;
/** Up to so many the small one shows as much as can be seen. */
const SMALL_TO = 0.5;

export const sizeFor = (pxPerMm: number): number => (pxPerMm > CLOSE_FROM ? CLOSE : pxPerMm > SMALL_TO ? WHOLE : SMALL);

/** So many are kept, the ones used last: more than a panel has, however many glasses a studio comes to have. */
const MOST_RAW = 120;
const MOST_PICTURES = 240;

class Kept<T> {
  private readonly map = new Map<string, T>();
  private readonly most: number;
  constructor(most: number) {
    this.most = most;
  }
  has(name: string): boolean {
    return this.map.has(name);
  }
  get(name: string): T | undefined {
    const known = this.map.get(name);
    if (known !== undefined) this.set(name, known);
    return known;
  }
  set(name: string, one: T): void {
    this.map.delete(name);
    this.map.set(name, one);
    const [oldest] = this.map.keys();
    if (this.map.size > this.most && oldest !== undefined) this.map.delete(oldest);
  }
}

/** The tiles of all glasses that were asked for, in each light; worked out once and kept while they are used. */
export class Tiles {
  private readonly raw = new Kept<GlassTile>(MOST_RAW);
  private readonly pictures = new Kept<OffscreenCanvas>(MOST_PICTURES);

  has(look: GlassLook, light: LightKind, size: number): boolean {
    return this.pictures.has(pictureName(look, light, size));
  }

  /** A tile of just this size. */
  make(look: GlassLook, light: LightKind, size: number): OffscreenCanvas {
    const name = pictureName(look, light, size);
    const known = this.pictures.get(name);
    if (known) return known;
    const rawName = `${size} ${lookName(look)}`;
    let tile = this.raw.get(rawName);
    if (!tile) {
      tile = glassTile(look, size);
      this.raw.set(rawName, tile);
    }
    const picture = new OffscreenCanvas(size, size);
    picture.getContext('2d')?.putImageData(new ImageData(developed(tile, LIGHTS[light]), size, size), 0, 0);
    this.pictures.set(name, picture);
    return picture;
  }

  /** The finest tile up to a size that is at hand. */
  best(look: GlassLook, light: LightKind, size: number): OffscreenCanvas | null {
    const at = [CLOSE, WHOLE, SMALL].find((s) => s <= size && this.has(look, light, s));
    return at === undefined ? null : this.make(look, light, at);
  }
}

export const mmPerDot = (tile: OffscreenCanvas): number => TILE_MM / tile.width;

const pictureName = (look: GlassLook, light: LightKind, size: number): string => `${light} ${size} ${lookName(look)}`;
