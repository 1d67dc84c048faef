import { join } from 'node:path';
import { Store } from './store/store.ts';

const UNWRITABLE = new Set([
  'EACCES',
  'EROFS',
  'ENOTDIR',
  'ENOENT',
  'EEXIST',
  'EPERM',
  'SQLITE_CANTOPEN',
  'SQLITE_READONLY',
]);

/** Opens the studio of a folder, or says in one sentence why it cannot be opened and what to do. */
export function openStore(
  folder: string,
  migrations: string,
): { readonly store: Store } | { readonly problem: string } {
  try {
    return { store: new Store(folder, migrations) };
  } catch (error) {
    const { code, message } = error as { code?: string; message?: string };
    const file = join(folder, 'nelvik.sqlite');
    if (code !== undefined && UNWRITABLE.has(code))
      return { problem: `Nelvik cannot write to ${folder}; set NELVIK_DATA to a folder that you own.` };
    if (code === 'SQLITE_FULL' || code === 'ENOSPC')
      return { problem: `The disk that holds ${folder} is full; make room and start again.` };
    if (code === 'SQLITE_BUSY') return { problem: `Another Nelvik works on ${file}; stop that one first.` };
    if (code === 'SQLITE_NOTADB' || code === 'SQLITE_CORRUPT')
      return { problem: `${file} is not a Nelvik database or is damaged; put a backup in its place.` };
    return {
      problem: `${file} could not be brought up to date (${message ?? 'no reason was given'}); nothing in it was changed. Keep the file, and put a backup in its place.`,
    };
  }
}
