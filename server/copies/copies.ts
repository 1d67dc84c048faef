import { copyFileSync, linkSync, readdirSync, renameSync, rmSync, statfsSync, statSync } from 'node:fs';
import { basename, join } from 'node:path';
import Database from 'better-sqlite3';
import type { CopiesAnswer, CopyLine } from '#contract';
import type { Store } from '../store/store.ts';
import type { CopyJobs } from './copyJobs.ts';
import { nameOf, readName, startOfDay, type CopyReason } from './names.ts';
import { codeOf, FULL, makeFolder } from '../store/folder.ts';

/** Copies that Nelvik makes by itself are kept so long. */
export const KEPT_DAYS = 30;
/** And so many of them at the least, whatever the clock of this computer says. */
const KEPT_AT_LEAST = 7;
const DAY_MS = 86_400_000;

/** What came of putting a copy back. */
export type PutBack = { readonly entries: number; readonly before: string } | { readonly problem: string };

export interface CopiesParts {
  readonly folder: string;
  readonly store: () => Store;
  readonly jobs: Pick<CopyJobs, 'copy' | 'seal'>;
  readonly clock: () => number;
}

/** The copies of a studio: whole files in a folder, made when asked for and by themselves at the turn of each day. */
export class Copies {
  readonly folder: string;
  readonly #parts: CopiesParts;
  /** One copy at a time. */
  #last: Promise<unknown> = Promise.resolve();
  /** Why the last copy that was to be made by itself was not. */
  problem: keyof typeof PROBLEM_WORDS | null = null;

  constructor(parts: CopiesParts) {
    this.folder = parts.folder;
    this.#parts = parts;
  }

  /** A live copy: work goes on meanwhile, and no half copy is ever found under a copy's name. */
  save(reason: CopyReason): Promise<CopyLine> {
    const made = this.#last.then(() => this.#make(reason));
    // Whoever asked hears how it went; the next copy is made after it either way.
    this.#last = Promise.allSettled([made]);
    return made;
  }

  async #make(reason: CopyReason): Promise<CopyLine> {
    makeFolder(this.folder);
    const part = join(this.folder, 'copy-under-way');
    const clear = () => {
      for (const end of ['', '-journal', '-wal', '-shm']) rmSync(part + end, { force: true });
    };
    clear();
    try {
      const store = this.#parts.store();
      this.mustHaveRoom(store.bytes());
      await this.#copy(store, part);
      const name = this.freeName(reason, entriesOf(part));
      renameSync(part, join(this.folder, name));
      return this.#line(name);
    } catch (error) {
      clear();
      throw error;
    }
  }

  /** Off this thread; a file that was taken away is copied from what is still open of it. */
  async #copy(store: Store, part: string): Promise<void> {
    const { jobs } = this.#parts;
    if (store.isInPlace()) return jobs.copy(store.file, part);
    await store.backup(part);
    await jobs.seal(part);
  }

  /** @throws as a full disk does, before a large file fills the disk that the studio itself writes to */
  mustHaveRoom(bytes: number): void {
    makeFolder(this.folder);
    const { bavail, bsize } = statfsSync(this.folder);
    if (bavail * bsize < bytes) throw Object.assign(new Error('no room for a copy'), { code: 'ENOSPC' });
  }

  /** The name of a copy that is made now, where no other lies under it. */
  freeName(reason: CopyReason, entries: number | null, kind: 'sqlite' | 'json' = 'sqlite'): string {
    makeFolder(this.folder);
    const taken = new Set(readdirSync(this.folder));
    for (let at = this.#parts.clock(); ; at += 1000) {
      const name = nameOf(at, reason, entries, kind);
      if (!taken.has(name)) return name;
    }
  }

  /** What is there, newest first. */
  list(): CopyLine[] {
    let names: string[] = [];
    try {
      names = readdirSync(this.folder);
    } catch (error) {
      // There are none yet, or the place is no folder: making one will tell.
      if (!['ENOENT', 'ENOTDIR'].includes(codeOf(error))) throw error;
    }
    return names
      .flatMap((name) => (readName(name) ? [this.#line(name)] : []))
      .sort((a, b) => b.at - a.at || (a.name < b.name ? 1 : -1));
  }

  /** The file of a copy; null where there is none of that name. */
  fileOf(name: string): string | null {
    if (basename(name) !== name || !readName(name)) return null;
    return this.list().some((copy) => copy.name === name) ? join(this.folder, name) : null;
  }

  #line(name: string): CopyLine {
    const told = readName(name);
    if (!told) throw new Error(`${name} is no copy`);
    return { ...told, bytes: statSync(join(this.folder, name)).size };
  }

  /** The newest copy of what stood when the last day of work before today had ended. */
  yesterday(): CopiesAnswer['yesterday'] {
    const { book } = this.#parts.store();
    const last = book.lastBefore(startOfDay(this.#parts.clock()));
    if (!last) return null;
    for (const { name, at, entries } of this.list()) {
      const told = entries === null || entries > last.seq ? null : book.entry(entries);
      // A copy older than the entry that it should end with is of another course of things: one that was left by putting back.
      if (told && at + 999 >= told.at) return { name, asOf: told.at };
    }
    return null;
  }

  /** Once a day, before or soon after the first work of that day: a copy of what the days before have left. */
  async daily(): Promise<void> {
    const today = startOfDay(this.#parts.clock());
    const last = this.#parts.store().book.lastBefore(today);
    const isMade = (copy: CopyLine) =>
      // One that a wrong clock dated ahead is none of today's.
      (copy.reason === 'daily' && copy.at >= today && copy.at < today + DAY_MS) ||
      (copy.entries === last?.seq && copy.at + 999 >= last.at);
    try {
      if (last && !this.list().some(isMade)) await this.save('daily');
      this.prune();
      this.problem = null;
    } catch (error) {
      this.problem = FULL.has(codeOf(error)) ? 'disk-full' : 'failed';
      throw error;
    }
  }

  /** Lets go of copies that were made by themselves and have had their time. */
  prune(): void {
    const own = this.list().filter((copy) => copy.reason === 'daily' || copy.reason === 'before');
    const oldest = this.#parts.clock() - KEPT_DAYS * DAY_MS;
    for (const { name, at } of own.slice(KEPT_AT_LEAST))
      if (at < oldest) for (const end of ['', '-wal']) rmSync(join(this.folder, name + end), { force: true });
  }

  answer(): CopiesAnswer {
    const { problem } = this;
    return {
      place: this.folder,
      keptDays: KEPT_DAYS,
      copies: this.list(),
      yesterday: this.yesterday(),
      problem: problem && PROBLEM_WORDS[problem],
    };
  }
}

const PROBLEM_WORDS = {
  'disk-full':
    'The last daily copy could not be made: the disk is full. Make room, or delete copies that you no longer need.',
  failed: 'The last daily copy could not be made; look whether the place of the copies can be written.',
} as const;

/** The same file under a second name; where the disk knows none, a copy. */
export function keepAs(file: string, name: string): void {
  try {
    linkSync(file, name);
  } catch {
    copyFileSync(file, name);
  }
}

function entriesOf(file: string): number {
  const sqlite = new Database(file, { readonly: true });
  try {
    return sqlite.prepare<[], { last: number | null }>('select max(seq) as last from log').get()?.last ?? 0;
  } finally {
    sqlite.close();
  }
}
