import { describe, expect, it } from 'vitest';
import { signedArea, type Ring } from '../geometry/index.ts';
import { shapeLeft, type StockItem } from '../stock/index.ts';
import { stockItem } from '../test/stockItem.ts';
import { breakWords } from '../words/index.ts';
import { nth } from '../units/index.ts';
import { brokenParts, glassJob, purchaseJob } from './index.ts';

const BY = { marginMm: 5, keepMm: 60, edgeMm: 6, flowToleranceDeg: 10 };

const item = (id: string, more: Partial<StockItem> = {}): StockItem =>
  stockItem(id, 300, 400, { kind: 'sheet', ...more });
const square: Ring = [
  [0, 0],
  [50, 0],
  [50, 50],
  [0, 50],
];
const pieces = [{ id: '7', outline: square, flowDeg: 30 }];

describe('the job of one glass', () => {
  it('takes what stands on the rack, as much of it as is left', () => {
    const stock = [
      item('A'),
      item('B', { areaMm2: 60_000 }),
      item('C', { gone: 'used up' }),
      item('D', { kind: 'offcut' }),
    ];
    const job = glassJob(pieces, { flow: true }, stock, BY, false);
    expect(job.sheets.map((s) => [s.id, s.offcut, Math.abs(signedArea(s.outline)), s.flowDeg])).toEqual([
      ['A', false, 120_000, 90],
      ['B', true, 60_000, 90],
      ['D', true, 120_000, 90],
    ]);
    expect(shapeLeft(item('A', { areaMm2: 119_500 })).isGuess).toBe(false);
    expect(shapeLeft(item('A', { areaMm2: 119_300 })).isGuess).toBe(true);
  });

  it('a flow counts only where the glass has one', () => {
    expect(glassJob(pieces, { flow: true }, [item('A')], BY, true).pieces[0]).toMatchObject({
      id: '7',
      flowDeg: 30,
      turnOver: true,
    });
    const plain = glassJob(pieces, { flow: false }, [item('A')], BY, false);
    expect([plain.pieces[0]?.flowDeg, plain.sheets[0]?.flowDeg]).toEqual([null, null]);
  });

  it('what the rack has no glass for goes onto new sheets of a known size, or nowhere', () => {
    const job = glassJob(pieces, { flow: true }, [], BY, false);
    expect(purchaseJob(job, new Set(['7']), null)).toBeNull();
    expect(purchaseJob(job, new Set(), { widthMm: 300, heightMm: 400 })).toBeNull();
    const bought = purchaseJob(job, new Set(['7']), { widthMm: 300, heightMm: 400 });
    expect(bought?.sheets).toHaveLength(1);
    expect(bought?.pieces.map((p) => p.id)).toEqual(['7']);
  });
});

describe('a sheet broken apart', () => {
  const breaks = [
    { sheetId: 'S', from: [20, 0], to: [20, 50] },
    { sheetId: 'S', from: [20, 30], to: [50, 30] },
  ] as const;

  it('keeps its area, its parts drawn aside from each break', () => {
    const parts = brokenParts(square, breaks, 4);
    expect(parts).toHaveLength(3);
    expect(parts.reduce((sum, part) => sum + Math.abs(signedArea(part.outline)), 0)).toBeCloseTo(2500, 6);
    const areas = parts.map((part) => Math.round(Math.abs(signedArea(part.outline))));
    expect(areas.sort((a, b) => a - b)).toEqual([600, 900, 1000]);
    const left = parts.find((part) => Math.round(Math.abs(signedArea(part.outline))) === 1000);
    expect(left?.aside[0]).toBeCloseTo(-2, 9);
    const low = parts.find((part) => Math.round(Math.abs(signedArea(part.outline))) === 600);
    expect(low?.aside[0]).toBeCloseTo(2, 9);
    expect(low?.aside[1]).toBeCloseTo(2, 9);
  });

  it('a break that crosses no part leaves all as it is', () => {
    expect(brokenParts(square, [{ ...nth(breaks, 0), to: [20, 40] }], 4)).toHaveLength(1);
  });

  it('is told in words', () => {
    const side = (many: string[], isOffcut = false) => ({ pieces: many, isOffcut });
    expect(breakWords([side(['3']), side(['4', '5'])])).toBe('frees piece 3');
    expect(breakWords([side(['3']), side(['4'])])).toBe('frees pieces 3 and 4');
    expect(breakWords([side(['3']), side([], true)])).toBe('frees piece 3 and an offcut');
    expect(breakWords([side(['3', '4']), side([], true)])).toBe('breaks off an offcut');
    expect(breakWords([side(['3', '4']), side([])])).toBe('breaks off waste');
    expect(breakWords([side(['3', '4']), side(['5', '6', '7'])])).toBe('parts 2 pieces from 3');
  });
});
