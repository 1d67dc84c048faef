import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { COPIES_FOLDER } from './copies/names.ts';
import { codeOf, isFull } from './store/folder.ts';
import { Store } from './store/store.ts';
import { StudioFileError, type FileFault } from './store/studioFile.ts';

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

/** What is wrong with a file, as the end of a sentence that begins with it. */
export const FAULT_WORDS: Readonly<Record<FileFault, string>> = {
  empty: 'is empty',
  cut: 'is shorter than it was: a part of it is missing at its end',
  'no-database': 'is no database',
  damaged: 'is damaged',
  foreign: 'is a database, but none of a studio',
  newer: 'was written by a newer Nelvik',
  'part-missing': 'lacks a part of what it held',
};

const PUT_BACK = 'put a copy back (npm run copies -- list shows them), or keep the file elsewhere to begin anew';

/**
 * Opens the studio of a folder, or says in one sentence why it cannot be opened and what to do.
 * @param copies folder of its copies: where there are some and no studio, nothing is begun anew in silence
 */
export function openStore(
  folder: string,
  migrations: string,
  copies = join(folder, COPIES_FOLDER),
): { readonly store: Store } | { readonly problem: string } {
  const file = join(folder, 'nelvik.sqlite');
  try {
    if (!existsSync(file) && hasCopies(copies))
      return {
        problem: `The studio is no longer in ${folder}, but copies of it are in ${copies}; ${PUT_BACK.replace('the file', 'the copies')}.`,
      };
    return { store: new Store(folder, migrations) };
  } catch (error) {
    return { problem: problemWords(error, folder, file) };
  }
}

function problemWords(error: unknown, folder: string, file: string): string {
  if (error instanceof StudioFileError)
    return error.fault === 'newer'
      ? `${file} ${FAULT_WORDS.newer}; start that one, or ${PUT_BACK}.`
      : `${file} ${FAULT_WORDS[error.fault]}; nothing in it was changed: ${PUT_BACK}.`;
  const code = codeOf(error);
  if (code === 'SQLITE_BUSY') return `Another Nelvik works on ${file}; stop that one first.`;
  if (code === 'SQLITE_NOTADB' || code.startsWith('SQLITE_CORRUPT'))
    return `${file} ${FAULT_WORDS.damaged}; nothing in it was changed: ${PUT_BACK}.`;
  if (isFull(folder, error)) return `The disk that holds ${folder} is full; make room and start again.`;
  if (UNWRITABLE.has(code)) return `Nelvik cannot write to ${folder}; set NELVIK_DATA to a folder that you own.`;
  const why = error instanceof Error ? error.message : 'no reason was given';
  return `${file} could not be brought up to date (${why}); nothing in it was changed: ${PUT_BACK}.`;
}

function hasCopies(folder: string): boolean {
  try {
    return readdirSync(folder).some((name) => name.endsWith('.sqlite'));
  } catch {
    return false;
  }
}
