import type { NumbersWish, NumbersWritten } from '../worker/numbers.worker.ts';

type Written = (bitmap: ImageBitmap) => void;

let worker: Worker | null = null;
let count = 0;
/** A writer that breaks sooner than this after it was begun anew would break for ever, ms. */
const AGAIN_MS = 5000;
let begunAt = -Infinity;
/** What every board wished for last. */
const waiting = new Map<number, { readonly asked: NumbersWish; readonly done: Written }>();

/** The one that writes for all boards of a page; one that broke is replaced, and told all that is to be seen. */
function writer(): Worker {
  if (worker) return worker;
  const mine = new Worker(new URL('../worker/numbers.worker.ts', import.meta.url), { type: 'module' });
  mine.onmessage = ({ data: { id, turn, bitmap } }: MessageEvent<NumbersWritten>) => {
    const wish = waiting.get(id);
    if (wish?.asked.turn === turn) wish.done(bitmap);
    else bitmap.close();
  };
  mine.onerror = () => {
    mine.terminate();
    if (worker !== mine) return;
    worker = null;
    if (performance.now() - begunAt < AGAIN_MS) return;
    begunAt = performance.now();
    for (const { asked } of waiting.values()) writer().postMessage(asked);
  };
  worker = mine;
  return mine;
}

/** The numbers of one board, written in a worker; only what was wished for last is shown. */
export class Numbering {
  readonly #id = count++;
  #turn = 0;
  /** What that which stands on the canvas was made of. */
  #written: readonly unknown[] | null = null;

  /** @returns what ends it */
  begin(): () => void {
    return () => void waiting.delete(this.#id);
  }

  /** @param of all that the wish is made of: where the same was written last, it stands there still */
  write(wish: Omit<NumbersWish, 'id' | 'turn'>, of: readonly unknown[], done: Written): void {
    if (this.#written?.every((part, i) => part === of[i])) return;
    this.#written = null;
    const turn = ++this.#turn;
    const asked: NumbersWish = { id: this.#id, turn, ...wish };
    const shown = (bitmap: ImageBitmap) => {
      this.#written = of;
      done(bitmap);
    };
    waiting.set(this.#id, { asked, done: shown });
    writer().postMessage(asked);
  }
}
