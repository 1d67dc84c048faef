import { BEGINS, stepOf } from '#core/bench';
import { compose, type Matrix } from '#core/geometry';
import { squareOnSheet } from '#core/glass';
import type { Glass, SheetPhoto, Spot } from '#core/stock';
import type { Drawn, Metal, Scene } from '../material/scene.ts';
import type { PicturePaths } from './paths.ts';
import type { Shown } from './shown.ts';

const DRAWN = new WeakMap<PicturePaths, Drawn>();
let count = 0;

/** A drawing as the painter reads it; the same paths give the same one. */
export function drawnOf(paths: PicturePaths): Drawn {
  const known = DRAWN.get(paths);
  if (known) return known;
  const drawn: Drawn = {
    id: `drawing-${count++}`,
    box: paths.box,
    pieces: [...paths.pieces].map(([number, { labelAt, labelRadiusMm }]) => ({
      number,
      region: paths.region.ringsOf(number),
      glass: paths.glass.ringsOf(number),
      labelAt,
      labelRadiusMm,
    })),
  };
  DRAWN.set(paths, drawn);
  return drawn;
}

/** From the square of a glass, as it lies on the sheet, to where the piece that lies there has its place on the panel. */
function onSheet({ rootId, turnedOver, rotationDeg, x, y }: Spot, photo: SheetPhoto | undefined): Matrix {
  const rad = (rotationDeg * Math.PI) / 180;
  const [cos, sin] = [Math.cos(rad), Math.sin(rad)];
  // A point q of the sheet is turn · mirror · p + (x, y): backwards, p is mirror · turn⁻¹ · (q − (x, y)).
  const m = turnedOver ? -1 : 1;
  const back: Matrix = [m * cos, -sin, m * sin, cos, -m * (cos * x + sin * y), sin * x - cos * y];
  // A photo shows the sheet as it stands.
  if (photo) return back;
  const square = squareOnSheet(rootId);
  const turn = (square.turnDeg * Math.PI) / 180;
  return compose(back, [Math.cos(turn), Math.sin(turn), -Math.sin(turn), Math.cos(turn), square.x, square.y]);
}

const photoPart = ({ hash, x, y, widthMm, heightMm }: SheetPhoto) => ({ hash, x, y, widthMm, heightMm });

/** A panel as it is to be painted now. */
export function sceneOf(
  { panel, pieces, glasses, photos }: Omit<Shown, 'paths'>,
  metal: Metal,
  {
    lighting = null,
    chosen = false,
    mirrored = false,
    dots = true,
  }: Partial<Pick<Scene, 'lighting' | 'chosen' | 'mirrored' | 'dots'>> = {},
): Scene {
  const used: (Glass & { readonly photo?: SheetPhoto | undefined })[] = [];
  const places = new Map<string, number>();
  const photoOf = (spot: Spot | null) => (spot === null ? undefined : photos?.get(spot.rootId));
  const placeOf = (id: string | null, photo: SheetPhoto | undefined): number => {
    const glass = id === null ? undefined : glasses.get(id);
    if (id === null || !glass) return -1;
    const key = photo ? `${id} ${photo.id}` : id;
    let place = places.get(key);
    if (place === undefined) {
      place = used.push({ ...glass, photo }) - 1;
      places.set(key, place);
    }
    return place;
  };
  return {
    pieces: pieces.map(({ number, stage, glassId, broken, tooSmall = false, flowDeg = null, spot = null }) => ({
      number,
      isPaper: stage === BEGINS,
      look: stepOf(panel.route, stage)?.look ?? 'glass',
      glass: placeOf(glassId, photoOf(spot)),
      broken: broken !== null,
      tooSmall,
      turn: flowDeg ?? 0,
      onSheet: spot && onSheet(spot, photoOf(spot)),
    })),
    glasses: used.map(({ colour, second, texture, hiding, coat, flow, photo }) => ({
      colour,
      second,
      texture,
      hiding,
      coat,
      flow,
      ...(photo && { photo: photoPart(photo) }),
    })),
    metal,
    lighting,
    chosen,
    mirrored,
    dots,
  };
}
