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

/** What a start writes at the most before anybody has done anything. */
const ROOM_BYTES = 2 * 1024 * 1024;

/** Whether a file of some size can be written; what is asked where an error hides the one before it. */
export function hasRoom(folder: string): boolean {
  const probe = join(folder, 'nelvik.room');
  try {
    writeFileSync(probe, Buffer.alloc(ROOM_BYTES));
    return true;
  } catch {
    return false;
  } finally {
    rmSync(probe, { force: true });
  }
}
