import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/**
 * Makes a folder, and those above it.
 * @throws the system's error; in places where nothing can be made, Node's own recursive way would try for ever
 */
export function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  const above = dirname(folder);
  if (above !== folder) makeFolder(above);
  mkdirSync(folder);
}

/** No room for what is to be written: said by SQLite, or by the system. */
export const FULL: ReadonlySet<string> = new Set([
  'SQLITE_FULL',
  'SQLITE_IOERR_WRITE',
  'SQLITE_IOERR_TRUNCATE',
  'ENOSPC',
  'EDQUOT',
  'EFBIG',
]);

export const codeOf = (error: unknown): string => String((error as { code?: unknown } | null)?.code);

/** What a start writes at the most before anybody has done anything. */
const ROOM_BYTES = 2 * 1024 * 1024;

/** Whether a disk has no room left, where the error that was met is not plain about it: it is tried with a file. */
export function isFull(folder: string, error: unknown): boolean {
  if (FULL.has(codeOf(error))) return true;
  const probe = join(folder, 'nelvik.room');
  let failed: unknown = null;
  try {
    writeFileSync(probe, Buffer.alloc(ROOM_BYTES));
  } catch (thrown) {
    failed = thrown;
  }
  if (existsSync(probe)) rmSync(probe);
  return FULL.has(codeOf(failed));
}
