import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { boxOf, type Point } from '#core/geometry';
import { cornersFault, type Corners } from '#core/glass';
import { upright } from '#core/stock';
import { nth } from '#core/units';
import { api, ApiError } from '../../state/api.ts';
import { useSend } from '../../state/send.ts';
import { useSheetPhoto, type StockRow } from '../../state/studio.ts';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { takePhoto } from '../../ui/takePhoto.ts';
import { FilePick, FileProblem } from '../../ui/FilePick.tsx';
import { ARROW_STEPS } from '../../ui/arrowSteps.ts';
import type { PhotoMade, PhotoWish } from '../../worker/photo.worker.ts';

/** Dots along the longer side of what is kept. */
const KEPT_PX = 1400;
const CORNER_NAMES = ['Top left', 'Top right', 'Bottom right', 'Bottom left'] as const;
/** Where the corners are set first: this far in from the edge of the photo. */
const IN = 0.08;
const cornersIn = (width: number, height: number): Corners => [
  [IN * width, IN * height],
  [(1 - IN) * width, IN * height],
  [(1 - IN) * width, (1 - IN) * height],
  [IN * width, (1 - IN) * height],
];

interface Shot {
  readonly bitmap: ImageBitmap;
  readonly url: string;
}

/** A photo of the real sheet: its corners set on it, it is seen straight on, evenly lit, and is how the sheet looks from then on. */
export function PhotoForm({ item }: { item: StockRow }) {
  const send = useSend();
  const kept = useSheetPhoto(item.rootId);
  const [shot, setShot] = useState<Shot | null>(null);
  const [corners, setCorners] = useState<Corners>(cornersIn(1, 1));
  const [isEvened, setEvened] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  useEffect(
    () => () => {
      if (shot) URL.revokeObjectURL(shot.url);
    },
    [shot],
  );
  const take = async (file: File | undefined) => {
    if (!file) return;
    const photo = await takePhoto(file);
    if (typeof photo === 'string') return setProblem(photo);
    setProblem(null);
    setShot({ bitmap: photo, url: URL.createObjectURL(file) });
    setCorners(cornersIn(photo.width, photo.height));
  };
  const box = boxOf(item.outline ?? upright(item.widthMm, item.heightMm));
  const [widthMm, heightMm] = [box.maxX - box.minX, box.maxY - box.minY];
  const isWrong = shot !== null && cornersFault(corners, shot.bitmap);
  const keep = async ({ bitmap }: Shot) => {
    setBusy(true);
    try {
      const share = KEPT_PX / Math.max(widthMm, heightMm);
      const blob = await straight({
        bitmap,
        corners: corners,
        width: Math.max(2, Math.round(widthMm * share)),
        height: Math.max(2, Math.round(heightMm * share)),
        isEvened,
      });
      if (blob === null) return setProblem('This browser can not make a picture of it; try another one.');
      const { hash } = await api.keepPicture(blob);
      const photo = { hash, x: box.minX, y: box.minY, widthMm, heightMm };
      const ask = { stockId: item.id, photo };
      if (await send.command({ kind: 'photo-sheet', ask }, `${item.id} looks as on its photo from now on.`))
        setShot(null);
    } catch (error) {
      setProblem(error instanceof ApiError ? error.message : 'The photo could not be kept; nothing was changed.');
    } finally {
      setBusy(false);
    }
  };
  const giveUp = () =>
    send.command({ kind: 'photo-sheet', ask: { stockId: item.id, photo: null } }, 'Photo taken away.');
  return (
    <section
      aria-label="Photo of it"
      className="grid gap-2 pb-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void take(event.dataTransfer.files[0]);
      }}
    >
      <FilePick accept="image/*" onFile={(file) => void take(file)}>
        {shot ? 'Another photo …' : 'Take or drop a photo …'}
      </FilePick>
      <FileProblem words={problem} />
      {shot && (
        <>
          <CornersOnPhoto shot={shot} corners={corners} onMove={setCorners} />
          <p className="text-[14.5px] text-mute">
            Drag the four marks to the corners of the whole sheet as it stands on the rack, its flow upright.
          </p>
          <Check checked={isEvened} onCheck={setEvened}>
            Even out the light behind it
          </Check>
          <Button
            look="go"
            unless={
              isBusy
                ? 'It is being worked out.'
                : isWrong
                  ? 'Each mark belongs to its own corner: top left first.'
                  : null
            }
            onClick={() => void keep(shot)}
          >
            This is how it looks
          </Button>
        </>
      )}
      {kept && !shot && (
        <>
          <img
            src={`/api/pictures/${kept.hash}`}
            alt={`The sheet that ${item.id} is of`}
            className="max-h-48 justify-self-start rounded-md border border-line"
          />
          <Button look="line" onClick={() => void giveUp()}>
            Take the photo away
          </Button>
        </>
      )}
    </section>
  );
}

function CornersOnPhoto({
  shot: { bitmap, url },
  corners,
  onMove,
}: {
  shot: Shot;
  corners: Corners;
  onMove: (corners: Corners) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<number | null>(null);
  const { width, height } = bitmap;
  const size = Math.max(width, height);
  const move = (i: number, [x, y]: Point) => {
    const to: Point = [Math.max(0, Math.min(width, x)), Math.max(0, Math.min(height, y))];
    const [a, b, c, d] = corners;
    onMove([i === 0 ? to : a, i === 1 ? to : b, i === 2 ? to : c, i === 3 ? to : d]);
  };
  const here = (event: PointerEvent): Point => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return [0, 0];
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return [x, y];
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      className="max-h-96 w-full touch-none rounded-md bg-black"
      role="group"
      aria-label="Corners of the sheet on its photo"
      onPointerMove={(event) => held !== null && move(held, here(event))}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
    >
      <image href={url} width={width} height={height} preserveAspectRatio="none" />
      <path
        d={`M${corners.map((p) => p.join(' ')).join('L')}Z`}
        fill="none"
        stroke="var(--copper)"
        strokeWidth={size * 0.005}
      />
      {corners.map((p, i) => (
        <circle
          key={i}
          cx={p[0]}
          cy={p[1]}
          r={size * 0.035}
          tabIndex={0}
          role="button"
          aria-label={`${nth(CORNER_NAMES, i)} corner; arrows move it`}
          className="cursor-move"
          fill="var(--paper)"
          fillOpacity={0.35}
          stroke="var(--copper)"
          strokeWidth={size * 0.007}
          onPointerDown={(event) => {
            event.preventDefault();
            svg.current?.setPointerCapture(event.pointerId);
            setHeld(i);
          }}
          onKeyDown={(event) => {
            const by = ARROW_STEPS[event.key];
            if (!by) return;
            event.preventDefault();
            move(i, [p[0] + (by[0] * size) / 400, p[1] + (by[1] * size) / 400]);
          }}
        />
      ))}
    </svg>
  );
}

/** Off the page's thread. */
function straight(wish: PhotoWish): Promise<PhotoMade> {
  const worker = new Worker(new URL('../../worker/photo.worker.ts', import.meta.url), { type: 'module' });
  return new Promise<PhotoMade>((resolve) => {
    worker.onmessage = ({ data }: MessageEvent<PhotoMade>) => resolve(data);
    worker.onerror = () => resolve(null);
    worker.postMessage(wish);
  }).finally(() => worker.terminate());
}
