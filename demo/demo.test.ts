import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readCartoon } from '#core/cartoon';
import { planScores } from '#core/cutting';
import { DEFAULT_LIMITS } from '#core/limits';
import { cutOutlines, DEFAULT_ALLOWANCE } from '#core/sizing';
import { seededRandom } from '#core/units';
import { checkStudio } from '../server/checkStudio.ts';
import { Desk } from '../server/desk.ts';
import { Store } from '../server/store/store.ts';
import { drawHeron, heronPart } from './drawings/heron.ts';
import { drawDiamonds, drawFanlight, drawFish, drawLantern, drawTideLight } from './drawings/others.ts';
import { fillDemo } from './fill.ts';

describe('the drawings', () => {
  it.each([
    ['heron', drawHeron(), 107],
    ['stair light', drawTideLight(260, 820, 11), 34],
    ['lantern', drawLantern(), 30],
    ['fanlight', drawFanlight(), 30],
    ['fish', drawFish(), 24],
    ['diamonds', drawDiamonds(360, 520, 4), 45],
  ])('the %s is read whole: no loose line, no region inside another', (_, source, pieces) => {
    const reading = readCartoon(source);
    if ('refusal' in reading) throw new Error(reading.refusal);
    expect(reading.findings.filter((f) => f.kind !== 'many-lines')).toEqual([]);
    expect(Math.abs(reading.cartoon.pieces.length - pieces)).toBeLessThanOrEqual(4);
  });
  it('for every piece of the drawings an order of scores is found that frees it', () => {
    const drawings = [drawHeron(), drawTideLight(260, 820, 11), drawLantern(), drawFanlight(), drawFish()];
    const stuck = drawings.flatMap((source, k) => {
      const reading = readCartoon(source);
      if ('refusal' in reading) throw new Error(reading.refusal);
      return cutOutlines(reading.cartoon, DEFAULT_ALLOWANCE.foil).flatMap(({ number, rings: [ring] }) =>
        ring && planScores(ring, DEFAULT_LIMITS).stuck.length > 0 ? [`${k}: ${number}`] : [],
      );
    });
    expect(stuck).toEqual([]);
  });
  it('the bird is 420 by 640 mm and has 80 to 110 pieces, a bird among them', () => {
    const reading = readCartoon(drawHeron());
    if ('refusal' in reading) throw new Error(reading.refusal);
    const { pieces, box } = reading.cartoon;
    expect([box.maxX - box.minX, box.maxY - box.minY]).toEqual([420, 640]);
    expect(pieces.length).toBeGreaterThanOrEqual(80);
    expect(pieces.length).toBeLessThanOrEqual(110);
    const parts = pieces.map((p) => heronPart(p.labelAt));
    for (const part of ['bill', 'cap', 'white', 'wing', 'grey', 'leg', 'reed', 'sun', 'water'])
      expect(parts).toContain(part);
  });
});

describe('the studio', () => {
  const folder = mkdtempSync(join(tmpdir(), 'nelvik-demo-'));
  const store = new Store(folder, fileURLToPath(new URL('../server/store/migrations', import.meta.url)));
  const desk = new Desk(store);
  const now = Date.UTC(2026, 5, 17, 14);
  let n = 0;
  beforeAll(() => fillDemo(desk, now, seededRandom(20), () => `id-${n++}`));
  afterAll(() => {
    store.close();
    rmSync(folder, { recursive: true, force: true });
  });
  it('is made of commands that hold: rows equal the log, the ledger balances', () => {
    expect(checkStudio(store)).toEqual([]);
  });
  it('has about 25 sheets and 40 offcuts, delivered jobs, three recuts on the bird and a running clock', () => {
    const stock = [...desk.state.all('stock')];
    expect(stock.filter((s) => s.kind === 'sheet')).toHaveLength(25);
    expect(stock.filter((s) => s.kind === 'offcut').length).toBeGreaterThanOrEqual(38);
    expect([...desk.state.all('panels')].filter((p) => p.deliveredAt !== null).length).toBeGreaterThanOrEqual(4);
    expect([...desk.state.all('mishaps')].filter((m) => m.panelId === 'heron')).toHaveLength(3);
    expect([...desk.state.all('hours')].filter((h) => h.endedAt === null)).toHaveLength(1);
  });
  it('nothing in it happens after now', () => {
    for (const entry of store.book.entries()) expect(entry.at).toBeLessThanOrEqual(now);
    for (const entry of desk.state.all('hours')) expect(entry.endedAt ?? 0).toBeLessThanOrEqual(now);
  });
});
