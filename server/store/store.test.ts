import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { differences, QUESTIONS, replay, type Question, type RowChange } from '#core/bench';
import { smallStudio, type SmallStudio } from '../../core/test/smallStudio.ts';
import { checkStudio } from '../checkStudio.ts';
import { writeStudio } from '../test/writeStudio.ts';
import { Store } from './store.ts';

const MIGRATIONS = fileURLToPath(new URL('./migrations', import.meta.url));
let folder: string;
let store: Store;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nelvik-store-'));
  store = new Store(folder, MIGRATIONS);
});
afterEach(() => {
  store.close();
  rmSync(folder, { recursive: true, force: true });
});

/** The drawing that the small studio's panel names has to be there: here it is empty. */
const write = (small: SmallStudio) => writeStudio(store, small);

const worked = (): SmallStudio => {
  const s = smallStudio();
  s.do({ kind: 'cut', ask: { panelId: 'p', sources: [{ stockId: 'S1', numbers: [1, 2], left: { kind: 'waste' } }] } });
  s.do({ kind: 'break', ask: { panelId: 'p', numbers: [2], reason: 'dropped', minutes: 4, recut: null } });
  s.do({ kind: 'mark', ask: { panelId: 'p', numbers: [3], section: 'A', sectionName: 'sky', locked: true } });
  s.do({ kind: 'start-clock', ask: { id: 'h', personId: 'ada', panelId: 'p', stage: 'cutting' } });
  s.back('undo');
  return s;
};

describe('the store', () => {
  it('gives back what was written, after closing too', () => {
    const made = worked();
    write(made);
    store.close();
    store = new Store(folder, MIGRATIONS);
    expect(differences(store.rows, made.studio)).toEqual([]);
    expect(differences(replay(store.book.entries()), made.studio)).toEqual([]);
    expect(store.book.lastSeq()).toBe(made.studio.seq);
    expect([store.book.seqOf('c3'), store.book.seqOf('never')]).toEqual([3, null]);
  });
  it('answers every question of the core as the studio in memory does', () => {
    const made = worked();
    write(made);
    const sorted = (rows: Iterable<{ id: string }>) => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1));
    let answers = 0;
    for (const question of Object.keys(QUESTIONS) as Question[]) {
      const { table, keyOf } = QUESTIONS[question];
      const keys = new Set(['nobody', 'p|999']);
      for (const row of made.studio.all(table)) {
        const key = (keyOf as (row: unknown) => string | null)(row);
        if (key !== null) keys.add(key);
      }
      for (const key of keys) {
        const expected = sorted(made.studio.ask(question, key));
        expect(sorted(store.rows.ask(question, key)), `${question} ${key}`).toEqual(expected);
        answers += expected.length;
      }
    }
    expect(answers).toBeGreaterThan(80);
  });
  it('has an index for each question: none goes through a whole table', () => {
    const plans: string[] = [];
    const prepare = store.sqlite.prepare.bind(store.sqlite);
    store.sqlite.prepare = ((sql: string) => {
      if (sql.startsWith('select * from'))
        for (const step of prepare(`explain query plan ${sql}`).all(...Array(sql.split('?').length - 1).fill('x')))
          plans.push(`${sql}: ${(step as { detail: string }).detail}`);
      return prepare(sql);
    }) as typeof store.sqlite.prepare;
    for (const question of Object.keys(QUESTIONS) as Question[]) void [...store.rows.ask(question, 'x|1')];
    expect(plans.length).toBe(Object.keys(QUESTIONS).length);
    expect(plans.filter((plan) => /: SCAN/.test(plan))).toEqual([]);
  });
  it('a command id is written once only, and a failed write leaves nothing behind', () => {
    const made = smallStudio();
    write(made);
    const again = made.log[0];
    const zed = { ...made.studio.get('people', 'ada'), id: 'zed' };
    const changes = [{ table: 'people', id: 'zed', before: null, after: zed }] as RowChange[];
    expect(() => store.atOnce(() => store.record({ ...again, seq: 9999 } as never, changes, null))).toThrow(/UNIQUE/);
    expect(store.rows.get('people', 'zed')).toBeUndefined();
    expect(store.book.lastSeq()).toBe(made.studio.seq);
  });
  it('tells one entry, those after it, those of a panel, of none and of a piece', () => {
    write(worked());
    const { book } = store;
    const last = book.lastSeq();
    expect(book.entry(last)?.seq).toBe(last);
    expect(book.entry(last + 1)).toBeNull();
    expect(book.after(last - 2)?.map((e) => e.seq)).toEqual([last - 1, last]);
    expect(book.after(last)).toEqual([]);
    expect([...book.backwards(null)]).toEqual([]);
    expect([...book.backwards('p')].map((e) => e.seq).slice(0, 2)).toEqual([last, last - 1]);
    expect(book.ofPanel('p', {}, 2).map((e) => e.seq)).toEqual([last, last - 1]);
    expect(book.ofPanel('p', { before: last, after: last - 2 }).map((e) => e.seq)).toEqual([last - 1]);
    expect(book.ofPiece('p/2').map((e) => e.happening.kind)).toEqual(['break', 'cut', 'choose-glass']);
  });
  it('takes the side file in without waiting for whoever reads', () => {
    const { rows, close } = store.snapshot();
    write(worked());
    const start = performance.now();
    store.fold();
    expect(performance.now() - start).toBeLessThan(1000);
    // The reader still sees the studio as it was.
    expect(rows.count('pieces')).toBe(0);
    close();
  });
  it('refuses what may never be, whoever asks', () => {
    write(smallStudio());
    const run = (sql: string) => () => store.sqlite.exec(sql);
    expect(run(`update stock set area_mm2 = -1 where id = 'S1'`)).toThrow(/CHECK/);
    expect(run(`update stock set gone = 'used up' where id = 'S1'`)).toThrow(/CHECK/);
    expect(run(`update pieces set glass_id = 'none' where id = 'p/1'`)).toThrow(/FOREIGN KEY/);
    expect(run(`update pieces set number = 2 where id = 'p/1'`)).toThrow(/UNIQUE/);
    expect(run(`update pieces set broken = 'lost', stage = 'cut' where id = 'p/1'`)).toThrow(/CHECK/);
    expect(run(`delete from panels where id = 'p'`)).toThrow(/FOREIGN KEY/);
  });
  it('keeps a live backup that opens by itself', async () => {
    write(smallStudio());
    const copy = join(folder, 'copy.sqlite');
    await store.backup(copy);
    expect(existsSync(copy)).toBe(true);
    const opened = new Database(copy, { readonly: true });
    expect(opened.prepare('select count(*) as n from log').get()).toEqual({ n: store.book.lastSeq() });
    opened.close();
  });
  it('writes ahead', () => {
    const opened = new Database(join(folder, 'nelvik.sqlite'));
    expect(opened.pragma('journal_mode', { simple: true })).toBe('wal');
    opened.close();
  });
  it('sums of the ledger follow its entries', () => {
    const made = worked();
    write(made);
    const stored = store.sqlite.prepare('select kind, sum_mm2 as mm2 from ledger_totals order by kind').all();
    const sums = new Map<string, number>();
    for (const move of made.studio.all('moves')) sums.set(move.kind, (sums.get(move.kind) ?? 0) + move.deltaMm2);
    expect(stored).toEqual([...sums].sort().map(([kind, mm2]) => ({ kind, mm2 })));
  });
  it('content is kept once, whoever brings it', () => {
    const hash = store.drawings.keepFile('<svg>one</svg>', 'image/svg+xml');
    expect(store.drawings.keepFile('<svg>one</svg>', 'image/svg+xml')).toBe(hash);
    expect(store.drawings.fileHashes()).toEqual([hash]);
    expect(store.drawings.file(hash)?.bytes).toBe(14);
  });
});

describe('the check finds', () => {
  it.each([
    [
      'a stage that was written past the log',
      `update pieces set stage = 'ground' where id = 'p/3'`,
      /pieces p\/3 differs: stage/,
    ],
    ['a count that is off', `update panels set counts = '{"stages":{"to-cut":3},"broken":0}'`, /counts 3 to-cut/],
    ['an area that no entry explains', `update stock set area_mm2 = 5 where id = 'S2'`, /S2 holds 5 mm²/],
    ['a row of no form', `update glasses set texture = 'furry' where id = 'red'`, /glasses red: texture/],
    ['a row that is gone', `delete from moves where stock_id = 'K1'`, /the log tells of/],
    ['another content under a name', `update files set packed = (select packed from studies)`, /another content/],
    ['a commission said to be delivered', `update commissions set in_hand = 0`, /said to be delivered/],
  ])('%s', (_, sql, words) => {
    write(worked());
    expect(checkStudio(store).filter((w) => !/drawing/.test(w))).toEqual([]);
    store.sqlite.exec(sql);
    expect(checkStudio(store).join('\n')).toMatch(words);
  });
});
