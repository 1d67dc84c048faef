import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gunzipSync } from 'node:zlib';
import Database from 'better-sqlite3';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { checkStudio } from '../checkStudio.ts';
import { Store } from './store.ts';

const MIGRATIONS = fileURLToPath(new URL('./migrations', import.meta.url));
const FIXTURES = fileURLToPath(new URL('./fixtures', import.meta.url));
const STATES = readdirSync(FIXTURES).filter((name) => name.endsWith('.sqlite.gz'));
/** From before rows had columns: they are brought up to date. */
const DOCUMENTS = STATES.filter((name) => /b5a0717|fecb99e/.test(name));

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'nelvik-old-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A studio as an earlier Nelvik left it. */
function old(state: string): Database.Database {
  const file = join(folder, 'nelvik.sqlite');
  writeFileSync(file, gunzipSync(readFileSync(join(FIXTURES, state))));
  return new Database(file);
}

type Doc = Readonly<Record<string, unknown>> & { readonly id: string };
const docs = (db: Database.Database, table: string): Doc[] =>
  (db.prepare(`select doc from ${table}`).all() as { doc: string }[]).map(({ doc }) => JSON.parse(doc) as Doc);

describe.each(STATES)('data of %s', (state) => {
  it('opens, replays and agrees in every respect; opened again nothing more is done', () => {
    old(state).close();
    const store = new Store(folder, MIGRATIONS);
    expect(checkStudio(store)).toEqual([]);
    expect(store.book.lastSeq()).toBeGreaterThan(30);
    store.close();
    const before = readFileSync(join(folder, 'nelvik.sqlite'));
    const again = new Store(folder, MIGRATIONS);
    expect(checkStudio(again)).toEqual([]);
    again.close();
    expect(readFileSync(join(folder, 'nelvik.sqlite')).equals(before)).toBe(true);
  });
});

describe.each(DOCUMENTS)('rows of %s', (state) => {
  it('is kept whole beside what it became', () => {
    old(state).close();
    const was = readFileSync(join(folder, 'nelvik.sqlite'));
    new Store(folder, MIGRATIONS).close();
    const copy = readdirSync(folder).find((name) => name.startsWith('nelvik-before-update-'));
    const kept = new Database(join(folder, copy ?? ''), { readonly: true });
    const first = new Database(was, { readonly: true });
    const count = 'select count(*) as n from log';
    expect(kept.prepare(count).get()).toEqual(first.prepare(count).get());
    kept.close();
    first.close();
  });
  it('say what the documents said, field by field', () => {
    const db = old(state);
    const before = Object.fromEntries(
      ['settings', 'people', 'glasses', 'commissions', 'panels', 'pieces', 'stock', 'moves', 'mishaps', 'hours'].map(
        (table) => [table, docs(db, table)],
      ),
    ) as Record<string, Doc[]>;
    const log = db.prepare('select command_id, at, payload from log order by seq').all() as { payload: string }[];
    db.close();
    const store = new Store(folder, MIGRATIONS);
    const { rows } = store;
    let fields = 0;
    const same = (
      table: 'settings' | 'people' | 'glasses' | 'commissions' | 'panels' | 'stock' | 'moves' | 'hours',
    ) => {
      for (const doc of before[table] ?? []) {
        const row = rows.get(table, doc.id) as unknown as Doc;
        expect(row, `${table} ${doc.id}`).toBeDefined();
        for (const [key, value] of Object.entries(doc)) {
          if (['rev', 'made', 'soldered', 'steps', 'sections'].includes(key)) continue;
          expect(row[key] ?? null, `${table} ${doc.id} ${key}`).toEqual(value ?? null);
          fields++;
        }
      }
    };
    for (const table of ['settings', 'people', 'glasses', 'commissions', 'panels', 'stock', 'moves', 'hours'] as const)
      same(table);
    const pieces = before.pieces ?? [];
    const now = [...rows.all('pieces')].filter((p) => p.drawn);
    expect(now.length).toBe(pieces.length);
    for (const doc of pieces) {
      const row = now.find((p) => p.panelId === doc.panelId && p.number === doc.number) as unknown as Doc;
      for (const [key, value] of Object.entries(doc)) {
        if (['id', 'rev', 'made'].includes(key)) continue;
        expect(row[key] || null, `piece ${doc.id} ${key}`).toEqual(value || null);
        fields++;
      }
    }
    // A renumbering left breaks on the old number; apart from that they say the same.
    const mishap = (m: Doc) => [
      m.at,
      m.reason,
      m.stage,
      m.glassId,
      m.glassMm2,
      m.glassCents,
      m.minutes,
      m.labourCents,
      m.recutFrom,
    ];
    expect(([...rows.all('mishaps')] as unknown as Doc[]).map(mishap)).toEqual((before.mishaps ?? []).map(mishap));
    for (const doc of before.panels ?? []) {
      const panel = doc as unknown as {
        soldered: Record<'front' | 'back', number[]>;
        steps: Record<string, number>;
        sections?: Record<string, string>;
      };
      const joints = [...rows.ask('jointsOfPanel', doc.id)].sort((a, b) => a.number - b.number);
      expect(joints.filter((j) => j.frontAt !== null).map((j) => j.number)).toEqual(panel.soldered.front);
      expect(joints.filter((j) => j.backAt !== null).map((j) => j.number)).toEqual(panel.soldered.back);
      expect(Object.fromEntries([...rows.ask('stepsOfPanel', doc.id)].map((s) => [s.step, s.at]))).toEqual(panel.steps);
      const sections = Object.fromEntries([...rows.ask('sectionsOfPanel', doc.id)].map((s) => [s.letter, s.name]));
      expect(sections).toEqual(panel.sections ?? {});
    }
    const originals = store.sqlite.prepare('select count(*) as n from log_originals').get() as { n: number };
    expect(originals.n).toBeGreaterThan(log.length / 2);
    expect(fields).toBeGreaterThan(300);
    store.close();
  });
  it('drawings and their sources are all there, each source once', () => {
    const db = old(state);
    const cartoons = db.prepare('select id, source, reading from cartoons').all() as Record<
      'id' | 'source' | 'reading',
      string
    >[];
    db.close();
    const store = new Store(folder, MIGRATIONS);
    expect(store.drawings.ids().length).toBe(cartoons.length);
    for (const { id, source, reading } of cartoons) {
      expect(store.drawings.source(id)?.content.toString('utf8')).toBe(source);
      const before = JSON.parse(reading) as { cartoon: { map: unknown; pieces: { number: number }[] } };
      const after = store.drawings.reading(id)?.cartoon;
      expect(after?.map).toEqual(before.cartoon.map);
      expect(after?.pieces.map((p) => p.number)).toEqual(before.cartoon.pieces.map((p) => p.number));
    }
    expect(store.drawings.fileHashes().length).toBe(new Set(cartoons.map((c) => c.source)).size);
    store.close();
  });
});

it('data that tells of an act which nobody knows is left as it is', () => {
  const [state = ''] = DOCUMENTS;
  const db = old(state);
  db.exec(`insert into log values (9999, 'from-the-future', 1, null, 'b', 'weld', 7, null, '{}', '[]')`);
  db.close();
  expect(() => new Store(folder, MIGRATIONS)).toThrow(/“weld”, which this version of Nelvik does not know/);
  const kept = new Database(join(folder, 'nelvik.sqlite'), { readonly: true });
  expect(kept.prepare('select count(*) as n from old_cartoons').get()).not.toEqual({ n: 0 });
  kept.close();
});
