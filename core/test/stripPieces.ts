import fc from 'fast-check';
import type { LayoutPiece, LayoutSheet, StripForm } from '../layout/index.ts';
import type { Point, Ring } from '../geometry/index.ts';
import { upright } from '../stock/index.ts';

/** A whole sheet. */
export const sheet = (id: string, w: number, h: number, more: Partial<LayoutSheet> = {}): LayoutSheet => ({
  id,
  outline: upright(w, h),
  flowDeg: null,
  offcut: false,
  flaws: [],
  ...more,
});

/** A quadrilateral with its longer side on top, turned about and moved anywhere. */
export function shaped({ widthMm, longMm, shortMm, leanMm }: StripForm, deg: number, at: Point = [0, 0]): Ring {
  const rad = (deg * Math.PI) / 180;
  const corners: Ring = [
    [0, 0],
    [longMm, 0],
    [leanMm + shortMm, widthMm],
    [leanMm, widthMm],
  ];
  const turned = corners.map(([x, y]): Point => [
    x * Math.cos(rad) - y * Math.sin(rad) + at[0],
    x * Math.sin(rad) + y * Math.cos(rad) + at[1],
  ]);
  return shortMm < 0.1 ? turned.slice(0, 3) : turned;
}

/** Equal pieces, each turned and moved about. */
export const many = (form: StripForm, count: number, more: Partial<LayoutPiece> = {}, turn = 37): LayoutPiece[] =>
  Array.from({ length: count }, (_, i) => ({
    id: String(i + 1),
    outline: shaped(form, turn * i, [13 * i, -7 * i]),
    flowDeg: null,
    flowToleranceDeg: 0,
    turnOver: false,
    ...more,
  }));

/** Of side 40 mm and 60°: 40 · sin 60° = 34.64 mm wide, and the same stop for both cuts (plane geometry). */
export const DIAMOND: StripForm = { widthMm: 40 * Math.sin(Math.PI / 3), longMm: 40, shortMm: 40, leanMm: 20 };
/** A side of a lamp: 60 mm below, 20 mm above, 75 mm high. */
export const LAMP_SIDE: StripForm = { widthMm: 75, longMm: 60, shortMm: 20, leanMm: 20 };

/** Any piece with two parallel sides; some of them end in a point. */
export const anyForm: fc.Arbitrary<StripForm> = fc
  .record({
    widthMm: fc.double({ min: 12, max: 90, noNaN: true }),
    longMm: fc.double({ min: 15, max: 110, noNaN: true }),
    share: fc.double({ min: 0, max: 1, noNaN: true }),
    leanMm: fc.double({ min: -30, max: 50, noNaN: true }),
  })
  .map(({ share, ...form }) => ({ ...form, shortMm: share < 0.1 ? 0 : form.longMm * share }));
