import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { codeOf, isFull, makeFolder } from './store/folder.ts';

/** What a running Nelvik holds of its data folder. */
export interface Owner {
  /** Says where it can be found, for a second one that is started on the same data. */
  tellAddress(url: string): void;
  release(): void;
}

/**
 * Makes this process the one owner of a data folder. The lock is the operating system's own, held through SQLite: it
 * ends with the process, however that ends, so that nothing is left behind by a crash.
 */
export function own(folder: string): Owner | { readonly problem: string } {
  const address = join(folder, 'nelvik.address');
  let lock: Database.Database | null = null;
  try {
    makeFolder(folder);
    lock = new Database(join(folder, 'nelvik.lock'), { timeout: 0 });
    lock.exec('begin exclusive');
  } catch (error) {
    lock?.close();
    if (codeOf(error) === 'SQLITE_BUSY')
      return { problem: `Nelvik already runs on this data${whereAt(address)}; open that one, or stop it first.` };
    if (isFull(folder, error)) return { problem: `The disk that holds ${folder} is full; make room and start again.` };
    return { problem: `Nelvik cannot write to ${folder}; set NELVIK_DATA to a folder that you own.` };
  }
  const held = lock;
  return {
    tellAddress: (url) => writeFileSync(address, url),
    release: () => {
      rmSync(address, { force: true });
      held.close();
    },
  };
}

function whereAt(file: string): string {
  try {
    return `, at ${readFileSync(file, 'utf8').slice(0, 200)}`;
  } catch {
    // It has only just been started, or has not told yet.
    return '';
  }
}

/** Whether what answers at an address is a Nelvik: its refusals have a form of their own. */
export async function isNelvikAt(url: string): Promise<boolean> {
  try {
    const response = await fetch(`${url}/api/is-this-nelvik`, { signal: AbortSignal.timeout(1500) });
    const body: unknown = await response.json();
    return typeof body === 'object' && body !== null && 'error' in body && 'words' in body;
  } catch {
    return false;
  }
}
