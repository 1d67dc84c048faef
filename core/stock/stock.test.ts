import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stockItem } from '../test/stockItem.ts';
import { checkLedger, divide, ledgerTotals, offcutLabel, type LeftAsMeasured, type StockMove } from './index.ts';

describe('dividing a sheet', () => {
  it('speaks for every square millimetre, whatever is left', () => {
    const left = fc.oneof<fc.Arbitrary<LeftAsMeasured>[]>(
      fc.constant({ kind: 'waste' }),
      fc.constant({ kind: 'stays' }),
      fc.record({
        kind: fc.constant('stays' as const),
        widthMm: fc.double({ min: 1, max: 300, noNaN: true }),
        heightMm: fc.double({ min: 1, max: 300, noNaN: true }),
      }),
      fc.record({
        kind: fc.constant('offcuts' as const),
        offcuts: fc.array(
          fc.record({
            widthMm: fc.double({ min: 1, max: 200, noNaN: true }),
            heightMm: fc.double({ min: 1, max: 200, noNaN: true }),
          }),
          { maxLength: 4 },
        ),
      }),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 300_000 }),
        fc.integer({ min: 1, max: 300_000 }),
        left,
        (areaMm2, pieces, rest) => {
          const d = divide({ id: 'S', areaMm2 }, pieces, rest);
          if ('code' in d) {
            expect(d.wantMm2).toBeGreaterThan(d.haveMm2);
            return;
          }
          expect(d.piecesMm2 + d.offcutsMm2.reduce((a, b) => a + b, 0) + d.wasteMm2 + d.staysMm2).toBe(areaMm2);
          for (const part of [d.piecesMm2, d.wasteMm2, d.staysMm2, ...d.offcutsMm2]) {
            expect(part).toBeGreaterThanOrEqual(0);
            expect(Number.isInteger(part)).toBe(true);
          }
        },
      ),
    );
  });
  it('asks instead of going below nothing', () => {
    expect(divide({ id: 'S', areaMm2: 999 }, 1000, { kind: 'waste' })).toMatchObject({
      code: 'not-enough',
      haveMm2: 999,
      wantMm2: 1000,
    });
    expect(
      divide({ id: 'S', areaMm2: 2000 }, 1000, { kind: 'offcuts', offcuts: [{ widthMm: 40, heightMm: 26 }] }),
    ).toMatchObject({ code: 'left-too-large', haveMm2: 1000, wantMm2: 1040 });
  });
});

it('labels offcuts by their sheet, an offcut of an offcut too', () => {
  const taken = new Set(['B7-1', 'B7-2']);
  expect(offcutLabel('B7', (l) => taken.has(l))).toBe('B7-3');
  expect(offcutLabel('B7-2', (l) => taken.has(l))).toBe('B7-3');
});

describe('the ledger check', () => {
  const move = (id: string, kind: StockMove['kind'], deltaMm2: number, balanceMm2: number): StockMove => ({
    id,
    seq: 1,
    at: 0,
    stockId: 'S',
    kind,
    deltaMm2,
    balanceMm2,
    panelId: null,
    numbers: [],
    note: '',
  });
  const sheet = (areaMm2: number) => [stockItem('S', 100, 100, { areaMm2 })];
  it('passes a sound one', () => {
    const moves = [move('1', 'received', 10_000, 10_000), move('2', 'pieces', -3000, 7000)];
    expect(checkLedger(sheet(7000), moves)).toEqual([]);
    expect(ledgerTotals(moves)).toMatchObject({ received: 10_000, pieces: -3000 });
  });
  it.each([
    ['a wrong balance', 7000, [move('1', 'received', 10_000, 10_000), move('2', 'pieces', -3000, 7001)]],
    ['an area that no entry explains', 6999, [move('1', 'received', 10_000, 10_000), move('2', 'pieces', -3000, 7000)]],
    ['a negative balance', -1, [move('1', 'received', 10_000, 10_000), move('2', 'pieces', -10_001, -1)]],
    ['parts of a square millimetre', 9999.5, [move('1', 'received', 10_000, 10_000), move('2', 'waste', -0.5, 9999.5)]],
  ])('finds %s', (_, area, moves) => expect(checkLedger(sheet(area), moves)).not.toEqual([]));
});
