import Flatbush from 'flatbush';
import { pieceRings, type Cartoon } from '#core/cartoon';
import { boxOf, regionContains, type Point } from '#core/geometry';

/** Boxes of the pieces of a drawing, in their order: made when it is first touched. */
const BOXES = new WeakMap<Cartoon, Flatbush>();

/** The number of the piece whose region a place lies in, mm; between centre-lines, so that there is no gap in between. */
export function pieceAt(cartoon: Cartoon, place: Point): number | null {
  const [x, y] = place;
  const near = (BOXES.get(cartoon) ?? boxesOf(cartoon)).search(x, y, x, y);
  const pieces = near.flatMap((i) => cartoon.pieces[i] ?? []);
  return pieces.find((piece) => regionContains(pieceRings(cartoon, piece), place))?.number ?? null;
}

function boxesOf(cartoon: Cartoon): Flatbush {
  const tree = new Flatbush(cartoon.pieces.length);
  for (const piece of cartoon.pieces) {
    const { minX, minY, maxX, maxY } = boxOf(pieceRings(cartoon, piece).flat());
    tree.add(minX, minY, maxX, maxY);
  }
  tree.finish();
  BOXES.set(cartoon, tree);
  return tree;
}

type InWindow = Pick<MouseEvent, 'clientX' | 'clientY'>;

/** The boards on the screen, and what each has at a place in the window. */
const BOARDS = new WeakMap<Element, (at: InWindow) => number | null>();

/** Says what a board has at a place in the window, for what is let fall on it. */
export function offerBoard(board: Element, pieceUnder: (at: InWindow) => number | null): () => void {
  BOARDS.set(board, pieceUnder);
  return () => BOARDS.delete(board);
}

/** The piece of whichever board lies at a place in the window. */
export function pieceInWindow(at: InWindow): number | null {
  for (let on = document.elementFromPoint(at.clientX, at.clientY); on; on = on.parentElement) {
    const pieceUnder = BOARDS.get(on);
    if (pieceUnder) return pieceUnder(at);
  }
  return null;
}
