/** What a tablet's camera makes is a fifth of this; what is larger is no photo of a bench. */
const MOST_BYTES = 40_000_000;
const MOST_DOTS = 80_000_000;
/** Finer than any glass has to be seen, dots along the longer side. */
const MOST_PX = 2600;

/** Opens a file as a photo, upright, no larger than need be; or says in one sentence why it is none. */
export async function takePhoto(file: File): Promise<ImageBitmap | string> {
  if (file.size > MOST_BYTES) return 'This picture is larger than 40 MB; save it smaller and bring it again.';
  let whole: ImageBitmap;
  try {
    whole = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return 'This file is no picture that can be read; bring a JPEG or PNG.';
  }
  const { width, height } = whole;
  if (width * height > MOST_DOTS) {
    whole.close();
    return 'This picture has more than 80 megapixels; save it smaller and bring it again.';
  }
  const share = MOST_PX / Math.max(width, height);
  if (share >= 1) return whole;
  const small = await createImageBitmap(whole, {
    resizeWidth: Math.round(width * share),
    resizeHeight: Math.round(height * share),
    resizeQuality: 'high',
  });
  whole.close();
  return small;
}
