import { boxOf, contains, crossesItself, signedArea, type Ring } from '../geometry/index.ts';
import type { StockItem } from './types.ts';

/** An area that lacks less than this share is a whole sheet with its corners knocked off. */
const WHOLE_SHARE = 0.995;
/** Less is no glass, mm². */
const LEAST_MM2 = 1;

export const upright = (widthMm: number, heightMm: number): Ring => [
  [0, 0],
  [widthMm, 0],
  [widthMm, heightMm],
  [0, heightMm],
];

/** What is there of a sheet or offcut. */
export interface ItemShape {
  readonly outline: Ring;
  /** It was cut from, and only its area is known: the full width is taken, and as much of the height as that leaves. */
  readonly isGuess: boolean;
}

/** The outline of a sheet or offcut as far as it is known. */
export function shapeLeft(item: Pick<StockItem, 'widthMm' | 'heightMm' | 'areaMm2' | 'outline'>): ItemShape {
  const { widthMm, heightMm, areaMm2, outline } = item;
  const wholeMm2 = outline === null ? widthMm * heightMm : Math.abs(signedArea(outline));
  const share = Math.min(1, areaMm2 / wholeMm2);
  if (share >= WHOLE_SHARE) return { outline: outline ?? upright(widthMm, heightMm), isGuess: false };
  return { outline: upright(widthMm, heightMm * Math.min(1, areaMm2 / (widthMm * heightMm))), isGuess: true };
}

export type ShapeFault = 'crossing' | 'no-area' | 'flaw-crossing' | 'flaw-outside';

/** What is wrong with an outline and its flaws, or null. */
export function shapeFault(outline: Ring, flaws: readonly Ring[]): ShapeFault | null {
  if (outline.length >= 4 && crossesItself(outline)) return 'crossing';
  if (outline.length < 3 || Math.abs(signedArea(outline)) < LEAST_MM2) return 'no-area';
  for (const flaw of flaws) {
    if (flaw.length < 3 || crossesItself(flaw)) return 'flaw-crossing';
    const box = boxOf(outline);
    const isOut = (x: number, y: number) => x < box.minX || x > box.maxX || y < box.minY || y > box.maxY;
    // A flaw at the edge may reach over it; one that is nowhere on the glass was drawn elsewhere.
    const touches = flaw.some(([x, y]) => !isOut(x, y) && contains(outline, [x, y]));
    if (!touches && !outline.some((p) => contains(flaw, p))) return 'flaw-outside';
  }
  return null;
}
