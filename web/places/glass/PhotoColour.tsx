import { useEffect, useRef, useState, type MouseEvent } from 'react';
import { meanColour, type Dots } from '#core/glass';
import { FilePick, FileProblem } from '../../ui/FilePick.tsx';
import { takePhoto } from '../../ui/takePhoto.ts';

/** A colour is the mean of a spot of this share of the photo. */
const SPOT_SHARE = 0.02;
const SHOWN_PX = 640;

interface Shot {
  readonly url: string;
  readonly dots: Dots;
}

/** The colour of an old piece, taken off a photo of it: the spot that is tapped. */
export function PhotoColour({ onColour }: { onColour: (colour: string) => void }) {
  const [shot, setShot] = useState<Shot | null>(null);
  const [spot, setSpot] = useState<readonly [number, number] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const picture = useRef<HTMLImageElement>(null);
  useEffect(
    () => () => {
      if (!shot) return;
      URL.revokeObjectURL(shot.url);
      // Its place went out of sight: a picture that is gone is not shown there again.
      setShot((now) => (now === shot ? null : now));
    },
    [shot],
  );
  const pick = (dots: Dots, x: number, y: number) => {
    setSpot([x / dots.width, y / dots.height]);
    onColour(meanColour(dots, [x, y], Math.max(2, SPOT_SHARE * Math.max(dots.width, dots.height))));
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    const photo = await takePhoto(file);
    if (typeof photo === 'string') return setProblem(photo);
    const dots = dotsOf(photo);
    if (!dots) return setProblem('This browser can not read pictures; try another one.');
    setProblem(null);
    setShot({ url: URL.createObjectURL(file), dots });
    pick(dots, dots.width / 2, dots.height / 2);
  };
  const onTap = (event: MouseEvent) => {
    const box = picture.current?.getBoundingClientRect();
    if (!box || !shot) return;
    const { width, height } = shot.dots;
    pick(shot.dots, ((event.clientX - box.x) / box.width) * width, ((event.clientY - box.y) / box.height) * height);
  };
  return (
    <div className="grid gap-2">
      <FilePick accept="image/*" onFile={(file) => void take(file)}>
        {shot ? 'Another photo …' : 'From a photo of an old piece …'}
      </FilePick>
      <FileProblem words={problem} />
      {shot && (
        <button
          type="button"
          className="relative cursor-crosshair justify-self-start overflow-hidden rounded-md border border-line"
          aria-label="Photo of the old piece: tap the spot whose colour is looked for"
          onClick={onTap}
        >
          <img ref={picture} src={shot.url} alt="" className="max-h-44" />
          {spot && (
            <span
              aria-hidden
              className="absolute size-5 -translate-1/2 rounded-full border-2 border-white shadow-[0_0_0_1.5px_black]"
              style={{ left: `${spot[0] * 100}%`, top: `${spot[1] * 100}%` }}
            />
          )}
        </button>
      )}
    </div>
  );
}

/** A photo as dots, small: a colour needs no more. */
function dotsOf(photo: ImageBitmap): Dots | null {
  const share = Math.min(1, SHOWN_PX / Math.max(photo.width, photo.height));
  const [width, height] = [Math.max(1, Math.round(photo.width * share)), Math.max(1, Math.round(photo.height * share))];
  const pen = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!pen) return null;
  pen.drawImage(photo, 0, 0, width, height);
  photo.close();
  return pen.getImageData(0, 0, width, height);
}
