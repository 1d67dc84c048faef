import {
  developed,
  glassTile,
  LIGHTS,
  lookName,
  throughPhoto,
  type Dots,
  TILE_MM,
  type GlassLook,
  type GlassTile,
  type LightKind,
} from '#core/glass';

/** Dots a side: for a small picture, for a whole window, for a whole panel, for what is looked at closely. */
export const SMALL = 96;
export const LARGE = 160;
export const WHOLE = 256;
export const CLOSE = 512;
/** From so many dots a millimetre on, the closer tile shows more than the other. */
const CLOSE_FROM = 1.3;
/** Up to so many the small one shows as much as can be seen, and the next one. */
const SMALL_TO = 0.5;
const LARGE_TO = 0.8;

export function sizeFor(pxPerMm: number): number {
  if (pxPerMm > CLOSE_FROM) return CLOSE;
  if (pxPerMm > LARGE_TO) return WHOLE;
  return pxPerMm > SMALL_TO ? LARGE : SMALL;
}

/** So many are kept, the ones used last: more than a panel has, however many glasses a studio comes to have. */
const MOST_RAW = 120;
const MOST_PICTURES = 240;
const MOST_PHOTOS = 24;

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

  /** Photos of sheets by their names; null while one is fetched, or where it can not be. */
  private readonly photos = new Kept<Dots | null>(MOST_PHOTOS);
  private readonly onPhoto: () => void;

  /** @param onPhoto a photo that was waited for has come */
  constructor(onPhoto: () => void) {
    this.onPhoto = onPhoto;
  }

  /** Whether it can be made now; the photo of a sheet is fetched first. */
  isReady({ photo }: GlassLook): boolean {
    if (!photo) return true;
    const known = this.photos.get(photo.hash);
    if (known === undefined) {
      this.photos.set(photo.hash, null);
      void fetched(photo.hash).then((dots) => {
        this.photos.set(photo.hash, dots);
        if (dots) this.onPhoto();
      });
    }
    return known !== undefined && known !== null;
  }

  has(look: GlassLook, light: LightKind, size: number): boolean {
    return this.pictures.has(pictureName(look, light, size));
  }

  /** A tile of just this size. */
  make(look: GlassLook, light: LightKind, size: number): OffscreenCanvas {
    if (look.photo) return this.developedPhoto(look, light);
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

  /** A photo as it looks in a light, the same for every size; empty where the photo is not there. */
  private developedPhoto(look: GlassLook, light: LightKind): OffscreenCanvas {
    const name = pictureName(look, light, 0);
    const known = this.pictures.get(name);
    if (known) return known;
    const photo = this.photos.get(look.photo?.hash ?? '') ?? null;
    const picture = new OffscreenCanvas(photo?.width ?? 1, photo?.height ?? 1);
    if (!photo) return picture;
    const { width, height, ...tile } = throughPhoto(photo, look);
    picture.getContext('2d')?.putImageData(new ImageData(developed(tile, LIGHTS[light]), width, height), 0, 0);
    this.pictures.set(name, picture);
    return picture;
  }

  /** The finest tile up to a size that is at hand. */
  best(look: GlassLook, light: LightKind, size: number): OffscreenCanvas | null {
    if (look.photo) return this.has(look, light, size) ? this.developedPhoto(look, light) : null;
    const at = [CLOSE, WHOLE, LARGE, SMALL].find((s) => s <= size && this.has(look, light, s));
    return at === undefined ? null : this.make(look, light, at);
  }
}

/** Where a tile lies before it is laid under a piece: from its dots to the square of its glass, or to its sheet. */
export function fromDots(tile: OffscreenCanvas, { photo }: GlassLook): DOMMatrix {
  if (!photo) return new DOMMatrix().scale(TILE_MM / tile.width);
  const { x, y, widthMm, heightMm } = photo;
  return new DOMMatrix().translate(x, y).scale(widthMm / tile.width, heightMm / tile.height);
}

async function fetched(hash: string): Promise<Dots | null> {
  try {
    const answer = await fetch(`/api/pictures/${hash}`);
    if (!answer.ok) return null;
    const bitmap = await createImageBitmap(await answer.blob());
    const { width, height } = bitmap;
    const pen = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
    pen?.drawImage(bitmap, 0, 0);
    bitmap.close();
    return pen?.getImageData(0, 0, width, height) ?? null;
  } catch {
    // Without the network the glass has its plain colour.
    return null;
  }
}

const pictureName = (look: GlassLook, light: LightKind, size: number): string =>
  `${light} ${look.photo ? 'photo' : size} ${lookName(look)}`;
