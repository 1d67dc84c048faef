import { closeSync, copyFileSync, fsyncSync, mkdirSync, openSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { checkStudio } from '../checkStudio.ts';
import { JobEnded, JobPool, type JobLimits } from '../jobs/pool.ts';
import { FAULT_WORDS } from '../openStore.ts';
import { renewId, Store } from '../store/store.ts';
import { firstBytes, mustBeStudio, StudioFileError } from '../store/studioFile.ts';
import { readIn } from './readIn.ts';

/** A studio's file is copied as it stands at one moment, by SQLite's own backup; work on it goes on meanwhile. */
export interface CopyJob {
  readonly kind: 'copy';
  readonly from: string;
  readonly to: string;
}

/** A copy becomes one file by itself, looked through and on the disk. */
export interface SealJob {
  readonly kind: 'seal';
  readonly file: string;
}

/** A file from anywhere becomes a studio of today, in a folder of its own, held against everything that `check` knows. */
export interface PrepareJob {
  readonly kind: 'prepare';
  readonly file: string;
  /** Emptied first. */
  readonly folder: string;
  readonly migrations: string;
}

export type CopiesJob = CopyJob | SealJob | PrepareJob;
export type Prepared = { readonly file: string; readonly entries: number } | { readonly problem: string };

const ALL_PAGES = 2 ** 31 - 1;

/** Ten years of work take a minute; a disk may be slow. */
const LIMITS: JobLimits = { longestMs: 15 * 60_000, mostMemoryMb: 2048 };

/** The work itself, wherever it runs. */
export async function workOnCopy(job: CopiesJob): Promise<Prepared | null> {
  if (job.kind === 'prepare') return prepare(job);
  if (job.kind === 'copy') await copy(job);
  seal(job.kind === 'copy' ? job.to : job.file);
  return null;
}

async function copy({ from, to }: CopyJob): Promise<void> {
  const sqlite = new Database(from, { readonly: true });
  try {
    // All pages in one step: copied in parts it would begin again after each command that comes between.
    await sqlite.backup(to, { progress: () => ALL_PAGES });
  } finally {
    sqlite.close();
  }
}

function seal(file: string): void {
  const sqlite = new Database(file);
  try {
    sqlite.pragma('journal_mode = delete');
    const found = sqlite.pragma('quick_check', { simple: true });
    if (found !== 'ok') throw new StudioFileError('damaged', String(found));
  } finally {
    sqlite.close();
  }
  const fd = openSync(file, 'r+');
  fsyncSync(fd);
  closeSync(fd);
}

async function prepare({ file, folder, migrations }: PrepareJob): Promise<Prepared> {
  rmSync(folder, { recursive: true, force: true });
  try {
    return await broughtUp(file, folder, migrations);
  } catch (error) {
    rmSync(folder, { recursive: true, force: true });
    return { problem: faultWords(error) };
  }
}

async function broughtUp(file: string, folder: string, migrations: string): Promise<Prepared> {
  if (statSync(file).size === 0) throw new StudioFileError('empty');
  if (/^\s*\{/.test(firstBytes(file, 64))) await readIn(file, folder, migrations);
  else {
    mustBeStudio(file, migrations);
    mkdirSync(folder, { recursive: true });
    copyFileSync(file, join(folder, 'nelvik.sqlite'));
  }
  const store = new Store(folder, migrations);
  try {
    const [wrong] = checkStudio(store);
    if (wrong !== undefined) throw new StudioFileError('damaged', wrong);
    renewId(store.sqlite);
    store.sqlite.pragma('wal_checkpoint(TRUNCATE)');
    return { file: store.file, entries: store.book.lastSeq() };
  } finally {
    store.close();
  }
}

/** One plain sentence, whatever it was. */
function faultWords(error: unknown): string {
  const { code, message } = error as { code?: string; message?: string };
  if (code === 'ENOENT') return 'This copy is no longer in its place; nothing was changed.';
  const fault = error instanceof StudioFileError ? error.fault : code === 'SQLITE_NOTADB' ? 'no-database' : 'damaged';
  const about = (message ?? '').split('\n')[0]?.slice(0, 160) ?? '';
  const detail = fault === 'damaged' ? ` (${about.replace(/^damaged: /, '')})` : '';
  return `This file ${FAULT_WORDS[fault]}${detail}; nothing was changed.`;
}

/** Copies sealed and prepared off the server's thread, one at a time. */
export class CopyJobs {
  readonly #pool: JobPool;

  /** @param script the bundled worker; null works in place */
  constructor(script: URL | null) {
    this.#pool = new JobPool(script, 1, (job) => workOnCopy(job as CopiesJob));
  }

  async copy(from: string, to: string): Promise<void> {
    await this.#pool.run({ kind: 'copy', from, to } satisfies CopiesJob, { limits: LIMITS });
  }

  async seal(file: string): Promise<void> {
    await this.#pool.run({ kind: 'seal', file } satisfies CopiesJob, { limits: LIMITS });
  }

  async prepare(job: Omit<PrepareJob, 'kind'>): Promise<Prepared> {
    try {
      return (await this.#pool.run({ kind: 'prepare', ...job } satisfies CopiesJob, { limits: LIMITS })) as Prepared;
    } catch (error) {
      if (error instanceof JobEnded)
        return { problem: 'This file takes more than this computer has; nothing was changed.' };
      throw error;
    }
  }
}
