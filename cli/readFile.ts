import { openSync, readSync, closeSync, fstatSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { CAPACITY } from '#core/limits';
import { drawingRefusalWords } from '#core/words';
import { Refused } from './refused.ts';

/** The text of a file. @param what it should be, as in “not a drawing” @throws Refused in one plain line */
export function readFile(path: string, what: string): string {
  let fd: number;
  try {
    fd = openSync(path, 'r');
  } catch {
    throw new Refused(`There is no file “${path}” that can be read.`);
  }
  try {
    const stat = fstatSync(fd);
    if (stat.isDirectory()) throw new Refused(`“${path}” is a folder, not ${what}.`);
    if (stat.size > CAPACITY.sourceChars) throw new Refused(drawingRefusalWords('too-large'));
    const bytes = Buffer.alloc(stat.size);
    let read = 0;
    while (read < stat.size) {
      const n = readSync(fd, bytes, read, stat.size - read, null);
      if (n === 0) break;
      read += n;
    }
    return decode(bytes.subarray(0, read));
  } finally {
    closeSync(fd);
  }
}

/** UTF-8, or UTF-16 where a byte order mark says so; unpacked first where it was packed (SVGZ). */
function decode(given: Buffer): string {
  const isPacked = given[0] === 0x1f && given[1] === 0x8b;
  const bytes = isPacked ? unpacked(given) : given;
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return bytes.toString('utf16le');
  if (bytes[0] === 0xfe && bytes[1] === 0xff)
    return Buffer.from(bytes)
      .subarray(0, bytes.length & ~1)
      .swap16()
      .toString('utf16le');
  return bytes.toString('utf8');
}

function unpacked(bytes: Buffer): Buffer {
  try {
    return gunzipSync(bytes, { maxOutputLength: CAPACITY.sourceChars });
  } catch (error) {
    const isTooLarge = (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE';
    throw new Refused(drawingRefusalWords(isTooLarge ? 'too-large' : 'not-a-drawing'));
  }
}
