import { evenlyLit, straightened, type Corners } from '#core/glass';

/** A photo of a sheet, and where on it the corners of the sheet are. */
export interface PhotoWish {
  readonly bitmap: ImageBitmap;
  readonly corners: Corners;
  /** Of the picture that is to come out, dots. */
  readonly width: number;
  readonly height: number;
  readonly isEvened: boolean;
}

/** A JPEG of the sheet alone; null where the browser can not make one. */
export type PhotoMade = Blob | null;

const QUALITY = 0.86;

async function made({ bitmap, corners, width, height, isEvened }: PhotoWish): Promise<PhotoMade> {
  const pen = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d', { willReadFrequently: true });
  if (!pen) return null;
  pen.drawImage(bitmap, 0, 0);
  const photo = pen.getImageData(0, 0, bitmap.width, bitmap.height);
  const straight = straightened(photo, corners, width, height);
  const { data } = isEvened ? evenlyLit(straight) : straight;
  const out = new OffscreenCanvas(width, height);
  out.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(data), width, height), 0, 0);
  return out.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
}

onmessage = ({ data }: MessageEvent<PhotoWish>) => {
  made(data).then(
    (blob) => postMessage(blob),
    () => postMessage(null),
  );
};
