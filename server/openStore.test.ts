import { mkdirSync, mkdtempSync, readFileSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { smallStudio } from '../core/test/smallStudio.ts';
import { openStore } from './openStore.ts';
import { Store } from './store/store.ts';
import { writeStudio } from './test/writeStudio.ts';
import { MIGRATIONS } from './testServer.ts';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nelvik-open-'));
  file = join(folder, 'nelvik.sqlite');
  const store = new Store(folder, MIGRATIONS);
  writeStudio(store, smallStudio());
  store.close();
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const problem = (): string => {
  const opened = openStore(folder, MIGRATIONS);
  if (!('problem' in opened)) {
    opened.store.close();
    return '';
  }
  return opened.problem;
};
const sql = (...statements: string[]) => {
  const sqlite = new Database(file);
  for (const statement of statements) sqlite.exec(statement);
  sqlite.close();
};

describe('a file that cannot be opened is told in one sentence, says what to do, and is not touched', () => {
  it.each<[string, () => void, RegExp]>([
    ['emptied', () => truncateSync(file, 0), /is empty; nothing in it was changed: put a copy back/],
    ['cut in its middle', () => truncateSync(file, 8192), /shorter than it was|is damaged/],
    [
      'cut by its last page',
      () => truncateSync(file, readFileSync(file).length - 4096),
      /is shorter than it was: a part of it is missing at its end/,
    ],
    ['a text', () => writeFileSync(file, 'to the studio of tomorrow'), /is no database/],
    [
      'a database of something else',
      () => {
        rmSync(file);
        sql('create table birds (name text)');
      },
      /is a database, but none of a studio/,
    ],
    ['without a table', () => sql('pragma foreign_keys = off', 'drop table pieces'), /lacks a part of what it held/],
    ['without its log', () => sql('drop table log'), /is a database, but none of a studio/],
    [
      'written by a newer program (tables)',
      () => sql(`update __drizzle_migrations set created_at = 9e12 where rowid = 1`),
      /was written by a newer Nelvik; start that one, or put a copy back/,
    ],
    [
      'written by a newer program (acts)',
      () => sql(`update meta set value = value || ', gild-pieces 1' where key = 'data-version'`),
      /was written by a newer Nelvik/,
    ],
  ])('%s', (_, harm, words) => {
    harm();
    const before = readFileSync(file);
    const said = problem();
    expect(said).toMatch(words);
    expect(said).toMatch(/^[^\n]+\.$/);
    expect(readFileSync(file).equals(before)).toBe(true);
  });
  it('a damaged first page', () => {
    const bytes = readFileSync(file);
    writeFileSync(file, bytes.fill(0xa5, 40, 4096));
    expect(problem()).toMatch(/damaged|no database/);
  });
});

describe('a first start', () => {
  it('that was cut off leaves no studio that looks like one', () => {
    const other = join(folder, 'first');
    mkdirSync(other);
    writeFileSync(join(other, 'nelvik.new.sqlite'), 'half of it');
    const opened = openStore(other, MIGRATIONS);
    expect('store' in opened && opened.store.book.lastSeq()).toBe(0);
    if ('store' in opened) opened.store.close();
  });
  it('is not made in silence where a studio has been: its copies are named', () => {
    mkdirSync(join(folder, 'copies'));
    writeFileSync(join(folder, 'copies', 'nelvik-2026-11-20-080000-daily-12.sqlite'), 'x');
    rmSync(file);
    expect(problem()).toMatch(/^The studio is no longer in .*, but copies of it are in .*; put a copy back/);
  });
});
