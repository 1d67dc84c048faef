import { renameSync, rmSync } from 'node:fs';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { join } from 'node:path';
import { makeApp, type AppParts } from './app.ts';
import { Copies, keepAs, type PutBack } from './copies/copies.ts';
import { CopyJobs } from './copies/copyJobs.ts';
import { COPIES_FOLDER } from './copies/names.ts';
import { Desk } from './desk.ts';
import { openStore } from './openStore.ts';
import { Store } from './store/store.ts';

export interface ServedParts extends Omit<AppParts, 'desk' | 'copies' | 'putBack'> {
  readonly folder: string;
  readonly migrations: string;
  /** Where copies lie; in the data folder itself where it is left out. */
  readonly copiesFolder?: string | undefined;
  /** The bundled worker that looks through copies; null works in place. */
  readonly copyWorker: URL | null;
}

/** The studio that is served. Another one can be put in its place while the server stands. */
export class Served {
  readonly copies: Copies;
  readonly #parts: ServedParts;
  readonly #jobs: CopyJobs;
  #desk: Desk;
  #app: ReturnType<typeof makeApp>;
  #isPuttingBack = false;

  private constructor(parts: ServedParts, store: Store) {
    this.#parts = parts;
    this.#jobs = new CopyJobs(parts.copyWorker);
    this.copies = new Copies({
      folder: parts.copiesFolder ?? join(parts.folder, COPIES_FOLDER),
      store: () => this.#desk.store,
      jobs: this.#jobs,
      clock: parts.clock,
    });
    this.#desk = new Desk(store);
    this.#app = this.#appOn(this.#desk);
  }

  static open(parts: ServedParts): Served | { readonly problem: string } {
    const opened = openStore(parts.folder, parts.migrations, parts.copiesFolder);
    return 'problem' in opened ? opened : new Served(parts, opened.store);
  }

  get desk(): Desk {
    return this.#desk;
  }

  readonly handle = (req: IncomingMessage, res: ServerResponse): void => this.#app.app(req, res);

  #appOn(desk: Desk): ReturnType<typeof makeApp> {
    return makeApp({ ...this.#parts, desk, copies: this.copies, putBack: (name) => this.putBack(name) });
  }

  /**
   * Puts a copy in the place of what stands. It is looked through and brought up to date beside it first; what stands is
   * kept as a copy; then one name is changed for the other, and all screens start afresh.
   */
  async putBack(name: string): Promise<PutBack> {
    const file = this.copies.fileOf(name);
    if (file === null) return { problem: 'This copy is no longer in its place; nothing was changed.' };
    if (this.#isPuttingBack) return { problem: 'Another copy is being put back; wait until that is done.' };
    this.#isPuttingBack = true;
    const { folder, migrations } = this.#parts;
    const room = join(folder, 'coming');
    try {
      const prepared = await this.#jobs.prepare({ file, folder: room, migrations });
      return 'problem' in prepared ? prepared : this.#exchange(prepared);
    } finally {
      rmSync(room, { recursive: true, force: true });
      this.#isPuttingBack = false;
    }
  }

  /** Nobody's command comes between: nothing here waits for anything. */
  #exchange({ file, entries }: { file: string; entries: number }): PutBack {
    const { store } = this.#desk;
    const before = this.copies.freeName('before', store.book.lastSeq());
    const kept = join(this.copies.folder, before);
    store.mustBeInPlace();
    try {
      store.closeForGood();
    } catch (error) {
      this.#parts.report(error);
      return { problem: 'Somebody else reads the studio’s file just now; nothing was changed. Try again in a minute.' };
    }
    try {
      keepAs(store.file, kept);
      renameSync(file, store.file);
    } catch (error) {
      this.#parts.report(error);
      rmSync(kept, { force: true });
      this.#reopen();
      return { problem: 'The copy could not be put in its place; nothing was changed. Is the disk full?' };
    }
    this.#reopen();
    return { entries, before };
  }

  #reopen(): void {
    const { close } = this.#app;
    const { folder, migrations } = this.#parts;
    this.#desk = new Desk(new Store(folder, migrations));
    this.#app = this.#appOn(this.#desk);
    close();
  }

  /** Takes in what lies beside the file, and stops. */
  close(): void {
    this.#app.close();
    this.#desk.store.close();
  }

  /** Ends what keeps connections open. */
  letGo(): void {
    this.#app.close();
  }
}
