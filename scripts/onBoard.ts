import type { Locator, Page } from '@playwright/test';
import type { DrawingAnswer, PanelAnswer } from '#contract';
import type { Cartoon } from '#core/cartoon';
import { boxOf, type Point } from '#core/geometry';

/** A piece as it lies on the screen, px of the page: where its number is written, and the box round it. */
export interface OnScreen {
  readonly at: Point;
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** The board that is seen: others may be kept in the page. */
export const boardOn = (page: Page): Locator => page.getByTestId('board').filter({ visible: true });

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
  const cartoon = await drawingOn(board);
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

/**
 * Where joints lie on a board, px of the page, by their numbers.
 * @param board as it is on the page, by its test id
 */
export async function jointsOn(board: Locator): Promise<ReadonlyMap<number, Point>> {
  const { joints } = await drawingOn(board);
  const [a, b, c, d, e, f] = await shownBy(board);
  return new Map(joints.map(({ number, at: [x, y] }) => [number, [a * x + c * y + e, b * x + d * y + f]]));
}

/** Where one piece lies. */
export async function pieceOn(board: Locator, number: number): Promise<OnScreen> {
  const piece = (await piecesOn(board)).get(number);
  if (!piece) throw new Error(`piece ${number} is not drawn`);
  return piece;
}

/**
 * A piece as something that can be pressed: a mark where its number stands, as large as the piece has room for, put into
 * the board for it, which moves with the board while it settles. It is put in anew wherever the page puts up another board,
 * for on the way to another step the one that is there is soon gone; the mark asked for before is forgotten.
 * @param board as it is on the page, by its test id
 */
export async function pieceMark(board: Locator, number: number): Promise<Locator> {
  const piece = (await drawingOn(board)).pieces.find((one) => one.number === number);
  if (!piece) throw new Error(`piece ${number} is not drawn`);
  await board.page().evaluate(keepMark, { number, at: piece.labelAt, radius: piece.labelRadiusMm });
  return board.locator(`[data-mark="${number}"]`);
}

/** Runs in the page, and so names no function of its own: whoever builds it may want to keep the name. */
function keepMark({ number, at, radius }: { number: number; at: Point; radius: number }): void {
  const marked = window as { forgetMark?: () => void };
  marked.forgetMark?.();
  const mark = document.createElementNS('http://www.w3.org/2000/svg', 'circle');
  for (const [key, value] of Object.entries({ cx: at[0], cy: at[1], r: radius, fill: 'none', 'pointer-events': 'all' }))
    mark.setAttribute(key, String(value));
  mark.dataset.mark = String(number);
  const put = () => {
    const boards = [...document.querySelectorAll('[data-testid="board"]')];
    const drawing = boards.find((board) => board.checkVisibility())?.querySelector(':scope > g > g');
    if (drawing && mark.parentNode !== drawing) drawing.append(mark);
  };
  put();
  const watch = new MutationObserver(put);
  watch.observe(document, { childList: true, subtree: true, attributes: true, attributeFilter: ['style'] });
  marked.forgetMark = () => {
    watch.disconnect();
    mark.remove();
  };
}

async function drawingOn(board: Locator): Promise<Cartoon> {
  const { panel } = await panelOf(board);
  const { origin } = new URL(board.page().url());
  return (await answer<DrawingAnswer>(board, `${origin}/api/drawings/${panel.cartoonId ?? ''}`)).cartoon;
}

async function answer<T>(board: Locator, url: string): Promise<T> {
  const response = await board.page().request.get(url);
  if (!response.ok()) throw new Error(`${url} answered ${response.status()}`);
  return (await response.json()) as T;
}

/** A board that is not there after so many looks does not come. */
const LOOKS = 1200;
const LOOKS_EVERY_MS = 50;

/** How the board shows a place of the drawing, once it does: a matrix from mm to px of the page. */
async function shownBy(board: Locator): Promise<readonly [number, number, number, number, number, number]> {
  for (let look = 0; look < LOOKS; look++) {
    // Looked up anew each time: a board that was put up again meanwhile is another element.
    const matrix = await board.evaluate((svg) => {
      const shown = svg.isConnected ? svg.querySelector<SVGGElement>(':scope > g > g')?.getScreenCTM() : null;
      return shown && shown.a !== 0 ? ([shown.a, shown.b, shown.c, shown.d, shown.e, shown.f] as const) : null;
    });
    if (matrix) return matrix;
    await board.page().waitForTimeout(LOOKS_EVERY_MS);
  }
  throw new Error('the board shows no drawing');
}
