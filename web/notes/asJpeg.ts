import { takePhoto } from '../ui/takePhoto.ts';

/** Fine enough to see a scratch, small enough to be kept for good: dots along the longer side. */
const MOST_PX = 1800;
const QUALITY = 0.84;

/**
 * A file as a JPEG of its own: upright, no larger than need be, and without what the camera wrote beside it, as the place
 * where it was taken. Or why it is no photo.
 */
export async function asJpeg(file: File): Promise<Blob | string> {
  const bitmap = await takePhoto(file);
  if (typeof bitmap === 'string') return bitmap;
  const share = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * share));
  canvas.height = Math.max(1, Math.round(bitmap.height * share));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const jpeg = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  return jpeg ?? 'This browser could not keep the picture; bring it as a JPEG.';
}
