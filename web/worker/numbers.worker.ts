import { numberPlaces, type Numbered } from '#core/cartoon';
import typeface from '@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2?url';

/** How one number is written. */
export interface NumberSign {
  /** Its number, and before it the letter of its section where that is shown. */
  readonly text: string;
  readonly isUnderlined: boolean;
  readonly isBroken: boolean;
  /** On glass it has a halo; on the drawing it needs none. */
  readonly isGlass: boolean;
  /** The colour of the glass that its piece waits for; empty for none. */
  readonly dot: string;
}

/** Numbers to write. */
export interface NumbersWish {
  /** Who asks, and for the how manieth time. */
  readonly id: number;
  readonly turn: number;
  readonly width: number;
  readonly height: number;
  /** Pixels of the picture to one of the screen's. */
  readonly dots: number;
  readonly seen: readonly Numbered[];
  readonly signs: ReadonlyMap<number, NumberSign>;
  readonly colours: NumberColours;
}

export interface NumberColours {
  readonly number: string;
  readonly broken: string;
  readonly halo: string;
  readonly edge: string;
}

export interface NumbersWritten {
  readonly id: number;
  readonly turn: number;
  readonly bitmap: ImageBitmap;
}

/** Heights of numbers that are read at arm's length, px. */
const SIZES = { least: 12, most: 15.5 } as const;
const FONT = 'Numbers, system-ui, sans-serif';

/** Of a worker's own. */
declare const fonts: FontFaceSet;
const face = new FontFace('Numbers', `url(${typeface})`, { weight: '200 900' });
fonts.add(face);
/** Where it cannot be had, the machine's own is written with. */
const ready = face.load().catch(() => null);

onmessage = async ({ data }: MessageEvent<NumbersWish>) => {
  await ready;
  const { id, turn } = data;
  const bitmap = written(data);
  const answer: NumbersWritten = { id, turn, bitmap };
  postMessage(answer, { transfer: [bitmap] });
};

function written({ width, height, dots, seen, signs, colours }: NumbersWish): ImageBitmap {
  const sheet = new OffscreenCanvas(Math.max(1, Math.round(width * dots)), Math.max(1, Math.round(height * dots)));
  const pen = sheet.getContext('2d');
  if (!pen) return sheet.transferToImageBitmap();
  pen.scale(dots, dots);
  pen.textAlign = 'center';
  pen.textBaseline = 'alphabetic';
  pen.lineJoin = 'round';
  for (const { number, at, size, from } of numberPlaces(seen, SIZES)) {
    const sign = signs.get(number);
    if (!sign) continue;
    const [x, y] = at;
    pen.font = `640 ${Math.floor(size)}px ${FONT}`;
    if (sign.dot !== '' && !from) dot(pen, x, y + size * 0.92, sign.dot, colours.edge);
    pen.fillStyle = sign.isBroken ? colours.broken : colours.number;
    if (from) leader(pen, from, at, size, colours);
    if (sign.isGlass || from) {
      pen.strokeStyle = colours.halo;
      pen.lineWidth = size * 0.22;
      pen.strokeText(sign.text, x, y + size * 0.34);
    }
    pen.fillText(sign.text, x, y + size * 0.34);
    if (sign.isUnderlined) {
      const wide = pen.measureText(sign.text).width;
      pen.fillRect(x - wide / 2, y + size * 0.46, wide, 1.2);
    }
  }
  return sheet.transferToImageBitmap();
}

function dot(pen: OffscreenCanvasRenderingContext2D, x: number, y: number, colour: string, edge: string): void {
  pen.beginPath();
  pen.arc(x, y, 2.8, 0, 7);
  pen.fillStyle = colour;
  pen.fill();
  pen.strokeStyle = edge;
  pen.lineWidth = 0.6;
  pen.stroke();
}

/** From a small piece to its number beside it. */
function leader(
  pen: OffscreenCanvasRenderingContext2D,
  [fx, fy]: readonly [number, number],
  [x, y]: readonly [number, number],
  size: number,
  colours: NumberColours,
): void {
  const far = Math.hypot(x - fx, y - fy);
  const share = Math.max(0, (far - size * 0.62) / far);
  const [ex, ey] = [fx + (x - fx) * share, fy + (y - fy) * share];
  for (const [stroke, width] of [
    [colours.halo, 2.6],
    [colours.number, 0.9],
  ] as const) {
    pen.strokeStyle = stroke;
    pen.lineWidth = width;
    pen.beginPath();
    pen.moveTo(fx, fy);
    pen.lineTo(ex, ey);
    pen.stroke();
  }
  pen.beginPath();
  pen.arc(fx, fy, 1.7, 0, 7);
  pen.fill();
}
