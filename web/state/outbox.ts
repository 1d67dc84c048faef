import type { Accepted } from '#contract';
import { ApiError } from './api.ts';

/** A step on its way to the server, as it lies in the browser's own storage until it is answered. */
export interface Step {
  readonly commandId: string;
  /** When it was done here: steps are sent in this order. */
  readonly at: number;
  readonly path: string;
  /** Null where it is too large for a line of the storage and lies among the large ones. */
  readonly body: object | null;
  /** What it is, for whoever looks at what waits. */
  readonly words: string;
  /** Why the studio did not take it, where it was done too long ago for whoever did it to be waiting still. */
  readonly refused?: string;
  /** What had happened in the studio meanwhile. */
  readonly meanwhile?: readonly string[];
}

type Ended = { readonly done: Accepted } | { readonly error: unknown };

/** Where large bodies lie: a drawing has up to 32 MB. */
export interface LargeStore {
  get(id: string): Promise<object | undefined>;
  put(id: string, body: object): Promise<void>;
  remove(id: string): Promise<void>;
}

export interface OutboxParts {
  readonly storage: Storage;
  readonly large: LargeStore;
  readonly post: (path: string, body: object) => Promise<Accepted>;
  readonly clock?: () => number;
}

const KEY = 'nelvik-step:';
const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 10_000;
/** Whoever did a step longer ago has gone on with something else: its refusal is kept to be looked at. */
const LATE_MS = 5000;
/** A storage has a few megabytes for everything. */
const LARGE_CHARS = 200_000;

/**
 * What was done on this screen and is not answered yet. Each step lies in the browser's storage under its own key, so it
 * outlives a reload, a closed tab and hours without a server; it is sent in order, and its id makes that it counts once.
 */
export class Outbox {
  readonly #parts: OutboxParts;
  readonly #waiters = new Map<string, (ended: Ended) => void>();
  readonly #listeners = new Set<() => void>();
  /** Steps that this page sends: what lay there when it was loaded, and its own. Other tabs send theirs. */
  readonly #mine = new Set<string>();
  /** Steps that the browser would not keep: they wait in this page alone. */
  readonly #loose = new Map<string, Step>();
  #steps: readonly Step[] = [];
  #isSending = false;
  #pauseMs = FIRST_PAUSE_MS;
  #wake: (() => void) | null = null;
  /** What the server says of why it takes nothing just now. */
  #why: string | null = null;
  /** Told of what is answered though nobody waits for it any more: it was done before the page was loaded. */
  onLate: (step: Step, ended: Ended) => void = () => {};

  /** Told when a step waits because the passcode is asked for again. */
  onPasscode: () => void = () => {};

  constructor(parts: OutboxParts) {
    this.#parts = parts;
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

  /** Whether all of it outlives the page. */
  get isLasting(): boolean {
    return this.#loose.size === 0;
  }

  get why(): string | null {
    return this.#why;
  }

  onChange(listener: () => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /**
   * Keeps a step and sends it when those before it are answered.
   * @throws ApiError when the studio refuses it, or when it is given up; `kept-for-later` where its refusal waits here
   */
  async send(step: Step & { readonly body: object }): Promise<Accepted> {
    const ended = new Promise<Ended>((done) => this.#waiters.set(step.commandId, done));
    const isLarge = JSON.stringify(step.body).length > LARGE_CHARS;
    if (isLarge) await this.#keepLarge(step);
    else this.#keep(step);
    void this.#sendAll();
    const answer = await ended;
    if ('error' in answer) throw answer.error;
    return answer.done;
  }

  async #keepLarge(step: Step & { readonly body: object }): Promise<void> {
    try {
      await this.#parts.large.put(step.commandId, step.body);
      this.#keep({ ...step, body: null });
    } catch {
      this.#loose.set(step.commandId, step);
      this.#mine.add(step.commandId);
      this.#read();
    }
  }

  /** A step is not to be sent any more, or its refusal has been looked at. */
  giveUp(commandId: string): void {
    this.#end(commandId, { error: new ApiError('given-up', 'The step was given up; nothing was changed.') });
  }

  /** A step that was refused is done all the same, on what stands now. */
  async insist(commandId: string, basis: number): Promise<void> {
    const step = this.#steps.find((one) => one.commandId === commandId);
    const body = step && (step.body ?? (await this.#parts.large.get(commandId)));
    if (!step || !body) return;
    const { refused: _, meanwhile: __, ...plain } = step;
    const again = { ...plain, body: { ...body, basis } };
    if (step.body === null) await this.#keepLarge(again);
    else this.#keep(again);
    void this.#sendAll();
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
        this.#why = null;
        this.#answered(step, ended);
      } else await this.#pause();
    }
    this.#isSending = false;
  }

  /** Null where there was no answer, or none before the passcode is entered: it waits. */
  async #try({ commandId, path, body }: Step): Promise<Ended | null> {
    try {
      const whole = body ?? (await this.#parts.large.get(commandId));
      // The browser has thrown it away, or somebody has cleared it.
      if (!whole) return { error: new ApiError('given-up', 'This browser did not keep it; do it again.') };
      return { done: await this.#parts.post(path, whole) };
    } catch (error) {
      if (!(error instanceof ApiError) || !WAITS.has(error.code)) return { error };
      this.#why = error.code === 'not-now' ? error.message : null;
      if (error.code === 'passcode-needed') this.onPasscode();
      return null;
    }
  }

  #answered(step: Step, ended: Ended): void {
    // Given up while it was under way: a refusal is no news then, but that it was done after all is.
    if (!this.#steps.some(({ commandId }) => commandId === step.commandId)) {
      if ('done' in ended) this.onLate(step, ended);
      return;
    }
    const { clock = Date.now } = this.#parts;
    const waiter = this.#waiters.get(step.commandId);
    const isLate = waiter === undefined || clock() - step.at > LATE_MS;
    if (isLate && 'error' in ended) {
      const { error } = ended;
      const refused = error instanceof Error ? error.message : String(error);
      const meanwhile = error instanceof ApiError ? error.refusal?.meanwhile : undefined;
      this.#keep({ ...step, refused, ...(meanwhile ? { meanwhile } : {}) });
      this.#waiters.delete(step.commandId);
      waiter?.({ error: new ApiError('kept-for-later', refused) });
    } else this.#end(step.commandId, ended);
    if (!waiter) this.onLate(step, ended);
  }

  #end(commandId: string, ended: Ended): void {
    for (const step of this.#steps) {
      if (step.commandId !== commandId) continue;
      this.#parts.storage.removeItem(keyOf(step));
      this.#loose.delete(commandId);
      if (step.body === null) void this.#parts.large.remove(commandId).catch(() => undefined);
    }
    this.#waiters.get(commandId)?.(ended);
    this.#waiters.delete(commandId);
    this.#read();
  }

  #keep(step: Step): void {
    this.#mine.add(step.commandId);
    try {
      this.#parts.storage.setItem(keyOf(step), JSON.stringify(step));
      this.#loose.delete(step.commandId);
    } catch {
      this.#loose.set(step.commandId, step);
    }
    this.#read();
  }

  #read(): void {
    const kept = this.#stored().filter(({ commandId }) => this.#mine.has(commandId) && !this.#loose.has(commandId));
    this.#steps = [...kept, ...this.#loose.values()].sort((a, b) => a.at - b.at);
    this.#listeners.forEach((listener) => listener());
  }

  #stored(): Step[] {
    const { storage } = this.#parts;
    const keys = Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '');
    return keys
      .filter((key) => key.startsWith(KEY))
      .sort()
      .flatMap((key) => readStep(storage.getItem(key)));
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

/** Answers that are none yet. */
const WAITS: ReadonlySet<ApiError['code']> = new Set(['no-answer', 'not-now', 'passcode-needed', 'too-many']);

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
