import type { Locator } from '@playwright/test';
import type { DrawingAnswer, PanelAnswer } from '#contract';
import { boxOf, type Point } from '#core/geometry';

/** A piece as it lies on the screen, px of the page: where its number is written, and the box round it. */
export interface OnScreen {
  readonly at: Point;
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** What the studio says now of the panel whose page is open. */
export async function panelOf(board: Locator): Promise<PanelAnswer> {
  const { origin, pathname } = new URL(board.page().url());
  return answer<PanelAnswer>(board, `${origin}/api/panels/${pathname.split('/')[2] ?? ''}`);
}

/**
 * Where pieces lie on a board: they are painted there, so their places are asked of the studio, and of the board how it
 * shows the drawing.
 * @param board as it is on the page, by its test id
 */
export async function piecesOn(board: Locator): Promise<ReadonlyMap<number, OnScreen>> {
  const { panel } = await panelOf(board);
  const { origin } = new URL(board.page().url());
  const { cartoon } = await answer<DrawingAnswer>(board, `${origin}/api/drawings/${panel.cartoonId ?? ''}`);
  const [a, b, c, d, e, f] = await shownBy(board);
  const onScreen = ([x, y]: Point): Point => [a * x + c * y + e, b * x + d * y + f];
  return new Map(
    cartoon.pieces.map((piece) => {
      const outline = piece.rings.flat().flatMap((ref) => cartoon.map.lines[ref < 0 ? ~ref : ref]?.points ?? []);
      const { minX, minY, maxX, maxY } = boxOf(outline.map(onScreen));
      return [
        piece.number,
        { at: onScreen(piece.labelAt), box: { x: minX, y: minY, width: maxX - minX, height: maxY - minY } },
      ];
    }),
  );
}

/** Where one piece lies. */
export async function pieceOn(board: Locator, number: number): Promise<OnScreen> {
  const piece = (await piecesOn(board)).get(number);
  if (!piece) throw new Error(`piece ${number} is not drawn`);
  return piece;
}

/** The place of a piece as a press on the board takes it: px from the board's own corner. */
export async function within(board: Locator, number: number): Promise<{ x: number; y: number }> {
  const { at } = await pieceOn(board, number);
  const corner = await board.boundingBox();
  if (!corner) throw new Error('there is no board');
  return { x: at[0] - corner.x, y: at[1] - corner.y };
}

async function answer<T>(board: Locator, url: string): Promise<T> {
  const response = await board.page().request.get(url);
  if (!response.ok()) throw new Error(`${url} answered ${response.status()}`);
  return (await response.json()) as T;
}

/** How the board shows a place of the drawing, once it does: a matrix from mm to px of the page. */
async function shownBy(board: Locator): Promise<readonly [number, number, number, number, number, number]> {
  return board.evaluate(
    (svg) =>
      new Promise((done) => {
        const look = () => {
          const matrix = svg.querySelector<SVGGElement>(':scope > g > g')?.getScreenCTM();
          if (!matrix || matrix.a === 0) return requestAnimationFrame(look);
          const { a, b, c, d, e, f } = matrix;
          done([a, b, c, d, e, f]);
        };
        look();
      }),
  );
}
