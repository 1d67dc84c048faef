import type { LiveMessage } from '#contract';

/** What a screen hears: the line has opened (again), and from where it goes on; something has changed; it is broken. */
export type Heard = { readonly kind: 'begin' | 'change'; readonly message: LiveMessage } | { readonly kind: 'lost' };

/** As much of an EventSource as is used here. */
export type Source = Pick<EventSource, 'readyState' | 'onmessage' | 'onerror' | 'onopen' | 'close'>;

const CLOSED = 2;
const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 15_000;

/**
 * The line to the server on which it tells what changes. The browser takes it up again after a break by itself, but not
 * once it was turned away, as before the passcode is entered; that is done here, after longer and longer waits.
 */
export class LiveLine {
  readonly #open: () => Source;
  readonly #tell: (heard: Heard) => void;
  #source: Source | null = null;
  #timer: ReturnType<typeof setTimeout> | null = null;
  #waitMs = FIRST_WAIT_MS;
  #latest: LiveMessage | null = null;

  constructor(open: () => Source, tell: (heard: Heard) => void) {
    this.#open = open;
    this.#tell = tell;
    this.#begin();
  }

  /** Where the line stands, for whoever joins later; null while it is not open. */
  get latest(): LiveMessage | null {
    return this.#source?.readyState === 1 ? this.#latest : null;
  }

  /** Tries at once, where the line is closed: somebody has just come in. */
  again(): void {
    if (this.#source && this.#source.readyState !== CLOSED) return;
    this.#waitMs = FIRST_WAIT_MS;
    this.#begin();
  }

  close(): void {
    if (this.#timer) clearTimeout(this.#timer);
    this.#source?.close();
  }

  #begin(): void {
    this.close();
    this.#timer = null;
    const source = this.#open();
    this.#source = source;
    let hasBegun = false;
    source.onopen = () => {
      hasBegun = false;
      this.#waitMs = FIRST_WAIT_MS;
    };
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const message = JSON.parse(data) as LiveMessage;
      this.#latest = message;
      this.#tell({ kind: hasBegun ? 'change' : 'begin', message });
      hasBegun = true;
    };
    source.onerror = () => {
      if (this.#source === source) this.#tell({ kind: 'lost' });
      if (source.readyState !== CLOSED || this.#source !== source) return;
      this.#timer = setTimeout(() => this.#begin(), this.#waitMs);
      this.#waitMs = Math.min(LONGEST_WAIT_MS, this.#waitMs * 2);
    };
  }
}
