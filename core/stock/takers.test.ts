import { describe, expect, it } from 'vitest';
import { stockItem } from '../test/stockItem.ts';
import type { Ring } from '../geometry/index.ts';
import { seededRandom } from '../units/index.ts';
import { bySize, fitsOn, takingOf, wantedFlow, type StockItem, type Wanted } from './index.ts';

const wanted = (widthMm: number, heightMm: number, more: Partial<Wanted> = {}): Wanted => ({
  ring: null,
  widthMm,
  heightMm,
  areaMm2: widthMm * heightMm,
  flowDeg: null,
  ...more,
});
const EDGE = 6;
const takersOf = (pieces: readonly Wanted[], rack: readonly StockItem[], edgeMm: number): StockItem[] =>
  bySize(rack.filter((item) => item.gone === null && takingOf(pieces, item, edgeMm) === 'fits'));

describe('a piece on a sheet', () => {
  it('fits to the millimetre inside the edge strip, and not a tenth more', () => {
    const sheet = { widthMm: 100, heightMm: 60 };
    expect(fitsOn(wanted(88, 48), sheet, EDGE)).toBe(true);
    expect(fitsOn(wanted(88.1, 48), sheet, EDGE)).toBe(false);
    expect(fitsOn(wanted(88, 48.1), sheet, EDGE)).toBe(false);
    expect(fitsOn(wanted(100, 60), sheet, 0)).toBe(true);
  });
  it('is turned where its glass has no flow; flow lays it along the height of the sheet', () => {
    const sheet = { widthMm: 60, heightMm: 200 };
    expect(fitsOn(wanted(180, 30), sheet, EDGE)).toBe(true);
    // Flow along the piece's width: it stands upright. Flow across it: it would lie across the sheet.
    expect(fitsOn(wanted(180, 30, { flowDeg: 0 }), sheet, EDGE)).toBe(true);
    expect(fitsOn(wanted(180, 30, { flowDeg: 90 }), sheet, EDGE)).toBe(false);
    expect(fitsOn(wanted(30, 180, { flowDeg: 90 }), sheet, EDGE)).toBe(true);
  });
  it('by its outline: a slanting bar fits where its box does not', () => {
    const d = Math.SQRT1_2;
    const turned = (x: number, y: number): [number, number] => [(x - y) * d, (x + y) * d];
    const bar: Ring = [turned(0, 0), turned(150, 0), turned(150, 20), turned(0, 20)];
    const box = (150 + 20) * d;
    expect(fitsOn(wanted(box, box), { widthMm: 40, heightMm: 170 }, EDGE)).toBe(false);
    expect(fitsOn(wanted(box, box, { ring: bar }), { widthMm: 40, heightMm: 170 }, EDGE)).toBe(true);
  });
  it('any way round: what fits just so at one angle is found, whatever the angle', () => {
    const random = seededRandom(9);
    let missed = 0;
    for (let k = 0; k < 1500; k++) {
      const n = 3 + Math.floor(random() * 9);
      const ring: Ring = Array.from({ length: n }, (_, i) => {
        const [t, r] = [((i + random() * 0.8) / n) * 2 * Math.PI, 8 + random() * 40];
        return [r * Math.cos(t), 0.6 * r * Math.sin(t)] as const;
      });
      const [cos, sin] = [Math.cos(random() * Math.PI), Math.sin(random() * Math.PI)];
      const mm = Math.hypot(cos, sin);
      const [c, s] = [cos / mm, sin / mm];
      const spread = (of: (x: number, y: number) => number) => {
        const values = ring.map(([x, y]) => of(x, y));
        return Math.max(...values) - Math.min(...values);
      };
      // A sheet as large as the box round the piece, turned so: it fits at that very angle.
      const sheet = { widthMm: spread((x, y) => x * c - y * s), heightMm: spread((x, y) => x * s + y * c) };
      if (!fitsOn(wanted(0, 0, { ring }), sheet, 0)) missed++;
      // And where no angle of many does, it does not.
      const small = { widthMm: sheet.widthMm * 0.9, heightMm: sheet.heightMm * 0.9 };
      const byTrial = Array.from({ length: 1800 }, (_, i) => (i * Math.PI) / 1800).some((rad) => {
        const [tc, ts] = [Math.cos(rad), Math.sin(rad)];
        return (
          spread((x, y) => x * tc - y * ts) <= small.widthMm && spread((x, y) => x * ts + y * tc) <= small.heightMm
        );
      });
      if (k % 10 === 0 && byTrial && !fitsOn(wanted(0, 0, { ring }), small, 0)) missed++;
    }
    expect(missed).toBe(0);
  });
  it('a flow counts only for glass that has one', () => {
    expect([wantedFlow({ flow: true }, 30), wantedFlow({ flow: false }, 30), wantedFlow(undefined, 30)]).toEqual([
      30,
      null,
      null,
    ]);
  });
});

describe('which sheet takes these pieces', () => {
  const rack = [
    stockItem('sheet', 200, 150, { kind: 'sheet' }),
    stockItem('large', 300, 200),
    stockItem('fit', 100, 60),
    stockItem('narrow', 900, 20),
    stockItem('gone', 100, 60, { gone: 'written off' }),
    stockItem('nearly gone', 100, 60, { areaMm2: 100 }),
  ];
  it('offcuts first, the smallest first; what is gone, used up or too narrow is none', () => {
    expect(takersOf([wanted(80, 30)], rack, EDGE).map((s) => s.id)).toEqual(['fit', 'large', 'sheet']);
    expect(takersOf([wanted(80, 30), wanted(80, 47)], rack, EDGE).map((s) => s.id)).toEqual(['large', 'sheet']);
    expect(takersOf([wanted(500, 400)], rack, EDGE)).toEqual([]);
  });
  it('says why one is not', () => {
    expect(takingOf([wanted(80, 30)], stockItem('a', 100, 60), EDGE)).toBe('fits');
    expect(takingOf([wanted(80, 30)], stockItem('a', 100, 60, { areaMm2: 2399 }), EDGE)).toBe('not-enough');
    expect(takingOf([wanted(80, 30)], stockItem('a', 100, 60, { areaMm2: 2400 }), EDGE)).toBe('fits');
    expect(takingOf([wanted(80, 30)], stockItem('a', 900, 20), EDGE)).toBe('too-small');
  });
});
