import { useEffect, useRef, useState } from 'react';
import { numberPlaces, type Numbered } from '#core/cartoon';
import { BEGINS } from '#core/bench';
import type { Glass } from '#core/stock';
import { inView, type Placed } from './camera.ts';
import type { PicturePaths } from './paths.ts';
import type { PicturedPiece } from './standing.ts';

/** Heights of numbers that are read at arm's length, px. */
const SIZES = { least: 12, most: 15.5 } as const;
const FONT = "'Source Sans 3 Variable', system-ui, sans-serif";

interface NumberLayerProps {
  readonly paths: PicturePaths;
  readonly pieces: readonly PicturedPiece[];
  readonly placed: Placed;
  readonly mirrored: boolean;
  /** Pieces that wait for their glass wear it as a dot under their number. */
  readonly glasses: ReadonlyMap<string, Pick<Glass, 'colour'>> | null;
}

/** The numbers of the pieces in view, always as large as they can be read, never on each other. */
export function NumberLayer({ paths, pieces, placed, mirrored, glasses }: NumberLayerProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const isReady = useTypeface();
  useEffect(() => {
    const node = canvas.current;
    if (!node) return;
    const { width, height } = placed;
    const dots = Math.min(2, devicePixelRatio || 1);
    if (placed.pxPerMm === 0) return;
    const sheet = new OffscreenCanvas(Math.max(1, Math.round(width * dots)), Math.max(1, Math.round(height * dots)));
    const pen = sheet.getContext('2d');
    if (!pen) return;
    pen.scale(dots, dots);
    pen.textAlign = 'center';
    pen.textBaseline = 'alphabetic';
    pen.lineJoin = 'round';
    const style = getComputedStyle(node);
    const colour = (name: string) => style.getPropertyValue(name);
    const states = new Map(pieces.map((piece) => [piece.number, piece]));
    for (const { number, at, size, from } of numberPlaces(seen(paths, placed, mirrored), SIZES)) {
      const piece = states.get(number);
      if (!piece) continue;
      const [x, y] = at;
      pen.font = `640 ${Math.floor(size)}px ${FONT}`;
      const glass = glasses && piece.stage === BEGINS && !piece.broken ? glasses.get(piece.glassId ?? '') : undefined;
      if (glass && !from) dot(pen, x, y + size * 0.92, glass.colour, colour('--chip-edge'));
      pen.fillStyle = colour(piece.broken ? '--number-broken' : '--number');
      if (from) leader(pen, from, at, size, colour);
      if (piece.stage !== BEGINS || from) {
        pen.strokeStyle = colour('--halo');
        pen.lineWidth = size * 0.22;
        pen.strokeText(String(number), x, y + size * 0.34);
      }
      pen.fillText(String(number), x, y + size * 0.34);
    }
    // Shown as a finished picture: a canvas that could still be drawn on costs something with every frame.
    node.width = sheet.width;
    node.height = sheet.height;
    node.getContext('bitmaprenderer')?.transferFromImageBitmap(sheet.transferToImageBitmap());
  }, [paths, pieces, placed, mirrored, glasses, isReady]);
  return <canvas ref={canvas} aria-hidden className="pointer-events-none absolute inset-0 size-full print:hidden" />;
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
  colour: (name: string) => string,
): void {
  const far = Math.hypot(x - fx, y - fy);
  const share = Math.max(0, (far - size * 0.62) / far);
  const [ex, ey] = [fx + (x - fx) * share, fy + (y - fy) * share];
  for (const [stroke, width] of [
    ['--halo', 2.6],
    ['--number', 0.9],
  ] as const) {
    pen.strokeStyle = colour(stroke);
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

/** Pieces in view as they lie on the screen, px. */
function seen({ pieces, box }: PicturePaths, placed: Placed, mirrored: boolean): readonly Numbered[] {
  const view = inView(placed);
  const list: Numbered[] = [];
  for (const [number, { labelAt, labelRadiusMm }] of pieces) {
    const x = mirrored ? 2 * box.x + box.width - labelAt[0] : labelAt[0];
    const y = labelAt[1];
    if (x < view.x || y < view.y || x > view.x + view.width || y > view.y + view.height) continue;
    list.push({
      number,
      at: [placed.x + x * placed.pxPerMm, placed.y + y * placed.pxPerMm],
      radius: labelRadiusMm * placed.pxPerMm,
    });
  }
  return list;
}

/** Numbers that were written before their typeface had come are written anew. */
function useTypeface(): boolean {
  const [isReady, setReady] = useState(() => document.fonts.check(`640 14px ${FONT}`));
  useEffect(() => {
    let isHere = true;
    void document.fonts.load(`640 14px ${FONT}`).then(() => {
      if (isHere) setReady(true);
    });
    return () => {
      isHere = false;
    };
  }, []);
  return isReady;
}
