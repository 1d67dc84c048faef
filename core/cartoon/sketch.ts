import { TOLERANCE } from '../limits/index.ts';
import { thinLine, type Point } from '../geometry/index.ts';
import type { Cartoon, CartoonPiece, Joint } from './types.ts';

/** A drawing as a small picture needs it: the same lines and pieces with fewer points, in tenths of a millimetre. */
export interface Sketch extends Pick<Cartoon, 'box'> {
  readonly lines: readonly (readonly number[])[];
  readonly pieces: readonly (Pick<CartoonPiece, 'number' | 'rings' | 'labelRadiusMm'> & { readonly at: Point })[];
  readonly joints: readonly (Pick<Joint, 'number' | 'pieces'> & { readonly at: Point })[];
}

const tenths = (mm: number): number => Math.round(mm * 10);
const rounded = (mm: number): number => Math.round(mm * 10) / 10;
const place = ([x, y]: Point): Point => [rounded(x), rounded(y)];

export function sketchOf({ map, pieces, joints, box }: Cartoon): Sketch {
  return {
    box,
    lines: map.lines.map(({ points }) =>
      thinLine(points, TOLERANCE.sketchMm).flatMap(([x, y]) => [tenths(x), tenths(y)]),
    ),
    pieces: pieces.map(({ number, rings, labelAt, labelRadiusMm }) => ({
      number,
      rings,
      at: place(labelAt),
      labelRadiusMm: rounded(labelRadiusMm),
    })),
    joints: joints.map(({ number, pieces: around, at }) => ({ number, pieces: around, at: place(at) })),
  };
}
