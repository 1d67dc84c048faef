import { Worker } from 'node:worker_threads';

/** What a job may take. */
export interface JobLimits {
  readonly longestMs: number;
  readonly mostMemoryMb: number;
}

export interface JobOptions {
  readonly limits: JobLimits;
  /** Ends the job wherever it is: whoever asked for it is gone, or has thought better of it. */
  readonly signal?: AbortSignal;
  readonly onProgress?: (share: number) => void;
}

/** How a job ended that gave no answer. */
export type JobEnd = 'took-too-long' | 'took-too-much' | 'given-up';
export class JobEnded extends Error {
  readonly end: JobEnd;

  constructor(end: JobEnd) {
    super(`the job ${end === 'given-up' ? 'was given up' : end.replaceAll('-', ' ')}`);
    this.end = end;
  }
}

/** What a worker says while it works, and at its end. */
export type FromWorker = { readonly progress: number } | { readonly answer: unknown };

/** A worker that has nothing to do is kept so long for what is asked next, ms: to begin one takes longer than most jobs. */
const KEPT_MS = 20_000;

interface Idle {
  readonly worker: Worker;
  readonly mostMemoryMb: number;
  readonly timer: NodeJS.Timeout;
}

interface Waiting {
  readonly start: () => void;
}

/**
 * Long work, off the server's thread: so many jobs at once, the others in order of their coming, each within its limits
 * of time and memory, with progress, and ended when nobody waits for it any more.
 */
export class JobPool {
  readonly #script: URL | null;
  readonly #atOnce: number;
  readonly #inPlace: (job: unknown) => unknown;
  readonly #waiting: Waiting[] = [];
  readonly #idle = new Set<Idle>();
  #running = 0;

  /**
   * @param script the bundled worker; where there is none (under the test runner) jobs run in place
   * @param inPlace does a job's work on this thread
   */
  constructor(script: URL | null, atOnce: number, inPlace: (job: unknown) => unknown) {
    this.#script = script;
    this.#atOnce = atOnce;
    this.#inPlace = inPlace;
  }

  get running(): number {
    return this.#running;
  }

  get waiting(): number {
    return this.#waiting.length;
  }

  /** @throws JobEnded where it was ended without an answer */
  async run(job: unknown, options: JobOptions): Promise<unknown> {
    await this.#turn(options.signal);
    try {
      return this.#script === null ? this.#inPlace(job) : await this.#inWorker(this.#script, job, options);
    } finally {
      // The place goes to whoever has waited longest, without being free in between.
      const next = this.#waiting.shift();
      if (next) next.start();
      else this.#running--;
    }
  }

  #turn(signal: AbortSignal | undefined): Promise<void> {
    if (signal?.aborted) return Promise.reject(new JobEnded('given-up'));
    if (this.#running < this.#atOnce) {
      this.#running++;
      return Promise.resolve();
    }
    return new Promise((start, failed) => {
      const place: Waiting = { start };
      this.#waiting.push(place);
      signal?.addEventListener('abort', () => {
        const at = this.#waiting.indexOf(place);
        if (at < 0) return;
        this.#waiting.splice(at, 1);
        failed(new JobEnded('given-up'));
      });
    });
  }

  #inWorker(script: URL, job: unknown, { limits, signal, onProgress }: JobOptions): Promise<unknown> {
    return new Promise((done, failed) => {
      const worker = this.#take(script, limits.mostMemoryMb);
      const settle = (act: () => void) => {
        clearTimeout(timer);
        signal?.removeEventListener('abort', giveUp);
        worker.off('message', hear);
        worker.off('error', broke);
        act();
      };
      const end = (error: Error) =>
        settle(() => {
          void worker.terminate();
          failed(error);
        });
      const giveUp = () => end(new JobEnded('given-up'));
      const hear = (said: FromWorker) => {
        if ('progress' in said) onProgress?.(said.progress);
        else
          settle(() => {
            this.#keep(worker, limits.mostMemoryMb);
            done(said.answer);
          });
      };
      const broke = (error: Error & { code?: string }) =>
        end(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new JobEnded('took-too-much') : error);
      const timer = setTimeout(() => end(new JobEnded('took-too-long')), limits.longestMs);
      signal?.addEventListener('abort', giveUp);
      worker.on('message', hear);
      worker.on('error', broke);
      worker.postMessage(job);
    });
  }

  #take(script: URL, mostMemoryMb: number): Worker {
    for (const idle of this.#idle)
      if (idle.mostMemoryMb === mostMemoryMb) {
        this.#drop(idle);
        idle.worker.ref();
        return idle.worker;
      }
    const worker = new Worker(script, { resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb } });
    // One that was ended may still tell of what it broke on.
    worker.on('error', () => undefined);
    return worker;
  }

  #keep(worker: Worker, mostMemoryMb: number): void {
    const end = () => {
      this.#drop(idle);
      void worker.terminate();
    };
    const idle: Idle = { worker, mostMemoryMb, timer: setTimeout(end, KEPT_MS).unref() };
    this.#idle.add(idle);
    worker.unref();
  }

  #drop(idle: Idle): void {
    clearTimeout(idle.timer);
    this.#idle.delete(idle);
  }
}
