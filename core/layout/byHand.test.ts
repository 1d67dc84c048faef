import { describe, expect, it } from 'vitest';
import { signedArea, type Point, type Ring } from '../geometry/index.ts';
import { upright } from '../stock/index.ts';
import { seededRandom } from '../units/index.ts';
import {
  breakOut,
  checkLayout,
  freeParts,
  Layouter,
  withHandLaid,
  type BrokenOut,
  type LayoutPiece,
  type LayoutSheet,
  type Placement,
} from './index.ts';

const BY = { marginMm: 5, edgeMm: 6, keepMm: 60 };
const sheet: LayoutSheet = { id: 'S', outline: upright(600, 400), flowDeg: null, offcut: false, flaws: [] };
const box = (x: number, y: number, w: number, h: number): Ring =>
  upright(w, h).map(([px, py]): Point => [px + x, py + y]);

const pieceOf = (id: string, outline: Ring): LayoutPiece => ({
  id,
  outline,
  flowDeg: null,
  flowToleranceDeg: 0,
  turnOver: false,
});
const asLaid = ({ id, outline }: LayoutPiece): Placement => ({
  pieceId: id,
  sheetId: 'S',
  rotationDeg: 0,
  turnedOver: false,
  outline,
});

function broken(pieces: readonly LayoutPiece[]): BrokenOut {
  const out = breakOut(sheet.outline, pieces, BY.marginMm, BY.keepMm);
  if ('between' in out) throw new Error(`stuck between ${out.between.join(', ')}`);
  return out;
}

const NOTHING = { placements: [], unplaced: [], breaks: [], offcuts: [], use: 0, glassConsumedMm2: 0 };

describe('pieces laid by hand', () => {
  it.each([1, 2, 3, 4, 5, 6])(
    'come out by breaks that hold in every respect, laid anyhow by a grid, seed %d',
    (seed) => {
      const random = seededRandom(seed);
      // One blob in each of some cells of a grid: such a layout can always be broken, row by row.
      const pieces = Array.from({ length: 12 }, (_, k) => {
        const [cx, cy] = [75 + 150 * (k % 4), 67 + 133 * Math.floor(k / 4)];
        const outline = Array.from({ length: 7 }, (_, i): Point => {
          const [turn, r] = [(2 * Math.PI * (i + 0.6 * random())) / 7, 30 + 24 * random()];
          return [cx + r * Math.cos(turn), cy + r * Math.sin(turn)];
        });
        return pieceOf(String(k), outline);
      }).filter(() => random() < 0.8);
      const layout = withHandLaid(NOTHING, [{ sheet, placements: pieces.map(asLaid), out: broken(pieces) }], BY.keepMm);
      expect(checkLayout({ ...BY, pieces, sheets: [sheet] }, layout)).toEqual([]);
    },
  );

  it('a pinwheel of four has no first break, and says so', () => {
    const wheel = [box(100, 100, 120, 40), box(225, 100, 40, 120), box(145, 225, 120, 40), box(100, 145, 40, 120)];
    const out = breakOut(
      sheet.outline,
      wheel.map((outline, i) => ({ id: String(i), outline })),
      5,
      60,
    );
    expect(out).toEqual({ between: ['0', '1', '2', '3'] });
    // With one of them gone the other three come apart.
    expect(broken(wheel.slice(1).map((outline, i) => pieceOf(String(i), outline))).breaks.length).toBeGreaterThan(1);
  });

  it('two that lean on each other are parted by the slanted line between them', () => {
    const lean: Ring = [
      [100, 100],
      [200, 100],
      [100, 220],
    ];
    const other: Ring = [
      [215, 105],
      [215, 225],
      [115, 225],
    ];
    const out = broken([pieceOf('a', lean), pieceOf('b', other)]);
    const slanted = out.breaks.filter(({ from, to }) => Math.abs(from[0] - to[0]) > 5 && Math.abs(from[1] - to[1]) > 5);
    expect(slanted.length).toBeGreaterThan(0);
  });

  it('the search lays the others on what is left of the sheet, and all of it is one layout', () => {
    const byHand = [pieceOf('h1', box(150, 120, 90, 70)), pieceOf('h2', box(320, 200, 60, 110))];
    const others = Array.from({ length: 14 }, (_, i) => pieceOf(`p${i}`, box(0, 0, 50 + 5 * i, 70)));
    const laid = { sheet, placements: byHand.map(asLaid), out: broken(byHand) };
    const job = { ...BY, pieces: others, sheets: freeParts(laid) };
    const search = new Layouter(job, { seed: 1, prefersUse: false });
    search.run(150);
    const found = search.best();
    expect(found.placements.length).toBeGreaterThan(8);
    const layout = withHandLaid(found, [laid], BY.keepMm);
    expect(checkLayout({ ...BY, pieces: [...byHand, ...others], sheets: [sheet] }, layout)).toEqual([]);
    const usedMm2 = layout.placements.reduce((sum, one) => sum + Math.abs(signedArea(one.outline)), 0);
    expect(layout.use).toBeCloseTo(usedMm2 / layout.glassConsumedMm2, 6);
    for (const { pieceId, outline } of layout.placements.slice(0, 2))
      expect(outline).toEqual(byHand.find((one) => one.id === pieceId)?.outline);
  });
});
