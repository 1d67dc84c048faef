import { use, useImperativeHandle, useInsertionEffect, useLayoutEffect, useRef, useState, type Ref } from 'react';
import { grown } from '../material/areas.ts';
import type { Area, Drawn, LayerName, Scene, Window } from '../material/scene.ts';
import { InSight } from '../ui/inSight.ts';
import { inView, type Placed } from './camera.ts';
import { Painted } from './painting.ts';

/** What a lit panel throws on the wall reaches so far round it, as a share of its longer side. */
const WALL = 0.24;
/** Beside what is in view so much more is painted, as a share of it. */
const BESIDE = 0.06;

/** The panel with as much round it as its light, or its edge, reaches. */
const wallOf = (box: Area, lit: boolean): Area => grown(box, lit ? WALL * Math.max(box.width, box.height) : 8);

const wholeWindow = (box: Area, lit: boolean, pxPerMm: number): Window => ({ area: wallOf(box, lit), pxPerMm });

/** What is on each canvas now. */
type OnCanvas = Partial<Record<LayerName, Window>>;

/** Puts a picture where its part of the drawing lies. */
function place(canvas: HTMLCanvasElement | null, window: Window | undefined, { pxPerMm, x, y }: Placed): void {
  if (!canvas) return;
  canvas.style.display = window ? 'block' : 'none';
  if (!window) return;
  const { area } = window;
  canvas.style.width = `${area.width * pxPerMm}px`;
  canvas.style.height = `${area.height * pxPerMm}px`;
  canvas.style.transform = `translate(${x + area.x * pxPerMm}px,${y + area.y * pxPerMm}px)`;
}

export interface GlassFile {
  /** The panel as a picture of so many pixels over its height, with the room round it. */
  file(heightPx: number): Promise<Blob | null>;
}

interface GlassLayerProps {
  readonly drawn: Drawn;
  readonly scene: Scene;
  readonly placed: Placed;
  readonly ref?: Ref<GlassFile>;
}

/**
 * Glass, paper and metal of a panel as pictures that a worker paints: all of it as large as the board shows it, and
 * what is in view once more where a hand has come closer.
 */
export function GlassLayer({ drawn, scene, placed, ref }: GlassLayerProps) {
  const root = useRef<HTMLDivElement>(null);
  const whole = useRef<HTMLCanvasElement>(null);
  const part = useRef<HTMLCanvasElement>(null);
  const [painted] = useState(() => new Painted());
  // Pictures are put in their place as they come: nothing is rendered for them.
  const shown = useRef<OnCanvas>({});
  const at = useRef(placed);

  useLayoutEffect(() => {
    at.current = placed;
    place(whole.current, shown.current.whole, placed);
    place(part.current, shown.current.part, placed);
  }, [placed, whole, part]);

  // The painter is told before the page itself is laid out and drawn: both are at work at the same time.
  useLayoutEffect(
    () =>
      painted.begin(({ layer, window, bitmap, sharp }) => {
        const canvas = (layer === 'part' ? part : whole).current;
        if (!canvas || !root.current) return bitmap.close();
        canvas.width = bitmap.width;
        canvas.height = bitmap.height;
        canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
        shown.current[layer] = window;
        place(canvas, window, at.current);
        root.current.dataset.painted = sharp ? 'sharp' : 'rough';
      }),
    [painted, whole, part],
  );
  useLayoutEffect(() => painted.show(drawn, scene), [painted, drawn, scene]);

  const { box } = drawn;
  const lit = scene.lighting !== null;
  const dots = Math.min(2, globalThis.devicePixelRatio || 1);
  const { pxPerMm, width, height } = placed;
  // The whole is painted for the size that it has when all of it is seen; closer by, for what is seen.
  const wholeFits = pxPerMm > 0 && box.width * pxPerMm <= width && box.height * pxPerMm <= height;
  const isSeen = use(InSight);
  // Out of sight other effects rest, and what is drawn ahead is to be painted ahead.
  useInsertionEffect(() => {
    if (!isSeen) painted.ahead(drawn, scene, wholeFits ? wholeWindow(box, lit, pxPerMm * dots) : null);
  }, [isSeen, painted, drawn, scene, wholeFits, box, lit, pxPerMm, dots]);
  const fits = useRef(0);
  useLayoutEffect(() => {
    if (wholeFits) fits.current = pxPerMm;
    if (fits.current > 0) painted.look('whole', wholeWindow(box, lit, fits.current * dots));
  }, [painted, box, lit, wholeFits, pxPerMm, dots]);
  useLayoutEffect(() => {
    if (pxPerMm === 0) return;
    if (wholeFits) {
      painted.look('part', null);
      delete shown.current.part;
      return place(part.current, undefined, placed);
    }
    const view = inView(placed);
    const beside = BESIDE * Math.max(view.width, view.height);
    painted.look('part', { area: grown(view, beside), pxPerMm: pxPerMm * dots });
  }, [painted, part, placed, pxPerMm, wholeFits, dots]);

  useImperativeHandle(ref, () => ({
    file: (heightPx) => {
      const area = wallOf(box, lit);
      return painted.file({ area, pxPerMm: heightPx / area.height });
    },
  }));

  return (
    <div ref={root} aria-hidden className="pointer-events-none absolute inset-0 print:hidden">
      <canvas ref={whole} className="absolute top-0 left-0 hidden max-w-none origin-top-left" />
      <canvas ref={part} className="absolute top-0 left-0 hidden max-w-none origin-top-left" />
    </div>
  );
}
