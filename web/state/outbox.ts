import type { Accepted } from '#contract';
import { ApiError } from './api.ts';

/** A step on its way to the server, as it lies in the browser's own storage until it is answered. */
export interface Step {
  readonly commandId: string;
  /** When it was done here: steps are sent in this order. */
  readonly at: number;
  readonly path: string;
  readonly body: object;
  /** What it is, for whoever looks at what waits. */
  readonly words: string;
  /** Why the studio did not take it, where nobody was there any more to be told. */
  readonly refused?: string;
}

type Ended = { readonly done: Accepted } | { readonly error: unknown };

const KEY = 'nelvik-step:';
const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 10_000;

/**
 * What was done on this screen and is not answered yet. Each step lies in the browser's storage under its own key, so it
 * outlives a reload, a closed tab and hours without a server; it is sent in order, and its id makes that it counts once.
 */
export class Outbox {
  readonly #storage: Storage;
  readonly #post: (path: string, body: object) => Promise<Accepted>;
  readonly #waiters = new Map<string, (ended: Ended) => void>();
  readonly #listeners = new Set<() => void>();
  /** Steps that this page sends: what lay there when it was loaded, and its own. Other tabs send theirs. */
  readonly #mine = new Set<string>();
  #steps: readonly Step[] = [];
  #isSending = false;
  #pauseMs = FIRST_PAUSE_MS;
  #wake: (() => void) | null = null;
  /** Told of what is answered though nobody waits for it any more: it was done before the page was loaded. */
  onLate: (step: Step, ended: Ended) => void = () => {};

  /** Told when a step waits because the passcode is asked for again. */
  onPasscode: () => void = () => {};

  constructor(storage: Storage, post: (path: string, body: object) => Promise<Accepted>) {
    this.#storage = storage;
    this.#post = post;
    for (const { commandId } of this.#stored()) this.#mine.add(commandId);
    this.#read();
    if (this.waiting.length > 0) void this.#sendAll();
  }

  /** All that lies here, oldest first. */
  get steps(): readonly Step[] {
    return this.#steps;
  }

  get waiting(): readonly Step[] {
    return this.#steps.filter((step) => step.refused === undefined);
  }

  onChange(listener: () => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /**
   * Keeps a step and sends it when those before it are answered.
   * @throws ApiError when the studio refuses it, or when it is given up
   */
  async send(step: Step): Promise<Accepted> {
    const ended = new Promise<Ended>((done) => this.#waiters.set(step.commandId, done));
    this.#keep(step);
    void this.#sendAll();
    const answer = await ended;
    if ('error' in answer) throw answer.error;
    return answer.done;
  }

  /** A step is not to be sent any more, or its refusal has been read. */
  giveUp(commandId: string): void {
    this.#end(commandId, { error: new ApiError('given-up', 'The step was given up; nothing was changed.') });
  }

  /** Tries at once: the server may be back, or somebody has just come in. */
  again(): void {
    this.#pauseMs = FIRST_PAUSE_MS;
    this.#wake?.();
  }

  async #sendAll(): Promise<void> {
    if (this.#isSending) return;
    this.#isSending = true;
    for (let step = this.waiting[0]; step; step = this.waiting[0]) {
      const ended = await this.#try(step);
      if (ended) {
        this.#pauseMs = FIRST_PAUSE_MS;
        this.#answered(step, ended);
      } else await this.#pause();
    }
    this.#isSending = false;
  }

  /** Null where there was no answer, or none before the passcode is entered: it waits. */
  async #try({ path, body }: Step): Promise<Ended | null> {
    try {
      return { done: await this.#post(path, body) };
    } catch (error) {
      const waits = error instanceof ApiError && (error.code === 'no-answer' || error.code === 'passcode-needed');
      if (waits && error.code === 'passcode-needed') this.onPasscode();
      return waits ? null : { error };
    }
  }

  #answered(step: Step, ended: Ended): void {
    const isAwaited = this.#waiters.has(step.commandId);
    if (!isAwaited && 'error' in ended) {
      const refused = ended.error instanceof Error ? ended.error.message : String(ended.error);
      this.#keep({ ...step, refused });
    } else this.#end(step.commandId, ended);
    if (!isAwaited) this.onLate(step, ended);
  }

  #end(commandId: string, ended: Ended): void {
    for (const step of this.#steps) if (step.commandId === commandId) this.#storage.removeItem(keyOf(step));
    this.#waiters.get(commandId)?.(ended);
    this.#waiters.delete(commandId);
    this.#read();
  }

  #keep(step: Step): void {
    this.#mine.add(step.commandId);
    this.#storage.setItem(keyOf(step), JSON.stringify(step));
    this.#read();
  }

  #read(): void {
    this.#steps = this.#stored().filter((step) => this.#mine.has(step.commandId));
    this.#listeners.forEach((listener) => listener());
  }

  #stored(): Step[] {
    const keys = Array.from({ length: this.#storage.length }, (_, i) => this.#storage.key(i) ?? '');
    return keys
      .filter((key) => key.startsWith(KEY))
      .sort()
      .flatMap((key) => readStep(this.#storage.getItem(key)));
  }

  #pause(): Promise<void> {
    return new Promise((on) => {
      const timer = setTimeout(() => this.#wake?.(), this.#pauseMs);
      this.#pauseMs = Math.min(LONGEST_PAUSE_MS, this.#pauseMs * 1.6);
      this.#wake = () => {
        clearTimeout(timer);
        this.#wake = null;
        on();
      };
    });
  }
}

const keyOf = ({ at, commandId }: Step): string => `${KEY}${String(at).padStart(15, '0')}:${commandId}`;

/** What somebody else has written under our keys is passed over. */
function readStep(text: string | null): Step[] {
  try {
    const step: unknown = JSON.parse(text ?? '');
    return isStep(step) ? [step] : [];
  } catch {
    return [];
  }
}

const isStep = (value: unknown): value is Step =>
  typeof value === 'object' &&
  value !== null &&
  'commandId' in value &&
  'path' in value &&
  'body' in value &&
  'words' in value;
