import type { Area } from '../material/scene.ts';

/** Where a drawing lies on a board: x of the screen = x + pxPerMm · mm, within so many pixels. */
export interface Placed {
  readonly pxPerMm: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export interface Move {
  readonly k: number;
  readonly x: number;
  readonly y: number;
}

export const STILL: Move = { k: 1, x: 0, y: 0 };

/** An area in the middle of a board, as large as it goes. */
export function fitted(area: Area, width: number, height: number): Placed {
  const pxPerMm = Math.max(0, Math.min(width / area.width, height / area.height));
  return {
    pxPerMm,
    x: (width - pxPerMm * area.width) / 2 - pxPerMm * area.x,
    y: (height - pxPerMm * area.height) / 2 - pxPerMm * area.y,
    width,
    height,
  };
}

/** … moved by a hand. */
export const moved = ({ pxPerMm, x, y, width, height }: Placed, by: Move): Placed => ({
  pxPerMm: pxPerMm * by.k,
  x: x * by.k + by.x,
  y: y * by.k + by.y,
  width,
  height,
});

/** The move that is left to make where one is made already. */
export const rest = (made: Move, wanted: Move): Move => {
  const k = wanted.k / made.k;
  return { k, x: wanted.x - made.x * k, y: wanted.y - made.y * k };
};

/** The part of a drawing that a board shows, mm. */
export const inView = ({ pxPerMm, x, y, width, height }: Placed): Area => ({
  x: -x / pxPerMm,
  y: -y / pxPerMm,
  width: width / pxPerMm,
  height: height / pxPerMm,
});
