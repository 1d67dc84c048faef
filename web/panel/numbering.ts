import type { NumbersWish, NumbersWritten } from '../worker/numbers.worker.ts';

type Written = (bitmap: ImageBitmap) => void;

let worker: Worker | null = null;
let count = 0;
const waiting = new Map<number, { readonly turn: number; readonly done: Written }>();

/** The one that writes for all boards of a page; one that broke is begun anew with the next wish. */
function writer(): Worker {
  if (worker) return worker;
  const mine = new Worker(new URL('../worker/numbers.worker.ts', import.meta.url), { type: 'module' });
  mine.onmessage = ({ data: { id, turn, bitmap } }: MessageEvent<NumbersWritten>) => {
    const wish = waiting.get(id);
    if (wish?.turn === turn) wish.done(bitmap);
    else bitmap.close();
  };
  mine.onerror = () => {
    mine.terminate();
    if (worker === mine) worker = null;
  };
  worker = mine;
  return mine;
}

/** The numbers of one board, written in a worker; only what was wished for last is shown. */
export class Numbering {
  readonly #id = count++;
  #turn = 0;

  /** @returns what ends it */
  begin(): () => void {
    return () => void waiting.delete(this.#id);
  }

  write(wish: Omit<NumbersWish, 'id' | 'turn'>, done: Written): void {
    const turn = ++this.#turn;
    waiting.set(this.#id, { turn, done });
    const asked: NumbersWish = { id: this.#id, turn, ...wish };
    writer().postMessage(asked);
  }
}
