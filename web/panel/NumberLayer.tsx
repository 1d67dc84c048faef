import { useEffect, useMemo, useRef, useState } from 'react';
import type { Numbered } from '#core/cartoon';
import { BEGINS } from '#core/bench';
import type { Glass } from '#core/stock';
import type { NumberSign } from '../worker/numbers.worker.ts';
import { inView, type Placed } from './camera.ts';
import { Numbering } from './numbering.ts';
import type { PicturePaths } from './paths.ts';
import type { PicturedPiece } from './standing.ts';

/** What a drawing tells with the number. */
interface Lettered {
  readonly letter?: string | null;
  readonly isUnderlined?: boolean;
}

interface NumberLayerProps {
  readonly paths: PicturePaths;
  readonly pieces: readonly (PicturedPiece & Lettered)[];
  readonly placed: Placed;
  readonly mirrored: boolean;
  /** Pieces that wait for their glass wear it as a dot under their number. */
  readonly glasses: ReadonlyMap<string, Pick<Glass, 'colour'>> | null;
}

/** The numbers of the pieces in view, always as large as they can be read, never on each other; a worker writes them. */
export function NumberLayer({ paths, pieces, placed, mirrored, glasses }: NumberLayerProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [numbering] = useState(() => new Numbering());
  const list = useMemo(() => seen(paths, placed, mirrored), [paths, placed, mirrored]);
  const signs = pieces.map((piece) => signOf(piece, glasses)).join(NEXT);
  useEffect(() => numbering.begin(), [numbering]);
  useEffect(() => {
    const node = canvas.current;
    const { width, height, pxPerMm } = placed;
    if (!node || pxPerMm === 0) return;
    const style = getComputedStyle(node);
    const colour = (name: string) => style.getPropertyValue(name);
    const colours = {
      number: colour('--number'),
      broken: colour('--number-broken'),
      halo: colour('--halo'),
      edge: colour('--chip-edge'),
    };
    numbering.write(
      {
        width,
        height,
        dots: Math.min(2, devicePixelRatio || 1),
        seen: list,
        signs: new Map(signs.split(NEXT).map(signIn)),
        colours,
      },
      [list, signs, placed, ...Object.values(colours)],
      (bitmap) => {
        // Shown as a finished picture: a canvas that could still be drawn on costs something with every frame.
        node.width = bitmap.width;
        node.height = bitmap.height;
        node.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
      },
    );
  }, [numbering, list, signs, placed]);
  return <canvas ref={canvas} aria-hidden className="pointer-events-none absolute inset-0 size-full print:hidden" />;
}

const NEXT = ',';

/** How a number is written, as text: a mark that changes none of it writes nothing anew. */
function signOf(piece: PicturedPiece & Lettered, glasses: NumberLayerProps['glasses']): string {
  const { number, stage, broken, glassId, letter = null, isUnderlined = false } = piece;
  const waits = stage === BEGINS;
  const dot = glasses && waits && !broken ? (glasses.get(glassId ?? '')?.colour ?? '') : '';
  const text = encodeURIComponent(`${letter ?? ''}${number}`);
  return [number, text, isUnderlined ? 'line' : '', broken ? 'broken' : '', waits ? '' : 'glass', dot].join(' ');
}

function signIn(sign: string): [number, NumberSign] {
  const [number, text = '', line, broken, glass, dot = ''] = sign.split(' ');
  return [
    Number(number),
    { text: decodeURIComponent(text), isUnderlined: line !== '', isBroken: broken !== '', isGlass: glass !== '', dot },
  ];
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
